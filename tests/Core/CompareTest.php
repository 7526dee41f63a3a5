<?php

declare(strict_types=1);

use ChalkTree\Compare\MapDifferences;
use ChalkTree\Compare\MapPairs;
use ChalkTree\Exchange\Formats;
use ChalkTree\Map\TopicMap;
use ChalkTree\Map\TreeCheck;
use ChalkTree\Refusal;
use ChalkTree\Text\Ascending;
use Tests\Support\Chance;
use Tests\Support\Outline;
use Tests\Support\RandomFacts;
use Tests\Support\RandomMaps;

/* Two maps beside each other, and what one takes over from the other. */

/** What is otherwise, each as its sort, its title and with how many topics. */
function otherwise(TopicMap $own, TopicMap $other): array
{
    return array_map(fn (array $one): string => "{$one['sort']} {$one['title']}".($one['topics'] > 1 ? " ({$one['topics']})" : ''), MapDifferences::of($own, $other, true)->all);
}

/** Takes differences over, in the order given; what needs others only after them. */
function takeOver(TopicMap $map, MapDifferences $its, ?array $numbers = null): void
{
    $taken = [];
    $take = function (int $n) use (&$take, &$taken, $map, $its): void {
        if (isset($taken[$n])) {
            return;
        }
        $taken[$n] = true;
        array_map($take, $its->all[$n]['needs']);
        foreach ($its->all[$n]['edits'] as $edit) {
            // As it goes over the wire and back.
            $edit = json_decode(json_encode($edit, JSON_THROW_ON_ERROR), true);
            done($map, $edit['name'], array_diff_key($edit, ['name' => 1]));
        }
    };
    array_map($take, $numbers ?? array_keys($its->all));
}

it('tells what is otherwise in a copy, and takes it over piece by piece', function () {
    $own = Outline::map("Lanterns\n\tPaper\n\t\tTissue\n\tFrames\n\t\tReed\n\t\tWire\n\tBoats\n");
    $other = clone $own;
    done($other, 'topic.add', ['parent' => titled($other, 'Lanterns'), 'after' => titled($other, 'Paper'), 'topic' => ['title' => 'Glue', 'children' => [['title' => 'Rice'], ['title' => 'Flour']]]]);
    done($other, 'topic.retitle', ['topic' => titled($other, 'Reed'), 'title' => 'Split reed']);
    done($other, 'topic.move', ['topics' => [titled($other, 'Tissue')], 'parent' => titled($other, 'Glue')]);
    done($other, 'topic.remove', ['topics' => [titled($other, 'Boats')]]);
    done($other, 'row.set', ['type' => 'stamps', 'topics' => [titled($other, 'Wire')], 'fields' => ['done' => true]]);
    expect(otherwise($own, $other))->toBe(['new Glue (3)', 'moved Tissue', 'changed Reed', 'changed Wire', 'gone Boats']);
    $its = MapDifferences::of($own, $other, true);
    expect($its->all[1]['trail'])->toBe(['Lanterns', 'Paper'])->and($its->all[1]['to'])->toBe(['Lanterns', 'Glue'])->and($its->all[1]['needs'])->toBe([0])
        ->and($its->all[2]['said'][0]['pieces'])->toBe([['what' => 'gone', 'text' => 'Reed'], ['what' => 'new', 'text' => 'Split reed']])
        ->and($its->all[3]['facts'])->toBe(['stamps'])->and($its->same)->toBe(3);
    expect(Outline::of($its->merged()))->toBe("Lanterns\n\tPaper\n\t\tTissue\n\tGlue\n\t\tRice\n\t\tFlour\n\tFrames\n\t\tReed\n\t\tWire\n\tBoats\n")
        ->and(array_count_values($its->marks()))->toBe(['new' => 3, 'moved' => 1, 'changed' => 2, 'gone' => 1]);
    // The moved one takes along what it comes to stand below.
    takeOver($own, $its, [1]);
    expect(Outline::of($own))->toBe("Lanterns\n\tPaper\n\tGlue\n\t\tRice\n\t\tFlour\n\t\tTissue\n\tFrames\n\t\tReed\n\t\tWire\n\tBoats\n");
    takeOver($own, MapDifferences::of($own, $other, true));
    expect(otherwise($own, $other))->toBe([])->and(Outline::of($own))->toBe(Outline::of($other));
});

