<?php

declare(strict_types=1);

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Change;
use ChalkTree\Edit\ChangedSince;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Map\TreeCheck;
use ChalkTree\Refusal;
use Tests\Support\Chance;
use Tests\Support\Outline;
use Tests\Support\RandomMaps;

/** Makes an edit with titles in place of ids. */
function make(TopicMap $map, string $name, array $arguments): Changes
{
    return Edits::apply(Edits::read($name, Outline::ids($map, $arguments)), $map);
}

it('never merges a topic into one below it, nor the root into anything', function (string $before, array $topics, string $after) {
    $map = Outline::map($before);
    $ids = array_map(fn (array $at): string => array_values($map->everything())[$at[0]]->id, $topics);
    Edits::apply(Edits::read('branch.duplicates', ['topics' => $ids]), $map);

    expect(Outline::of($map))->toBe($after)->and(TreeCheck::problems($map))->toBe([]);
})->with([
    'child and parent of one title' => ["R\n\tboat\n\t\tboat\n\t\t\tmast\n", [[2], [1]], "R\n\tboat\n\t\tmast\n"],
    'a loose topic and the root' => ["R\n\ta\nr\n\tb\n", [[2], [0]], "R\n\ta\n\tb\n"],
]);

it('joins into what comes first as one reads, which the root always does', function (string $loose) {
    $map = Outline::map("Root\n\ta\n\tb\nLoose\n\tc\n");
    if ($loose === 'parked') {
        make($map, 'topic.park', ['topics' => ['Loose']]);
    }
    make($map, 'topic.join', ['topics' => ['Loose', 'Root']]);
    expect(TreeCheck::problems($map))->toBe([])->and(Outline::of($map))->toBe("Root Loose\n\ta\n\tb\n\tc\n");

    // Even where the loose one's rank comes before the root's.
    $map = Outline::map("Root\n\ta\n");
    make($map, 'topic.add', ['parent' => null, 'first' => true, 'topic' => ['title' => 'Before']]);
    make($map, 'topic.join', ['topics' => ['Before', 'Root']]);
    expect(Outline::of($map))->toBe("Root Before\n\ta\n");
})->with(['loose', 'parked']);

it('refuses whatever would break the map, whole, whichever edit it was', function (callable $breaks, string $says) {
    $map = Outline::map("Root\n\ta\n\t\tb\nLoose\n");
    $edit = new class($breaks) implements Edit
    {
        public function __construct(private readonly mixed $breaks)
        {
        }

        public static function name(): string
        {
            return 'test.break';
        }

        public static function read(Arguments $arguments): self
        {
            return new self(fn () => null);
        }

        public function apply(TopicMap $map, Recorder $recorder): void
        {
            ($this->breaks)($map, fn (string $title, array $fields) => $recorder->put($map->topic(Outline::id($map, $title))->with($fields)), $recorder);
        }

        public function sentence(TopicMap $map): string
        {
            return 'Broke it';
        }
    };
    $before = RandomMaps::contents($map);

    expect(fn () => Edits::apply($edit, $map))->toThrow(InvalidEdit::class, $says)
        ->and(RandomMaps::contents($map))->toBe($before);
})->with([
    'the root removed' => [fn (TopicMap $map, callable $put) => $put('Root', ['removed' => $map->root()->id]), 'root'],
    'the root parked' => [fn (TopicMap $map, callable $put) => $put('Root', ['parked' => $map->root()->id]), 'parking lot'],
    'a ring' => [fn (TopicMap $map, callable $put) => $put('a', ['parent' => Outline::id($map, 'b')]), 'above itself'],
    'a parent that is not there' => [fn (TopicMap $map, callable $put) => $put('b', ['parent' => Ids::next()]), 'not in the map'],
    'a parent that goes without its child' => [fn (TopicMap $map, callable $put) => $put('a', ['removed' => Outline::id($map, 'a')]), 'not in the map'],
    'parked below another' => [fn (TopicMap $map, callable $put) => $put('b', ['parked' => $map->root()->id]), 'parked'],
    'a row dropped from under another' => [fn (TopicMap $map, callable $put, Recorder $recorder) => $recorder->drop('topic', Outline::id($map, 'a')), 'not in the map'],
]);

