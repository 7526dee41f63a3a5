<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\FileRecord;
use App\Models\MapRecord;
use App\Models\PictureRecord;
use App\Pictures\KeptPictures;
use App\Pictures\PictureSize;
use ChalkTree\Exchange\CopyMark;
use ChalkTree\Exchange\Formats;
use ChalkTree\Exchange\JsonBounds;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Link\OwnWays;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\ContentName;
use ChalkTree\Map\TopicMap;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Filesystem\LocalFilesystemAdapter;
use Illuminate\Support\Facades\File;
use SplFileInfo;
use ZipArchive;

/**
 * A map with everything that lies beside it, in one archive: map.json, and files/ with its files and pictures under names
 * that people can read. map.json says under "files" which is which. See docs/format.md.
 */
final readonly class ZippedMap
{
    private const MAP = 'map.json';

    /** What may be in an archive. */
    private const MOST_ENTRIES = 20_000;

    /** What ends an archive, and how many bytes from its end that can stand. */
    private const END = "PK\x05\x06";

    private const TAIL = 65_536 + 64;

    /** Endings of pictures, which have no names of their own. */
    private const ENDINGS = ['image/png' => 'png', 'image/jpeg' => 'jpg', 'image/gif' => 'gif', 'image/webp' => 'webp', 'image/svg+xml' => 'svg'];

    public function __construct(private Filesystem $files)
    {
    }

    public static function isOne(string $head): bool
    {
        return str_starts_with($head, "PK\x03\x04");
    }

    /** @return string the path of the archive, which whoever asked takes away */
    public function write(MapRecord $record, TopicMap $map): string
    {
        return HandedZip::write(fn (HandedZip $zip) => $this->fill($zip, $record, $map));
    }

    private function fill(HandedZip $zip, MapRecord $record, TopicMap $map): void
    {
        $listed = $taken = [];
        foreach ($this->named($record, $map) as [$hash, $name, $media, $bytes]) {
            $within = 'files/'.self::free($name, $taken);
            $zip->pack($bytes instanceof JoinedFile ? $bytes->path : $bytes->getPathname(), $within, $bytes);
            $listed[] = ['source' => ContentName::of($hash), 'media' => $media, 'path' => $within];
        }
        $json = OwnWays::inFile(Formats::write($map, 'json', []), $record->id);
        $json = $listed === [] ? $json : substr(rtrim($json), 0, -1).",\n    \"files\": ".json_encode($listed, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE)."\n}\n";
        $zip->zip->addFromString(self::MAP, CopyMark::put($json, $record->id, $record->seq));
    }

    /**
     * What the living rows and the notes of a map name, as far as it is kept.
     *
     * @return iterable<array{string, string, string, JoinedFile|SplFileInfo}> hash, name, media type, and the bytes
     */
    private function named(MapRecord $record, TopicMap $map): iterable
    {
        $named = Contents::of($map);
        foreach (PictureRecord::query()->where('map_id', $record->id)->get()->sortBy('hash') as $picture) {
            $bytes = isset($named->pictures[$picture->hash]) ? $this->onDisk(KeptPictures::path($picture->hash, PictureSize::Original)) : null;
            if ($bytes !== null) {
                yield [$picture->hash, 'picture-'.substr($picture->hash, 0, 8).'.'.(self::ENDINGS[$picture->media] ?? 'bin'), $picture->media, $bytes];
            }
        }
        foreach (FileRecord::query()->where('map_id', $record->id)->get()->sortBy([['name', 'asc'], ['hash', 'asc']]) as $file) {
            $bytes = isset($named->files[$file->hash]) ? $this->onDisk(KeptFiles::path($file->hash)) : null;
            if ($bytes !== null) {
                yield [$file->hash, $named->files[$file->hash] ?: $file->name, $file->media, $bytes];
            }
        }
    }

    /** A file as it lies on this machine, or a copy of it where it lies elsewhere. */
    private function onDisk(string $path): JoinedFile|SplFileInfo|null
    {
        if (! $this->files->exists($path)) {
            return null;
        }
        if ($this->files instanceof LocalFilesystemAdapter) {
            return new SplFileInfo($this->files->path($path));
        }
        $from = $this->files->readStream($path);
        if ($from === null) {
            return null;
        }
        $copy = JoinedFile::begin();
        $copy->append($from);
        fclose($from);

        return $copy;
    }

    /** @param  array<string, true>  $taken  names that are in the archive, in lower case */
    private static function free(string $name, array &$taken): string
    {
        $name = FileName::clean($name);
        $dot = strrpos($name, '.') ?: strlen($name);
        for ($free = $name, $n = 2; isset($taken[mb_strtolower($free)]); $n++) {
            $free = substr($name, 0, $dot)." {$n}".substr($name, $dot);
        }
        $taken[mb_strtolower($free)] = true;

        return $free;
    }

    /**
     * What an archive holds. Nothing is unpacked under a name that it says, and no more than there is room for.
     *
     * @param  int  $room  bytes that its files may have together
     * @return array{string, array<string, JoinedFile>} map.json, and its files by the hashes under which that names them
     *
     * @throws UnreadableFile|UnusableFile
     */
    public function read(string $path, int $room): array
    {
        $zip = new ZipArchive;
        if (! self::isBounded($path) || $zip->open($path, ZipArchive::RDONLY) !== true) {
            throw new UnreadableFile('This archive is damaged; it may have been cut off.');
        }
        try {
            $at = $zip->locateName(self::MAP);
            if ($at === false) {
                throw new UnreadableFile('This archive holds no map: there is no “map.json” in it.');
            }
            $map = JoinedFile::begin();
            $this->unpack($zip, $at, $map, Bounds::LARGEST_FILE);
            $json = (string) file_get_contents($map->path);
            $found = [];
            foreach ($this->listed($json) as $hash => $within) {
                $at = $zip->locateName($within);
                if ($at !== false) {
                    $file = $found[$hash] = JoinedFile::begin();
                    $this->unpack($zip, $at, $file, min($room, Sums::largest()));
                    $room -= $file->bytes();
                }
            }

            return [$json, $found];
        } finally {
            $zip->close();
        }
    }

    /**
     * Whether the list of what is in an archive is one that can be read into memory: it is told at the end of the file, and
     * whatever stands there that looks like that is held to the bounds. ZIP64, for which no map is large enough, is not read.
     */
    private static function isBounded(string $path): bool
    {
        $size = (int) filesize($path);
        $tail = (string) file_get_contents($path, offset: max(0, $size - self::TAIL));
        for ($at = strpos($tail, self::END), $found = false; $at !== false; $at = strpos($tail, self::END, $at + 1)) {
            $end = unpack('ventries/Vbytes', substr($tail, $at + 10, 6));
            if ($end !== false) {
                $found = true;
                if ($end['entries'] > self::MOST_ENTRIES || $end['bytes'] > self::MOST_ENTRIES * 1_024 || substr($tail, max(0, $at - 20), 4) === "PK\x06\x07") {
                    return false;
                }
            }
        }

        return $found;
    }

    private function unpack(ZipArchive $zip, int $at, JoinedFile $into, int $most): void
    {
        $from = $zip->getStreamIndex($at);
        if ($from === false) {
            throw new UnreadableFile('A file in this archive cannot be read.');
        }
        $into->append($from, $most);
        fclose($from);
        $stated = $zip->statIndex($at);
        if ($stated === false || $stated['size'] !== $into->bytes()) {
            throw new UnreadableFile('A file in this archive is not whole.');
        }
    }

    /**
     * @return array<string, string> where in the archive the files are, by the hashes under which the map names them
     *
     * @throws UnreadableFile
     */
    private function listed(string $json): array
    {
        if (! JsonBounds::allow($json)) {
            throw new UnreadableFile('This file has more in it than a map can take in.');
        }
        $data = json_decode($json, true, 32);
        $listed = [];
        foreach (is_array($data) && is_array($data['files'] ?? null) ? $data['files'] : [] as $one) {
            $hash = is_array($one) && is_string($one['source'] ?? null) ? ContentName::hash($one['source']) : null;
            if ($hash === null || ! is_string($one['path'] ?? null) || count($listed) >= 10_000) {
                throw new UnreadableFile('In this archive, the list of files is not right.', 'files');
            }
            $listed[$hash] = $one['path'];
        }

        return $listed;
    }
}
