<?php

declare(strict_types=1);

namespace App\Store;

use RuntimeException;

/** A part of something in the cache has gone since the rest was read. Whoever hears of it begins again without the cache. */
final class PartLost extends RuntimeException
{
}
