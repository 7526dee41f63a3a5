<?php

declare(strict_types=1);

use ChalkTree\Ask\Days;
use ChalkTree\Ask\Moment;
use ChalkTree\Kind\FormulaProblem;
use ChalkTree\Kind\FormulaValue;
use ChalkTree\Kind\Kind;
use ChalkTree\Kind\KindField;
use ChalkTree\Kind\Kinds;
use ChalkTree\Kind\Pattern;
use ChalkTree\Kind\Values;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Number\BranchNumbering;
use ChalkTree\Number\Numbering;
use ChalkTree\Number\Numbers;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

/* What is reckoned, formulas, sums up the tree, numbers before titles, spans of days, is held against the plainest way to reckon it. */

/**
 * An expression of numbers, and what it comes to; null where it divides by nothing.
 *
 * @return array{string, float|null}
 */
function randomExpression(Chance $chance, int $deep): array
{
    if ($deep === 0 || $chance->yes(25)) {
        $number = $chance->pick([$chance->int(0, 9), $chance->int(0, 1000), $chance->int(0, 10_000) / 100]);

        return [(string) $number, (float) $number];
    }
    [$a, $x] = randomExpression($chance, $deep - 1);
    [$b, $y] = randomExpression($chance, $deep - 1);
    $spaced = $chance->pick(['', ' ']);
    [$does, $value] = $chance->pick([
        ['+', fn (float $x, float $y): float => $x + $y], ['-', fn (float $x, float $y): float => $x - $y], ['*', fn (float $x, float $y): float => $x * $y], ['/', fn (float $x, float $y): ?float => $y === 0.0 ? null : $x / $y],
        ['smaller', fn (float $x, float $y): float => min($x, $y)], ['larger', fn (float $x, float $y): float => max($x, $y)], ['minus', fn (float $x, float $y): float => -$x], ['round', fn (float $x, float $y): float => round($x)],
    ]);
    $text = match ($does) {
        'smaller', 'larger' => "{$does}({$a},{$spaced}{$b})",
        'minus' => "-({$a})",
        'round' => "round({$a})",
        default => "({$a}){$spaced}{$does}{$spaced}({$b})",
    };
    // What is not looked at may divide by nothing.
    $isOne = in_array($does, ['minus', 'round'], true);

    return [$text, $x === null || (! $isOne && $y === null) ? null : $value($x, $y ?? 0.0)];
}

/** What a formula comes to at the root of a map; null where it says that it divides by nothing. */
function formulaAt(TopicMap $map, string $formula): ?float
{
    $field = KindField::fromFields(Ids::named('reckoned'), ['name' => 'Reckoned', 'sort' => 'computed', 'formula' => $formula]);
    $map->put($field);
    try {
        return FormulaValue::of(new Moment($map, A_DAY), $map->root()->id, $field);
    } catch (FormulaProblem $problem) {
        expect($problem->getMessage())->toBe('This divides by nothing.');

        return null;
    }
}

it('reckons formulas as they are read, with signs and parentheses wherever', function (int $seed) {
    $chance = new Chance($seed);
    $map = committee();
    for ($n = 0; $n < 40; $n++) {
        [$formula, $wanted] = randomExpression($chance, 3);
        if (mb_strlen($formula) > 300) {
            continue;
        }
        $found = formulaAt($map, $formula);
        expect($found === null)->toBe($wanted === null, $formula);
        if ($wanted !== null) {
            expect($found)->toEqualWithDelta($wanted, 1e-6 * max(1.0, abs($wanted)), $formula);
        }
    }
})->with(range(1, 12));

it('reckons points before lines, and from the left where signs are equal', function (string $formula, float $comes) {
    expect(formulaAt(committee(), $formula))->toEqualWithDelta($comes, 1e-9);
})->with([
    ['2 + 3 * 4', 14.0], ['20 - 5 - 3', 12.0], ['64 / 4 / 2', 8.0], ['2 * 3 + 4 * 5', 26.0], ['-2 * 3', -6.0], ['2 - -3', 5.0], ['1 - 2 * 3 + 4 / 2', -3.0], ['larger(1, 2) * smaller(3, 4)', 6.0], ['round(2.5) + round(-2.5)', 0.0],
]);

