<?php

declare(strict_types=1);

namespace App\Live;

/** What a channel tells. */
enum ChannelKind: string
{
    /** What changed, of all of the map. */
    case Whole = 'whole';
    /** What changed, of what may leave the map. */
    case Cut = 'cut';
    /** That something changed; whoever listens asks for it, as it is another thing for each of them. */
    case Asks = 'asks';
}
