<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A new address for an account. */
final class ChangeAddress extends SecureRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['email' => ['required', 'string', 'email', 'max:200', 'not_regex:/[[:cntrl:]]/'], 'password' => self::PASSWORD];
    }

    /** An address that was copied from somewhere brings blanks along. */
    protected function prepareForValidation(): void
    {
        if (is_string($email = $this->input('email'))) {
            $this->merge(['email' => trim($email)]);
        }
    }

    public function email(): string
    {
        return mb_strtolower(trim((string) $this->string('email')));
    }
}
