<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Memory;
use ChalkTree\Arrange\Touched;
use ChalkTree\Arrange\View;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\RollUps;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Kind\Kind;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Kind\TopicKind;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\Refusal;
use ChalkTree\Task\Finding;
use ChalkTree\Task\Remark;
use ChalkTree\Task\Reminder;
use ChalkTree\Task\Task;
use ChalkTree\Task\Tasks;
use ChalkTree\Task\Todos;
use Tests\Support\Chance;
use Tests\Support\Outline;
use Tests\Support\RandomFacts;
use Tests\Support\RandomMaps;

/** Two projects with to-dos below them, and one beside. */
function projects(): TopicMap
{
    return Outline::map("Season\n\tLanterns\n\t\tPaper\n\t\tWillow\n\tBoats\n\t\tTar\nLoose\n");
}

function task(TopicMap $map, string $title): Task
{
    return Tasks::task($map, titled($map, $title)) ?? throw new RuntimeException("{$title} is no to-do.");
}

function reportOn(TopicMap $map, string $title, ?int $progress, string $said = '', array $more = []): void
{
    done($map, 'task.report', ['topics' => [titled($map, $title)], 'progress' => $progress, 'on' => A_DAY, 'said' => $said] + $more);
}

it('takes who and by when as they are typed, and tells them on the topic', function () {
    $map = projects();
    setTask($map, 'Paper', ['who' => 'Ines, Theo', 'by' => 'fri', 'begins' => 'tomorrow', 'effort' => 3]);
    expect(task($map, 'Paper')->saying())->toBe(['is' => true, 'who' => "Ines\nTheo", 'by' => '2026-12-04', 'begins' => '2026-11-28', 'effort' => 3])
        ->and(inBox($map, titled($map, 'Paper'))[0])->toBe('task Ines, Theo · by Fri 4 Dec');
    setTask($map, 'Paper', ['progress' => 40, 'who' => 'Ada, Bo, Cy, Di, Ed']);
    expect(inBox($map, titled($map, 'Paper')))->toContain('task Ada, Bo, Cy and 2 more · by Fri 4 Dec · 40 %');
    setTask($map, 'Paper', ['progress' => 100, 'by' => '', 'who' => '']);
    expect(task($map, 'Paper')->text('done'))->toBe(A_DAY)->and(inBox($map, titled($map, 'Paper')))->toContain('task done Fri 27 Nov');
    // It is done no more, and so not on a day either.
    setTask($map, 'Paper', ['progress' => 90]);
    expect(task($map, 'Paper')->text('done'))->toBe('');
});

it('refuses what is no day, or begins after it is due', function (array $fields, string $says) {
    $map = projects();
    setTask($map, 'Paper', ['by' => '2026-12-04']);
    $before = RandomMaps::contents($map);
    expect(fn () => setTask($map, 'Paper', $fields))->toThrow(InvalidEdit::class, $says)->and(RandomMaps::contents($map))->toBe($before);
})->with([
    [['by' => 'whenever'], 'This wants a day'], [['begins' => '2026-12-05'], 'begins before it is due'], [['who' => str_repeat('a', 200)], 'at most 60 people'], [['effort' => 0], 'whole number'], [['progress' => 101], 'whole number'],
    [['by' => '', 'repeats' => 'weekly'], 'needs a date'], [['repeats' => 'hourly'], 'one of'], [['remind' => 400], 'whole number'], [['by' => '', 'remind' => 3], 'needs one'],
]);

