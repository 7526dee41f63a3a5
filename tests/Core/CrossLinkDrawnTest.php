<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\CrossLink\CrossLink;
use ChalkTree\Draw\Primitive;
use ChalkTree\Draw\SceneMark;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Refusal;
use ChalkTree\Route\KnownWays;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

beforeEach(fn () => festivalToTie($this));

/** The points of a path as it is drawn, three pixels apart at most. */
function pointsOnPath(string $d): array
{
    preg_match_all('/([MLQC])([^MLQC]*)/', $d, $pieces, PREG_SET_ORDER);
    $points = [];
    foreach ($pieces as [, $sign, $numbers]) {
        $n = array_chunk(array_map(floatval(...), preg_split('/[ ,]+/', trim($numbers))), 2);
        $from = end($points) ?: $n[0];
        $control = [$from, ...$n];
        $steps = $sign === 'M' ? 1 : (int) ceil(array_sum(array_map(fn (int $i): float => hypot($control[$i][0] - $control[$i - 1][0], $control[$i][1] - $control[$i - 1][1]), range(1, count($control) - 1))) / 3) + 1;
        for ($i = 1; $i <= $steps; $i++) {
            // De Casteljau, whatever the degree.
            for ($row = $control; count($row) > 1; $row = array_map(fn (int $k): array => [$row[$k][0] + ($row[$k + 1][0] - $row[$k][0]) * $i / $steps, $row[$k][1] + ($row[$k + 1][1] - $row[$k][1]) * $i / $steps], range(0, count($row) - 2)));
            $points[] = $row[0];
        }
    }

    return $points;
}

/** Whether there is a way between two boxes, past all others, of at most so many pixels: by steps on a fine net. */
function hasWayAround(array $boxes, string $from, string $to, float $longest): bool
{
    $step = 6;
    $shut = [];
    foreach ($boxes as $id => $box) {
        if ($id !== $from && $id !== $to) {
            for ($i = (int) ceil(($box['x'] - 1) / $step); $i * $step <= $box['x'] + $box['w'] + 1; $i++) {
                for ($j = (int) ceil(($box['y'] - 1) / $step); $j * $step <= $box['y'] + $box['h'] + 1; $j++) {
                    $shut["{$i} {$j}"] = true;
                }
            }
        }
    }
    $middle = fn (array $box): array => [(int) round(($box['x'] + $box['w'] / 2) / $step), (int) round(($box['y'] + $box['h'] / 2) / $step)];
    [$a, $b] = [$middle($boxes[$from]), $middle($boxes[$to])];
    $queue = new SplPriorityQueue;
    $queue->insert([$a, 0.0], 0);
    $done = [];
    while (! $queue->isEmpty()) {
        [[$i, $j], $cost] = $queue->extract();
        if (isset($done["{$i} {$j}"])) {
            continue;
        }
        $done["{$i} {$j}"] = true;
        if ([$i, $j] === $b) {
            return true;
        }
        foreach ([[1, 0], [-1, 0], [0, 1], [0, -1], [1, 1], [1, -1], [-1, 1], [-1, -1]] as [$x, $y]) {
            $new = $cost + hypot($x, $y) * $step;
            $left = hypot($b[0] - $i - $x, $b[1] - $j - $y) * $step;
            if (! isset($shut[($i + $x).' '.($j + $y)], $done[($i + $x).' '.($j + $y)]) && ! isset($shut[($i + $x).' '.($j + $y)]) && $new + $left <= $longest) {
                $queue->insert([[$i + $x, $j + $y], $new], -$new - $left);
            }
        }
    }

    return false;
}

/** The rectangle of the words of a mark; null where it has none. */
function wordsOf(SceneMark $mark): ?array
{
    foreach ($mark->parts as $part) {
        if ($part->part === 'ground') {
            preg_match('/^M(\S+) (\S+)H(\S+)V(\S+)H/', $part->what['d'], $m);

            return array_map(floatval(...), array_slice($m, 1, 4));
        }
    }

    return null;
}

