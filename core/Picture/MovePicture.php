<?php

declare(strict_types=1);

namespace ChalkTree\Picture;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\TopicMap;

/** Puts the picture of one topic into another; if that has one, the two change places, so that none is lost. */
final readonly class MovePicture implements Edit
{
    private function __construct(private string $topic, private string $to)
    {
    }

    public static function name(): string
    {
        return 'picture.move';
    }

    /** "topic" that has it, and the topic "to" which it comes. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->id('topic'), $arguments->id('to'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        [$from, $to] = [$map->topic($this->topic), $map->topic($this->to, 'to')];
        $pictures = $map->rowsOf(TopicPicture::class);
        $own = $pictures[$from->id] ?? throw new InvalidEdit('There is no picture in this topic any more.', 'topic');
        if ($from->id === $to->id) {
            return;
        }
        $recorder->keep(TopicPicture::fromFields($from->id, ($pictures[$to->id] ?? null)?->saying() ?? []));
        $recorder->keep(TopicPicture::fromFields($to->id, $own->saying()));
    }

    public function sentence(TopicMap $map): string
    {
        [$from, $to] = [TopicChoice::titles($map, [$this->topic]), TopicChoice::titles($map, [$this->to])];

        return 'Moved the picture of '.Wording::several($from).' to '.Wording::several($to);
    }
}
