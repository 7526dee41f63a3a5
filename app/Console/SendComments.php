<?php

declare(strict_types=1);

namespace App\Console;

use App\Comments\Notices;
use App\Models\Notice;
use App\Models\Person;

/** Sends letters about comments to those whom they name or answer, several in one. */
final class SendComments extends LetterCommand
{
    protected $signature = 'comments:send';

    protected $description = 'Sends letters about comments that name or answer somebody who has not seen them.';

    public function handle(Notices $notices): int
    {
        $waiting = Notice::query()->where('seen', false)->where('sent', false)->distinct()->pluck('person_id');

        return $this->sendTo(Person::query()->whereKey($waiting)->lazyById(100), $notices->send(...));
    }
}
