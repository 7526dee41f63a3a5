<?php

declare(strict_types=1);

use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Sameness;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

/* What holds for every change of shape, whatever the map: nothing is lost, what is done twice is done, and undoing gives all back. */

/** A random map without loose topics. */
function shapeOf(Chance $chance, int $most = 40): TopicMap
{
    return RandomMaps::map($chance, $chance->int(3, $most), notes: true, loose: false);
}

/** Makes an edit and holds that undoing it gives back all there was; null where it was refused, which changes nothing. */
function reshaped(TopicMap $map, string $name, array $arguments): ?Changes
{
    $before = RandomMaps::contents($map);
    try {
        $changes = Edits::apply(Edits::read($name, $arguments), $map, 1_700_000_000);
    } catch (InvalidEdit) {
        expect(RandomMaps::contents($map))->toBe($before);

        return null;
    }
    $undone = clone $map;
    $changes->reversed()->applyTo($undone, new Recorder($undone));
    expect(RandomMaps::contents($undone))->toBe($before);

    return $changes;
}

/** @return list<string> the titles right below a topic */
function titlesRightBelow(TopicMap $map, string $topic): array
{
    return array_values(array_map(fn (Topic $one): string => $one->title, $map->children($topic)));
}

/** @return list<string> all words that stand in a map, sorted */
function allWordsOf(TopicMap $map): array
{
    $words = [];
    foreach ($map->all() as $topic) {
        array_push($words, ...(preg_split('/[^\p{L}\p{N}]+/u', InlineMarkdown::plain($topic->title).' '.$topic->caption.' '.$topic->note, flags: PREG_SPLIT_NO_EMPTY) ?: []));
    }
    sort($words);

    return $words;
}

/** The root, or a topic with something below it. */
function someHead(Chance $chance, TopicMap $map): string
{
    return $chance->pick(array_values(array_filter(array_map(strval(...), array_keys($map->all())), fn (string $id): bool => $map->children($id) !== [])));
}

it('sorts without losing or gaining a topic, and sorting again changes nothing', function (int $seed) {
    $chance = new Chance($seed);
    $map = shapeOf($chance);
    $topic = someHead($chance, $map);
    $before = titlesRightBelow($map, $topic);
    $how = ['topics' => [$topic], 'by' => $chance->pick(['title', 'length', 'subtopics', 'day']), 'down' => $chance->yes(50), 'deep' => $chance->yes(50)];
    reshaped($map, 'branch.sort', $how);
    $after = titlesRightBelow($map, $topic);
    expect($after)->toEqualCanonicalizing($before);
    if ($how['by'] === 'length') {
        $lengths = array_map(fn (string $title): int => mb_strlen(InlineMarkdown::plain($title)), $after);
        $sorted = $lengths;
        $how['down'] ? rsort($sorted) : sort($sorted);
        expect($lengths)->toBe($sorted);
    }
    reshaped($map, 'branch.sort', $how);
    expect(titlesRightBelow($map, $topic))->toBe($after);
})->with(range(1, 20));

it('turns round, and twice is not at all; a shuffle comes out as its seed has it', function (int $seed) {
    $chance = new Chance($seed);
    $map = shapeOf($chance);
    $topic = someHead($chance, $map);
    $before = titlesRightBelow($map, $topic);
    reshaped($map, 'branch.sort', ['topics' => [$topic], 'by' => 'reverse']);
    expect(titlesRightBelow($map, $topic))->toBe(array_reverse($before));
    reshaped($map, 'branch.sort', ['topics' => [$topic], 'by' => 'reverse']);
    expect(titlesRightBelow($map, $topic))->toBe($before);
    $other = clone $map;
    foreach ([$map, $other] as $one) {
        reshaped($one, 'branch.sort', ['topics' => [$topic], 'by' => 'shuffle', 'seed' => 4711]);
    }
    expect(titlesRightBelow($map, $topic))->toBe(titlesRightBelow($other, $topic))->toEqualCanonicalizing($before);
})->with(range(1, 15));

it('leaves no two siblings that say the same where duplicates were merged, and no word gets lost', function (int $seed) {
    $chance = new Chance($seed);
    $map = shapeOf($chance);
    // Some topics say what others say.
    $ids = array_map(strval(...), array_keys($map->all()));
    foreach (array_filter($ids, fn (): bool => $chance->yes(30)) as $id) {
        $map->put($map->topic($id)->with(['title' => $map->topic($chance->pick($ids))->title]));
    }
    $notes = implode(' ', array_map(fn (Topic $topic): string => $topic->note, $map->all()));
    $root = $map->sheet()->root;
    if (reshaped($map, 'branch.duplicates', ['topics' => [$root]]) === null) {
        return;
    }
    $keys = array_values(array_filter(array_map(fn (Topic $topic): string => Sameness::key($topic->title), array_values($map->branch($root))), fn (string $key): bool => $key !== ''));
    expect(count(array_unique($keys)))->toBe(count($keys));
    $left = implode(' ', array_map(fn (Topic $topic): string => $topic->note, $map->all()));
    foreach (array_unique(preg_split('/[^\p{L}]+/u', $notes, flags: PREG_SPLIT_NO_EMPTY) ?: []) as $word) {
        expect($left)->toContain($word);
    }
    expect(reshaped($map, 'branch.duplicates', ['topics' => [$root]])?->all ?? [])->toBe([]);
})->with(range(1, 20));

