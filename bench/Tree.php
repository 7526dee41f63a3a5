<?php

declare(strict_types=1);

namespace Bench;

use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** The same random map every time: five or so levels, titles of one to seven words. */
final class Tree
{
    private const WORDS = ['lantern', 'harbour', 'procession', 'boat', 'volunteer', 'meeting', 'quay', 'sand', 'light', 'rope', 'tide', 'list', 'budget', 'permit', 'ferry', 'stall', 'music', 'child', 'evening', 'market'];

    public static function of(int $topics): TopicMap
    {
        $random = new Randomizer(new Mt19937(42));
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
}
