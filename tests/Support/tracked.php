<?php

declare(strict_types=1);

use ChalkTree\Ask\Moment;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Face\FaceParts;
use ChalkTree\Kind\KindLibrary;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;

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

    return array_map(fn ($part): string => $part->key(), $parts->of($map->topic($topic)));
}

function setTask(TopicMap $map, string|array $titles, array $fields): void
{
    done($map, 'task.set', ['topics' => array_map(fn (string $title): string => titled($map, $title), (array) $titles), 'today' => A_DAY] + $fields);
}