it('sums numbers up the tree as one would by going over all that is below', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $chance->int(3, 60), loose: false);
    $map->put($field = KindField::fromFields(Ids::next(), ['name' => 'Weight', 'sort' => 'number']));
    foreach (array_map(strval(...), array_keys($map->all())) as $id) {
        if ($chance->yes(50)) {
            $row = $map->row(Values::type(), $id);
            $map->put(($row instanceof Values ? $row : Values::fromFields($id, []))->having([$field->id => (string) ($chance->int(-1000, 1000) / 4)]));
        }
    }
    $sums = (new Moment($map, A_DAY))->sums();
    foreach (array_map(strval(...), array_keys($map->all())) as $id) {
        $all = array_filter(array_map(fn (string $one): ?float => isset(Kinds::values($map, $one)[$field->id]) ? (float) Kinds::values($map, $one)[$field->id] : null, array_map(strval(...), array_keys($map->branch($id)))), fn (?float $value): bool => $value !== null);
        $below = $all;
        if (isset(Kinds::values($map, $id)[$field->id])) {
            array_shift($below);
        }
        foreach ([[$sums->with($id, $field->id), $all], [$sums->below($id, $field->id), $below]] as [$sum, $wanted]) {
            expect($sum === null)->toBe($wanted === []);
            if ($sum !== null) {
                expect([$sum->count, $sum->least, $sum->most])->toBe([count($wanted), min($wanted), max($wanted)])
                    ->and($sum->sum)->toEqualWithDelta(array_sum($wanted), 1e-6)->and($sum->mean())->toEqualWithDelta(array_sum($wanted) / count($wanted), 1e-6);
            }
        }
    }
})->with(range(1, 20));

it('numbers siblings one after the other, whatever the style, and starts anew below each', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $chance->int(3, 50), loose: false);
    $root = $map->sheet()->root;
    $from = $chance->int(1, 40);
    $map->put(BranchNumbering::fromFields($root, ['style' => $chance->pick(['1*', '1.1*', 'A*', 'a*', 'I*', 'i*']), 'from' => $from]));
    $numbers = Numbers::of($map);
    $style = Numbering::parse($map->row(BranchNumbering::type(), $root)->text('style'))->style(1);
    foreach ($map->all() as $id => $topic) {
        $n = (string) $id === $root ? $from : 1;
        $trail = $style === '1.1' && (string) $id !== $root ? array_map(intval(...), explode('.', rtrim($numbers[$id], '.'))) : [];
        foreach ($map->children((string) $id) as $child) {
            expect($numbers[$child->id])->toBe(Numbering::label($style, [...$trail, $n++]));
        }
    }
    expect($numbers)->toHaveCount(count($map->all()) - 1);
})->with(range(1, 20));

it('writes numbers in letters and Roman figures, each of them once and as they are read', function () {
    $letters = $roman = [];
    $values = ['I' => 1, 'V' => 5, 'X' => 10, 'L' => 50, 'C' => 100, 'D' => 500, 'M' => 1000];
    for ($n = 1; $n < 4000; $n++) {
        $letters[] = $its = rtrim(Numbering::label('A', [$n]), '.');
        expect(array_reduce(str_split($its), fn (int $sum, string $letter): int => 26 * $sum + ord($letter) - 64, 0))->toBe($n);
        $roman[] = $its = rtrim(Numbering::label('I', [$n]), '.');
        $sum = 0;
        foreach (str_split($its) as $i => $sign) {
            $sum += ($values[$its[$i + 1] ?? ''] ?? 0) > $values[$sign] ? -$values[$sign] : $values[$sign];
        }
        expect($sum)->toBe($n);
    }
    expect(array_unique($letters))->toHaveCount(3999)->and(array_unique($roman))->toHaveCount(3999);
});

