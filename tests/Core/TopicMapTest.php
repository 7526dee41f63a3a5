<?php

declare(strict_types=1);

use ChalkTree\Edit\Edits;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Ids;
use ChalkTree\Map\MissingTopic;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\Row;
use ChalkTree\Map\RowTypes;
use ChalkTree\Map\Sheet;
use ChalkTree\Map\Side;
use ChalkTree\Map\SideBalance;
use ChalkTree\Map\StoredTopics;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Map\TreeCheck;
use ChalkTree\Map\UnknownRowType;
use ChalkTree\Refusal;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

/** A map whose topics have easy ids: r; a, b below it; a1, a2 below a; l loose. */
function easyMap(): TopicMap
{
    return new TopicMap([
        new Sheet(null, 'r', 'both-sides'),
        new Topic('r', null, 'a0', 'Root'),
        new Topic('b', 'r', 'a1', 'B', side: Side::Left),
        new Topic('a', 'r', 'a0', 'A', side: Side::Right),
        new Topic('a2', 'a', 'a1', 'A2'),
        new Topic('a1', 'a', 'a0', 'A1'),
        new Topic('l', null, 'a1', 'Loose'),
    ]);
}

/** @param  array<string, mixed>  $topics */
function keys(array $topics): array
{
    return array_map(strval(...), array_keys($topics));
}

it('answers questions about the tree', function () {
    $map = easyMap();

    expect($map->root()->title)->toBe('Root')
        ->and(keys($map->children('r')))->toBe(['a', 'b'])
        ->and(keys($map->children('a')))->toBe(['a1', 'a2'])
        ->and($map->children('a1'))->toBe([])
        ->and(keys($map->loose()))->toBe(['l'])
        ->and(array_map(fn (Topic $topic): string => $topic->id, $map->ancestors('a2')))->toBe(['a', 'r'])
        ->and(keys($map->branch('a')))->toBe(['a', 'a1', 'a2'])
        ->and(keys($map->all()))->toBe(['r', 'a', 'a1', 'a2', 'b', 'l'])
        ->and($map->isWithin('a2', 'a'))->toBeTrue()
        ->and($map->isWithin('a', 'a'))->toBeTrue()
        ->and($map->isWithin('b', 'a'))->toBeFalse();
});

it('reads topics and rows one by one as it would have read all at once', function (int $seed) {
    $chance = new Chance(900 + $seed);
    $whole = RandomMaps::map($chance, 60);
    for ($i = 0; $i < 20; $i++) {
        try {
            Edits::apply(RandomMaps::read(RandomMaps::edit($chance, $whole)), $whole, 5);
        } catch (Refusal) {
            continue;
        }
    }
    $rows = $whole->rows();
    $stored = clone $whole;
    $read = 0;
    $lent = new TopicMap([$whole->sheet()]);
    $lent->lendTopics(new class($stored, $read) implements StoredTopics
    {
        public function __construct(private readonly TopicMap $stored, private int &$read)
        {
        }

        public function topic(string $id): ?Topic
        {
            $this->read++;
            $topic = $this->stored->row('topic', $id);

            return $topic instanceof Topic ? $topic : null;
        }

        public function below(string $parent): array
        {
            return array_reverse(keys($this->stored->children($parent)));
        }

        public function all(): iterable
        {
            yield from array_filter($this->stored->rows()['topic'], fn (Row $row): bool => $row instanceof Topic);
        }
    });
    $lent->lendRows(fn (string $type): array => array_map(fn (Row $row): array => $row->fields(), array_filter($rows[$type] ?? [], fn (Row $row): bool => $row instanceof FeatureRow)));
    expect($lent->root())->toEqual($whole->root())->and($read)->toBe(1);
    $made = 0;
    for ($i = 0; $i < 40; $i++) {
        try {
            $changes = Edits::apply(RandomMaps::read(RandomMaps::edit($chance, $whole)), $whole, 5);
        } catch (Refusal) {
            continue;
        }
        $made++;
        $lent = $chance->yes(50) ? $lent : clone $lent;
        $changes->applyTo($lent, new Recorder($lent));
        if ($chance->yes(10)) {
            expect(RandomMaps::reading($lent))->toEqual(RandomMaps::reading($whole));
        }
    }
    $byId = function (TopicMap $map): array {
        $rows = array_map(function (array $rows): array {
            ksort($rows);

            return $rows;
        }, $map->rows());
        ksort($rows);

        return array_filter($rows);
    };
    expect($made)->toBeGreaterThan(10)
        ->and($seed % 2 === 0 ? $byId($lent) : RandomMaps::reading($lent))->toEqual($seed % 2 === 0 ? $byId($whole) : RandomMaps::reading($whole))
        ->and(RandomMaps::reading($lent))->toEqual(RandomMaps::reading($whole));
})->with(range(1, 30));

it('says which topic is missing, and where it was named', function () {
    try {
        easyMap()->topic('x', 'parent');
        $missing = null;
    } catch (MissingTopic $refusal) {
        $missing = $refusal;
    }

    expect($missing?->getMessage())->toContain('x')
        ->and($missing?->field)->toBe('parent')
        ->and($missing?->reason())->toBe('missing_topic');
});

