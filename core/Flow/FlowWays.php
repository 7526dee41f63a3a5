<?php

declare(strict_types=1);

namespace ChalkTree\Flow;

/**
 * The ways of the lines of a chart, drawn once everything has its place.
 *
 * @phpstan-import-type Point from FlowChart
 */
final readonly class FlowWays
{
    /** @param  list<FlowBox>  $boxes */
    public function __construct(private array $boxes, private FlowRows $at, private FlowPorts $ports, private FlowHeights $heights)
    {
    }

    /** @return non-empty-list<Point> */
    public function way(int $n): array
    {
        $chain = $this->at->chains->chains[$n];
        $points = [];
        $last = count($chain) - 1;
        for ($i = 0; $i < $last; $i++) {
            [$a, $b] = [$chain[$i], $chain[$i + 1]];
            [$ra, $rb] = [$this->at->chains->rank[$a], $this->at->chains->rank[$b]];
            if ($i === 0) {
                array_push($points, ...$this->meeting($n, $a, 'from', $ra <= $rb));
            }
            if ($ra === $rb) {
                $isOver = isset($this->heights->tracks[2 * $ra - 1]->over[$n]);
                $track = $isOver ? $this->heights->tracks[2 * $ra - 1]->over[$n] : $this->heights->tracks[2 * $ra]->under[$n] ?? null;
                if ($track !== null) {
                    $y = $this->heights->trackAt($isOver ? 2 * $ra - 1 : 2 * $ra, $track);
                    array_push($points, [$this->ports->xOf($n, $a), $y], [$this->ports->xOf($n, $b), $y]);
                }
            } else {
                $across = $this->passing($n, min($ra, $rb), $ra < $rb ? $a : $b, $ra < $rb ? $b : $a);
                array_push($points, ...$ra < $rb ? $across : array_reverse($across));
            }
            if ($i === $last - 1) {
                array_push($points, ...array_reverse($this->meeting($n, $b, 'to', $rb < $ra)));
            }
        }

        return self::straightened($points);
    }

    /**
     * Where a line leaves its box.
     *
     * @return non-empty-list<Point>
     */
    private function meeting(int $n, int $box, string $end, bool $isBelow): array
    {
        $y = $this->heights->y[2 * $this->at->chains->rank[$box]];
        $port = $this->ports->port($n, $end);
        if ($this->ports->isAtSide($n, $end)) {
            return [[$port, $y], [$this->ports->xOf($n, $box), $y]];
        }

        return [[$port, $y + ($isBelow ? 1 : -1) * $this->boxes[$box]->h / 2]];
    }

    /** @return list<Point> how a line goes from one row to the next, downwards */
    private function passing(int $n, int $r, int $upper, int $lower): array
    {
        $middle = $this->at->x[$this->at->between["{$n} {$r}"]];
        $points = [];
        foreach ([[2 * $r, $this->ports->xOf($n, $upper), $middle], [2 * $r + 1, $middle, $this->ports->xOf($n, $lower)]] as [$k, $from, $to]) {
            $track = $this->heights->tracks[$k]->of[$n] ?? -1;
            if ($track >= 0) {
                $y = $this->heights->trackAt($k, $track);
                array_push($points, [$from, $y], [$to, $y]);
            }
        }

        return $points;
    }

    /**
     * @param  list<Point>  $points
     * @return non-empty-list<Point>
     */
    private static function straightened(array $points): array
    {
        $kept = [];
        foreach ($points as $point) {
            $count = count($kept);
            if ($count > 0 && abs($kept[$count - 1][0] - $point[0]) < 0.05 && abs($kept[$count - 1][1] - $point[1]) < 0.05) {
                continue;
            }
            if ($count > 1 && ((abs($kept[$count - 2][0] - $point[0]) < 0.05 && abs($kept[$count - 1][0] - $point[0]) < 0.05) || (abs($kept[$count - 2][1] - $point[1]) < 0.05 && abs($kept[$count - 1][1] - $point[1]) < 0.05))) {
                array_pop($kept);
            }
            $kept[] = $point;
        }

        return $kept === [] ? [[0.0, 0.0]] : $kept;
    }
}
