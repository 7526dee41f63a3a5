<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Folder;
use App\Models\Person;
use Illuminate\Auth\Access\Response;

/** Who may do what with a folder. To anyone else it looks as if it did not exist. */
final class FolderPolicy
{
    public function keep(Person $person, Folder $folder): Response
    {
        return $folder->person_id === $person->id ? Response::allow() : Response::denyAsNotFound();
    }
}