it('keeps a log of what was said, dated and signed, which can be corrected', function () {
    $map = projects();
    reportOn($map, 'Paper', 30, 'Half the sheets are cut.');
    reportOn($map, 'Paper', null, 'Blue is out.', ['private' => true]);
    reportOn($map, 'Paper', 60);
    $log = array_values(array_map(fn (Remark $remark): array => array_diff_key($remark->saying(), ['at' => 1]), $map->rowsOf(Remark::class)));
    expect(task($map, 'Paper')->progress())->toBe(60)->and($log)->toBe([
        ['on' => A_DAY, 'said' => 'Half the sheets are cut.', 'progress' => 30, 'who' => 'Ines Aske'],
        ['on' => A_DAY, 'said' => 'Blue is out.', 'who' => 'Ines Aske', 'private' => true],
        ['on' => A_DAY, 'progress' => 60, 'who' => 'Ines Aske'],
    ]);
    $first = (string) array_key_first($map->rowsOf(Remark::class));
    done($map, 'row.set', ['type' => 'remark', 'row' => $first, 'fields' => ['said' => 'A third is cut.', 'on' => '2026-11-26']]);
    expect($map->rowsOf(Remark::class)[$first]->text('said'))->toBe('A third is cut.');
    done($map, 'row.remove', ['type' => 'remark', 'rows' => [$first]]);
    expect($map->rowsOf(Remark::class))->toHaveCount(2);
    // What is private does not leave, and does not stop the rest from leaving.
    $out = Outgoing::of($map);
    expect(array_values(array_map(fn (Remark $remark): string => $remark->text('said'), $out->rowsOf(Remark::class))))->toBe(['']);
    expect(fn () => reportOn($map, 'Paper', null))->toThrow(InvalidEdit::class, 'Say how far it is, or a remark.');
});

it('shows on parents how far is what is below, weighted by effort, and keeps their own apart', function () {
    $map = projects();
    setTask($map, 'Paper', ['progress' => 100, 'effort' => 1]);
    setTask($map, 'Willow', ['progress' => 0, 'effort' => 3]);
    setTask($map, 'Tar', ['progress' => 50, 'effort' => 4]);
    $tasks = new Tasks(new Moment($map, A_DAY));
    expect($tasks->progress(titled($map, 'Lanterns')))->toBe(25.0)->and($tasks->progress(titled($map, 'Season')))->toBe(37.5)
        ->and(inBox($map, titled($map, 'Lanterns')))->toBe(['spine 25', 'task 1 of 2 done · 25 %'])
        ->and($tasks->state(titled($map, 'Lanterns')))->toBeNull();
    // A to-do with others below is as far as these; what is said of itself stays.
    setTask($map, 'Lanterns', ['progress' => 80, 'effort' => 100]);
    $tasks = new Tasks(new Moment($map, A_DAY));
    expect($tasks->progress(titled($map, 'Lanterns')))->toBe(25.0)->and(task($map, 'Lanterns')->progress())->toBe(80)->and($tasks->progress(titled($map, 'Season')))->toBe(37.5);
});

it('tells on parents what is to be done below, when a kind makes it so or does not any more', function (array $fields, int $of) {
    $map = Outline::map("Plan\n\tBoats\n\t\tPaint hull\n\t\tBuy rope");
    $map->put(Task::fromFields(Outline::id($map, 'Buy rope'), ['is' => true]));
    $map->put($kind = Kind::fromFields(Ids::next(), ['name' => 'Chore', 'todo' => true]));
    $map->put(TopicKind::fromFields(Outline::id($map, 'Paint hull'), ['kind' => $kind->id]));
    $layout = Layout::of($map, new View);
    $told = fn (): string => (string) json_encode($layout->scene()->slips[Outline::id($map, 'Boats')]->face());
    expect($told())->toContain('0 of 2 done');
    $layout->draw($map, new View, Touched::by($map, Edits::apply(RandomMaps::read($fields === [] ? ['name' => 'row.remove', 'type' => 'kind', 'rows' => [$kind->id]] : ['name' => 'row.set', 'type' => 'kind', 'row' => $kind->id, 'fields' => $fields]), $map)));
    expect($told())->toContain("0 of {$of} done");
})->with(['a kind that goes' => [[], 1], 'one that makes nothing to be done any more' => [['todo' => false], 1], 'one that is called otherwise' => [['name' => 'Duty'], 2]]);