it('turns a cross-link round, and its bow stays where it is seen', function () {
    $id = ($this->tie)('Ferries', 'Route', ['phrase' => 'wait for', 'bendAt' => 300, 'bendBy' => 80]);
    $line = fn (): array => pointsOnPath(($this->marks)()[0]->parts[1]->what['d']);
    $before = $line();
    ($this->make)('crosslink.turn', ['links' => [$id]]);
    expect(($this->links)())->toBe(['Route → Ferries: wait for']);
    $boxes = Layout::of($this->map, new View)->scene()->boxes();
    [[$ax, $ay], [$bx, $by]] = array_map(fn (string $title): array => [$boxes[$this->ids[$title]]['x'] + $boxes[$this->ids[$title]]['w'] / 2, $boxes[$this->ids[$title]]['y'] + $boxes[$this->ids[$title]]['h'] / 2], ['Ferries', 'Route']);
    $length = hypot($bx - $ax, $by - $ay);
    $bend = [$ax + ($bx - $ax) * 0.3 - ($by - $ay) / $length * 80, $ay + ($by - $ay) * 0.3 + ($bx - $ax) / $length * 80];
    foreach ([$before, $line()] as $points) {
        expect(min(array_map(fn (array $point): float => hypot($point[0] - $bend[0], $point[1] - $bend[1]), $points)))->toBeLessThan(4.0);
    }
});

it('ends at what is shown of a folded branch, thinner, and says how many it stands for', function () {
    [$one, $two] = [($this->tie)('Ferries', 'Rain', ['phrase' => 'fear']), ($this->tie)('Rowing guard', 'Rain')];
    expect(array_column(($this->marks)(), 'id'))->toBe([$one, $two]);
    $folded = ($this->marks)(new View([$this->ids['Harbour'] => true]));
    $texts = array_map(fn (Primitive $part): string => implode('', array_column($part->what['spans'], 'text')), array_values(array_filter($folded[0]->parts, fn (Primitive $part): bool => $part->part === 'phrase')));
    expect($folded)->toHaveCount(1)->and($texts)->toBe(['2 cross-links'])
        ->and($folded[0]->parts[0]->touch)->toBe("crosslink:{$one} {$two}")
        ->and($folded[0]->parts[1]->what['thick'])->toBeLessThan(($this->marks)()[0]->parts[1]->what['thick']);
    $scene = Layout::of($this->map, new View([$this->ids['Harbour'] => true]))->scene();
    $box = $scene->boxes()[$this->ids['Harbour']];
    [$x, $y] = pointsOnPath($folded[0]->parts[1]->what['d'])[0];
    expect($x)->toBeGreaterThan($box['x'] - 8)->toBeLessThan($box['x'] + $box['w'] + 8)->and($y)->toBeGreaterThan($box['y'] - 8)->toBeLessThan($box['y'] + $box['h'] + 8);
    // Within one folded branch there is nothing to be seen of it.
    ($this->tie)('Ferries', 'Rowing guard');
    expect(($this->marks)(new View([$this->ids['Harbour'] => true])))->toHaveCount(1);
});

it('is not there inside a branch that one of its topics is not in', function () {
    ($this->tie)('Ferries', 'Rowing guard');
    ($this->tie)('Ferries', 'Rain');
    expect(($this->marks)(new View(scope: $this->ids['Harbour'])))->toHaveCount(1);
});

