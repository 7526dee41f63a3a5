<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\HandOver;
use App\Models\Person;
use Illuminate\Auth\Access\Response;

/** A file that is being made is whose wish it was; to anyone else it is as if it did not exist. */
final class HandOverPolicy
{
    public function fetch(Person $person, HandOver $handOver): Response
    {
        return $handOver->person_id === $person->id ? Response::allow() : Response::denyAsNotFound();
    }
}