it('finds what is overdue, due soon, without anyone, due after its parent, or begun before its time', function () {
    $map = projects();
    setTask($map, 'Paper', ['by' => '2026-11-26', 'who' => 'Ines']);
    setTask($map, 'Willow', ['by' => '2026-12-04', 'who' => 'Theo', 'progress' => 20]);
    setTask($map, 'Lanterns', ['by' => '2026-12-01', 'who' => 'Ada']);
    setTask($map, 'Tar', []);
    done($map, 'crosslink.tie', ['topics' => [titled($map, 'Paper')], 'to' => titled($map, 'Willow'), 'as' => [$link = Ids::next()]]);
    done($map, 'row.set', ['type' => 'crosslink', 'row' => $link, 'fields' => ['phrase' => 'Before']]);
    $found = function (string $title) use ($map): array {
        return array_map(fn (Finding $finding): string => $finding->value, (new Tasks(new Moment($map, A_DAY)))->found(titled($map, $title)));
    };
    expect($found('Paper'))->toBe(['overdue'])->and($found('Willow'))->toBe(['soon', 'after-parent', 'before-time'])->and($found('Lanterns'))->toBe(['soon'])->and($found('Tar'))->toBe(['nobody'])->and($found('Boats'))->toBe([]);
    reportOn($map, 'Paper', 100);
    expect($found('Paper'))->toBe([])->and($found('Willow'))->toBe(['soon', 'after-parent']);
    expect(array_map(fn (array $todo): array => [$todo['title'], $todo['progress'], $todo['trail'], $todo['state']], Todos::of(new Moment($map, A_DAY))))->toBe([
        ['Lanterns', 60, '', 'doing'], ['Paper', 100, 'Lanterns', 'done'], ['Willow', 20, 'Lanterns', 'doing'], ['Tar', 0, 'Boats', 'open'],
    ]);
});

it('makes the next one when one that repeats is done, once', function (string $repeats, string $by, string $next) {
    $map = projects();
    setTask($map, 'Tar', ['who' => 'Ines', 'by' => $by, 'begins' => $by, 'effort' => 2, 'repeats' => $repeats]);
    done($map, 'row.set', ['type' => 'stamps', 'topics' => [titled($map, 'Tar')], 'fields' => ['idea' => true]]);
    $tar = titled($map, 'Tar');
    reportOn($map, 'Tar', 50);
    $changes = done($map, 'task.report', ['topics' => [$tar], 'progress' => 100, 'on' => A_DAY]);
    [, $new] = array_map(strval(...), array_keys($map->children(titled($map, 'Boats'))));
    $task = Tasks::task($map, $new);
    expect($task?->saying())->toBe(['is' => true, 'who' => 'Ines', 'by' => $next, 'begins' => $next, 'effort' => 2, 'repeats' => $repeats])
        ->and($map->row('stamps', $new)?->fields()['idea'])->toBeTrue()->and($map->rowsOf(Remark::class))->toHaveCount(2)
        ->and(Tasks::task($map, $tar)?->text('repeats'))->toBe('')->and(Tasks::task($map, $tar)?->text('done'))->toBe(A_DAY);
    $changes->reversed()->applyTo($map, new \ChalkTree\Edit\Recorder($map));
    expect($map->children(titled($map, 'Boats')))->toHaveCount(1);
})->with([['weekly', '2026-11-27', '2026-12-04'], ['two-weekly', '2026-11-27', '2026-12-11'], ['monthly', '2026-01-31', '2026-02-28'], ['yearly', '2028-02-29', '2029-02-28']]);

