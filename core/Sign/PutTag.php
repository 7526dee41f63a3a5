<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\TopicMap;

/** Puts a tag of the map on topics, or takes it off. */
final readonly class PutTag implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private string $tag, private bool $isOff)
    {
    }

    public static function name(): string
    {
        return 'topic.tag';
    }

    /** "tag", by its id; "off" to take it off. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), $arguments->id('tag'), $arguments->flag('off'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        if (! $this->isOff && ! isset($map->rowsOf(Tag::class)[$this->tag])) {
            throw new InvalidEdit('This tag is not in the map any more.', 'tag');
        }
        foreach ($this->topics as $id) {
            $topic = $map->topic($id, 'topics');
            $row = $map->rowsOf(TopicTags::class)[$topic->id] ?? TopicTags::fromFields($topic->id, []);
            $tags = array_diff($row->tags(), [$this->tag]);
            if (! $this->isOff && count($tags) >= TopicTags::MOST) {
                throw new InvalidEdit('A topic has at most '.TopicTags::MOST.' tags.', 'topics');
            }
            $recorder->keep($row->having([...$tags, ...($this->isOff ? [] : [$this->tag])]));
        }
    }

    public function sentence(TopicMap $map): string
    {
        $name = ($map->rowsOf(Tag::class)[$this->tag] ?? null)?->text('name') ?? '';

        return ($this->isOff ? "Took the tag “{$name}” off " : "Put the tag “{$name}” on ").Wording::several(TopicChoice::titles($map, $this->topics));
    }
}
