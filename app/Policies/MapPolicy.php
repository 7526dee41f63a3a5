<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\MapRecord;
use App\Models\Person;
use App\Sharing\Access;
use App\Sharing\Role;
use Illuminate\Auth\Access\Response;

/**
 * Who may do what with a map. To anyone with whom it is not shared it looks as if the map did not exist; a map in the
 * trash is there for its owner only.
 */
final readonly class MapPolicy
{
    public function __construct(private Access $access)
    {
    }

    /** To look at what may leave it. */
    public function read(Person $person, MapRecord $map): Response
    {
        return $this->open($person, $map, Role::View);
    }

    /** To say something about what they see of it. */
    public function comment(Person $person, MapRecord $map): Response
    {
        return $this->open($person, $map, Role::Comment);
    }

    /** To look at all of it and change it. */
    public function work(Person $person, MapRecord $map): Response
    {
        return $this->open($person, $map, Role::Edit);
    }

    /** To say who may do what, to show it to everybody, and to throw away for good. */
    public function own(Person $person, MapRecord $map): Response
    {
        return $this->open($person, $map, Role::Owner);
    }

    /** To move it to the trash and back. */
    public function keep(Person $person, MapRecord $map): Response
    {
        return match ($this->access->role($person, $map)) {
            null => Response::denyAsNotFound(),
            Role::Owner => Response::allow(),
            default => $map->trashed_at === null ? Response::deny() : Response::denyAsNotFound(),
        };
    }

    /** To see the small picture of it: its owner in the trash too. */
    public function glance(Person $person, MapRecord $map): Response
    {
        return $map->person_id === $person->id ? Response::allow() : $this->open($person, $map, Role::View);
    }

    private function open(Person $person, MapRecord $map, Role $least): Response
    {
        $role = $this->access->role($person, $map);

        return match (true) {
            $role === null, $map->trashed_at !== null && $role !== Role::Owner => Response::denyAsNotFound(),
            $map->trashed_at !== null => Response::denyWithStatus(410, 'This map is in the trash. Restore it there to open it.'),
            $role->isAtLeast($least) => Response::allow(),
            default => Response::deny(),
        };
    }
}
