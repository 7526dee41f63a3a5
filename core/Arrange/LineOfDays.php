<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Ask\Days;

/**
 * Stands topics along a line at the places that their days have on it, in the order of these; those without a day
 * behind the last, in their own. Each hangs on a pole, as near to the line as there is room: what is later stands nearer,
 * so that no pole goes through a box. The scale is that with which the whole comes out best: neither long nor tall.
 *
 * @phpstan-type Stand array{int, float}
 */
final class LineOfDays
{
    /** Between the line and what stands nearest to it, and between what stands over each other. */
    private const CLEAR = 16.0;

    private const OVER = 12.0;

    private const GAP = 16.0;

    /** How far typical neighbours may be from each other, pixels; and of so many that trying takes long. */
    private const TYPICAL = [64.0, 90.0, 128.0, 180.0, 256.0];

    private const OF_MANY = [64.0, 180.0];

    private const MANY = 600;

    /** What is added to length and height when they are held against each other, so that the smallest do not win by being flat. */
    private const LONG = 600.0;

    private const HIGH = 300.0;

    /**
     * @param  list<Slip>  $children
     * @param  int  $side  where they may stand: 0 above the line, 1 below it
     * @param  int  $other  and where else; each stands where it is nearer to the line
     * @return bool false where there are no two days to go by; then nothing is placed
     */
    public static function place(Slip $slip, array $children, int $side, int $other): bool
    {
        $days = $undated = $dated = [];
        foreach ($children as $child) {
            if ($child->day === null) {
                $undated[] = $child;
            } else {
                $dated[] = $child;
                $days[$child->topic->id] = [Days::number($child->day->from), Days::number($child->day->to)];
            }
        }
        $froms = array_column($days, 0);
        if ($froms === [] || count(array_unique($froms)) < 2) {
            return false;
        }
        usort($dated, fn (Slip $a, Slip $b): int => $days[$a->topic->id][0] <=> $days[$b->topic->id][0]);
        $best = null;
        foreach (count($children) > self::MANY ? self::OF_MANY : self::TYPICAL as $typical) {
            $scale = TimeScale::of($froms, array_column($days, 1), $typical);
            $poles = self::poles($scale, $dated, $undated, $days);
            $stands = self::stands([...$dated, ...$undated], $poles, [$side, $other], $high);
            $cost = (end($poles) + self::LONG) * ($high + self::HIGH);
            if ($best === null || $cost < $best[0]) {
                $best = [$cost, $scale, $poles, $stands];
            }
        }
        [, $scale, $poles, $stands] = $best;
        $begin = $slip->w + $slip->look->spacing->reach;
        $line = $slip->h / 2;
        $end = $begin + $scale->length();
        $spans = [];
        foreach ([...$dated, ...$undated] as $n => $child) {
            Pole::hang($slip, $child, $begin + $poles[$n], $line, $stands[$n][0], $stands[$n][1], isset($dated[$n]) ? null : $end);
            [$from, $to] = $days[$child->topic->id] ?? [0, 0];
            array_push($spans, ...($to > $from ? [[$from, $to, $stands[$n][0], $child->chalk]] : []));
        }
        $slip->axis = [$slip->w, $line, $begin, $line];
        $slip->ruler = new Ruler($begin, $line, $scale, $spans, $slip->today === '' ? null : Days::number($slip->today));
        $slip->reachTo($begin, $line - Ruler::HALF - 4, max($end, $begin + end($poles) + Pole::ASIDE) - $begin, 2 * (Ruler::HALF + 4));

        return true;
    }

    /**
     * @param  list<Slip>  $dated
     * @param  list<Slip>  $undated
     * @param  array<string, array{int, int}>  $days
     * @return list<float> where each hangs, from where the line begins
     */
    private static function poles(TimeScale $scale, array $dated, array $undated, array $days): array
    {
        $poles = [];
        $end = $free = $scale->length();
        foreach ($dated as $child) {
            $poles[] = $pole = $scale->at($days[$child->topic->id][0]) ?? 0.0;
            $free = max($free, self::end($child, $pole));
        }
        $pole = $end - Pole::STEP / 2;
        foreach ($undated as $child) {
            $poles[] = $pole = max($pole + Pole::STEP, $free);
            $free = self::end($child, $pole);
        }

        return $poles;
    }

    private static function end(Slip $child, float $pole): float
    {
        return $pole + Pole::ASIDE + $child->left + $child->w + $child->right + self::GAP;
    }

    /**
     * On which side of the line each stands, and how far from it.
     *
     * @param  list<Slip>  $children  by their poles
     * @param  list<float>  $poles
     * @param  array{int, int}  $sides  where each may stand
     * @param  float|null  $high  how far all reach above and below the line, together
     *
     * @param-out float $high
     *
     * @return array<int, Stand>
     */
    private static function stands(array $children, array $poles, array $sides, ?float &$high = null): array
    {
        // What is taken above and below: where it begins and ends along the line, and how far out; the leftmost last.
        $taken = [[], []];
        $stands = [];
        $reach = [0.0, 0.0];
        for ($n = count($children) - 1; $n >= 0; $n--) {
            [$child, $pole] = [$children[$n], $poles[$n]];
            $end = self::end($child, $pole);
            // In turn, unless it stands nearer to the line on the same side again.
            $turn = $sides[0] === ($stands[$n + 1][0] ?? null) ? [$sides[1], $sides[0]] : $sides;
            $side = $turn[self::near($taken[$turn[1]], $end) < self::near($taken[$turn[0]], $end) ? 1 : 0];
            $near = self::near($taken[$side], $end) + max(0, $child->apartX);
            $stands[$n] = [$side, $near];
            while (($last = end($taken[$side])) !== false && $last[0] < $end) {
                array_pop($taken[$side]);
                if ($last[1] > $end) {
                    $taken[$side][] = [$end, $last[1], $last[2]];
                    break;
                }
            }
            $far = $near + $child->bottom + $child->h + $child->top + Pole::lane($child);
            $taken[$side][] = [$pole, $end, $far];
            $reach[$side] = max($reach[$side], $far);
        }
        $high = $reach[0] + $reach[1];

        return $stands;
    }

    /**
     * How far out one stands that ends there.
     *
     * @param  list<array{float, float, float}>  $taken  see stands()
     */
    private static function near(array $taken, float $end): float
    {
        $near = Ruler::HALF + self::CLEAR;
        for ($i = count($taken) - 1; $i >= 0 && $taken[$i][0] < $end; $i--) {
            $near = max($near, $taken[$i][2] + self::OVER);
        }

        return $near;
    }
}
