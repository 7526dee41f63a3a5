<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\Asks;
use ChalkTree\Ask\Days;
use ChalkTree\Ask\HasColumns;
use ChalkTree\Ask\Measures;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\NamesPeople;
use ChalkTree\Ask\People;
use ChalkTree\Ask\TellsDays;
use ChalkTree\Ask\TopicDay;
use ChalkTree\Document\Block;
use ChalkTree\Document\Style;
use ChalkTree\Edit\Changes;
use ChalkTree\Exchange\WritesLines;
use ChalkTree\Face\BoxSource;
use ChalkTree\Face\PutsComputedInBoxes;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\DocumentPlace;
use ChalkTree\HandOver\FactBlocks;
use ChalkTree\HandOver\PutsInDocuments;
use ChalkTree\Look\SaysLooks;
use ChalkTree\Look\SpreadsLooks;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\WithoutMarks;

/** Kinds of topics, their fields, and entries made from them. */
final class KindFeature implements Asks, HasColumns, Measures, NamesPeople, PutsComputedInBoxes, PutsInDocuments, SaysLooks, SpreadsLooks, TellsDays, WritesLines
{
    use WithoutMarks;

    private const SIGN = '◈ ';

    public function rows(): array
    {
        return [Kind::class, KindField::class, TopicKind::class, Values::class];
    }

    public function edits(): array
    {
        return [PutEntry::class, SetKind::class, SetValue::class, RenameChoice::class, TakeKind::class, CarryKind::class];
    }

    public function columns(Moment $now): iterable
    {
        return KindColumns::of($now);
    }

    public function schema(): array
    {
        $text = ['type' => 'string'];
        $texts = ['type' => 'array', 'items' => $text];

        return [
            'PutEntry' => ['name' => PutEntry::name(), 'properties' => ['kind' => $text, 'parent' => $text, 'as' => $texts, 'today' => $text, 'time' => $text, 'title' => $text], 'required' => ['kind', 'parent', 'today']],
            'GiveKind' => ['name' => SetKind::name(), 'properties' => ['topics' => $texts, 'kind' => ['type' => ['string', 'null']], 'today' => $text], 'required' => ['topics', 'kind', 'today']],
            'SetValue' => ['name' => SetValue::name(), 'properties' => ['topics' => $texts, 'field' => $text, 'value' => $text, 'today' => $text], 'required' => ['topics', 'field', 'value', 'today']],
            'RenameChoice' => ['name' => RenameChoice::name(), 'properties' => ['field' => $text, 'from' => $text, 'to' => $text], 'required' => ['field', 'from', 'to']],
            'TakeKind' => ['name' => TakeKind::name(), 'properties' => ['rows' => ['type' => 'array', 'items' => ['type' => 'object', 'properties' => ['type' => ['enum' => ['kind', 'field', 'mixed-chalk']], 'id' => $text, 'fields' => ['type' => 'object']], 'required' => ['type', 'id', 'fields'], 'additionalProperties' => false]]], 'required' => ['rows']],
            'CarryKind' => ['name' => CarryKind::name(), 'properties' => ['kind' => $text, 'today' => $text], 'required' => ['kind', 'today']],
        ];
    }

    public function looks(Moment $now): iterable
    {
        $looks = new KindLooks($now);

        return $looks->isEmpty() ? [] : [$looks];
    }

    public function boxes(Moment $now): ?BoxSource
    {
        return $now->map->rowsOf(Kind::class) === [] && $now->map->rowsOf(KindField::class) === [] ? null : new KindBoxes($now);
    }

    /** Topics that show the title of one that has changed. */
    public function spread(TopicMap $map, Changes $changes): array
    {
        $isShown = array_filter($map->rowsOf(KindField::class), fn (KindField $field): bool => $field->sort() === FieldSort::Topic && $field->flag('shown')) !== [];
        $spread = [];
        foreach ($isShown ? $changes->all : [] as $change) {
            if ($change->type === Topic::type()) {
                array_push($spread, ...$map->rowsNaming(Values::class, Values::TOPIC.$change->id));
            }
        }

        return array_values(array_filter($spread, $map->has(...)));
    }

    public function questions(): array
    {
        return [AskKind::class, AskField::class];
    }

    public function had(): array
    {
        return ['filled-in field' => Values::class];
    }

    /** Every field of numbers, in the order of their ids. */
    public function measures(TopicMap $map): iterable
    {
        $fields = $map->rowsOf(KindField::class);
        ksort($fields);
        foreach ($fields as $field) {
            if ($field->sort()->isNumber()) {
                yield new FieldMeasure($map, $field->id);
            }
        }
    }

    public function people(Moment $now, string $topic): array
    {
        $people = [];
        foreach (Kinds::values($now->map, $topic) as $id => $value) {
            $field = $now->map->row(KindField::type(), $id);
            if ($field instanceof KindField && $field->sort() === FieldSort::People) {
                array_push($people, ...People::all($value));
            }
        }

        return $people;
    }

    public function named(TopicMap $map): iterable
    {
        foreach ($map->rowsOf(Kind::class) as $kind) {
            yield from People::all($kind->text('people'));
        }
        $fields = array_filter($map->rowsOf(KindField::class), fn (KindField $field): bool => $field->sort() === FieldSort::People);
        foreach (array_keys($fields) as $field) {
            // Most topics have none of them, and are passed over as they are written.
            foreach ($map->rowsNaming(Values::class, (string) $field) as $id) {
                $row = $map->row(Values::type(), $id);
                yield from $row instanceof Values ? People::all($row->all()[$field] ?? '') : [];
            }
        }
    }

    public function days(Moment $now, string $topic): iterable
    {
        $values = Kinds::values($now->map, $topic);
        foreach ($values === [] ? [] : Kinds::fieldsOf($now->map, $topic) as $field) {
            $days = $field->sort()->isDay() ? array_values(array_filter(explode('/', $values[$field->id] ?? ''), Days::isOne(...))) : [];
            if (isset($days[0])) {
                yield new TopicDay($field->id, $days[0], $days[1] ?? $days[0]);
            }
        }
    }

    public function signs(): array
    {
        return [self::SIGN];
    }

    /** "◈ Meeting · Date: 2026-12-05", below the topic. */
    public function lines(TopicMap $map): array
    {
        return array_map(fn (string $line): array => [self::SIGN.$line], self::told($map));
    }

    public function readLine(TopicMap $map, string $topic, string $line, array $titles): array
    {
        return FactLine::read($topic, substr($line, strlen(self::SIGN)));
    }

    /** @return array<string, string> a line for each topic that has something, by topic */
    private static function told(TopicMap $map): array
    {
        $told = [];
        foreach (array_keys($map->rowsOf(TopicKind::class) + $map->rowsOf(Values::class)) as $topic) {
            $line = $map->has((string) $topic) ? FactLine::write($map, (string) $topic) : '';
            if ($line !== '') {
                $told[(string) $topic] = $line;
            }
        }

        return $told;
    }

    public function inDocument(TopicMap $map, DocumentPlace $place): array
    {
        return array_map(fn (string $line): array => [[FactBlocks::of($line, Style::Facts)], []], self::told($map));
    }

    public function atEnd(TopicMap $map, Choices $choices): array
    {
        return [];
    }

    public function fromDocument(Block $block, string $topic, array $titles): array
    {
        $line = FactBlocks::read($block, Style::Facts);

        return $line === null ? [] : FactLine::read($topic, $line);
    }
}
