<?php

declare(strict_types=1);

namespace App\Pictures;

use App\Files\Contents;
use App\Models\MapRecord;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\TopicMap;
use ChalkTree\Picture\PictureFile;
use ChalkTree\Picture\TopicPicture;
use ChalkTree\Picture\UnusablePicture;

/**
 * The pictures that a file of our own format carries along under "pictures", so that a map is whole wherever it is read:
 * as they are, as far as a file may be as large as that; then reduced.
 */
final readonly class CarriedPictures
{
    /** Of a file's bytes, what its pictures may take. */
    private const MOST = Bounds::LARGEST_FILE * 0.8;

    public function __construct(private KeptPictures $kept)
    {
    }

    /** @param  string  $json  the map as it is written without them */
    public function add(string $json, MapRecord $record, TopicMap $map): string
    {
        $carried = [];
        $room = self::MOST - strlen($json);
        foreach (array_keys(Contents::of($map)->pictures) as $hash) {
            $picture = $this->kept->find($record->id, $hash);
            foreach ([PictureSize::Original, PictureSize::Large, PictureSize::Small] as $size) {
                [$bytes, $media] = ($picture === null ? null : $this->kept->read($picture, $size)) ?? ['', ''];
                if ($bytes !== '' && strlen($bytes) * 4 / 3 < $room) {
                    $room -= strlen($bytes) * 4 / 3;
                    $carried[] = ['source' => "file:{$hash}", 'media' => $media, 'data' => base64_encode($bytes)];
                    break;
                }
            }
        }

        return $carried === [] ? $json : substr(rtrim($json), 0, -1).",\n    \"pictures\": ".json_encode($carried, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES)."\n}\n";
    }

    /**
     * What a file carries.
     *
     * @return array<string, PictureFile> by the hash under which its topics name it
     *
     * @throws UnusablePicture
     */
    public function read(string $contents): array
    {
        if (! str_contains($contents, '"pictures"') || ! str_contains($contents, '"chalk-tree-map"')) {
            return [];
        }
        $data = json_decode($contents, true, 32);
        $pictures = [];
        foreach (is_array($data) && is_array($data['pictures'] ?? null) ? $data['pictures'] : [] as $one) {
            $source = is_array($one) && is_string($one['source'] ?? null) ? $one['source'] : '';
            $bytes = is_array($one) && is_string($one['data'] ?? null) ? base64_decode($one['data'], true) : false;
            if ($bytes === false || ! TopicPicture::isSource($source) || ! str_starts_with($source, 'file:')) {
                throw new UnusablePicture('A picture in this file cannot be read.');
            }
            $pictures[substr($source, 5)] = PictureFile::read($bytes);
        }

        return $pictures;
    }
}