it('goes by the point to which it was bent', function () {
    foreach ([null, 'straight', 'corner'] as $form) {
        $id = ($this->tie)('Procession', 'Harbour', ['bendAt' => 500, 'bendBy' => 140, 'form' => $form]);
        $boxes = Layout::of($this->map, new View)->scene()->boxes();
        $middle = fn (string $title): array => [$boxes[$this->ids[$title]]['x'] + $boxes[$this->ids[$title]]['w'] / 2, $boxes[$this->ids[$title]]['y'] + $boxes[$this->ids[$title]]['h'] / 2];
        [[$ax, $ay], [$bx, $by]] = [$middle('Procession'), $middle('Harbour')];
        $length = hypot($bx - $ax, $by - $ay);
        $point = [($ax + $bx) / 2 - ($by - $ay) / $length * 140, ($ay + $by) / 2 + ($bx - $ax) / $length * 140];
        $mark = array_values(array_filter(($this->marks)(), fn (SceneMark $mark): bool => $mark->id === $id))[0];
        expect(min(array_map(fn (array $at): float => hypot($at[0] - $point[0], $at[1] - $point[1]), pointsOnPath($mark->parts[1]->what['d']))))->toBeLessThan(4.0);
        ($this->make)('row.remove', ['type' => 'crosslink', 'rows' => [$id]]);
    }
});

it('spreads out those that tie the same two', function () {
    $map = NewMap::from(new TopicDraft('Root'), [new TopicDraft('Left'), new TopicDraft('Right')]);
    [$left, $right] = array_keys($map->loose());
    foreach ([[$left, -500], [$right, 300]] as [$id, $x]) {
        $map->put($map->topic((string) $id)->with(['x' => $x, 'y' => 300]));
    }
    foreach (range(1, 4) as $n) {
        $map->put(CrossLink::fromFields(Ids::next(), ['from' => $n % 2 ? $left : $right, 'to' => $n % 2 ? $right : $left, 'phrase' => "way {$n}"]));
    }
    $middles = array_map(function (SceneMark $mark): array {
        $points = pointsOnPath($mark->parts[1]->what['d']);

        return $points[intdiv(count($points), 2)];
    }, array_values(Layout::of($map, new View)->scene()->marks));
    for ($i = 0; $i < 4; $i++) {
        for ($j = 0; $j < $i; $j++) {
            expect(hypot($middles[$i][0] - $middles[$j][0], $middles[$i][1] - $middles[$j][1]))->toBeGreaterThan(12.0);
        }
    }
});

it('goes around topics where there is a way, and lays no phrase on anything', function () {
    [$links, $through, $onText] = [0, 0, 0];
    foreach (range(1, 4) as $seed) {
        $chance = new Chance($seed);
        $map = RandomMaps::map($chance, 200);
        $ids = array_map(strval(...), array_keys($map->all()));
        foreach ($map->rowsOf(CrossLink::class) as $id => $link) {
            $map->drop('crosslink', (string) $id);
        }
        for ($i = 0; $i < 40; $i++) {
            [$from, $to] = [$chance->pick($ids), $chance->pick($ids)];
            $from === $to || $map->put(CrossLink::fromFields(Ids::next(), ['from' => $from, 'to' => $to] + array_diff_key(RandomMaps::link($chance), ['bendAt' => 0, 'bendBy' => 0])));
        }
        $scene = Layout::of($map, new View)->scene();
        $boxes = $scene->boxes();
        $marks = array_filter($scene->marks, fn (SceneMark $mark): bool => $mark->type === 'crosslink');
        $words = [];
        foreach ($marks as $mark) {
            $links++;
            [$from, $to] = $map->rowsOf(CrossLink::class)[$mark->id]->topics();
            $points = pointsOnPath($mark->parts[1]->what['d']);
            $hit = array_filter($boxes, function (array $box) use ($points, $from, $to): bool {
                $isOwn = in_array($box['id'], [$from, $to], true);
                foreach ($points as [$x, $y]) {
                    if (! $isOwn && $x > $box['x'] + 1 && $x < $box['x'] + $box['w'] - 1 && $y > $box['y'] + 1 && $y < $box['y'] + $box['h'] - 1) {
                        return true;
                    }
                }

                return false;
            });
            if ($hit !== []) {
                $straight = hypot(end($points)[0] - $points[0][0], end($points)[1] - $points[0][1]);
                // Those across so much board go straight; that there is a way is taken for granted.
                $through += $straight > 8_000 || hasWayAround($boxes, $from, $to, 2 * $straight) ? 1 : 0;
            }
            $at = wordsOf($mark);
            if ($at !== null) {
                $lies = fn (array $other): bool => $at[0] < $other[2] && $at[2] > $other[0] && $at[1] < $other[3] && $at[3] > $other[1];
                $onText += array_filter([...$words, ...array_map(fn (array $box): array => [$box['x'], $box['y'], $box['x'] + $box['w'], $box['y'] + $box['h']], $boxes)], $lies) === [] ? 0 : 1;
                $words[] = $at;
                $isFar = min(array_map(fn (array $point): float => hypot(max($at[0] - $point[0], 0, $point[0] - $at[2]), max($at[1] - $point[1], 0, $point[1] - $at[3])), $points)) > 16;
                expect($isFar && array_filter($mark->parts, fn (Primitive $part): bool => $part->part === 'leader') === [])->toBeFalse();
            }
        }
        foreach ($marks as $mark) {
            // No line runs over the words of another; over its own it is not seen.
            foreach ($marks as $other) {
                $at = $other === $mark ? null : wordsOf($other);
                if ($at !== null && array_filter($other->parts, fn (Primitive $part): bool => $part->part === 'leader') === []) {
                    expect(array_filter(pointsOnPath($mark->parts[1]->what['d']), fn (array $point): bool => $point[0] > $at[0] && $point[0] < $at[2] && $point[1] > $at[1] && $point[1] < $at[3]))->toBe([]);
                }
            }
        }
    }
    expect($links)->toBeGreaterThan(150)->and($through / $links)->toBeLessThanOrEqual(0.02)->and($onText)->toBe(0);
});

