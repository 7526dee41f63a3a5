<?php

declare(strict_types=1);

namespace App\Store;

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Memory;
use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\SceneChange;
use ChalkTree\Arrange\Slip;
use ChalkTree\Arrange\Touched;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\SceneMark;
use ChalkTree\Draw\SlipData;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\HandOver\NothingLeaves;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Look\Look;
use ChalkTree\Look\Looks;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\RowTypes;
use ChalkTree\Map\Sheet;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Route\KnownWays;

/**
 * Tells what is different in the scene that a browser has: laid out once as the browser last saw it, and then again
 * for what changed since, which leaves all other branches alone.
 */
final class SceneBoard
{
    private readonly Looks $looks;

    /**
     * @param  TopicMap|null  $seen  the map as the browser has it, which must not change any more; null where it has none, or too old a one
     * @param  Memory|null  $memory  what is remembered of the layout of that map in this view
     */
    public function __construct(private readonly ?TopicMap $seen, private View $view, private ?Memory $memory = null)
    {
        $this->looks = Looks::standard();
    }

    /**
     * The scene of the map as it is now, as far as it is news to the browser.
     *
     * @param  list<Changes>  $changes  what was done since the map was as the browser has it
     * @param  list<string>  $refolded  topics folded or unfolded since
     * @return array{reset: bool, arrangement: string, slips: list<array<string, mixed>>, gone: list<string>, marks: list<array<string, mixed>>, goneMarks: list<string>, looks: list<array<string, mixed>>, levels: list<string>, chalks: list<array<string, mixed>>}
     */
    public function news(TopicMap $map, array $changes, ?View $view = null, array $refolded = []): array
    {
        $before = $this->view;
        $this->view = $view ?? $before;
        if ($before->showing || $this->view->showing) {
            return $this->anew($this->shown($map));
        }
        if ($this->seen === null || $before->scope !== $this->view->scope || $this->isOfMap($changes) || $map->sheet()->arrangement !== $this->seen->sheet()->arrangement) {
            return $this->anew($map);
        }
        $touched = $refolded;
        foreach ($changes as $record) {
            array_push($touched, ...Touched::by($map, $record));
        }
        if ($touched === [] && ! $this->isOfMarks($changes)) {
            return $this->data(new Scene($map->sheet()->arrangement, []), new SceneChange([], []), false, keepsMarks: true);
        }
        $layout = $this->memory !== null
            ? Layout::recalling($this->memory, $this->seen, $before, $this->withAbove($map, $touched), $this->looks)
            : Layout::of($this->seen, $before, looks: $this->looks);
        $ways = $this->memory?->ways() ?? new KnownWays;
        $marks = $this->memory?->marks();
        if ($marks === null) {
            $marks = self::drawn($layout->scene($ways));
            $ways = KnownWays::from($ways->kept());
        }
        $news = $layout->draw($map, $this->view, $touched);
        if ($this->memory !== null) {
            $this->memory->learn($layout->slips(), $news->gone);
        } else {
            $this->memory = Memory::of($layout->slips());
            $layout->teach($this->memory);
        }

        $scene = $layout->scene($ways);
        $this->memory->learnWays($ways);
        $this->memory->learnCharts($layout->charts());

        return $this->data($scene, $news, false, $marks);
    }

    /** What of the map is shown in this view: all of it, unless others are looking. */
    public function shown(TopicMap $map): TopicMap
    {
        if (! $this->view->showing) {
            return $map;
        }
        try {
            return Outgoing::of($map);
        } catch (NothingLeaves) {
            return NewMap::from(new TopicDraft('…'));
        }
    }

    /** @return array{reset: bool, arrangement: string, slips: list<array<string, mixed>>, gone: list<string>, marks: list<array<string, mixed>>, goneMarks: list<string>, looks: list<array<string, mixed>>, levels: list<string>, chalks: list<array<string, mixed>>} */
    private function anew(TopicMap $map): array
    {
        $layout = Layout::of($map, $this->view, looks: $this->looks);
        $this->memory = Memory::of($layout->slips());
        $layout->teach($this->memory);
        $scene = $layout->scene($ways = new KnownWays);
        $this->memory->learnWays($ways);
        $this->memory->learnCharts($layout->charts());
        $data = $this->data($scene, new SceneChange($layout->slips(), []), true, levels: $layout->levels());
        // What is shown to others is another map, of which nothing is remembered.
        $this->memory = $this->view->showing ? null : $this->memory;

        return $data;
    }

    /** What is remembered now of the layout of the map as news() drew it last; null where nothing can be. */
    public function memory(): ?Memory
    {
        return $this->memory;
    }

    /**
     * Whether something changed that is of the map as a whole, so that every topic may be drawn otherwise.
     *
     * @param  list<Changes>  $changes
     */
    private function isOfMap(array $changes): bool
    {
        foreach ($changes as $record) {
            foreach ($record->all as $change) {
                if (! in_array($change->type, [Topic::type(), Sheet::type()], true) && RowTypes::ofFeature($change->type)::isDrawnByLooks()) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * Whether something of the map changed of which only marks are drawn.
     *
     * @param  list<Changes>  $changes
     */
    private function isOfMarks(array $changes): bool
    {
        foreach ($changes as $record) {
            foreach ($record->all as $change) {
                if (! in_array($change->type, [Topic::type(), Sheet::type()], true) && RowTypes::ofFeature($change->type)::isOfMap()) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * @param  list<string>  $touched
     * @return list<string> these topics, and those above them as the map is now
     */
    private function withAbove(TopicMap $map, array $touched): array
    {
        $ids = [];
        foreach ($touched as $id) {
            for ($at = $id; $at !== null && ! isset($ids[$at]); $at = $map->find($at)?->parent) {
                $ids[$at] = $at;
            }
        }

        return array_values($ids);
    }

    /** @return array<string, array<string, mixed>> the marks of a scene as the browser gets them, by type and id */
    private static function drawn(Scene $scene): array
    {
        return array_map(fn (SceneMark $mark): array => $mark->toArray(), $scene->marks);
    }

    /**
     * @param  array<string, array<string, mixed>>  $marks  those that the browser has, by type and id
     * @param  list<Look>  $levels  where everything is told
     * @return array{reset: bool, arrangement: string, slips: list<array<string, mixed>>, gone: list<string>, marks: list<array<string, mixed>>, goneMarks: list<string>, looks: list<array<string, mixed>>, levels: list<string>, chalks: list<array<string, mixed>>}
     */
    private function data(Scene $scene, SceneChange $change, bool $reset, array $marks = [], array $levels = [], bool $keepsMarks = false): array
    {
        $looks = [];
        foreach ([...$levels, ...array_map(fn (Slip $slip): Look => $slip->look, array_values($change->slips))] as $look) {
            $looks[$look->hash] ??= $look->toArray();
        }
        $data = new SlipData;
        $drawn = self::drawn($scene);
        if (! $keepsMarks) {
            $this->memory?->learnMarks($drawn);
        }

        return [
            'reset' => $reset,
            'arrangement' => $scene->arrangement,
            'slips' => array_map(fn (Slip $slip): array => $data->of($slip), array_values($change->slips)),
            'gone' => $change->gone,
            'marks' => array_values(array_filter($drawn, fn (array $mark, string $key): bool => ($marks[$key] ?? null) !== $mark, ARRAY_FILTER_USE_BOTH)),
            'goneMarks' => array_column(array_diff_key($marks, $drawn), 'id'),
            'looks' => array_values($looks),
            'levels' => array_map(fn (Look $look): string => $look->hash, $levels),
            'chalks' => $reset ? $scene->palette->toArray() : [],
        ];
    }
}
