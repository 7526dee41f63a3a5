<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\MapRecord;
use App\Models\Person;
use App\Pictures\CarriedPictures;
use App\Pictures\KeptPictures;
use App\Store\MapStore;
use ChalkTree\Exchange\Formats;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Picture\UnusablePicture;

/** Makes maps of files, with the pictures that they carry. */
final readonly class Arrivals
{
    public function __construct(private MapStore $store, private KeptPictures $kept, private CarriedPictures $carried)
    {
    }

    /**
     * @param  string|null  $title  where the file has none
     * @param  string|null  $format  where it is not to be recognised
     *
     * @throws UnreadableFile|UnusablePicture having made nothing
     */
    public function bring(Person $person, string $contents, string $name, ?string $format = null, ?string $folder = null, ?string $id = null, ?string $title = null): MapRecord
    {
        $map = Formats::read($contents, $name, $format, $title);
        $pictures = $this->carried->read($contents);
        $this->carried->rename($map, $pictures);
        $record = $this->store->create($person, $map, $folder, $id);
        foreach ($pictures as $picture) {
            $this->kept->add($record, $picture);
        }

        return $record;
    }
}
