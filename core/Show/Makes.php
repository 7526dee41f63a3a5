<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** Of what in a branch a deck makes its slides. */
enum Makes: string
{
    /** One of each topic right below its top, with its branch. */
    case Children = 'children';

    /** One of each level: the branch down to there. */
    case Levels = 'levels';

    /** One of each topic that has a note. */
    case Noted = 'noted';

    /** One of each topic, with what is right below it. */
    case Each = 'each';

    /** Slides that are made at once at most. */
    public const MOST = 300;

    /** Topics that can be read on one slide; of a larger branch the upper levels are shown. */
    public const READABLE = 48;

    /**
     * The slides that a branch makes now, in their order, at most MOST.
     *
     * @return list<array{of: string, depth: int|null}> the topic each is of, and how many levels below it are shown
     */
    public function of(TopicMap $map, string $branch): array
    {
        $slides = match ($this) {
            self::Levels => array_map(fn (int $depth): array => ['of' => $branch, 'depth' => $depth], range(0, $map->height($branch, self::MOST) - 1)),
            default => array_map(fn (string $id): array => ['of' => $id, 'depth' => $this->depth($map, $id)], array_slice($this->topics($map, $branch), 0, self::MOST)),
        };

        return array_slice($slides, 0, self::MOST);
    }

    /** How many levels below its topic a slide shows: as many as can be read, null for all of them. Of levels, that is each slide's own. */
    public function depth(TopicMap $map, string $topic): ?int
    {
        if ($this === self::Each) {
            return 1;
        }
        $count = 1;
        for ($level = [$topic], $depth = 0; $level !== []; $level = $below, $depth++) {
            $below = [];
            foreach ($level as $id) {
                array_push($below, ...array_map(strval(...), array_keys($map->children($id))));
            }
            $count += count($below);
            if ($count > self::READABLE && $depth > 0) {
                return $depth;
            }
        }

        return null;
    }

    /** Whether a branch makes a slide of a topic. */
    public function isOf(TopicMap $map, string $branch, string $topic): bool
    {
        return $map->has($branch) && $map->has($topic) && match ($this) {
            self::Children => $map->topic($topic)->parent === $branch,
            self::Levels => $topic === $branch,
            self::Noted => $map->topic($topic)->note !== '' && $map->isWithin($topic, $branch),
            self::Each => $map->isWithin($topic, $branch),
        };
    }

    /** @return list<string> */
    private function topics(TopicMap $map, string $branch): array
    {
        $all = $this === self::Children ? $map->children($branch) : $map->branch($branch);

        return array_values(array_map(fn (Topic $topic): string => $topic->id, $this === self::Noted ? array_filter($all, fn (Topic $topic): bool => $topic->note !== '') : $all));
    }
}