it('removes all that is empty and nothing else, once for all', function (int $seed) {
    $chance = new Chance($seed);
    $map = shapeOf($chance);
    foreach (array_map(strval(...), array_keys($map->all())) as $id) {
        if ($chance->yes(30) && $id !== $map->sheet()->root) {
            $map->put($map->topic($id)->with(['title' => '', 'caption' => '', 'note' => '']));
        }
    }
    $words = allWordsOf($map);
    $root = $map->sheet()->root;
    reshaped($map, 'branch.empties', ['topics' => [$root]]);
    expect(allWordsOf($map))->toBe($words);
    foreach ($map->branch($root) as $id => $topic) {
        $isEmpty = trim($topic->title) === '' && $topic->caption === '' && $topic->note === '' && $map->children((string) $id) === [];
        $says = array_filter($map->living(), fn ($row): bool => in_array((string) $id, $row->topics(), true) && ! in_array($row::type(), ['look', 'phrase', 'phrases'], true)) !== [];
        expect(! $isEmpty || (string) $id === $root || $says)->toBeTrue();
    }
    expect(reshaped($map, 'branch.empties', ['topics' => [$root]])?->all ?? [])->toBe([]);
})->with(range(1, 15));

it('loses no topic where some are wrapped, lifted, dissolved or moved', function (int $seed) {
    $chance = new Chance($seed);
    $map = shapeOf($chance);
    $root = $map->sheet()->root;
    for ($n = 0; $n < 8; $n++) {
        $ids = array_values(array_filter(array_map(strval(...), array_keys($map->all())), fn (string $id): bool => $id !== $root));
        if ($ids === []) {
            break;
        }
        $chosen = array_values(array_unique([$chance->pick($ids), $chance->pick($ids)]));
        [$name, $arguments, $more] = $chance->pick([
            ['topic.wrap', ['topics' => $chosen, 'as' => [Ids::next()], 'title' => 'Around'], 1],
            ['topic.lift', ['topics' => [$chance->pick($ids)]], 0],
            ['topic.move', ['topics' => $chosen, 'parent' => $chance->pick([$root, ...$ids])], 0],
            ['topic.dissolve', ['topics' => [$chosen[0]]], -1],
        ]);
        $before = count($map->all());
        $words = $name === 'topic.dissolve' ? null : allWordsOf($map);
        if (reshaped($map, $name, $arguments) === null) {
            continue;
        }
        expect(count($map->all()))->toBe($before + $more);
        if ($words !== null) {
            expect(array_values(array_diff($words, allWordsOf($map))))->toBe([]);
        }
        // It is one tree: from every topic one comes to the root.
        foreach ($map->all() as $topic) {
            expect($topic->id === $root || in_array($root, array_map(fn (Topic $above): string => $above->id, $map->ancestors($topic->id)), true))->toBeTrue();
        }
    }
})->with(range(1, 20));

it('breaks a topic at its lines, and joins these to what it was', function (int $seed) {
    $chance = new Chance($seed);
    $map = shapeOf($chance, 12);
    $id = (string) array_key_last($map->all());
    if ($id === $map->sheet()->root) {
        return;
    }
    $lines = array_map(fn (int $n): string => trim($chance->word()." {$n}"), range(1, $chance->int(2, 6)));
    $map->put($map->topic($id)->with(['title' => implode("\n", $lines), 'caption' => '', 'note' => '']));
    $parent = (string) $map->topic($id)->parent;
    $count = count($map->children($parent));
    reshaped($map, 'topic.break', ['topics' => [$id], 'by' => 'lines']);
    $siblings = array_map(strval(...), array_keys($map->children($parent)));
    expect(count($siblings))->toBe($count + count($lines) - 1);
    $parts = array_slice($siblings, (int) array_search($id, $siblings, true), count($lines));
    expect(array_map(fn (string $one): string => InlineMarkdown::plain($map->topic($one)->title), $parts))->toBe($lines);
    reshaped($map, 'topic.join', ['topics' => $parts, 'glue' => ' / ']);
    expect(InlineMarkdown::plain($map->topic($id)->title))->toBe(implode(' / ', $lines))->and(count($map->children($parent)))->toBe($count);
})->with(range(1, 15));

it('tidies once: a second time there is nothing to do', function (int $seed) {
    $chance = new Chance($seed);
    $map = shapeOf($chance);
    foreach (array_map(strval(...), array_keys($map->all())) as $id) {
        if ($chance->yes(40)) {
            $map->put($map->topic($id)->with(['title' => '  '.$chance->words(4).'   '.$chance->word().'  ']));
        }
    }
    $way = $chance->pick(['spaces', 'begin', 'words', 'lower', 'upper']);
    $arguments = ['topics' => [$map->sheet()->root], 'way' => $way, 'deep' => true];
    $letters = fn (): string => mb_strtolower((string) preg_replace('/\s+/u', '', implode('', array_map(fn (Topic $topic): string => InlineMarkdown::plain($topic->title), $map->all()))));
    $before = $letters();
    reshaped($map, 'text.tidy', $arguments);
    // Only spaces and the size of letters are others now.
    expect($letters())->toBe($before);
    expect(reshaped($map, 'text.tidy', $arguments)?->all ?? [])->toBe([]);
})->with(range(1, 25));

it('replaces one word by another that was nowhere, and back to what it was', function (int $seed) {
    $chance = new Chance($seed);
    $map = shapeOf($chance);
    $before = RandomMaps::reading($map);
    $find = fn (string $text): array => ['text' => $text, 'case' => true, 'word' => false, 'pattern' => false];
    if (reshaped($map, 'text.replace', ['find' => $find('harbour'), 'with' => 'zqzq']) === null) {
        return;
    }
    expect(in_array('harbour', allWordsOf($map), true))->toBeFalse();
    reshaped($map, 'text.replace', ['find' => $find('zqzq'), 'with' => 'harbour']);
    expect(RandomMaps::reading($map))->toEqual($before);
})->with(range(1, 15));
