<?php

declare(strict_types=1);

namespace App\Console;

use App\Find\WordIndex;
use App\Models\Person;
use Illuminate\Console\Command;

/** Brings the index of words up to date for everyone. The start command runs it, so that the first search does not wait. */
final class IndexWords extends Command
{
    protected $signature = 'find:index';

    protected $description = 'Brings the index of words up to date for everyone.';

    public function handle(WordIndex $index): int
    {
        foreach (Person::query()->get() as $person) {
            $index->catchUp($person);
        }

        return self::SUCCESS;
    }
}
