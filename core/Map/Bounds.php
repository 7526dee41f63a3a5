<?php

declare(strict_types=1);

namespace ChalkTree\Map;

/** How much of anything a map takes, in one place for edits, readers, the server and the browser. */
final class Bounds
{
    /** Characters. */
    public const LONGEST_TITLE = 20_000;

    /** Characters. */
    public const LONGEST_CAPTION = 2_000;

    /** Bytes. */
    public const LONGEST_NOTE = 1_048_576;

    /** Topics in one edit, one file, one clip. */
    public const MOST_TOPICS = 20_000;

    /** Levels from the top of a branch; deeper ones could not be read back from any format. */
    public const DEEPEST = 1_000;

    /** Bytes of a file that is brought in. */
    public const LARGEST_FILE = 16 * 1024 * 1024;

    /** Pixels from the root at which a loose topic may stand; far beyond what any map fills. */
    public const FARTHEST = 1_000_000;

    /** Pixels by which a branch can be held away from its neighbours. */
    public const FARTHEST_APART = 4_000;

    /** Pixels from its parent at which a topic may stand free. */
    public const FARTHEST_FREE = 20_000;

    /** Pixels of a topic's width. */
    public const NARROWEST = 60;

    public const WIDEST = 1_200;

    /** Pixels of a picture on the board. */
    public const SMALLEST_PICTURE = 12;

    /** Bytes of a picture that is brought in. */
    public const LARGEST_PICTURE = 20 * 1024 * 1024;

    /** Pixels of such a picture. */
    public const MOST_PIXELS = 60_000_000;

    /** Pixels of type. */
    public const SMALLEST_TYPE = 8;

    public const LARGEST_TYPE = 120;

    /** Rows of one sort that are of the map as a whole. */
    public const MOST_OF_MAP = 200;

    /** The highest number with which a numbered branch may begin. */
    public const HIGHEST_NUMBER = 9_999;

    /** @return array<string, int> what the browser has to know before it asks */
    public static function forBrowser(): array
    {
        return [
            'caption' => self::LONGEST_CAPTION, 'file' => self::LARGEST_FILE, 'picture' => self::LARGEST_PICTURE, 'smallestPicture' => self::SMALLEST_PICTURE, 'apart' => self::FARTHEST_APART,
            'narrowest' => self::NARROWEST, 'widest' => self::WIDEST, 'number' => self::HIGHEST_NUMBER,
            'smallestType' => self::SMALLEST_TYPE, 'largestType' => self::LARGEST_TYPE,
        ];
    }
}
