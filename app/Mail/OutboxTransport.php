<?php

declare(strict_types=1);

namespace App\Mail;

use App\Models\LetterRecord;
use Symfony\Component\Mailer\Exception\TransportException;
use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\AbstractTransport;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Message;
use Symfony\Component\Mime\MessageConverter;

/** Stands in for a mail service: letters go into a table, which the outbox page shows. */
final class OutboxTransport extends AbstractTransport
{
    public function __toString(): string
    {
        return 'outbox';
    }

    protected function doSend(SentMessage $message): void
    {
        $original = $message->getOriginalMessage();
        if (! $original instanceof Message) {
            throw new TransportException('The outbox keeps letters only, not raw messages.');
        }
        $letter = MessageConverter::toEmail($original);
        LetterRecord::query()->create([
            'recipient' => implode(', ', array_map(fn (Address $to): string => $to->getAddress(), $letter->getTo())),
            'subject' => (string) $letter->getSubject(),
            'text' => (string) $letter->getTextBody(),
            'sent_at' => now(),
        ]);
    }
}
