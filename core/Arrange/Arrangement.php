<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/**
 * A way to lay a branch out. It sees one slip and the branches right below it, already laid out each on its own, and
 * places them relative to that slip: a child beyond its parent in the direction of growth, siblings in their order,
 * nothing over anything else.
 */
interface Arrangement
{
    /** The name on the wire, "both-sides". */
    public static function name(): string;

    /** The direction in which a branch grows away from its parent. */
    public function growth(Slip $parent, Topic $child): Growth;

    /**
     * Gives the children their places and connectors, and the slip the extent of its branch.
     *
     * @param  list<Slip>  $children
     */
    public function place(Slip $slip, array $children): void;
}
