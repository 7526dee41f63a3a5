<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Person;
use App\Models\Share;
use Illuminate\Auth\Access\Response;

/** A share is changed by whoever gave it, and ended by whoever gave it or got it; for anyone else there is none. */
final class SharePolicy
{
    public function change(Person $person, Share $share): Response
    {
        return match (true) {
            $share->owner_id === $person->id => Response::allow(),
            $share->email === $person->email => Response::deny(),
            default => Response::denyAsNotFound(),
        };
    }

    public function end(Person $person, Share $share): Response
    {
        return match (true) {
            $share->owner_id === $person->id => Response::allow(),
            // Pupils stay in what their teacher gave them.
            $share->email === $person->email => $person->pupil_of === null ? Response::allow() : Response::deny(),
            default => Response::denyAsNotFound(),
        };
    }
}
