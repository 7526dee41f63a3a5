<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Map\Trail;
use ChalkTree\Text\InlineMarkdown;

/** Adds all that topics say to the note of another, each with a line that tells where it comes from. */
final readonly class AppendText implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private string $to, private bool $withSource)
    {
    }

    public static function name(): string
    {
        return 'text.append';
    }

    /** "source": false leaves out the line that tells where the text comes from. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), $arguments->id('to'), ! $arguments->has('source') || $arguments->bool('source'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $note = $map->topic($this->to, 'to')->note;
        foreach ($this->topics as $id) {
            $topic = $map->topic($id, 'topics');
            if ($id === $this->to) {
                throw new InvalidEdit('A topic cannot be added to its own note.', 'to');
            }
            $note = TextPlaces::appended($note, TextPlaces::appended(TextPlaces::whole($topic), $this->withSource ? $this->source($map, $topic) : ''));
        }
        $recorder->put($map->topic($this->to, 'to')->with(TextPlaces::bounded(['note' => $note])));
    }

    private function source(TopicMap $map, Topic $topic): string
    {
        $trail = array_map(fn (string $title): string => $title === '' ? 'Untitled' : $title, Trail::to($map, $topic->id));

        return '*From '.InlineMarkdown::escape(implode(' › ', $trail)).'*';
    }

    public function sentence(TopicMap $map): string
    {
        return 'Added the text of '.Wording::several(TopicChoice::titles($map, $this->topics)).' to the note of '.Wording::several(TopicChoice::titles($map, [$this->to]));
    }
}
