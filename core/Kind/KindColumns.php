<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\CellTyping;
use ChalkTree\Ask\Column;
use ChalkTree\Ask\Moment;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Sameness;

/** Kinds of topics and what they have in fields, beside each other. */
final class KindColumns
{
    private const FORMS = [
        'long' => 'text', 'number' => 'number', 'money' => 'number', 'rating' => 'number', 'progress' => 'number', 'date' => 'day', 'range' => 'days',
        'time' => 'time', 'yes' => 'choice', 'choice' => 'choice', 'choices' => 'choices', 'people' => 'people', 'names' => 'choices',
    ];

    /** @return iterable<Column> */
    public static function of(Moment $now): iterable
    {
        $kinds = $now->map->rowsOf(Kind::class);
        if ($kinds !== []) {
            $kind = fn (string $id): string => Kinds::kindOf($now->map, $id)?->text('name') ?? '';
            yield new Column('kind', 'Kind', fn (string $id): array => array_filter([$kind($id)]), typing: new CellTyping(
                'choice', $kind,
                fn (string $id, string $typed, string $today): array => [['name' => SetKind::name(), 'topics' => [$id], 'kind' => self::named($now->map, trim($typed)), 'today' => $today]],
                array_values(array_map(fn (Kind $one): string => $one->text('name'), $kinds)),
            ));
        }
        foreach ($now->map->rowsOf(KindField::class) as $field) {
            yield self::ofField($now, $field);
        }
    }

    private static function ofField(Moment $now, KindField $field): Column
    {
        $sort = $field->sort();
        $value = fn (string $id): string => Kinds::values($now->map, $id)[$field->id] ?? '';
        $rank = match (true) {
            $sort === FieldSort::Computed => fn (string $id): ?float => self::computed($now, $id, $field),
            $sort->isNumber() => fn (string $id): ?float => $value($id) === '' ? null : (float) $value($id),
            $sort->isDay() || $sort === FieldSort::Time => fn (string $id): ?string => $value($id) === '' ? null : $value($id),
            default => null,
        };

        return new Column(
            "field:{$field->id}", $field->text('name'),
            function (string $id) use ($now, $field, $sort): array {
                $told = Fields::told($now, $id, $field);

                return $told === null || $told[1] ? [] : ($sort->isSeveral() ? explode(', ', $told[0]) : [$told[0]]);
            },
            $rank,
            typing: $sort === FieldSort::Computed ? null : new CellTyping(
                self::FORMS[$sort->value] ?? 'line',
                fn (string $id): string => self::typed($now, $sort, $value($id)),
                fn (string $id, string $typed, string $today): array => [['name' => SetValue::name(), 'topics' => [$id], 'field' => $field->id, 'value' => $sort === FieldSort::Topic ? self::topic($now->map, trim($typed)) : $typed, 'today' => $today]],
                match ($sort) {
                    FieldSort::Yes => ['yes', 'no'],
                    FieldSort::Names => array_values(array_unique([...Kinds::titlesOf($now->map, ShippedKinds::kindNamedIn($field->id)), ...Kinds::namesIn($now->map, $field->id)])),
                    default => $field->choices(),
                },
            ),
            numbers: $sort->isNumber() || $sort === FieldSort::Computed ? fn (float $number): string => $sort === FieldSort::Rating ? number_format($number, 1) : ValueForm::withUnit($field, $number) : null,
            below: $field->text('rolls') === '' ? null : fn (string $id): ?string => Fields::rolledUp($now, $id, $field),
        );
    }

    /** What one types for a value. */
    private static function typed(Moment $now, FieldSort $sort, string $value): string
    {
        return match (true) {
            $sort->isSeveral() => str_replace("\n", ', ', $value),
            $sort === FieldSort::Range => str_replace('/', ' to ', $value),
            $sort === FieldSort::Topic && $value !== '' => InlineMarkdown::oneLine($now->map->find(substr($value, strlen(Values::TOPIC)))->title ?? ''),
            default => $value,
        };
    }

    private static function computed(Moment $now, string $topic, KindField $field): ?float
    {
        try {
            return FormulaValue::of($now, $topic, $field);
        } catch (FormulaProblem) {
            return null;
        }
    }

    /** @throws InvalidEdit */
    private static function named(TopicMap $map, string $name): ?string
    {
        if ($name === '') {
            return null;
        }
        $kinds = $map->rowsOf(Kind::class);
        foreach ($kinds as $kind) {
            if (Sameness::key($kind->text('name')) === Sameness::key($name)) {
                return $kind->id;
            }
        }

        throw new InvalidEdit("There is no kind called “{$name}” in this map. Kinds here are: ".implode(', ', array_map(fn (Kind $kind): string => $kind->text('name'), $kinds)).'.', 'text');
    }

    /**
     * The first topic of a title.
     *
     * @throws InvalidEdit
     */
    private static function topic(TopicMap $map, string $title): string
    {
        foreach ($title === '' ? [] : $map->all() as $id => $topic) {
            if (Sameness::key($topic->title) === Sameness::key($title)) {
                return (string) $id;
            }
        }

        return $title === '' ? '' : throw new InvalidEdit("No topic of this map is called “{$title}”.", 'text');
    }
}
