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
        $rows = [self::HEAD];
        foreach ($map->all() as $id => $topic) {
            $depths[$id] = $topic->parent === null ? 0 : $depths[$topic->parent] + 1;
            $rows[] = [(string) $depths[$id], $numbers[$id] ?? '', InlineMarkdown::plain($topic->title), $topic->caption, $topic->note];
        }

        return CsvTable::write($rows);
    }
}
