<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Map\Bounds;

/**
 * A table in text, however it was written: with commas, semicolons, tabs or bars between the cells, quoted or not (RFC 4180),
 * in UTF-8, UTF-16 or Windows-1252, with decimal points or commas. What it is is told from the file itself.
 */
final readonly class CsvTable
{
    /** More columns than anybody has. */
    private const WIDEST = 500;

    private const SEPARATORS = [',', ';', "\t", '|'];

    /** Rows that are looked at to tell what stands between the cells. */
    private const LOOKED_AT = 60;

    private const WITH_COMMA = '/^[-−]?(?:\d{1,3}(?:[.\x{a0}\x{202f} ]\d{3})+|\d+)(?:,\d+)?$/uD';

    private const WITH_POINT = '/^[-−]?(?:\d{1,3}(?:[,\x{a0}\x{202f} ]\d{3})+|\d+)(?:\.\d+)?$/uD';

    /**
     * @param  string  $encoding  "UTF-8", "UTF-16" or "Windows-1252"
     * @param  bool  $hasDecimalComma  whether its numbers have a comma where others have a point
     * @param  bool  $hasHead  whether its first row was taken for what the columns are called
     * @param  list<string>  $head  what its columns are called; empty texts where nothing is said
     * @param  list<list<string>>  $rows  those below the head that have anything in them, as they are written
     */
    private function __construct(public string $encoding, public string $separator, public bool $hasDecimalComma, public bool $hasHead, public array $head, public array $rows)
    {
    }

    /** @throws UnreadableFile */
    public static function read(string $bytes): self
    {
        if (strlen($bytes) > Bounds::LARGEST_FILE) {
            throw new UnreadableFile('This file is larger than 16 MB, more than a map can take in.');
        }
        [$text, $encoding] = self::decoded($bytes);
        $separator = self::separator($text);
        $rows = self::rows($text, $separator);
        $hasHead = self::isHead($rows);
        $head = $hasHead ? array_map(trim(...), array_shift($rows) ?? []) : [];
        $width = max(0, count($head), ...array_map(count(...), $rows));
        if (count($rows) > Bounds::MOST_TOPICS) {
            throw new UnreadableFile('This table has more than 20,000 rows, more than a map can take in.');
        }
        $hasComma = self::hasDecimalComma($rows, $separator);

        return new self($encoding, $separator, $hasComma, $hasHead, array_pad($head, $width, ''), $rows);
    }

    /**
     * The text in a file, without what is no letter, and the encoding in which it was.
     *
     * @return array{string, string}
     *
     * @throws UnreadableFile where it is no text
     */
    public static function decoded(string $bytes): array
    {
        $first = substr($bytes, 0, 2);
        if ($first === "\xFF\xFE" || $first === "\xFE\xFF") {
            return [self::clean((string) mb_convert_encoding(substr($bytes, 2), 'UTF-8', $first === "\xFF\xFE" ? 'UTF-16LE' : 'UTF-16BE')), 'UTF-16'];
        }
        $bytes = str_starts_with($bytes, "\xEF\xBB\xBF") ? substr($bytes, 3) : $bytes;
        if (str_contains($bytes, "\0")) {
            throw new UnreadableFile('This is no table in text; it holds what no text has.');
        }

        return mb_check_encoding($bytes, 'UTF-8') ? [self::clean($bytes), 'UTF-8'] : [self::clean((string) mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252')), 'Windows-1252'];
    }

    private static function clean(string $text): string
    {
        return (string) preg_replace('/[\x00-\x08\x0b\x0c\x0e-\x1f\x7f]/', '', str_replace(["\r\n", "\r"], "\n", $text));
    }

    /** The one by which most rows have as many cells as most others. */
    private static function separator(string $text): string
    {
        $best = [0.0, ','];
        foreach (self::SEPARATORS as $separator) {
            $widths = array_map(count(...), self::rows($text, $separator, self::LOOKED_AT));
            $counts = array_count_values(array_filter($widths, fn (int $width): bool => $width > 1));
            arsort($counts);
            $score = $counts === [] ? 0.0 : current($counts) / count($widths) + min(50, (int) key($counts)) / 1000;
            $best = $score > $best[0] ? [$score, $separator] : $best;
        }

        return $best[1];
    }

    /** @return list<list<string>> those that have anything in them */
    private static function rows(string $text, string $separator, int $most = PHP_INT_MAX): array
    {
        $file = fopen('php://temp', 'r+');
        if ($file === false) {
            return [];
        }
        fwrite($file, $text);
        rewind($file);
        $rows = [];
        while (count($rows) < $most && ($row = fgetcsv($file, separator: $separator, enclosure: '"', escape: '')) !== false) {
            $cells = array_map(fn (?string $cell): string => self::bare($cell ?? ''), array_slice($row, 0, self::WIDEST));
            if (trim(implode('', $cells)) !== '') {
                $rows[] = $cells;
            }
        }
        fclose($file);

        return $rows;
    }

    /**
     * The first row says what the columns are called where all of it is words, each another, and other rows follow.
     *
     * @param  list<list<string>>  $rows
     */
    private static function isHead(array $rows): bool
    {
        $first = array_map(trim(...), $rows[0] ?? []);
        $words = array_filter($first, fn (string $cell): bool => $cell !== '');

        return count($rows) > 1 && $words !== [] && count($words) >= count($first) / 2 && count(array_unique($words)) === count($words)
            && array_filter($words, fn (string $cell): bool => self::isNumber($cell) || mb_strlen($cell) > 120) === [];
    }

    /** Whether a cell is a number, written in either way. */
    public static function isNumber(string $cell): bool
    {
        return preg_match(self::WITH_POINT, trim($cell)) === 1 || preg_match(self::WITH_COMMA, trim($cell)) === 1;
    }

    /** @param  list<list<string>>  $rows */
    private static function hasDecimalComma(array $rows, string $separator): bool
    {
        $comma = $point = 0;
        foreach ($separator === ',' ? [] : $rows as $row) {
            foreach ($row as $cell) {
                $isComma = preg_match(self::WITH_COMMA, trim($cell)) === 1;
                $isPoint = preg_match(self::WITH_POINT, trim($cell)) === 1;
                $comma += $isComma && ! $isPoint ? 1 : 0;
                $point += $isPoint && ! $isComma ? 1 : 0;
            }
        }

        return $comma > $point;
    }

    /** The same with points in the numbers, in columns of nothing else. */
    public function withPoints(): self
    {
        $rows = $this->rows;
        foreach ($this->hasDecimalComma ? array_keys($this->head) : [] as $i) {
            $cells = array_filter(array_map(fn (array $row): string => trim($row[$i] ?? ''), $rows), fn (string $cell): bool => $cell !== '');
            if (array_filter($cells, fn (string $cell): bool => preg_match(self::WITH_COMMA, $cell) !== 1) !== []) {
                continue;
            }
            foreach ($cells as $n => $cell) {
                $rows[$n][$i] = str_replace([' ', "\u{a0}", "\u{202f}", '.', ',', '−'], ['', '', '', '', '.', '-'], $cell);
            }
        }

        return new self($this->encoding, $this->separator, $this->hasDecimalComma, $this->hasHead, $this->head, array_values(array_map(array_values(...), $rows)));
    }

    /** Without the apostrophe that keeps spreadsheets from taking it for a formula. */
    private static function bare(string $cell): string
    {
        return preg_match("/^'(?:'|[=+\\-@\t\r])/", $cell) === 1 ? substr($cell, 1) : $cell;
    }

    /**
     * A table as RFC 4180 has it. What a spreadsheet could take for a formula has an apostrophe before it.
     *
     * @param  iterable<list<string>>  $rows
     */
    public static function write(iterable $rows): string
    {
        $text = '';
        foreach ($rows as $row) {
            $text .= implode(',', array_map(self::cell(...), $row))."\r\n";
        }

        return $text;
    }

    private static function cell(string $text): string
    {
        // A negative number is one.
        $text = preg_match("/^(?:'|[=+\\-@\t\r])/", $text) === 1 && preg_match('/^-\d+(\.\d+)?$/D', $text) !== 1 ? "'{$text}" : $text;

        return preg_match('/[",;\r\n\t]|^\s|\s$/', $text) === 1 ? '"'.str_replace('"', '""', $text).'"' : $text;
    }
}
