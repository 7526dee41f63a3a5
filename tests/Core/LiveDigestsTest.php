<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Memory;
use ChalkTree\Arrange\Touched;
use ChalkTree\Arrange\View;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Reading;
use ChalkTree\Digest\Digest;
use ChalkTree\Digest\DigestGroup;
use ChalkTree\Digest\DigestLine;
use ChalkTree\Digest\Gathering;
use ChalkTree\Digest\LiveDigests;
use ChalkTree\Draw\SlipData;
use ChalkTree\Edit\Edits;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Refusal;
use ChalkTree\Task\Task;
use Tests\Support\Chance;
use Tests\Support\Outline;
use Tests\Support\RandomFacts;
use Tests\Support\RandomMaps;

/* The first lines of digests on the board, kept up to date from edit to edit. */

/** A map with a digest of what is asked in words. */
function mapWithDigest(string $outline, string $words, array $fields = [], string $at = 'Open things'): TopicMap
{
    $map = Outline::map($outline);
    $map->put(Digest::fromFields(Outline::id($map, $at), ['when' => json_encode(Reading::of($words, new Moment($map, A_DAY))->asked)] + $fields));

    return $map;
}

/** All that is written in the box of a topic, line by line. */
function writtenOn(TopicMap $map, string $title, ?Layout $layout = null): array
{
    $slip = ($layout ?? Layout::of($map, new View(today: A_DAY)))->slips()[Outline::id($map, $title)];
    $data = (new SlipData)->of($slip);

    return array_values(array_map(fn (array $part): string => str_replace("\u{A0}", ' ', implode('', array_column($part['spans'], 'text'))), array_filter($data['parts'], fn (array $part): bool => isset($part['spans']))));
}

/** @return list<array{string, list<array{string, string, list<string>, int|null}>}> the lines under each head, without their trails */
function linesOf(?array $groups): ?array
{
    return $groups === null ? null : array_map(fn (DigestGroup $group): array => [$group->title, array_map(fn (DigestLine $line): array => [$line->topic, $line->title, $line->told, $line->progress], $group->lines)], $groups);
}

it('says on the board what it gathers, how many, and the first of them under their heads', function () {
    $map = mapWithDigest("Festival\n\tGlue paper\n\tBend willow\n\tBoats\n\tOpen things", 'not done', ['by' => 'who', 'tells' => 'by']);
    foreach (['Glue paper' => ['who' => 'Ines', 'by' => '2026-12-01'], 'Bend willow' => ['who' => 'Oskar']] as $title => $task) {
        $map->put(Task::fromFields(Outline::id($map, $title), ['is' => true] + $task));
    }
    expect(writtenOn($map, 'Open things'))->toBe(['Open things', '≡ gathers not done · 2', 'Ines', 'Glue paper · by Tue 1 Dec', 'Oskar', 'Bend willow']);
});

it('says that nothing is found, and of a long list how many more there are', function () {
    expect(writtenOn(mapWithDigest("Festival\n\tBoats\n\tOpen things", 'text lantern'), 'Open things'))->toBe(['Open things', '≡ gathers text “lantern” · nothing found']);
    $map = mapWithDigest("Festival\n\tOpen things\n".implode("\n", array_map(fn (int $n): string => "\tLantern {$n}", range(1, 30))), 'text lantern');
    $written = writtenOn($map, 'Open things');
    expect(array_slice($written, 1, 3))->toBe(['≡ gathers text “lantern” · 30', 'Lantern 1', 'Lantern 2'])->and(count($written))->toBe(15)->and($written[14])->toBe('and 18 more');
});

it('begins no line with a dot, however long what is told of a topic is', function () {
    $map = mapWithDigest("Festival\n\tThings that are to be thought of\n\tOpen things", 'text thought', ['tells' => 'who by']);
    foreach (range(0, 24) as $longer) {
        $map->put(Task::fromFields(Outline::id($map, 'Things that are to be thought of'), ['is' => true, 'who' => 'Tove'.str_repeat('e', $longer), 'by' => '2026-12-24', 'progress' => 40]));
        $written = [...writtenOn($map, 'Open things'), ...writtenOn($map, 'Things that are to be thought of')];
        expect(implode(' ', $written))->toContain(' · by Thu 24 Dec')
            ->and(array_filter($written, fn (string $line): bool => str_starts_with($line, '·') || str_starts_with($line, '%')))->toBe([]);
    }
});

it('counts what stands under two heads twice where it says how many more lines there are', function () {
    $map = mapWithDigest("Festival\n".implode('', array_map(fn (int $n): string => "\tLantern {$n}\n", range(1, 10)))."\tOpen things", 'text lantern', ['by' => 'who']);
    foreach (range(1, 10) as $n) {
        $map->put(Task::fromFields(Outline::id($map, "Lantern {$n}"), ['is' => true, 'who' => "Ines\nMarit"]));
    }
    $written = writtenOn($map, 'Open things');
    expect($written[1])->toEndWith('· 10')->and(end($written))->toBe('and 8 more');
});

it('shows what it was frozen with, and of other maps only what it asks for', function () {
    $line = new DigestLine('', Ids::next(), 'Old boat', [], ['Ines'], 100);
    $map = mapWithDigest("Festival\n\tBoats\n\tOpen things", 'text boat', ['frozen' => '2026-11-20', 'lines' => DigestGroup::write([new DigestGroup('Harbour', [$line])])]);
    expect(writtenOn($map, 'Open things'))->toBe(['Open things', '≡ as of Fri 20 Nov · 1', 'Harbour', 'Old boat · Ines'])
        ->and(writtenOn(mapWithDigest("Festival\n\tBoats\n\tOpen things", 'text boat', ['from' => 'maps']), 'Open things'))->toBe(['Open things', '≡ gathers text “boat”']);
});

