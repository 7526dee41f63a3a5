<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Person;
use App\Models\ViewingLink;
use Illuminate\Auth\Access\Response;

/** A viewing link is whose map it shows; for anyone else there is nothing to change. */
final class ViewingLinkPolicy
{
    public function keep(Person $person, ViewingLink $link): Response
    {
        return $link->map?->person_id === $person->id ? Response::allow() : Response::denyAsNotFound();
    }
}
