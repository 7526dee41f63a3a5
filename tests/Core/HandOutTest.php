<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Place;
use ChalkTree\Arrange\View;
use ChalkTree\CrossLink\CrossLink;
use ChalkTree\HandOut\LaidOver;
use ChalkTree\HandOut\Work;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Map\TreeCheck;
use ChalkTree\Refusal;
use ChalkTree\Text\SameWords;
use Tests\Support\Chance;
use Tests\Support\Outline;
use Tests\Support\RandomMaps;

/* What each of a class did with a map that was given out, and all of it laid over each other. */

/** A copy on which somebody has worked. */
function worked(TopicMap $given, callable $do): TopicMap
{
    $copy = clone $given;
    $do($copy);

    return $copy;
}

/** How many have each topic, by its title. */
function haveEach(LaidOver $over): array
{
    $counts = [];
    foreach ($over->map->all() as $id => $topic) {
        $counts[$topic->title] = count($over->holders[$id]);
    }

    return $counts;
}

it('tells what was added, changed, removed and left empty, and how much of it there is', function () {
    $given = Outline::map("Why boats float\n\tForces\n\t\tUpthrust\n\tThings\n\t\tWood\n\t\tIron\n\tYour example\n");
    $work = worked($given, function (TopicMap $map): void {
        done($map, 'topic.add', ['parent' => titled($map, 'Forces'), 'topic' => ['title' => 'Weight pulls down', 'children' => [['title' => '']]]]);
        done($map, 'topic.note', ['topics' => [titled($map, 'Wood')], 'note' => 'It is light for its size.']);
        done($map, 'topic.remove', ['topics' => [titled($map, 'Iron')]]);
        done($map, 'row.set', ['type' => 'crosslink', 'row' => '01m8jzzzzzzzzzzzzzzzzzz001', 'fields' => ['from' => titled($map, 'Upthrust'), 'to' => titled($map, 'Wood'), 'phrase' => 'lifts']]);
        done($map, 'row.set', ['type' => 'place', 'topics' => [titled($map, 'Things')], 'fields' => ['x' => 40, 'y' => 20]]);
    });
    $its = Work::of($work, $given);
    expect(array_values($its->added))->toBe(['Weight pulls down', ''])->and(array_values($its->changed))->toBe(['Wood'])->and(array_values($its->removed))->toBe(['Iron'])
        ->and(array_values($its->empty))->toBe(['', 'Your example'])->and($its->words)->toBe(3 + 6 - 1)->and($its->pictures)->toBe(0)->and($its->ties)->toBe(1)
        ->and($its->isUntouched())->toBeFalse();
    $none = Work::of(clone $given, $given);
    expect($none->isUntouched())->toBeTrue()->and(array_values($none->empty))->toBe(['Upthrust', 'Wood', 'Iron', 'Your example'])->and($none->words)->toBe(0);
});

it('counts a topic that now hangs elsewhere, or has another stamp, as changed, and one that is locked or put elsewhere on the board as the same', function () {
    $given = Outline::map("Boats\n\tWood\n\t\tOak\n\tIron\n\tTin\n");
    $work = worked($given, function (TopicMap $map): void {
        done($map, 'topic.move', ['topics' => [titled($map, 'Oak')], 'parent' => titled($map, 'Iron')]);
        done($map, 'row.set', ['type' => 'stamps', 'topics' => [titled($map, 'Wood')], 'fields' => ['done' => true]]);
        done($map, 'row.set', ['type' => 'lock', 'topics' => [titled($map, 'Tin')], 'fields' => ['how' => 'fixed']]);
    });
    expect(array_values(Work::of($work, $given)->changed))->toEqualCanonicalizing(['Oak', 'Wood']);
});

it('lays maps over each other by what was given and by words, and counts who has what', function () {
    $given = Outline::map("Floating\n\tForces\n\tThings\n");
    $add = fn (TopicMap $map, string $parent, string $title): mixed => done($map, 'topic.add', ['parent' => titled($map, $parent), 'topic' => ['title' => $title]]);
    $tie = fn (TopicMap $map, string $from, string $phrase, string $to, string $id): mixed => done($map, 'row.set', ['type' => 'crosslink', 'row' => $id, 'fields' => ['from' => titled($map, $from), 'to' => titled($map, $to), 'phrase' => $phrase]]);
    $ada = worked($given, function (TopicMap $map) use ($add, $tie): void {
        $add($map, 'Forces', 'the upthrust');
        $add($map, 'Things', 'Cork');
        $tie($map, 'the upthrust', 'lifts', 'Cork', '01m8jzzzzzzzzzzzzzzzzzz001');
    });
    $bo = worked($given, function (TopicMap $map) use ($add, $tie): void {
        $add($map, 'Forces', 'Upthrust');
        $add($map, 'Forces', 'Cork');
        $tie($map, 'Upthrust', 'Lifts', 'Cork', '01m8jzzzzzzzzzzzzzzzzzz002');
        $tie($map, 'Things', 'are made of', 'Cork', '01m8jzzzzzzzzzzzzzzzzzz003');
    });
    $cy = worked($given, fn (TopicMap $map) => done($map, 'topic.remove', ['topics' => [titled($map, 'Things')]]));
    $over = LaidOver::of($given, ['Ada' => $ada, 'Bo' => $bo, 'Cy' => $cy]);
    expect(Outline::of($over->map))->toBe("Floating\n\tForces\n\t\tthe upthrust\n\tThings\n\t\tCork\n")
        ->and(haveEach($over))->toBe(['Floating' => 3, 'Forces' => 3, 'the upthrust' => 2, 'Things' => 2, 'Cork' => 2])
        ->and(array_map(fn (array $one): array => [$one['phrase'], array_keys($one['holders'])], array_values($over->propositions)))->toBe([['lifts', ['Ada', 'Bo']], ['are made of', ['Bo']]])
        ->and(array_map(fn (CrossLink $one): string => $one->text('phrase'), array_values($over->map->rowsOf(CrossLink::class))))->toEqualCanonicalizing(['lifts · 2', 'are made of · 1'])
        ->and(array_values(array_map(fn (Topic $topic): string => $topic->caption, $over->drawn(3)->all())))->toBe(['', '3 of 3', '2 of 3', '2 of 3', '2 of 3']);
});

