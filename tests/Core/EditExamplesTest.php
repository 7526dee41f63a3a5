<?php

declare(strict_types=1);

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Change;
use ChalkTree\Edit\ChangedSince;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\Sheet;
use ChalkTree\Map\Side;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** A map of boats, and the ids of its topics by title. */
function fleet(): array
{
    $map = NewMap::from(new TopicDraft('Fleet', children: [
        new TopicDraft('Ferry', children: [new TopicDraft('Bow'), new TopicDraft('Stern')]),
        new TopicDraft('Tug'),
        new TopicDraft('Yawl', children: [new TopicDraft('Mast')]),
    ]));

    return [$map, array_flip(array_map(fn (Topic $topic): string => $topic->title, $map->all()))];
}

function does(TopicMap $map, string $name, array $arguments): array
{
    $edit = Edits::read($name, $arguments);
    $changes = Edits::apply($edit, $map);

    return [$changes, $edit->sentence($map)];
}

/** @return list<string> */
function below(TopicMap $map, string $id): array
{
    return array_values(array_map(fn (Topic $topic): string => $topic->title, $map->children($id)));
}

it('says what it did, in the past tense', function (Closure $edit, string $sentence) {
    [$map, $ids] = fleet();
    [$name, $arguments] = $edit($ids, $map);

    expect(does($map, $name, $arguments)[1])->toBe($sentence);
})->with([
    [fn (array $ids) => ['topic.add', ['parent' => $ids['Tug'], 'topic' => ['title' => 'Rope']]], 'Added “Rope”'],
    [fn (array $ids) => ['topic.add', ['parent' => $ids['Tug'], 'topic' => ['children' => [[], []]]]], 'Added an untitled topic with 2 below it'],
    [fn (array $ids) => ['topic.retitle', ['topic' => $ids['Tug'], 'title' => 'Pilot boat']], 'Titled “Pilot boat”'],
    [fn (array $ids) => ['topic.caption', ['topics' => [$ids['Tug']], 'caption' => 'x']], 'Changed the caption of “Tug”'],
    [fn (array $ids) => ['topic.note', ['topics' => [$ids['Tug'], $ids['Yawl']], 'note' => 'x']], 'Changed the note of 2 topics'],
    [fn (array $ids) => ['row.set', ['type' => 'look', 'topics' => [$ids['Tug']], 'fields' => ['width' => 90]]], 'Changed the width of “Tug”'],
    [fn (array $ids) => ['topic.side', ['topics' => [$ids['Tug']], 'side' => 'left']], 'Changed the side of “Tug”'],
    [fn (array $ids) => ['topic.move', ['topics' => [$ids['Mast']], 'parent' => $ids['Tug']]], 'Moved “Mast” under “Tug”'],
    [fn (array $ids) => ['topic.remove', ['topics' => [$ids['Ferry']]]], 'Removed “Ferry”'],
    [fn () => ['map.rename', ['title' => 'Boats']], 'Named the map “Boats”'],
    [fn () => ['map.rename', ['title' => null]], 'Named the map after its root'],
    [fn () => ['map.arrange', ['arrangement' => 'rightward']], 'Arranged the map rightward'],
    [fn () => ['map.balance', []], 'Balanced the two sides'],
]);

it('rewrites one row for a move, however many siblings there are', function () {
    $map = NewMap::from(new TopicDraft('Root', children: [new TopicDraft('Long', children: array_map(fn (int $n): TopicDraft => new TopicDraft("Item {$n}"), range(1, 500)))]));
    $long = array_key_first($map->children($map->root()->id));
    $items = array_keys($map->children($long));
    [$changes] = does($map, 'topic.move', ['topics' => [$items[499]], 'before' => $items[0]]);

    expect($changes->all)->toHaveCount(1)
        ->and($changes->all[0]->before)->toHaveKey('rank')
        ->and(array_key_first($map->children($long)))->toBe($items[499]);
});

it('moves several topics before, after, first and last', function (array $place, array $order) {
    [$map, $ids] = fleet();
    $place = array_map(fn (mixed $at): mixed => is_string($at) ? $ids[$at] : $at, $place);
    does($map, 'topic.move', ['topics' => [$ids['Stern'], $ids['Tug']]] + $place);

    expect(below($map, $ids[$order[0]]))->toBe($order[1]);
})->with([
    'before a sibling' => [['before' => 'Yawl'], ['Fleet', ['Ferry', 'Stern', 'Tug', 'Yawl']]],
    'after a sibling' => [['after' => 'Yawl'], ['Fleet', ['Ferry', 'Yawl', 'Stern', 'Tug']]],
    'first' => [['parent' => 'Yawl', 'first' => true], ['Yawl', ['Stern', 'Tug', 'Mast']]],
    'last' => [['parent' => 'Yawl'], ['Yawl', ['Mast', 'Stern', 'Tug']]],
]);

