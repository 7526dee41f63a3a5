<?php

declare(strict_types=1);

namespace App\Console;

use App\Store\Digests;

/** Prints what a digest gathers: id and title, a line each, a tab between, group after group. */
final class DigestMap extends MapCommand
{
    protected $signature = 'map:digest {id} {topic : the id of the topic that is a digest} {--owner=}';

    protected $description = 'Prints what a digest gathers: id and title, a line each, a tab between.';

    public function handle(Digests $digests): int
    {
        $topic = $this->said('topic');
        foreach ($digests->of($this->record(), $this->owner(), $topic)['groups'] as $group) {
            foreach ($group['lines'] as $line) {
                $this->put("{$line['topic']}\t{$line['title']}\n");
            }
        }

        return self::SUCCESS;
    }
}
