<?php

declare(strict_types=1);

namespace ChalkTree\Brace;

use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Settles;
use ChalkTree\Feature;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\WithoutMarks;

/** Braces over neighbouring siblings, each with a topic that it leads to. */
final class BraceFeature implements Feature, Settles
{
    use WithoutMarks;

    public function rows(): array
    {
        return [Brace::class];
    }

    public function edits(): array
    {
        return [DrawBrace::class, SpanBrace::class];
    }

    public function schema(): array
    {
        $text = ['type' => 'string'];

        return [
            'DrawBrace' => ['name' => DrawBrace::name(), 'properties' => ['topics' => ['type' => 'array', 'items' => $text], 'as' => $text], 'required' => ['topics', 'as']],
            'SpanBrace' => ['name' => SpanBrace::name(), 'properties' => ['topic' => $text, 'from' => $text, 'to' => $text], 'required' => ['topic', 'from', 'to']],
        ];
    }

    /**
     * Where the first or the last of what a brace spans has gone elsewhere, the next within it takes its place; where nothing
     * is left its topic is one as any other. What changes their order leaves it over all that are between its ends.
     */
    public function settle(TopicMap $map, Recorder $recorder): void
    {
        $rows = $map->rowsOf(Brace::class);
        if ($rows === []) {
            return;
        }
        $touched = $recorder->touchedTopics();
        foreach ($rows as $id => $brace) {
            $isTouched = $recorder->has(Brace::type(), (string) $id) || array_intersect_key($touched, array_flip($brace->topics())) !== [];
            $topic = $map->find($brace->topic());
            if (! $isTouched || $topic === null || Braces::holds($map, $brace)) {
                continue;
            }
            $new = $topic->parent === null ? null : self::mended($map, $brace, $topic, $touched);
            $new === null ? $recorder->drop(Brace::type(), (string) $id) : $recorder->put($new);
        }
    }

    /** @param  array<string, Topic|null>  $touched  the topics of this edit as they were before */
    private static function mended(TopicMap $map, Brace $brace, Topic $topic, array $touched): ?Brace
    {
        // One whose topic hangs elsewhere now is over nothing.
        if (array_key_exists($topic->id, $touched) && $touched[$topic->id]?->parent !== $topic->parent) {
            return null;
        }
        $ranks = [];
        foreach ([$brace->first(), $brace->last()] as $end) {
            $before = $touched[$end] ?? null;
            $row = $map->row(Topic::type(), $end);
            $its = $map->find($end);
            // Where it stands now if that is beside the topic of the brace, else where it stood.
            $at = $its !== null && $its->parent === $topic->parent ? $its : ($before ?? ($row instanceof Topic ? $row : null));
            if ($at === null) {
                return null;
            }
            $ranks[] = $at->rank;
        }
        sort($ranks, SORT_STRING);
        $within = [];
        foreach ($map->children((string) $topic->parent) as $id => $sibling) {
            if ((string) $id !== $topic->id && strcmp($sibling->rank, $ranks[0]) >= 0 && strcmp($sibling->rank, $ranks[1]) <= 0 && ! self::leadsOne($map, (string) $id)) {
                $within[] = (string) $id;
            }
        }

        return $within === [] ? null : $brace->with(['first' => $within[0], 'last' => $within[count($within) - 1]]);
    }

    private static function leadsOne(TopicMap $map, string $topic): bool
    {
        return array_filter($map->rowsOf(Brace::class), fn (Brace $one): bool => $one->topic() === $topic) !== [];
    }
}
