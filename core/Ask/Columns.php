<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Edit\RetitleTopic;
use ChalkTree\Edit\SetCaption;
use ChalkTree\Edit\SetNote;
use ChalkTree\Features;
use ChalkTree\Text\InlineMarkdown;

/** What can be told of the topics of a map beside each other. */
final class Columns
{
    /** Keys of those that are told of what stands above a topic; heads made of them stand as that does in the map. */
    public const OF_ABOVE = ['above', 'branch'];

    /** Letters of what is told of a topic that stands above. */
    private const WIDEST = 80;

    /** Letters that are told of a note. */
    private const LONGEST_NOTE = 200;

    /** @return array<string, Column> by key: those that every map has, then those of its fields */
    public static function of(Moment $now): array
    {
        return $now->once('columns', function () use ($now): array {
            $columns = $fields = [];
            foreach (Features::all() as $feature) {
                foreach ($feature instanceof HasColumns ? $feature->columns($now) : [] as $column) {
                    str_contains($column->key, ':') ? $fields[$column->key] = $column : $columns[$column->key] = $column;
                }
            }
            foreach (self::own($now) as $column) {
                $columns[$column->key] = $column;
            }

            return $columns + $fields;
        });
    }

    /** @return iterable<Column> */
    private static function own(Moment $now): iterable
    {
        $titled = fn (?string $id): array => $id === null ? [] : [InlineMarkdown::oneLine($now->map->topic($id)->title, self::WIDEST)];
        yield new Column(
            'title', 'Title', $titled, typing: new CellTyping('line', fn (string $id): string => $now->map->topic($id)->title, fn (string $id, string $typed): array => [['name' => RetitleTopic::name(), 'topic' => $id, 'title' => trim($typed)]]), isOfLists: false,
        );
        yield new Column(
            'caption', 'Caption', fn (string $id): array => array_filter([$now->map->topic($id)->caption]),
            typing: new CellTyping('line', fn (string $id): string => $now->map->topic($id)->caption, fn (string $id, string $typed): array => [['name' => SetCaption::name(), 'topics' => [$id], 'caption' => trim($typed)]]),
        );
        yield new Column(
            'note', 'Note', fn (string $id): array => array_filter([mb_strimwidth(trim($now->map->topic($id)->note), 0, self::LONGEST_NOTE, '…')]),
            typing: new CellTyping('text', fn (string $id): string => $now->map->topic($id)->note, fn (string $id, string $typed): array => [['name' => SetNote::name(), 'topics' => [$id], 'note' => $typed]]), isOfLists: false,
        );
        yield new Column('above', 'Topic above', fn (string $id): array => $titled($now->map->topic($id)->parent));
        yield new Column('branch', 'Main branch', fn (string $id): array => $titled(self::branchOf($now, $id)));
    }

    /** The topic right below the root in whose branch one stands; null for those that stand in none. */
    private static function branchOf(Moment $now, string $id): ?string
    {
        $above = array_map(fn ($topic): string => $topic->id, $now->map->ancestors($id));
        $way = [$id, ...$above];

        return count($way) > 1 ? $way[count($way) - 2] : null;
    }
}
