<?php

declare(strict_types=1);

use ChalkTree\Edit\ChangedSince;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\Ids;
use ChalkTree\Map\MissingTopic;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\Side;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Map\TreeCheck;
use ChalkTree\Refusal;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

function festival(): TopicMap
{
    return NewMap::from(new TopicDraft('Festival', children: [
        new TopicDraft('Lanterns', children: [new TopicDraft('Paper'), new TopicDraft('Willow')]),
        new TopicDraft('Boats'),
        new TopicDraft('Music', children: [new TopicDraft('Choir')]),
    ]));
}

function called(TopicMap $map, string $title): Topic
{
    foreach ($map->all() as $topic) {
        if ($topic->title === $title) {
            return $topic;
        }
    }

    throw new RuntimeException("No topic is called {$title}.");
}

function edit(TopicMap $map, string $name, array $arguments = []): ChalkTree\Edit\Changes
{
    return Edits::apply(Edits::read($name, $arguments), $map);
}

/** @return list<string> */
function titlesBelow(TopicMap $map, string $title): array
{
    return array_values(array_map(fn (Topic $topic): string => $topic->title, $map->children(called($map, $title)->id)));
}

it('adds a child last, first, and siblings before and after', function () {
    $map = festival();
    edit($map, 'topic.add', ['parent' => called($map, 'Lanterns')->id, 'topic' => ['title' => 'Glass']]);
    edit($map, 'topic.add', ['parent' => called($map, 'Lanterns')->id, 'first' => true, 'topic' => ['title' => 'Tin']]);
    edit($map, 'topic.add', ['before' => called($map, 'Willow')->id, 'topic' => ['title' => 'Cane']]);
    edit($map, 'topic.add', ['after' => called($map, 'Willow')->id, 'topic' => ['title' => 'Wire']]);

    expect(titlesBelow($map, 'Lanterns'))->toBe(['Tin', 'Paper', 'Cane', 'Willow', 'Wire', 'Glass']);
});

it('adds a whole small tree as one edit', function () {
    $map = festival();
    $changes = edit($map, 'topic.add', ['parent' => called($map, 'Boats')->id, 'topic' => [
        'title' => 'Ferry', 'note' => 'Every half hour', 'children' => [['title' => 'Out'], ['title' => 'Back', 'children' => [['title' => 'Last one']]]],
    ]]);

    expect($changes->all)->toHaveCount(4)
        ->and(titlesBelow($map, 'Ferry'))->toBe(['Out', 'Back'])
        ->and(titlesBelow($map, 'Back'))->toBe(['Last one']);
});

it('moves several topics in reading order and leaves out those below another chosen one', function () {
    $map = festival();
    edit($map, 'topic.move', [
        'topics' => array_map(fn (string $title): string => called($map, $title)->id, ['Choir', 'Music', 'Paper']),
        'parent' => called($map, 'Boats')->id,
    ]);

    expect(titlesBelow($map, 'Boats'))->toBe(['Paper', 'Music'])
        ->and(titlesBelow($map, 'Music'))->toBe(['Choir']);
});

it('moves a topic among its own siblings', function () {
    $map = festival();
    edit($map, 'topic.move', ['topics' => [called($map, 'Music')->id], 'before' => called($map, 'Lanterns')->id]);

    expect(titlesBelow($map, 'Festival'))->toBe(['Music', 'Lanterns', 'Boats']);
});

it('removes a branch into the trash and restores it to its place, or to the root where that is gone', function () {
    $map = festival();
    $music = called($map, 'Music')->id;
    $choir = called($map, 'Choir')->id;
    edit($map, 'topic.remove', ['topics' => [$music]]);
    expect($map->has($choir))->toBeFalse();
    edit($map, 'topic.restore', ['topics' => [$music]]);
    expect(titlesBelow($map, 'Music'))->toBe(['Choir']);

    edit($map, 'topic.remove', ['topics' => [$choir]]);
    edit($map, 'topic.remove', ['topics' => [$music]]);
    edit($map, 'topic.restore', ['topics' => [$choir]]);
    expect($map->topic($choir)->parent)->toBe($map->root()->id);
});

