<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Arrange\Arrangements;
use ChalkTree\Map\Sheet;
use ChalkTree\Map\TopicMap;

/** Lays the whole map out in another arrangement. */
final readonly class ArrangeMap implements Edit
{
    private function __construct(private string $arrangement)
    {
    }

    public static function name(): string
    {
        return 'map.arrange';
    }

    public static function read(Arguments $arguments): self
    {
        $name = $arguments->string('arrangement');

        return in_array($name, Arrangements::names(), true)
            ? new self($name)
            : throw $arguments->wrong('arrangement', 'The arrangement has to be one of: '.implode(', ', Arrangements::names()).'.');
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $sheet = $map->sheet();
        $recorder->put(new Sheet($sheet->title, $sheet->root, $this->arrangement));
    }

    public function sentence(TopicMap $map): string
    {
        return 'Arranged the map '.match ($this->arrangement) {
            'both-sides' => 'on both sides',
            'stepped-list' => 'as a stepped list',
            'grid', 'fishbone', 'timeline' => "as a {$this->arrangement}",
            'round' => 'all around',
            'free' => 'freely',
            default => $this->arrangement,
        };
    }
}
