<?php

declare(strict_types=1);

namespace App\Console;

use App\Library\Arrivals;

/** Makes a map of a file and prints its id. */
final class ImportMap extends MapCommand
{
    protected $signature = 'map:import {file} {--format= : json, opml, md or txt; else by the file} {--title= : the title where the file has none} {--owner=}';

    protected $description = 'Makes a map of a file and prints its id.';

    public function handle(Arrivals $arrivals): int
    {
        $file = $this->said('file');
        $owner = $this->owner();
        $this->put($arrivals->bringFile($owner, $this->readable($file), $file, $this->text('format'), title: $this->text('title'))->id."\n");

        return self::SUCCESS;
    }
}
