<?php

declare(strict_types=1);

namespace Tests\Support;

/** Pictures as files, with what cameras and programs write into them. */
final class Photos
{
    /** What must not be found in anything that is kept. */
    public const SECRET = 'taken at 54.1N 0.2W by camera 7731';

    public static function png(int $wide = 40, int $high = 30): string
    {
        $plain = self::drawn($wide, $high, imagepng(...));
        $chunk = fn (string $name, string $data): string => pack('N', strlen($data)).$name.$data.pack('N', crc32($name.$data));

        // Behind the header, which has 13 bytes.
        return substr($plain, 0, 33).$chunk('tEXt', "Comment\0".self::SECRET).$chunk('eXIf', self::exif(1)).$chunk('iTXt', "XML:com.adobe.xmp\0\0\0\0\0".self::SECRET).substr($plain, 33);
    }

    /** @param  int  $turn  as Exif has it, 6 for a quarter to the right */
    public static function jpeg(int $wide = 40, int $high = 30, int $turn = 1, bool $progressive = false): string
    {
        $plain = self::drawn($wide, $high, function ($image) use ($progressive): void {
            imageinterlace($image, $progressive);
            imagejpeg($image, quality: 90);
        });
        $segment = fn (string $marker, string $data): string => "\xff{$marker}".pack('n', strlen($data) + 2).$data;

        return "\xff\xd8".$segment("\xe1", "Exif\0\0".self::exif($turn)).$segment("\xe1", "http://ns.adobe.com/xap/1.0/\0".self::SECRET).$segment("\xed", 'Photoshop 3.0 '.self::SECRET).$segment("\xfe", self::SECRET).substr($plain, 2);
    }

    /** A comment before the second scan of a progressive JPEG. */
    public static function between(string $jpeg): string
    {
        $at = (int) strpos($jpeg, "\xff\xda", (int) strpos($jpeg, "\xff\xda") + 2);

        return substr_replace($jpeg, "\xff\xfe".pack('n', strlen(self::SECRET) + 2).self::SECRET, $at, 0);
    }

    public static function gif(int $wide = 40, int $high = 30): string
    {
        $plain = self::drawn($wide, $high, imagegif(...));
        $at = strpos($plain, "\x2c") ?: 0;
        $table = 13 + 3 * 2 ** ((ord($plain[10]) & 7) + 1);

        return substr($plain, 0, $table)."\x21\xfe".chr(strlen(self::SECRET)).self::SECRET."\0\x21\xff\x0bXMP DataXMP".chr(strlen(self::SECRET)).self::SECRET."\0".substr($plain, $table);
    }

    public static function webp(int $wide = 40, int $high = 30): string
    {
        $plain = self::drawn($wide, $high, fn ($image) => imagewebp($image, quality: 80));
        $chunk = fn (string $name, string $data): string => $name.pack('V', strlen($data)).$data.(strlen($data) % 2 ? "\0" : '');
        $body = $chunk('VP8X', chr(0x0C)."\0\0\0".substr(pack('V', $wide - 1), 0, 3).substr(pack('V', $high - 1), 0, 3)).substr($plain, 12).$chunk('EXIF', self::exif(1)).$chunk('XMP ', self::SECRET);

        return 'RIFF'.pack('V', strlen($body) + 4)."WEBP{$body}";
    }

    public static function svg(string $inside = '<circle r="9" cx="10" cy="10"/>', string $with = 'viewBox="0 0 40 30"'): string
    {
        return "<svg xmlns=\"http://www.w3.org/2000/svg\" xmlns:xlink=\"http://www.w3.org/1999/xlink\" {$with}>{$inside}</svg>";
    }

    /** Exif with a turn and a text. */
    private static function exif(int $turn): string
    {
        $text = self::SECRET."\0";

        return "II*\0".pack('V', 8).pack('v', 2).pack('vvVvv', 0x0112, 3, 1, $turn, 0).pack('vvVV', 0x010F, 2, strlen($text), 38).pack('V', 0).$text;
    }

    private static function drawn(int $wide, int $high, callable $write): string
    {
        $image = imagecreatetruecolor($wide, $high);
        imagefilledrectangle($image, 0, 0, intdiv($wide, 2), $high, (int) imagecolorallocate($image, 30, 90, 160));
        imagefilledellipse($image, intdiv($wide, 2), intdiv($high, 2), intdiv($wide, 3), intdiv($high, 3), (int) imagecolorallocate($image, 240, 200, 80));
        ob_start();
        $write($image);

        return (string) ob_get_clean();
    }
}
