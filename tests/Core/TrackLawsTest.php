<?php

declare(strict_types=1);

use ChalkTree\Ask\Condition;
use ChalkTree\Ask\Days;
use ChalkTree\Ask\Moment;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Kind\Fields;
use ChalkTree\Kind\KindField;
use ChalkTree\Kind\Kinds;
use ChalkTree\Kind\ValueForm;
use ChalkTree\Kind\Values;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\Rule\RuleSet;
use ChalkTree\Task\Finding;
use ChalkTree\Task\Remark;
use ChalkTree\Task\Repeats;
use ChalkTree\Task\Task;
use ChalkTree\Task\Tasks;
use Tests\Support\Chance;
use Tests\Support\RandomFacts;
use Tests\Support\RandomMaps;

/* What holds for to-dos, fields, rules and days whatever there is, held against the plainest way to reckon it. */

/** A random map in which something is tracked. */
function trackedMap(Chance $chance, int $most = 40): TopicMap
{
    $map = RandomMaps::map($chance, $chance->int(4, $most), loose: false);
    if (! $map->hasRowsOf(Task::class)) {
        RandomFacts::put($chance, $map, array_map(strval(...), array_keys($map->all())));
    }

    return $map;
}

/** @return list<string> all days of to-dos and fields of days below a topic and at it */
function daysWithin(TopicMap $map, string $topic): array
{
    $days = [];
    foreach (array_map(strval(...), array_keys($map->branch($topic))) as $id) {
        $task = $map->row(Task::type(), $id);
        $values = $map->row(Values::type(), $id);
        array_push($days, ...($task instanceof Task ? array_filter([$task->text('by'), $task->text('begins')]) : []));
        foreach ($values instanceof Values ? $values->all() : [] as $field => $value) {
            $its = $map->row(KindField::type(), $field);
            array_push($days, ...($its instanceof KindField && $its->sort()->isDay() ? explode('/', $value) : []));
        }
    }

    return array_values($days);
}

it('moves all days of a new round by the same, to the start that is wanted, and clears what was done', function (int $seed) {
    $chance = new Chance($seed);
    $map = trackedMap($chance);
    $topic = $chance->pick(array_map(strval(...), array_keys($map->all())));
    $before = daysWithin($map, $topic);
    $start = Days::plus('2027-01-01', $chance->int(0, 700));
    $keeps = $chance->yes(50);
    $all = RandomMaps::contents($map);
    if ($before === []) {
        expect(fn () => done($map, 'branch.again', ['topic' => $topic, 'start' => $start, 'today' => A_DAY, 'weekdays' => $keeps]))->toThrow(InvalidEdit::class);

        return;
    }
    $changes = done($map, 'branch.again', ['topic' => $topic, 'start' => $start, 'today' => A_DAY, 'weekdays' => $keeps]);
    $after = daysWithin($map, $topic);
    $by = Days::between(min($before), min($after));
    expect(count($after))->toBe(count($before))
        ->and(abs(Days::between($start, min($after))))->toBeLessThanOrEqual($keeps ? 3 : 0)
        ->and($keeps ? $by % 7 : 0)->toBe(0);
    foreach ($before as $n => $day) {
        expect(Days::between($day, $after[$n]))->toBe($by);
    }
    $within = $map->branch($topic);
    foreach (array_keys($within) as $id) {
        $task = $map->row(Task::type(), (string) $id);
        expect($task instanceof Task ? [$task->number('progress'), $task->text('done')] : [null, ''])->toBe([null, '']);
    }
    expect(array_filter($map->rowsOf(Remark::class), fn (Remark $remark): bool => isset($within[$remark->at()])))->toBe([]);
    $changes->reversed()->applyTo($map, new Recorder($map));
    expect(RandomMaps::contents($map))->toBe($all);
})->with(range(1, 30));