it('sets topics loose and hangs them up again', function () {
    [$map, $ids] = fleet();
    does($map, 'topic.move', ['topics' => [$ids['Yawl']], 'parent' => null]);
    expect(array_keys($map->loose()))->toBe([$ids['Yawl']])
        ->and($map->topic($ids['Yawl'])->side)->toBeNull()
        ->and(below($map, $ids['Yawl']))->toBe(['Mast']);

    does($map, 'topic.move', ['topics' => [$ids['Yawl']], 'parent' => $ids['Fleet']]);
    expect($map->loose())->toBe([])
        ->and($map->topic($ids['Yawl'])->side)->toBeInstanceOf(Side::class);
});

it('gives a side to what comes to the root, and takes it from what leaves', function () {
    [$map, $ids] = fleet();
    does($map, 'topic.move', ['topics' => [$ids['Bow']], 'parent' => $ids['Fleet'], 'side' => 'left']);
    expect($map->topic($ids['Bow'])->side)->toBe(Side::Left);

    does($map, 'topic.side', ['topics' => [$ids['Bow']], 'side' => 'right']);
    expect($map->topic($ids['Bow'])->sideHeld)->toBeTrue();

    does($map, 'topic.move', ['topics' => [$ids['Bow']], 'parent' => $ids['Tug']]);
    expect($map->topic($ids['Bow'])->side)->toBeNull()
        ->and($map->topic($ids['Bow'])->sideHeld)->toBeFalse();
});

it('keeps a new sibling on the side of those it stands between', function () {
    $map = NewMap::from(new TopicDraft('Root', children: array_map(fn (int $n): TopicDraft => new TopicDraft("B{$n}"), range(1, 6))));
    [$first, $second] = array_keys($map->children($map->root()->id));
    $side = $map->topic($first)->side;
    does($map, 'topic.add', ['after' => $first, 'topic' => ['id' => $new = Ids::next()]]);

    expect($map->topic($second)->side)->toBe($side)
        ->and($map->topic($new)->side)->toBe($side);
});

it('restores a branch without what had been removed from it before', function () {
    [$map, $ids] = fleet();
    does($map, 'topic.remove', ['topics' => [$ids['Bow']]]);
    does($map, 'topic.remove', ['topics' => [$ids['Ferry']]]);
    does($map, 'topic.restore', ['topics' => [$ids['Ferry']]]);
    expect(below($map, $ids['Ferry']))->toBe(['Stern']);
    does($map, 'topic.restore', ['topics' => [$ids['Bow']]]);
    expect(below($map, $ids['Ferry']))->toBe(['Bow', 'Stern']);
});

it('parts topics that came to have one rank', function () {
    [$map, $ids] = fleet();
    [$removed] = does($map, 'topic.remove', ['topics' => [$ids['Tug']]]);
    does($map, 'topic.add', ['after' => $ids['Ferry'], 'topic' => ['id' => $new = Ids::next(), 'title' => 'New']]);
    $map->put($map->topic($new)->with(['rank' => $map->row('topic', $ids['Tug'])->rank]));
    $removed->reversed()->applyTo($map, new Recorder($map));
    $tied = array_keys(array_filter($map->children($ids['Fleet']), fn (Topic $topic): bool => in_array($topic->title, ['Tug', 'New'], true)));
    does($map, 'topic.add', ['after' => $tied[0], 'topic' => ['title' => 'Between']]);
    $titles = below($map, $ids['Fleet']);

    expect(array_search('Between', $titles, true))->toBe(array_search($map->topic($tied[0])->title, $titles, true) + 1)
        ->and(array_search($map->topic($tied[1])->title, $titles, true))->toBe(array_search('Between', $titles, true) + 1);
});

it('records fields that differ, whole rows that come and go, and nothing for what ended as it began', function () {
    [$map, $ids] = fleet();
    $recorder = new Recorder($map);
    $recorder->put($map->topic($ids['Tug'])->with(['title' => 'X']));
    $recorder->put($map->topic($ids['Tug'])->with(['caption' => 'Y']));
    $recorder->put($map->topic($ids['Yawl'])->with(['title' => 'Z']));
    $recorder->put($map->topic($ids['Yawl'])->with(['title' => 'Yawl']));
    $recorder->put(new Topic($new = Ids::next(), $ids['Tug'], 'a0', 'New'));
    $recorder->put(new Topic($gone = Ids::next(), $ids['Tug'], 'a1', 'Gone'));
    $recorder->drop('topic', $gone);
    $changes = $recorder->changes()->all;

    expect($changes)->toHaveCount(2)
        ->and($changes[0])->toEqual(new Change('topic', $ids['Tug'], ['title' => 'Tug', 'caption' => ''], ['title' => 'X', 'caption' => 'Y']))
        ->and($changes[1]->before)->toBeNull()
        ->and($changes[1]->after)->toBe($map->topic($new)->fields());
    $recorder->rollBack();
    expect($recorder->changes()->isEmpty())->toBeTrue()
        ->and($map->topic($ids['Tug'])->title)->toBe('Tug')
        ->and($map->has($new))->toBeFalse();
});

