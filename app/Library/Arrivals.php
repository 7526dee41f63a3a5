<?php

declare(strict_types=1);

namespace App\Library;

use App\Files\Contents;
use App\Files\JoinedFile;
use App\Files\KeptFiles;
use App\Files\Sums;
use App\Files\UnusableFile;
use App\Files\ZippedMap;
use App\HandOver\DocumentFormat;
use App\HandOver\DocumentsIn;
use App\Models\MapRecord;
use App\Models\Person;
use App\Pictures\CarriedPictures;
use App\Pictures\KeptPictures;
use App\Store\MapStore;
use ChalkTree\Exchange\CopyMark;
use ChalkTree\Exchange\Formats;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Link\OwnWays;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\Picture\PictureFile;
use ChalkTree\Picture\UnusablePicture;

/** Makes maps of files, with the pictures that they carry, and of archives, with all their files. */
final readonly class Arrivals
{
    public function __construct(private MapStore $store, private KeptPictures $pictures, private CarriedPictures $carried, private KeptFiles $files, private ZippedMap $zipped, private Sums $sums, private DocumentsIn $documents)
    {
    }

    /**
     * @param  string|null  $title  where the file has none
     * @param  string|null  $format  where it is not to be recognised
     *
     * @throws UnreadableFile|UnusablePicture|UnusableFile having made nothing
     */
    public function bring(Person $person, string $contents, string $name, ?string $format = null, ?string $folder = null, ?string $id = null, ?string $title = null): MapRecord
    {
        if (ZippedMap::isOne($contents) && DocumentFormat::of($contents, $name) === null) {
            $archive = JoinedFile::begin();
            file_put_contents($archive->path, $contents);

            return $this->bringArchive($person, $archive->path, $folder, $id);
        }
        $id ??= Ids::next();
        $document = $format === null ? DocumentFormat::of($contents, $name) : DocumentFormat::tryFrom($format);
        $contents = $document === null ? OwnWays::fromFile($contents, $id) : $contents;
        [$map, $pictures] = $document === null ? [Formats::read($contents, $name, $format, $title), $this->carried->read($contents)] : $this->documents->read($contents, $document, $title ?? pathinfo(basename($name), PATHINFO_FILENAME));
        $this->sums->check($person, array_sum(array_map(fn (PictureFile $picture): int => strlen($picture->bytes), $pictures)));
        Contents::rename($map, array_map(fn (PictureFile $picture): string => $picture->hash(), $pictures), []);
        $record = $this->store->create($person, $map, $folder, $id);
        foreach ($pictures as $picture) {
            $this->pictures->add($record, $picture);
        }

        return $record;
    }

    /**
     * Reads a document or an outline that is to land in a map which is there; the map has its pictures then.
     *
     * @throws UnreadableFile|UnusablePicture|UnusableFile
     */
    public function look(MapRecord $record, string $contents, string $name): TopicMap
    {
        $document = DocumentFormat::of($contents, $name);
        if ($document === null && (ZippedMap::isOne($contents) || str_starts_with(ltrim($contents), '{'))) {
            throw new UnreadableFile('This is a whole map. Bring it in in the library.');
        }
        if ($document === null) {
            return Formats::read($contents, $name, null, pathinfo(basename($name), PATHINFO_FILENAME));
        }
        [$map, $pictures] = $this->documents->read($contents, $document, pathinfo(basename($name), PATHINFO_FILENAME));
        $this->sums->check($record->person()->firstOrFail(), array_sum(array_map(fn (PictureFile $picture): int => strlen($picture->bytes), $pictures)));
        foreach ($pictures as $picture) {
            $this->pictures->add($record, $picture);
        }

        return $map;
    }

    /**
     * Reads a file that is only to be laid beside a map: nothing of it is kept, so what it says of pictures and files is
     * left out.
     *
     * @param  string  $map  the id of the map beside which it is laid, to which links within the file lead
     * @return array{TopicMap, CopyMark|null} with what it says of where it was copied from
     *
     * @throws UnreadableFile
     */
    public function beside(string $contents, string $name, string $map): array
    {
        if (ZippedMap::isOne($contents) && DocumentFormat::of($contents, $name) === null) {
            $archive = JoinedFile::begin();
            file_put_contents($archive->path, $contents);

            $json = $this->zipped->read($archive->path, Bounds::LARGEST_FILE)[0];

            return [Formats::read(OwnWays::fromFile($json, $map), 'map.json', 'json'), CopyMark::read($json)];
        }
        $document = DocumentFormat::of($contents, $name);

        return $document === null ? [Formats::read(OwnWays::fromFile($contents, $map), $name), CopyMark::read($contents)] : [$this->documents->read($contents, $document, pathinfo(basename($name), PATHINFO_FILENAME))[0], null];
    }

    /** A file on this machine's disk: an archive, or one that bring() takes. */
    public function bringFile(Person $person, string $path, string $name, ?string $format = null, ?string $folder = null, ?string $id = null, ?string $title = null): MapRecord
    {
        if (ZippedMap::isOne((string) @file_get_contents($path, length: 4)) && ((int) @filesize($path) > Bounds::LARGEST_FILE || DocumentFormat::of((string) @file_get_contents($path), $name) === null)) {
            return $this->bringArchive($person, $path, $folder, $id);
        }
        if ((int) @filesize($path) > Bounds::LARGEST_FILE) {
            throw new UnreadableFile('This file is larger than 16 MB, more than a map can take in.');
        }

        return $this->bring($person, (string) @file_get_contents($path), $name, $format, $folder, $id, $title);
    }

    private function bringArchive(Person $person, string $path, ?string $folder, ?string $id): MapRecord
    {
        [$json, $found] = $this->zipped->read($path, $this->sums->most());
        $id ??= Ids::next();
        $map = Formats::read(OwnWays::fromFile($json, $id), 'map.json', 'json');
        $this->sums->check($person, array_sum(array_map(fn (JoinedFile $file): int => $file->bytes(), $found)));
        $named = Contents::of($map);
        // One at a time in memory, and read again when it is kept.
        $pictures = array_intersect_key($found, $named->pictures);
        $hashes = array_map(fn (JoinedFile $file): string => self::picture($file)->hash(), $pictures);
        $files = array_intersect_key($found, $named->files);
        Contents::rename($map, $hashes, array_map(fn (JoinedFile $file): string => $file->hash(), $files));
        $record = $this->store->create($person, $map, $folder, $id);
        foreach ($pictures as $picture) {
            $this->pictures->add($record, self::picture($picture));
        }
        foreach ($files as $hash => $file) {
            $this->files->add($record, $file, $named->files[$hash] !== '' ? $named->files[$hash] : 'file');
        }

        return $record;
    }

    private static function picture(JoinedFile $file): PictureFile
    {
        if ($file->bytes() > Bounds::LARGEST_PICTURE) {
            throw new UnusablePicture('A picture in this archive has more than 20 MB.');
        }

        return PictureFile::read((string) file_get_contents($file->path));
    }
}
