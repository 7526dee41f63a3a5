<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use Closure;

/**
 * Places loose topics and columns where they were put on the board; where the tree or another loose branch has come to
 * stand there meanwhile, they make way downwards, without that being written to the map. Those that were never put
 * anywhere stand below the tree.
 *
 * Only that part of the tree is looked at which is near a loose topic, so that a large tree need not be gone into.
 */
final class LooseTopics
{
    /** Between the tree and the loose topics below it. */
    private const BELOW = 56;

    /** Between the topics of a column. */
    private const COLUMN_GAP = 10;

    /** How far a connector is wider than its way. */
    private const LINE = 4;

    /** @var array<string, list<Slip>> the slips right below others, once they were asked for */
    private array $known = [];

    /** @param  Closure(Slip): list<Slip>  $below  gives the slips right below another, with their places */
    public function __construct(private readonly Closure $below)
    {
    }

    /** @param  list<non-empty-list<Slip>>  $piles  columns, and loose topics as piles of one */
    public function place(Slip $root, array $piles): void
    {
        $clearing = new Clearing(fn (array $part): iterable => $this->drawn($root, $part));
        $foot = $root->h / 2 + $root->bottom + self::BELOW;
        foreach ($piles as $pile) {
            $topic = $pile[0]->topic;
            $this->stack($pile, $topic->x ?? -$pile[0]->w / 2, $topic->y === null ? $foot : $topic->y - $pile[0]->h / 2 - $pile[0]->top);
            $down = $clearing->down(array_map($this->extent(...), $pile));
            foreach ($pile as $slip) {
                $slip->y += $down;
                $clearing->take($this->extent($slip));
            }
            if ($topic->y === null) {
                $last = $pile[count($pile) - 1];
                $foot = $last->y + $last->h + $last->bottom + self::BELOW;
            }
        }
    }

    /** @param  list<Slip>  $pile */
    private function stack(array $pile, float $x, float $y): void
    {
        $end = null;
        foreach ($pile as $slip) {
            $slip->x = $x;
            $slip->y = $y + $slip->top;
            $slip->above = $end === null ? 0.0 : $slip->y - $end;
            $end = $slip->y + $slip->h;
            $y = $end + $slip->bottom + self::COLUMN_GAP;
        }
    }

    /** @return array{float, float, float, float} what a branch takes: left, top, right, bottom */
    private function extent(Slip $slip): array
    {
        return [$slip->x - $slip->left, $slip->y - $slip->top, $slip->x + $slip->w + $slip->right, $slip->y + $slip->h + $slip->bottom];
    }

    /**
     * What the tree covers near a part of the board: its boxes, and the room in which its connectors run.
     *
     * @param  array{float, float, float, float}  $part
     * @return iterable<array{float, float, float, float}>
     */
    private function drawn(Slip $root, array $part): iterable
    {
        // Every loose topic walks here, and may do so several times, so nothing is called or made that need not be.
        [$partLeft, $partTop, $partRight, $partBottom] = $part;
        $waiting = [[$root, 0.0, 0.0]];
        while (($next = array_pop($waiting)) !== null) {
            [$slip, $x, $y] = $next;
            $x += $slip->x;
            $y += $slip->y;
            $route = $slip->route;
            for ($i = 2, $count = count($route); $i < $count; $i += 2) {
                [$a, $c] = $route[$i - 2] < $route[$i] ? [$x + $route[$i - 2], $x + $route[$i]] : [$x + $route[$i], $x + $route[$i - 2]];
                if ($a >= $partRight || $c <= $partLeft) {
                    continue;
                }
                [$b, $d] = $route[$i - 1] < $route[$i + 1] ? [$y + $route[$i - 1] - self::LINE, $y + $route[$i + 1] + self::LINE] : [$y + $route[$i + 1] - self::LINE, $y + $route[$i - 1] + self::LINE];
                if ($b < $partBottom && $d > $partTop) {
                    yield [$a, $b, $c, $d];
                }
            }
            if ($slip->brace !== null) {
                [$a, $b, $c, $d] = $slip->brace;
                $deep = BraceStand::DEEP;
                yield [$x + min($a, $c) - $deep, $y + min($b, $d) - $deep, $x + max($a, $c) + $deep, $y + max($b, $d) + $deep];
            }
            if ($slip->words !== null) {
                yield [$x + $slip->words[0], $y + $slip->words[1], $x + $slip->words[0] + $slip->words[2], $y + $slip->words[1] + $slip->words[3]];
            }
            if ($x - $slip->left - self::LINE > $partRight || $x + $slip->w + $slip->right + self::LINE < $partLeft
                || $y - $slip->top - self::LINE > $partBottom || $y + $slip->h + $slip->bottom + self::LINE < $partTop) {
                continue;
            }
            $isFolded = $slip->hidden > 0 ? 1 : 0;
            yield [$x - $slip->left * $isFolded, $y, $x + $slip->w + $slip->right * $isFolded, $y + $slip->h + $slip->bottom * $isFolded];
            foreach ($this->known[$slip->topic->id] ??= ($this->below)($slip) as $child) {
                $waiting[] = [$child, $x, $y];
            }
        }
    }
}
