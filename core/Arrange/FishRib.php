<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;

/** What the ribs of a fishbone are: the fishbone places what stands along them. Nobody chooses it. */
final readonly class FishRib implements Arrangement
{
    use PlacedByHead;

    public static function name(): string
    {
        return 'fish-rib';
    }

    public function growth(Slip $head, Topic $child, int $index, int $count, ?Place $put = null): Growth
    {
        return Growth::Left;
    }
}
