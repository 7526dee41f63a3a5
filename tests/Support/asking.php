<?php

declare(strict_types=1);

use ChalkTree\Kind\Kind;
use ChalkTree\Kind\KindField;
use ChalkTree\Map\TopicMap;
use Tests\Support\Chance;
use Tests\Support\RandomFacts;
use Tests\Support\RandomMaps;

/** A random map in which there is much to ask for. */
function mapToAsk(Chance $chance, int $most = 40): TopicMap
{
    $map = RandomMaps::map($chance, $chance->int(4, $most), loose: $chance->yes(40));
    RandomFacts::put($chance, $map, array_map(strval(...), array_keys($map->all())));

    return $map;
}

/** @return list<string> */
function idsIn(TopicMap $map): array
{
    return array_map(strval(...), array_keys($map->all()));
}

/** Words as somebody might type them: such as are understood, such as are not, and what stands between. */
function typedAtRandom(Chance $chance, TopicMap $map): string
{
    $names = array_map(fn ($row): string => $row->text('name'), [...array_values($map->rowsOf(Kind::class)), ...array_values($map->rowsOf(KindField::class))]);
    $some = ['and', 'or', 'not', '(', ')', 'kind', 'who', 'ines', 'due', 'this week', 'before today', 'tomorrow', '5 Dec', 'has a note', 'has', 'a', 'level', '2', 'over', 'under 50 %', 'progress', 'overdue', 'not done', 'done', '"', '“two words”', 'text', 'below', 'tag', 'stamp idea', 'empty', '🏮', 'ランタン', 'É', "\t", 'İstanbul', ...$names];

    return implode($chance->pick([' ', '  ', '']), array_map(fn (): string => $chance->pick($some), range(1, $chance->int(1, 16))));
}

/** A file that somebody waits for. */
function wanted(App\Models\MapRecord $map): App\Models\HandOver
{
    return App\Models\HandOver::query()->create(['id' => ChalkTree\Map\Ids::next(), 'person_id' => $map->person_id, 'map_id' => $map->id, 'topic' => null, 'to' => 'pdf', 'board' => 'day', 'choices' => [], 'chosen' => '', 'state' => 'waiting', 'words' => 'Waiting', 'percent' => 0, 'touched' => time()]);
}
