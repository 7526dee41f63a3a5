<?php

declare(strict_types=1);

namespace ChalkTree\Filter;

/** What is shown while a filter is on. */
enum Showing: string
{
    /** What it hits, and what stands above that. */
    case Above = 'above';

    /** What it hits, with what stands above and below that. */
    case Below = 'below';

    /** What it hits, and nothing else; each below the next hit above it. */
    case Only = 'only';

    /** Everything, but all the rest dimmed. */
    case Dim = 'dim';
}
