<?php

declare(strict_types=1);

namespace App\HandOver;

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\Paints;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\HandOver\Selected;
use ChalkTree\Map\TopicMap;
use ChalkTree\Print\Worksheet;

/**
 * What of a map is drawn for a picture or for paper, and in which colours.
 *
 * @phpstan-import-type Frame from SvgWriter
 */
final readonly class Drawing
{
    /** Pixels of free ground on paper, which has margins of its own. */
    private const ON_PAPER = 8;

    /**
     * @param  TopicMap  $map  what is drawn
     * @param  Frame  $frame  what of the scene is shown
     * @param  array<int, string>  $key  what belongs into gaps, by their numbers
     */
    private function __construct(public TopicMap $map, public Scene $scene, public array $frame, public Paints $paints, public bool $hasGround, public array $key)
    {
    }

    /** @param  TopicMap  $leaving  as Outgoing has it */
    public static function of(TopicMap $leaving, Wish $wish): self
    {
        $choices = $wish->choices;
        $isOnPaper = in_array($wish->to, ['print', 'sheets'], true);
        $isAsShown = in_array($choices->text('what'), ['shown', 'area'], true);
        // A picture shows a branch as it is drawn when one has stepped in, and folds as the board does.
        $map = Selected::of($leaving, $choices, chosen: $wish->chosen);
        [$map, $key] = $isOnPaper && Worksheet::isWanted($choices) ? Worksheet::of($map, $choices, $wish->gaps) : [$map, []];
        $scene = Layout::of($map, new View($isAsShown ? $wish->view->folded : [], $wish->branch))->scene();
        $paints = Paints::on($choices->text('on') === '' && $isOnPaper ? 'white' : $choices->text('on'), $wish->board);
        $margin = $choices->number('margin') ?? ($isOnPaper ? self::ON_PAPER : SvgWriter::MARGIN);

        return new self($map, $scene, self::area($map, $scene, $wish) ?? SvgWriter::around($scene, $margin), $paints, ! $choices->flag('bare'), $key);
    }

    /**
     * What was marked out on the board. It goes by a topic, so that it still shows the same when others have gone, or grown.
     *
     * @return Frame|null
     */
    private static function area(TopicMap $map, Scene $scene, Wish $wish): ?array
    {
        $choices = $wish->choices;
        $at = $choices->text('at');
        [$left, $top, $wide, $high] = array_map($choices->number(...), ['left', 'top', 'wide', 'high']);
        $box = $choices->text('what') !== 'area' || $at === '' || ! $map->has($at) ? null : $scene->boxOf($map, $at);

        return $box === null || $left === null || $top === null || $wide === null || $high === null ? null
            : ['x' => $box['x'] + $box['w'] / 2 + $left, 'y' => $box['y'] + $box['h'] / 2 + $top, 'w' => (float) $wide, 'h' => (float) $high];
    }
}
