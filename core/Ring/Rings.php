<?php

declare(strict_types=1);

namespace ChalkTree\Ring;

use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use Closure;

/**
 * The rings of a map that have something to go around, each with its topics, and how many others it goes around with the
 * same topics in them.
 */
final readonly class Rings
{
    /** From what it goes around to its line, pixels; and so much more for each that it goes around. */
    private const PAD = 12.0;

    private const STEP = 12.0;

    /**
     * @param  array<string, Ring>  $rings  by id, smaller ones first
     * @param  array<string, non-empty-list<string>>  $members  the ids of topics, in no order, by ring
     * @param  array<string, int>  $levels  by ring
     */
    private function __construct(public array $rings, public array $members, public array $levels)
    {
    }

    public static function of(TopicMap $map): self
    {
        $members = [];
        $rows = $map->rowsOf(RingMember::class);
        foreach ($rows as $member) {
            if ($map->row(Ring::type(), $member->ring()) instanceof Ring && $map->isLiving($member) && $map->topic($member->topic())->parked === null) {
                $members[$member->ring()][$member->topic()] = $member->topic();
            }
        }
        $levels = self::levels($members, fn (array $topics, array $heads): bool => self::areBelow($map, $topics, $heads));
        $rings = $sorted = [];
        foreach (array_keys($levels) as $id) {
            $ring = $map->row(Ring::type(), (string) $id);
            if ($ring instanceof Ring) {
                [$rings[$id], $sorted[$id]] = [$ring, array_values($members[$id])];
            }
        }

        return new self($rings, $sorted, $levels);
    }

    /**
     * How many rings each goes around, so that no two lines lie on each other.
     *
     * @param  array<string, non-empty-array<string, string>>  $members  topics by ring
     * @param  (Closure(array<string, string>, array<string, string>): bool)|null  $areBelow  whether a ring around the first goes around the second's without sharing one
     * @return array<string, int> by ring, smaller ones first
     */
    public static function levels(array $members, ?Closure $areBelow = null): array
    {
        uksort($members, fn (string $a, string $b): int => [count($members[$a]), $a] <=> [count($members[$b]), $b]);
        $levels = $inside = [];
        foreach ($members as $id => $topics) {
            $level = 0;
            foreach ($inside as $other => $its) {
                if (array_intersect_key($its, $topics) !== [] || ($areBelow !== null && $areBelow($its, $topics))) {
                    $level = max($level, $levels[$other] + 1);
                }
            }
            [$inside[$id], $levels[$id]] = [$topics, $level];
        }

        return $levels;
    }

    /** How far away from its topics the line of a ring of this level runs, pixels. */
    public static function padOf(int $level): float
    {
        return self::PAD + self::STEP * $level;
    }

    public function pad(string $ring): float
    {
        return self::padOf($this->levels[$ring] ?? 0);
    }

    /**
     * Whether all these topics hang somewhere below some others, but not all right below one, where room is made for their
     * ring that counts as theirs.
     *
     * @param  array<string, string>  $topics
     * @param  array<string, string>  $heads
     */
    private static function areBelow(TopicMap $map, array $topics, array $heads): bool
    {
        $parents = array_unique(array_map(fn (string $id): string => (string) $map->topic($id)->parent, $topics));
        foreach (count($parents) === 1 ? [] : $topics as $id) {
            if (array_filter($map->ancestors($id), fn (Topic $above): bool => isset($heads[$above->id])) === []) {
                return false;
            }
        }

        return count($parents) > 1;
    }
}
