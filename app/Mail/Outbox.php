<?php

declare(strict_types=1);

namespace App\Mail;

use Illuminate\Database\ConnectionInterface;
use stdClass;

/** The letters that stand in for sent mail. They open accounts, so callers see to who reads them. */
final readonly class Outbox
{
    public function __construct(private ConnectionInterface $database)
    {
    }

    /** @return list<stdClass> recipient, subject, text, sent_at; the latest first */
    public function letters(int $most = 50): array
    {
        return array_values($this->database->table('letters')->orderByDesc('id')->limit($most)->get()->all());
    }

    /** The text of the letter that went to an address last, if it went just now. */
    public function latest(string $email): ?string
    {
        $text = $this->database->table('letters')->where('recipient', $email)->where('sent_at', '>', now()->subMinute())->orderByDesc('id')->value('text');

        return is_string($text) ? $text : null;
    }
}
