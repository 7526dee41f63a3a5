<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\MapRecord;
use App\Models\Person;
use Illuminate\Auth\Access\Response;

/** Who may do what with a map. To anyone else it looks as if the map did not exist. */
final class MapPolicy
{
    /** To look at it and change it. */
    public function work(Person $person, MapRecord $map): Response
    {
        return match (true) {
            $map->person_id !== $person->id => Response::denyAsNotFound(),
            $map->trashed_at !== null => Response::denyWithStatus(410, 'This map is in the trash. Restore it there to open it.'),
            default => Response::allow(),
        };
    }

    /** To move it to the trash and back. */
    public function keep(Person $person, MapRecord $map): Response
    {
        return $map->person_id === $person->id ? Response::allow() : Response::denyAsNotFound();
    }
}
