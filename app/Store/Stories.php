<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use App\Models\Person;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Map\MissingTopic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Story\AtHand;
use ChalkTree\Story\Cast;
use ChalkTree\Story\NameSpotter;
use ChalkTree\Story\Story;
use ChalkTree\Story\StoryChecks;
use ChalkTree\Story\StoryFinding;
use ChalkTree\Story\StoryShape;
use ChalkTree\Story\ThreadGrid;

/** Maps as stories: what a scene names, who is where, what cannot be, what shape it has. */
final readonly class Stories
{
    public function __construct(private MapStore $store, private SpottedNames $names)
    {
    }

    /**
     * @return array<string, mixed> "HandAnswer" in the wire schema
     *
     * @throws MissingTopic
     */
    public function atHand(MapRecord $record, string $topic): array
    {
        $map = $this->store->load($record);
        $cast = Cast::of($map);

        return ['named' => AtHand::of($map, $topic, $cast, NameSpotter::for($cast))->named];
    }

    /** @throws MissingTopic */
    public function grid(MapRecord $record, string $branch, string $rows, bool $isByChapter): ThreadGrid
    {
        $map = $this->store->load($record);
        $cast = Cast::of($map);

        return $this->names->in($record, $map, NameSpotter::for($cast), fn ($counts): ThreadGrid => ThreadGrid::of($map, Story::of($map, $branch), $cast, $counts, $rows, $isByChapter));
    }

    /**
     * The same as it may leave: without what is private.
     *
     * @throws MissingTopic
     */
    public function gridOut(MapRecord $record, string $branch, string $rows, bool $isByChapter): ThreadGrid
    {
        $map = $this->out($record, $branch);
        $cast = Cast::of($map);
        $spotter = NameSpotter::for($cast);

        return ThreadGrid::of($map, Story::of($map, $branch), $cast, fn (string $topic): array => $spotter->counts($map->topic($topic)->note), $rows, $isByChapter);
    }

    /** @throws MissingTopic */
    public function shape(MapRecord $record, string $branch): StoryShape
    {
        $map = $this->store->load($record);

        return StoryShape::of($map, Story::of($map, $branch));
    }

    /** @throws MissingTopic */
    public function shapeOut(MapRecord $record, string $branch): StoryShape
    {
        $map = $this->out($record, $branch);

        return StoryShape::of($map, Story::of($map, $branch));
    }

    /**
     * @return list<StoryFinding>
     *
     * @throws MissingTopic
     */
    public function checks(MapRecord $record, Person $person, string $branch): array
    {
        $map = $this->store->load($record);

        return StoryChecks::of($map, Story::of($map, $branch), Cast::of($map), $person->today());
    }

    /** @throws MissingTopic */
    private function out(MapRecord $record, string $branch): TopicMap
    {
        $map = $this->store->load($record);
        $map->topic($branch, 'branch');

        return Outgoing::of($map);
    }
}
