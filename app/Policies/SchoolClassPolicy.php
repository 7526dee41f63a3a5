<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Person;
use App\Models\SchoolClass;
use Illuminate\Auth\Access\Response;

/** A class is its teacher's alone; for anyone else there is none. */
final class SchoolClassPolicy
{
    public function keep(Person $person, SchoolClass $class): Response
    {
        return $class->person_id === $person->id ? Response::allow() : Response::denyAsNotFound();
    }
}
