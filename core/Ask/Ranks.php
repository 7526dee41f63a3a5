<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

/** Puts things in order by their ranks, as Column::compare() has it, at the pace of the language's own sorting. */
final class Ranks
{
    /**
     * @template K of array-key
     *
     * @param  array<K, float|string|null>  $ranks  by thing
     * @param  bool  $isDown  the last first; what has no rank comes last either way
     * @return list<K> the things; those of one rank as they stood
     */
    public static function inOrder(array $ranks, bool $isDown = false): array
    {
        $ranked = array_filter($ranks, fn (float|string|null $rank): bool => $rank !== null);
        $none = array_keys(array_diff_key($ranks, $ranked));
        $numbers = count(array_filter($ranked, is_float(...)));
        if ($numbers !== 0 && $numbers !== count($ranked)) {
            uasort($ranked, fn (float|string $a, float|string $b): int => $isDown ? Column::compare($b, $a) : Column::compare($a, $b));
        } else {
            $how = $numbers === 0 ? SORT_NATURAL | SORT_FLAG_CASE : SORT_NUMERIC;
            $isDown ? arsort($ranked, $how) : asort($ranked, $how);
        }

        return [...array_keys($ranked), ...$none];
    }
}
