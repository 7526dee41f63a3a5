<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Map\NamesTopics;
use Closure;

/** A row of the map that keeps a condition; see KeepsCondition. */
interface AsksOfTopics extends NamesTopics
{
    public function condition(): ?Condition;

    /**
     * The same, with each question asked otherwise.
     *
     * @param  Closure(array<mixed>): array<mixed>  $otherwise
     */
    public function asking(Closure $otherwise): static;
}
