<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;

/**
 * What there is in a map, as one text in which can be looked for at once: all its texts, and a line for everything that
 * can be asked for by name. Of hundreds of maps only those have to be opened in whose traces stands what is asked.
 */
final class Traces
{
    /** Something that can be asked for by name stands behind this, so that no text is taken for it. */
    private const MARK = "\n\u{1}";

    public static function of(TopicMap $map, string $today): string
    {
        $now = new Moment($map, $today);
        $lines = [];
        foreach ($map->all() as $topic) {
            $lines[] = InlineMarkdown::oneLine($topic->title);
            foreach ([$topic->caption, $topic->note] as $text) {
                if ($text !== '') {
                    $lines[] = $text;
                }
            }
        }
        $marks = [];
        foreach (Condition::questions() as $class) {
            foreach (is_subclass_of($class, LeavesTraces::class) ? $class::traces($now) : [] as $trace) {
                $marks[self::MARK.$trace] = true;
            }
        }

        return self::folded(implode("\n", $lines).implode('', array_keys($marks))."\n");
    }

    /** What a question looks for by name. */
    public static function mark(string $trace): string
    {
        return self::folded(self::MARK.$trace);
    }

    /** Texts of which one is in the other whatever the case of their letters, byte for byte. */
    public static function folded(string $text): string
    {
        return preg_match('/[^\x00-\x7f]/', $text) === 1 ? mb_convert_case($text, MB_CASE_FOLD_SIMPLE) : strtolower($text);
    }
}
