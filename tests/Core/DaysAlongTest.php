<?php

declare(strict_types=1);

use ChalkTree\Arrange\BranchArrangement;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Ruler;
use ChalkTree\Arrange\TimeScale;
use ChalkTree\Arrange\View;
use ChalkTree\Ask\Days;
use ChalkTree\Draw\BoardWriter;
use ChalkTree\Draw\Primitive;
use ChalkTree\Draw\SlipData;
use ChalkTree\Draw\SlipParts;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\Draw\Thumbnail;
use ChalkTree\Draw\WindowWriter;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Kind\KindField;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Kind\Values;
use ChalkTree\Look\MapLook;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Task\Task;
use Tests\Support\Chance;

/**
 * A timeline of topics, each with the day by which it is to be done, or with none.
 *
 * @param  array<string, string|null>  $days  by title
 */
function timelineOf(array $days): TopicMap
{
    $map = NewMap::from(new TopicDraft('Season', children: array_map(fn (string $title): TopicDraft => new TopicDraft($title), array_keys($days))), arrangement: 'timeline');
    foreach ($map->children($map->sheet()->root) as $id => $topic) {
        if ($days[$topic->title] !== null) {
            $map->put(Task::fromFields((string) $id, ['by' => $days[$topic->title]]));
        }
    }

    return $map;
}

/** @return array<string, float> where each hangs on the line, by title */
function polesOf(TopicMap $map): array
{
    $layout = Layout::of($map, new View);
    $boxes = $layout->scene()->boxes();
    $poles = [];
    foreach ($layout->slips() as $id => $slip) {
        if ($slip->parent === $map->sheet()->root) {
            $poles[$slip->topic->title] = $boxes[$id]['x'] + $slip->route[count($slip->route) - 4];
        }
    }

    return $poles;
}

/** @return list<Primitive> of what the root is drawn, but for its own box */
function rulerParts(TopicMap $map, string $today = ''): array
{
    $root = Layout::of($map, new View(today: $today))->slips()[$map->sheet()->root];

    return array_values(array_filter((new SlipParts)->of($root), fn (Primitive $part): bool => in_array($part->part, ['ruler', 'ruler-words', 'ruler-break', 'lasting', 'today'], true)));
}

/** @return list<string> */
function rulerWords(TopicMap $map): array
{
    return array_map(fn (Primitive $part): string => $part->what['spans'][0]['text'], array_values(array_filter(rulerParts($map), fn (Primitive $part): bool => isset($part->what['spans']))));
}

/** @return array<string, array{x: float, y: float, w: float, h: float, ...}> boxes by title */
function boxesAlong(TopicMap $map): array
{
    $boxes = Layout::of($map, new View)->scene()->boxes();

    return array_combine(array_map(fn (string $id): string => $map->topic($id)->title, array_keys($boxes)), $boxes);
}

it('stands topics as far from each other as their days are', function () {
    $poles = polesOf(timelineOf(['Masts up' => '2026-06-01', 'Stalls' => '2026-06-11', 'Lanterns hung' => '2026-06-16', 'Opening' => '2026-07-01']));
    $day = ($poles['Stalls'] - $poles['Masts up']) / 10;
    expect($day)->toBeGreaterThan(1.0)
        ->and($poles['Lanterns hung'] - $poles['Stalls'])->toEqualWithDelta(5 * $day, 0.01)
        ->and($poles['Opening'] - $poles['Lanterns hung'])->toEqualWithDelta(15 * $day, 0.01);
});

it('stands close neighbours over each other, what is earlier farther out, on both sides or on one', function () {
    $map = timelineOf(['A' => '2026-06-01', 'B' => '2026-06-02', 'C' => '2026-06-03', 'D' => '2026-06-04', 'E' => '2026-08-03', 'F' => '2026-10-05', 'G' => '2026-12-01', 'H' => '2027-02-01', 'I' => '2027-04-01', 'J' => '2027-06-01']);
    $far = function (TopicMap $map): array {
        $boxes = boxesAlong($map);

        return array_map(fn (array $box): float => abs($box['y'] + $box['h'] / 2), $boxes);
    };
    $both = $far($map);
    // As they alternate, each of the four is over the one after the next.
    expect($both['A'])->toBeGreaterThan($both['C'])->and($both['B'])->toBeGreaterThan($both['D']);
    Edits::apply(Edits::read('row.set', ['type' => 'arrangement', 'topics' => [$map->sheet()->root], 'fields' => ['sides' => 'below']]), $map);
    $below = $far($map);
    expect($below['A'])->toBeGreaterThan($below['B'])->and($below['B'])->toBeGreaterThan($below['C'])->and(max($below))->toBeGreaterThan(max($both));
    foreach (boxesAlong($map) as $title => $box) {
        expect($title === 'Season' || $box['y'] > 0)->toBeTrue();
    }
});

