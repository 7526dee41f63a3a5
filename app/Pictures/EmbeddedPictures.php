<?php

declare(strict_types=1);

namespace App\Pictures;

use App\Models\MapRecord;
use ChalkTree\Draw\PictureSource;
use ChalkTree\Picture\DrawingBox;

/** The pictures of a map for a file that holds all it shows. */
final class EmbeddedPictures implements PictureSource
{
    public function __construct(private readonly MapRecord $map, private readonly KeptPictures $kept, private readonly DrawingBox $box)
    {
    }

    public function drawing(string $picture): ?string
    {
        return str_starts_with($picture, 'drawing:') ? $this->box->body(substr($picture, 8)) : null;
    }

    public function address(string $picture, float $width): ?string
    {
        $record = str_starts_with($picture, 'file:') ? $this->kept->find($this->map->id, substr($picture, 5)) : null;
        [$bytes, $media] = ($record === null ? null : $this->kept->read($record, PictureSize::forWidth($width))) ?? ['', ''];

        return $bytes === '' ? null : "data:{$media};base64,".base64_encode($bytes);
    }
}
