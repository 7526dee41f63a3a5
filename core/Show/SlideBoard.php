<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\View;
use ChalkTree\Features;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\TypeFace;

/**
 * A slide laid out: the map it is drawn from, what of it is shown, and the frame. Where the rest is not shown, what is
 * shown stands close together, as if there were nothing else; what stands above it takes its place and is not drawn.
 *
 * @phpstan-type Frame array{x: float, y: float, w: float, h: float}
 */
final readonly class SlideBoard
{
    /** What is shown besides what is on the slide: nothing, what stands above it, all. */
    public const WAYS = ['only', 'trail', 'all'];

    /** Pixels around what a frame that is not set by hand has in it. */
    private const MARGIN = 28.0;

    /**
     * @param  TopicMap  $map  what was laid out, with all that is not drawn
     * @param  list<string>  $seen  the topics on the slide that are seen, in the order of the map
     * @param  array<string, true>  $shown  those, and what is drawn as bright besides
     * @param  Frame  $frame
     * @param  string  $key  the same for slides of which everything stands in the same places
     */
    private function __construct(public TopicMap $map, public Scene $scene, public array $seen, public array $shown, public array $frame, public string $way, public string $key)
    {
    }

    /**
     * @param  TopicMap  $map  as Outgoing has it
     * @param  string|null  $way  one of WAYS, where it is not the slide's own
     * @param  TypeFace|null  $face  in which whoever looks sees everything
     */
    public static function of(TopicMap $map, Slide $slide, ?string $way = null, ?TypeFace $face = null): self
    {
        $way ??= $slide->text('way') === '' ? 'only' : $slide->text('way');
        $seen = $slide->seen($map);
        $shown = array_fill_keys($seen, true);
        $above = [];
        foreach ($seen as $id) {
            foreach ($map->ancestors($id) as $topic) {
                if (isset($above[$topic->id])) {
                    break;
                }
                $above[$topic->id] = true;
            }
        }
        $shown += $way === 'trail' ? $above : [];
        $folded = $way === 'all' ? self::folded($map, $slide, $shown) : [];
        $only = $way === 'all' ? null : $shown + $above + [$map->root()->id => true];
        $part = self::bare($map, $only, $shown);
        $scene = Layout::of($part, new View(array_fill_keys($folded, true), face: $face, only: $only))->scene();
        sort($folded);
        $key = hash('xxh128', $only === null ? 'all '.implode(' ', $folded) : implode(' ', array_keys(array_intersect_key($map->all(), $only))));

        return new self($part, $scene, $seen, $shown, self::frame($map, $scene, $slide, $seen === [] ? array_keys($scene->slips) : array_keys($shown)), $way, $key);
    }

    /**
     * What ends on the slide and goes on in the map.
     *
     * @param  array<string, true>  $shown
     * @return list<string>
     */
    private static function folded(TopicMap $map, Slide $slide, array $shown): array
    {
        $chosen = $slide->chosen();
        $folded = $chosen->folded();
        foreach ($slide->number('depth') === null ? [] : array_keys($shown) as $id) {
            $below = $map->children((string) $id);
            if ($below !== [] && $chosen->how((string) $id) !== SlideTopics::ALONE && array_intersect_key($below, $shown) === []) {
                $folded[] = (string) $id;
            }
        }

        return array_values(array_unique(array_filter($folded, $map->has(...))));
    }

    /**
     * The map without what is drawn between topics that are not all shown. That a topic has a note is no concern of who looks.
     *
     * @param  array<string, true>|null  $only
     * @param  array<string, true>  $shown
     */
    private static function bare(TopicMap $map, ?array $only, array $shown): TopicMap
    {
        $bare = clone $map;
        foreach ($only === null ? $map->all() : array_keys($only) as $topic) {
            $topic = $topic instanceof Topic ? $topic : $map->topic((string) $topic);
            if ($topic->note !== '') {
                $bare->put($topic->with(['note' => '']));
            }
        }
        foreach ($only === null ? [] : Features::all() as $feature) {
            foreach ($feature->drawn() as $class) {
                foreach ($map->rowsOf($class) as $row) {
                    if ($row->topics() === [] || array_diff_key(array_flip($row->topics()), $shown) !== []) {
                        $bare->drop($row::type(), $row->id);
                    }
                }
            }
        }

        return $bare;
    }

    /**
     * @param  list<array-key>  $topics
     * @return Frame
     */
    private static function frame(TopicMap $map, Scene $scene, Slide $slide, array $topics): array
    {
        $at = $slide->text('at');
        [$left, $top, $wide, $high] = array_map($slide->number(...), ['left', 'top', 'wide', 'high']);
        $box = $at === '' || ! $map->has($at) ? null : $scene->boxOf($map, $at);
        if ($box !== null && $left !== null && $top !== null && $wide !== null && $high !== null) {
            return ['x' => $box['x'] + $box['w'] / 2 + $left, 'y' => $box['y'] + $box['h'] / 2 + $top, 'w' => (float) $wide, 'h' => (float) $high];
        }
        $boxes = array_intersect_key($scene->boxes(), array_flip($topics));
        if ($boxes === []) {
            return ['x' => -320.0, 'y' => -180.0, 'w' => 640.0, 'h' => 360.0];
        }
        $x = min(array_column($boxes, 'x')) - self::MARGIN;
        $y = min(array_column($boxes, 'y')) - self::MARGIN;

        return [
            'x' => $x, 'y' => $y,
            'w' => max(array_map(fn (array $one): float => $one['x'] + $one['w'], $boxes)) + self::MARGIN - $x,
            'h' => max(array_map(fn (array $one): float => $one['y'] + $one['h'], $boxes)) + self::MARGIN - $y,
        ];
    }
}
