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
        foreach (array_merge(...array_values($parts)) as $run) {
            $last = $joined[count($joined) - 1] ?? null;
            if ($last !== null && $last->marks === $run->marks && $last->href === $run->href) {
                array_pop($joined);
                $run = new Run($last->text.$run->text, $run->marks, $run->href);
            }
            $joined[] = $run;
        }

        return $joined;
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
