<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\HandOut;
use App\Models\Person;
use Illuminate\Auth\Access\Response;

/** A hand-out is kept by the teacher of the class; for anyone else there is none. */
final class HandOutPolicy
{
    public function keep(Person $person, HandOut $handOut): Response
    {
        return $handOut->schoolClass->person_id === $person->id ? Response::allow() : Response::denyAsNotFound();
    }
}
