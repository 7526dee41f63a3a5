<?php

declare(strict_types=1);

namespace App\Store;

use ChalkTree\Arrange\Layout;
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
    private ?Layout $layout;

    private readonly string $arrangement;

    private readonly Looks $looks;

    /** @param  TopicMap|null  $seen the map as the browser has it; null where it has none, or too old a one */
    public function __construct(?TopicMap $seen, private View $view)
    {
        $this->looks = Looks::standard();
        $this->arrangement = $seen?->sheet()->arrangement ?? '';
        $this->layout = $seen === null ? null : Layout::of($seen, $view, looks: $this->looks);
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
        $scope = $this->view->scope;
        $this->view = $view ?? $this->view;
        if ($this->layout === null || $scope !== $this->view->scope || $map->sheet()->arrangement !== $this->arrangement) {
            $layout = Layout::of($map, $this->view, looks: $this->looks);

            return $this->data($layout->scene(), new SceneChange($layout->scene()->slips, []), true);
        }
        $touched = $refolded;
        foreach ($changes as $record) {
            array_push($touched, ...$record->topics());
        }
        $news = $touched === [] ? new SceneChange([], []) : $this->layout->draw($map, $this->view, $touched);

        return $this->data($this->layout->scene(), $news, false);
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