it('makes one row of what comes one after the other, however many', function () {
    $days = [];
    for ($n = 0; $n < 60; $n++) {
        $days["Day {$n}"] = Days::plus('2026-06-01', $n);
    }
    $boxes = boxesAlong(timelineOf($days));
    expect(count(array_unique(array_map(fn (array $box): float => $box['y'], array_diff_key($boxes, ['Season' => 1])))))->toBe(2);
});

it('goes by the days and not by the order, and puts what has none behind the last in its own', function () {
    $poles = polesOf(timelineOf(['Some time' => null, 'Opening' => '2026-07-01', 'Masts up' => '2026-06-01', 'Later' => null, 'Stalls' => '2026-06-11']));
    asort($poles);
    expect(array_keys($poles))->toBe(['Masts up', 'Stalls', 'Opening', 'Some time', 'Later']);
});

it('breaks where nothing is for long, and says for how long', function () {
    $map = timelineOf(['Call' => '2026-01-05', 'Answer' => '2026-01-08', 'Contract' => '2026-01-12', 'Festival' => '2026-09-12', 'Thanks' => '2026-09-15']);
    $poles = polesOf($map);
    $day = ($poles['Answer'] - $poles['Call']) / 3;
    expect($poles['Thanks'] - $poles['Festival'])->toEqualWithDelta(3 * $day, 0.01)
        ->and($poles['Festival'] - $poles['Contract'])->toBeLessThan(12 * $day)->toBeGreaterThan(TimeScale::BREAK)
        ->and(rulerWords($map))->toContain('8 months', '2026', '5 Jan');
    expect(array_filter(rulerParts($map), fn (Primitive $part): bool => $part->part === 'ruler'))->toHaveCount(2);
});

it('goes by the order where that is wanted, or where there are no two days', function () {
    $days = ['B' => '2026-07-01', 'A' => '2026-06-01'];
    $map = timelineOf($days);
    Edits::apply(Edits::read('row.set', ['type' => 'arrangement', 'topics' => [$map->sheet()->root], 'fields' => ['goes' => 'order']]), $map);
    $poles = polesOf($map);
    expect($poles['B'])->toBeLessThan($poles['A'])->and(rulerParts($map))->toBe([])
        ->and(rulerParts(timelineOf(['B' => '2026-07-01', 'A' => '2026-07-01', 'C' => null])))->toBe([]);
});

it('takes the day that is wanted of several, a field of days first', function () {
    $map = timelineOf(['First' => '2026-06-10', 'Second' => '2026-06-01']);
    foreach (ShippedKinds::rows() as $row) {
        $map->put($row);
    }
    $date = ShippedKinds::fieldId('date');
    foreach ([['First', '2026-05-01'], ['Second', '2026-05-08']] as [$title, $day]) {
        foreach ($map->children($map->sheet()->root) as $id => $topic) {
            if ($topic->title === $title) {
                $map->put(Values::fromFields((string) $id, [])->having([$date => $day]));
            }
        }
    }
    $poles = polesOf($map);
    expect($poles['First'])->toBeLessThan($poles['Second']);
    $map->put(BranchArrangement::fromFields($map->sheet()->root, ['day' => 'by']));
    $poles = polesOf($map);
    expect($poles['First'])->toBeGreaterThan($poles['Second']);
    $map->put(BranchArrangement::fromFields($map->sheet()->root, ['day' => $date]));
    $poles = polesOf($map);
    expect($poles['First'])->toBeLessThan($poles['Second']);
});

