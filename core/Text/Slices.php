<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/** Cuts and joins formatted text without losing its formatting. Places are byte offsets in the plain text. */
final class Slices
{
    /**
     * @param  list<Run>  $runs
     * @return list<Run> the part between two places
     */
    public static function between(array $runs, int $from, int $to): array
    {
        $part = [];
        $at = 0;
        foreach ($runs as $run) {
            $length = strlen($run->text);
            $begin = max(0, $from - $at);
            $end = min($length, $to - $at);
            if ($begin < $end) {
                $part[] = new Run(substr($run->text, $begin, $end - $begin), $run->marks, $run->href);
            }
            $at += $length;
        }

        return $part;
    }

    /**
     * Runs one after the other, neighbours of the same formatting as one.
     *
     * @param  list<Run>  ...$parts
     * @return list<Run>
     */
    public static function joined(array ...$parts): array
    {
        $joined = [];
        $open = null;
        // Grown in place, because each new string would be as long as all before it.
        $text = '';
        foreach (array_merge(...array_values($parts)) as $run) {
            if ($open !== null && ($open->marks !== $run->marks || $open->href !== $run->href)) {
                $joined[] = new Run($text, $open->marks, $open->href);
                $text = '';
            }
            $text .= $run->text;
            $open = $run;
        }

        return $open === null ? [] : [...$joined, new Run($text, $open->marks, $open->href)];
    }

    /**
     * Several parts of a title, each as inline Markdown of its own without space around it; empty ones left out.
     *
     * @param  list<array{int, int}>  $spans  where each begins and ends
     * @return list<string>
     */
    public static function parts(string $markdown, array $spans): array
    {
        $runs = InlineMarkdown::runs($markdown);
        $parts = array_map(fn (array $span): string => trim(InlineMarkdown::write(self::between($runs, $span[0], $span[1]))), $spans);

        return array_values(array_filter($parts, fn (string $part): bool => $part !== ''));
    }
}
