<?php

declare(strict_types=1);

namespace App\Library;

use App\Files\ZippedMap;
use App\HandOver\DocumentFormat;
use App\HandOver\Documents;
use App\HandOver\NotMade;
use App\HandOver\Progress;
use App\HandOver\Stopped;
use App\HandOver\Unwatched;
use App\HandOver\Wish;
use App\Models\MapRecord;
use App\Pictures\CarriedPictures;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Formats;
use ChalkTree\Exchange\JsonFormat;
use ChalkTree\HandOver\NothingLeaves;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\HandOver\Selected;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;

/** Everything a map can be taken out as. */
final readonly class Exports
{
    /** @var array<string, string> the kinds of picture, with their media types */
    private const PICTURES = ['svg' => 'image/svg+xml', 'png' => 'image/png'];

    /** A map with all its files; it is written by zip(). */
    public const ARCHIVE = 'zip';

    public function __construct(private Pictures $pictures, private CarriedPictures $carried, private ZippedMap $zipped, private Documents $documents, private Shelf $shelf)
    {
    }

    /** @return list<string> */
    public static function names(): array
    {
        return [...Formats::writable(), ...array_map(fn (DocumentFormat $one): string => $one->value, DocumentFormat::cases()), ...array_keys(self::PICTURES), self::ARCHIVE];
    }

    public static function isPicture(string $to): bool
    {
        return isset(self::PICTURES[$to]);
    }

    public static function mime(string $to): string
    {
        return (Formats::all()[$to] ?? null)?->mime() ?? DocumentFormat::tryFrom($to)?->mime() ?? self::PICTURES[$to] ?? 'application/zip';
    }

    /** Whether it is a complete copy, in which private topics go along; only those who may edit get one. */
    public static function isComplete(string $to): bool
    {
        return in_array($to, [JsonFormat::name(), self::ARCHIVE], true);
    }

    /**
     * @param  MapRecord  $record  of the map
     * @param  TopicMap  $map  all of it
     * @param  Wish  $wish  for anything but an archive
     * @return string the file
     *
     * @throws NothingLeaves|NotMade|Stopped
     */
    public function write(MapRecord $record, TopicMap $map, Wish $wish, Progress $progress = new Unwatched): string
    {
        $title = $wish->branch === null ? $this->shelf->titleOf($record, $map->root()->title) : Shelf::title(null, $map->topic($wish->branch)->title);
        if (self::isComplete($wish->to)) {
            $part = $wish->branch === null ? $map : NewMap::from(TopicDraft::of($map, $wish->branch), arrangement: $map->sheet()->arrangement);

            return $this->carried->add(Formats::write($part, $wish->to), $record, $part);
        }
        $leaving = Outgoing::of($map, $wish->branch);
        if (self::isPicture($wish->to)) {
            // A picture shows a branch as it is drawn when one has stepped in, and folds as the board does.
            $drawn = Selected::of($leaving, $wish->choices, chosen: $wish->chosen);
            $scene = Layout::of($drawn, new View($wish->choices->text('what') === 'shown' ? $wish->view->folded : [], $wish->branch))->scene();

            return $wish->to === 'svg' ? $this->pictures->svg($record, $scene, $title, $wish->board) : $this->pictures->png($record, $scene, $title, $wish->board, $wish->choices->number('width'));
        }
        $selected = Selected::of($leaving, $wish->choices, $wish->branch, $wish->chosen, $wish->view);
        $document = DocumentFormat::tryFrom($wish->to);
        if ($document !== null) {
            return $this->documents->write($record, $selected, $document, $wish->choices, $progress);
        }
        $headings = $wish->choices->number('headings');

        return Formats::write($selected, $wish->to, $headings === null ? [] : ['headings' => $headings]);
    }

    /** @return string the path of the archive, which whoever asked takes away */
    public function zip(MapRecord $record, TopicMap $map): string
    {
        return $this->zipped->write($record, $map);
    }
}
