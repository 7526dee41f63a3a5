<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Map\TopicMap;

/** What the signs of one map mean, and on how many of its topics each is. */
final readonly class Legend
{
    /** @param  list<LegendLine>  $lines */
    private function __construct(public array $lines)
    {
    }

    /** All that is used or has a meaning. */
    public static function of(TopicMap $map): self
    {
        $meanings = self::meanings($map);
        $counts = self::stamps($map);
        if (array_filter(array_keys($meanings), fn (string $sign): bool => Sign::sort($sign) !== 'stamp') !== []) {
            foreach (Layout::of($map, new View)->slips() as $slip) {
                foreach (["chalk:{$slip->chalk}", "shape:{$slip->look->box->shape}"] as $sign) {
                    if (isset($meanings[$sign])) {
                        $counts[$sign] = ($counts[$sign] ?? 0) + 1;
                    }
                }
            }
        }

        return self::from($meanings, $counts);
    }

    /** What stands on the board: stamps that are used, and chalks and shapes that have a meaning; only stamps are counted. */
    public static function onBoard(TopicMap $map): self
    {
        $counts = self::stamps($map);
        $meanings = array_filter(self::meanings($map), fn (string $sign): bool => isset($counts[$sign]) || Sign::sort($sign) !== 'stamp', ARRAY_FILTER_USE_KEY);

        return self::from($meanings, $counts);
    }

    /**
     * @param  array<string, string>  $meanings
     * @param  array<string, int>  $counts
     */
    private static function from(array $meanings, array $counts): self
    {
        $signs = array_map(strval(...), array_keys($meanings + $counts));
        usort($signs, fn (string $a, string $b): int => self::order($a) <=> self::order($b));

        return new self(array_map(fn (string $sign): LegendLine => new LegendLine($sign, $meanings[$sign] ?? '', $counts[$sign] ?? 0), $signs));
    }

    /** @return array<string, string> by sign */
    private static function meanings(TopicMap $map): array
    {
        $meanings = [];
        foreach ($map->rowsOf(Meaning::class) as $row) {
            if ($row->text('sign') !== '' && $row->text('means') !== '') {
                $meanings[$row->text('sign')] = $row->text('means');
            }
        }

        return $meanings;
    }

    /** @return array<string, int> on how many topics each stamp is */
    private static function stamps(TopicMap $map): array
    {
        $alike = $counts = [];
        foreach ($map->rowsOf(TopicStamps::class) as $id => $row) {
            if ($map->has((string) $id)) {
                // Many topics, and few sets of stamps that they have.
                $key = implode(' ', $row->fields());
                $alike[$key] = [$row, ($alike[$key][1] ?? 0) + 1];
            }
        }
        foreach ($alike as [$row, $count]) {
            foreach ($row->signs() as $sign) {
                $counts[$sign] = ($counts[$sign] ?? 0) + $count;
            }
        }

        return $counts;
    }

    /** @return array{int, int, string} stamps first, in the order in which they stand on topics */
    private static function order(string $sign): array
    {
        $at = array_search(Stamp::tryFrom(Sign::value($sign)), Stamp::cases(), true);

        return [
            (int) array_search(Sign::sort($sign), ['stamp', 'chalk', 'shape'], true),
            match (true) {
                $at !== false => 1 + $at,
                ctype_digit(Sign::value($sign)) => 0,
                default => 100,
            },
            Sign::value($sign),
        ];
    }
}
