<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

/** A number that topics have, so that it can be rolled up the tree: a field, how far a to-do is. */
interface Measure
{
    /** What it is called among all of a map. */
    public function key(): string;

    /** On what it hangs besides the topics themselves; where that is another, all is summed up anew. */
    public function hangsOn(): string;

    /** What a topic hands to the one above it, of its own number and of all that is below it; null where neither is there. */
    public function handedOn(string $topic, ?Sum $below): ?Sum;
}
