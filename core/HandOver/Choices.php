<?php

declare(strict_types=1);

namespace ChalkTree\HandOver;

use ChalkTree\Look\NamedLook;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** What goes into what is handed over, and how: kept under a name with the map, or asked for once. */
final readonly class Choices extends FeatureRow
{
    /** How many levels are headings in documents where nothing is said. */
    public const HEADINGS = 3;

    /** What a map can be handed over as, by the names that the command line and addresses know. */
    public const FORMATS = ['md', 'txt', 'opml', 'csv', 'html', 'docx', 'odt', 'rtf', 'epub', 'pdf', 'svg', 'png', 'json', 'zip'];

    public const PAPERS = ['a3', 'a5', 'letter', 'legal'];

    /** @var list<string> what can be left out or put in */
    public const FLAGS = ['noNotes', 'noCaptions', 'noPictures', 'noTables', 'noLinks', 'numbered', 'stamps', 'tags', 'sentences', 'legend', 'drawing', 'contents', 'footnotes', 'landscape'];

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
     * "what": which topics, all of them if it is not said; "depth": down to which level, of which the root is 0; "headings":
     * down to which level titles are headings, what is below stands in lists; "type": size, points; "width": pixels; the rest
     * leaves out or puts in what it names, "footnotes" captions at the foot of the page.
     */
    public static function declared(): array
    {
        return [
            'name' => NamedLook::named('name of the settings'),
            'to' => Field::choice(self::FORMATS)->called('format'),
            'what' => Field::choice(['branch', 'chosen', 'shown'])->called('topics that go along'),
            'order' => Field::choice(['title', 'reversed'])->called('order'),
            'depth' => Field::number(0, 1_000)->called('deepest level'),
            'headings' => Field::number(0, 6)->called('deepest heading'),
            'paper' => Field::choice(self::PAPERS)->called('paper'),
            'type' => Field::number(7, 24)->called('type size'),
            'width' => Field::number(16, 16_000)->called('width of the picture'),
        ] + array_fill_keys(self::FLAGS, Field::flag());
    }

    public function headings(): int
    {
        return $this->number('headings') ?? self::HEADINGS;
    }
}
