<?php

declare(strict_types=1);

namespace ChalkTree\Digest;

use ChalkTree\Ask\Days;
use ChalkTree\Ask\Moment;
use ChalkTree\Face\BoxSource;
use ChalkTree\Text\Sameness;

/** Says on a digest what it gathers. Not how many: that hangs on the whole map, and no edit waits for it. */
final readonly class DigestBoxes implements BoxSource
{
    private const WIDEST = 80;

    public function __construct(private Moment $now)
    {
    }

    public function parts(string $topic): array
    {
        $digest = $this->now->row(Digest::class, $topic);
        if ($digest === null) {
            return [];
        }
        $frozen = $digest->text('frozen');
        $words = mb_strimwidth($digest->condition()?->words($this->now) ?? 'nothing yet', 0, self::WIDEST, '…');
        // A digest is often called what it gathers.
        $isSaid = Sameness::key($words) === Sameness::key($this->now->map->topic($topic)->title);

        return [new DigestPart('≡ '.($frozen === '' ? ($isSaid ? 'gathered here' : "gathers {$words}") : 'as of '.Days::short($frozen, $this->now->today)))];
    }
}
