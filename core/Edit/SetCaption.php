<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Bounds;
use ChalkTree\Map\TopicMap;

/** Sets the caption of topics; empty takes it away. */
final class SetCaption implements Edit, MergesText
{
    use WrittenOver;

    /** @param  non-empty-list<string>  $topics */
    private function __construct(private readonly array $topics, private readonly string $caption, private readonly ?string $was)
    {
    }

    public static function name(): string
    {
        return 'topic.caption';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), $arguments->caption(), $arguments->has('was') ? $arguments->caption('was') : null);
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->topics as $id) {
            $topic = $map->topic($id, 'topics');
            $recorder->put($topic->with(['caption' => $this->over($this->was, $topic->caption, $this->caption, mb_strlen(...), Bounds::LONGEST_CAPTION)]));
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Changed the caption of '.Wording::several(TopicChoice::titles($map, $this->topics));
    }
}