it('goes to text and back', function () {
    [$map, $ids] = fleet();
    [$changes] = does($map, 'topic.remove', ['topics' => [$ids['Ferry']]]);
    $again = Changes::fromArray(json_decode(json_encode($changes->toArray()), true));

    // The branch made after it keeps its turn among the chalks.
    expect($again)->toEqual($changes)
        ->and($again->reversed()->reversed())->toEqual($changes)
        ->and($changes->topics($map))->toEqualCanonicalizing([$ids['Ferry'], $ids['Bow'], $ids['Stern'], $ids['Tug']]);
});

it('records the sheet as it records topics', function () {
    [$map] = fleet();
    [$changes] = does($map, 'map.rename', ['title' => 'Boats']);
    expect($changes->all)->toHaveCount(1)
        ->and($changes->all[0]->type)->toBe(Sheet::type())
        ->and($changes->topics($map))->toBe([]);
    $changes->reversed()->applyTo($map, new Recorder($map));
    expect($map->sheet()->title)->toBeNull();
});

it('refuses to bring back a row whose place another has taken', function () {
    [$map, $ids] = fleet();
    [$added] = does($map, 'topic.add', ['parent' => $ids['Tug'], 'topic' => ['id' => $new = Ids::next()]]);
    $added->reversed()->applyTo($map, new Recorder($map));
    $map->put(new Topic($new, $ids['Yawl'], 'a5', 'Other'));

    expect(fn () => $added->applyTo($map, new Recorder($map)))->toThrow(ChangedSince::class)
        ->and($map->topic($new)->title)->toBe('Other');
});

it('reads arguments of the right form and says which one is wrong', function (string $method, mixed $value, array $more, mixed $read) {
    $arguments = new Arguments(['x' => $value]);
    if ($read === InvalidEdit::class) {
        try {
            $arguments->{$method}('x', ...$more);
            $field = null;
        } catch (InvalidEdit $refused) {
            $field = $refused->field;
        }
        expect($field)->toBe('x');
    } else {
        expect($arguments->{$method}('x', ...$more))->toBe($read);
    }
})->with([
    ['title', 'Tug', [], 'Tug'],
    ['title', str_repeat('é', 20_000), [], str_repeat('é', 20_000)],
    ['title', str_repeat('é', 20_001), [], InvalidEdit::class],
    ['title', null, [], InvalidEdit::class],
    ['title', 7, [], InvalidEdit::class],
    ['note', str_repeat('x', 1_048_576), [], str_repeat('x', 1_048_576)],
    ['id', '01m83fb3nbvantw04nps62efzp', [], '01m83fb3nbvantw04nps62efzp'],
    ['id', '01M83FB3NBVANTW04NPS62EFZP', [], InvalidEdit::class],
    ['idOrNull', null, [], null],
    ['ids', ['01m83fb3nbvantw04nps62efzp', '01m83fb3nbvantw04nps62efzp'], [], ['01m83fb3nbvantw04nps62efzp']],
    ['ids', [], [], InvalidEdit::class],
    ['ids', ['a' => '01m83fb3nbvantw04nps62efzp'], [], InvalidEdit::class],
    ['ids', ['x'], [], InvalidEdit::class],
    ['intOrNull', 5, [1, 9], 5],
    ['intOrNull', null, [1, 9], null],
    ['intOrNull', 10, [1, 9], InvalidEdit::class],
    ['intOrNull', 5.0, [1, 9], InvalidEdit::class],
    ['bool', true, [], true],
    ['bool', 1, [], InvalidEdit::class],
    ['choiceOrNull', 'left', [Side::class], Side::Left],
    ['choiceOrNull', null, [Side::class], null],
    ['choiceOrNull', 'LEFT', [Side::class], InvalidEdit::class],
]);

it('names the field inside a tree that is wrong', function () {
    [$map, $ids] = fleet();
    try {
        does($map, 'topic.add', ['parent' => $ids['Tug'], 'topic' => ['children' => [['title' => 'fine'], ['title' => 5]]]]);
        $field = null;
    } catch (InvalidEdit $refused) {
        $field = $refused->field;
    }

    expect($field)->toBe('topic.children.1.title');
});

it('cuts long titles in sentences', function () {
    expect(Wording::excerpt(str_repeat('long ', 40)))->toHaveLength(62)
        ->and(Wording::excerpt("two\nlines"))->toBe('“two lines”')
        ->and(Wording::excerpt('  '))->toBe('an untitled topic')
        ->and(Wording::several(['a', 'b', 'c']))->toBe('3 topics');
});