it('gives siblings that come to one rank ranks of their own, and undo takes that back too', function () {
    $map = Outline::map("R\n\ta\n\tb\n");
    $gone = make($map, 'topic.remove', ['topics' => ['a']]);
    $rank = $map->row('topic', $gone->all[0]->id)->rank;
    $tied = Edits::apply(Edits::read('topic.add', ['parent' => $map->root()->id, 'first' => true, 'topic' => ['title' => 'n']]), $map);
    $map->put($map->topic(Outline::id($map, 'n'))->with(['rank' => $rank]));
    $before = RandomMaps::contents($map);
    $back = make($map, 'topic.restore', ['topics' => [$gone->all[0]->id]]);

    expect(TreeCheck::problems($map))->toBe([])
        ->and(Outline::of($map))->toBe("R\n\tn\n\ta\n\tb\n")
        ->and($tied->isEmpty())->toBeFalse();
    $back->reversed()->applyTo($map, new Recorder($map));
    expect(RandomMaps::contents($map))->toBe($before);
});

it('lets nothing stand deeper than can be read back', function () {
    $draft = new TopicDraft('end');
    for ($i = 0; $i < Bounds::DEEPEST - 2; $i++) {
        $draft = new TopicDraft("{$i}", children: [$draft]);
    }
    $map = NewMap::from(new TopicDraft('R', children: [$draft, new TopicDraft('x', children: [new TopicDraft('y')])]));
    expect(fn () => make($map, 'topic.move', ['topics' => ['x'], 'parent' => 'end']))->toThrow(InvalidEdit::class, '1,000 levels');
    expect(fn () => make($map, 'topic.add', ['parent' => 'end', 'topic' => ['title' => 'z']]))->toThrow(InvalidEdit::class, '1,000 levels');
    make($map, 'topic.retitle', ['topic' => 'end', 'title' => 'the end']);
});

it('dissolves and lifts what is parked', function () {
    $map = Outline::map("R\n\ta\n\t\tb\n\t\t\tc\n\t\td\n");
    make($map, 'topic.park', ['topics' => ['a']]);
    make($map, 'topic.lift', ['topics' => ['a']]);
    expect(Outline::of($map))->toBe("R\n[a]\n[b]\n\tc\n[d]\n");
    make($map, 'topic.dissolve', ['topics' => ['b']]);
    expect(Outline::of($map))->toBe("R\n[a]\n[c]\n[d]\n")->and(TreeCheck::problems($map))->toBe([]);
    make($map, 'topic.bring-back', ['topics' => ['c', 'd']]);
    expect(Outline::of($map))->toBe("R\n\tc\n\td\n[a]\n");
});

it('restores branches below what is there, each one wherever its place has gone', function () {
    $map = Outline::map("R\n\ta\n\t\tb\n\t\t\tc\n");
    make($map, 'topic.remove', ['topics' => ['c']]);
    $c = array_values(array_filter($map->removedTops()))[0]->id;
    make($map, 'topic.remove', ['topics' => ['a']]);
    $a = array_values(array_filter($map->removedTops(), fn (Topic $topic): bool => $topic->id !== $c))[0]->id;
    // One after the other in the order that puts the inner one first: it still finds its place.
    Edits::apply(Edits::read('topic.restore', ['topics' => [$c, $a]]), $map);
    expect(Outline::of($map))->toBe("R\n\ta\n\t\tb\n\t\t\tc\n");

    // The trash holds a part of a branch only, as after it was emptied by age.
    make($map, 'topic.remove', ['topics' => ['a']]);
    foreach ($map->removedWith($a) as $topic) {
        $topic->title === 'b' && $map->drop('topic', $topic->id);
    }
    Edits::apply(Edits::read('topic.restore', ['topics' => [$a]]), $map);
    expect(Outline::of($map))->toBe("R\n\ta\n\t\tc\n")->and(TreeCheck::problems($map))->toBe([]);
});

it('undoes only what is still just as it was made', function (mixed $made, mixed $since) {
    $map = Outline::map("R\n\ta\n");
    $id = Outline::id($map, 'a');
    $record = new Changes([new Change('topic', $id, ['title' => 'a'], ['title' => $made])]);
    $map->put($map->topic($id)->with(['title' => $since]));
    $undo = fn () => $record->reversed()->applyTo($map, new Recorder($map));
    $made === $since ? $undo() : expect($undo)->toThrow(ChangedSince::class);
    expect($map->topic($id)->title)->toBe($made === $since ? 'a' : $since);
})->with([['1.5', '1.50'], ['1e1', '10'], ['0', ''], ['same', 'same'], ['01', '1']]);

it('never comes to refuse an edit because it would break the map: each sees to that itself', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $chance->int(1, 40));
    for ($i = 0; $i < 250; $i++) {
        try {
            Edits::apply(RandomMaps::read(RandomMaps::edit($chance, $map)), $map);
        } catch (Refusal $refusal) {
            expect($refusal->getMessage())->not->toContain('break the map');
        }
    }
    expect(TreeCheck::problems($map))->toBe([]);
})->with(range(101, 112));