it('begins a branch again: days moved to a new start, weekdays kept, progress cleared, remarks left behind', function (bool $weekdays, string $by, string $date) {
    $map = Outline::map("Season\n\tFestival 2026\n\t\tPaper\n\t\tRehearsal\n\tOther\n");
    foreach (ShippedKinds::rows() as $row) {
        $map->put($row);
    }
    setTask($map, 'Paper', ['who' => 'Ines', 'begins' => '2026-09-01', 'by' => '2026-09-05', 'progress' => 40, 'effort' => 3]);
    reportOn($map, 'Paper', 100, 'All of it.');
    done($map, 'value.set', ['topics' => [titled($map, 'Rehearsal')], 'field' => ShippedKinds::fieldId('date'), 'value' => '2026-09-11', 'today' => A_DAY]);
    done($map, 'value.set', ['topics' => [titled($map, 'Rehearsal')], 'field' => ShippedKinds::fieldId('place'), 'value' => 'Net loft', 'today' => A_DAY]);
    $before = RandomMaps::contents($map);
    $changes = done($map, 'branch.again', ['topic' => titled($map, 'Festival 2026'), 'start' => '2027-09-01', 'today' => A_DAY, 'weekdays' => $weekdays, 'copy' => true, 'as' => $new = Ids::next()]);
    expect(Outline::of($map))->toBe("Season\n\tFestival 2026\n\t\tPaper\n\t\tRehearsal\n\tFestival 2027\n\t\tPaper\n\t\tRehearsal\n\tOther\n");
    [$paper, $rehearsal] = array_map(strval(...), array_keys($map->children($new)));
    expect(Tasks::task($map, $paper)?->saying())->toMatchArray(['who' => 'Ines', 'by' => $by, 'effort' => 3])->not->toHaveKey('progress')->not->toHaveKey('done')
        ->and(\ChalkTree\Kind\Kinds::values($map, $rehearsal))->toBe([ShippedKinds::fieldId('date') => $date, ShippedKinds::fieldId('place') => 'Net loft'])
        ->and(array_filter($map->rowsOf(Remark::class), fn (Remark $remark): bool => $remark->at() === $paper))->toBe([])
        ->and(task($map, 'Paper')->progress())->toBe(100);
    $changes->reversed()->applyTo($map, new \ChalkTree\Edit\Recorder($map));
    expect(RandomMaps::contents($map))->toBe($before);
    // In its own place, as for the copy of a whole map.
    done($map, 'branch.again', ['topic' => $map->root()->id, 'start' => '2027-09-01', 'today' => A_DAY, 'weekdays' => $weekdays]);
    expect(task($map, 'Paper')->text('by'))->toBe($by)->and(task($map, 'Paper')->progress())->toBe(0)->and($map->rowsOf(Remark::class))->toBe([]);
})->with([[true, '2027-09-04', '2027-09-10'], [false, '2027-09-05', '2027-09-11']]);

it('refuses to begin again what has no day, or a map beside itself', function (string $topic, array $arguments, string $says) {
    $map = projects();
    setTask($map, 'Tar', ['by' => '2026-12-01']);
    expect(fn () => done($map, 'branch.again', ['topic' => titled($map, $topic), 'start' => '2027-09-01', 'today' => A_DAY, 'copy' => true] + $arguments))->toThrow(InvalidEdit::class, $says)
        ->and(fn () => done($map, 'branch.again', ['topic' => titled($map, 'Tar'), 'start' => '3027-09-01', 'today' => A_DAY]))->toThrow(InvalidEdit::class, 'fifty years')
        ->and(fn () => done($map, 'branch.again', ['topic' => titled($map, 'Tar'), 'start' => 'whenever', 'today' => A_DAY]))->toThrow(InvalidEdit::class, 'wants a day');
})->with([['Lanterns', [], 'no day in this branch'], ['Season', [], 'cannot stand beside itself']]);

it('reminds from so many days before a date until it is done', function (int $days, string $today, ?string $when) {
    $map = projects();
    setTask($map, 'Paper', ['by' => '2026-12-04', 'remind' => $days]);
    $at = fn (): ?Reminder => Reminder::of(new Moment($map, $today), titled($map, 'Paper'));
    expect($at()?->when($today))->toBe($when);
    setTask($map, 'Paper', ['progress' => 100]);
    expect($at())->toBeNull();
})->with([
    [3, '2026-11-30', null], [3, '2026-12-01', 'in 3 days'], [3, '2026-12-03', 'tomorrow'], [0, '2026-12-03', null], [0, '2026-12-04', 'today'],
    [3, '2026-12-05', 'since yesterday'], [3, '2026-12-14', 'since 10 days ago'],
]);

