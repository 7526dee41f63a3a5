<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Face\FacePart;
use ChalkTree\Face\FacePlace;
use ChalkTree\Face\InSmallType;
use ChalkTree\Look\Look;

/** The fields of a topic that are shown on it, a line each in small type below its title. */
final readonly class FactsPart implements FacePart
{
    use InSmallType;

    private const PART = 'facts';

    private const ROOM = 3.0;

    public function __construct(private string $text)
    {
    }

    public function place(Look $look): FacePlace
    {
        return FacePlace::Below;
    }
}