it('shows today on the line, and what lasts for days along it', function () {
    $map = timelineOf(['A' => '2026-06-01', 'B' => '2026-06-20']);
    $parts = fn (string $today): array => array_map(fn (Primitive $part): string => $part->part, rulerParts($map, $today));
    expect($parts('2026-06-08'))->toContain('today')->not->toContain('lasting')
        ->and($parts('2026-08-08'))->not->toContain('today')->and($parts(''))->not->toContain('today');
    foreach (ShippedKinds::rows() as $row) {
        $map->put($row);
    }
    $range = array_values(array_filter($map->rowsOf(ChalkTree\Kind\KindField::class), fn ($field): bool => $field->text('sort') === 'range'))[0] ?? null;
    if ($range === null) {
        $map->put($range = ChalkTree\Kind\KindField::fromFields(ChalkTree\Map\Ids::next(), ['name' => 'Runs', 'sort' => 'range']));
    }
    $map->put(Values::fromFields((string) array_key_first($map->children($map->sheet()->root)), [])->having([$range->id => '2026-06-01/2026-06-05']));
    expect($parts('2026-06-08'))->toContain('lasting');
});

it('keeps every scale true, whatever the days', function (int $seed) {
    $chance = new Chance($seed);
    $days = array_map(fn (): int => $chance->pick([$chance->int(-700_000, 2_900_000), $chance->int(20_000, 20_040), $chance->int(15_000, 25_000)]), range(1, $chance->int(1, 60)));
    $scale = TimeScale::of($days);
    sort($days);
    $at = array_map(fn (int $day): float => $scale->at($day) ?? throw new RuntimeException("{$day} is not on the line."), $days);
    for ($i = 1; $i < count($days); $i++) {
        $true = ($days[$i] - $days[$i - 1]) * $scale->scale;
        $is = $at[$i] - $at[$i - 1];
        // As far as they are, or broken where that is far; never the other way round.
        expect(abs($is - $true) < 0.01 || ($true > $is && $is > TimeScale::BREAK))->toBeTrue();
    }
    expect($scale->length())->toBeGreaterThan(end($at))->and($at[0])->toBeGreaterThan(0.0);
    // What is drawn of it stays within it, and no two words touch.
    foreach ([false, true] as $isTurned) {
        $ruler = new Ruler(10.0, 20.0, $scale, [], $chance->pick([null, $days[0]]), $isTurned);
        $slip = Layout::of(timelineOf(['A' => null]), new View)->slips();
        $words = array_values(array_filter((new ChalkTree\Draw\RulerParts(new ChalkTree\Text\Advances))->of($ruler, end($slip)), fn (Primitive $part): bool => isset($part->what['spans'])));
        $places = array_map(fn (Primitive $part): array => [$part->what['spans'][0]['x'], $part->what['spans'][0]['x'] + $part->what['spans'][0]['w']], $words);
        sort($places);
        foreach ($places as $n => [$from, $to]) {
            expect($from)->toBeGreaterThanOrEqual(min($ruler->x(0.0), $ruler->x($scale->length())) - 0.1)->and($to)->toBeLessThanOrEqual(max($ruler->x(0.0), $ruler->x($scale->length())) + 0.1)
                ->and($n === 0 || $from >= $places[$n - 1][1])->toBeTrue();
        }
    }
})->with(range(1, 40));

it('tells how long nothing is in a measure that says enough', function (int $days, string $words) {
    expect(Days::lasting($days))->toBe($words);
})->with([[1, '1 day'], [20, '20 days'], [21, '3 weeks'], [83, '12 weeks'], [84, '3 months'], [729, '24 months'], [730, '2 years'], [800_000, '2,190 years']]);

it('sorts by days, and what has none comes last either way', function (bool $down, array $wanted) {
    $map = timelineOf(['No day' => null, 'July' => '2026-07-01', 'June' => '2026-06-01', 'None either' => null, 'Later in June' => '2026-06-11']);
    Edits::apply(Edits::read('branch.sort', ['topics' => [$map->sheet()->root], 'by' => 'day', 'down' => $down]), $map);
    expect(array_values(array_map(fn ($topic): string => $topic->title, $map->children($map->sheet()->root))))->toBe($wanted);
})->with([
    [false, ['June', 'Later in June', 'July', 'No day', 'None either']],
    [true, ['July', 'Later in June', 'June', 'No day', 'None either']],
]);

/** @return list<string> the words on a line of days of two topics, from left to right */
function wordsBetween(string $from, string $to, bool $isMirrored = false): array
{
    $map = timelineOf(['A' => $from, 'B' => $to]);
    if ($isMirrored) {
        $map->put(MapLook::fromFields(Ids::next(), ['mirrored' => true]));
    }
    $words = array_values(array_filter(rulerParts($map), fn (Primitive $part): bool => $part->part === 'ruler-words'));
    usort($words, fn (Primitive $a, Primitive $b): int => $a->what['spans'][0]['x'] <=> $b->what['spans'][0]['x']);

    return array_map(fn (Primitive $part): string => $part->what['spans'][0]['text'], $words);
}

