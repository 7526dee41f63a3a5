<?php

declare(strict_types=1);

namespace App\Publishing;

use App\Pictures\PictureSize;
use ChalkTree\Draw\PictureSource;

/** The pictures of a published map, which the page fetches. */
final readonly class PublishedPictures implements PictureSource
{
    /** @param  string  $path  of the page */
    public function __construct(private string $path)
    {
    }

    public function drawing(string $picture): ?string
    {
        return null;
    }

    public function address(string $picture, float $width): string
    {
        return str_starts_with($picture, 'drawing:') ? '/drawings/'.substr($picture, 8).'.svg' : self::of($this->path, substr($picture, 5), PictureSize::forWidth($width));
    }

    public static function of(string $path, string $hash, PictureSize $size): string
    {
        return "{$path}/pictures/{$hash}-".($size === PictureSize::Small ? 'small' : 'large');
    }
}
