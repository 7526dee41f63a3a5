<?php

declare(strict_types=1);

namespace Tests\Support;

use ChalkTree\Flow\FlowBox;
use ChalkTree\Flow\FlowChart;
use ChalkTree\Flow\FlowLine;

/** Charts of steps as people draw them, from a seed: mostly one after the other, with decisions, shortcuts and loops. */
final class ProcessGraphs
{
    /** @return array{list<FlowBox>, list<FlowLine>} */
    public static function of(int $seed): array
    {
        $chance = new Chance($seed);
        $count = $chance->int(5, 60);
        $boxes = $lines = [];
        for ($i = 0; $i < $count; $i++) {
            $boxes[] = FlowBox::plain("s{$i}", (float) $chance->int(60, 200), (float) $chance->int(28, 80));
            if ($i > 0) {
                $lines[] = [$chance->int(1, 100) <= 65 ? $i - 1 : $chance->int(max(0, $i - 7), $i - 1), $i];
            }
        }
        for ($n = intdiv($count, 6); $n > 0; $n--) {
            $from = $chance->int(0, $count - 2);
            $lines[] = [$from, $chance->int($from + 1, min($count - 1, $from + 10))];
        }
        for ($n = $chance->int(0, intdiv($count, 10)); $n > 0; $n--) {
            $from = $chance->int(1, $count - 1);
            $lines[] = [$from, $chance->int(max(0, $from - 15), $from - 1)];
        }
        $made = [];
        foreach ($lines as $n => [$from, $to]) {
            $hasWords = $chance->int(1, 100) <= 30;
            $made[] = new FlowLine("l{$n}", "s{$from}", "s{$to}", $hasWords ? (float) $chance->int(20, 90) : 0.0, $hasWords ? 18.0 : 0.0);
        }

        return [$boxes, $made];
    }

    /**
     * How often lines cross.
     *
     * @param  array<string, list<array{float, float}>>  $ways
     */
    public static function crossings(array $ways): int
    {
        $crossings = 0;
        $ways = array_values($ways);
        foreach ($ways as $n => $one) {
            for ($m = 0; $m < $n; $m++) {
                for ($i = 1; $i < count($one); $i++) {
                    for ($j = 1; $j < count($ways[$m]); $j++) {
                        $crossings += self::isCrossing($one[$i - 1], $one[$i], $ways[$m][$j - 1], $ways[$m][$j]) ? 1 : 0;
                    }
                }
            }
        }

        return $crossings;
    }

    /**
     * @param  array{float, float}  $a
     * @param  array{float, float}  $b
     * @param  array{float, float}  $c
     * @param  array{float, float}  $d
     */
    private static function isCrossing(array $a, array $b, array $c, array $d): bool
    {
        $side = fn (array $p, array $q, array $r): float => ($q[0] - $p[0]) * ($r[1] - $p[1]) - ($q[1] - $p[1]) * ($r[0] - $p[0]);

        return $side($a, $b, $c) * $side($a, $b, $d) < -1e-6 && $side($c, $d, $a) * $side($c, $d, $b) < -1e-6;
    }

    /**
     * What is wrong with a chart: boxes, lines and words that lie on each other.
     *
     * @param  list<FlowBox>  $boxes
     * @param  list<FlowLine>  $lines
     * @return list<string>
     */
    public static function faults(array $boxes, array $lines, FlowChart $chart): array
    {
        $areas = $faults = [];
        foreach ($boxes as $box) {
            [$x, $y] = $chart->places[$box->id];
            $areas[$box->id] = [$x - $box->w / 2, $y - $box->h / 2, $x + $box->w / 2, $y + $box->h / 2];
        }
        foreach ($lines as $line) {
            if (isset($chart->words[$line->id])) {
                [$x, $y] = $chart->words[$line->id];
                $areas["words of {$line->id}"] = [$x - $line->w / 2, $y - $line->h / 2, $x + $line->w / 2, $y + $line->h / 2];
            } elseif ($line->w > 0) {
                $faults[] = "no room for the words of {$line->id}";
            }
        }
        $names = array_keys($areas);
        foreach ($names as $n => $one) {
            for ($m = 0; $m < $n; $m++) {
                [$a, $b] = [$areas[$one], $areas[$names[$m]]];
                if ($a[0] < $b[2] && $b[0] < $a[2] && $a[1] < $b[3] && $b[1] < $a[3]) {
                    $faults[] = "{$one} lies on {$names[$m]}";
                }
            }
        }
        foreach ($chart->ways as $id => $way) {
            for ($i = 1; $i < count($way); $i++) {
                [[$x0, $y0], [$x1, $y1]] = [$way[$i - 1], $way[$i]];
                if ($x0 !== $x1 && $y0 !== $y1) {
                    $faults[] = "{$id} runs askew";
                }
                foreach ($areas as $name => [$l, $t, $r, $b]) {
                    if ($name !== "words of {$id}" && min($x0, $x1) < $r - 0.5 && $l + 0.5 < max($x0, $x1) && min($y0, $y1) < $b - 0.5 && $t + 0.5 < max($y0, $y1)
                        || $name !== "words of {$id}" && $x0 === $x1 && $x0 > $l + 0.5 && $x0 < $r - 0.5 && min($y0, $y1) < $b - 0.5 && $t + 0.5 < max($y0, $y1)
                        || $name !== "words of {$id}" && $y0 === $y1 && $y0 > $t + 0.5 && $y0 < $b - 0.5 && min($x0, $x1) < $r - 0.5 && $l + 0.5 < max($x0, $x1)) {
                        $faults[] = "{$id} runs through {$name}";
                    }
                }
            }
        }

        return [...$faults, ...self::overlaid($chart->ways)];
    }

    /**
     * @param  array<string, list<array{float, float}>>  $ways
     * @return list<string>
     */
    private static function overlaid(array $ways): array
    {
        $faults = $pieces = [];
        foreach ($ways as $id => $way) {
            for ($i = 1; $i < count($way); $i++) {
                $pieces[] = [$id, $way[$i - 1], $way[$i]];
            }
        }
        foreach ($pieces as $n => [$id, $a, $b]) {
            for ($m = 0; $m < $n; $m++) {
                [$other, $c, $d] = $pieces[$m];
                foreach ([0, 1] as $k) {
                    $isAlong = abs($a[$k] - $b[$k]) < 0.05 && abs($c[$k] - $d[$k]) < 0.05 && abs($a[$k] - $c[$k]) < 2.0;
                    if ($id !== $other && $isAlong && min($a[1 - $k], $b[1 - $k]) < max($c[1 - $k], $d[1 - $k]) - 2.0 && min($c[1 - $k], $d[1 - $k]) < max($a[1 - $k], $b[1 - $k]) - 2.0) {
                        $faults[] = "{$id} lies on {$other}";
                    }
                }
            }
        }

        return $faults;
    }
}
