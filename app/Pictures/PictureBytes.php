<?php

declare(strict_types=1);

namespace App\Pictures;

/** Says in pictures of our own making how many dots go to the inch, so that they are as large on paper as was asked for. */
final class PictureBytes
{
    private const SIGNATURE = 8;

    /** Bytes of the first chunk of a PNG, which is always the same. */
    private const HEAD = 25;

    /** @param  string  $png  without a word about that; see the chunk pHYs in the specification of PNG */
    public static function pngAt(string $png, int $dpi): string
    {
        $metre = (int) round($dpi / 0.0254);
        $said = 'pHYs'.pack('NNC', $metre, $metre, 1);
        $at = self::SIGNATURE + self::HEAD;

        return substr($png, 0, $at).pack('N', 9).$said.pack('N', crc32($said)).substr($png, $at);
    }

    /** @param  string  $jpeg  without the segment APP0 of JFIF, where that is said */
    public static function jpegAt(string $jpeg, int $dpi): string
    {
        return substr($jpeg, 0, 2).pack('nna5nCnnCC', 0xFFE0, 16, 'JFIF', 0x0102, 1, $dpi, $dpi, 0, 0).substr($jpeg, 2);
    }
}