it('leaves what was changed here since both were one, and brings together what both changed', function () {
    $base = Outline::map("Lanterns\n\tPaper\n\t\tTissue\n\tFrames\n\t\tReed\n\t\tWire\n\tBoats\n\tSongs\n");
    done($base, 'topic.note', ['topics' => [titled($base, 'Wire')], 'note' => 'Thin. From the smith.']);
    done($base, 'crosslink.tie', ['topics' => [titled($base, 'Reed')], 'to' => titled($base, 'Boats'), 'as' => ['01m8jzzzzzzzzzzzzzzzzzzzz1']]);
    [$own, $other] = [clone $base, clone $base];
    // Here: one said otherwise, one moved, one added, one removed, a tie gone.
    done($own, 'topic.retitle', ['topic' => titled($own, 'Reed'), 'title' => 'Split reed']);
    done($own, 'topic.move', ['topics' => [titled($own, 'Tissue')], 'parent' => titled($own, 'Frames')]);
    done($own, 'topic.add', ['parent' => titled($own, 'Boats'), 'topic' => ['title' => 'Oars']]);
    done($own, 'topic.remove', ['topics' => [titled($own, 'Songs')]]);
    done($own, 'row.remove', ['type' => 'crosslink', 'rows' => ['01m8jzzzzzzzzzzzzzzzzzzzz1']]);
    done($own, 'topic.note', ['topics' => [titled($own, 'Wire')], 'note' => 'Very thin. From the smith.']);
    // There: one added, one removed that had something added here, the same note.
    done($other, 'topic.add', ['parent' => titled($other, 'Paper'), 'topic' => ['title' => 'Glue']]);
    done($other, 'topic.remove', ['topics' => [titled($other, 'Boats')]]);
    done($other, 'topic.note', ['topics' => [titled($other, 'Wire')], 'note' => 'Thin. From the smith at the quay.']);
    $its = MapDifferences::of($own, $other, true, $base);
    $told = array_map(fn (array $one): string => "{$one['sort']} {$one['title']} ".implode(', ', $one['facts']), $its->all);
    expect($told)->toBe(['new Glue ', 'changed Wire ', 'gone Boats changed here since'])
        // What both made of the note stands in it.
        ->and($its->all[1]['edits'][0]['note'])->toBe('Very thin. From the smith at the quay.');
    takeOver($own, $its, [0, 1]);
    expect(Outline::of($own))->toBe("Lanterns\n\tPaper\n\t\tGlue\n\tFrames\n\t\tSplit reed\n\t\tWire || Very thin. From the smith at the quay.\n\t\tTissue\n\tBoats\n\t\tOars\n");
    // Without knowing what both were, all of it is told.
    expect(count(MapDifferences::of($own, $other, true)->all))->toBeGreaterThan(4);
});

it('says so where the other goes on with what was removed here, and where both moved one topic', function () {
    $base = Outline::map("A\n\tB\n\t\tC\n\tD\n\tE\n\tF\n");
    [$own, $other] = [clone $base, clone $base];
    done($own, 'topic.remove', ['topics' => [titled($own, 'B')]]);
    done($own, 'topic.move', ['topics' => [titled($own, 'F')], 'parent' => titled($own, 'D')]);
    done($other, 'topic.add', ['parent' => titled($other, 'C'), 'topic' => ['title' => 'New']]);
    done($other, 'topic.move', ['topics' => [titled($other, 'F')], 'parent' => titled($other, 'E')]);
    $told = array_map(fn (array $one): string => "{$one['sort']} {$one['title']} ({$one['topics']}) ".implode(', ', $one['facts']), MapDifferences::of($own, $other, true, $base)->all);
    expect($told)->toBe(['new B (3) removed here since', 'moved F (1) moved here too']);
});

