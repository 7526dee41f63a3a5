<?php

declare(strict_types=1);

namespace Bench;

use ChalkTree\Edit\TopicDraft;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Kind\TopicKind;
use ChalkTree\Kind\Values;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Rule\LookRule;
use ChalkTree\Task\Task;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** The same random map every time: five or so levels, titles of one to seven words. */
final class Tree
{
    private const WORDS = ['lantern', 'harbour', 'procession', 'boat', 'volunteer', 'meeting', 'quay', 'sand', 'light', 'rope', 'tide', 'list', 'budget', 'permit', 'ferry', 'stall', 'music', 'child', 'evening', 'market'];

    public static function of(int $topics, int $seed = 42): TopicMap
    {
        $random = new Randomizer(new Mt19937($seed));
        $root = new TopicDraft('Bench');
        $all = [$root];
        for ($i = 1; $i < $topics; $i++) {
            $words = array_map(fn (): string => self::WORDS[$random->getInt(0, count(self::WORDS) - 1)], range(1, $random->getInt(1, 7)));
            $draft = new TopicDraft(ucfirst(implode(' ', $words)));
            $all[$random->getInt(max(0, intdiv($i, 6) - 4), intdiv($i, 4))]->children[] = $draft;
            $all[] = $draft;
        }

        return NewMap::from($root);
    }

    /** The same with costs, kinds, to-dos and rules: every topic has a cost, every second is a to-do. */
    public static function tracked(TopicMap $map): TopicMap
    {
        $with = clone $map;
        foreach (ShippedKinds::rows() as $row) {
            $with->put($row);
        }
        foreach (array_map(strval(...), array_keys($map->all())) as $n => $id) {
            $with->put(Values::fromFields($id, [])->having([ShippedKinds::fieldId('cost') => (string) ($n % 90), ShippedKinds::fieldId('place') => 'Net loft']));
            $n % 3 === 0 ? $with->put(TopicKind::fromFields($id, ['kind' => ShippedKinds::kindId('expense')])) : null;
            $n % 2 === 0 ? $with->put(Task::fromFields($id, ['is' => true, 'who' => 'Ines', 'by' => $n % 5 === 0 ? '2026-01-10' : '2099-01-10', 'progress' => $n % 101, 'effort' => 1 + $n % 9])) : null;
        }
        foreach ([['ask' => 'field', 'field' => ShippedKinds::fieldId('cost'), 'how' => 'over', 'than' => '80'], ['ask' => 'text', 'has' => 'lantern'], ['all' => [['ask' => 'todo', 'is' => 'open'], ['ask' => 'who', 'is' => 'Ines']]]] as $n => $when) {
            $with->put(LookRule::fromFields(Ids::next(), ['name' => "Rule {$n}", 'when' => json_encode($when, JSON_THROW_ON_ERROR), 'place' => 600 + $n, 'fill' => 'tint:coral', 'stamps' => 'stamp:idea']));
        }

        return $with;
    }
}
