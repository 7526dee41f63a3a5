<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Map\TopicMap;
use ChalkTree\Number\Numbers;
use ChalkTree\Text\InlineMarkdown;

/**
 * Writes a map as a table: level (the root's is 0), number, title in plain words, caption, note as Markdown. What a
 * spreadsheet could take for a formula has an apostrophe before it.
 */
final class CsvWriter implements Writer
{
    public const HEAD = ['level', 'number', 'title', 'caption', 'note'];

    public function write(TopicMap $map): string
    {
        $numbers = Numbers::of($map);
        $depths = [];
        $lines = [implode(',', self::HEAD)];
        foreach ($map->all() as $id => $topic) {
            $depths[$id] = $topic->parent === null ? 0 : $depths[$topic->parent] + 1;
            $lines[] = implode(',', array_map(self::cell(...), [(string) $depths[$id], $numbers[$id] ?? '', InlineMarkdown::plain($topic->title), $topic->caption, $topic->note]));
        }

        return implode("\r\n", $lines)."\r\n";
    }

    private static function cell(string $text): string
    {
        $text = preg_match("/^(?:'|[=+\\-@\t\r])/", $text) === 1 ? "'{$text}" : $text;

        return preg_match('/[",;\r\n\t]|^\s|\s$/', $text) === 1 ? '"'.str_replace('"', '""', $text).'"' : $text;
    }
}
