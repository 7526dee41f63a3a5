<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Features;

/** How far topics are that are to be done, whichever feature knows of it. */
final class TodoProgress
{
    /** From 0 to 100; null where a topic is nothing to be done itself. */
    public static function of(Moment $now, string $topic): ?int
    {
        foreach (Features::all() as $feature) {
            if ($feature instanceof TellsProgress && $feature->isTodo($now, $topic)) {
                return (int) round($feature->progressOf($now, $topic) ?? 0.0);
            }
        }

        return null;
    }
}
