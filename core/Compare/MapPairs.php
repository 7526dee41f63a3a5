<?php

declare(strict_types=1);

namespace ChalkTree\Compare;

use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\Sameness;

/**
 * Which topic of one map is which of another. What has one id is one topic, as in copies that were worked on elsewhere;
 * else what says the same below the same topic; else what says the same anywhere, where nothing else says it; else, below
 * the same topic, what has most of its words.
 */
final class MapPairs
{
    /** How much of their words two titles have in common that are of one topic, at least. */
    private const ALIKE = 0.5;

    /** Of what stands below a topic so much is looked at. */
    private const MOST_BELOW = 12;

    /** Siblings against siblings that are weighed word by word. */
    private const MOST_PAIRS = 2_500;

    /** @var array<string, string> topics of the own map by those of the other */
    public array $own = [];

    /** @var array<string, string> topics of the other map by those of the own */
    public array $other = [];

    /** @var array<string, string> what topics say, by the map and their ids */
    private array $keys = [];

    private function __construct(private readonly TopicMap $mine, private readonly TopicMap $theirs)
    {
    }

    public static function of(TopicMap $own, TopicMap $other): self
    {
        $its = new self($own, $other);
        $all = $own->everything();
        foreach ($other->everything() as $id => $topic) {
            if (isset($all[$id])) {
                $its->pair((string) $id, (string) $id);
            }
        }
        $root = $other->sheet()->root;
        if (! isset($its->own[$root]) && ! isset($its->other[$own->sheet()->root])) {
            $its->pair($root, $own->sheet()->root);
        }
        $its->below($its->sameChildren(...));
        $its->sayTheSame();
        $its->below($its->sameChildren(...));
        $its->below($its->alikeChildren(...));

        return $its;
    }

    private function pair(string $other, string $own): void
    {
        [$this->own[$other], $this->other[$own]] = [$own, $other];
    }

    private function key(Topic $topic, string $of): string
    {
        return $this->keys["{$of} {$topic->id}"] ??= Sameness::key($topic->title);
    }

    /**
     * Goes through the other map from its root, parents first.
     *
     * @param  callable(list<Topic>, list<Topic>): void  $children  is handed those below a pair that are in none: of the other map, of the own
     */
    private function below(callable $children): void
    {
        for ($waiting = [$this->theirs->sheet()->root]; ($id = array_pop($waiting)) !== null;) {
            $all = $this->theirs->children($id);
            if (isset($this->own[$id])) {
                $theirs = array_values(array_filter($all, fn (Topic $topic): bool => ! isset($this->own[$topic->id])));
                $children($theirs, $theirs === [] ? [] : array_values(array_filter($this->mine->children($this->own[$id]), fn (Topic $topic): bool => ! isset($this->other[$topic->id]))));
            }
            foreach ($all as $topic) {
                $waiting[] = $topic->id;
            }
        }
    }

    /**
     * @param  list<Topic>  $theirs
     * @param  list<Topic>  $mine
     */
    private function sameChildren(array $theirs, array $mine): void
    {
        $by = [];
        foreach ($mine as $topic) {
            $by[$this->key($topic, 'own')][] = $topic->id;
        }
        foreach ($theirs as $topic) {
            $key = $this->key($topic, 'other');
            if ($key !== '' && ($by[$key] ?? []) !== []) {
                $this->pair($topic->id, array_shift($by[$key]));
            }
        }
    }

    /** Pairs what says the same in either map and nothing else does. */
    private function sayTheSame(): void
    {
        $alone = function (TopicMap $map, array $known, string $of): array {
            $by = [];
            foreach ($map->everything() as $id => $topic) {
                if (! isset($known[$id]) && $this->key($topic, $of) !== '') {
                    $by[$this->key($topic, $of)][] = (string) $id;
                }
            }

            return array_filter($by, fn (array $ids): bool => count($ids) === 1);
        };
        $mine = $alone($this->mine, $this->other, 'own');
        foreach ($alone($this->theirs, $this->own, 'other') as $key => [$id]) {
            if (isset($mine[$key])) {
                $this->pair($id, $mine[$key][0]);
            }
        }
    }

    /**
     * @param  list<Topic>  $theirs
     * @param  list<Topic>  $mine
     */
    private function alikeChildren(array $theirs, array $mine): void
    {
        if (count($theirs) * count($mine) > self::MOST_PAIRS) {
            return;
        }
        $pairs = [];
        foreach ($theirs as $topic) {
            foreach ($mine as $own) {
                $like = $this->likeness($topic, $own);
                if ($like >= self::ALIKE) {
                    $pairs[] = [$like, $topic->id, $own->id];
                }
            }
        }
        usort($pairs, fn (array $a, array $b): int => $b[0] <=> $a[0]);
        foreach ($pairs as [, $other, $own]) {
            if (! isset($this->own[$other]) && ! isset($this->other[$own])) {
                $this->pair($other, $own);
            }
        }
    }

    /**
     * How much two topics below one have in common: their words; what stands below them; one note, where it is long enough to
     * be told apart. A title that goes on where the other ends is like it.
     */
    private function likeness(Topic $theirs, Topic $mine): float
    {
        if (strlen($mine->note) > 40 && $mine->note === $theirs->note) {
            return 1.0;
        }
        [$one, $other] = [$this->key($theirs, 'other'), $this->key($mine, 'own')];
        $goesOn = $one !== '' && $other !== '' && (str_starts_with($one, "{$other} ") || str_starts_with($other, "{$one} "));
        $words = fn (string $key): array => preg_split('/[^\p{L}\p{N}]+/u', $key, -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $below = [array_map(fn (Topic $topic): string => $this->key($topic, 'other'), array_slice($this->theirs->children($theirs->id), 0, self::MOST_BELOW)), array_map(fn (Topic $topic): string => $this->key($topic, 'own'), array_slice($this->mine->children($mine->id), 0, self::MOST_BELOW))];

        return max($goesOn ? self::ALIKE : 0.0, self::common($words($one), $words($other)), self::common(...$below));
    }

    /**
     * @param  array<array-key, string>  $one
     * @param  array<array-key, string>  $other
     */
    private static function common(array $one, array $other): float
    {
        [$a, $b] = [array_count_values($one), array_count_values($other)];
        $common = 0;
        foreach (array_intersect_key($a, $b) as $word => $number) {
            $common += min($number, $b[$word]);
        }

        return $common / max(1, array_sum($a), array_sum($b));
    }
}
