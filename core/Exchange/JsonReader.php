<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Arrange\Arrangements;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\Rank;
use ChalkTree\Map\RowTypes;
use ChalkTree\Map\Sheet;
use ChalkTree\Map\Side;
use ChalkTree\Map\SideBalance;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Map\TreeCheck;
use ChalkTree\Map\UnknownRowType;
use JsonException;

/** Reads our own JSON; see docs/format.md. */
final class JsonReader implements Reader
{
    public function read(string $contents, string $title): TopicMap
    {
        if (! JsonBounds::allow($contents)) {
            throw new UnreadableFile('This file has more in it than a map can take in.');
        }
        try {
            $data = json_decode($contents, true, 32, JSON_THROW_ON_ERROR);
        } catch (JsonException) {
            throw new UnreadableFile('This file is not complete JSON; it may have been cut off.');
        }
        if (! is_array($data) || ($data['format'] ?? null) !== JsonWriter::FORMAT) {
            throw new UnreadableFile('This JSON is not a Chalk Tree map: it does not say "format": "chalk-tree-map".', 'format');
        }
        if (($data['version'] ?? null) === EarlierJson::VERSION) {
            $data = EarlierJson::raised($data);
        }
        if (($data['version'] ?? null) !== JsonWriter::VERSION) {
            throw new UnreadableFile('This map was written by another version, whose format this one does not know.', 'version');
        }
        try {
            return $this->map(new Arguments($data));
        } catch (InvalidEdit|UnknownRowType $refused) {
            throw new UnreadableFile('In this file, '.($refused->field ?? 'something').' is not right: '.$refused->getMessage(), $refused->field);
        }
    }

    private function map(Arguments $file): TopicMap
    {
        $file->string('format');
        $file->int('version', JsonWriter::VERSION, JsonWriter::VERSION);
        $arrangement = $file->string('arrangement');
        if (! in_array($arrangement, Arrangements::names(), true)) {
            throw $file->wrong('arrangement', "There is no arrangement called “{$arrangement}”.");
        }
        $topics = $file->nestedList('topics');
        if (count($topics) > Bounds::MOST_TOPICS) {
            throw $file->wrong('topics', 'A map can take in at most 20,000 topics.');
        }
        $map = new TopicMap([new Sheet($file->isNull('title') ? null : $file->caption('title'), $file->id('root'), $arrangement)]);
        $rows = $file->has('rows') ? $file->nestedList('rows') : [];
        // What is in pictures and files is not the map's to know.
        $file->has('pictures') && $file->nestedList('pictures');
        $file->has('files') && $file->nestedList('files');
        // Nor of which map it is a copy.
        $file->has('from') && $file->nested('from');
        $file->refuseRest();
        $ranks = [];
        foreach ($topics as $topic) {
            $this->put($map, $topic, $ranks);
        }
        $problem = $map->has($map->sheet()->root) ? TreeCheck::problems($map)[0] ?? null : 'The root is not among the topics.';
        if ($problem === null && $map->height($map->sheet()->root, Bounds::DEEPEST + 1) > Bounds::DEEPEST) {
            $problem = 'They are nested more than 1,000 levels deep.';
        }
        if ($problem !== null) {
            throw new UnreadableFile('The topics in this file do not make a tree: '.$problem, 'topics');
        }
        foreach ($rows as $row) {
            $this->putRow($map, $row);
        }
        // Files written by hand need not say on which side branches are.
        SideBalance::settle($map);

        return $map;
    }

    /** @param  array<string, string>  $ranks the rank last given out, by parent */
    private function put(TopicMap $map, Arguments $from, array &$ranks): void
    {
        $id = $from->id('id');
        if ($map->row(Topic::type(), $id) !== null) {
            throw $from->wrong('id', "Two topics have the id {$id}.");
        }
        $parent = $from->has('parent') ? $from->idOrNull('parent') : null;
        $ranks[$parent ?? ''] = Rank::between($ranks[$parent ?? ''] ?? null, null);
        $topic = new Topic(
            $id,
            $parent,
            $ranks[$parent ?? ''],
            $from->has('title') ? $from->title() : '',
            $from->has('caption') ? $from->caption() : '',
            $from->has('note') ? $from->note() : '',
            $from->has('side') ? $from->choiceOrNull('side', Side::class) : null,
            $from->has('sideHeld') && $from->bool('sideHeld'),
            null,
            $from->has('x') ? $from->int('x', -Bounds::FARTHEST, Bounds::FARTHEST) : null,
            $from->has('y') ? $from->int('y', -Bounds::FARTHEST, Bounds::FARTHEST) : null,
            $from->has('column') ? $from->id('column') : null,
            $from->has('parked') ? $from->id('parked') : null,
            $from->has('changed') ? $from->int('changed', 0, PHP_INT_MAX) : 0,
        );
        if ($topic->parked !== null && $topic->parent !== null) {
            throw $from->wrong('parked', 'A topic in the parking lot hangs below no other.');
        }
        $map->put($topic);
        $from->refuseRest();
    }

    private function putRow(TopicMap $map, Arguments $from): void
    {
        $class = RowTypes::ofFeature($from->string('type'));
        $row = $class::fromFields($from->id('id'), $class::read($from->nested('fields')));
        $from->refuseRest();
        if ($row->isEmpty()) {
            return;
        }
        if (! $map->isLiving($row)) {
            throw $from->wrong('fields', 'It is about a topic that is not in this file.');
        }
        if (! $row::isOfTopic() && count($map->rowsOf($class)) >= $class::most()) {
            throw $from->wrong('type', 'A map holds at most '.number_format($class::most())." of this sort: {$row::words()}.");
        }
        if ($map->row($row::type(), $row->id) !== null) {
            throw $from->wrong('id', "Two rows of this sort have the id {$row->id}.");
        }
        $map->put($row);
    }
}
