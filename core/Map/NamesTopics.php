<?php

declare(strict_types=1);

namespace ChalkTree\Map;

use Closure;

/** A row of the map that names topics in lists of its own, and stays when some of them go. */
interface NamesTopics
{
    /**
     * The same, naming only topics that are there.
     *
     * @param  Closure(string): bool  $isThere
     * @return static|null  null where nothing is left of what it was about
     */
    public function among(Closure $isThere): ?static;
}
