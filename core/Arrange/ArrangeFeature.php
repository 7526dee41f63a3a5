<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Ask\Moment;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Settles;
use ChalkTree\Exchange\WritesLines;
use ChalkTree\Look\SaysLooks;
use ChalkTree\Map\TopicMap;
use ChalkTree\WithoutMarks;

/** Branches with an arrangement of their own, and those that are pulled apart. */
final class ArrangeFeature implements SaysLooks, Settles, WritesLines
{
    use WithoutMarks;

    private const SIGN = '↳ ';

    public function rows(): array
    {
        return [BranchArrangement::class, Apart::class, Place::class, BranchPhrases::class, ConnectorPhrase::class];
    }

    /** Topics that stand free stay where they are. */
    public function settle(TopicMap $map, Recorder $recorder): void
    {
        FreePlaces::settle($map, $recorder);
    }

    public function looks(Moment $now): iterable
    {
        $headings = GridHeadings::of($now->map);

        return $headings === null ? [] : [$headings];
    }

    public function edits(): array
    {
        return [HoldApart::class, AlignTopics::class, GridColumn::class];
    }

    public function schema(): array
    {
        return ['HoldApart' => [
            'name' => HoldApart::name(),
            'properties' => ['topics' => ['type' => 'array', 'items' => ['type' => 'string']], 'x' => ['type' => 'integer'], 'y' => ['type' => 'integer'], 'deep' => ['type' => 'boolean']],
            'required' => ['topics', 'x', 'y'],
        ], 'AlignTopics' => [
            'name' => AlignTopics::name(),
            'properties' => ['topics' => ['type' => 'array', 'items' => ['type' => 'string']], 'way' => ['enum' => AlignTopics::WAYS]],
            'required' => ['topics', 'way'],
        ], 'GridColumn' => [
            'name' => GridColumn::name(),
            'properties' => ['topic' => ['type' => 'string'], 'do' => ['enum' => GridColumn::WAYS], 'as' => ['type' => 'string'], 'to' => ['type' => 'integer']],
            'required' => ['topic', 'do'],
        ]];
    }

    public function signs(): array
    {
        return [self::SIGN];
    }

    /** "↳ phrase", below the topic to which its connector leads. */
    public function lines(TopicMap $map): array
    {
        $lines = [];
        foreach ($map->rowsOf(ConnectorPhrase::class) as $id => $row) {
            $phrase = trim((string) preg_replace('/\s+/u', ' ', $row->text('phrase')));
            $topic = $map->find((string) $id);
            $parent = $topic?->parent;
            // What has no title is left out of some formats, and what is below it hangs elsewhere then.
            if ($phrase !== '' && $topic?->title !== '' && $parent !== null && $map->topic($parent)->title !== '' && BranchPhrases::nearest($map, $parent) !== BranchPhrases::HIDDEN) {
                $lines[$id] = [self::SIGN.$phrase];
            }
        }

        return $lines;
    }

    public function readLine(TopicMap $map, string $topic, string $line, array $titles): array
    {
        $phrase = substr($line, strlen(self::SIGN));
        $isTold = $map->row(ConnectorPhrase::type(), $topic) !== null || $map->topic($topic)->parent === null || mb_strlen($phrase) > ConnectorPhrase::LONGEST;

        return $isTold ? [] : [ConnectorPhrase::fromFields($topic, ['phrase' => $phrase])];
    }
}