it('knows spans that hold today, and those that touch them without a gap', function (int $seed) {
    $chance = new Chance($seed);
    for ($n = 0; $n < 40; $n++) {
        $today = Days::plus('2026-01-01', $chance->int(-4000, 4000));
        foreach (['week' => 7, 'month' => 31, 'quarter' => 92, 'year' => 366] as $what => $most) {
            [$last, $this_, $next] = array_map(fn (string $which): array => Days::span("{$which}-{$what}", $today), ['last', 'this', 'next']);
            expect($this_[0] <= $today && $today <= $this_[1])->toBeTrue()
                ->and(Days::plus($last[1], 1))->toBe($this_[0])->and(Days::plus($this_[1], 1))->toBe($next[0])
                ->and(Days::between($this_[0], $this_[1]) + 1)->toBeLessThanOrEqual($most);
        }
        expect(Days::weekday(Days::span('this-week', $today)[0]))->toBe(1);
        foreach (['this-quarter', 'this-year'] as $span) {
            [$first, $end] = Days::span($span, $today);
            [$monthFirst, $monthEnd] = Days::span('this-month', $today);
            // A month lies wholly in its quarter and its year.
            expect($first <= $monthFirst && $monthEnd <= $end)->toBeTrue()->and(substr($first, 8))->toBe('01');
        }
        $year = substr($today, 0, 4);
        expect(Days::span($year, '2026-11-28'))->toBe(["{$year}-01-01", "{$year}-12-31"])->and(Days::spanOf($year, $today))->toBe($year)->and(Days::spanWords($year))->toBe($year);
        $by = $chance->int(-999, 999);
        expect(Days::span(sprintf('today%+d', $by), $today))->toBe([Days::plus($today, $by), Days::plus($today, $by)])
            ->and(Days::plusMonths(Days::plusMonths(substr($today, 0, 8).'01', 5), -5))->toBe(substr($today, 0, 8).'01');
    }
})->with(range(1, 5));

it('fills patterns of titles, and leaves alone what is no place for anything', function (string $pattern, string $wanted) {
    $map = committee();
    $kind = Kind::fromFields(Ids::next(), ['name' => 'Rehearsal', 'pattern' => $pattern]);
    $map->put($kind);
    expect(Pattern::filled($kind, $map, titled($map, 'Autumn'), '2026-11-27', '19:30'))->toBe($wanted);
})->with([
    ['Plain words', 'Plain words'], ['{kind}, {date}', 'Rehearsal, 27 Nov 2026'], ['{day} {time}', 'Friday 19:30'], ['{year}/{number}', '2026/1'], ['{parent}: {kind}', 'Autumn: Rehearsal'], ['{Date} {nothing} {', '{Date} {nothing} {'],
    ['{kind}{kind}', 'RehearsalRehearsal'], ['  {number}  ', '1'], ['$1 \\1 {number}', '$1 \\1 1'],
]);

it('counts entries of a kind in one place only', function () {
    $map = committee('meeting');
    $kind = Kinds::kind($map, ChalkTree\Kind\ShippedKinds::kindId('meeting'));
    foreach (['Autumn', 'Autumn', 'Winter'] as $n => $parent) {
        done($map, 'entry.put', ['kind' => $kind->id, 'parent' => titled($map, $parent), 'as' => array_map(fn (): string => Ids::next(), range(1, 7)), 'today' => A_DAY]);
        $counted = $kind->with(['pattern' => '{number}']);
        expect(Pattern::filled($counted, $map, titled($map, $parent), A_DAY, '10:00'))->toBe((string) (['Autumn' => [2, 3], 'Winter' => [2 => 2]][$parent][$n]));
    }
    expect(array_map(fn (Topic $topic): string => $topic->title, array_values($map->children(titled($map, 'Winter')))))->toHaveCount(1);
});
