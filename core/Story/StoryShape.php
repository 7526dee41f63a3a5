<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\Exchange\CsvTable;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\WordCount;

/** How long and how tense each scene of a story is. */
final readonly class StoryShape
{
    /** @param  list<array{topic: string, title: string, chapter: string, words: int, tension: int|null}>  $scenes  in the order in which they are told; "chapter" is its title, empty where there is none */
    private function __construct(public array $scenes)
    {
    }

    public static function of(TopicMap $map, Story $story): self
    {
        return new self(array_map(fn (StoryScene $scene): array => [
            'topic' => $scene->topic, 'title' => $scene->title, 'chapter' => $story->chapters[$scene->chapter ?? ''] ?? '',
            'words' => array_sum(array_map(fn (string $topic): int => WordCount::of($map->topic($topic)->note), $scene->texts)), 'tension' => $scene->tension,
        ], $story->scenes));
    }

    /** As a table for spreadsheets. */
    public function csv(): string
    {
        $rows = array_map(fn (array $scene): array => [$scene['chapter'], $scene['title'], (string) $scene['words'], (string) $scene['tension']], $this->scenes);

        return CsvTable::write([['Chapter', 'Scene', 'Words', 'Tension'], ...$rows]);
    }
}