it('has nothing to tell of a copy that was left as it was, and all of it where nothing was changed here, whatever it is', function (int $seed) {
    $chance = new Chance($seed);
    $base = RandomMaps::map($chance, 30, notes: true);
    $worked = clone $base;
    for ($i = 0; $i < 40; $i++) {
        try {
            ChalkTree\Edit\Edits::apply(RandomMaps::read(RandomMaps::edit($chance, $worked)), $worked);
        } catch (Refusal) {
            continue;
        }
    }
    expect(MapDifferences::of($worked, $base, true, $base)->all)->toBe([]);
    $all = MapDifferences::of($base, $worked, true, $base);
    $sorts = fn (MapDifferences $its): array => array_map(fn (array $one): string => "{$one['sort']} {$one['topic']}", $its->all);
    expect($sorts($all))->toBe($sorts(MapDifferences::of($base, $worked, true)));
    $own = clone $base;
    takeOver($own, $all);
    $problems = array_filter(array_map(fn (ChalkTree\Map\Topic $topic): ?string => TreeCheck::problemAt($own, $topic), $own->all()));
    expect($problems)->toBe([]);
})->with([1, 2, 3, 4, 5, 6, 7, 8]);

it('says so where the other says something else of what was removed here, or hung something there', function () {
    $base = Outline::map("A\n\tB\n\t\tC\n\tD\n\t\tE\n\tF\n\tG\n");
    [$own, $other] = [clone $base, clone $base];
    done($own, 'topic.remove', ['topics' => [titled($own, 'B'), titled($own, 'D'), titled($own, 'G')]]);
    done($other, 'task.set', ['topics' => [titled($other, 'C')], 'by' => '2027-01-01', 'today' => '2026-05-01']);
    done($other, 'topic.move', ['topics' => [titled($other, 'F')], 'parent' => titled($other, 'E')]);
    $its = MapDifferences::of($own, $other, true, $base);
    expect(array_map(fn (array $one): string => "{$one['sort']} {$one['title']} ({$one['topics']}) ".implode(', ', $one['facts']), $its->all))->toBe(['new B (2) removed here since', 'new D (2) removed here since', 'moved F (1) ']);
    takeOver($own, $its);
    expect(Outline::of($own))->toBe("A\n\tB\n\t\tC\n\tD\n\t\tE\n\t\t\tF\n");
});

it('brings texts together once, however often one copy comes back', function (string $was, string $here, string $there, string $both) {
    $base = Outline::map("A\n\tB\n");
    done($base, 'topic.note', ['topics' => [titled($base, 'B')], 'note' => $was]);
    [$own, $other] = [clone $base, clone $base];
    done($own, 'topic.note', ['topics' => [titled($own, 'B')], 'note' => $here]);
    done($other, 'topic.note', ['topics' => [titled($other, 'B')], 'note' => $there]);
    takeOver($own, MapDifferences::of($own, $other, true, $base));
    expect($own->topic(titled($own, 'B'))->note)->toBe($both)->and(MapDifferences::of($own, $other, true, $base)->all)->toBe([]);
})->with([
    'where nothing stood' => ['', 'Moored at noon', 'Thin wire', 'Moored at noon / Thin wire'],
    'paragraphs where nothing stood' => ['', "# Wire\n\nThin.", 'From the smith.', "# Wire\n\nThin.\n\nFrom the smith."],
    'at one place' => ['The boat sails', 'The ferry sails', 'The ship sails', 'The ferry / ship sails'],
    'within one word' => ['The boat sails', 'The boats sails', 'The longboat sails', 'The longboats sails'],
    'at two places' => ['One. Two. Three.', 'One. And two. Three.', 'One. Two. Three. Four.', 'One. And two. Three. Four.'],
    'where one only took out' => ['One two three four', 'One two and three four', 'One two three', 'One two and three'],
]);

