<?php

declare(strict_types=1);

use ChalkTree\Flow\FlowBox;
use ChalkTree\Flow\FlowLayout;
use ChalkTree\Flow\FlowLine;
use ChalkTree\Flow\KnownCharts;
use Tests\Support\ProcessGraphs;

/** A chart of boxes of one size, from lines such as "a>b" or "a>b yes". */
function chartOf(string ...$lines): array
{
    $boxes = $made = [];
    foreach ($lines as $line) {
        [$ends, $words] = [...explode(' ', $line, 2), ''];
        [$from, $to] = explode('>', $ends);
        $boxes[$from] ??= FlowBox::plain($from, 100.0, 40.0);
        $boxes[$to] ??= FlowBox::plain($to, 100.0, 40.0);
        $made[] = new FlowLine($line, $from, $to, $words === '' ? 0.0 : 30.0, $words === '' ? 18.0 : 0.0);
    }

    return [array_values($boxes), $made];
}

it('lays any chart out so that no box, no line and no words lie on another', function (int $seed) {
    [$boxes, $lines] = ProcessGraphs::of($seed);
    expect(ProcessGraphs::faults($boxes, $lines, FlowLayout::of($boxes, $lines)))->toBe([]);
})->with([...range(1, 60), 983, 1042]);

it('lets few lines cross: fewer than another layout of layers that is well known, which bench/flow measures', function () {
    $crossings = 0;
    foreach (range(1, 200) as $seed) {
        $crossings += ProcessGraphs::crossings(FlowLayout::of(...ProcessGraphs::of($seed))->ways);
    }
    expect($crossings)->toBeLessThan(609);
});

it('finds crossings and faults where there are some', function () {
    [$boxes, $lines] = chartOf('a>b', 'c>d');
    $chart = new \ChalkTree\Flow\FlowChart(
        ['a' => [0.0, 0.0], 'b' => [0.0, 30.0], 'c' => [300.0, 0.0], 'd' => [300.0, 200.0]],
        ['a>b' => [[-100.0, 100.0], [400.0, 100.0]], 'c>d' => [[300.0, 20.0], [300.0, 180.0]], 'x' => [[0.0, -90.0], [0.0, 90.0]]],
        [], [0.0, 0.0, 0.0, 0.0],
    );
    expect(ProcessGraphs::crossings($chart->ways))->toBe(1)
        ->and(ProcessGraphs::faults($boxes, $lines, $chart))->toContain('b lies on a', 'x runs through a');
});

it('stands steps that follow each other exactly below each other', function () {
    $chart = FlowLayout::of(...chartOf('a>b', 'b>c', 'c>d'));
    expect(array_unique(array_column($chart->places, 0)))->toHaveCount(1)
        ->and(array_column($chart->places, 1))->toBe([...$down = array_column($chart->places, 1)])
        ->and($down)->each->toBeFloat()
        ->and($down === array_values(array_unique($down)) && $down[0] < $down[1] && $down[1] < $down[2])->toBeTrue()
        ->and(array_map(count(...), $chart->ways))->each->toBe(2);
});

it('leads a loop back outside, from side to side, past all that stands between', function () {
    [$boxes, $lines] = chartOf('a>b', 'b>c', 'c>d', 'c>b no');
    $chart = FlowLayout::of($boxes, $lines);
    $way = $chart->ways['c>b no'];
    $out = max(array_map(fn (array $point): float => abs($point[0] - $chart->places['b'][0]), $way));
    expect($out)->toBeGreaterThan(50.0)
        ->and($way)->toHaveCount(4)
        // It leaves c and reaches b half way up, at the same side.
        ->and($way[0][1])->toBe($chart->places['c'][1])
        ->and($way[3][1])->toBe($chart->places['b'][1])
        ->and(abs($way[0][0] - $chart->places['c'][0]))->toBe(50.0);
});

