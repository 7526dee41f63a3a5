<?php

declare(strict_types=1);

namespace App\Console;

use App\Mail\Outbox;
use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;

/** Prints the letters kept instead of sent, the latest last; for whoever runs a server without mail. */
final class ShowOutbox extends Command
{
    protected $signature = 'outbox:show {--most=10 : how many letters}';

    protected $description = 'Prints the letters that were kept instead of sent, the latest last.';

    public function handle(Outbox $outbox): int
    {
        foreach (array_reverse($outbox->letters(max(1, (int) $this->option('most')))) as $letter) {
            $this->output->write("To {$letter->recipient}, {$letter->sent_at} UTC: {$letter->subject}\n\n{$letter->text}\n", false, OutputInterface::OUTPUT_RAW);
        }

        return self::SUCCESS;
    }
}
