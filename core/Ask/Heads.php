<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

/** In which order the heads stand under which topics are grouped, in lists, tables and lanes. */
final class Heads
{
    /**
     * @param  list<list<array{string, float|string|null}>>  $seen  for each topic, as they stand in the map, its heads and by what each is put in order
     * @param  bool  $asSeen  whether they stand as they are come upon; else numbers and days as they follow each other, all else by its name
     * @return list<string> each once
     */
    public static function inOrder(array $seen, bool $asSeen): array
    {
        $ranks = [];
        foreach ($seen as $its) {
            foreach ($its as [$head, $rank]) {
                $ranks[$head] = isset($ranks[$head]) && ($ranks[$head] === $rank || Column::compare($ranks[$head], $rank) <= 0) ? $ranks[$head] : $rank;
            }
        }
        if (! $asSeen) {
            uksort($ranks, fn (int|string $a, int|string $b): int => Column::compare($ranks[$a], $ranks[$b]) ?: strnatcasecmp((string) $a, (string) $b));
        }

        return array_map(strval(...), array_keys($ranks));
    }
}