it('lets the ways of a decision part at its corners, with their words on them', function () {
    [$boxes, $lines] = chartOf('a>b', 'b>c yes', 'b>d no', 'c>e', 'd>e');
    $chart = FlowLayout::of($boxes, $lines);
    foreach (['b>c yes', 'b>d no'] as $id) {
        [$x, $y] = $chart->words[$id];
        $isOn = false;
        for ($i = 1; $i < count($chart->ways[$id]); $i++) {
            [[$ax, $ay], [$bx, $by]] = [$chart->ways[$id][$i - 1], $chart->ways[$id][$i]];
            $isOn = $isOn || ($ax === $bx && $ax === $x && min($ay, $by) < $y && $y < max($ay, $by));
        }
        expect($isOn)->toBeTrue();
    }
    expect(ProcessGraphs::crossings($chart->ways))->toBe(0);
});

it('keeps what stands beside a box clear of everything', function () {
    $boxes = [FlowBox::plain('a', 100.0, 40.0), new FlowBox('b', 100.0, 40.0, 50.0, 300.0, 60.0, 60.0, false, true, false), FlowBox::plain('c', 100.0, 40.0), FlowBox::plain('d', 100.0, 40.0)];
    $lines = [new FlowLine('1', 'a', 'b'), new FlowLine('2', 'a', 'c'), new FlowLine('3', 'b', 'd'), new FlowLine('4', 'c', 'd'), new FlowLine('5', 'd', 'a')];
    $chart = FlowLayout::of($boxes, $lines);
    [$x, $y] = $chart->places['b'];
    $wide = [...$boxes, FlowBox::plain('beside b', 240.0, 118.0)];
    $chart = new \ChalkTree\Flow\FlowChart([...$chart->places, 'beside b' => [$x + 175.0, $y]], $chart->ways, $chart->words, $chart->bounds);
    expect(ProcessGraphs::faults($wide, $lines, $chart))->toBe([]);
});

it('takes what is not tied to the rest, rings without a beginning, and twice the same', function () {
    [$boxes, $lines] = chartOf('a>b', 'c>d', 'd>e', 'e>c');
    $lines[] = new FlowLine('again', 'a', 'b');
    expect(ProcessGraphs::faults($boxes, $lines, FlowLayout::of($boxes, $lines)))->toBe([])
        ->and(FlowLayout::of([], [])->places)->toBe([])
        ->and(FlowLayout::of([FlowBox::plain('a', 10.0, 10.0)], [])->places)->toBe(['a' => [0.0, 0.0]]);
});

it('lays out what no person draws: hubs, rings of rings, and everything tied to everything', function (Closure $make) {
    [$boxes, $lines] = $make();
    expect(ProcessGraphs::faults($boxes, $lines, FlowLayout::of($boxes, $lines)))->toBe([]);
})->with([
    'a hub' => [fn (): array => chartOf(...array_merge(...array_map(fn (int $n): array => ["hub>s{$n}", "s{$n}>end no"], range(1, 12))))],
    'all to all' => [fn (): array => chartOf(...array_merge(...array_map(fn (int $a): array => array_map(fn (int $b): string => "s{$a}>s{$b}", array_filter(range(1, 9), fn (int $b): bool => $b !== $a)), range(1, 9))))],
    'rings' => [fn (): array => chartOf(...array_merge(...array_map(fn (int $n): array => ["a{$n}>b{$n}", "b{$n}>c{$n}", "c{$n}>a{$n}", 'a'.$n.'>a'.($n % 8 + 1).' on'], range(1, 8))))],
    'there and back' => [fn (): array => chartOf('a>b', 'b>a', 'a>b yes', 'b>a no', 'b>c', 'c>a', 'c>b')],
]);

it('remembers a chart for as long as nothing about it is another, and no longer', function () {
    [$boxes, $lines] = ProcessGraphs::of(7);
    $first = new KnownCharts;
    $chart = $first->of('head', $boxes, $lines);
    $second = KnownCharts::from($first->kept());
    expect($second->of('head', $boxes, $lines))->toEqual($chart)
        ->and($second->of('head', [FlowBox::plain('new', 90.0, 30.0), ...$boxes], $lines)->places)->toHaveKey('new')
        ->and(KnownCharts::from(serialize(false))->kept())->toBeNull()
        ->and((new KnownCharts)->kept())->toBeNull();
});
