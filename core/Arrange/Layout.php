<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Ask\Moment;
use ChalkTree\Features;
use ChalkTree\Flow\KnownCharts;
use ChalkTree\Look\Look;
use ChalkTree\Look\LookResolver;
use ChalkTree\Look\Looks;
use ChalkTree\Look\Palette;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Number\Numbers;
use ChalkTree\Route\KnownWays;
use ChalkTree\Text\Advances;
use ChalkTree\Text\TypeFace;
use ChalkTree\Text\Wrapper;

/**
 * Turns a map and a view into a scene, and keeps what it found: asked again after some topics changed, it lays out
 * those and what stands above them, and leaves every other branch as it is.
 */
final class Layout
{
    /** @var array<string, Slip> */
    private array $slips = [];

    /** @var array<string, list<string>> the ids of the children drawn, by parent; '' for root and loose topics */
    private array $below = [];

    /** @var array<string, Slip> what the slips touched by this pass were before; see draw() */
    private array $before = [];

    private string $root = '';

    /** @var array<string, string> see Numbers */
    private array $numbers = [];

    /** What was drawn before this layout began, if that is known; see recalling() */
    private ?Memory $memory = null;

    /** @var array<string, Slip> slips taken from memory in this pass, whose place before is not known */
    private array $recalled = [];

    /** Whether what is drawn is the map of which something is remembered, so that every box has the size it had. */
    private bool $isAsRemembered = false;

    /** @var array<string, int> topics in whose boxes something else stands because of others that changed, in this pass */
    private array $others = [];

    /** The map drawn last, and its view. */
    private ?TopicMap $map = null;

    private ?View $view = null;

    /** The map and the view of the pass before this one, for branches that were never gone into. */
    private ?TopicMap $mapBefore = null;

    private ?View $viewBefore = null;

    private KnownCharts $charts;

    /** Null until something is drawn. */
    private ?Placing $placing = null;

    private readonly MapFollowing $following;

    private readonly LookResolver $looks;

    private readonly SlipMaking $making;

    private readonly Measurer $measurer;

    private readonly Inheritance $inheritance;

    /** @param  TypeFace|null  $face  see View */
    public function __construct(private readonly string $arrangement, Looks $looks, ?Advances $advances = null, ?TypeFace $face = null)
    {
        $this->looks = new LookResolver($looks, $face);
        $this->measurer = new Measurer(new Wrapper($advances ?? new Advances));
        $this->inheritance = new Inheritance($arrangement, $this->looks);
        $this->making = new SlipMaking;
        $this->charts = new KnownCharts;
        $this->following = new MapFollowing;
    }

    /** Lays out everything that is not known yet, or all that could have changed if these topics have. */
    public static function of(TopicMap $map, View $view, ?string $arrangement = null, ?Looks $looks = null): self
    {
        $layout = new self($arrangement ?? $map->sheet()->arrangement, $looks ?? Looks::standard(), face: $view->face);
        $layout->draw($map, $view);

        return $layout;
    }

    /**
     * A layout that takes from memory what it found for this map and view, and lays out again only what these topics
     * concern.
     *
     * @param  iterable<string>  $touched  as in draw(), and all topics above them in the map that will be drawn next
     */
    public static function recalling(Memory $memory, TopicMap $map, View $view, iterable $touched, ?Looks $looks = null): self
    {
        $layout = new self($map->sheet()->arrangement, $looks ?? Looks::standard(), face: $view->face);
        $layout->memory = $memory;
        $layout->charts = $memory->charts();
        $layout->numbers = Numbers::of($map);
        $layout->isAsRemembered = true;
        $layout->draw($map, $view, $touched);
        $layout->isAsRemembered = false;

        return $layout;
    }

    /** @return array<string, Slip> the slips gone into so far; all of them, unless the layout began from memory */
    public function slips(): array
    {
        return $this->slips;
    }

    /** What is known of the charts that it laid out. */
    public function charts(): KnownCharts
    {
        return $this->charts;
    }

    /** @return list<Look> how topics of each level look of which nothing else is said */
    public function levels(): array
    {
        return array_map($this->looks->ofLevel(...), range(0, Looks::DEEPEST));
    }

