<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** Brings topics that stand free, and loose ones, to one line, or spreads them evenly between the outermost two. */
final class AlignTopics implements Edit
{
    public const WAYS = ['left', 'middle', 'right', 'top', 'centre', 'bottom', 'across', 'down'];

    private int $count = 0;

    /** @param  non-empty-list<string>  $topics */
    private function __construct(private readonly array $topics, private readonly string $way)
    {
    }

    public static function name(): string
    {
        return 'topic.align';
    }

    /** "way": to the left, middle or right of each other, to the top, centre or bottom; or spread "across" or "down". */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), $arguments->oneOf('way', self::WAYS));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $scene = Layout::of($map, new View)->scene();
        $boxes = $scene->boxes();
        $moving = [];
        $chosen = array_flip($this->topics);
        foreach ($this->topics as $id) {
            $topic = $map->topic($id, 'topics');
            $isFree = isset($scene->slips[$id]) && ($scene->slips[$id]->isFree || ($topic->parent === null && $id !== $map->sheet()->root && $topic->parked === null && $topic->column === null));
            // What hangs on another of them goes with it.
            $isBelow = array_filter($map->ancestors($id), fn (Topic $above): bool => isset($chosen[$above->id])) !== [];
            if ($isFree && ! $isBelow) {
                $moving[$id] = $boxes[$id];
            }
        }
        if (count($moving) < 2) {
            throw new InvalidEdit('Only topics that stand free can be brought to one line, two at least.', 'topics');
        }
        $this->count = count($moving);
        foreach ($this->aligned($moving) as $id => [$x, $y]) {
            $this->move($map, $recorder, $map->topic((string) $id), $moving[$id], $boxes, $x - $moving[$id]['x'], $y - $moving[$id]['y']);
        }
    }

    public function sentence(TopicMap $map): string
    {
        $what = Wording::several(array_fill(0, max(2, $this->count === 0 ? count($this->topics) : $this->count), ''));

        return match ($this->way) {
            'across', 'down' => "Spread {$what} evenly",
            default => "Aligned {$what}",
        };
    }

    /**
     * @param  non-empty-array<string, array{x: float, y: float, w: float, h: float, ...}>  $boxes
     * @return array<string, array{float, float}> the new corners
     */
    private function aligned(array $boxes): array
    {
        [$left, $top] = [min(array_column($boxes, 'x')), min(array_column($boxes, 'y'))];
        $right = max(array_map(fn (array $box): float => $box['x'] + $box['w'], $boxes));
        $bottom = max(array_map(fn (array $box): float => $box['y'] + $box['h'], $boxes));
        if ($this->way === 'across' || $this->way === 'down') {
            return $this->spread($boxes, ...$this->way === 'across' ? ['x', 'w', $left, $right] : ['y', 'h', $top, $bottom]);
        }

        return array_map(fn (array $box): array => match ($this->way) {
            'left' => [$left, $box['y']],
            'right' => [$right - $box['w'], $box['y']],
            'middle' => [round(($left + $right - $box['w']) / 2), $box['y']],
            'top' => [$box['x'], $top],
            'bottom' => [$box['x'], $bottom - $box['h']],
            default => [$box['x'], round(($top + $bottom - $box['h']) / 2)],
        }, $boxes);
    }

    /**
     * With the same room between each two, in the order in which they stand.
     *
     * @param  non-empty-array<string, array{x: float, y: float, w: float, h: float, ...}>  $boxes
     * @param  'x'|'y'  $axis
     * @param  'w'|'h'  $size
     * @return array<string, array{float, float}>
     */
    private function spread(array $boxes, string $axis, string $size, float $from, float $to): array
    {
        uasort($boxes, fn (array $a, array $b): int => $a[$axis] + $a[$size] / 2 <=> $b[$axis] + $b[$size] / 2);
        $room = ($to - $from - array_sum(array_column($boxes, $size))) / max(1, count($boxes) - 1);
        $at = $from;
        $places = [];
        foreach ($boxes as $id => $box) {
            $places[$id] = $axis === 'x' ? [round($at), $box['y']] : [$box['x'], round($at)];
            $at += $box[$size] + $room;
        }

        return $places;
    }

    /**
     * @param  array{x: float, y: float, w: float, h: float, ...}  $box
     * @param  array<string, array{x: float, y: float, w: float, h: float, ...}>  $boxes
     */
    private function move(TopicMap $map, Recorder $recorder, Topic $topic, array $box, array $boxes, float $dx, float $dy): void
    {
        if ($topic->parent === null) {
            $recorder->put($topic->with(['x' => (int) round($box['x'] + $dx), 'y' => (int) round($box['y'] + $box['h'] / 2 + $dy)]));

            return;
        }
        $parent = $boxes[$topic->parent];
        $recorder->keep(Place::fromFields($topic->id, [
            'x' => (int) round($box['x'] + $dx + $box['w'] / 2 - $parent['x'] - $parent['w'] / 2),
            'y' => (int) round($box['y'] + $dy + $box['h'] / 2 - $parent['y'] - $parent['h'] / 2),
        ]));
    }
}
