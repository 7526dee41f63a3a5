<?php

declare(strict_types=1);

namespace ChalkTree\Process;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\TopicMap;

/** Lets a step come before the one that it follows, or after the one that follows it. */
final readonly class ShiftStep implements Edit
{
    private function __construct(private string $topic, private int $by, private string $as)
    {
    }

    public static function name(): string
    {
        return 'flow.shift';
    }

    /** "topic"; "by": -1 for earlier, 1 for later; "as", the id of a way that may come to be needed. */
    public static function read(Arguments $arguments): self
    {
        $by = $arguments->int('by', -1, 1);
        if ($by === 0) {
            throw $arguments->wrong('by', 'A step goes earlier (-1) or later (1).');
        }

        return new self($arguments->id('topic'), $by, $arguments->id('as'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $steps = new Steps($map);
        $step = $map->topic($this->topic, 'topic')->id;
        if ($steps->headOf($step) === null) {
            throw new InvalidEdit('This topic is no step of a process.', 'topic');
        }
        $beside = $this->by < 0 ? $steps->in($step) : $steps->out($step);
        if (count($beside) !== 1 || count($steps->out($step)) > 1) {
            throw new InvalidEdit($beside === [] ? 'There is no step on that side.' : 'Where several ways meet, put the step on one of them.', 'topic');
        }
        $other = $this->by < 0 ? $beside[0]->from() : $beside[0]->to();
        $steps->lift($recorder, $step);
        $this->by < 0 ? $this->before($steps, $recorder, $step, $other) : $this->after($steps, $recorder, $step, $other);
    }

    private function before(Steps $steps, Recorder $recorder, string $step, string $other): void
    {
        foreach ($steps->in($other) as $link) {
            $recorder->put($link->with(['to' => $step, 'bendAt' => null, 'bendBy' => null]));
        }
        $steps->lead($recorder, $this->as, $step, $other);
    }

    private function after(Steps $steps, Recorder $recorder, string $step, string $other): void
    {
        $on = $steps->out($other);
        match (count($on)) {
            0 => $steps->lead($recorder, $this->as, $other, $step),
            1 => $steps->splice($recorder, $on[0], $step, $this->as),
            default => throw new InvalidEdit('Where several ways lead on, put the step on one of them.', 'topic'),
        };
    }

    public function sentence(TopicMap $map): string
    {
        return 'Moved '.Wording::several(TopicChoice::titles($map, array_values(array_filter([$this->topic], $map->has(...))))).($this->by < 0 ? ' a step earlier' : ' a step later');
    }
}
