<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Person;
use App\Models\Pupil;
use Illuminate\Auth\Access\Response;

/** A pupil is kept by the teacher of the class; for anyone else there is none. */
final class PupilPolicy
{
    public function keep(Person $person, Pupil $pupil): Response
    {
        return $pupil->schoolClass->person_id === $person->id ? Response::allow() : Response::denyAsNotFound();
    }
}
