<?php

declare(strict_types=1);

namespace ChalkTree\Table;

use ChalkTree\Ask\CellTyping;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\TopicMap;

/** What was typed into the cells of one topic, put there at once: what only fits together, two days of a to-do say, is not looked at one by one. */
final class TypedCells
{
    /** What edits of a topic have in common. */
    private const SHARED = ['name' => 1, 'topics' => 1, 'topic' => 1, 'today' => 1];

    /**
     * @param  list<array{CellTyping, string}>  $cells  each with what was typed
     *
     * @throws InvalidEdit
     */
    public static function put(TopicMap $map, Recorder $recorder, string $topic, array $cells, string $today): void
    {
        /** @var list<array<string, mixed>> $edits */
        $edits = [];
        foreach ($cells as [$typing, $text]) {
            foreach ($typing->edits($topic, $text, $today) as $edit) {
                $with = self::fitting($edits, $edit);
                $edits = $with === null ? [...$edits, $edit] : array_values(array_replace($edits, [$with => $edits[$with] + $edit]));
            }
        }
        foreach ($edits as $edit) {
            Edits::read((string) ($edit['name'] ?? ''), array_diff_key($edit, ['name' => 1]))->apply($map, $recorder);
        }
    }

    /**
     * The edit of the same name that says nothing yet of what another says.
     *
     * @param  list<array<string, mixed>>  $edits
     * @param  array<string, mixed>  $edit
     */
    private static function fitting(array $edits, array $edit): ?int
    {
        foreach ($edits as $i => $one) {
            if (array_intersect_key($one, self::SHARED) == array_intersect_key($edit, self::SHARED) && array_diff_key(array_intersect_key($one, $edit), self::SHARED) === []) {
                return $i;
            }
        }

        return null;
    }
}
