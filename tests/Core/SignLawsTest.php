<?php

declare(strict_types=1);

use ChalkTree\Edit\Edits;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Sign\Tag;
use ChalkTree\Sign\TopicTags;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

/* Tags and the parking lot, whatever the map: what is put on comes off, what becomes one keeps all, what is parked comes back. */

/** @return array<string, list<string>> the topics that have each tag, by its id */
function taggedBy(TopicMap $map): array
{
    $tagged = [];
    foreach ($map->rowsOf(TopicTags::class) as $id => $row) {
        foreach ($row->tags() as $tag) {
            $tagged[$tag][] = (string) $id;
        }
    }
    array_walk($tagged, fn (array &$topics) => sort($topics));

    return $tagged;
}

/** Makes an edit, and holds that undoing it gives all back. */
function signed(TopicMap $map, string $name, array $arguments): void
{
    $before = RandomMaps::contents($map);
    $changes = Edits::apply(Edits::read($name, $arguments), $map);
    $undone = clone $map;
    $changes->reversed()->applyTo($undone, new Recorder($undone));
    expect(RandomMaps::contents($undone))->toBe($before);
}

it('puts a tag on and takes it off, and all is as it was', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $chance->int(3, 30));
    $tag = (string) $chance->pick(array_keys($map->rowsOf(Tag::class)));
    $before = taggedBy($map);
    $topics = array_values(array_filter(array_map(strval(...), array_keys($map->all())), fn (string $id): bool => $chance->yes(40) && ! in_array($id, $before[$tag] ?? [], true)));
    if ($topics === []) {
        expect($before)->toBeArray();

        return;
    }
    signed($map, 'topic.tag', ['topics' => $topics, 'tag' => $tag]);
    $with = [...$before[$tag] ?? [], ...$topics];
    sort($with);
    expect(taggedBy($map)[$tag])->toBe($with);
    // Put on twice it is there once.
    signed($map, 'topic.tag', ['topics' => $topics, 'tag' => $tag]);
    expect(taggedBy($map)[$tag])->toBe($with);
    signed($map, 'topic.tag', ['topics' => $topics, 'tag' => $tag, 'off' => true]);
    expect(taggedBy($map))->toBe($before);
})->with(range(1, 15));

it('makes one of two tags, which all have that had either', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $chance->int(5, 40));
    $tags = array_map(strval(...), array_keys($map->rowsOf(Tag::class)));
    [$from, $into] = [$tags[0], $tags[1]];
    $before = taggedBy($map);
    $both = array_values(array_unique([...$before[$from] ?? [], ...$before[$into] ?? []]));
    sort($both);
    signed($map, 'tag.join', ['tag' => $from, 'into' => $into]);
    $after = taggedBy($map);
    expect($after[$into] ?? [])->toBe($both)->and(isset($after[$from]))->toBeFalse()->and($map->row(Tag::type(), $from))->toBeNull()
        ->and(array_diff_key($after, [$into => 1]))->toBe(array_diff_key($before, [$from => 1, $into => 1]));
})->with(range(1, 15));

it('lets tags that come to have one name be one', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $chance->int(5, 30));
    $tags = array_map(strval(...), array_keys($map->rowsOf(Tag::class)));
    sort($tags);
    $tagged = taggedBy($map);
    $count = count(array_unique([...$tagged[$tags[0]] ?? [], ...$tagged[$tags[1]] ?? []]));
    $name = $map->row(Tag::type(), $tags[0])->text('name');
    signed($map, 'row.set', ['type' => 'tag', 'row' => $tags[1], 'fields' => ['name' => mb_strtoupper($name)]]);
    $left = array_map(strval(...), array_keys($map->rowsOf(Tag::class)));
    expect($left)->toHaveCount(count($tags) - 1)->toContain($tags[0])->not->toContain($tags[1])
        ->and(count(taggedBy($map)[$tags[0]] ?? []))->toBe($count);
})->with(range(1, 12));

it('parks branches and takes them back to where they are wanted, with all that is below them', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $chance->int(4, 30), loose: false);
    $root = $map->sheet()->root;
    $topic = $chance->pick(array_values(array_filter(array_map(strval(...), array_keys($map->all())), fn (string $id): bool => $id !== $root)));
    $branch = array_map(fn (Topic $one): string => $one->title, array_values($map->branch($topic)));
    $drawn = count($map->all());
    signed($map, 'topic.park', ['topics' => [$topic]]);
    expect(count($map->all()))->toBe($drawn - count($branch))->and($map->has($topic))->toBeTrue()->and($map->topic($topic)->parked)->not->toBeNull();
    signed($map, 'topic.move', ['topics' => [$topic], 'parent' => $root]);
    expect($map->topic($topic)->parked)->toBeNull()->and(array_map(fn (Topic $one): string => $one->title, array_values($map->branch($topic))))->toBe($branch)->and(count($map->all()))->toBe($drawn);
})->with(range(1, 15));

it('gives a new tag to what is chosen in one step, also where it is made for that', function () {
    $map = RandomMaps::map(new Chance(3), 12, loose: false);
    $topics = array_slice(array_map(strval(...), array_keys($map->all())), 0, 3);
    $tag = Ids::next();
    signed($map, 'row.set', ['type' => 'tag', 'row' => $tag, 'fields' => ['name' => 'to the quay']]);
    signed($map, 'topic.tag', ['topics' => $topics, 'tag' => $tag]);
    sort($topics);
    expect(taggedBy($map)[$tag])->toBe($topics);
});
