<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Something asked by who may not be signed in. */
abstract class AccountRequest extends FormRequest
{
    /** The address, as it is kept. */
    public function email(): string
    {
        return mb_strtolower(trim((string) $this->string('email')));
    }
}