it('keeps two topics of one map apart that say the same, and leaves out what says nothing', function () {
    $given = Outline::map("Week\n");
    $twice = worked($given, fn (TopicMap $map) => done($map, 'topic.add-many', ['parent' => $map->sheet()->root, 'topics' => [['title' => 'Rain'], ['title' => 'rain!'], ['title' => '']]]));
    $over = LaidOver::of($given, [1 => $twice, 2 => $twice]);
    expect(Outline::of($over->map))->toBe("Week\n\tRain\n\train!\n")->and(array_values(array_map(count(...), $over->holders)))->toBe([2, 2, 2]);
});

it('lets nothing lie on what is there where topics stand free', function () {
    $given = Outline::map("Why do boats float?\n\tboat\n\thull\n\tair\n\twater\n");
    done($given, 'map.arrange', ['arrangement' => 'free']);
    foreach (['boat' => [-20, 110], 'hull' => [-90, 190], 'air' => [30, 180], 'water' => [0, 260]] as $title => [$x, $y]) {
        $given->put(Place::fromFields(titled($given, $title), ['x' => $x, 'y' => $y]));
    }
    $maps = array_map(fn (string $below): TopicMap => worked($given, function (TopicMap $map) use ($below): void {
        foreach (['a cork', 'an egg in salt water', 'a bowl of clay'] as $title) {
            done($map, 'topic.add', ['parent' => titled($map, $below), 'topic' => ['title' => "{$title} at {$below}"]]);
        }
    }), ['boat', 'hull', 'air', 'water', 'Why do boats float?']);
    $boxes = array_values(Layout::of(LaidOver::of($given, $maps)->drawn(5), new View)->scene()->boxes());
    expect($boxes)->toHaveCount(20);
    foreach ($boxes as $n => $one) {
        foreach (array_slice($boxes, $n + 1) as $other) {
            expect($one['x'] < $other['x'] + $other['w'] && $other['x'] < $one['x'] + $one['w'] && $one['y'] < $other['y'] + $other['h'] && $other['y'] < $one['y'] + $one['h'])->toBeFalse();
        }
    }
});

it('makes a tree of whatever is laid over each other, in which nothing overlaps and each counts at most once', function (int $seed) {
    $chance = new Chance($seed);
    $given = RandomMaps::map($chance, 12);
    $maps = [];
    foreach (range(1, 6) as $n) {
        $maps[$n] = worked($given, function (TopicMap $map) use ($chance): void {
            for ($i = 0; $i < 25; $i++) {
                try {
                    ChalkTree\Edit\Edits::apply(RandomMaps::read(RandomMaps::edit($chance, $map)), $map);
                } catch (Refusal) {
                    continue;
                }
            }
        });
        $its = Work::of($maps[$n], $given);
        expect(array_intersect_key($its->added, $given->all()))->toBe([])->and(array_diff_key($its->changed, $given->all(), $maps[$n]->all()))->toBe([])->and(array_intersect_key($its->removed, $maps[$n]->all()))->toBe([]);
    }
    $over = LaidOver::of($given, $maps);
    expect(array_filter(array_map(fn (Topic $topic): ?string => TreeCheck::problemAt($over->map, $topic), $over->map->all())))->toBe([])
        ->and(array_keys($over->map->all()))->toEqualCanonicalizing(array_keys($over->holders))
        ->and(array_filter($over->holders, fn (array $holders): bool => count($holders) > 6))->toBe([]);
    foreach ($maps as $n => $map) {
        $said = array_filter($map->all(), fn (Topic $topic): bool => ChalkTree\Text\InlineMarkdown::oneLine($topic->title) !== '' || $given->has($topic->id));
        expect(count(array_filter($over->holders, fn (array $holders): bool => isset($holders[$n]))))->toBe(count($said));
    }
    checkScene(Layout::of($drawn = $over->drawn(6), new View)->scene(), $drawn);
})->with([1, 2, 3, 4, 5, 6]);

it('takes texts for the same that have the same words that matter', function (string $one, string $other, bool $isSame) {
    expect(SameWords::key($one) === SameWords::key($other))->toBe($isSame);
})->with([
    ['The upthrust', 'upthrust', true], ['floats on', 'On floats', true], ['Wood!', 'wood', true], ['a', 'an', false], ['→', '→ ', true], ['Water', 'Waters', false], ['', ' ', true],
]);