it('leaves what is done again as it was, where a copy is made', function (int $seed) {
    $chance = new Chance($seed);
    $map = trackedMap($chance);
    $root = $map->sheet()->root;
    $topics = array_values(array_filter(array_map(strval(...), array_keys($map->all())), fn (string $id): bool => $id !== $root && daysWithin($map, $id) !== []));
    if ($topics === []) {
        expect(daysWithin($map, $root))->toBeArray();

        return;
    }
    $topic = $chance->pick($topics);
    $before = array_map(fn ($one): string => $one->title, array_values($map->branch($topic)));
    [$days, $count] = [daysWithin($map, $topic), count($map->all())];
    done($map, 'branch.again', ['topic' => $topic, 'start' => '2028-03-01', 'today' => A_DAY, 'copy' => true, 'as' => $copy = Ids::next()]);
    $titles = array_map(fn ($one): string => $one->title, array_values($map->branch($copy)));
    expect(daysWithin($map, $topic))->toBe($days)->and(count($map->all()))->toBe($count + count($before))
        ->and(array_slice($titles, 1))->toBe(array_slice($before, 1))->and(min(daysWithin($map, $copy)))->toBe('2028-03-01');
    // It stands right after it.
    $siblings = array_map(strval(...), array_keys($map->children((string) $map->topic($topic)->parent)));
    expect($siblings[array_search($topic, $siblings, true) + 1] ?? null)->toBe($copy);
})->with(range(1, 20));

it('finds what is to be seen to as one would by going over all to-dos', function (int $seed) {
    $chance = new Chance($seed);
    $map = trackedMap($chance, 80);
    $today = RandomFacts::TODAY;
    $tasks = Tasks::at(new Moment($map, $today));
    foreach (array_map(strval(...), array_keys($map->all())) as $id) {
        $task = Tasks::task($map, $id);
        if ($task === null) {
            expect($tasks->found($id))->toBe([]);

            continue;
        }
        $isDone = $tasks->progress($id) >= 100.0;
        $by = $task->text('by');
        $above = '';
        foreach ($map->ancestors($id) as $one) {
            $above = $above === '' ? (Tasks::task($map, $one->id)?->text('by') ?? '') : $above;
        }
        $hasBelow = array_filter(array_map(strval(...), array_keys($map->branch($id))), fn (string $below): bool => $below !== $id && Tasks::is($map, $below)) !== [];
        $wanted = array_keys(array_filter([
            Finding::Overdue->value => ! $isDone && $by !== '' && $by < $today,
            Finding::Soon->value => ! $isDone && $by >= $today && $by <= Days::plus($today, 7),
            Finding::Nobody->value => ! $isDone && $task->who() === [] && ! $hasBelow,
            Finding::AfterParent->value => ! $isDone && $by !== '' && $above !== '' && $by > $above,
        ]));
        $found = array_values(array_filter(array_map(fn (Finding $finding): string => $finding->value, $tasks->found($id)), fn (string $one): bool => $one !== Finding::BeforeTime->value));
        expect($found)->toBe($wanted);
    }
})->with(range(1, 25));

it('reckons progress as the mean of what is below, weighted by effort, whatever the tree', function (int $seed) {
    $chance = new Chance($seed);
    $map = trackedMap($chance, 60);
    $tasks = Tasks::at(new Moment($map, RandomFacts::TODAY));
    // A to-do counts as far as it says it is, unless others are below it: then these count for it, or as done with it.
    $leaves = function (string $id) use (&$leaves, $map): array {
        $task = Tasks::task($map, $id);
        $below = array_merge(...array_map(fn ($child): array => $leaves($child->id), array_values($map->children($id))));
        $isDone = $task?->progress() === 100;

        return match (true) {
            $task === null => $below,
            $below === [] => [[(float) $task->progress(), (float) ($task->number('effort') ?? 1)]],
            default => array_map(fn (array $one): array => [$isDone ? 100.0 : $one[0], $one[1]], $below),
        };
    };
    foreach (array_map(strval(...), array_keys($map->all())) as $id) {
        $progress = $tasks->progress($id);
        $its = $leaves($id);
        expect($progress === null)->toBe($its === []);
        if ($progress !== null) {
            $mean = array_sum(array_map(fn (array $one): float => $one[0] * $one[1], $its)) / array_sum(array_column($its, 1));
            expect($progress)->toEqualWithDelta($mean, 0.0001);
        }
    }
})->with(range(1, 20));

