<?php

declare(strict_types=1);

namespace App\Pictures;

use ChalkTree\Draw\PictureSource;

/** The pictures of a map for a page, which fetches them; the browser makes the same addresses. */
final readonly class ServedPictures implements PictureSource
{
    public function __construct(private string $map)
    {
    }

    public function drawing(string $picture): ?string
    {
        return null;
    }

    public function address(string $picture, float $width): string
    {
        return str_starts_with($picture, 'drawing:')
            ? '/drawings/'.substr($picture, 8).'.svg'
            : "/api/maps/{$this->map}/pictures/".substr($picture, 5).'/'.PictureSize::forWidth($width)->value;
    }
}
