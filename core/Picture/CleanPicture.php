<?php

declare(strict_types=1);

namespace ChalkTree\Picture;

/**
 * Copies what makes a picture out of a file, and leaves what tells of the camera, the place and the program; of that
 * only how a photograph is to be turned, and the profile of its colours, is kept. Segments and chunks are copied as they
 * are, so nothing is lost of the picture. Sources: ITU-T T.81 annex B and Exif 2.3 (JPEG), W3C PNG, GIF89a, RFC 9649 (WebP).
 */
final readonly class CleanPicture
{
    /** The chunks that make a picture, still or moving, and say how its colours are meant. */
    private const OF_PNG = ['IHDR', 'PLTE', 'IDAT', 'IEND', 'tRNS', 'gAMA', 'cHRM', 'sRGB', 'iCCP', 'cICP', 'mDCV', 'cLLI', 'sBIT', 'bKGD', 'pHYs', 'acTL', 'fcTL', 'fdAT'];

    private const OF_WEBP = ['VP8 ', 'VP8L', 'ALPH', 'ANIM', 'ANMF', 'ICCP'];

    /** @param  bool  $isTurned  whether width and height change places when it is shown */
    private function __construct(public string $bytes, public bool $isTurned = false)
    {
    }

    public static function png(string $bytes): self
    {
        $out = substr($bytes, 0, 8);
        for ($at = 8, $end = strlen($bytes); $at + 12 <= $end; $at += $length + 12) {
            $length = self::number('N', $bytes, $at);
            $name = substr($bytes, $at + 4, 4);
            if ($length > $end - $at - 12) {
                throw self::damaged();
            }
            $out .= in_array($name, self::OF_PNG, true) ? substr($bytes, $at, $length + 12) : '';
            if ($name === 'IEND') {
                return new self($out);
            }
        }

        throw self::damaged();
    }

    public static function jpeg(string $bytes): self
    {
        $turn = 1;
        $kept = '';
        for ($at = 2, $end = strlen($bytes); ;) {
            // Any number of 0xff may stand before a marker.
            while ($at + 1 < $end && $bytes[$at] === "\xff" && $bytes[$at + 1] === "\xff") {
                $at++;
            }
            if ($at >= $end && str_contains($kept, "\xff\xda")) {
                break;
            }
            if ($at + 2 > $end || $bytes[$at] !== "\xff") {
                throw self::damaged();
            }
            $marker = ord($bytes[$at + 1]);
            if ($marker === 0xD9) {
                // What stands behind the end is none of it; some put another photograph there.
                break;
            }
            $length = self::number('n', $bytes, $at + 2);
            if ($length < 2 || $length > $end - $at - 2) {
                throw self::damaged();
            }
            $segment = substr($bytes, $at, $length + 2);
            $at += $length + 2;
            if ($marker === 0xE1) {
                $turn = self::turn(substr($segment, 4)) ?? $turn;
            } elseif (self::isOfJpeg($marker, substr($segment, 4, 12))) {
                $kept .= $segment;
            }
            if ($marker === 0xDA) {
                $to = self::pastScan($bytes, $at);
                $kept .= substr($bytes, $at, $to - $at);
                $at = $to;
            }
        }

        return new self("\xff\xd8".($turn === 1 ? '' : self::turned($turn)).$kept."\xff\xd9", $turn >= 5);
    }

    /** Of the marked segments JFIF, the profile and how colours are coded belong to the picture; comments do not. */
    private static function isOfJpeg(int $marker, string $begin): bool
    {
        return match (true) {
            $marker === 0xE0 => str_starts_with($begin, "JFIF\0"),
            $marker === 0xE2 => str_starts_with($begin, 'ICC_PROFILE'),
            $marker === 0xEE => true,
            default => $marker !== 0xFE && ($marker < 0xE0 || $marker > 0xEF),
        };
    }

    /** Where the next marker stands behind the coded lines of a scan, in which 0xff is followed by 0 or a restart. */
    private static function pastScan(string $bytes, int $at): int
    {
        $end = strlen($bytes);
        for ($found = strpos($bytes, "\xff", $at); $found !== false && $found + 1 < $end; $found = strpos($bytes, "\xff", $found + 1)) {
            $next = ord($bytes[$found + 1]);
            if ($next !== 0 && $next !== 0xFF && ($next < 0xD0 || $next > 0xD7)) {
                return $found;
            }
        }

        // Photographs that were cut off are shown as far as they go.
        return $end;
    }

    public static function gif(string $bytes): self
    {
        $end = strlen($bytes);
        if ($end < 14) {
            throw self::damaged();
        }
        $flags = ord($bytes[10]);
        $at = 13 + ($flags & 0x80 ? 3 * 2 ** (($flags & 7) + 1) : 0);
        $out = substr($bytes, 0, $at);
        while ($at < $end) {
            $begin = $at;
            $sort = $bytes[$at];
            if ($sort === "\x3b") {
                return new self("{$out}\x3b");
            }
            if ($sort === "\x2c" && $at + 10 < $end) {
                $its = ord($bytes[$at + 9]);
                $at = self::pastBlocks($bytes, $at + 11 + ($its & 0x80 ? 3 * 2 ** (($its & 7) + 1) : 0));
                $out .= substr($bytes, $begin, $at - $begin);
            } elseif ($sort === "\x21" && $at + 2 < $end) {
                $label = ord($bytes[$at + 1]);
                $at = self::pastBlocks($bytes, $at + 2);
                // How long each frame stays, and how often they are shown; what else programs write is left.
                $isKept = $label === 0xF9 || ($label === 0xFF && str_contains(substr($bytes, $begin, 16), 'NETSCAPE2.0'));
                $out .= $isKept ? substr($bytes, $begin, $at - $begin) : '';
            } else {
                throw self::damaged();
            }
        }

        // Some programs leave the last byte out.
        return new self("{$out}\x3b");
    }

    public static function webp(string $bytes): self
    {
        $chunks = '';
        $turn = 1;
        $end = min(strlen($bytes), 8 + self::number('V', $bytes, 4));
        for ($at = 12; $at + 8 <= $end; $at += 8 + $length + $length % 2) {
            $length = self::number('V', $bytes, $at + 4);
            $name = substr($bytes, $at, 4);
            if ($length > $end - $at - 8) {
                throw self::damaged();
            }
            if ($name === 'VP8X' && $length >= 10) {
                // It no longer has what is left out.
                $chunks .= substr($bytes, $at, 8).chr(ord($bytes[$at + 8]) & ~0x0C).substr($bytes, $at + 9, $length - 1).($length % 2 ? "\0" : '');
            } elseif (in_array($name, self::OF_WEBP, true)) {
                $chunks .= substr($bytes, $at, 8 + $length).($length % 2 ? "\0" : '');
            }
        }
        if ($chunks === '') {
            throw self::damaged();
        }

        return new self('RIFF'.pack('V', strlen($chunks) + 4)."WEBP{$chunks}");
    }

    /** How Exif says that a picture is to be turned, 1 to 8; null where it does not. */
    private static function turn(string $exif): ?int
    {
        if (! str_starts_with($exif, "Exif\0\0") || strlen($exif) < 16) {
            return null;
        }
        $tiff = substr($exif, 6);
        [$short, $long] = str_starts_with($tiff, 'MM') ? ['n', 'N'] : ['v', 'V'];
        $at = self::number($long, $tiff, 4);
        if ($at + 2 > strlen($tiff)) {
            return null;
        }
        $count = min(100, self::number($short, $tiff, $at));
        for ($i = 0; $i < $count && $at + 2 + 12 * ($i + 1) <= strlen($tiff); $i++) {
            if (self::number($short, $tiff, $at + 2 + 12 * $i) === 0x0112) {
                $turn = self::number($short, $tiff, $at + 2 + 12 * $i + 8);

                return $turn >= 1 && $turn <= 8 ? $turn : null;
            }
        }

        return null;
    }

    /** A segment that says nothing but how the picture is to be turned. */
    private static function turned(int $turn): string
    {
        $exif = "Exif\0\0MM\0*".pack('N', 8).pack('n', 1).pack('nnN', 0x0112, 3, 1).pack('nn', $turn, 0).pack('N', 0);

        return "\xff\xe1".pack('n', strlen($exif) + 2).$exif;
    }

    /** Where the blocks end that begin here, each with its length before it, the last with none. */
    private static function pastBlocks(string $bytes, int $at): int
    {
        for ($end = strlen($bytes); $at < $end; $at += 1 + $length) {
            $length = ord($bytes[$at]);
            if ($length === 0) {
                return $at + 1;
            }
        }

        throw self::damaged();
    }

    /** @param  string  $form  as unpack() has it */
    private static function number(string $form, string $bytes, int $at): int
    {
        $size = $form === 'n' || $form === 'v' ? 2 : 4;
        $number = strlen($bytes) >= $at + $size ? unpack($form, $bytes, $at) : false;

        return is_array($number) && is_int($number[1] ?? null) ? $number[1] : throw self::damaged();
    }

    private static function damaged(): UnusablePicture
    {
        return new UnusablePicture('This picture is damaged, or was not copied to its end.');
    }
}
