<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/**
 * A way to lay a branch out. It sees one slip and the branches right below it, already laid out each on its own with
 * the rectangle it takes, and places them relative to that slip: siblings in their order, nothing over anything else.
 * As it sees nothing but rectangles, arrangements mix at will.
 *
 * The rows right below and right above its box, as wide as the box is, are left free by every arrangement upwards, so
 * that a connector can always come in from the top.
 */
interface Arrangement
{
    /** The name on the wire and in files, "both-sides". */
    public static function name(): string;

    /**
     * The direction in which a child stands from the slip that heads the branch.
     *
     * @param  int  $index  the how-manieth child it is, of how many
     * @param  Place|null  $put  where a person put it
     */
    public function growth(Slip $head, Topic $child, int $index, int $count, ?Place $put = null): Growth;

    /** The name of the arrangement of a branch that has none of its own, and stands in that direction from its head. */
    public function handsDown(Growth $growth): string;

    /** How a connector that comes in this direction enters a slip whose branch is laid out so: in the same, or from the top if that edge is taken. */
    public function enters(Growth $growth): Growth;

    /** Where the marks of a folded branch stand. */
    public function opens(): Growth;

    /** Whether it draws a line of its own at the slip (Slip::$axis), which is only known where its branch is placed. */
    public function hasAxis(): bool;

    /** Whether it has a right way round, and is seen in a mirror on boards that are. */
    public function isMirrorable(): bool;

    /** How siblings stand to each other, which is what decides whether a ring has room and where a brace stands. */
    public function siblings(): Siblings;

    /** How the phrases on the connectors that lead to children are shown. */
    public function phrases(): PhraseWay;

    /** How many levels below a slip it places, each of which has to be there when it does. */
    public function levels(): int;

    /**
     * Gives the children their places and the ways of their connectors, and the slip the rectangle of its branch.
     *
     * @param  list<Slip>  $children
     * @param  array<string, list<Slip>>  $below  the slips below each child, where more than one level is placed
     */
    public function place(Slip $slip, array $children, array $below): void;
}
