<?php

declare(strict_types=1);

namespace App\Console;

use App\Store\MapStore;
use ChalkTree\CrossLink\Sentences;

/** Prints the propositions of a map, one a line: topic, phrase, topic, with tabs between. */
final class ShowSentences extends MapCommand
{
    protected $signature = 'map:sentences {id} {--owner=}';

    protected $description = 'Prints the propositions of a map, one a line: topic, phrase, topic, with tabs between.';

    public function handle(MapStore $store): int
    {
        $this->put(Sentences::of($store->load($this->record()))->tabbed());

        return self::SUCCESS;
    }
}
