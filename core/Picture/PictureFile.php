<?php

declare(strict_types=1);

namespace ChalkTree\Picture;

use ChalkTree\Map\Bounds;

/**
 * A picture as it is kept: of a sort that is known by its first bytes, of a size that can be drawn, and without what
 * cameras and programs write into files besides the picture. Nothing is decoded here.
 */
final readonly class PictureFile
{
    /** @param  string  $media  its media type */
    private function __construct(public string $bytes, public string $media, public int $wide, public int $high)
    {
    }

    /** @throws UnusablePicture */
    public static function read(string $bytes): self
    {
        if ($bytes === '') {
            throw new UnusablePicture('This file is empty.');
        }
        if (strlen($bytes) > Bounds::LARGEST_PICTURE) {
            throw new UnusablePicture('A picture can have at most 20 MB. Save it smaller and try again.');
        }
        [$media, $clean] = match (true) {
            str_starts_with($bytes, "\x89PNG\r\n\x1a\n") => ['image/png', CleanPicture::png(...)],
            str_starts_with($bytes, "\xff\xd8\xff") => ['image/jpeg', CleanPicture::jpeg(...)],
            str_starts_with($bytes, 'GIF87a'), str_starts_with($bytes, 'GIF89a') => ['image/gif', CleanPicture::gif(...)],
            str_starts_with($bytes, 'RIFF') && substr($bytes, 8, 4) === 'WEBP' => ['image/webp', CleanPicture::webp(...)],
            SafeSvg::isOne($bytes) => ['image/svg+xml', null],
            default => throw new UnusablePicture('This is not a picture that can be shown here. PNG, JPEG, GIF, WebP and SVG can.'),
        };
        if ($clean === null) {
            $svg = SafeSvg::read($bytes);

            return new self($svg->text, $media, $svg->wide, $svg->high);
        }
        $kept = $clean($bytes);
        [$wide, $high] = self::size($kept->bytes);
        if ($kept->isTurned) {
            [$wide, $high] = [$high, $wide];
        }
        if ($wide * $high > Bounds::MOST_PIXELS) {
            throw new UnusablePicture('This picture has '.number_format($wide * $high / 1e6, 0).' megapixels; 60 is the most. Save it smaller and try again.');
        }

        return new self($kept->bytes, $media, $wide, $high);
    }

    /** The name by which maps call it. */
    public function hash(): string
    {
        return hash('sha256', $this->bytes);
    }

    public function isVector(): bool
    {
        return $this->media === 'image/svg+xml';
    }

    /**
     * @return array{int<1, max>, int<1, max>} width and height in pixels, before it is turned
     */
    private static function size(string $bytes): array
    {
        // Reads the header only.
        $size = @getimagesizefromstring($bytes);
        if ($size === false || $size[0] < 1 || $size[1] < 1) {
            throw new UnusablePicture('This picture is damaged: how large it is cannot be read.');
        }

        return [$size[0], $size[1]];
    }
}
