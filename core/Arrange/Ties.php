<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Features;
use ChalkTree\Flow\KnownCharts;
use ChalkTree\Map\TopicMap;

/** What ties siblings to each other, by what heads them. */
final readonly class Ties
{
    /**
     * @param  array<string, list<Tie>>  $below  by the topic above both ends
     * @param  KnownCharts  $charts  what is known of charts that follow them
     */
    private function __construct(private array $below, public KnownCharts $charts)
    {
    }

    public static function of(TopicMap $map, KnownCharts $charts): self
    {
        $below = [];
        foreach (Features::all() as $feature) {
            foreach ($feature instanceof TiesTopics ? $feature->ties($map) : [] as $tie) {
                $head = $map->find($tie->from)->parent ?? null;
                if ($head !== null && $tie->from !== $tie->to && $head === $map->find($tie->to)?->parent) {
                    $below[$head][] = $tie;
                }
            }
        }

        return new self($below, $charts);
    }

    /** @return list<Tie> */
    public function below(string $head): array
    {
        return $this->below[$head] ?? [];
    }
}
