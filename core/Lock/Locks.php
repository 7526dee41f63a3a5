<?php

declare(strict_types=1);

namespace ChalkTree\Lock;

use ChalkTree\Edit\Change;
use ChalkTree\Edit\Changes;
use ChalkTree\Map\RowTypes;
use ChalkTree\Map\Sheet;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/**
 * Topics of a map that stay as they are for all but its owner: what they say, what they are, and where they hang.
 * Others may add topics below them, tie them to others, and put them elsewhere on the board.
 */
final readonly class Locks
{
    /** What of a topic's own row may not be otherwise; which side it grows to and its rank among others may. */
    private const HELD = ['title', 'caption', 'note', 'parent', 'removed', 'parked', 'column'];

    /** @param  array<string, true>  $topics */
    private function __construct(private array $topics, private TopicMap $map)
    {
    }

    /** Null where nothing is locked. */
    public static function of(TopicMap $map): ?self
    {
        $all = [];
        foreach ($map->hasRowsOf(Lock::class) ? $map->rowsOf(Lock::class) : [] as $id => $row) {
            if (! $row->isEmpty()) {
                $all[(string) $id] = true;
            }
        }

        return $all === [] ? null : new self($all, $map);
    }

    /**
     * Refuses what would change something that is locked.
     *
     * @param  Changes  $changes  made on the map as it was when it was asked for its locks
     *
     * @throws Locked
     */
    public function check(Changes $changes): void
    {
        $made = [];
        foreach ($changes->all as $change) {
            if ($change->type === Topic::type() && ($change->before === null || $change->after === null)) {
                $made[$change->id] = true;
            }
        }
        foreach ($changes->all as $change) {
            // A copy of something locked is so too, and goes again with its lock.
            if (isset($made[$change->id])) {
                continue;
            }
            $isHeld = match (true) {
                $change->type === Lock::type() => true,
                $change->type === Sheet::type() => false,
                $change->type !== Topic::type() && ! RowTypes::ofFeature($change->type)::isOfTopic() => $this->hangsAtLocked($change, $made),
                ! isset($this->topics[$change->id]) => false,
                $change->type === Topic::type() => array_intersect_key(($change->after ?? []) + array_fill_keys(array_keys($change->patches), true), array_flip(self::HELD)) !== [],
                default => ! RowTypes::ofFeature($change->type)::isOfPlace(),
            };
            if ($isHeld) {
                throw new Locked('This part is locked: only who keeps the map can change it. You can add to it below.');
            }
        }
    }

    /**
     * Whether a row with an id of its own, as a file or a link out, hangs at one locked topic; what ties two may be anybody's.
     *
     * @param  array<string, true>  $made  topics that came or went with the same edit
     */
    private function hangsAtLocked(Change $change, array $made): bool
    {
        $ends = RowTypes::ofFeature($change->type)::ends();
        if (count($ends) !== 1) {
            return false;
        }
        // Of what has changed only that is told; then it hangs where it hung.
        $there = $this->map->row($change->type, $change->id)?->fields() ?? [];
        foreach ([$change->before, $change->after] as $fields) {
            $at = $fields === null ? '' : (string) ($fields[$ends[0]] ?? $there[$ends[0]] ?? '');
            if (isset($this->topics[$at]) && ! isset($made[$at])) {
                return true;
            }
        }

        return false;
    }
}
