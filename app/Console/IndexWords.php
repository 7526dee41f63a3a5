<?php

declare(strict_types=1);

namespace App\Console;

use App\Find\Indexer;
use App\Find\MeantSearch;
use App\Models\Person;
use Illuminate\Console\Command;

/** Brings what is known across maps up to date for everyone. The start command runs it, so that the first search does not wait. */
final class IndexWords extends Command
{
    protected $signature = 'find:index';

    protected $description = 'Brings the indexes of words, of facts and of traces up to date for everyone.';

    public function handle(Indexer $index, MeantSearch $meant): int
    {
        foreach (Person::query()->get() as $person) {
            $index->catchUp($person);
            $meant->catchUp($person);
        }

        return self::SUCCESS;
    }
}
