<?php

declare(strict_types=1);

use App\Find\MeantSearch;
use App\Models\MapRecord;
use App\Models\MapTraces;
use App\Store\Digests;
use App\Store\MapStore;
use ChalkTree\Ask\Condition;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Reading;
use ChalkTree\Digest\Digest;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\HandOver\NothingLeaves;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Privacy\PrivateBranch;
use Tests\Support\Chance;
use Tests\Support\RandomFacts;
use Tests\Support\RandomMaps;

/* What is found in all maps, held against opening every one and asking every topic. */

/** @return list<MapRecord> a random library, the latest changed first as the search goes over it */
function randomLibrary(Chance $chance, object $test): array
{
    $maps = [];
    foreach (range(1, $chance->int(3, 6)) as $n) {
        $map = RandomMaps::map($chance, $chance->int(3, 25), loose: $chance->yes(40), notes: true);
        $ids = array_map(strval(...), array_keys($map->all()));
        $chance->yes(70) ? RandomFacts::put($chance, $map, $ids) : null;
        if ($chance->yes(30)) {
            $map->put(PrivateBranch::fromFields($chance->pick($ids), ['held' => true]));
        }
        $maps[] = $record = app(MapStore::class)->create($test->tove, $map);
        MapRecord::query()->whereKey($record->id)->update(['updated_at' => now()->addSeconds($n)]);
    }

    return array_reverse($maps);
}

/** Something that people ask in words, of one of the maps; often what one of them has and others do not. */
function randomWords(Chance $chance, array $maps): string
{
    $map = app(MapStore::class)->load($chance->pick($maps));
    $ids = array_map(strval(...), array_keys($map->all()));
    if ($chance->yes(35)) {
        return implode(' ', array_slice(preg_split('/\s+/', $map->topic($chance->pick($ids))->title, -1, PREG_SPLIT_NO_EMPTY), 0, 2)) ?: 'lantern';
    }
    $condition = Condition::of((string) json_encode(RandomFacts::condition($chance, $ids)));

    return mb_substr((string) $condition?->words(new Moment($map, RandomFacts::TODAY)), 0, 900);
}

/** @return array<string, list<string>> the topics that are meant, by map, in those maps that know what is asked */
function askedOneByOne(array $maps, string $text, int $pieces, string $today, bool $leaving = false): array
{
    $found = [];
    foreach ($maps as $record) {
        $now = new Moment(app(MapStore::class)->load($record), $today);
        $heard = Reading::of($text, $now);
        try {
            $in = $leaving ? new Moment(Outgoing::of($now->map), $today) : $now;
        } catch (NothingLeaves) {
            continue;
        }
        $hits = $heard->condition === null || count($heard->pieces) > $pieces ? [] : array_values(array_filter(array_map(strval(...), array_keys($in->map->all())), fn (string $id): bool => $heard->condition->holds($in, $id)));
        $found += $hits === [] ? [] : [$record->id => $hits];
    }

    return $found;
}

beforeEach(function () {
    $this->actingAs($this->tove = $this->person());
});

it('finds in all maps just what asking every topic would find', function (int $seed) {
    $chance = new Chance(91_000 + $seed);
    $maps = randomLibrary($chance, $this);
    // A stranger's map is never among them.
    app(MapStore::class)->create($this->person('oskar@saltmere.example'), RandomMaps::map($chance, 10));
    $search = app(MeantSearch::class);
    $some = 0;
    for ($i = 0; $i < 12; $i++) {
        $text = randomWords($chance, $maps);
        if ($chance->yes(20)) {
            // Whatever of the traces is lost is found out again.
            MapTraces::query()->whereKey($chance->pick($maps)->id)->delete();
        }
        $found = $titles = [];
        $after = null;
        do {
            $answer = $search->find($this->tove, $text, $after);
            expect($answer['problem'])->toBeNull();
            foreach ($answer['maps'] as $map) {
                expect($found)->not->toHaveKey($map['map']);
                $found[$map['map']] = [$map['count'], array_column($map['hits'], 'topic')];
                $titles[$map['map']] = array_column($map['hits'], 'title');
            }
            $after = $answer['next'];
        } while ($after !== null);
        $wanted = array_map(fn (array $ids): array => [count($ids), array_slice($ids, 0, 8)], askedOneByOne($maps, $text, count($answer['pieces']), $this->tove->today()));
        expect($found)->toBe($wanted);
        $some += $found === [] ? 0 : 1;
    }
    expect($some)->toBeGreaterThan(0);
})->with(range(225, 238));