it('is drawn alike whether a branch was gone into before or not', function () {
    $chance = new Chance(5);
    $map = RandomMaps::map($chance, 120);
    $ids = array_map(strval(...), array_keys($map->all()));
    for ($i = 0; $i < 10; $i++) {
        [$from, $to] = [$chance->pick($ids), $chance->pick($ids)];
        $from === $to || $map->put(CrossLink::fromFields(Ids::next(), ['from' => $from, 'to' => $to, 'phrase' => 'ties']));
    }
    $anew = Layout::of($map, new View);
    $recalled = Layout::recalling(\ChalkTree\Arrange\Memory::of($anew->slips()), $map, new View, [$ids[7]]);
    expect(array_map(fn (SceneMark $mark): array => $mark->toArray(), $recalled->scene()->marks))->toEqual(array_map(fn (SceneMark $mark): array => $mark->toArray(), $anew->scene()->marks));
});

it('is drawn alike whether its way is known from before or found anew, whatever was edited', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, 60);
    $ids = array_map(strval(...), array_keys($map->all()));
    for ($i = 0; $i < 8; $i++) {
        [$from, $to] = [$chance->pick($ids), $chance->pick($ids)];
        $from === $to || $map->put(CrossLink::fromFields(Ids::next(), ['from' => $from, 'to' => $to] + RandomMaps::link($chance)));
    }
    $drawn = fn (KnownWays $ways): array => array_map(fn (SceneMark $mark): array => $mark->toArray(), Layout::of($map, new View)->scene($ways)->marks);
    $drawn($ways = new KnownWays);
    $recalled = 0;
    for ($i = 0; $i < 12; $i++) {
        try {
            Edits::apply(RandomMaps::read(RandomMaps::edit($chance, $map)), $map);
        } catch (Refusal) {
            continue;
        }
        $before = unserialize($ways->kept() ?? 'a:0:{}');
        $drawn($ways = KnownWays::from($ways->kept()));
        $after = unserialize($ways->kept() ?? 'a:0:{}');
        $recalled += count(array_filter($after, fn (array $known, string $id): bool => ($before[$id] ?? null) === $known, ARRAY_FILTER_USE_BOTH));
        expect($drawn(KnownWays::from($ways->kept())))->toBe($drawn(new KnownWays));
    }
    expect($recalled)->toBeGreaterThan(0);
})->with([1, 2, 3, 4, 5]);
