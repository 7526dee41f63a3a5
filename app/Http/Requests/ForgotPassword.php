<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** The address of who has forgotten a password. */
final class ForgotPassword extends AccountRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'email' => ['required', 'string', 'email', 'max:200', 'not_regex:/[[:cntrl:]]/'],
        ];
    }
}
