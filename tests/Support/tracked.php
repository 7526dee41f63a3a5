<?php

declare(strict_types=1);

use ChalkTree\Ask\Moment;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Face\FaceParts;
use ChalkTree\Kind\KindField;
use ChalkTree\Kind\KindLibrary;
use ChalkTree\Kind\Kinds;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Task\Remark;
use ChalkTree\Task\Task;

/** What tests of kinds, to-dos and rules have in common. */
const A_DAY = '2026-11-27';

/** A map of the committee with the kinds that ship, or some of them. */
function committee(string ...$kinds): TopicMap
{
    $map = NewMap::from(new TopicDraft('Committee', children: [new TopicDraft('Autumn'), new TopicDraft('Winter')]));
    $bundles = KindLibrary::bundles(ShippedKinds::rows());
    foreach ($kinds as $kind) {
        $rows = array_map(fn (FeatureRow $row): array => ['type' => $row::type(), 'id' => $row->id, 'fields' => $row->saying()], $bundles[ShippedKinds::kindId($kind)]);
        done($map, 'kind.take', ['rows' => $rows]);
    }

    return $map;
}

function done(TopicMap $map, string $name, array $arguments): Changes
{
    return Edits::apply(Edits::read($name, $arguments), $map, 5, 'Ines Aske');
}

function titled(TopicMap $map, string $title): string
{
    foreach ($map->everything() as $topic) {
        if ($topic->title === $title) {
            return $topic->id;
        }
    }

    throw new RuntimeException("Nothing is called {$title}.");
}

/** What is written in the boxes of a topic besides its title. */
function inBox(TopicMap $map, string $topic, string $today = A_DAY): array
{
    $parts = new FaceParts;
    $parts->read($map, true, new Moment($map, $today));

    return array_map(fn ($part): string => str_replace("\u{A0}", ' ', $part->key()), $parts->of($map->topic($topic)));
}

function setTask(TopicMap $map, string|array $titles, array $fields): void
{
    done($map, 'task.set', ['topics' => array_map(fn (string $title): string => titled($map, $title), (array) $titles), 'today' => A_DAY] + $fields);
}

/** What is known of each topic, by title, in words and numbers that do not hang on ids. */
function factsOf(TopicMap $map): array
{
    $facts = [];
    foreach ($map->all() as $id => $topic) {
        $task = $map->row(Task::type(), (string) $id);
        $remarks = array_map(fn (Remark $remark): array => array_diff_key($remark->saying(), ['at' => 1]), array_values(array_filter($map->rowsOf(Remark::class), fn (Remark $remark): bool => $remark->at() === (string) $id)));
        $values = [];
        foreach (Kinds::values($map, (string) $id) as $field => $value) {
            $values[$map->row(KindField::type(), $field)->text('name')] = $value;
        }
        ksort($values);
        $its = array_filter(['kind' => Kinds::kindOf($map, (string) $id)?->text('name'), 'values' => $values, 'task' => $task instanceof Task ? array_filter($task->saying()) : null, 'remarks' => $remarks]);
        if ($its !== []) {
            $facts[$topic->title] = $its;
        }
    }

    return $facts;
}

/** The committee with a meeting, a to-do and what was said of it. */
function withFacts(): TopicMap
{
    $map = committee('meeting', 'reading');
    $place = fn (string $word, string $value, string $title) => done($map, 'value.set', ['topics' => [titled($map, $title)], 'field' => ShippedKinds::fieldId($word), 'value' => $value, 'today' => A_DAY]);
    done($map, 'kind.give', ['topics' => [titled($map, 'Autumn')], 'kind' => ShippedKinds::kindId('meeting'), 'today' => A_DAY]);
    $place('place', 'Net loft: upstairs', 'Autumn');
    $place('present', 'Wren, Tove', 'Autumn');
    $place('rating', '4', 'Winter');
    setTask($map, 'Winter', ['who' => 'Ines, Theo', 'by' => '2026-12-05', 'begins' => '2026-12-01', 'effort' => 3, 'repeats' => 'weekly', 'remind' => 2]);
    done($map, 'task.report', ['topics' => [titled($map, 'Winter')], 'progress' => 40, 'on' => '2026-11-08', 'said' => 'Half of it: two · three']);
    done($map, 'task.report', ['topics' => [titled($map, 'Winter')], 'progress' => null, 'on' => '2026-11-09', 'said' => 'A secret', 'private' => true]);

    return $map;
}
