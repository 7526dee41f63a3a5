<?php

declare(strict_types=1);

namespace ChalkTree\Face;

use ChalkTree\Look\Look;

/** The phrase of a topic whose connector has no room for it, in small type above the title. */
final readonly class PhrasePart implements FacePart
{
    use InSmallType;

    private const PART = 'phrase';

    private const ROOM = 2.0;

    public function __construct(private string $text)
    {
    }

    public function place(Look $look): FacePlace
    {
        return FacePlace::Above;
    }
}