it('counts in days, weeks, months or years, as there is room, and says the year once', function (string $from, string $to, array $wanted) {
    expect(wordsBetween($from, $to))->toBe($wanted)->and(wordsBetween($from, $to, isMirrored: true))->toBe(array_reverse($wanted));
})->with([
    'a day' => ['2026-06-01', '2026-06-02', ['2026', '1 Jun', '2 Jun']],
    'two weeks' => ['2026-06-01', '2026-06-15', ['2026', 'Jun']],
    'a year' => ['2026-01-01', '2027-01-01', ['2026', '2027']],
    'over the end of a year' => ['1999-12-31', '2000-01-01', ['1999', '31 Dec', '1 Jan']],
    'centuries' => ['0900-01-01', '1900-01-01', ['900', '1000', '2000']],
]);

it('draws the line where its topics are seen, though its head is not', function () {
    $map = timelineOf(['Call' => '2026-01-05', 'Answer' => '2026-01-08', 'Contract' => '2026-01-12', 'Festival' => '2026-09-12', 'Thanks' => '2026-09-15']);
    $scene = Layout::of($map, new View)->scene();
    $boxes = $scene->boxes();
    $root = $boxes[$map->sheet()->root];
    $right = max(array_map(fn (array $box): float => $box['x'], $boxes));
    $frame = ['x' => $right - 50, 'y' => $root['y'] - 60, 'w' => 300.0, 'h' => 200.0];
    expect($root['x'] + $root['w'])->toBeLessThan($frame['x'] - 200);
    $svg = (new SvgWriter)->body($scene, $frame);
    expect($svg)->toContain('8 months');
    // The first picture of a page has it too, from close by and from afar, where no word of it can be read.
    expect((new WindowWriter)->write($scene, $frame, 1.0))->toContain('8 months')
        ->and((new WindowWriter)->write($scene, $frame, 0.2))->not->toContain('8 months')->toContain('M');
});

it('goes when its head is folded on a published page', function () {
    $map = timelineOf(['A' => '2026-06-01', 'B' => '2026-06-20']);
    $scene = Layout::of($map, new View)->scene();
    $page = (new BoardWriter)->write($scene, $map, ['x' => -500.0, 'y' => -500.0, 'w' => 1500.0, 'h' => 1000.0]);
    preg_match('~<g data-f="'.$map->sheet()->root.'">(.*?)</g>~s', $page, $m);
    expect($m[1] ?? '')->toContain('2026')->not->toContain('Season');
    // Nothing else has one.
    expect(substr_count($page, 'data-f='))->toBe(1);
});

it('is seen in the small picture of the map, broken as it is', function () {
    $map = timelineOf(['Call' => '2026-01-05', 'Answer' => '2026-01-08', 'Contract' => '2026-01-12', 'Festival' => '2026-09-12', 'Thanks' => '2026-09-15']);
    preg_match('~<path d="([^"]*)" stroke="[^"]*" stroke-width="22"/>~', (new Thumbnail)->ofMap($map), $m);
    expect(substr_count($m[1] ?? '', 'M'))->toBe(2);
});

it('tells the browser what the line takes, so that it is drawn wherever that is seen', function () {
    $map = timelineOf(['A' => '2026-06-01', 'B' => '2026-06-20', 'C' => null]);
    $slips = Layout::of($map, new View)->slips();
    $root = (new SlipData)->of($slips[$map->sheet()->root]);
    [$x, $y, $w, $h] = $root['line'];
    expect($x)->toBeGreaterThanOrEqual($root['w'])->and($w)->toBeGreaterThan(64.0)->and($h)->toBeGreaterThanOrEqual(2 * Ruler::HALF)->and($y)->toBeLessThan($root['h'] / 2);
    foreach ($slips as $id => $slip) {
        expect($id === $map->sheet()->root || ! isset((new SlipData)->of($slip)['line']))->toBeTrue();
    }
});

it('stops what lasts for days where the line is broken, and goes on behind it', function () {
    $map = timelineOf(['Call' => '2026-01-05', 'Answer' => '2026-01-08', 'Contract' => '2026-01-12', 'Festival' => '2026-09-12', 'Thanks' => '2026-09-15']);
    $map->put($runs = KindField::fromFields(Ids::next(), ['name' => 'Runs', 'sort' => 'range']));
    $call = (string) array_key_first($map->children($map->sheet()->root));
    $map->put(Values::fromFields($call, [])->having([$runs->id => '2026-01-05/2026-09-15']));
    $lasting = array_values(array_filter(rulerParts($map), fn (Primitive $part): bool => $part->part === 'lasting'));
    expect($lasting)->toHaveCount(1)->and(substr_count($lasting[0]->what['d'], 'M'))->toBe(2);
});

