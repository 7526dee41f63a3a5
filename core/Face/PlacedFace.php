<?php

declare(strict_types=1);

namespace ChalkTree\Face;

use ChalkTree\Text\Line;

/** What stands in one box, and where. */
final readonly class PlacedFace
{
    /**
     * @param  list<Line>  $title  none where something stands instead of it
     * @param  list<array{FacePart, Area}>  $parts
     */
    public function __construct(public array $title, public Area $titleArea, public array $parts)
    {
    }
}
