<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Person;
use App\Models\Upload;
use Illuminate\Auth\Access\Response;

/** A file on its way is its sender's; to anyone else it is as if it did not exist. */
final class UploadPolicy
{
    public function send(Person $person, Upload $upload): Response
    {
        return $upload->person_id === $person->id ? Response::allow() : Response::denyAsNotFound();
    }
}
