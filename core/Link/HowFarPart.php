<?php

declare(strict_types=1);

namespace ChalkTree\Link;

use ChalkTree\Face\FacePart;
use ChalkTree\Face\FacePlace;
use ChalkTree\Face\InSmallType;
use ChalkTree\Look\Look;

/** How far the map is to which a topic leads, in small type below its title. */
final readonly class HowFarPart implements FacePart
{
    use InSmallType;

    private const PART = 'how-far';

    private const ROOM = 3.0;

    public function __construct(private string $text)
    {
    }

    public function place(Look $look): FacePlace
    {
        return FacePlace::Below;
    }
}
