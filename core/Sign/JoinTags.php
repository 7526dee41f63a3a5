<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\TopicMap;

/** Makes one tag of two: whatever has the one has the other from now on. */
final class JoinTags implements Edit
{
    /** What the one was called that is no more. */
    private string $was = '';

    private function __construct(private readonly string $tag, private readonly string $into)
    {
    }

    public static function name(): string
    {
        return 'tag.join';
    }

    /** "tag" and "into", by their ids. */
    public static function read(Arguments $arguments): self
    {
        [$tag, $into] = [$arguments->id('tag'), $arguments->id('into')];

        return $tag === $into ? throw $arguments->wrong('into', 'Name another tag.') : new self($tag, $into);
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $tags = $map->rowsOf(Tag::class);
        if (! isset($tags[$this->tag], $tags[$this->into])) {
            throw new InvalidEdit('This tag is not in the map any more.', isset($tags[$this->tag]) ? 'into' : 'tag');
        }
        $this->was = $tags[$this->tag]->text('name');
        self::join($map, $recorder, $this->tag, $this->into);
    }

    /** Also in topics that are in the trash, so that they come back right. */
    public static function join(TopicMap $map, Recorder $recorder, string $tag, string $into): void
    {
        foreach ($map->rowsOf(TopicTags::class) as $row) {
            if (in_array($tag, $row->tags(), true)) {
                $recorder->keep($row->having(array_map(fn (string $one): string => $one === $tag ? $into : $one, $row->tags())));
            }
        }
        $recorder->drop(Tag::type(), $tag);
    }

    public function sentence(TopicMap $map): string
    {
        return "Joined the tag “{$this->was}” with “".(($map->rowsOf(Tag::class)[$this->into] ?? null)?->text('name') ?? '').'”';
    }
}
