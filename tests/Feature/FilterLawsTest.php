<?php

declare(strict_types=1);

use App\Store\MapStore;
use App\Store\Snapshots;
use ChalkTree\Ask\Condition;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Reading;
use ChalkTree\Filter\Narrowed;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use Tests\Support\Chance;
use Tests\Support\RandomFacts;
use Tests\Support\RandomMaps;

/* What is told of the topics in view while one types, held against what is told of all. */

beforeEach(function () {
    $this->actingAs($this->tove = $this->person());
});

/** @return list<string> words as they are typed, of what a random condition asks */
function typedWords(Chance $chance, TopicMap $map, array $ids): array
{
    $words = mb_substr((string) Condition::of((string) json_encode(RandomFacts::condition($chance, $ids)))?->words(new Moment($map, RandomFacts::TODAY)), 0, 400);

    return [mb_substr($words, 0, $chance->int(1, max(1, mb_strlen($words)))), $words];
}

it('tells of some topics just what it tells of all, wherever the map lies', function (int $seed) {
    $chance = new Chance(95_000 + $seed);
    $isLarge = $seed % 3 === 0;
    $map = RandomMaps::map($chance, $isLarge ? 230 : $chance->int(5, 60), loose: $seed % 2 === 0, notes: true);
    RandomFacts::put($chance, $map, array_map(strval(...), array_keys($map->all())));
    $record = app(MapStore::class)->create($this->tove, $map);
    if ($isLarge) {
        app(Snapshots::class)->prepare($record->fresh(), app(MapStore::class));
    }
    $ids = array_map(strval(...), array_keys($map->all()));
    for ($i = 0; $i < 6; $i++) {
        foreach (typedWords($chance, $map, $ids) as $text) {
            $all = $this->postJson("/api/maps/{$record->id}/filter", ['text' => $text])->assertOk()->json();
            $some = array_values(array_filter($ids, fn (): bool => $chance->yes(40)));
            $told = $this->postJson("/api/maps/{$record->id}/filter/among", ['text' => $text, 'among' => array_slice($some, 0, 600)])->assertOk()->json();
            expect($told['topics'])->toBe(array_values(array_intersect($some, $all['hits'])));
        }
    }
})->with(range(1, 9));

it('tells of a map that was drawn and edited just what asking it anew tells', function (int $seed) {
    $chance = new Chance(97_000 + $seed);
    $map = RandomMaps::map($chance, 230, notes: true);
    RandomFacts::put($chance, $map, $ids = array_map(strval(...), array_keys($map->all())));
    $record = app(MapStore::class)->create($this->tove, $map);
    $seq = $this->getJson("/api/maps/{$record->id}")->assertOk()->json('seq');
    app(Snapshots::class)->prepare($record->fresh(), app(MapStore::class));
    for ($i = 0; $i < 6; $i++) {
        $topic = $ids[$chance->int(1, count($ids) - 1)];
        $edit = $chance->yes(50)
            ? ['name' => 'task.set', 'topics' => [$topic], 'progress' => $chance->int(0, 4) * 25, 'who' => $chance->yes(50) ? 'Ines' : 'Newcomer', 'today' => RandomFacts::TODAY]
            : ['name' => 'topic.retitle', 'topic' => $topic, 'title' => "Anew {$i}"];
        $seq = $this->postJson("/api/maps/{$record->id}/edits", ['since' => $seq, 'edits' => [['id' => Ids::next()] + $edit]])->assertOk()->json('seq');
        $now = new Moment(app(MapStore::class)->load($record->fresh()), $this->tove->today());
        foreach (['not done', 'who Newcomer', 'who Ines or under way', 'has to-dos below', ...typedWords($chance, $now->map, $ids)] as $text) {
            // Asked twice, since the second finds what the first kept.
            foreach ([1, 2] as $_) {
                $told = $this->postJson("/api/maps/{$record->id}/filter", ['text' => $text])->assertOk()->json();
                expect($told['hits'])->toBe(Narrowed::to($now, Reading::of($text, $now)->condition)->hits);
                $some = array_values(array_filter($ids, fn (): bool => $chance->yes(10)));
                expect($this->postJson("/api/maps/{$record->id}/filter/among", ['text' => $text, 'among' => $some])->assertOk()->json('topics'))->toBe(array_values(array_intersect($some, $told['hits'])));
            }
        }
    }
})->with(range(1, 4));

it('leaves, of a map that is narrowed, what was hit, what stands above it, and what is below where that is wished for', function (int $seed) {
    $chance = new Chance(96_000 + $seed);
    $map = RandomMaps::map($chance, $chance->int(5, 50), loose: false);
    $ids = array_map(strval(...), array_keys($map->all()));
    RandomFacts::put($chance, $map, $ids);
    $record = app(MapStore::class)->create($this->tove, $map);
    $view = ['since' => 0, 'folded' => [], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null, 'showing' => false];
    $narrowed = 0;
    foreach (['above', 'below', 'only', 'above', 'below', 'only'] as $shows) {
        $text = $chance->pick(['level over 1', 'level 2', 'has subtopics', 'has subtopics or level 1', 'not has subtopics']);
        $answer = $this->putJson("/api/maps/{$record->id}/view", ['filter' => ['text' => $text, 'shows' => $shows]] + $view)->assertOk()->json();
        $hits = $answer['narrowed']['hits'] ?? [];
        $left = [$map->sheet()->root => true];
        foreach ($hits as $hit) {
            $left[$hit] = true;
            foreach ($shows === 'only' ? [] : $map->ancestors($hit) as $above) {
                $left[$above->id] = true;
            }
            foreach ($shows === 'below' ? $map->branch($hit) : [] as $topic) {
                $left[$topic->id] = true;
            }
        }
        $drawn = array_column($answer['narrowed']['scene']['slips'] ?? [], 'id');
        sort($drawn);
        $wanted = array_map(strval(...), array_keys($left));
        sort($wanted);
        // Whatever is hit, the root of all is left.
        expect($drawn)->toBe($wanted)->and($hits)->toBeArray();
        $narrowed += $hits === [] ? 0 : 1;
    }
    expect($narrowed)->toBeGreaterThan(0);
})->with(range(1, 9));
