<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Idea;
use App\Models\Person;
use Illuminate\Auth\Access\Response;

/** An idea that waits is decided on by those who work in the map; for anyone else there is none. */
final class IdeaPolicy
{
    public function decide(Person $person, Idea $idea): Response
    {
        return $person->can('work', $idea->box->map) ? Response::allow() : Response::denyAsNotFound();
    }
}
