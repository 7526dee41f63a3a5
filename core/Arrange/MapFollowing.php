<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Ask\FollowsEdits;
use ChalkTree\Ask\KeepsUp;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\RollUps;
use ChalkTree\Feature;
use ChalkTree\Features;
use ChalkTree\Map\TopicMap;

/** What a layout keeps up to date with its map from pass to pass: what is below each topic, summed up, and what features follow. */
final class MapFollowing
{
    /** Null until something is drawn. */
    private ?RollUps $sums = null;

    /** @var list<FollowsEdits> */
    private readonly array $followers;

    /** @var list<string> topics in whose boxes something else stands because of others that changed, in the last pass */
    private array $others = [];

    public function __construct()
    {
        $this->followers = array_values(array_map(fn (KeepsUp $feature): FollowsEdits => $feature->follower(), array_filter(Features::all(), fn (Feature $feature): bool => $feature instanceof KeepsUp)));
    }

    /**
     * @param  list<string>|null  $touched  topics that are otherwise since the last time; null for all
     * @param  array<string, true>|null  $stale  those and all that stood or stand above them
     * @param  Memory|null  $memory  what is remembered; the first time it is of this very map
     */
    public function follow(TopicMap $map, string $today, ?array $touched, ?array $stale, ?Memory $memory): Moment
    {
        if ($this->sums === null) {
            $this->sums = new RollUps($map, $memory);
        } else {
            $this->sums->follow($map, $stale);
        }
        $now = $this->at($map, $today);
        $this->others = [];
        foreach ($this->followers as $follower) {
            array_push($this->others, ...$follower->follow($now, $touched, $memory));
        }

        return $now;
    }

    /** A map at a moment, as it was followed last. */
    public function at(TopicMap $map, string $today): Moment
    {
        return new Moment($map, $today, $this->sums, $this->followers);
    }

    /** @return list<string> see $others */
    public function others(): array
    {
        return $this->others;
    }

    /** From now on this learns what is found of the map as a whole, and has learned what was. */
    public function teach(Memory $memory): void
    {
        $this->sums?->teach($memory);
        foreach ($this->followers as $follower) {
            $follower->teach($memory);
        }
    }
}