    /** @param  KnownWays  $ways  what is known of the lines that features draw; it knows them as they are afterwards */
    public function scene(KnownWays $ways = new KnownWays): Scene
    {
        [$map, $view] = [$this->map, $this->view];
        if ($map === null || $view === null) {
            return new Scene($this->arrangement, $this->slips);
        }
        $tops = array_map(fn (string $id): Slip => $this->slips[$id], $this->below['']);
        $ground = new Ground($tops, fn (Slip $slip): array => $this->openedBelow($map, $view, $slip));
        $marks = SceneMarks::of($map, new Scene($this->arrangement, $this->slips, ground: $ground, ways: $ways));

        // What the marks made it go into is drawn as it was.
        return new Scene($this->arrangement, $this->slips, $marks, Palette::of($map), $ground);
    }

    /**
     * Brings the layout up to date.
     *
     * @param  iterable<string>|null  $touched  ids of topics added, changed, moved, removed, folded or unfolded since, and of
     *                                        former parents, as Changes::topics() gives them; null for all
     */
    public function draw(TopicMap $map, View $view, ?iterable $touched = null): SceneChange
    {
        $before = $this->numbers;
        $this->numbers = Numbers::of($map);
        [$this->map, $this->view] = [$map, $view];
        $touched = $touched === null ? null : array_values([...$touched, ...$this->renumbered($before)]);
        $now = $this->following->follow($map, $view->today, $touched, $touched === null ? null : $this->stale($map, $touched), $this->memory);
        $others = $this->following->others();
        $this->others = array_flip($others);
        if ($touched !== null && $others !== [] && $this->mapBefore !== null && $this->viewBefore !== null) {
            $this->lookBack($this->mapBefore, $this->viewBefore, $others);
        }
        $this->before = $this->recalled = [];
        $scope = $view->scope !== null && $map->has($view->scope) ? $view->scope : null;
        $this->root = $scope ?? $map->sheet()->root;
        $isAlike = $this->looks->read($map, $now);
        $isAlike = $this->making->readFaces($map, $touched === null, $now) && $isAlike;
        // Where something is said otherwise of the map as a whole, everything may be drawn otherwise.
        $stale = $touched === null || ! $isAlike ? null : $this->stale($map, $touched);
        [$todo, $left] = $this->goInto($now, $view, $scope, $stale === null ? null : $stale + $this->stale($map, $this->resized($others, $stale)));
        for ($i = count($todo) - 1; $i >= 0; $i--) {
            $this->place($todo[$i]);
        }
        $this->placeTops($map, $view);
        $change = $touched === null && $this->before === [] ? new SceneChange($this->slips, []) : $this->change($todo, $this->drop($left));
        if ($this->memory !== null) {
            [$this->mapBefore, $this->viewBefore] = [$map, $view];
        }

        return $change;
    }

    /**
     * Goes into what may be drawn otherwise, from above to below.
     *
     * @param  array<string, true>|null  $stale
     * @return array{list<Slip>, list<string>} the slips whose branches are to be placed, and those that have left their places
     */
    private function goInto(Moment $now, View $view, ?string $scope, ?array $stale): array
    {
        $map = $now->map;
        $groups = Groups::of($map);
        $groups = $groups->isEmpty() ? null : $groups;
        $this->inheritance->read($map, $this->root, $groups);
        $this->making->read($map, $this->numbers);
        $this->placing = new Placing($now, $view->today, $this->inheritance, $groups, $this->making->hasPhrases(), $this->charts);
        $todo = $left = $stack = [];
        $this->enter($map, '', null, [$this->root => $map->topic($this->root)] + ($scope === null ? $view->loose($map) : []), $stale, $stack, $left);
        while (($slip = array_pop($stack)) !== null) {
            $todo[] = $slip;
            $id = $slip->topic->id;
            $slip->hidden = $view->hiddenBelow($map, $id);
            $children = $view->below($map, $id);
            if ($children !== [] || isset($this->below[$id])) {
                $this->enter($map, $id, $slip, $children, $stale, $stack, $left);
            }
        }

        return [$todo, $left];
    }

    /**
     * Goes into branches of the map before that only now turn out to be drawn otherwise, so that what stays there as it
     * was is known to do so. What was gone into is left as it is.
     *
     * @param  list<string>  $others
     */
    private function lookBack(TopicMap $map, View $view, array $others): void
    {
        $others = array_filter($others, fn (string $id): bool => $map->has($id) && ! isset($this->slips[$id]));
        if ($others === []) {
            return;
        }
        $this->isAsRemembered = true;
        $scope = $view->scope !== null && $map->has($view->scope) ? $view->scope : null;
        [$todo] = $this->goInto($this->following->at($map, $view->today), $view, $scope, $this->stale($map, $others));
        $this->isAsRemembered = false;
        for ($i = count($todo) - 1; $i >= 0; $i--) {
            $this->place($todo[$i]);
        }
    }

