<?php

declare(strict_types=1);

namespace App\Console;

use App\Store\MapStore;
use ChalkTree\Exchange\Formats;

/** Prints a map as our JSON. */
final class ShowMap extends MapCommand
{
    protected $signature = 'map:show {id} {--owner=}';

    protected $description = 'Prints a map as our JSON.';

    public function handle(MapStore $store): int
    {
        $this->put(Formats::write($store->load($this->record()), 'json'));

        return self::SUCCESS;
    }
}
