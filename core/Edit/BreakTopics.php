<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Sentences;
use ChalkTree\Text\Slices;

/**
 * Breaks topics into several, by lines, by sentences or wherever a separator stands. The first part stays with what is
 * below the topic; the others stand after it or, if asked for, below it.
 */
final readonly class BreakTopics implements Edit
{
    public const MOST_PARTS = 2000;

    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private string $by, private string $separator, private bool $below)
    {
    }

    public static function name(): string
    {
        return 'topic.break';
    }

    public static function read(Arguments $arguments): self
    {
        $by = $arguments->oneOf('by', ['lines', 'sentences', 'separator']);
        $separator = $by === 'separator' ? $arguments->caption('separator') : '';
        if ($by === 'separator' && ($separator === '' || mb_strlen($separator) > 40)) {
            throw $arguments->wrong('separator', 'A separator has 1 to 40 characters.');
        }

        return new self($arguments->ids('topics'), $by, $separator, $arguments->flag('below'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $broken = 0;
        foreach ($this->topics as $id) {
            $topic = $map->topic($id, 'topics');
            $parts = Slices::parts($topic->title, $this->spans(InlineMarkdown::plain($topic->title)));
            if (count($parts) > self::MOST_PARTS) {
                throw new InvalidEdit('That would make more than 2,000 topics of one.', 'topics');
            }
            if (count($parts) > 1) {
                $broken++;
                $recorder->put($topic->with(['title' => $parts[0]]));
                $drafts = array_map(fn (string $part): TopicDraft => new TopicDraft($part), array_slice($parts, 1));
                Planting::plant($map, $recorder, $this->place($map, $topic), $drafts);
            }
        }
        if ($broken === 0) {
            throw new InvalidEdit('There is nothing here at which these topics could be broken.', 'topics');
        }
    }

    private function place(TopicMap $map, Topic $topic): Place
    {
        return $this->below || $topic->id === $map->sheet()->root || $topic->parked !== null ? Place::below($topic->id) : Place::behind($topic);
    }

    /** @return list<array{int, int}> */
    private function spans(string $plain): array
    {
        if ($this->by === 'sentences') {
            return Sentences::spans($plain);
        }
        $separator = $this->by === 'lines' ? "\n" : $this->separator;
        $spans = [];
        $at = 0;
        foreach ($separator === '' ? [$plain] : explode($separator, $plain) as $part) {
            $spans[] = [$at, $at + strlen($part)];
            $at += strlen($part) + strlen($separator);
        }

        return $spans;
    }

    public function sentence(TopicMap $map): string
    {
        return 'Broke '.Wording::several(TopicChoice::titles($map, $this->topics)).' into several';
    }
}