it('lets undoing give back where everything stood', function () {
    $map = timelineOf(['A' => '2026-06-01', 'B' => '2026-06-20', 'C' => '2026-06-11']);
    $before = boxesAlong($map);
    $first = (string) array_key_first($map->children($map->sheet()->root));
    $changes = Edits::apply(Edits::read('task.set', ['topics' => [$first], 'by' => '2027-01-01', 'today' => '2026-05-01']), $map);
    expect(boxesAlong($map))->not->toBe($before);
    $changes->reversed()->applyTo($map, new Recorder($map));
    expect(boxesAlong($map))->toBe($before);
});

it('lays a line of days out from memory as it would anew', function (int $seed) {
    $chance = new Chance($seed);
    $map = timelineOf(array_combine(array_map(fn (int $n): string => "Topic {$n}", range(1, 14)), array_map(fn (): ?string => $chance->yes(80) ? Days::plus('2026-06-01', $chance->pick([$chance->int(0, 20), $chance->int(200, 400)])) : null, range(1, 14))));
    $layout = Layout::of($map, new View(today: '2026-06-10'));
    for ($n = 0; $n < 12; $n++) {
        $topic = $chance->pick(array_map(strval(...), array_keys($map->children($map->sheet()->root))));
        $changes = Edits::apply(Edits::read('task.set', ['topics' => [$topic], 'by' => $chance->pick(['', Days::plus('2026-06-01', $chance->int(0, 400))]), 'today' => '2026-06-10']), $map);
        $layout->draw($map, new View(today: '2026-06-10'), $changes->topics($map));
        $anew = Layout::of($map, new View(today: '2026-06-10'));
        expect($layout->scene()->boxes())->toEqual($anew->scene()->boxes());
        $root = $map->sheet()->root;
        expect($layout->slips()[$root]->ruler?->key())->toEqual($anew->slips()[$root]->ruler?->key());
    }
})->with(range(1, 8));

it('draws no hole where the pieces of a connector meet, whatever way they go', function (string $arrangement, string $form, bool $isMirrored) {
    $map = NewMap::from(new TopicDraft('Season', children: array_map(fn (string $title): TopicDraft => new TopicDraft($title, children: [new TopicDraft("{$title} one"), new TopicDraft("{$title} two")]), ['A', 'B', 'C', 'D'])), arrangement: $arrangement);
    foreach (array_values($map->children($map->sheet()->root)) as $n => $topic) {
        $map->put(Task::fromFields($topic->id, ['by' => Days::plus('2026-06-01', 5 * $n)]));
    }
    $map->put(MapLook::fromFields(Ids::next(), ['mirrored' => $isMirrored, 'line' => $form]));
    foreach (Layout::of($map, new View)->slips() as $slip) {
        $ways = [];
        foreach (array_filter(explode('M', ChalkTree\Arrange\Connector::path($slip))) as $piece) {
            // The corners of each piece, of a curve its ends; twice the area that they go around has the sign of its way round.
            preg_match_all('/([A-Z]?)([-\d. ]+)/', "M{$piece}", $m, PREG_SET_ORDER);
            $points = [];
            foreach ($m as [, $letter, $numbers]) {
                $its = array_map(floatval(...), preg_split('/ +/', trim($numbers)));
                [$x, $y] = $points === [] ? [0.0, 0.0] : end($points);
                $points[] = match ($letter) {
                    'H' => [$its[0], $y], 'V' => [$x, $its[0]], default => array_slice($its, -2),
                };
            }
            $area = 0.0;
            foreach ($points as $i => [$x, $y]) {
                [$u, $v] = $points[($i + 1) % count($points)];
                $area += $x * $v - $u * $y;
            }
            $ways[] = $area <=> 0.0;
        }
        expect(count(array_unique(array_filter($ways))))->toBeLessThanOrEqual(1, $slip->topic->title);
    }
})->with(['timeline', 'both-sides', 'top-down', 'bottom-up', 'stepped-list', 'leftward', 'fishbone'])->with(['curve', 'straight', 'corner'])->with([false, true]);