it('gives a new branch the lighter side and leaves the others where they are', function () {
    $map = festival();
    $sides = fn (): array => array_map(fn (Topic $topic): ?Side => $topic->side, $map->children($map->root()->id));
    for ($i = 0; $i < 12; $i++) {
        $before = $sides();
        edit($map, 'topic.add', ['parent' => $map->root()->id, 'topic' => ['title' => "Branch {$i}", 'children' => array_fill(0, $i % 4, [])]]);
        expect(array_intersect_key($sides(), $before))->toBe($before);
    }
    expect(array_filter($sides(), fn (Side $side): bool => $side === Side::Left))->not->toBeEmpty();
});

it('holds a side that a person chose when it balances', function () {
    $map = festival();
    foreach (['Lanterns', 'Boats', 'Music'] as $title) {
        edit($map, 'topic.side', ['topics' => [called($map, $title)->id], 'side' => 'left']);
    }
    edit($map, 'topic.add', ['parent' => $map->root()->id, 'topic' => ['title' => 'New']]);
    edit($map, 'map.balance');

    expect(called($map, 'Boats')->side)->toBe(Side::Left)
        ->and(called($map, 'New')->side)->toBe(Side::Right);
});

it('refuses what cannot be done, with a sentence, and changes nothing', function (string $name, Closure $arguments, string $class) {
    $map = festival();
    $before = RandomMaps::contents($map);
    try {
        edit($map, $name, $arguments($map));
        $refused = null;
    } catch (Refusal $refusal) {
        $refused = $refusal;
    }

    expect($refused)->toBeInstanceOf($class)
        ->and($refused->getMessage())->toEndWith('.')
        ->and(RandomMaps::contents($map))->toBe($before);
})->with([
    'an unknown edit' => ['topic.fly', fn () => [], InvalidEdit::class],
    'a missing topic' => ['topic.retitle', fn () => ['topic' => Ids::next(), 'title' => 'x'], MissingTopic::class],
    'an id that is none' => ['topic.retitle', fn () => ['topic' => '../etc', 'title' => 'x'], InvalidEdit::class],
    'a title that is no text' => ['topic.retitle', fn ($m) => ['topic' => $m->root()->id, 'title' => ['x']], InvalidEdit::class],
    'a title that is not UTF-8' => ['topic.retitle', fn ($m) => ['topic' => $m->root()->id, 'title' => "\xff\xfe"], InvalidEdit::class],
    'a title too long' => ['topic.retitle', fn ($m) => ['topic' => $m->root()->id, 'title' => str_repeat('x', 20_001)], InvalidEdit::class],
    'a caption too long' => ['topic.caption', fn ($m) => ['topics' => [$m->root()->id], 'caption' => str_repeat('x', 2_001)], InvalidEdit::class],
    'a note too long' => ['topic.note', fn ($m) => ['topics' => [$m->root()->id], 'note' => str_repeat('x', Bounds::LONGEST_NOTE + 1)], InvalidEdit::class],
    'an argument nobody asked for' => ['topic.retitle', fn ($m) => ['topic' => $m->root()->id, 'title' => 'x', 'colour' => 'red'], InvalidEdit::class],
    'a topic below itself' => ['topic.move', fn ($m) => ['topics' => [called($m, 'Music')->id], 'parent' => called($m, 'Choir')->id], InvalidEdit::class],
    'a topic beside itself' => ['topic.move', fn ($m) => ['topics' => [called($m, 'Music')->id], 'after' => called($m, 'Music')->id], InvalidEdit::class],
    'the root moved' => ['topic.move', fn ($m) => ['topics' => [$m->root()->id], 'parent' => called($m, 'Choir')->id], InvalidEdit::class],
    'the root removed' => ['topic.remove', fn ($m) => ['topics' => [called($m, 'Boats')->id, $m->root()->id]], InvalidEdit::class],
    'a sibling for the root' => ['topic.add', fn ($m) => ['after' => $m->root()->id, 'topic' => []], InvalidEdit::class],
    'no place at all' => ['topic.add', fn () => ['topic' => ['title' => 'x']], InvalidEdit::class],
    'two places at once' => ['topic.add', fn ($m) => ['before' => called($m, 'Boats')->id, 'after' => called($m, 'Boats')->id, 'topic' => []], InvalidEdit::class],
    'an id that is taken' => ['topic.add', fn ($m) => ['parent' => $m->root()->id, 'topic' => ['id' => called($m, 'Boats')->id]], InvalidEdit::class],
    'the same id twice in one tree' => ['topic.add', fn ($m) => ['parent' => $m->root()->id, 'topic' => ['id' => $id = Ids::next(), 'children' => [['id' => $id]]]], InvalidEdit::class],
    'nothing to restore' => ['topic.restore', fn ($m) => ['topics' => [called($m, 'Boats')->id]], InvalidEdit::class],
    'a width out of range' => ['row.set', fn ($m) => ['type' => 'look', 'topics' => [$m->root()->id], 'fields' => ['width' => 5]], InvalidEdit::class],
    'a width that is no number' => ['row.set', fn ($m) => ['type' => 'look', 'topics' => [$m->root()->id], 'fields' => ['width' => '90']], InvalidEdit::class],
    'a side below the first level' => ['topic.side', fn ($m) => ['topics' => [called($m, 'Choir')->id], 'side' => 'left'], InvalidEdit::class],
    'a third side' => ['topic.side', fn ($m) => ['topics' => [called($m, 'Boats')->id], 'side' => 'up'], InvalidEdit::class],
    'an unknown arrangement' => ['map.arrange', fn () => ['arrangement' => 'spiral'], InvalidEdit::class],
    'a name of nothing' => ['map.rename', fn () => ['title' => '  '], InvalidEdit::class],
    'no topics' => ['topic.remove', fn () => ['topics' => []], InvalidEdit::class],
]);

