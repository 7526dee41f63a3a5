<?php

declare(strict_types=1);

namespace ChalkTree\Process;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\TopicMap;

/** Takes steps out of the ways of their process, which close behind them; the topics stay, and wait beside the chart. */
final readonly class LiftSteps implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics)
    {
    }

    public static function name(): string
    {
        return 'flow.lift';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $steps = new Steps($map);
        foreach ($this->topics as $id) {
            $topic = $map->topic($id, 'topics')->id;
            if ($steps->headOf($topic) !== null) {
                $steps->lift($recorder, $topic);
            }
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Took '.Wording::several(TopicChoice::titles($map, array_values(array_filter($this->topics, $map->has(...))))).' out of the ways between the steps';
    }
}
