<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Person;
use Illuminate\Console\Command;
use Throwable;

/** Sends letters to people, one after the other, and prints to whom and of how much. */
abstract class LetterCommand extends Command
{
    /**
     * @param  iterable<Person>  $people
     * @param  callable(Person): int  $send  says of how much the letter told; 0 where none was sent
     */
    protected function sendTo(iterable $people, callable $send): int
    {
        $failed = 0;
        foreach ($people as $person) {
            try {
                $count = $send($person);
                if ($count > 0) {
                    $this->line("{$person->email}\t{$count}");
                }
            } catch (Throwable $thrown) {
                // The next person's letter does not wait for this one's.
                report($thrown);
                $failed++;
            }
        }

        return $failed === 0 ? self::SUCCESS : self::FAILURE;
    }
}
