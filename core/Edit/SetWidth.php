<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\TopicMap;

/** Sets the width of topics in pixels; null lets the text decide. */
final readonly class SetWidth implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private ?int $width)
    {
    }

    public static function name(): string
    {
        return 'topic.width';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), $arguments->intOrNull('width', Bounds::NARROWEST, Bounds::WIDEST));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->topics as $id) {
            $recorder->put($map->topic($id, 'topics')->with(['width' => $this->width]));
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Changed the width of '.Wording::several(TopicChoice::titles($map, $this->topics));
    }
}
