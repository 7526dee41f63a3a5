<?php

declare(strict_types=1);

namespace ChalkTree\Ring;

use ChalkTree\Arrange\Ground;
use ChalkTree\Arrange\Growth;
use ChalkTree\Arrange\Slip;
use ChalkTree\Draw\Primitive;
use ChalkTree\Draw\SceneMark;
use ChalkTree\Draw\SlipParts;
use ChalkTree\Draw\TextLine;
use ChalkTree\Look\Look;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\Advances;
use ChalkTree\Text\Line;
use ChalkTree\Text\Run;
use ChalkTree\Text\Wrapper;

/**
 * How rings are drawn: around the branches of their topics, or what is shown of these, with their names in their lines.
 *
 * @phpstan-import-type Rect from RingOutline
 */
final class RingMarks
{
    /** How wide the hand is that chooses a ring, pixels. */
    private const HAND = 14.0;

    private const SIZE = 14.0;

    private const LINE = 18.0;

    /** Longer names go on in another line, pixels. */
    private const WIDEST = 320.0;

    /** Across more of a board than this, square pixels, each of its topics has a line to itself: nobody sees all of it at once. */
    private const LARGEST = 6e7;

    /** From a corner to the name, and around it. */
    private const BEFORE = 10.0;

    private const PAD = 5.0;

    private readonly Wrapper $wrapper;

    /** @param  Look  $look  of topics whose typeface names are set in */
    public function __construct(private readonly TopicMap $map, private readonly Ground $ground, private readonly Look $look)
    {
        $this->wrapper = new Wrapper(new Advances);
    }

    /** @return list<SceneMark> those that go around others first, and those that are filled before all whose line alone is seen */
    public function all(): array
    {
        $rings = Rings::of($this->map);
        $filled = $bare = [];
        foreach (array_reverse($rings->rings, true) as $id => $ring) {
            $mark = $this->mark($ring, $rings->members[$id], $rings->pad((string) $id));
            if ($mark !== null && $ring->text('fill') === 'tint') {
                $filled[] = $mark;
            } elseif ($mark !== null) {
                $bare[] = $mark;
            }
        }

        return [...$filled, ...$bare];
    }

    /** @param  non-empty-list<string>  $topics */
    private function mark(Ring $ring, array $topics, float $pad): ?SceneMark
    {
        $found = [];
        foreach ($topics as $topic) {
            $at = $this->ground->find($this->map, $topic);
            if ($at !== null) {
                $found[$at[0]->topic->id] = $at;
            }
        }
        if ($found === []) {
            return null;
        }
        $own = array_map(fn (array $at): array => self::extent(...$at), array_values($found));
        $loops = $this->loops($found, $own, $pad);
        $d = RingOutline::path($loops, (float) ($ring->number('corner') ?? Ring::CORNER));
        $chalk = $ring->text('chalk');
        $thick = (float) ($ring->number('thick') ?? Ring::THICK);
        $touch = "ring:{$ring->id}";
        $parts = $ring->text('fill') === 'tint' ? [Primitive::path('fill', $d, $chalk === '' ? 'edge' : "tint:{$chalk}")] : [];
        $parts[] = Primitive::path('hand', $d, thick: self::HAND)->touching($touch);
        if ($ring->text('line') !== 'none') {
            $parts[] = Primitive::path('line', $d, '', $chalk === '' ? 'soft' : "chalk:{$chalk}", $thick, SlipParts::dashes($ring->text('line'), $thick))->touching($touch);
        }
        $points = array_merge(...$loops);
        $box = [min(array_column($points, 0)) - $thick, min(array_column($points, 1)) - self::SIZE, max(array_column($points, 0)) + $thick, max(array_column($points, 1)) + self::SIZE];
        if ($ring->text('name') !== '') {
            $named = $this->name($ring, self::nameAt($loops, (float) ($ring->number('corner') ?? Ring::CORNER), array_values($found)[0][0]->growth === Growth::Down), $chalk === '' ? 'ink' : "text:{$chalk}");
            $box = [min($box[0], $named[1][0]), min($box[1], $named[1][1]), max($box[2], $named[1][2]), max($box[3], $named[1][3])];
            array_push($parts, ...array_map(fn (Primitive $part): Primitive => $part->touching($touch), $named[0]));
        }

        return new SceneMark($ring->id, Ring::type(), $parts, array_map(fn (float $at): float => round($at, 1), [$box[0], $box[1], $box[2] - $box[0], $box[3] - $box[1]]), true);
    }

