<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Ruler;
use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\Slip;
use ChalkTree\Arrange\View;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Map\TopicMap;

/** A scene reduced to its shape: bars for slips and strokes between them, small enough to draw dozens at once. */
final readonly class Thumbnail
{
    /** More topics than this cannot be told apart in so small a picture; View::overview() leaves the deepest out. */
    public const MOST = 160;

    /** The ratio of width to height that the picture is made for. */
    private const RATIO = 1.6;

    public function __construct(private BoardTheme $board = BoardTheme::Day)
    {
    }

    /** A map at a glance: as many whole levels as can be told apart. */
    public function ofMap(TopicMap $map): string
    {
        return $this->write(Layout::of($map, View::overview($map, self::MOST))->scene());
    }

    public function write(Scene $scene): string
    {
        $boxes = $scene->boxes();
        $colours = $this->board->colours();
        $out = '';
        [$left, $top, $right, $bottom] = [INF, INF, -INF, -INF];
        foreach ($boxes as $id => $box) {
            $slip = $scene->slips[$id];
            $left = min($left, $box['x']);
            $right = max($right, $box['x'] + $box['w']);
            $top = min($top, $box['y']);
            $bottom = max($bottom, $box['y'] + $box['h']);
            $colour = $slip->level === 0 ? $colours['plate'] : $scene->palette->colours($slip->chalk, $this->board)['line'];
            if ($slip->parent !== null) {
                $out .= '<path d="'.self::line($slip, $box['x'], $box['y']).'" fill="none" stroke="'.$colour.'" stroke-width="'.max(3, 9 - 3 * $slip->level).'"/>';
            }
            if ($slip->ruler !== null) {
                $out .= '<path d="'.self::ruler($slip->ruler, $box['x'], $box['y']).'" stroke="'.$colour.'" stroke-width="'.(2 * Ruler::HALF).'"/>';
            }
            $fade = $slip->level < 2 ? '' : ' fill-opacity="0.45"';
            $out .= "<rect x=\"{$box['x']}\" y=\"{$box['y']}\" width=\"{$box['w']}\" height=\"{$box['h']}\" rx=\"8\" fill=\"{$colour}\"{$fade}/>";
        }
        $w = max($right - $left, ($bottom - $top) * self::RATIO) * 1.12;
        $h = $w / self::RATIO;
        $x = ($left + $right) / 2 - $w / 2;
        $y = ($top + $bottom) / 2 - $h / 2;

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"{$x} {$y} {$w} {$h}\"><rect x=\"{$x}\" y=\"{$y}\" width=\"{$w}\" height=\"{$h}\" fill=\"{$colours['board']}\"/>{$out}</svg>";
    }

    /** The pieces of a line of days. */
    private static function ruler(Ruler $ruler, float $x, float $y): string
    {
        $d = '';
        foreach (array_keys($ruler->scale->pieces) as $n) {
            [$from, $to] = array_map($ruler->x(...), $ruler->scale->ends($n));
            $d .= 'M'.($x + $from).' '.($y + $ruler->line).'H'.($x + $to);
        }

        return $d;
    }

    /** The way of a connector, its curve and its straight parts. */
    private static function line(Slip $slip, float $x, float $y): string
    {
        if ($slip->route === []) {
            return '';
        }
        $points = [];
        foreach (array_chunk($slip->route, 2) as [$dx, $dy]) {
            $points[] = [$x + $dx, $y + $dy];
        }
        [[$x0, $y0], [$x1, $y1]] = $points;
        $curve = match (true) {
            ! $slip->isCurved => "L{$x1} {$y1}",
            $slip->leaves->isSideways() => 'C'.($x0 + $x1) / 2 ." {$y0} ".($x0 + $x1) / 2 ." {$y1} {$x1} {$y1}",
            default => "C{$x0} ".($y0 + $y1) / 2 ." {$x1} ".($y0 + $y1) / 2 ." {$x1} {$y1}",
        };

        return "M{$x0} {$y0}{$curve}".implode('', array_map(fn (array $point): string => "L{$point[0]} {$point[1]}", array_slice($points, 2)));
    }
}
