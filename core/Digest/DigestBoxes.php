<?php

declare(strict_types=1);

namespace ChalkTree\Digest;

use ChalkTree\Ask\Days;
use ChalkTree\Ask\Moment;
use ChalkTree\Face\BoxSource;
use ChalkTree\Face\SmallText;
use ChalkTree\Text\Sameness;

/** Says on a digest what it gathers, how many, and the first of them. */
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
        $gathered = LiveDigests::of($this->now)->gathered($topic);
        $groups = $frozen === '' ? [] : DigestGroup::read($digest->text('lines')) ?? [];
        $count = $frozen === '' ? $gathered?->count() : DigestGroup::count($groups);
        $list = $frozen === '' ? $gathered?->list($digest) : ($groups === [] ? null : DigestList::of($groups, DigestGroup::count($groups)));

        return [SmallText::below('facts', $this->said($digest, $frozen, $count)), ...($list === null ? [] : [$list])];
    }

    private function said(Digest $digest, string $frozen, ?int $count): string
    {
        if ($frozen !== '') {
            return '≡ as of '.Days::short($frozen, $this->now->today).($count === 0 ? ' · nothing found' : " · {$count}");
        }
        $condition = $digest->condition();
        $words = mb_strimwidth($condition?->words($this->now) ?? 'nothing yet', 0, self::WIDEST, '…');
        // A digest is often called what it gathers.
        $isSaid = Sameness::key($words) === Sameness::key($this->now->map->topic($digest->id)->title);
        $found = match (true) {
            $condition === null || $count === null => '',
            $count === 0 => ' · nothing found',
            default => " · {$count}",
        };

        return '≡ '.($isSaid ? 'gathered here' : "gathers {$words}").$found;
    }
}
