<?php

declare(strict_types=1);

namespace App\Mail;

use App\Models\LetterRecord;
use Illuminate\Database\Eloquent\Collection;

/** The letters that stand in for sent mail. They open accounts, so callers see to who reads them. */
final readonly class Outbox
{
    /** @return list<LetterRecord> the latest first */
    public function letters(int $most = 50): array
    {
        /** @var Collection<int, LetterRecord> $letters limit() is the base query's, which knows no models */
        $letters = LetterRecord::query()->latest('id')->limit($most)->get();

        return array_values($letters->all());
    }

    /** The text of the letter that went to an address last, if it went just now. */
    public function latest(string $email): ?string
    {
        $text = LetterRecord::query()->where('recipient', $email)->where('sent_at', '>', now()->subMinute())->orderByDesc('id')->value('text');

        return is_string($text) ? $text : null;
    }
}
