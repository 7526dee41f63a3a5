<?php

declare(strict_types=1);

namespace ChalkTree\Attach;

use ChalkTree\Ask\Asks;
use ChalkTree\Document\Block;
use ChalkTree\Document\Paragraph;
use ChalkTree\Document\Style;
use ChalkTree\Document\Styled;
use ChalkTree\Document\Words;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Settles;
use ChalkTree\Face\PutsTiesInBoxes;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\DocumentPlace;
use ChalkTree\HandOver\PutsInDocuments;
use ChalkTree\Map\TopicMap;
use ChalkTree\WithoutEdits;
use ChalkTree\WithoutMarks;

/** Files at topics: any number, each kept with the map. */
final class AttachFeature implements Asks, PutsInDocuments, PutsTiesInBoxes, Settles
{
    use WithoutEdits;
    use WithoutMarks;

    public function rows(): array
    {
        return [AttachedFile::class];
    }

    public function questions(): array
    {
        return [];
    }

    public function had(): array
    {
        return ['file' => AttachedFile::class];
    }

    public function tiesInBoxes(): array
    {
        return [AttachedFile::class];
    }

    public function partsOf(TopicMap $map, string $topic, array $rows): array
    {
        $sorts = [];
        foreach ($rows as $row) {
            $sorts[] = $row instanceof AttachedFile ? $row->sort() : FileSort::Other;
        }

        return [new FilePart($topic, count(array_unique($sorts, SORT_REGULAR)) === 1 ? $sorts[0] : FileSort::Other, count($rows))];
    }

    /** A file has a name and bytes. */
    public function settle(TopicMap $map, Recorder $recorder): void
    {
        foreach (array_keys($recorder->beforeOf(AttachedFile::type())) as $id) {
            $row = $map->row(AttachedFile::type(), (string) $id);
            if ($row instanceof AttachedFile && $row->content() === null) {
                throw new InvalidEdit('A file needs what is in it. Bring it into the map first.', 'source');
            }
            if ($row instanceof AttachedFile && trim($row->text('name')) === '') {
                throw new InvalidEdit('A file needs a name.', 'name');
            }
        }
    }

    /** The names of files; their bytes go along in archives. */
    public function inDocument(TopicMap $map, DocumentPlace $place): array
    {
        $parts = [];
        $files = $map->rowsOf(AttachedFile::class);
        ksort($files);
        foreach ($files as $file) {
            if ($map->has($file->at()) && $file->text('name') !== '') {
                $parts[$file->at()] = [[], [...$parts[$file->at()][1] ?? [], new Styled(Style::File, [new Paragraph([Words::plain('File: '.$file->text('name'))])])]];
            }
        }

        return $parts;
    }

    public function atEnd(TopicMap $map, Choices $choices): array
    {
        return [];
    }

    public function fromDocument(Block $block, string $topic, array $titles): array
    {
        return [];
    }
}
