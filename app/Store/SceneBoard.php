<?php

declare(strict_types=1);

namespace App\Store;

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Memory;
use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\SceneChange;
use ChalkTree\Arrange\Slip;
use ChalkTree\Arrange\SlipData;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\Changes;
use ChalkTree\Look\Looks;
use ChalkTree\Map\TopicMap;

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
     * @return array{reset: bool, arrangement: string, slips: list<array<string, mixed>>, gone: list<string>}
     */
    public function news(TopicMap $map, array $changes, ?View $view = null, array $refolded = []): array
    {
        $before = $this->view;
        $this->view = $view ?? $before;
        if ($this->seen === null || $before->scope !== $this->view->scope || $map->sheet()->arrangement !== $this->seen->sheet()->arrangement) {
            $layout = Layout::of($map, $this->view, looks: $this->looks);
            $this->memory = $this->canRemember($map) ? Memory::of($layout->slips()) : null;

            return $this->data($layout->scene(), new SceneChange($layout->slips(), []), true);
        }
        $touched = $refolded;
        foreach ($changes as $record) {
            array_push($touched, ...$record->topics());
        }
        if ($touched === []) {
            return $this->data(new Scene($map->sheet()->arrangement, []), new SceneChange([], []), false);
        }
        $isRecalled = $this->memory !== null && $this->canRemember($this->seen) && $this->canRemember($map);
        $layout = $isRecalled && $this->memory !== null
            ? Layout::recalling($this->memory, $this->seen, $before, $this->withAbove($map, $touched), $this->looks)
            : Layout::of($this->seen, $before, looks: $this->looks);
        $news = $layout->draw($map, $this->view, $touched);
        if ($isRecalled) {
            $this->memory?->learn($layout->slips(), $news->gone);
        } else {
            $this->memory = $this->canRemember($map) ? Memory::of($layout->slips()) : null;
        }

        return $this->data($layout->scene(), $news, false);
    }

    /** What is remembered now of the layout of the map as news() drew it last; null where nothing can be. */
    public function memory(): ?Memory
    {
        return $this->memory;
    }

    /** Where loose topics stand hangs on all of the tree. */
    private function canRemember(TopicMap $map): bool
    {
        return $map->loose() === [];
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

    /** @return array{reset: bool, arrangement: string, slips: list<array<string, mixed>>, gone: list<string>} */
    private function data(Scene $scene, SceneChange $change, bool $reset): array
    {
        $data = new SlipData($this->looks);

        return [
            'reset' => $reset,
            'arrangement' => $scene->arrangement,
            'slips' => array_map(fn (Slip $slip): array => $data->of($slip), array_values($change->slips)),
            'gone' => $change->gone,
        ];
    }
}
