<?php

declare(strict_types=1);

namespace App\Account;

use RuntimeException;

/** Somebody who came back from an identity provider could not be let in. The page of signing in has the words for each reason. */
final class NotSignedIn extends RuntimeException
{
    /** @param  'late'|'unverified'|'taken'|'unchecked'|'refused'|'unreachable'  $why */
    public function __construct(public readonly string $why)
    {
        parent::__construct("Not signed in: {$why}.");
    }
}