it('reminds of nothing that has no date any more, and of the next one that repeats', function () {
    $map = projects();
    setTask($map, 'Paper', ['by' => '2026-12-04', 'remind' => 3, 'repeats' => 'weekly']);
    setTask($map, 'Paper', ['progress' => 100]);
    $next = array_values(array_filter($map->rowsOf(Task::class), fn (Task $task): bool => $task->text('by') === '2026-12-11'));
    expect(Reminder::of(new Moment($map, '2026-12-08'), $next[0]->id)?->by)->toBe('2026-12-11')
        ->and(Reminder::of(new Moment($map, '2026-12-08'), Ids::next()))->toBeNull();
    setTask($map, 'Tar', ['by' => '2026-12-04', 'remind' => 3]);
    setTask($map, 'Tar', ['by' => '']);
    expect(task($map, 'Tar')->saying())->toBe(['is' => true]);
});

it('takes topics of some kinds for to-dos without anything being said of them', function () {
    $map = projects();
    foreach (ShippedKinds::rows() as $row) {
        $map->put($row);
    }
    done($map, 'kind.give', ['topics' => [titled($map, 'Tar')], 'kind' => ShippedKinds::kindId('todo'), 'today' => A_DAY]);
    expect((new Tasks(new Moment($map, A_DAY)))->state(titled($map, 'Tar')))->toBe('open')->and((new Tasks(new Moment($map, A_DAY)))->progress(titled($map, 'Season')))->toBe(0.0);
    reportOn($map, 'Tar', 100);
    expect((new Tasks(new Moment($map, A_DAY)))->progress(titled($map, 'Season')))->toBe(100.0);
});

it('sums up after each of random edits just what summing up anew would', function (int $seed) {
    $chance = new Chance(9100 + $seed);
    $map = RandomMaps::map($chance, $chance->int(10, 60));
    RandomFacts::put($chance, $map, array_map(strval(...), array_keys($map->all())));
    $kept = [];
    $memory = Memory::lent(fn (string $id): ?string => $kept[$id] ?? null);
    $sums = new RollUps($map, $memory);
    foreach (array_keys($map->all()) as $id) {
        $sums->allBelow((string) $id);
    }
    $told = fn (RollUps $from, string $id): array => array_map(fn ($sum): array => array_map(fn (float|int $one): float => round((float) $one, 6), $sum->toArray()), $from->allBelow($id));
    $made = 0;
    for ($i = 0; $i < 60; $i++) {
        try {
            $changes = Edits::apply(RandomMaps::read(RandomMaps::edit($chance, $map)), $map, 5);
        } catch (Refusal) {
            continue;
        }
        $made++;
        $stale = [];
        foreach ($changes->topics($map) as $id) {
            for ($at = $id; $at !== null && ! isset($stale[$at]);) {
                $stale[$at] = true;
                $row = $map->row('topic', $at);
                $at = $row instanceof \ChalkTree\Map\Topic ? $row->parent : null;
            }
        }
        $isOfMap = array_filter($changes->all, fn ($change): bool => in_array($change->type, ['kind', 'field'], true)) !== [];
        // Now and then it begins from what was kept, as another request would.
        if ($chance->yes(40)) {
            $kept = array_filter($memory->changed() + $kept, is_string(...));
            $memory = Memory::lent(fn (string $id): ?string => $kept[$id] ?? null);
            $sums = new RollUps($map, $memory);
        }
        $sums->follow($map, $isOfMap ? null : $stale);
        $anew = new RollUps($map);
        foreach ($map->all() as $id => $_) {
            $a = $told($sums, (string) $id);
            $b = $told($anew, (string) $id);
            ksort($a);
            ksort($b);
            expect($a)->toBe($b);
        }
    }
    expect($made)->toBeGreaterThan(20);
})->with(range(1, 12));
