<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** What is done with an account once its password was said again. */
final class ConfirmPassword extends SecureRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['password' => self::PASSWORD];
    }
}
