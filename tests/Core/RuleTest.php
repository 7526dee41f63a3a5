<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Ask\Condition;
use ChalkTree\Ask\Moment;
use ChalkTree\Draw\Primitive;
use ChalkTree\Draw\SlipParts;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Look\LookPlace;
use ChalkTree\Look\LookResolver;
use ChalkTree\Look\Looks;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\Rule\RuleSet;
use Tests\Support\Chance;
use Tests\Support\Outline;
use Tests\Support\RandomFacts;
use Tests\Support\RandomMaps;

/** @param  array<string, mixed>  $condition  with titles in place of ids of topics */
function hits(TopicMap $map, array $condition, string $today = A_DAY): array
{
    $condition = json_decode((string) preg_replace_callback('/"@([^"]+)"/', fn (array $m): string => json_encode(titled($map, $m[1]), JSON_THROW_ON_ERROR), (string) json_encode($condition)), true);
    $read = Condition::of((string) json_encode($condition)) ?? throw new RuntimeException('No condition.');
    $now = new Moment($map, $today);

    return array_values(array_map(fn ($topic): string => $topic->title, array_filter($map->all(), fn ($topic): bool => $read->holds($now, $topic->id))));
}

function ruled(TopicMap $map, array $condition, array $fields = []): string
{
    done($map, 'row.set', ['type' => 'rule', 'row' => $id = Ids::next(), 'fields' => ['name' => 'Mine', 'when' => json_encode($condition)] + $fields]);

    return $id;
}

/** A map in which each thing that can be asked is there. */
function askedMap(): TopicMap
{
    $map = Outline::map("Season || the lanterns\n\tLanterns\n\t\tPaper\n\t\tWillow\n\tBoats\n\t\tTar || hot\n");
    foreach (ShippedKinds::rows() as $row) {
        $map->put($row);
    }
    setTask($map, 'Paper', ['who' => 'Ines', 'by' => '2026-11-20', 'progress' => 30]);
    setTask($map, 'Willow', ['who' => 'Theo', 'by' => '2026-12-01']);
    setTask($map, 'Tar', ['progress' => 100]);
    done($map, 'kind.give', ['topics' => [titled($map, 'Boats')], 'kind' => ShippedKinds::kindId('expense'), 'today' => A_DAY]);
    foreach (['cost' => '120', 'date' => '2026-12-24', 'present' => 'Ada', 'place' => 'Net loft', 'source-sort' => 'letter'] as $field => $value) {
        done($map, 'value.set', ['topics' => [titled($map, 'Boats')], 'field' => ShippedKinds::fieldId($field), 'value' => $value, 'today' => A_DAY]);
    }
    done($map, 'row.set', ['type' => 'stamps', 'topics' => [titled($map, 'Tar')], 'fields' => ['idea' => true]]);
    done($map, 'row.set', ['type' => 'tag', 'row' => '01m83fb3nbvantw04nps62efzp', 'fields' => ['name' => 'wet']]);
    done($map, 'topic.tag', ['topics' => [titled($map, 'Boats')], 'tag' => '01m83fb3nbvantw04nps62efzp']);

    return $map;
}

