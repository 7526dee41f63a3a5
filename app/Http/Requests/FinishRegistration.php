<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rules\Password;

/** What the letter says, and a password. */
final class FinishRegistration extends AccountRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'token' => ['required', 'string', 'max:2000'],
            'password' => ['required', 'string', 'max:200', Password::min(10)],
        ];
    }
}
