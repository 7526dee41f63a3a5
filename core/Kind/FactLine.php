<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\Sameness;

/**
 * Kind and fields of a topic as one line of words, and back: "Meeting · Date: 2026-12-05 · Present: Ines, Theo". Days are
 * written as YYYY-MM-DD. What is computed is left out. Of a kind and of fields that do not ship, what comes back are ones of that name, for text.
 */
final class FactLine
{
    private const BETWEEN = ' · ';

    /** Between the name of a field and what stands in it. */
    private const OF = ': ';

    /** Empty where there is nothing to say. */
    public static function write(TopicMap $map, string $topic): string
    {
        $its = Kinds::kindOf($map, $topic);
        // That it is a to-do and no more is said in other lines.
        $kind = $its === null || $its->id === ShippedKinds::kindId('todo') ? '' : $its->text('name');
        $parts = $kind === '' ? [] : [self::bare($kind)];
        $values = Kinds::values($map, $topic);
        foreach (Kinds::fieldsOf($map, $topic) as $field) {
            $value = $values[$field->id] ?? '';
            $said = $value === '' || $field->sort() === FieldSort::Computed ? '' : trim(str_replace(self::BETWEEN, ', ', self::written($field, $value, $map)));
            // A topic without a title says nothing here.
            if ($said !== '') {
                $parts[] = self::bare($field->text('name')).self::OF.$said;
            }
        }

        return implode(self::BETWEEN, $parts);
    }

    private static function written(KindField $field, string $value, TopicMap $map): string
    {
        $text = match ($field->sort()) {
            // As they are typed: what people read says no year, or cannot be read again.
            FieldSort::Date, FieldSort::Rating => $value,
            FieldSort::Range => str_replace('/', ' to ', $value),
            default => ValueForm::shown($field, $value, '', $map),
        };

        return (string) preg_replace('/\s+/u', ' ', $text);
    }

    private static function bare(string $name): string
    {
        return trim(str_replace([self::OF, self::BETWEEN], [' ', ' '], $name));
    }

    /** @return list<FeatureRow> the kind, the fields and what the topic has; nothing where the line is no such one */
    public static function read(string $topic, string $line): array
    {
        $parts = explode(self::BETWEEN, $line);
        if (count($parts) > Values::MOST) {
            return [];
        }
        $rows = $values = [];
        $nowhere = null;
        foreach ($parts as $n => $part) {
            [$name, $value] = [...explode(self::OF, $part, 2), null];
            if (! is_string($name) || preg_match('/^\P{C}{1,60}$/uD', $name) !== 1 || trim($name) !== $name || ($value === null && $n > 0)) {
                return [];
            }
            if ($value === null) {
                array_push($rows, ...self::kind($topic, $name));

                continue;
            }
            $field = self::shippedField($name) ?? KindField::fromFields(Ids::named('field called '.Sameness::key($name)), ['name' => $name, 'sort' => 'text', 'shown' => true]);
            if ($field->sort() === FieldSort::Topic) {
                // Which one it is cannot be told by its title.
                continue;
            }
            try {
                $values[$field->id] = ValueForm::read($field, $value, gmdate('Y-m-d'), $nowhere ??= NewMap::from(new TopicDraft('')));
            } catch (InvalidEdit) {
                return [];
            }
            $rows[] = $field;
        }
        $row = Values::fromFields($topic, [])->having($values);

        return $row->isTooMuch() ? [] : [...$rows, ...($values === [] ? [] : [$row])];
    }

    /** @return list<FeatureRow> */
    private static function kind(string $topic, string $name): array
    {
        $key = Sameness::key($name);
        $shipped = self::shipped()["kind {$key}"] ?? null;
        if ($shipped !== null) {
            return [...KindLibrary::bundles(self::shipped())[$shipped->id], TopicKind::fromFields($topic, ['kind' => $shipped->id])];
        }
        $kind = Kind::fromFields(Ids::named("kind called {$key}"), ['name' => $name]);

        return [$kind, TopicKind::fromFields($topic, ['kind' => $kind->id])];
    }

    private static function shippedField(string $name): ?KindField
    {
        $field = self::shipped()['field '.Sameness::key($name)] ?? null;

        return $field instanceof KindField ? $field : null;
    }

    /** @return array<string, FeatureRow> by their sorts and names */
    private static function shipped(): array
    {
        /** @var array<string, FeatureRow>|null $shipped a file may ask for them ten thousand times */
        static $shipped = null;
        if ($shipped === null) {
            $shipped = [];
            foreach (ShippedKinds::rows() as $row) {
                $shipped[$row::type().' '.Sameness::key($row->text('name'))] = $row;
            }
        }

        return $shipped;
    }
}
