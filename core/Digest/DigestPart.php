<?php

declare(strict_types=1);

namespace ChalkTree\Digest;

use ChalkTree\Face\FacePart;
use ChalkTree\Face\FacePlace;
use ChalkTree\Face\InSmallType;
use ChalkTree\Look\Look;

/** What a digest gathers, in small type below its title. */
final readonly class DigestPart implements FacePart
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