it('keeps more topics than a list has by their number alone, and lists them again as soon as they are fewer', function () {
    $most = Gathering::MOST;
    $map = mapWithDigest("Festival\n\tOpen things\n".implode("\n", array_map(fn (int $n): string => "\tLantern {$n}", range(1, $most + 1))), 'text lantern');
    $layout = Layout::of($map, $view = new View(today: A_DAY));
    expect(array_slice(writtenOn($map, 'Open things', $layout), 1))->toBe(['≡ gathers text “lantern” · '.($most + 1)]);
    $after = clone $map;
    $changes = done($after, 'topic.retitle', ['topic' => Outline::id($after, 'Lantern 7'), 'title' => 'Boat']);
    $layout->draw($after, $view, Touched::by($after, $changes));
    expect(array_slice(writtenOn($after, 'Open things', $layout), 1, 2))->toBe(["≡ gathers text “lantern” · {$most}", 'Lantern 1']);
});

it('shows after each edit what it would show if all were gathered anew', function (int $seed) {
    $chance = new Chance(61_000 + $seed);
    $map = RandomMaps::map($chance, $chance->int(8, 50), loose: $seed % 2 === 0);
    $topics = fn (): array => array_map(strval(...), array_keys($map->all()));
    RandomFacts::put($chance, $map, $topics());
    $digest = fn (): array => ['when' => json_encode(RandomFacts::condition($chance, $topics())), 'from' => $chance->pick([null, 'branch']), 'by' => $chance->pick([null, 'who', 'above', 'branch']), 'order' => $chance->pick([null, 'progress', 'title']), 'tells' => $chance->pick([null, 'who by', 'branch'])];
    foreach (array_slice($topics(), -3) as $id) {
        $map->put(Digest::fromFields($id, $digest()));
    }
    $records = [];
    $memory = Memory::lent(fn (string $id): ?string => $records[$id] ?? null);
    $live = new LiveDigests;
    $live->follow(new Moment($map, RandomFacts::TODAY), null, $memory);
    $kept = $followed = 0;
    for ($i = 0; $i < 60; $i++) {
        $before = clone $map;
        try {
            $changes = Edits::apply(RandomMaps::read($chance->yes(30) ? RandomFacts::edit($chance, $map, $topics(), [$chance->pick($topics())]) : RandomMaps::edit($chance, $map)), $map, 5);
        } catch (Refusal) {
            continue;
        }
        // Now and then it begins from what was kept, as another request would.
        if ($chance->yes(40)) {
            $records = array_filter($memory->changed() + $records, is_string(...));
            $memory = Memory::lent(fn (string $id): ?string => $records[$id] ?? null);
            $live = new LiveDigests;
            $live->follow(new Moment($before, RandomFacts::TODAY), [], $memory);
            $kept++;
        }
        // What is said of the map as a whole lets everything be laid out anew.
        $isOfMap = array_filter($changes->all, fn ($change): bool => ! in_array($change->type, ['topic', 'map'], true) && \ChalkTree\Map\RowTypes::ofFeature($change->type)::isOfMap()) !== [];
        $live->follow($now = new Moment($map, RandomFacts::TODAY), $isOfMap ? null : Touched::by($map, $changes), $memory);
        foreach ($map->rowsOf(Digest::class) as $id => $row) {
            $is = $live->gathered((string) $id);
            if ($is !== null) {
                $whole = Gathering::in($now, $row);
                expect([$is->count(), linesOf($is->groups($row))])->toBe([$whole->count(), linesOf($whole->groups())]);
                $followed += $isOfMap ? 0 : 1;
            }
        }
    }
    expect($kept)->toBeGreaterThan(5)->and($followed)->toBeGreaterThan(10);
})->with(range(1, 25));

it('keeps each line to one, the title giving way to what is told, and its box as it was while lines come and go', function () {
    $map = mapWithDigest("Festival\n\tGlue paper\n\tAsk the ferry office whether the lanterns of the harbour school may go over on the last boat\n\tBend willow\n\tOpen things", 'not done', ['tells' => 'by']);
    foreach (['Glue paper', 'Ask the ferry office whether the lanterns of the harbour school may go over on the last boat', 'Bend willow'] as $title) {
        $map->put(Task::fromFields(Outline::id($map, $title), ['is' => true, 'by' => '2026-12-01']));
    }
    $written = writtenOn($map, 'Open things');
    expect($written)->toHaveCount(5)->and($written[3])->toMatch('/^Ask the ferry office [^…]+…[ \x{A0}]· by Tue 1 Dec$/u');
    $layout = Layout::of($map, new View(today: A_DAY));
    $box = clone $layout->slips()[$id = Outline::id($map, 'Open things')];
    // Another one takes the place of one; what is beside the digest stays.
    $after = clone $map;
    $after->put(Task::fromFields($paper = Outline::id($map, 'Glue paper'), ['is' => true, 'progress' => 100]));
    $after->put(Task::fromFields($other = Ids::next(), ['is' => true]));
    $after->put(new Topic($other, parent: $map->root()->id, rank: 'zz', title: 'Thank everybody who stood in the rain'));
    $change = $layout->draw($after, new View(today: A_DAY), [$paper, $other, $map->root()->id]);
    $slip = $layout->slips()[$id];
    expect($change->slips)->toHaveKey($id)
        ->and([$slip->w, $slip->h])->toBe([$box->w, $box->h])
        ->and(writtenOn($after, 'Open things', $layout))->toBe(writtenOn($after, 'Open things'))
        ->and(writtenOn($after, 'Open things'))->not->toContain('Glue paper · by Tue 1 Dec');
});