it('takes all below one that is done for done, in parents and in formulas', function () {
    $map = committee();
    $field = Ids::next();
    $ask = function (string $formula) use ($map, $field): string {
        done($map, 'row.set', ['type' => 'field', 'row' => $field, 'fields' => ['name' => 'How far', 'sort' => 'computed', 'formula' => $formula]]);

        return (string) (Fields::told(new Moment($map, A_DAY), $map->root()->id, Kinds::field($map, $field))[0] ?? '');
    };
    foreach (['Autumn' => ['Paper', 'Willow', 'Tar'], 'Winter' => ['Boats']] as $parent => $titles) {
        foreach ($titles as $title) {
            done($map, 'topic.add', ['parent' => titled($map, $parent), 'topic' => ['id' => Ids::next(), 'title' => $title]]);
            setTask($map, $title, ['who' => 'Ines']);
        }
    }
    setTask($map, 'Autumn', ['who' => 'Wren']);
    expect($ask('done()'))->toBe('0')->and($ask('progress()'))->toBe('0');
    setTask($map, 'Paper', ['progress' => 50]);
    expect($ask('progress()'))->toBe('12.5')->and($ask('done()'))->toBe('0');
    // The whole of autumn is ticked off.
    setTask($map, 'Autumn', ['progress' => 100]);
    expect($ask('progress()'))->toBe('75')->and($ask('done()'))->toBe('75')
        ->and(implode(' ', inBox($map, $map->root()->id)))->toContain('3 of 4 done · 75 %');
    setTask($map, 'Autumn', ['progress' => 20]);
    expect($ask('progress()'))->toBe('12.5');
});

it('gives a rule to those topics, and those only, of which its condition holds', function (int $seed) {
    $chance = new Chance($seed);
    $map = trackedMap($chance, 50);
    $now = new Moment($map, RandomFacts::TODAY);
    $rules = RuleSet::of($now);
    foreach ($rules->all as $rule) {
        $when = Condition::of($rule->text('when'));
        foreach (array_map(strval(...), array_keys($map->all())) as $id) {
            expect(in_array($rule, $rules->on($id), true))->toBe($when !== null && $when->holds(new Moment($map, RandomFacts::TODAY), $id));
        }
    }
})->with(range(1, 12));

it('reads every day that it tells', function (int $seed) {
    $chance = new Chance($seed);
    for ($n = 0; $n < 60; $n++) {
        $day = Days::plus('2026-01-01', $chance->int(-400_000, 400_000));
        $today = Days::plus($day, $chance->int(-100, 100));
        expect(Days::read($day, $today))->toBe($day)
            ->and(Days::read(Days::long($day), $today))->toBe($day)
            ->and(Days::numbered(Days::number($day)))->toBe($day)
            ->and(Days::between($today, $day))->toBe(Days::number($day) - Days::number($today));
    }
})->with(range(1, 6));

it('reads every number that it shows, with its unit', function (int $seed) {
    $chance = new Chance($seed);
    $map = committee();
    foreach ([['number', ''], ['number', 'kg'], ['money', '€'], ['money', 'kr'], ['progress', ''], ['number', '%']] as [$sort, $unit]) {
        $field = KindField::fromFields(Ids::next(), ['name' => 'Amount', 'sort' => $sort] + ($unit === '' ? [] : ['unit' => $unit]));
        for ($n = 0; $n < 40; $n++) {
            $number = $sort === 'progress' ? $chance->int(0, 100) : $chance->pick([$chance->int(-9, 9), $chance->int(-10_000_000, 10_000_000), $chance->int(-10_000, 10_000) / 100]);
            $kept = ValueForm::read($field, (string) $number, A_DAY, $map);
            expect((float) $kept)->toEqualWithDelta((float) $number, 0.0001)
                ->and(ValueForm::read($field, ValueForm::shown($field, $kept, A_DAY, $map), A_DAY, $map))->toBe($kept);
        }
    }
})->with(range(1, 6));

it('moves what repeats on and on, always later', function (string $repeats) {
    $day = '2026-01-31';
    for ($n = 0; $n < 40; $n++) {
        $next = Repeats::moved($day, $repeats);
        expect($next)->toBeGreaterThan($day)->and(Days::between($day, $next))->toBeLessThanOrEqual(366);
        $day = $next;
    }
})->with(Task::REPEATS);
