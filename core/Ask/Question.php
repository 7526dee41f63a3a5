<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\InvalidEdit;

/** One thing that a condition asks of a topic. Features hand in those that are about what they keep (Asks). */
interface Question
{
    /** The word under which conditions call it, as in {"ask": "stamp", …}. */
    public static function name(): string;

    /** @throws InvalidEdit where it is of the wrong form */
    public static function read(Arguments $from): self;

    public function holds(Moment $now, string $topic): bool;

    /** What it asks, in words, as "stamp done" or "due before today". */
    public function words(Moment $now): string;

    /** On what else than the topic itself, what is below it and how deep it stands the answer hangs. */
    public function hangsOn(): HangsOn;
}
