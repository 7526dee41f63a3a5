<?php

declare(strict_types=1);

namespace ChalkTree\Link;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Quiet;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\TopicMap;

/** Notes how far the map is to which a topic leads. */
final readonly class TellHowFar implements Quiet
{
    private function __construct(private string $topic, private int $of, private int $done)
    {
    }

    public static function name(): string
    {
        return 'link.tell';
    }

    /** "topic"; "of", the topics below the root of that map; "done", those of them that are done. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->id('topic'), $arguments->int('of', 0, Bounds::MOST_TOPICS * 10), $arguments->int('done', 0, Bounds::MOST_TOPICS * 10));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $topic = $map->topic($this->topic, 'topic')->id;
        $recorder->put(ToldHowFar::fromFields($topic, ['of' => $this->of, 'done' => $this->done]));
    }

    public function sentence(TopicMap $map): string
    {
        return 'Noted how far the map is to which '.Wording::excerpt($map->find($this->topic)->title ?? '').' leads';
    }
}
