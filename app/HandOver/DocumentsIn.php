<?php

declare(strict_types=1);

namespace App\HandOver;

use App\Limits\BoundedProgram;
use ChalkTree\Document\OpenDocument;
use ChalkTree\Document\PandocReader;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\HandOver\DocumentMap;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\ContentName;
use ChalkTree\Map\TopicMap;
use ChalkTree\Picture\PictureFile;
use ChalkTree\Picture\UnusablePicture;
use ChalkTree\Story\ReturnedText;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;
use ZipArchive;

/** Documents as maps: read by pandoc, but for those that it loses something of. */
final readonly class DocumentsIn
{
    /** Seconds that reading one may take. */
    private const SECONDS = 60;

    /** Bytes that are in an archive altogether, when it is unpacked. */
    private const LARGEST = 256 * 1024 * 1024;

    private const MOST_PICTURES = 1_000;

    /**
     * @param  string  $title  of the root where the document has none
     * @return array{TopicMap, array<string, PictureFile>} with its pictures, by the hashes that the map names
     *
     * @throws UnreadableFile
     */
    public function read(string $contents, DocumentFormat $from, string $title): array
    {
        $folder = MakingFolder::begin();
        try {
            $file = $folder->put("in.{$from->value}", $contents);
            if (str_starts_with($contents, 'PK')) {
                $this->check($file);
            }
            $json = $from === DocumentFormat::Odt ? null : $this->json($from, $folder);
            $pictures = $json === null ? self::inside($file) : self::extracted($folder, $json);
            [$known, $files] = self::usable($pictures);
            $document = $json === null ? OpenDocument::read(self::part($file, 'content.xml'), $known) : PandocReader::read($json, $known);

            return [DocumentMap::of($document, $title === '' ? 'Imported map' : $title), array_intersect_key($files, array_flip(array_map(fn ($image): string => ContentName::hash($image->source) ?? '', $document->images())))];
        } finally {
            $folder->end();
        }
    }

    /**
     * A DOCX with what somebody changed and remarked in it.
     *
     * @throws UnreadableFile
     */
    public function returned(string $contents): ReturnedText
    {
        if (! str_starts_with($contents, 'PK')) {
            throw new UnreadableFile('This is no DOCX.');
        }
        $folder = MakingFolder::begin();
        try {
            $this->check($folder->put('in.docx', $contents));

            return ReturnedText::read(BoundedProgram::run(['pandoc', '--sandbox', '--from=docx+styles', '--track-changes=all', '--to=json', 'in.docx'], $folder->path, self::SECONDS)
                ?? throw new UnreadableFile('This document cannot be read. It may be damaged, or of another kind than its name says.'));
        } finally {
            $folder->end();
        }
    }

    private function json(DocumentFormat $from, MakingFolder $folder): string
    {
        // In its sandbox it opens nothing that a document names: no file of this machine, no address.
        return BoundedProgram::run(['pandoc', '--sandbox', "--from={$from->readsAs()}", '--to=json', '--extract-media=media', "in.{$from->value}"], $folder->path, self::SECONDS)
            ?? throw new UnreadableFile('This document cannot be read. It may be damaged, or of another kind than its name says.');
    }

    /** Sees to it that an archive does not become endless when it is unpacked. */
    private function check(string $file): void
    {
        $zip = new ZipArchive;
        if ($zip->open($file, ZipArchive::RDONLY) !== true) {
            throw new UnreadableFile('This document is damaged: it is an archive that cannot be opened.');
        }
        $bytes = 0;
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $bytes += (int) ($zip->statIndex($i)['size'] ?? 0);
        }
        $zip->close();
        if ($bytes > self::LARGEST) {
            throw new UnreadableFile('This document is larger than 256 MB when it is unpacked, more than can be read.');
        }
    }

    private static function part(string $file, string $name): string
    {
        $zip = new ZipArchive;
        $zip->open($file, ZipArchive::RDONLY);
        $part = $zip->getFromName($name, self::LARGEST);
        $zip->close();

        return $part === false ? throw new UnreadableFile('This document is damaged: it has no contents.') : $part;
    }

    /** @return iterable<string, string> the bytes of the pictures that pandoc has put beside, and of those that stand in the document as addresses, by the names it has for them */
    private static function extracted(MakingFolder $folder, string $json): iterable
    {
        foreach (PandocReader::pictures($json) as $source) {
            if (preg_match('~^data:image/[a-z+.-]+;base64,~', $source, $m) === 1 && strlen($source) < Bounds::LARGEST_PICTURE * 4 / 3) {
                yield $source => (string) base64_decode(substr($source, strlen($m[0])));
            }
        }
        if (! is_dir("{$folder->path}/media")) {
            return;
        }
        /** @var SplFileInfo $one */
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$folder->path}/media", RecursiveDirectoryIterator::SKIP_DOTS)) as $one) {
            if ($one->isFile() && ! $one->isLink() && $one->getSize() <= Bounds::LARGEST_PICTURE) {
                yield substr($one->getPathname(), strlen($folder->path) + 1) => (string) file_get_contents($one->getPathname());
            }
        }
    }

    /** @return iterable<string, string> the bytes of pictures inside of an archive, by their names there */
    private static function inside(string $file): iterable
    {
        $zip = new ZipArchive;
        $zip->open($file, ZipArchive::RDONLY);
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $name = (string) $zip->getNameIndex($i);
            if (str_starts_with($name, 'Pictures/') && ($zip->statIndex($i)['size'] ?? PHP_INT_MAX) <= Bounds::LARGEST_PICTURE) {
                yield $name => (string) $zip->getFromIndex($i);
            }
        }
        $zip->close();
    }

    /**
     * @param  iterable<string, string>  $pictures  bytes by name
     * @return array{array<string, array{string, array{int, int}}>, array<string, PictureFile>} as PandocReader wants them, and the files by hash; what cannot be drawn is left out
     */
    private static function usable(iterable $pictures): array
    {
        $known = $files = [];
        foreach ($pictures as $name => $bytes) {
            if (count($files) >= self::MOST_PICTURES) {
                break;
            }
            try {
                $picture = PictureFile::read($bytes);
                $files[$picture->hash()] = $picture;
                $known[$name] = [ContentName::of($picture->hash()), [$picture->wide, $picture->high]];
            } catch (UnusablePicture) {
                // Such as the vector formats that only word processors draw.
            }
        }

        return [$known, $files];
    }
}
