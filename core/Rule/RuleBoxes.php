<?php

declare(strict_types=1);

namespace ChalkTree\Rule;

use ChalkTree\Ask\Moment;
use ChalkTree\Ask\TellsProgress;
use ChalkTree\Face\BoxSource;
use ChalkTree\Features;
use ChalkTree\Sign\StampsPart;
use ChalkTree\Sign\TopicStamps;

/** What rules put on topics: stamps, and a spine that is filled as far as they are. */
final readonly class RuleBoxes implements BoxSource
{
    public function __construct(private Moment $now, private RuleSet $rules)
    {
    }

    public function parts(string $topic): array
    {
        $signs = [];
        $isFilled = false;
        foreach ($this->rules->on($topic) as $rule) {
            array_push($signs, ...$rule->stamps());
            $isFilled = $isFilled || $rule->flag('spine');
        }
        $own = $signs === [] ? [] : $this->now->row(TopicStamps::class, $topic)?->signs() ?? [];
        $stamps = StampsPart::of(array_values(array_diff(array_unique($signs), $own)));
        $progress = $isFilled ? $this->progress($topic) : null;

        return [...($stamps === null ? [] : [$stamps]), ...($progress === null ? [] : [new SpinePart($progress)])];
    }

    private function progress(string $topic): ?float
    {
        foreach (Features::all() as $feature) {
            $progress = $feature instanceof TellsProgress ? $feature->progressOf($this->now, $topic) : null;
            if ($progress !== null) {
                return $progress;
            }
        }

        return null;
    }
}
