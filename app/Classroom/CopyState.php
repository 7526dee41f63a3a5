<?php

declare(strict_types=1);

namespace App\Classroom;

use App\Sharing\Role;

/** How far the work on a copy is. */
enum CopyState: string
{
    /** It is worked on. */
    case Open = 'open';

    /** It was handed in, and stays as it is until it is given back. */
    case In = 'in';

    /** It was looked at and given back, and can be worked on again. */
    case Back = 'back';

    /** What its pupils may do in it. */
    public function role(): Role
    {
        return $this === self::In ? Role::Comment : Role::Edit;
    }
}
