<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Another password. */
final class ChangePassword extends SecureRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['password' => self::PASSWORD, 'next' => ['required', 'string', 'min:10', 'max:200']];
    }

    public function next(): string
    {
        return (string) $this->string('next');
    }
}
