<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Arrange\Memory;
use ChalkTree\Features;
use ChalkTree\Map\TopicMap;

/**
 * What is below each topic of a map, summed up. After an edit only the topics that it touched and those above them are
 * summed up again, of what is known of the topics right below; so it costs what the way to the root costs. What a
 * topic says itself and what is below it are kept apart.
 */
final class RollUps
{
    /** @var array<string, array<string, Sum>> what is below a topic, by topic and measure */
    private array $below = [];

    /** @var array<string, Measure> */
    private array $measures = [];

    private string $keys = '';

    /** @param  Memory|null  $memory  what is remembered of this very map, and learns what is found */
    public function __construct(private TopicMap $map, private ?Memory $memory = null)
    {
        $this->readMeasures();
        if ($this->memory?->sumsAre($this->keys) === false) {
            $this->memory->beginSums($this->keys);
        }
    }

    /**
     * From now on for this map.
     *
     * @param  array<string, mixed>|null  $stale  the topics that changed and all above them, by id; null for all
     */
    public function follow(TopicMap $map, ?array $stale): void
    {
        $this->map = $map;
        $before = $this->keys;
        $this->readMeasures();
        if ($stale === null || $before !== $this->keys) {
            $this->memory?->beginSums($this->keys);
            $this->below = [];

            return;
        }
        $this->below = array_diff_key($this->below, $stale);
        foreach ($this->measures === [] ? [] : array_keys($stale) as $id) {
            $this->memory?->learnSums((string) $id, null);
        }
    }

    /** From now on it learns what is found, and has learned what was. */
    public function teach(Memory $memory): void
    {
        $this->memory = $memory;
        $memory->beginSums($this->keys);
        foreach ($this->below as $topic => $sums) {
            $memory->learnSums((string) $topic, self::written($sums));
        }
    }

    private function readMeasures(): void
    {
        $this->measures = [];
        foreach (Features::all() as $feature) {
            foreach ($feature instanceof Measures ? $feature->measures($this->map) : [] as $measure) {
                $this->measures[$measure->key()] = $measure;
            }
        }
        $this->keys = implode(' ', array_map(fn (Measure $measure): string => trim("{$measure->key()} {$measure->hangsOn()}"), $this->measures));
    }

    /** Whether topics of this map have numbers at all. */
    public function isEmpty(): bool
    {
        return $this->measures === [];
    }

    /** What is below a topic of one measure, itself not counted; null where nothing is. */
    public function below(string $topic, string $measure): ?Sum
    {
        return isset($this->measures[$measure]) ? $this->allBelow($topic)[$measure] ?? null : null;
    }

    /** What a topic and all below it have, as it hands it to the one above. */
    public function with(string $topic, string $measure): ?Sum
    {
        return isset($this->measures[$measure]) ? $this->upward($topic, $this->allBelow($topic))[$measure] ?? null : null;
    }

    /** @return array<string, Sum> all that is below a topic, by measure */
    public function allBelow(string $topic): array
    {
        if ($this->measures === []) {
            return [];
        }
        if (! isset($this->below[$topic])) {
            $this->reckon($topic);
        }

        return $this->below[$topic] ?? [];
    }

    /** Sums up what is below a topic, from the leaves upwards as far as nothing is known. */
    private function reckon(string $topic): void
    {
        $waiting = [$topic];
        while ($waiting !== []) {
            $at = $waiting[count($waiting) - 1];
            $sums = [];
            $isReady = true;
            if (! isset($this->below[$at]) && ! $this->recall($at)) {
                foreach (array_keys($this->map->children($at)) as $child) {
                    $child = (string) $child;
                    if (! isset($this->below[$child]) && ! $this->recall($child)) {
                        $waiting[] = $child;
                        $isReady = false;
                    } elseif ($isReady) {
                        foreach ($this->upward($child, $this->below[$child]) as $key => $sum) {
                            $sums[$key] = isset($sums[$key]) ? $sums[$key]->with($sum) : $sum;
                        }
                    }
                }
                if (! $isReady) {
                    continue;
                }
                $this->below[$at] = $sums;
                $this->memory?->learnSums($at, self::written($sums));
            }
            array_pop($waiting);
        }
    }

    /** Whether it is remembered what is below a topic, or nothing is. */
    private function recall(string $topic): bool
    {
        $kept = $this->memory?->sums($topic);
        if ($kept === null && $this->map->children($topic) !== []) {
            return false;
        }
        if ($kept === null) {
            $this->memory?->learnSums($topic, '');
        }
        $data = $kept === null || $kept === '' ? [] : json_decode($kept, true, 4);
        $this->below[$topic] = [];
        foreach (is_array($data) ? $data : [] as $key => $sum) {
            $this->below[$topic][(string) $key] = Sum::fromArray(is_array($sum) ? $sum : []);
        }

        return true;
    }

    /** @param  array<string, Sum>  $sums */
    private static function written(array $sums): string
    {
        return $sums === [] ? '' : json_encode(array_map(fn (Sum $sum): array => $sum->toArray(), $sums), JSON_THROW_ON_ERROR);
    }

    /**
     * What a topic hands to the one above it.
     *
     * @param  array<string, Sum>  $below
     * @return array<string, Sum>
     */
    private function upward(string $topic, array $below): array
    {
        foreach ($this->measures as $key => $measure) {
            $sum = $measure->handedOn($topic, $below[$key] ?? null);
            if ($sum !== null) {
                $below[$key] = $sum;
            }
        }

        return $below;
    }
}
