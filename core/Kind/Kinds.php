<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\People;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;

/** What is known of the kinds of a map and of their fields. */
final class Kinds
{
    /** The id of the kind that a topic has; null where it has none, or one that is gone. */
    public static function idOf(TopicMap $map, string $topic): ?string
    {
        return self::kindOf($map, $topic)?->id;
    }

    public static function kindOf(TopicMap $map, string $topic): ?Kind
    {
        $row = $map->row(TopicKind::type(), $topic);
        $kind = $row instanceof TopicKind && $row->text('kind') !== '' ? $map->row(Kind::type(), $row->text('kind')) : null;

        return $kind instanceof Kind ? $kind : null;
    }

    public static function kind(TopicMap $map, string $id, string $field = 'kind'): Kind
    {
        $kind = $map->row(Kind::type(), $id);

        return $kind instanceof Kind ? $kind : throw new InvalidEdit('This kind is not in the map any more.', $field);
    }

    public static function field(TopicMap $map, string $id): KindField
    {
        $field = $map->row(KindField::type(), $id);

        return $field instanceof KindField ? $field : throw new InvalidEdit('This field is not in the map any more.', 'field');
    }

    /** @return array<string, string> the values of a topic by the ids of fields */
    public static function values(TopicMap $map, string $topic): array
    {
        $row = $map->row(Values::type(), $topic);

        return $row instanceof Values ? $row->all() : [];
    }

    /** @return list<string> the titles of the topics of a kind */
    public static function titlesOf(TopicMap $map, ?string $kind): array
    {
        $titles = array_map(fn (string $topic): string => InlineMarkdown::oneLine($map->topic($topic)->title), $kind === null ? [] : self::ofKind($map, $kind));

        return array_values(array_filter($titles, fn (string $title): bool => $title !== ''));
    }

    /** @return list<string> the topics of a kind that are in the tree or loose, as they were made of it */
    public static function ofKind(TopicMap $map, string $kind): array
    {
        return array_values(array_filter($map->rowsNaming(TopicKind::class, $kind), $map->has(...)));
    }

    /** @return list<string> what is in a field of names somewhere in the map, each once */
    public static function namesIn(TopicMap $map, string $field): array
    {
        $names = [];
        // Most topics have none of them, and are passed over as they are written.
        foreach ($map->rowsNaming(Values::class, $field) as $topic) {
            $names += array_fill_keys(People::all(self::values($map, $topic)[$field] ?? ''), true);
        }

        return array_map(strval(...), array_keys($names));
    }

    /**
     * The fields of a topic: those of its kind in their order, then those beyond it of which it has a value.
     *
     * @return list<KindField>
     */
    public static function fieldsOf(TopicMap $map, string $topic): array
    {
        $ids = array_unique([...self::kindOf($map, $topic)?->fieldIds() ?? [], ...array_keys(self::values($map, $topic))]);
        $fields = array_map(fn (string $id) => $map->row(KindField::type(), $id), $ids);

        return array_values(array_filter($fields, fn ($field): bool => $field instanceof KindField));
    }
}
