<?php

declare(strict_types=1);

namespace App\Console;

use App\Store\MapStore;
use ChalkTree\Exchange\Formats;

/** Makes a map of a file and prints its id. */
final class ImportMap extends MapCommand
{
    protected $signature = 'map:import {file} {--format= : json, opml, md or txt; else by the file} {--title= : the title where the file has none} {--owner=}';

    protected $description = 'Makes a map of a file and prints its id.';

    public function handle(MapStore $store): int
    {
        $file = $this->said('file');
        $owner = $this->owner();
        $map = Formats::read($this->contents($file), $file, $this->text('format'), $this->text('title'));
        $this->put($store->create($owner, $map)->id."\n");

        return self::SUCCESS;
    }
}
