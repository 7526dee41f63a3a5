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
    /** Chunks of PNG that say nothing about the picture's looks. */
    private const PNG_LEFT = ['tEXt', 'zTXt', 'iTXt', 'eXIf', 'tIME'];

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
            $out .= in_array($name, self::PNG_LEFT, true) ? '' : substr($bytes, $at, $length + 12);
            if ($name === 'IEND') {
                return new self($out);
            }
        }

        throw self::damaged();
    }

    public static function jpeg(string $bytes): self
    {
        $out = "\xff\xd8";
        $turn = 1;
        $rest = '';
        for ($at = 2, $end = strlen($bytes); ; $at += $length + 2) {
            // Any number of 0xff may stand before a marker.
            while ($at + 1 < $end && $bytes[$at] === "\xff" && $bytes[$at + 1] === "\xff") {
                $at++;
            }
            if ($at + 4 > $end || $bytes[$at] !== "\xff") {
                throw self::damaged();
            }
            $marker = ord($bytes[$at + 1]);
            if ($marker === 0xDA) {
                // From here on it is the picture itself, to its end.
                $last = strrpos($bytes, "\xff\xd9");
                $rest .= substr($bytes, $at, ($last === false || $last < $at ? $end : $last + 2) - $at);
                break;
            }
            $length = self::number('n', $bytes, $at + 2);
            if ($length < 2 || $length > $end - $at - 2) {
                throw self::damaged();
            }
            $segment = substr($bytes, $at, $length + 2);
            if ($marker === 0xE1) {
                $turn = self::turn(substr($segment, 4)) ?? $turn;
            } elseif (($marker < 0xE0 || $marker > 0xEF || in_array($marker, [0xE0, 0xEE], true) || str_starts_with(substr($segment, 4), 'ICC_PROFILE')) && $marker !== 0xFE) {
                // Of the marked segments JFIF, the profile and how colours are coded belong to the picture; comments do not.
                $rest .= $segment;
            }
        }

        return new self($out.($turn === 1 ? '' : self::turned($turn)).$rest, $turn >= 5);
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
            } elseif ($name !== 'EXIF' && $name !== 'XMP ') {
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
