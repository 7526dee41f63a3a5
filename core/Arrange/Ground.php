<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\TopicMap;
use Closure;

/**
 * What stands where on a board, asked for place by place: only those branches are gone into that reach into the part
 * that is asked for, so that a line across one corner of a large map costs no more than on a small one. Places are from
 * the middle of the root, pixels at scale 1; a rectangle is left, top, right, bottom.
 *
 * @phpstan-type Rect array{float, float, float, float}
 */
final class Ground
{
    /** The board is gone into in squares of this side. */
    private const TILE = 384.0;

    /** What the phrase on the connector to a topic is called among the boxes: the topic's id with this. */
    public const WORDS = ' phrase';

    /** @var array<string, array<string, Slip>> the slips right below others, by id, once they were asked for */
    private array $known = [];

    /** @var array<int, array<int, array<string, Rect>>> boxes by column and row of the squares, and id */
    private array $tiles = [];

    /**
     * @param  list<Slip>  $tops  the root and loose topics, with their places
     * @param  Closure(Slip): list<Slip>  $below  gives the slips right below another, with their places
     */
    public function __construct(private readonly array $tops, private readonly Closure $below)
    {
    }

    /**
     * The slip of a topic, or of the nearest above it that is drawn, and the place of its top left corner.
     *
     * @return array{Slip, float, float}|null  null where nothing above it is drawn
     */
    public function find(TopicMap $map, string $topic): ?array
    {
        $trail = [$topic];
        foreach ($map->find($topic) === null ? [] : $map->ancestors($topic) as $above) {
            $trail[] = $above->id;
        }
        foreach ($this->tops as $top) {
            $at = array_search($top->topic->id, $trail, true);
            if ($at === false) {
                continue;
            }
            [$slip, $x, $y] = [$top, $top->x, $top->y];
            while ($at-- > 0 && ($next = $this->slipsBelow($slip)[$trail[$at]] ?? null) !== null) {
                [$slip, $x, $y] = [$next, $x + $next->x, $y + $next->y];
            }

            return [$slip, $x, $y];
        }

        return null;
    }

    /**
     * The boxes that reach into a rectangle.
     *
     * @return array<string, Rect> by topic id
     */
    public function boxesIn(float $left, float $top, float $right, float $bottom): array
    {
        $boxes = [];
        for ($i = (int) floor($left / self::TILE); $i * self::TILE < $right; $i++) {
            for ($j = (int) floor($top / self::TILE); $j * self::TILE < $bottom; $j++) {
                foreach ($this->tiles[$i][$j] ?? $this->tile($i, $j) as $id => $box) {
                    if ($box[0] < $right && $box[2] > $left && $box[1] < $bottom && $box[3] > $top) {
                        $boxes[$id] = $box;
                    }
                }
            }
        }

        return $boxes;
    }

    /**
     * The boxes that a straight line comes nearer to than so many pixels.
     *
     * @return array<string, Rect> by topic id
     */
    public function boxesOn(float $x0, float $y0, float $x1, float $y1, float $near): array
    {
        if ($x1 < $x0) {
            [$x0, $y0, $x1, $y1] = [$x1, $y1, $x0, $y0];
        }
        $boxes = [];
        $slope = $x1 - $x0 < 0.01 ? null : ($y1 - $y0) / ($x1 - $x0);
        for ($i = (int) floor(($x0 - $near) / self::TILE); $i * self::TILE < $x1 + $near; $i++) {
            // How far down the line is within this column of squares.
            [$from, $to] = [max($x0, $i * self::TILE - $near), min($x1, ($i + 1) * self::TILE + $near)];
            [$a, $b] = $slope === null ? [$y0, $y1] : [$y0 + ($from - $x0) * $slope, $y0 + ($to - $x0) * $slope];
            [$top, $bottom] = [min($a, $b) - $near, max($a, $b) + $near];
            for ($j = (int) floor($top / self::TILE); $j * self::TILE < $bottom; $j++) {
                foreach ($this->tiles[$i][$j] ?? $this->tile($i, $j) as $id => $box) {
                    if (! isset($boxes[$id]) && self::cuts($x0, $y0, $x1, $y1, $box, $near)) {
                        $boxes[$id] = $box;
                    }
                }
            }
        }

        return $boxes;
    }

