<?php

declare(strict_types=1);

namespace App\Console;

use App\Comments\Notices;
use App\Models\Notice;
use App\Models\Person;
use Illuminate\Console\Command;
use Throwable;

/** Sends letters about comments to those whom they name or answer, several in one. */
final class SendComments extends Command
{
    protected $signature = 'comments:send';

    protected $description = 'Sends letters about comments that name or answer somebody who has not seen them.';

    public function handle(Notices $notices): int
    {
        $failed = 0;
        foreach (Notice::query()->where('seen', false)->where('sent', false)->distinct()->orderBy('person_id')->pluck('person_id') as $id) {
            $person = Person::query()->whereKey((int) $id)->firstOrFail();
            try {
                $count = $notices->send($person);
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
