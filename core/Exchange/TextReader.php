<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Map\TopicMap;
use ChalkTree\Text\Blank;
use ChalkTree\Text\InlineMarkdown;

/**
 * Reads plain text indented by tabs or by any number of spaces: a line is a topic, and it goes below the nearest line
 * above it that is indented less. Blank lines are passed over.
 */
final class TextReader implements Reader
{
    /** A tab reaches to the next multiple of this many columns. */
    private const TAB = 8;

    public function read(string $contents, string $title): TopicMap
    {
        $topics = new Gathering;
        foreach (explode("\n", $contents) as $line) {
            $text = Blank::trim($line);
            if ($text !== '') {
                $topics->add(self::columns($line), InlineMarkdown::escape($text));
            }
        }

        return $topics->map(InlineMarkdown::escape($title));
    }

    /** How far a line is indented, in columns. */
    public static function columns(string $line): int
    {
        $column = 0;
        for ($i = 0, $n = strlen($line); $i < $n; $i++) {
            if ($line[$i] === "\t") {
                $column += self::TAB - $column % self::TAB;
            } elseif ($line[$i] === ' ') {
                $column++;
            } else {
                break;
            }
        }

        return $column;
    }
}
