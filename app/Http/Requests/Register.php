<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Who wants an account. */
final class Register extends AccountRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:100', 'not_regex:/[[:cntrl:]]/'],
            'email' => ['required', 'string', 'email', 'max:200', 'not_regex:/[[:cntrl:]]/'],
        ];
    }
}
