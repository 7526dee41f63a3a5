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
    /** More columns than anybody has. */
    private const WIDEST = 500;

    public function read(string $contents, string $title): TopicMap
    {
        $rows = self::rows($contents);
        $topics = new Gathering;
        $head = array_map(fn (string $cell): string => mb_strtolower(trim($cell)), $rows[0] ?? []);
        $isOurs = array_diff(['level', 'title'], $head) === [];
        foreach (array_slice($rows, 1) as $row) {
            $isOurs ? self::own($topics, array_flip($head), $row) : self::other($topics, $rows[0], $row);
        }
        // One row is no head.
        if (count($rows) === 1) {
            self::other($topics, [], $rows[0]);
        }

        return $topics->map(InlineMarkdown::escape($title));
    }

    /**
     * @param  array<string, int>  $columns
     * @param  list<string>  $row
     */
    private static function own(Gathering $topics, array $columns, array $row): void
    {
        $cell = fn (string $name): string => self::bare($row[$columns[$name] ?? -1] ?? '');
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
                $rest[] = ($name === '' ? '' : '**'.InlineMarkdown::escape(rtrim($name, ':')).':** ').InlineMarkdown::escape(trim(self::bare($cell)));
            }
        }
        $topics->add($first, InlineMarkdown::escape(trim(self::bare($row[$first]))), '', implode("\n", $rest));
    }

    /** Without the apostrophe that keeps spreadsheets from taking it for a formula. */
    private static function bare(string $cell): string
    {
        return preg_match("/^'(?:'|[=+\\-@\t\r])/", $cell) === 1 ? substr($cell, 1) : $cell;
    }

    /** @return list<list<string>> those that have anything in them */
    private static function rows(string $contents): array
    {
        $line = strtok($contents, "\n");
        $counts = array_map(fn (string $sign): int => substr_count((string) $line, $sign), [',' => ',', ';' => ';', "\t" => "\t"]);
        arsort($counts);
        $file = fopen('php://temp', 'r+');
        if ($file === false) {
            return [];
        }
        fwrite($file, $contents);
        rewind($file);
        $rows = [];
        while (($row = fgetcsv($file, separator: (string) array_key_first($counts), enclosure: '"', escape: '')) !== false) {
            $cells = array_map(fn (?string $cell): string => $cell ?? '', array_slice($row, 0, self::WIDEST));
            if (implode('', $cells) !== '') {
                $rows[] = $cells;
            }
        }
        fclose($file);

        return $rows;
    }
}