it('puts topics that both moved among those beside them where the other has them, once', function (array $here, array $there, string $after) {
    $base = Outline::map("R\n\tA\n\tB\n\tC\n\tD\n\tE\n");
    [$own, $other] = [clone $base, clone $base];
    foreach ([[$own, $here], [$other, $there]] as [$map, $moves]) {
        foreach ($moves as $title => $before) {
            done($map, 'topic.move', ['topics' => [titled($map, (string) $title)], 'before' => titled($map, $before)]);
        }
    }
    takeOver($own, MapDifferences::of($own, $other, true, $base));
    expect(str_replace(["\n\t", "\n"], ['', ''], Outline::of($own)))->toBe("R{$after}")->and(MapDifferences::of($own, $other, true, $base)->all)->toBe([]);
})->with([
    'there alone' => [[], ['E' => 'A'], 'EABCD'],
    'here alone' => [['E' => 'A'], [], 'EABCD'],
    'each another one' => [['B' => 'A'], ['E' => 'D'], 'BACED'],
    'both the same one to the same place' => [['E' => 'A'], ['E' => 'A'], 'EABCD'],
    'both the same one to two places' => [['E' => 'A'], ['E' => 'C'], 'ABECD'],
    'two together' => [['C' => 'A'], ['E' => 'A', 'D' => 'E'], 'DECAB'],
]);

it('leaves all that was added in either, whatever was done in both', function (int $seed) {
    $chance = new Chance($seed);
    $base = RandomMaps::map($chance, 30, notes: true);
    [$own, $other] = [clone $base, clone $base];
    foreach ([$own, $other] as $map) {
        for ($i = 0; $i < 30; $i++) {
            try {
                ChalkTree\Edit\Edits::apply(RandomMaps::read(RandomMaps::edit($chance, $map)), $map);
            } catch (Refusal) {
                continue;
            }
        }
    }
    $added = fn (TopicMap $map): array => array_map(strval(...), array_keys(array_diff_key($map->everything(), $base->everything())));
    [$here, $there] = [$added($own), $added($other)];
    $its = MapDifferences::of($own, $other, true, $base);
    $paired = MapPairs::of($own, $other)->own;
    foreach (array_keys($its->all) as $n) {
        try {
            takeOver($own, $its, [$n]);
        } catch (Refusal) {
            // Both hung one below the other: whoever takes over decides.
            continue;
        }
    }
    $problems = array_filter(array_map(fn (ChalkTree\Map\Topic $topic): ?string => TreeCheck::problemAt($own, $topic), $own->all()));
    $missing = array_filter([...$here, ...array_map(fn (string $id): string => $paired[$id] ?? $id, $there)], fn (string $id): bool => $own->find($id) === null);
    expect($problems)->toBe([])->and($missing)->toBe([]);
})->with(range(1, 12));

it('knows topics again by what they say and where they stand, where they have no ids in common', function () {
    $own = Outline::map("Lanterns\n\tPaper\n\t\tTissue paper\n\tFrames\n\t\tReed\n\t\tWire\n");
    $other = Outline::map("LANTERNS\n\tFrames\n\t\tReed\n\t\tWire\n\t\tPaper\n\tPaper\n\t\tThin tissue paper\n\t\tGlue\n");
    $pairs = MapPairs::of($own, $other);
    $named = array_map(fn (string $other, string $mine): array => [$own->topic($mine)->title], array_keys($pairs->own), $pairs->own);
    expect($named)->toHaveCount(6)->and(otherwise($own, $other))->toContain('changed Lanterns', 'changed Tissue paper', 'new Glue', 'new Paper')->not->toContain('gone Paper');
    takeOver($own, MapDifferences::of($own, $other, true));
    expect(Outline::of($own))->toBe(Outline::of($other))->and(otherwise($own, $other))->toBe([]);
});

it('knows a topic again that is called otherwise by what stands below it, or where its title goes on', function () {
    expect(otherwise(Outline::map("Root\n\tOne\n\t\ta\n\t\tb\n\tPaper\n"), Outline::map("Root\n\tAnother\n\t\ta\n\t\tb\n\tPaper from the mill\n\tOther paper\n")))->toBe(['changed One', 'changed Paper', 'new Other paper']);
});

