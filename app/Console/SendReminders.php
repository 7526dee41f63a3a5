<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Person;
use App\Reminders\ReminderLetters;
use Illuminate\Console\Command;
use Illuminate\Support\Collection;
use Throwable;

/** Sends letters about to-dos that come up, to those for whom it is morning. */
final class SendReminders extends Command
{
    protected $signature = 'reminders:send';

    protected $description = 'Sends letters about to-dos of which people wished to be reminded.';

    public function handle(ReminderLetters $letters): int
    {
        $failed = 0;
        Person::query()->chunkById(100, function (Collection $people) use ($letters, &$failed): void {
            foreach ($people as $person) {
                try {
                    $count = $letters->send($person);
                    if ($count > 0) {
                        $this->line("{$person->email}\t{$count}");
                    }
                } catch (Throwable $thrown) {
                    // The next person's letter does not wait for this one's.
                    report($thrown);
                    $failed++;
                }
            }
        });

        return $failed === 0 ? self::SUCCESS : self::FAILURE;
    }
}
