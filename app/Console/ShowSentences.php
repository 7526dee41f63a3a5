<?php

declare(strict_types=1);

namespace App\Console;

use App\Store\MapStore;
use ChalkTree\CrossLink\Score;
use ChalkTree\CrossLink\Sentences;
use ChalkTree\HandOver\Outgoing;

/** Prints the propositions of a map, one a line: topic, phrase, topic, with tabs between; or what they score. */
final class ShowSentences extends MapCommand
{
    protected $signature = 'map:sentences {id} {--score : what they score instead, as JSON} {--owner=}';

    protected $description = 'Prints the propositions of a map, one a line: topic, phrase, topic, with tabs between.';

    public function handle(MapStore $store): int
    {
        $map = Outgoing::of($store->load($this->record()));
        $this->put($this->option('score') === true ? json_encode(Score::of($map)->toArray(), JSON_THROW_ON_ERROR)."\n" : Sentences::of($map)->tabbed());

        return self::SUCCESS;
    }
}
