<?php

declare(strict_types=1);

namespace ChalkTree\HandOut;

use ChalkTree\Arrange\ConnectorPhrase;
use ChalkTree\Arrange\FreePlaces;
use ChalkTree\CrossLink\CrossLink;
use ChalkTree\CrossLink\Sentence;
use ChalkTree\CrossLink\Sentences;
use ChalkTree\Edit\Recorder;
use ChalkTree\Lock\Lock;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Rank;
use ChalkTree\Map\SideBalance;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\SameWords;

/**
 * Several maps laid over each other. A topic of one is that of another if both were given with it, or if both say the
 * same words: below the same topic if there is one, else anywhere. A proposition is the same if both its topics are and
 * its phrase has the same words. What hangs otherwise in one map than in another stands where it was met first.
 */
final class LaidOver
{
    public const MOST = 1_500;

    public readonly TopicMap $map;

    /** @var array<string, array<int|string, true>> the names of the maps that have each topic, by its id in the map that is laid over */
    public array $holders = [];

    /** @var array<string, array{from: string, phrase: string, to: string, holders: array<int|string, true>}> */
    public array $propositions = [];

    public bool $hasMore = false;

    /** @var array<string, list<string>> topics by their words */
    private array $byWords = [];

    /** @var array<string, string> the latest of those below each topic */
    private array $ranks = [];

    private function __construct(private readonly TopicMap $given)
    {
        $this->map = new TopicMap([$given->sheet()]);
        foreach ($given->all() as $id => $topic) {
            $this->put((string) $id, $topic, $topic->parent);
        }
        // It looks and lies as it was given; what is said on lines is counted anew.
        foreach ($given->living() as $row) {
            if (! $row instanceof CrossLink && ! $row instanceof ConnectorPhrase && ! $row instanceof Lock && array_filter($row->topics(), fn (string $id): bool => ! $this->map->has($id)) === []) {
                $this->map->put($row);
            }
        }
    }

    /**
     * @param  TopicMap  $given  what all of them began with
     * @param  array<int|string, TopicMap>  $maps  by whatever names them
     */
    public static function of(TopicMap $given, array $maps): self
    {
        $its = new self($given);
        foreach ($maps as $name => $map) {
            $its->lay($name, $map);
        }
        $its->tie();
        SideBalance::settle($its->map);

        return $its;
    }

    private function lay(int|string $name, TopicMap $map): void
    {
        // Where each topic of this map is in the one that is laid over; no two are one.
        $at = $used = [];
        foreach ($map->all() as $id => $topic) {
            $id = (string) $id;
            if ($this->map->has($id)) {
                $at[$id] = $id;
                $used[$id] = true;
            }
        }
        foreach ($map->all() as $id => $topic) {
            $id = (string) $id;
            $parent = $topic->parent === null ? null : $at[$topic->parent] ?? null;
            if (! isset($at[$id])) {
                if (InlineMarkdown::oneLine($topic->title) === '') {
                    continue;
                }
                $same = $this->same($topic, $parent, $used);
                if ($same === null && count($this->holders) >= self::MOST) {
                    $this->hasMore = true;

                    continue;
                }
                if ($same === null) {
                    // What stands by itself would lie on what stands there in another map.
                    $this->put($same = Ids::next(), $topic, $parent ?? $this->map->sheet()->root);
                }
                $at[$id] = $same;
                $used[$same] = true;
            }
            $this->holders[$at[$id]][$name] = true;
        }
        foreach (Sentences::of($map)->all as $one) {
            $this->say($name, $one, $at);
        }
    }

    /** @param  array<string, true>  $used */
    private function same(Topic $topic, ?string $parent, array $used): ?string
    {
        $all = array_filter($this->byWords[SameWords::key(InlineMarkdown::oneLine($topic->title))] ?? [], fn (string $id): bool => ! isset($used[$id]));
        foreach ($all as $id) {
            if ($this->map->topic($id)->parent === $parent) {
                return $id;
            }
        }

        return array_values($all)[0] ?? null;
    }

    private function put(string $id, Topic $topic, ?string $parent): void
    {
        $key = $parent ?? '';
        $this->ranks[$key] = Rank::between($this->ranks[$key] ?? null, null);
        $this->map->put(new Topic($id, $parent, $this->ranks[$key], $topic->title, side: $parent === $this->map->sheet()->root ? $topic->side : null, x: $parent === null ? $topic->x : null, y: $parent === null ? $topic->y : null, column: $parent === null ? $topic->column : null));
        $this->byWords[SameWords::key(InlineMarkdown::oneLine($topic->title))][] = $id;
        $this->holders[$id] ??= [];
    }

    /** @param  array<string, string>  $at */
    private function say(int|string $name, Sentence $one, array $at): void
    {
        [$from, $to] = [$at[$one->proposition->from] ?? null, $at[$one->proposition->to] ?? null];
        if ($from === null || $to === null || $one->isMissingPhrase()) {
            return;
        }
        $key = "{$from} {$to} ".SameWords::key($one->phrase);
        $this->propositions[$key] ??= ['from' => $from, 'phrase' => $one->phrase, 'to' => $to, 'holders' => []];
        $this->propositions[$key]['holders'][$name] = true;
    }

    /** Draws what is said between topics as cross-links, the most common first, with how many say so. */
    private function tie(): void
    {
        $all = $this->propositions;
        uasort($all, fn (array $a, array $b): int => count($b['holders']) <=> count($a['holders']));
        foreach (array_slice($all, 0, CrossLink::MOST) as $one) {
            $this->map->put(CrossLink::fromFields(Ids::next(), ['from' => $one['from'], 'to' => $one['to'], 'phrase' => mb_substr($one['phrase'], 0, CrossLink::LONGEST_PHRASE - 12).' · '.count($one['holders'])]));
        }
        $this->propositions = $all;
    }

    /** The same map with how many have each topic in its second line, as it is drawn. */
    public function drawn(int $of): TopicMap
    {
        $drawn = clone $this->map;
        $added = array_diff_key($this->map->all(), $this->given->all());
        foreach (array_keys($added) as $id) {
            $drawn->drop(Topic::type(), (string) $id);
        }
        $told = fn (Topic $topic): Topic => new Topic($topic->id, $topic->parent, $topic->rank, $topic->title, count($this->holders[$topic->id] ?? [])." of {$of}", side: $topic->side, x: $topic->x, y: $topic->y, column: $topic->column);
        foreach ($drawn->all() as $id => $topic) {
            if ($id !== $drawn->sheet()->root) {
                $drawn->put($told($topic));
            }
        }
        // What was added comes as by an edit, so that it finds room where topics stand free.
        $recorder = new Recorder($drawn);
        foreach ($added as $topic) {
            $recorder->put($told($topic));
        }
        FreePlaces::settle($drawn, $recorder);

        return $drawn;
    }
}
