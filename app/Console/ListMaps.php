<?php

declare(strict_types=1);

namespace App\Console;

use App\Library\Shelf;

/** Prints the id, title and topic count of every map, a line each. */
final class ListMaps extends MapCommand
{
    protected $signature = 'map:list {--owner=}';

    protected $description = 'Prints the id, title and topic count of every map, a line each.';

    public function handle(Shelf $shelf): int
    {
        foreach ($shelf->list($this->owner()) as $map) {
            $this->put("{$map['id']}\t{$map['title']}\t{$map['topics']}\n");
        }

        return self::SUCCESS;
    }
}