it('lets stay what was moved out of a branch that is gone', function () {
    $own = Outline::map("Root\n\tA\n\t\tkept\n\t\tlost\n\tB\n");
    $other = clone $own;
    done($other, 'topic.move', ['topics' => [titled($other, 'kept')], 'parent' => titled($other, 'B')]);
    done($other, 'topic.remove', ['topics' => [titled($other, 'A')]]);
    foreach ([['gone A', 'gone lost'], ['gone lost', 'gone A']] as $wanted) {
        $map = clone $own;
        $its = MapDifferences::of($map, $other, true);
        $numbers = array_map(fn (string $one): int => array_search($one, otherwise($map, $other), true), $wanted);
        takeOver($map, $its, $numbers);
        expect(Outline::of($map))->toContain('kept')->not->toContain('lost')->and(TreeCheck::problems($map))->toBe([]);
    }
});

it('has a map as the other has it once all is taken over', function (int $seed) {
    $chance = new Chance(40_000 + $seed);
    $own = RandomMaps::map($chance, $chance->int(2, 25), notes: true);
    RandomFacts::put($chance, $own, array_map(strval(...), array_keys($own->all())));
    $other = clone $own;
    for ($i = $chance->int(1, 15); $i > 0; $i--) {
        $body = RandomMaps::edit($chance, $other);
        try {
            ChalkTree\Edit\Edits::apply(RandomMaps::read($body), $other, 5, 'Ines Aske');
        } catch (Refusal) {
        }
    }
    expect(otherwise($own, $own))->toBe([]);
    $map = clone $own;
    takeOver($map, MapDifferences::of($map, $other, true));
    // What a topic loses where it stood, or a brace when those that it holds move, is told and taken over once more.
    takeOver($map, MapDifferences::of($map, $other, true));
    expect(TreeCheck::problems($map))->toBe([])->and(otherwise($map, $other))->toBe([])
        ->and(array_map(fn ($topic): string => $topic->title, array_values($map->branch($map->sheet()->root))))->toBe(array_map(fn ($topic): string => $topic->title, array_values($other->branch($other->sheet()->root))));
})->with(range(1, 60));

it('takes over from a map without any id in common what a file of ours says', function (int $seed) {
    $chance = new Chance(41_000 + $seed);
    $own = RandomMaps::map($chance, $chance->int(2, 20), notes: true);
    $other = Formats::read(Formats::write(RandomMaps::map($chance, $chance->int(2, 20), notes: true), 'txt'), 'txt');
    // A to-do that repeats makes the next one by itself.
    foreach ([$own, $other] as $map) {
        array_map(fn ($row) => $map->drop($row::type(), $row->id), array_filter($map->living(), fn ($row): bool => $row::type() === 'task'));
    }
    takeOver($own, MapDifferences::of($own, $other, false));
    expect(TreeCheck::problems($own))->toBe([])->and(array_map(fn ($topic): string => $topic->title, array_values($own->branch($own->sheet()->root))))->toBe(array_map(fn ($topic): string => $topic->title, array_values($other->branch($other->sheet()->root))));
})->with(range(1, 25));

it('finds the longest run that ascends', function () {
    expect(Ascending::longest([]))->toBe([])->and(Ascending::longest([3, 1, 2, 0, 4]))->toBe([1, 2, 4])->and(Ascending::longest([5, 4, 3]))->toHaveCount(1);
});

it('draws what is new in its order and its place, however much there is', function () {
    $own = Outline::map("Root\n\tA\n\tB\n");
    $other = Outline::map("Root\n\tnew 0\n\tA\n".implode('', array_map(fn (int $n): string => "\tnew {$n}\n", range(1, 300)))."\tB\n\t\tbelow\n");
    expect(Outline::of(MapDifferences::of($own, $other, false)->merged()))->toBe(Outline::of($other));
});
