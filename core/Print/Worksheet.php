<?php

declare(strict_types=1);

namespace ChalkTree\Print;

use ChalkTree\HandOver\Choices;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Run;

/** A map with gaps to be filled in by a class, numbered, and the key to them. */
final class Worksheet
{
    /** What is written by hand takes more room than what is set. */
    private const ROOM = 1.5;

    private const SHORTEST = 10;

    private const LONGEST = 24;

    /** @var array<int, string> what belongs into the gaps, by their numbers */
    private array $key = [];

    /** @param  array<string, true>  $gaps  ids of topics */
    private function __construct(private readonly array $gaps, private readonly Choices $choices)
    {
    }

    public static function isWanted(Choices $choices): bool
    {
        return $choices->flag('gapTopics') || $choices->flag('gapPhrases') || $choices->flag('gapWords');
    }

    /**
     * @param  TopicMap  $map  as it would be printed
     * @param  list<string>  $topics  whose titles are left out, where that was chosen; ids that are not in the map are passed over
     * @return array{TopicMap, array<int, string>} the map with gaps, in which topics keep their ids, and what belongs into these
     */
    public static function of(TopicMap $map, Choices $choices, array $topics): array
    {
        $sheet = new self($choices->flag('gapTopics') ? array_fill_keys($topics, true) : [], $choices);

        return [$sheet->gapped($map), $sheet->key];
    }

    private function gapped(TopicMap $map): TopicMap
    {
        $made = new TopicMap;
        $made->put($map->sheet());
        $phrases = [];
        foreach ($map->living() as $row) {
            // Phrases are counted where the topic is at which they begin.
            foreach ($this->choices->flag('gapPhrases') && in_array('phrase', $row::texts(), true) && trim($row->text('phrase')) !== '' ? array_slice($row->topics(), 0, 1) : [] as $topic) {
                $phrases[$topic][$row->id] = $row;
            }
        }
        $topics = [];
        $blank = [];
        foreach ($this->ordered($map) as $topic) {
            foreach ($phrases[$topic->id] ?? [] as $row) {
                $blank[$row::type()][$row->id] = $row->with(['phrase' => $this->gap($row->text('phrase'))]);
            }
            $topics[$topic->id] = $topic->with(['title' => $this->title($topic)]);
        }
        $made->fill(array_values($topics));
        foreach ($map->living() as $row) {
            if ($made->isLiving($row)) {
                $made->put($blank[$row::type()][$row->id] ?? $row);
            }
        }

        return $made;
    }

    /** @return list<Topic> as they are read */
    private function ordered(TopicMap $map): array
    {
        $ordered = [];
        foreach ([$map->root(), ...$map->loose()] as $top) {
            array_push($ordered, ...array_values($map->branch($top->id)));
        }

        return $ordered;
    }

    private function title(Topic $topic): string
    {
        if (isset($this->gaps[$topic->id])) {
            return InlineMarkdown::escape($this->gap(InlineMarkdown::oneLine($topic->title)));
        }
        if (! $this->choices->flag('gapWords') || ! str_contains($topic->title, '*')) {
            return $topic->title;
        }

        return InlineMarkdown::write(array_map(fn (Run $run): Run => $run->marks & Run::BOLD && trim($run->text) !== '' ? new Run((string) preg_replace_callback('/\S(?:.*\S)?/su', fn (array $m): string => $this->gap($m[0]), $run->text)) : $run, InlineMarkdown::runs($topic->title)));
    }

    /** A line to write on, with the number by which the key has it. */
    private function gap(string $answer): string
    {
        $number = count($this->key) + 1;
        $this->key[$number] = $answer;
        $left = (int) ceil(max(self::SHORTEST, mb_strlen($answer) * self::ROOM));
        $lines = [];
        for (; $left > 0; $left -= self::LONGEST) {
            $lines[] = str_repeat('_', max(self::SHORTEST, min($left, self::LONGEST)));
        }

        return "{$number} ".implode(' ', $lines);
    }
}
