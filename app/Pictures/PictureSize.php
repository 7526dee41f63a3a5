<?php

declare(strict_types=1);

namespace App\Pictures;

/** The sizes in which a picture is kept. */
enum PictureSize: string
{
    case Small = 'small';
    case Large = 'large';
    case Original = 'original';

    /** Pixels of its longer side at most. */
    public function side(): ?int
    {
        return match ($this) {
            self::Small => 480,
            self::Large => 1600,
            self::Original => null,
        };
    }

    /** What a picture of this width on the board is drawn of, so that it is sharp on fine screens. */
    public static function forWidth(float $width): self
    {
        return $width <= 200 ? self::Small : self::Large;
    }
}
