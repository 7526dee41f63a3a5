<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Person;
use App\Reminders\ReminderLetters;

/** Sends letters about to-dos that come up, to those for whom it is morning. */
final class SendReminders extends LetterCommand
{
    protected $signature = 'reminders:send';

    protected $description = 'Sends letters about to-dos of which people wished to be reminded.';

    public function handle(ReminderLetters $letters): int
    {
        return $this->sendTo(Person::query()->lazyById(100), $letters->send(...));
    }
}
