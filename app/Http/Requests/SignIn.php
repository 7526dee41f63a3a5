<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** An address and its password. */
final class SignIn extends AccountRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'email' => ['required', 'string', 'max:200'],
            'password' => ['required', 'string', 'max:200'],
        ];
    }
}
