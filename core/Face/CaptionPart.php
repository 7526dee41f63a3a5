<?php

declare(strict_types=1);

namespace ChalkTree\Face;

use ChalkTree\Look\Look;

/** The short second line below a title, in small type. */
final readonly class CaptionPart implements FacePart
{
    use InSmallType;

    private const PART = 'caption';

    private const ROOM = 3.0;

    public function __construct(private string $text)
    {
    }

    public function place(Look $look): FacePlace
    {
        return $look->type->captionAbove ? FacePlace::Above : FacePlace::Below;
    }
}
