<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;

/**
 * Reads tables, with commas, semicolons or tabs between the cells. One with the columns level and title is ours; of any
 * other each row is a topic: as deep as it has empty cells before its first, which is the title, and the rest of the row
 * stands in its note, each cell behind the head of its column.
 */
final class CsvReader implements Reader
{
    public function read(string $contents, string $title): TopicMap
    {
        $table = CsvTable::read($contents);
        $topics = new Gathering;
        $head = array_map(mb_strtolower(...), $table->head);
        $isOurs = array_diff(['level', 'title'], $head) === [];
        foreach ($table->rows as $row) {
            $isOurs ? self::own($topics, array_flip($head), $row) : self::other($topics, $table->head, $row);
        }

        return $topics->map(InlineMarkdown::escape($title));
    }

    /**
     * @param  array<string, int>  $columns
     * @param  list<string>  $row
     */
    private static function own(Gathering $topics, array $columns, array $row): void
    {
        $cell = fn (string $name): string => $row[$columns[$name] ?? -1] ?? '';
        if (preg_match('/^\d{1,4}$/D', trim($cell('level'))) !== 1) {
            throw new UnreadableFile('A row of this table has no whole number as its level: “'.mb_strimwidth(implode(', ', $row), 0, 60, '…').'”.');
        }
        $topics->add((int) trim($cell('level')), InlineMarkdown::escape($cell('title')), $cell('caption'), $cell('note'));
    }

    /**
     * @param  list<string>  $head
     * @param  list<string>  $row
     */
    private static function other(Gathering $topics, array $head, array $row): void
    {
        $first = array_key_first(array_filter($row, fn (string $cell): bool => trim($cell) !== ''));
        if ($first === null) {
            return;
        }
        $rest = [];
        foreach (array_slice($row, $first + 1, preserve_keys: true) as $i => $cell) {
            $name = trim($head[$i] ?? '');
            if (trim($cell) !== '') {
                $rest[] = ($name === '' ? '' : '**'.InlineMarkdown::escape(rtrim($name, ':')).':** ').InlineMarkdown::escape(trim($cell));
            }
        }
        $topics->add($first, InlineMarkdown::escape(trim($row[$first])), '', implode("\n", $rest));
    }
}
