<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

/** A number that topics have, so that it can be rolled up the tree: a field, how far a to-do is. */
interface Measure
{
    /** What it is called among all of a map. */
    public function key(): string;

    /** @return array{float, float}|null the number of one topic, and its weight in a mean; null where it has none */
    public function of(string $topic): ?array;

    /** Whether what is below a topic stands for it, so that its own number counts only where nothing is. */
    public function givesWay(): bool;
}
