<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\TypeFace;

/** What one person has folded in one map, and where they have stepped in. Together with the map it decides what is drawn. */
final readonly class View
{
    /**
     * @param  array<string, true>  $folded  ids of topics whose subtopics are hidden
     * @param  string|null  $scope  the topic drawn as if it were the root; null, or one that is not there, for all of the map
     * @param  TypeFace|null  $face  in which this person sees everything, whatever the map says
     * @param  array<string, true>|null  $only  ids of the topics that are drawn, with all that is above them; null for all
     * @param  bool  $isFlat  whether what is not among these is passed over, so that what is below it hangs on the next that is shown
     * @param  string  $today  the day where this person is, as YYYY-MM-DD; empty where nobody looks in particular, see Moment
     * @param  bool  $showing  whether others are looking, so that only what may leave the map is drawn; whoever lays it out hands in such a map
     */
    public function __construct(public array $folded = [], public ?string $scope = null, public ?TypeFace $face = null, public bool $showing = false, public ?array $only = null, public string $today = '', public bool $isFlat = false)
    {
    }

    /**
     * The topics that are shown right below another: the only door to what is shown. Whoever steps into a folded branch
     * wants to see it.
     *
     * @return array<string, Topic>  in their order, by id
     */
    public function below(TopicMap $map, string $topic): array
    {
        $below = isset($this->folded[$topic]) && $topic !== $this->scope ? [] : $map->children($topic);

        if ($this->only === null) {
            return $below;
        }

        return $this->isFlat ? $this->nearest($map, $below, $this->only) : array_intersect_key($below, $this->only);
    }

    /** @return array<string, Topic> the topics that are drawn at the top beside the root, in their order */
    public function loose(TopicMap $map): array
    {
        return $this->only === null ? $map->loose() : array_intersect_key($map->loose(), $this->only);
    }

    /**
     * @param  array<string, Topic>  $topics
     * @param  array<string, true>  $only
     * @return array<string, Topic> of each topic itself, or the nearest ones below it, those that are shown
     */
    private function nearest(TopicMap $map, array $topics, array $only): array
    {
        $nearest = [];
        $stack = array_reverse($topics, preserve_keys: true);
        while (($topic = array_pop($stack)) !== null) {
            if (isset($only[$topic->id])) {
                $nearest[$topic->id] = $topic;
            } else {
                array_push($stack, ...array_values(array_reverse($map->children($topic->id))));
            }
        }

        return $nearest;
    }

    /** How many topics are hidden below one that is shown. */
    public function hiddenBelow(TopicMap $map, string $topic): int
    {
        return isset($this->folded[$topic]) && $topic !== $this->scope ? count($map->branch($topic)) - 1 : 0;
    }

    /** The deepest view of the map, or of one branch, in whole levels, that shows no more than so many topics. */
    public static function overview(TopicMap $map, int $most, ?string $branch = null): self
    {
        $shown = 1;
        $level = [$branch ?? $map->sheet()->root];
        while ($level !== []) {
            $next = [];
            foreach ($level as $id) {
                array_push($next, ...array_map(strval(...), array_keys($map->children($id))));
            }
            $shown += count($next);
            if ($shown > $most) {
                return self::folding($level, $branch);
            }
            $level = $next;
        }

        return new self(scope: $branch);
    }

    /** @param  iterable<string>  $ids */
    public static function folding(iterable $ids, ?string $scope = null, ?TypeFace $face = null, bool $showing = false, string $today = ''): self
    {
        $folded = [];
        foreach ($ids as $id) {
            $folded[$id] = true;
        }

        return new self($folded, $scope, $face, $showing, today: $today);
    }
}
