<?php

declare(strict_types=1);

namespace ChalkTree\Process;

use ChalkTree\Ask\Moment;
use ChalkTree\Feature;
use ChalkTree\Look\SaysLooks;
use ChalkTree\WithoutMarks;

/** Processes: what is done with steps in a flow. Their ways are cross-links, and what sort of step one is, its shape says. */
final class ProcessFeature implements Feature, SaysLooks
{
    use WithoutMarks;

    public function rows(): array
    {
        return [];
    }

    public function edits(): array
    {
        return [LiftSteps::class, PutStep::class, ShiftStep::class];
    }

    public function schema(): array
    {
        $text = ['type' => 'string'];

        return [
            'LiftSteps' => ['name' => LiftSteps::name(), 'properties' => ['topics' => ['type' => 'array', 'items' => $text]], 'required' => ['topics']],
            'PutStep' => ['name' => PutStep::name(), 'properties' => ['topic' => $text, 'link' => $text, 'as' => $text], 'required' => ['topic', 'link', 'as']],
            'ShiftStep' => ['name' => ShiftStep::name(), 'properties' => ['topic' => $text, 'by' => ['enum' => [-1, 1]], 'as' => $text], 'required' => ['topic', 'by', 'as']],
        ];
    }

    public function looks(Moment $now): iterable
    {
        $looks = StepLooks::of($now->map);

        return $looks === null ? [] : [$looks];
    }
}
