<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\HandOutCopy;
use App\Models\Person;
use Illuminate\Auth\Access\Response;

/** A copy is looked through by the teacher of the class, and handed in by those whose it is; for anyone else there is none. */
final class HandOutCopyPolicy
{
    public function keep(Person $person, HandOutCopy $copy): Response
    {
        return $copy->handOut->schoolClass->person_id === $person->id ? Response::allow() : ($this->isOf($person, $copy) ? Response::deny() : Response::denyAsNotFound());
    }

    public function handIn(Person $person, HandOutCopy $copy): Response
    {
        return $this->isOf($person, $copy) ? Response::allow() : ($copy->handOut->schoolClass->person_id === $person->id ? Response::deny() : Response::denyAsNotFound());
    }

    private function isOf(Person $person, HandOutCopy $copy): bool
    {
        return $person->pupil_of !== null && $copy->pupils()->where('pupils.person_id', $person->id)->exists();
    }
}
