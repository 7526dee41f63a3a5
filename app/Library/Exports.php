<?php

declare(strict_types=1);

namespace App\Library;

use App\Files\ZippedMap;
use App\HandOver\DeckFiles;
use App\HandOver\DocumentFormat;
use App\HandOver\Documents;
use App\HandOver\Drawing;
use App\HandOver\NotMade;
use App\HandOver\Prints;
use App\HandOver\Progress;
use App\HandOver\Stopped;
use App\HandOver\Unwatched;
use App\HandOver\Wish;
use App\Models\MapRecord;
use App\Models\Person;
use App\Pictures\CarriedPictures;
use App\Store\Digests;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\CopyMark;
use ChalkTree\Exchange\Formats;
use ChalkTree\Exchange\JsonFormat;
use ChalkTree\HandOver\NothingLeaves;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\HandOver\Selected;
use ChalkTree\Link\OwnWays;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Story\StoryDocument;

/** Everything a map can be taken out as. */
final readonly class Exports
{
    /** @var array<string, string> what is drawn, with its media types */
    private const PICTURES = ['svg' => 'image/svg+xml', 'png' => 'image/png', 'jpg' => 'image/jpeg', 'drawing' => 'application/pdf', self::PRINT => 'application/pdf', self::SHEETS => 'text/html'];

    /** The drawing on sheets of paper: as PDF, and as a page that browsers print. */
    public const PRINT = 'print';

    public const SHEETS = 'sheets';

    /** A map with all its files; it is written by zip(). */
    public const ARCHIVE = 'zip';

    public function __construct(private Pictures $pictures, private CarriedPictures $carried, private ZippedMap $zipped, private Documents $documents, private Prints $prints, private DeckFiles $decks, private Shelf $shelf, private Digests $digests)
    {
    }

    /** @return list<string> */
    public static function names(): array
    {
        return [...Formats::writable(), ...array_map(fn (DocumentFormat $one): string => $one->value, DocumentFormat::cases()), ...array_keys(self::PICTURES), ...array_keys(DeckFiles::FORMATS), self::ARCHIVE];
    }

    public static function isPicture(string $to): bool
    {
        return isset(self::PICTURES[$to]);
    }

    public static function mime(string $to): string
    {
        return (Formats::all()[$to] ?? null)?->mime() ?? DocumentFormat::tryFrom($to)?->mime() ?? self::PICTURES[$to] ?? DeckFiles::FORMATS[$to] ?? 'application/zip';
    }

    /** What the name of such a file ends with. */
    public static function ending(string $to): string
    {
        return match (self::mime($to)) {
            'application/pdf' => 'pdf',
            'text/html' => 'html',
            'application/zip' => 'zip',
            default => $to,
        };
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
     * @param  Person|null  $for  who hands it over, and so of whose maps digests in documents tell; null for nobody in particular
     * @return string the file
     *
     * @throws NothingLeaves|NotMade|Stopped
     */
    public function write(MapRecord $record, TopicMap $map, Wish $wish, Progress $progress = new Unwatched, ?Person $for = null): string
    {
        $title = $wish->branch === null ? $this->shelf->titleOf($record, $map->root()->title) : Shelf::title(null, $map->topic($wish->branch)->title);
        if (self::isComplete($wish->to)) {
            $part = $wish->branch === null ? $map : NewMap::from(TopicDraft::of($map, $wish->branch), arrangement: $map->sheet()->arrangement);

            $file = $this->carried->add(OwnWays::inFile(Formats::write($part, $wish->to), $record->id), $record, $part);

            return $wish->branch === null ? CopyMark::put($file, $record->id, $record->seq) : $file;
        }
        $form = $wish->form();
        $leaving = Outgoing::of($map, $wish->branch, hasAsides: $form !== '' && $wish->choices->flag('asides'));
        if (self::isPicture($wish->to)) {
            $drawing = Drawing::of($leaving, $wish);

            return match ($wish->to) {
                self::PRINT => $this->prints->pdf($record, $drawing, $title, $wish->choices, $progress),
                self::SHEETS => $this->prints->html($record, $drawing, $title, $wish->choices, $progress),
                default => $this->pictures->picture($record, $drawing, $title, $wish->to, $wish->choices, $progress),
            };
        }
        if (isset(DeckFiles::FORMATS[$wish->to])) {
            return $this->decks->write($record, $leaving, $wish, $title, $progress);
        }
        // A calendar is no text: what is cut keeps its days.
        $selected = Selected::of($leaving, $wish->choices, $wish->branch, $wish->chosen, $wish->view, isText: $wish->to !== 'ics');
        $document = DocumentFormat::tryFrom($wish->to);
        if ($form !== '') {
            $story = StoryDocument::of($selected, $form, trim($wish->choices->text('byline')), app()->getLocale(), $for === null ? gmdate('Y-m-d') : $for->today());

            return $document === null ? StoryDocument::markdown($story) : $this->documents->writeStory($record, $story, $form, $document, $wish->choices, $progress);
        }
        if ($document !== null) {
            return $this->documents->write($record, $for === null ? $selected : $this->digests->settled($selected, $record, $for), $document, $wish->choices, $progress);
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
