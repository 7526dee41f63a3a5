<?php

declare(strict_types=1);

namespace App\Policies;

use App\Library\Exports;
use App\Models\HandOver;
use App\Models\MapRecord;
use App\Models\Person;
use App\Sharing\Access;
use App\Sharing\Role;
use Illuminate\Auth\Access\Response;

/** A file that is being made is whose wish it was, for as long as they may have it; to anyone else it is as if it did not exist. */
final readonly class HandOverPolicy
{
    public function __construct(private Access $access)
    {
    }

    public function fetch(Person $person, HandOver $handOver): Response
    {
        $map = $handOver->person_id === $person->id ? MapRecord::query()->find($handOver->map_id) : null;
        $role = $map === null ? null : $this->access->role($person, $map);

        return $role?->isAtLeast(Exports::isComplete($handOver->to) ? Role::Edit : Role::View) === true ? Response::allow() : Response::denyAsNotFound();
    }
}
