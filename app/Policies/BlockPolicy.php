<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Block;
use App\Models\Person;
use Illuminate\Auth\Access\Response;

/** Whom somebody blocks is theirs; for anyone else there is nothing. */
final class BlockPolicy
{
    public function keep(Person $person, Block $block): Response
    {
        return $block->person_id === $person->id ? Response::allow() : Response::denyAsNotFound();
    }
}