    /**
     * Whether a straight line goes through a rectangle made larger by so many pixels on each side; along its edge it
     * does not.
     *
     * @param  Rect  $box
     */
    public static function cuts(float $x0, float $y0, float $x1, float $y1, array $box, float $near): bool
    {
        [$left, $top, $right, $bottom] = [$box[0] - $near, $box[1] - $near, $box[2] + $near, $box[3] + $near];
        if (($x0 <= $left && $x1 <= $left) || ($x0 >= $right && $x1 >= $right) || ($y0 <= $top && $y1 <= $top) || ($y0 >= $bottom && $y1 >= $bottom)) {
            return false;
        }
        $dx = $x1 - $x0;
        $dy = $y1 - $y0;
        if ($dx == 0 && $dy == 0) {
            return true;
        }
        // The corners all on one side of the line: it passes by.
        $a = $dy * ($left - $x0) - $dx * ($top - $y0);
        $b = $dy * ($right - $x0) - $dx * ($top - $y0);
        $c = $dy * ($left - $x0) - $dx * ($bottom - $y0);
        $d = $dy * ($right - $x0) - $dx * ($bottom - $y0);

        return ! (($a >= 0 && $b >= 0 && $c >= 0 && $d >= 0) || ($a <= 0 && $b <= 0 && $c <= 0 && $d <= 0));
    }

    /** @return array<string, Slip> by id */
    private function slipsBelow(Slip $slip): array
    {
        $id = $slip->topic->id;
        if (! isset($this->known[$id])) {
            $this->known[$id] = [];
            foreach (($this->below)($slip) as $child) {
                $this->known[$id][$child->topic->id] = $child;
            }
        }

        return $this->known[$id];
    }

    /** @return array<string, Rect> */
    private function tile(int $i, int $j): array
    {
        [$left, $top] = [$i * self::TILE, $j * self::TILE];
        [$right, $bottom] = [$left + self::TILE, $top + self::TILE];
        $boxes = [];
        $waiting = [];
        foreach ($this->tops as $slip) {
            $waiting[] = [$slip, $slip->x, $slip->y];
        }
        while (($next = array_pop($waiting)) !== null) {
            [$slip, $x, $y] = $next;
            [$r, $b] = [$x + $slip->w, $y + $slip->h];
            if ($slip->words !== null) {
                [$wx, $wy, $ww, $wh] = [$x + $slip->words[0], $y + $slip->words[1], $slip->words[2], $slip->words[3]];
                if ($wx < $right && $wx + $ww > $left && $wy < $bottom && $wy + $wh > $top) {
                    $boxes[$slip->topic->id.self::WORDS] = [$wx, $wy, $wx + $ww, $wy + $wh];
                }
            }
            if ($x - $slip->left >= $right || $r + $slip->right <= $left || $y - $slip->top >= $bottom || $b + $slip->bottom <= $top) {
                continue;
            }
            // What is folded has its tally beside it.
            $box = $slip->hidden > 0 ? [$x - $slip->left, $y - $slip->top, $r + $slip->right, $b + $slip->bottom] : [$x, $y, $r, $b];
            if ($box[0] < $right && $box[2] > $left && $box[1] < $bottom && $box[3] > $top) {
                $boxes[$slip->topic->id] = $box;
            }
            foreach ($this->slipsBelow($slip) as $child) {
                $waiting[] = [$child, $x + $child->x, $y + $child->y];
            }
        }

        return $this->tiles[$i][$j] = $boxes;
    }
}