it('asks for everything that there is of a topic', function (array $condition, array $titles, string $words) {
    $map = askedMap();
    expect(hits($map, $condition))->toBe($titles)
        ->and(Condition::of((string) preg_replace_callback('/"@([^"]+)"/', fn (array $m): string => '"'.titled($map, $m[1]).'"', (string) json_encode($condition)))?->words(new Moment($map, A_DAY)))->toBe($words);
})->with(function () {
    $field = fn (string $word, string $how, string $than = ''): array => ['ask' => 'field', 'field' => ShippedKinds::fieldId($word), 'how' => $how] + ($than === '' ? [] : ['than' => $than]);

    return [
        [['ask' => 'text', 'has' => 'LANTERN'], ['Season', 'Lanterns'], 'text “LANTERN”'],
        [['ask' => 'text', 'has' => 'lantern', 'in' => 'note'], ['Season'], 'note “lantern”'],
        [['ask' => 'level', 'how' => 'over', 'than' => 1], ['Paper', 'Willow', 'Tar'], 'level over 1'],
        [['ask' => 'level', 'how' => 'is', 'than' => 0], ['Season'], 'level is 0'],
        [['ask' => 'below', 'topic' => '@Lanterns'], ['Paper', 'Willow'], 'below “Lanterns”'],
        [['ask' => 'has', 'what' => 'note'], ['Season', 'Tar'], 'has a note'],
        [['ask' => 'has', 'what' => 'subtopics'], ['Season', 'Lanterns', 'Boats'], 'has subtopics'],
        [['ask' => 'has', 'what' => 'stamp'], ['Tar'], 'has a stamp'],
        [['ask' => 'who', 'is' => 'INES'], ['Paper'], 'who INES'],
        [['ask' => 'who', 'is' => 'ada'], ['Boats'], 'who ada'],
        [['ask' => 'kind', 'is' => ShippedKinds::kindId('expense')], ['Boats'], 'kind Expense'],
        [['ask' => 'kind', 'is' => null], ['Boats'], 'of any kind'],
        [['ask' => 'tag', 'is' => '01m83fb3nbvantw04nps62efzp'], ['Boats'], 'tag wet'],
        [['ask' => 'stamp', 'is' => 'stamp:idea'], ['Tar'], 'stamp idea'],
        [$field('cost', 'over', '100'), ['Boats'], 'Cost over 100'],
        [$field('cost', 'under', '100'), [], 'Cost under 100'],
        [$field('date', 'is', 'next-month'), ['Boats'], 'Date next month'],
        [$field('date', 'under', 'today+7'), [], 'Date before 7 days from today'],
        [$field('place', 'has', 'net'), ['Boats'], 'Place has “net”'],
        [$field('present', 'is', 'ada'), ['Boats'], 'Present is ada'],
        [$field('source-sort', 'is', 'Letter'), ['Boats'], 'Sort of source is Letter'],
        [['all' => [$field('cost', 'empty'), ['ask' => 'kind', 'is' => null]]], [], 'Cost empty and of any kind'],
        [['ask' => 'todo', 'is' => 'any'], ['Paper', 'Willow', 'Tar'], 'a to-do'],
        [['ask' => 'todo', 'is' => 'not-done'], ['Paper', 'Willow'], 'not done'],
        [['ask' => 'todo', 'is' => 'doing'], ['Paper'], 'under way'],
        [['ask' => 'todo', 'is' => 'gathers'], ['Season', 'Lanterns', 'Boats'], 'has to-dos below'],
        [['ask' => 'todo', 'is' => 'overdue'], ['Paper'], 'overdue'],
        [['ask' => 'due', 'how' => 'is', 'than' => 'next-week'], ['Willow'], 'due next week'],
        [['ask' => 'due', 'of' => 'done', 'how' => 'is', 'than' => 'today'], ['Tar'], 'done today'],
        [['ask' => 'progress', 'how' => 'over', 'than' => 20], ['Season', 'Paper', 'Boats', 'Tar'], 'progress over 20 %'],
        [['not' => ['ask' => 'level', 'how' => 'under', 'than' => 2]], ['Paper', 'Willow', 'Tar'], 'not level under 2'],
        [['any' => [['all' => [['ask' => 'who', 'is' => 'Ines'], ['ask' => 'todo', 'is' => 'open']]], ['ask' => 'stamp', 'is' => 'stamp:idea']]], ['Tar'], '(who Ines and open) or stamp idea'],
        [['all' => []], ['Season', 'Lanterns', 'Paper', 'Willow', 'Boats', 'Tar'], 'every topic'],
        [['any' => []], [], 'no topic'],
    ];
});

it('refuses conditions of a wrong form, with a sentence', function (mixed $condition) {
    $map = askedMap();
    expect(Condition::of((string) json_encode($condition)))->toBeNull()
        ->and(fn () => ruled($map, (array) $condition))->toThrow(InvalidEdit::class);
})->with([
    [[]], [['ask' => 'colour']], [['ask' => 'text', 'has' => '']], [['ask' => 'text', 'has' => 'a', 'in' => 'title', 'x' => 1]], [['all' => ['x']]], [['all' => [['ask' => 'todo', 'is' => 'late']]]], [['ask' => 'due', 'how' => 'is', 'than' => 'soon']],
    [['ask' => 'field', 'field' => 'x', 'how' => 'is', 'than' => 'a']], [['ask' => 'has', 'what' => 'wings']], [['ask' => 'stamp', 'is' => 'chalk:tide']], [['ask' => 'level', 'how' => 'is', 'than' => -1]],
    [['all' => array_fill(0, 61, ['ask' => 'kind', 'is' => null])]], [['not' => ['not' => ['not' => ['not' => ['not' => ['not' => ['not' => ['not' => ['ask' => 'kind', 'is' => null]]]]]]]]]],
]);

it('joins conditions as logic has it', function (int $seed) {
    $chance = new Chance(9300 + $seed);
    $map = RandomMaps::map($chance, 25);
    RandomFacts::put($chance, $map, array_map(strval(...), array_keys($map->all())));
    $ids = array_map(strval(...), array_keys($map->all()));
    [$a, $b] = [RandomFacts::condition($chance, $ids), RandomFacts::condition($chance, $ids)];
    $of = fn (array $condition): array => array_values(array_filter($ids, fn (string $id): bool => Condition::of((string) json_encode($condition))?->holds(new Moment($map, A_DAY), $id) === true));
    [$inA, $inB] = [$of($a), $of($b)];
    expect($of(['all' => [$a, $b]]))->toBe(array_values(array_intersect($inA, $inB)))
        ->and($of(['not' => $a]))->toBe(array_values(array_diff($ids, $inA)))
        ->and($of(['any' => [$a, $b]]))->toBe($of(['not' => ['all' => [['not' => $a], ['not' => $b]]]]));
})->with(range(1, 30));