    /**
     * Puts into boxes what stands in them now. Where they keep their sizes nothing has to be laid out for that.
     *
     * @param  list<string>  $others  topics in whose boxes something else stands because of others that changed
     * @param  array<string, true>  $stale  what is laid out anyway
     * @return list<string> those of them that have to be laid out
     */
    private function resized(array $others, array $stale): array
    {
        $resized = [];
        foreach ($others as $id) {
            $slip = $this->slips[$id] ?? null;
            if ($slip === null || isset($stale[$id]) || $this->making->hasPhrase($id)) {
                $resized[] = $id;

                continue;
            }
            $size = [$slip->w, $slip->h];
            $this->making->renew($slip);
            $this->measurer->measure($slip);
            if ([$slip->w, $slip->h] !== $size) {
                [$slip->w, $slip->h] = $size;
                $resized[] = $id;
            }
        }

        return $resized;
    }

    /**
     * @param  iterable<string>  $touched
     * @return array<string, true> the touched topics and all that stood or stand above them
     */
    private function stale(TopicMap $map, iterable $touched): array
    {
        // What stands above one now and what stood above it are two ways, and one may meet the other half way.
        $now = $before = [];
        foreach ($touched as $id) {
            for ($at = $id; $at !== null && ! isset($now[$at]);) {
                $now[$at] = true;
                $row = $map->row(Topic::type(), $at);
                $at = $row instanceof Topic ? $row->parent : null;
            }
            for ($at = $this->slips[$id]->parent ?? null; $at !== null && ! isset($before[$at]); $at = $this->slips[$at]->parent ?? null) {
                $before[$at] = true;
            }
        }

        return $now + $before;
    }

    /** From now on this learns what is found of the map as a whole, and has learned what was. */
    public function teach(Memory $memory): void
    {
        $this->following->teach($memory);
    }

    /** Places what is right below a slip, and, where its arrangement asks for it, what is below that. */
    private function place(Slip $slip): void
    {
        $children = $this->slipsBelow($slip->topic->id);
        $below = [];
        foreach ($slip->given->arrangement->levels() > 1 ? $children : [] as $child) {
            $below[$child->topic->id] = $this->slipsBelow($child->topic->id);
        }
        $this->placing?->place($slip, $children, $below);
    }

    /** @return list<Slip> */
    private function slipsBelow(string $id): array
    {
        $slips = [];
        foreach ($this->below[$id] ?? [] as $child) {
            $slips[] = $this->slips[$child];
        }

        return $slips;
    }

    /**
     * Sets the children of one slip: keeps those that nothing happened to, makes the others anew and puts them on the
     * stack. Those that stood here and no longer do are put on $left.
     *
     * @param  array<string, Topic>  $children
     * @param  array<string, true>|null  $stale
     * @param  list<Slip>  $stack
     * @param  list<string>  $left
     */
    private function enter(TopicMap $map, string $parent, ?Slip $above, array $children, ?array $stale, array &$stack, array &$left): void
    {
        // Where two levels are placed at once, the lower one has to be there.
        $isGoneInto = $above !== null && $above->given->arrangement->levels() > 1;
        $givens = $above === null ? [] : $this->inheritance->below($above, $children);
        foreach ($children as $id => $topic) {
            $given = $givens[$id] ?? $this->inheritance->onTop($id);
            $old = $this->slips[$id] ?? null;
            if ($old !== null) {
                $this->before[$id] ??= clone $old;
                if ($this->isAsRemembered && isset($stale[$id])) {
                    $stack[] = $old;

                    continue;
                }
                if ($stale !== null && ! isset($stale[$id]) && $old->parent === $above?->topic->id && $old->given === $given) {
                    $old->topic = $topic;
                    if ($isGoneInto) {
                        $stack[] = $old;
                    }

                    continue;
                }
            }
            $slip = $this->making->of($topic, $above, $given, $this->inheritance->placeOf($id)?->at());
            $known = $old === null && $stale !== null && ($this->isAsRemembered || ! isset($stale[$id])) ? $this->memory?->recall($slip) : null;
            $known = $known === true && isset($stale[$id]) ? false : $known;
            if ($known === true && ! $isGoneInto && ! $given->arrangement->hasAxis()) {
                $this->slips[$id] = $this->recalled[$id] = $slip;

                continue;
            }
            if ($known === null && $old !== null && ! isset($this->others[$id]) && $slip->hasFaceOf($old)) {
                [$slip->w, $slip->h] = [$old->w, $old->h];
            } elseif ($known === null || ($known === false && $this->making->hasPhrase($id))) {
                // A phrase may have come to stand in the box, or not to do so any more.
                $this->measurer->measure($slip);
            }
            $this->slips[$id] = $slip;
            $stack[] = $slip;
        }
        if (isset($this->below[$parent])) {
            array_push($left, ...array_diff($this->below[$parent], array_keys($children)));
        }
        $this->below[$parent] = array_keys($children);
    }