    /**
     * @param  non-empty-array<string, array{Slip, float, float}>  $found
     * @param  non-empty-list<Rect>  $own  the extents of these branches
     * @return non-empty-list<non-empty-list<array{float, float}>>
     */
    private function loops(array $found, array $own, float $pad): array
    {
        $area = (max(array_column($own, 2)) - min(array_column($own, 0))) * (max(array_column($own, 3)) - min(array_column($own, 1)));
        if ($area > self::LARGEST && count($own) > 1) {
            return array_merge(...array_map(fn (array $box): array => RingOutline::around([$box], [], $pad), $own));
        }
        $strangers = $this->strangers(array_map(strval(...), array_keys($found)), $own, $pad);

        // What a person put somewhere may stand among what is below a topic.
        return RingOutline::around($strangers === [] ? $own : $this->split($found, $own, $strangers), $strangers, $pad);
    }

    /**
     * @param  array{float, float}  $at
     * @return array{list<Primitive>, Rect} and where it stands
     */
    private function name(Ring $ring, array $at, string $ink): array
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', $ring->text('name')));
        $lines = $this->wrapper->wrapPlain($name, self::SIZE, self::WIDEST, Run::BOLD | $this->look->type->face->cut());
        $w = max(array_map(fn (Line $line): float => $line->width, $lines));
        $high = count($lines) * self::LINE + 4;
        // The last line of the name is in that of the ring, the others are outside.
        [$left, $top, $wide] = [round($at[0] + self::BEFORE - self::PAD, 1), round($at[1] + self::LINE / 2 + 2 - $high, 1), round($w + 2 * self::PAD, 1)];
        $parts = [Primitive::path('ground', "M{$left} {$top}h{$wide}v{$high}h-{$wide}Z", 'board')];
        foreach ($lines as $n => $line) {
            array_push($parts, ...TextLine::of('name', $line, $left + self::PAD, round($top + 2 + $n * self::LINE + $this->look->type->face->baseline(self::SIZE, self::LINE), 2), self::SIZE, $ink, $this->look));
        }

        return [$parts, [$left, $top, $left + $wide, $top + $high]];
    }

    /**
     * Where the name begins: behind the left corner of what is highest; or lowest, where connectors come in from above.
     *
     * @param  list<non-empty-list<array{float, float}>>  $loops
     * @return array{float, float}
     */
    private static function nameAt(array $loops, float $corner, bool $isBelow): array
    {
        $points = array_merge(...$loops);
        usort($points, fn (array $a, array $b): int => [$isBelow ? -$a[1] : $a[1], $a[0]] <=> [$isBelow ? -$b[1] : $b[1], $b[0]]);

        return [$points[0][0] + $corner / 2, $points[0][1]];
    }

    /** @return Rect */
    private static function extent(Slip $slip, float $x, float $y): array
    {
        return [$x - $slip->left, $y - $slip->top, $x + $slip->w + $slip->right, $y + $slip->h + $slip->bottom];
    }

    /**
     * The boxes that stand where the ring would go around, and are none of its own.
     *
     * @param  list<string>  $topics
     * @param  non-empty-list<Rect>  $own
     * @return list<Rect>
     */
    private function strangers(array $topics, array $own, float $pad): array
    {
        $boxes = $this->ground->boxesIn(min(array_column($own, 0)) - $pad, min(array_column($own, 1)) - $pad, max(array_column($own, 2)) + $pad, max(array_column($own, 3)) + $pad);
        $members = array_flip($topics);
        $strangers = [];
        foreach ($boxes as $id => $box) {
            $topic = str_replace(Ground::WORDS, '', (string) $id);
            if (! isset($members[$topic]) && array_intersect_key($members, array_flip(array_map(fn ($above): string => $above->id, $this->map->ancestors($topic)))) === []) {
                $strangers[] = $box;
            }
        }

        return $strangers;
    }

    /**
     * @param  array<string, array{Slip, float, float}>  $found
     * @param  non-empty-list<Rect>  $own  the extents of these branches
     * @param  list<Rect>  $strangers
     * @return non-empty-list<Rect> for a branch into which a stranger reaches, each box of it
     */
    private function split(array $found, array $own, array $strangers): array
    {
        $boxes = [];
        foreach (array_values($found) as $n => [$slip]) {
            [$left, $top, $right, $bottom] = $own[$n];
            $isClear = array_filter($strangers, fn (array $box): bool => $box[0] < $right && $box[2] > $left && $box[1] < $bottom && $box[3] > $top) === [];
            $id = $slip->topic->id;
            foreach ($isClear ? [] : $this->ground->boxesIn($left, $top, $right, $bottom) as $other => $box) {
                $topic = str_replace(Ground::WORDS, '', (string) $other);
                if ($topic === $id || in_array($id, array_map(fn ($above): string => $above->id, $this->map->ancestors($topic)), true)) {
                    $boxes[] = $box;
                }
            }
            if ($isClear) {
                $boxes[] = $own[$n];
            }
        }

        return $boxes === [] ? $own : $boxes;
    }
}
