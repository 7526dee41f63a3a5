<?php

declare(strict_types=1);

namespace App\Publishing;

use App\Pictures\PictureSize;
use ChalkTree\Draw\PictureSource;

/** The pictures of a published map, which the page fetches. */
final readonly class PublishedPictures implements PictureSource
{
    public function __construct(private string $address)
    {
    }

    public function drawing(string $picture): ?string
    {
        return null;
    }

    public function address(string $picture, float $width): string
    {
        return str_starts_with($picture, 'drawing:') ? '/drawings/'.substr($picture, 8).'.svg' : self::of($this->address, substr($picture, 5), PictureSize::forWidth($width));
    }

    public static function of(string $address, string $hash, PictureSize $size): string
    {
        return "/p/{$address}/pictures/{$hash}-".($size === PictureSize::Small ? 'small' : 'large');
    }
}
