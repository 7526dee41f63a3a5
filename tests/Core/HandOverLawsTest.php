<?php

declare(strict_types=1);

use ChalkTree\Exchange\Formats;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\HandOver\Selected;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Privacy\PrivateBranch;
use ChalkTree\Text\InlineMarkdown;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

/* What leaves a map, whatever is in it and whatever is chosen: no more than was asked for, in the order that was, and nothing private. */

/** A random map of which some topics are private. */
function leavingMap(Chance $chance): TopicMap
{
    $map = RandomMaps::map($chance, $chance->int(3, 40), notes: true);
    foreach (array_map(strval(...), array_keys($map->all())) as $id) {
        if ($chance->yes(12) && $id !== $map->sheet()->root) {
            $map->put(PrivateBranch::fromFields($id, ['held' => true]));
        }
    }

    return $map;
}

/** @return array<string, int> how deep each topic stands; what is loose begins on the level of branches */
function depthsOf(TopicMap $map): array
{
    $root = $map->root()->id;

    return array_map(function (Topic $topic) use ($map, $root): int {
        $above = array_map(fn (Topic $one): string => $one->id, $map->ancestors($topic->id));

        return count($above) + ($topic->id === $root || in_array($root, $above, true) ? 0 : 1);
    }, $map->all());
}

it('lets nothing leave twice as much: what may go is the same when it is asked again', function (int $seed) {
    $map = leavingMap(new Chance($seed));
    $before = RandomMaps::contents($map);
    $once = Outgoing::of($map);
    $twice = Outgoing::of($once);
    expect(array_map(fn (Topic $topic): array => [$topic->id, $topic->title, $topic->note], array_values($twice->all())))->toBe(array_map(fn (Topic $topic): array => [$topic->id, $topic->title, $topic->note], array_values($once->all())))
        // The map itself is only looked at.
        ->and(RandomMaps::contents($map))->toBe($before);
    // Neither a private topic nor one below it is among them, and all others are.
    foreach ($map->all() as $id => $topic) {
        $trail = [(string) $id, ...array_map(fn (Topic $above): string => $above->id, $map->ancestors((string) $id))];
        $isHeld = array_filter($trail, fn (string $one): bool => $map->row(PrivateBranch::type(), $one) !== null) !== [];
        expect($once->has((string) $id))->toBe(! $isHeld);
    }
})->with(range(1, 20));

it('takes branches no deeper than was asked for, each topic once, with all that is above it', function (int $seed) {
    $chance = new Chance($seed);
    $map = Outgoing::of(leavingMap($chance));
    $deep = $chance->int(0, 4);
    $selected = Selected::of($map, Choices::fromFields('', ['depth' => $deep]));
    $wanted = array_keys(array_filter(depthsOf($map), fn (int $depth): bool => $depth <= $deep));
    expect(array_keys($selected->all()))->toBe($wanted)->and(max(depthsOf($selected)))->toBeLessThanOrEqual($deep);
    foreach ($selected->all() as $topic) {
        expect($topic->parent === null || $selected->has($topic->parent))->toBeTrue();
    }
})->with(range(1, 20));

it('turns siblings round, sorts them as people count, and changes nothing else by that', function (int $seed) {
    $chance = new Chance($seed);
    $map = Outgoing::of(leavingMap($chance));
    $titles = fn (TopicMap $of, string $id): array => array_values(array_map(fn (Topic $topic): string => $topic->id, $of->children($id)));
    [$reversed, $sorted] = array_map(fn (string $order): TopicMap => Selected::of($map, Choices::fromFields('', ['order' => $order])), ['reversed', 'title']);
    foreach ($map->all() as $id => $topic) {
        $its = $titles($map, (string) $id);
        expect($titles($reversed, (string) $id))->toBe(array_reverse($its))->and($titles($sorted, (string) $id))->toEqualCanonicalizing($its);
        $words = array_map(fn (string $one): string => mb_strtolower(InlineMarkdown::oneLine($map->topic($one)->title)), $titles($sorted, (string) $id));
        for ($n = 1; $n < count($words); $n++) {
            expect(strnatcmp($words[$n - 1], $words[$n]))->toBeLessThanOrEqual(0);
        }
        expect($reversed->topic((string) $id)->title)->toBe($topic->title);
    }
})->with(range(1, 15));

it('leaves out what is not wanted, and only that', function (int $seed) {
    $chance = new Chance($seed);
    $map = Outgoing::of(leavingMap($chance));
    $flags = array_values(array_filter(['noNotes', 'noCaptions', 'noPictures', 'noFacts'], fn (): bool => $chance->yes(50)));
    $selected = Selected::of($map, Choices::fromFields('', array_fill_keys($flags, true)));
    foreach ($map->all() as $id => $topic) {
        $its = $selected->topic((string) $id);
        expect([$its->title, $its->caption, $its->note])->toBe([$topic->title, in_array('noCaptions', $flags, true) ? '' : $topic->caption, in_array('noNotes', $flags, true) ? '' : $topic->note]);
    }
    $types = ['picture' => 'noPictures', 'task' => 'noFacts', 'values' => 'noFacts', 'of-kind' => 'noFacts', 'remark' => 'noFacts', 'stamps' => null, 'tags' => null];
    foreach ($types as $type => $flag) {
        $count = fn (TopicMap $of): int => count(array_filter($of->living(), fn ($row): bool => $row::type() === $type));
        expect($count($selected))->toBe($flag !== null && in_array($flag, $flags, true) ? 0 : $count($map), $type);
    }
})->with(range(1, 20));

it('writes every outline so that it reads as the same outline', function (int $seed) {
    $chance = new Chance($seed);
    $map = Selected::of(Outgoing::of(leavingMap($chance)), Choices::fromFields('', ['noFacts' => true, 'noLinks' => true]));
    $count = count(array_filter($map->branch($map->root()->id), fn (Topic $topic): bool => trim(InlineMarkdown::plain($topic->title)) !== ''));
    foreach (['md', 'opml'] as $format) {
        $back = Formats::read(Formats::write($map, $format), "x.{$format}");
        // Written again it is the same file: nothing creeps in with each time that it is saved.
        expect(Formats::write(Formats::read(Formats::write($back, $format), "x.{$format}"), $format))->toBe(Formats::write($back, $format))
            ->and(count($back->all()))->toBeGreaterThanOrEqual($count);
    }
})->with(range(1, 20));
