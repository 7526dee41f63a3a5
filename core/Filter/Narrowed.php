<?php

declare(strict_types=1);

namespace ChalkTree\Filter;

use ChalkTree\Arrange\View;
use ChalkTree\Ask\Condition;
use ChalkTree\Ask\Moment;
use ChalkTree\Map\Topic;

/** A map narrowed to the topics of which a condition holds. */
final readonly class Narrowed
{
    /** @param  list<string>  $hits  ids of the topics of which it holds, in the order in which one reads */
    private function __construct(public array $hits, private Showing $showing, private Moment $now)
    {
    }

    /**
     * @param  Condition|null  $condition  null where nothing is asked, so that nothing is narrowed
     * @param  string|null  $scope  the topic in which one has stepped, and below which is looked
     * @param  iterable<string>  $kept  topics that stay though it does not hold of them: what one is working at
     */
    public static function to(Moment $now, ?Condition $condition, Showing $showing = Showing::Above, ?string $scope = null, iterable $kept = []): self
    {
        if ($condition === null) {
            return new self([], Showing::Dim, $now);
        }
        $all = $scope !== null && $now->map->has($scope) ? $now->map->branch($scope) : $now->map->all();
        $stay = [];
        foreach ($kept as $id) {
            $stay[$id] = true;
        }
        $hits = [];
        foreach ($all as $id => $topic) {
            if (isset($stay[$id]) || $condition->holds($now, (string) $id)) {
                $hits[] = (string) $id;
            }
        }

        return new self($hits, $showing, $now);
    }

    /** How somebody sees the map who sees it so otherwise: folds do not hide what was hit. */
    public function view(View $view): View
    {
        if ($this->showing === Showing::Dim) {
            return $view;
        }
        $hits = array_fill_keys($this->hits, true);
        $above = [];
        foreach ($this->hits as $id) {
            for ($at = $this->now->map->find($id)?->parent; $at !== null && ! isset($above[$at]); $at = $this->now->map->find($at)?->parent) {
                $above[$at] = true;
            }
        }
        $only = match ($this->showing) {
            // What stands above all else has a place of its own; nothing could lead to what is below it.
            Showing::Only => $hits + array_filter($above, fn (string $id): bool => $this->now->map->find($id)?->parent === null, ARRAY_FILTER_USE_KEY),
            Showing::Below => $hits + $above + $this->below(),
            default => $hits + $above,
        };

        return new View(array_diff_key($view->folded, $above), $view->scope, $view->face, $view->showing, $only, $view->today, $this->showing === Showing::Only);
    }

    /** @return array<string, true> */
    private function below(): array
    {
        $below = [];
        foreach ($this->hits as $id) {
            $below += isset($below[$id]) ? [] : array_map(fn (Topic $topic): true => true, $this->now->map->branch($id));
        }

        return $below;
    }
}