it('follows topics that change their parent, their rank, or go', function () {
    $map = easyMap();
    $map->put($map->topic('a1')->with(['parent' => 'b']));
    expect(keys($map->children('a')))->toBe(['a2'])
        ->and(keys($map->children('b')))->toBe(['a1']);

    $map->put($map->topic('b')->with(['rank' => 'Zz']));
    expect(keys($map->children('r')))->toBe(['b', 'a']);

    $map->put($map->topic('b')->with(['removed' => 'b']));
    expect(keys($map->children('r')))->toBe(['a'])
        ->and($map->find('b'))->toBeNull()
        ->and($map->row('topic', 'b'))->toBeInstanceOf(Topic::class);

    $map->drop('topic', 'a');
    expect($map->children('r'))->toBe([])
        ->and($map->row('topic', 'a'))->toBeNull();
});

it('knows what is in the trash, and what went together', function () {
    $map = easyMap();
    foreach (['a', 'a1', 'a2'] as $id) {
        $map->put($map->topic($id)->with(['removed' => 'a']));
    }

    expect(array_map(fn (Topic $topic): string => $topic->id, $map->removedTops()))->toBe(['a'])
        ->and(array_map(fn (Topic $topic): string => $topic->id, $map->removedWith('a')))->toEqualCanonicalizing(['a', 'a1', 'a2'])
        ->and($map->removedWith('b'))->toBe([])
        ->and(keys($map->all()))->toBe(['r', 'b', 'l']);
});

it('orders siblings of one rank by their ids', function () {
    $map = easyMap();
    $map->put(new Topic('c', 'r', 'a0', 'C'));

    expect(keys($map->children('r')))->toBe(['a', 'c', 'b']);
});

it('fills a map at once as one by one', function (int $seed) {
    $map = RandomMaps::map(new Chance($seed), 60);
    $topics = array_values($map->rows()['topic']);
    shuffle($topics);
    $filled = new TopicMap([$map->sheet()]);
    $filled->fill($topics);
    $single = new TopicMap([$map->sheet(), ...$topics]);

    expect(keys($filled->all()))->toBe(keys($map->all()))
        ->and(keys($single->all()))->toBe(keys($map->all()))
        ->and(RandomMaps::contents($filled)['topic'])->toEqual(RandomMaps::contents($map)['topic']);
})->with([1, 2, 3]);

it('finds what makes a tree unsound', function (Closure $break, string $says) {
    $map = easyMap();
    expect(TreeCheck::problems($map))->toBe([]);
    $break($map);

    expect(implode(' ', TreeCheck::problems($map)))->toContain($says);
})->with([
    'a parent that is gone' => [fn (TopicMap $map) => $map->drop('topic', 'a'), 'which is not in the map'],
    'a parent in the trash' => [fn (TopicMap $map) => $map->put($map->topic('a')->with(['removed' => 'a'])), 'which is not in the map'],
    'a ring' => [fn (TopicMap $map) => $map->put($map->topic('a')->with(['parent' => 'a2'])), 'above itself'],
    'a root below another' => [fn (TopicMap $map) => $map->put($map->topic('r')->with(['parent' => 'l'])), 'root'],
    'no root' => [fn (TopicMap $map) => $map->drop('topic', 'r'), 'root'],
]);

it('makes every sort of row again from its fields', function () {
    foreach (easyMap()->rows() as $type => $rows) {
        foreach ($rows as $id => $row) {
            expect(RowTypes::make($type, (string) $id, $row->fields()))->toEqual($row);
        }
    }
    expect(fn () => RowTypes::make('lasso', 'x', []))->toThrow(UnknownRowType::class);
});

it('makes ids that sort by time and tells them from anything else', function () {
    $ids = array_map(fn (): string => Ids::next(), range(1, 500));
    $sorted = $ids;
    sort($sorted, SORT_STRING);

    expect($sorted)->toBe($ids)
        ->and(array_unique($ids))->toHaveCount(500)
        ->and(array_filter($ids, Ids::valid(...)))->toHaveCount(500);
    foreach (['', 'x', strtoupper($ids[0]), $ids[0].'0', "{$ids[0]}\n", str_repeat('z', 26), '../../../etc/passwd', str_repeat('0', 25).'u'] as $wrong) {
        expect(Ids::valid($wrong))->toBeFalse($wrong);
    }
});

it('shares branches out between the sides, first ones right, cut where both weigh alike', function (array $leaves, string $sides) {
    $map = NewMap::from(new TopicDraft('Root', children: array_map(
        fn (int $count): TopicDraft => new TopicDraft("with {$count}", children: array_map(fn (int $n): TopicDraft => new TopicDraft("Leaf {$n}"), $count > 0 ? range(1, $count) : [])),
        $leaves,
    )));
    $found = array_map(fn (Topic $topic): string => $topic->side === Side::Right ? 'R' : 'L', array_values($map->children($map->root()->id)));

    expect(implode('', $found))->toBe($sides);
})->with([
    'one' => [[0], 'R'],
    'two alike' => [[0, 0], 'RL'],
    'four alike' => [[3, 3, 3, 3], 'RRLL'],
    'a heavy first' => [[9, 1, 1, 1], 'RLLL'],
    'a heavy last' => [[1, 1, 1, 9], 'RRRL'],
    'none' => [[], ''],
]);

it('names the lighter side, the right one where both weigh the same', function () {
    $map = easyMap();
    expect(SideBalance::lighter($map))->toBe(Side::Left);
    $map->put(new Topic('b1', 'b', 'a0', 'B1'));
    $map->put(new Topic('b2', 'b', 'a1', 'B2'));
    expect(SideBalance::lighter($map))->toBe(Side::Right);
    $map->put(new Topic('b3', 'b', 'a2', 'B3'));
    expect(SideBalance::lighter($map))->toBe(Side::Right)
        ->and(SideBalance::lighter($map, without: 'b'))->toBe(Side::Left)
        ->and(Side::Left->other())->toBe(Side::Right);
});
