<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Arrange\Scene;
use ChalkTree\Ask\Asks;
use ChalkTree\Ask\Measures;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\NamesPeople;
use ChalkTree\Ask\People;
use ChalkTree\Edit\Changes;
use ChalkTree\Face\BoxSource;
use ChalkTree\Face\PutsComputedInBoxes;
use ChalkTree\Look\SaysLooks;
use ChalkTree\Look\SpreadsLooks;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** Kinds of topics, their fields, and entries made from them. */
final class KindFeature implements Asks, Measures, NamesPeople, PutsComputedInBoxes, SaysLooks, SpreadsLooks
{
    public function rows(): array
    {
        return [Kind::class, KindField::class, TopicKind::class, Values::class];
    }

    public function edits(): array
    {
        return [PutEntry::class, SetKind::class, SetValue::class, TakeKind::class, CarryKind::class];
    }

    public function schema(): array
    {
        $text = ['type' => 'string'];
        $texts = ['type' => 'array', 'items' => $text];

        return [
            'PutEntry' => ['name' => PutEntry::name(), 'properties' => ['kind' => $text, 'parent' => $text, 'as' => $texts, 'today' => $text, 'time' => $text, 'title' => $text], 'required' => ['kind', 'parent', 'today']],
            'GiveKind' => ['name' => SetKind::name(), 'properties' => ['topics' => $texts, 'kind' => ['type' => ['string', 'null']], 'today' => $text], 'required' => ['topics', 'kind', 'today']],
            'SetValue' => ['name' => SetValue::name(), 'properties' => ['topics' => $texts, 'field' => $text, 'value' => $text, 'today' => $text], 'required' => ['topics', 'field', 'value', 'today']],
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

    public function drawn(): array
    {
        return [];
    }

    public function marks(TopicMap $map, Scene $scene): iterable
    {
        return [];
    }
}
