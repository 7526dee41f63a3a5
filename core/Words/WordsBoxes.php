<?php

declare(strict_types=1);

namespace ChalkTree\Words;

use ChalkTree\Ask\Moment;
use ChalkTree\Face\BoxSource;
use ChalkTree\Face\SmallText;

/** Says on a topic how many words its note has, and those of all below it. */
final readonly class WordsBoxes implements BoxSource
{
    public function __construct(private Moment $now)
    {
    }

    public function parts(string $topic): array
    {
        $own = Words::own($this->now->map, $topic);
        $below = (int) ($this->now->sums()->below($topic, WordsMeasure::KEY)->sum ?? 0.0);
        $told = array_filter([$own === 0 ? '' : Words::told($own), $below === 0 ? '' : ($own === 0 ? Words::told($below) : number_format($below)).' below']);

        return $told === [] ? [] : [SmallText::below('facts', implode(', ', $told))];
    }
}