    /**
     * @param  array<string, string>  $before
     * @return list<string> the ids of topics whose number is another now
     */
    private function renumbered(array $before): array
    {
        if ($before === $this->numbers) {
            return [];
        }

        return array_map(strval(...), array_keys(array_diff_assoc($this->numbers, $before) + array_diff_assoc($before, $this->numbers)));
    }

    /**
     * The slips right below another, gone into from memory if they were not yet; nothing there has changed then.
     *
     * @return list<Slip>
     */
    private function openedBelow(TopicMap $map, View $view, Slip $slip): array
    {
        $id = $slip->topic->id;
        if (! isset($this->below[$id]) && ($children = $view->below($map, $id)) !== []) {
            $stack = $left = [];
            $recalled = $this->recalled;
            $this->enter($map, $id, $slip, $children, [], $stack, $left);
            $entered = [$slip];
            // What is below a grid, or along a line, is gone into at once.
            while (($next = array_pop($stack)) !== null) {
                if (($below = $view->below($map, $next->topic->id)) !== []) {
                    $this->enter($map, $next->topic->id, $next, $below, [], $stack, $left);
                    $entered[] = $next;
                }
            }
            for ($i = count($entered) - 1; $i >= 0; $i--) {
                $this->place($entered[$i]);
            }
            $this->recalled = $recalled;
        }

        return $this->slipsBelow($id);
    }

    private function placeTops(TopicMap $map, View $view): void
    {
        $tops = $this->below[''];
        $root = $this->slips[$tops[0]];
        $root->x = -$root->w / 2;
        $root->y = -$root->h / 2;
        if (count($tops) === 1) {
            return;
        }
        $piles = [];
        foreach (array_slice($tops, 1) as $id) {
            $this->before[$id] ??= clone $this->slips[$id];
            $piles[$this->slips[$id]->topic->column ?? $id][] = $this->slips[$id];
        }
        (new LooseTopics(fn (Slip $slip): array => $this->openedBelow($map, $view, $slip)))->place($root, array_values($piles));
    }

    /**
     * Forgets the slips that have left their place and were not set anywhere else.
     *
     * @param  list<string>  $left
     * @return list<string> their ids
     */
    private function drop(array $left): array
    {
        $gone = [];
        while (($id = array_pop($left)) !== null) {
            $slip = $this->slips[$id] ?? null;
            $isElsewhere = $slip !== null && in_array($id, $this->below[$slip->parent ?? ''] ?? [], true);
            if ($isElsewhere || ($slip === null && $this->memory?->has($id) !== true)) {
                continue;
            }
            $gone[] = $id;
            array_push($left, ...($this->below[$id] ?? $this->belowBefore($id)));
            unset($this->slips[$id], $this->below[$id]);
        }

        return $gone;
    }

    /** @return list<string> the ids of what was drawn right below a topic, in a branch that was never gone into */
    private function belowBefore(string $id): array
    {
        return $this->mapBefore !== null && $this->viewBefore !== null && $this->mapBefore->has($id)
            ? array_map(strval(...), array_keys($this->viewBefore->below($this->mapBefore, $id)))
            : [];
    }

    /**
     * @param  list<Slip>  $todo
     * @param  list<string>  $gone
     */
    private function change(array $todo, array $gone): SceneChange
    {
        $changed = array_diff_key($this->recalled, $this->before);
        foreach ($todo as $slip) {
            $id = $slip->topic->id;
            if (! isset($this->before[$id]) || ! $slip->sameAs($this->before[$id])) {
                $changed[$id] = $slip;
            }
        }
        foreach ($this->before as $id => $old) {
            if (! isset($changed[$id]) && isset($this->slips[$id]) && ! $this->slips[$id]->sameAs($old)) {
                $changed[$id] = $this->slips[$id];
            }
        }
        $this->before = [];

        return new SceneChange($changed + array_intersect_key($this->slips, $this->others), $gone);
    }
}
