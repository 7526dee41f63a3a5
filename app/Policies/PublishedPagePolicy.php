<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Person;
use App\Models\PublishedPage;
use Illuminate\Auth\Access\Response;

/** A page is changed and withdrawn by whose map it shows; for anyone else there is nothing to change. */
final class PublishedPagePolicy
{
    public function keep(Person $person, PublishedPage $page): Response
    {
        return $page->map?->person_id === $person->id ? Response::allow() : Response::denyAsNotFound();
    }
}
