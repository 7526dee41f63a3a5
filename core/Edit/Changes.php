<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\RowTypes;
use ChalkTree\Map\Sheet;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Map\TreeCheck;

/**
 * The record of an edit: one change a row. It can be reversed, joined with the record that followed it, and put on a
 * map, where it refuses if what it would replace is no longer what it was.
 *
 * @phpstan-import-type Kept from Change
 */
final readonly class Changes
{
    /** @param  list<Change>  $all */
    public function __construct(public array $all = [])
    {
    }

    /** @param  list<Kept>  $data */
    public static function fromArray(array $data): self
    {
        return new self(array_map(Change::fromArray(...), $data));
    }

    /** @return list<Kept> */
    public function toArray(): array
    {
        return array_map(fn (Change $change): array => $change->toArray(), $this->all);
    }

    public function isEmpty(): bool
    {
        return $this->all === [];
    }

    /**
     * The topics that this concerns, for laying out anew: those that changed, those they hung below before, and those
     * that rows of features were and are about.
     *
     * @param  TopicMap  $map  as it is after these changes
     * @return list<string>
     */
    public function topics(TopicMap $map): array
    {
        $ids = [];
        foreach ($this->all as $change) {
            if ($change->type === Topic::type()) {
                $ids[] = $change->id;
                if (isset($change->before['parent'])) {
                    $ids[] = (string) $change->before['parent'];
                }
            } elseif ($change->type !== Sheet::type()) {
                $now = $map->row($change->type, $change->id)?->fields() ?? [];
                foreach ([$change->before, $change->after] as $fields) {
                    array_push($ids, ...($fields === null ? [] : RowTypes::make($change->type, $change->id, $fields + $now)->topics()));
                }
            }
        }

        return $ids;
    }

    public function reversed(): self
    {
        return new self(array_map(fn (Change $change): Change => $change->reversed(), array_reverse($this->all)));
    }

    /**
     * Puts the changes on the map through the recorder, all or none.
     *
     * @throws ChangedSince where the map is no longer as the changes found it
     */
    public function applyTo(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->all as $change) {
            $this->checkUntouched($map, $change);
        }
        foreach ($this->all as $change) {
            if ($change->after === null) {
                $recorder->drop($change->type, $change->id);
            } else {
                $now = $map->row($change->type, $change->id)?->fields() ?? [];
                $recorder->put(RowTypes::make($change->type, $change->id, $change->on($now)));
            }
        }
        foreach ($this->all as $change) {
            $this->checkTree($map, $change);
        }
    }

    /**
     * Puts the changes on a map as far as they fit, for looking at how it once was: rows that have been cleared away
     * since stay away.
     */
    public function lookOn(TopicMap $map): void
    {
        foreach ($this->all as $change) {
            $row = $map->row($change->type, $change->id);
            if ($change->after === null) {
                $map->drop($change->type, $change->id);
            } elseif ($row !== null || $change->before === null) {
                $map->put(RowTypes::make($change->type, $change->id, $change->on($row?->fields() ?? [])));
            }
        }
    }

    private function checkUntouched(TopicMap $map, Change $change): void
    {
        $row = $map->row($change->type, $change->id);
        if (! ($change->before === null ? $row === null : $row !== null && $change->fits($row->fields()))) {
            throw new ChangedSince('Something this would change has been changed since by someone else, so it was left as it is.');
        }
    }

    private function checkTree(TopicMap $map, Change $change): void
    {
        if ($change->type !== Topic::type()) {
            return;
        }
        $topic = $map->find($change->id);
        if ($topic === null && $map->children($change->id) !== []) {
            throw new ChangedSince('Someone has added topics below one that this would take away, so it was left as it is.');
        }
        if ($topic !== null && TreeCheck::problemAt($map, $topic) !== null) {
            throw new ChangedSince('The place this would put a topic back to is gone, so everything was left as it is.');
        }
    }
}
