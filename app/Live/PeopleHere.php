<?php

declare(strict_types=1);

namespace App\Live;

use App\Models\MapRecord;
use App\Sharing\Presence;
use App\Sharing\Role;

/** Tells those who have a map open who else has, where they are, and that something was said. */
final readonly class PeopleHere
{
    public function __construct(private Hub $hub, private Presence $presence)
    {
    }

    public function tell(MapRecord $map): void
    {
        if (! $this->hub->isThere()) {
            return;
        }
        // Where others are may be private; who only looks is told that they are there.
        foreach ([Role::Edit, Role::Comment, Role::View] as $role) {
            $people = ['others' => $this->presence->all($map, $role === Role::Edit)] + ($role === Role::View ? [] : ['talk' => $map->talk]);
            $this->hub->publish(Streams::people($map, $role), json_encode($people, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR));
        }
    }
}
