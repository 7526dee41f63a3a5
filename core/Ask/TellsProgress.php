<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Feature;

/** A feature that knows how far topics are. */
interface TellsProgress extends Feature
{
    /** The measures of to-dos: how far they are, weighted by effort, and which are done. */
    public const PROGRESS = 'task-progress';

    public const DONE = 'task-done';

    /** Whether a topic is to be done itself, and does not only stand above what is. */
    public function isTodo(Moment $now, string $topic): bool;

    /** From 0 to 100; null where a topic has none. */
    public function progressOf(Moment $now, string $topic): ?float;
}