it('lets topics look as rules say, over what was set by hand unless a rule yields, and says why', function () {
    $map = askedMap();
    $tar = titled($map, 'Tar');
    done($map, 'row.set', ['type' => 'look', 'topics' => [$tar], 'fields' => ['size' => 40, 'fill' => 'slip']]);
    $mine = ruled($map, ['ask' => 'stamp', 'is' => 'stamp:idea'], ['size' => 20, 'place' => 10, 'stamps' => 'stamp:question']);
    $look = fn () => Layout::of($map, new View(today: A_DAY))->slips()[$tar]->look;
    expect($look()->type->size)->toBe(20.0);
    $why = function () use ($map, $tar): array {
        $looks = new LookResolver(Looks::standard());
        $looks->read($map, new Moment($map, A_DAY));

        return $looks->why($tar, 2);
    };
    expect($why()['size'])->toBe(['value' => 20, 'place' => LookPlace::Rule, 'row' => null, 'words' => 'the rule “Mine”'])
        ->and($why()['ink']['words'])->toBe('the rule “Done”')->and(inBox($map, $tar))->toContain('stamps stamp:question stamp:done');
    done($map, 'row.set', ['type' => 'rule', 'row' => $mine, 'fields' => ['yields' => true]]);
    expect($look()->type->size)->toBe(40.0);
    // Rules hold in their order: what is said later holds.
    ruled($map, ['ask' => 'todo', 'is' => 'done'], ['ink' => 'chalk:coral', 'place' => 900]);
    expect($look()->type->ink)->toBe('chalk:coral');
    done($map, 'row.set', ['type' => 'rule', 'row' => array_key_last($map->rowsOf(\ChalkTree\Rule\LookRule::class)), 'fields' => ['off' => true]]);
    expect($look()->type->ink)->toBe('soft');
});

it('brings looks for open, under way, done and overdue, each told by its form, where there are to-dos', function () {
    $map = Outline::map("Season\n\tA\n\tB\n\tC\n\tD\n");
    $edges = function () use ($map): array {
        $slips = Layout::of($map, new View(today: A_DAY))->slips();

        return array_map(fn (string $title): array => [$slips[titled($map, $title)]->look->box->edge, $slips[titled($map, $title)]->look->box->edgeDash, (float) $slips[titled($map, $title)]->look->box->edgeThick, inBox($map, titled($map, $title))], ['A', 'B', 'C', 'D']);
    };
    expect(RuleSet::rows($map))->toBe([]);
    setTask($map, ['A', 'B', 'C', 'D'], []);
    setTask($map, 'B', ['progress' => 30]);
    setTask($map, 'C', ['progress' => 100]);
    setTask($map, 'D', ['by' => '2026-11-01']);
    expect($edges())->toBe([
        ['soft', 'dashed', 1.0, []], ['chalk:tide', 'solid', 2.0, ['spine 30', 'task 30 %']], ['', 'solid', 1.0, ['stamps stamp:done', 'task done Fri 27 Nov']],
        ['chalk:ember', 'solid', 3.0, ['stamps stamp:warning', 'task by Sun 1 Nov']],
    ])->and(array_column(array_map(fn ($rule): array => $rule->saying(), RuleSet::rows($map)), 'name'))->toBe(['To-dos below', 'Open', 'Under way', 'Done', 'Overdue']);
    // Nobody has to have them.
    done($map, 'row.set', ['type' => 'rule', 'row' => RuleSet::idOf('open'), 'fields' => ['name' => 'Open', 'off' => true]]);
    expect($edges()[0][0])->not->toBe('soft')->and(RuleSet::rows($map))->toHaveCount(5);
});

it('looks otherwise when only the day changes', function () {
    $map = Outline::map("Season\n\tA\n");
    setTask($map, 'A', ['by' => A_DAY]);
    $edge = fn (string $today): string => Layout::of($map, new View(today: $today))->slips()[titled($map, 'A')]->look->box->edge;
    expect($edge(A_DAY))->toBe('soft')->and($edge('2026-11-28'))->toBe('chalk:ember');
});

it('fills spines as far as topics are, whatever way they grow, and underlines what has none', function (string $arrangement) {
    $map = Outline::map("Season\n\tA\n\t\tB\n\tC\n");
    done($map, 'map.arrange', ['arrangement' => $arrangement]);
    setTask($map, 'B', ['progress' => 40]);
    setTask($map, 'C', ['progress' => 80]);
    $draw = new SlipParts;
    foreach (Layout::of($map, new View(today: A_DAY))->slips() as $slip) {
        $strokes = array_values(array_filter($draw->of($slip), fn (Primitive $part): bool => $part->part === 'progress'));
        expect($strokes)->toHaveCount(1);
        preg_match('/^M([\d.-]+) ([\d.-]+)([hv])([\d.-]+)$/', (string) $strokes[0]->what['d'], $m);
        [$x, $y] = [(float) $m[1], (float) $m[2]];
        [$endX, $endY] = $m[3] === 'h' ? [$x + (float) $m[4], $y] : [$x, $y + (float) $m[4]];
        expect($x >= 0 && $endX <= $slip->w && min($y, $endY) >= 0 && $y <= $slip->h)->toBeTrue();
    }
})->with(['both-sides', 'rightward', 'top-down', 'bottom-up', 'stepped-list', 'fishbone', 'grid', 'round']);