it('cleans text of what would break other formats', function () {
    $map = festival();
    edit($map, 'topic.retitle', ['topic' => $map->root()->id, 'title' => "a\r\nb\x07c\u{2028}d"]);

    expect($map->root()->title)->toBe("a\nbc\nd");
});

it('undoes one change after another has touched something else, and refuses where it touched the same', function () {
    $map = festival();
    $boats = called($map, 'Boats')->id;
    $first = edit($map, 'topic.retitle', ['topic' => $boats, 'title' => 'Ships']);
    edit($map, 'topic.caption', ['topics' => [$boats], 'caption' => 'six of them']);
    $first->reversed()->applyTo($map, new Recorder($map));
    expect($map->topic($boats)->title)->toBe('Boats')
        ->and($map->topic($boats)->caption)->toBe('six of them');

    $second = edit($map, 'topic.retitle', ['topic' => $boats, 'title' => 'Ships']);
    edit($map, 'topic.retitle', ['topic' => $boats, 'title' => 'Barges']);
    expect(fn () => $second->reversed()->applyTo($map, new Recorder($map)))->toThrow(ChangedSince::class)
        ->and($map->topic($boats)->title)->toBe('Barges');
});

it('refuses to undo an addition below which something was added since, and to put a topic back where nothing is', function () {
    $map = festival();
    $added = edit($map, 'topic.add', ['parent' => $map->root()->id, 'topic' => ['id' => $new = Ids::next(), 'title' => 'New']]);
    edit($map, 'topic.add', ['parent' => $new, 'topic' => ['title' => 'Below']]);
    expect(fn () => $added->reversed()->applyTo($map, new Recorder($map)))->toThrow(ChangedSince::class);

    $map = festival();
    $moved = edit($map, 'topic.move', ['topics' => [called($map, 'Choir')->id], 'parent' => called($map, 'Boats')->id]);
    edit($map, 'topic.remove', ['topics' => [called($map, 'Music')->id]]);
    expect(fn () => $moved->reversed()->applyTo($map, new Recorder($map)))->toThrow(ChangedSince::class);
});

it('keeps a tree a tree through thousands of random edits, and undo and redo give back the very same maps', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $chance->int(1, 40));
    $start = RandomMaps::contents($map);
    $records = [];
    $done = 0;
    for ($i = 0; $i < 300; $i++) {
        $before = RandomMaps::contents($map);
        try {
            $records[] = Edits::apply(RandomMaps::read(RandomMaps::edit($chance, $map)), $map);
            $done++;
        } catch (Refusal) {
            expect(RandomMaps::contents($map))->toBe($before);
        }
        expect(TreeCheck::problems($map))->toBe([]);
    }
    expect($done)->toBeGreaterThan(100);
    $end = RandomMaps::contents($map);
    foreach (array_reverse($records) as $record) {
        $record->reversed()->applyTo($map, new Recorder($map));
    }
    expect(RandomMaps::contents($map))->toEqual($start);
    foreach ($records as $record) {
        $record->applyTo($map, new Recorder($map));
    }
    expect(RandomMaps::contents($map))->toEqual($end);
})->with(range(1, 12));
