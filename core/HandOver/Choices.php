<?php

declare(strict_types=1);

namespace ChalkTree\HandOver;

use ChalkTree\Draw\Paints;
use ChalkTree\Look\NamedLook;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\Ids;

/** What goes into what is handed over, and how: kept under a name with the map, or asked for once. */
final readonly class Choices extends FeatureRow
{
    /** How many levels are headings in documents where nothing is said. */
    public const HEADINGS = 3;

    /** What a map can be handed over as, by the names that the command line and addresses know. */
    public const FORMATS = ['md', 'txt', 'opml', 'csv', 'ics', 'html', 'docx', 'odt', 'rtf', 'epub', 'pdf', 'svg', 'png', 'jpg', 'drawing', 'print', 'sheets', 'pptx', 'slides-pdf', 'slides-html', 'slides-png', 'json', 'zip'];

    public const PAPERS = ['a3', 'a4', 'a5', 'letter', 'legal'];

    /** @var list<string> what can be left out or put in */
    public const FLAGS = ['noNotes', 'noCaptions', 'noPictures', 'noTables', 'noLinks', 'noFacts', 'numbered', 'cut', 'asides', 'stamps', 'tags', 'sentences', 'legend', 'drawing', 'contents', 'footnotes', 'landscape',
        'upright', 'bare', 'noMarks', 'noPlan', 'noMapName', 'noDate', 'noSheetNumber', 'outline', 'notes', 'gapTopics', 'gapPhrases', 'gapWords', 'noKey'];

    /** What a story is handed over as; see Story\StoryDocument. */
    public const FORMS = ['manuscript', 'book', 'synopsis', 'cast', 'scenes'];

    private const FAR = 1_000_000;

    public static function type(): string
    {
        return 'hand-over';
    }

    public static function words(): string
    {
        return 'settings for handing over';
    }

    public static function isOfMap(): bool
    {
        return true;
    }

    public static function isDrawnByLooks(): bool
    {
        return false;
    }

    public static function most(): int
    {
        return 40;
    }

    /**
     * "form": of a story as a document, its text or what is said of it; the map as it is if it is not said. "what": which topics, all of them if it is not said; "depth": down to which level, of which the root is 0; "headings":
     * down to which level titles are headings, what is below stands in lists; "type": size, points; "width": pixels, or
     * "millimetres" with "dpi"; "margin": pixels of the drawing; "on": the colours, those of the person's board if it is not
     * said. "at", "left", "top", "wide" and "high": an area of the drawing, from the middle of a topic. Of a print: "columns" and
     * "rows" of sheets, or "points" of its smallest type; "overlap": millimetres; "byline": at the foot of each sheet, and who wrote a story. "deck": by its name or id, with "per" slides a page, or with "notes". The rest
     * leaves out or puts in what it names: "cut" what is stamped so, which text goes without; "asides" what one says to oneself, in the text of a story alone; "footnotes" captions at the foot of the page, "bare" the drawing without its ground,
     * "outline" and "notes" as further pages, gaps for a class in topics that are chosen, in phrases, in words set bold.
     */
    public static function declared(): array
    {
        return [
            'name' => NamedLook::named('name of the settings'),
            'to' => Field::choice(self::FORMATS)->called('format'),
            'form' => Field::choice(self::FORMS)->called('form of the text'),
            'what' => Field::choice(['branch', 'chosen', 'shown', 'area'])->called('topics that go along'),
            'order' => Field::choice(['title', 'reversed'])->called('order'),
            'depth' => Field::number(0, 1_000)->called('deepest level'),
            'headings' => Field::number(0, 6)->called('deepest heading'),
            'paper' => Field::choice(self::PAPERS)->called('paper'),
            'type' => Field::number(7, 24)->called('type size'),
            'width' => Field::number(16, 32_000)->called('width of the picture'),
            'millimetres' => Field::number(5, 3_000)->called('width of the picture on paper'),
            'dpi' => Field::number(36, 1_200)->called('dots to the inch'),
            'margin' => Field::number(0, 1_000)->called('margin of the picture'),
            'on' => Field::choice(Paints::GROUNDS)->called('colours of the picture'),
            'at' => Field::formed(Ids::valid(...), 26, 'be the id of a topic')->called('topic that the area goes by'),
            'left' => Field::number(-self::FAR, self::FAR)->called('left edge of the area'),
            'top' => Field::number(-self::FAR, self::FAR)->called('upper edge of the area'),
            'wide' => Field::number(20, self::FAR)->called('width of the area'),
            'high' => Field::number(20, self::FAR)->called('height of the area'),
            'columns' => Field::number(1, 20)->called('sheets across'),
            'rows' => Field::number(1, 20)->called('sheets down'),
            'points' => Field::number(4, 96)->called('size of the smallest type'),
            'overlap' => Field::number(0, 40)->called('overlap of the sheets'),
            'deck' => Field::formed(fn (string $named): bool => preg_match('/^\P{C}{1,100}$/uD', $named) === 1, 400, 'be the name or the id of a deck')->called('deck'),
            'per' => Field::number(1, 9)->called('slides on a page'),
            'byline' => Field::formed(fn (string $line): bool => preg_match('/^\P{C}{1,120}$/uD', $line) === 1 && trim($line) !== '', 480, 'be at most 120 letters')->called('name on the sheets'),
        ] + array_fill_keys(self::FLAGS, Field::flag());
    }

    public function headings(): int
    {
        return $this->number('headings') ?? self::HEADINGS;
    }
}