it('is as right after the maps were changed', function (int $seed) {
    $chance = new Chance(92_000 + $seed);
    $maps = randomLibrary($chance, $this);
    $search = app(MeantSearch::class);
    for ($i = 0; $i < 10; $i++) {
        $record = $chance->pick($maps)->fresh();
        $map = app(MapStore::class)->load($record);
        $topic = $chance->pick(array_map(strval(...), array_keys($map->all())));
        $word = 'wort'.$chance->int(1, 4);
        $edit = $chance->pick([
            ['name' => 'topic.retitle', 'topic' => $topic, 'title' => "A {$word}"],
            ['name' => 'topic.note', 'topics' => [$topic], 'note' => "Something of **{$word}**"],
            ['name' => 'topic.caption', 'topics' => [$topic], 'caption' => $word],
        ]);
        $this->sendEdits($record, [$edit])->assertOk();
        $wanted = askedOneByOne($maps, $word, 1, $this->tove->today());
        $found = [];
        $after = null;
        do {
            $answer = $search->find($this->tove, $word, $after);
            $found += array_column($answer['maps'], 'count', 'map');
            $after = $answer['next'];
        } while ($after !== null);
        ksort($found);
        $counts = array_map(count(...), $wanted);
        ksort($counts);
        expect($found)->toBe($counts);
    }
})->with(range(1, 5));

it('gathers in a digest of all maps what asking every topic that may leave would gather', function (int $seed) {
    $chance = new Chance(93_000 + $seed);
    $maps = randomLibrary($chance, $this);
    $home = $chance->pick($maps);
    for ($i = 0; $i < 6; $i++) {
        $text = randomWords($chance, $maps);
        $map = app(MapStore::class)->load($home->fresh());
        try {
            $heard = Reading::of($text, new Moment($map, $this->tove->today()));
        } catch (InvalidEdit) {
            continue;
        }
        $topic = $map->sheet()->root;
        // One that stands there already may be frozen, or tell one topic in several groups.
        $map->row(Digest::type(), $topic) === null ?: $this->sendEdits($home->fresh(), [['name' => 'row.remove', 'type' => 'digest', 'rows' => [$topic]]])->assertJsonPath('edits.0.status', 'done');
        $this->sendEdits($home->fresh(), [['name' => 'row.set', 'type' => 'digest', 'topics' => [$topic], 'fields' => ['when' => json_encode($heard->asked), 'from' => 'maps']]])->assertOk();
        $now = new Moment(app(MapStore::class)->load($home->fresh()), $this->tove->today());
        $words = $now->row(Digest::class, $topic)?->condition()?->words($now) ?? '';
        $answer = app(Digests::class)->of($home->fresh(), $this->tove, $topic);
        $found = [];
        foreach ($answer['groups'] as $group) {
            foreach ($group['lines'] as $line) {
                $found[$line['map'] === '' ? $home->id : $line['map']][] = $line['topic'];
            }
        }
        $isOther = fn (MapRecord $one): bool => $one->id !== $home->id;
        $pieces = count(app(MeantSearch::class)->find($this->tove, $words)['pieces']);
        $wanted = askedOneByOne(array_values(array_filter($maps, $isOther)), $words, $pieces, $this->tove->today(), leaving: true);
        foreach ($wanted as $id => $ids) {
            $others = app(MapStore::class)->load($maps[array_search($id, array_column($maps, 'id'), true)]);
            // Neither digests nor what is private of another map.
            $wanted[$id] = array_values(array_filter($ids, fn (string $one): bool => $others->row('digest', $one) === null));
        }
        $wanted = array_filter($wanted);
        unset($found[$home->id]);
        $sort = function (array $by): array {
            array_walk($by, fn (array &$ids) => sort($ids));
            ksort($by);

            return $by;
        };
        expect($sort($found))->toBe($sort($wanted));
    }
})->with(range(1, 6));
