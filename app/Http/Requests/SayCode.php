<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A code from an authenticator, or one of those that were written down. */
final class SayCode extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['code' => ['required', 'string', 'max:40']];
    }

    public function code(): string
    {
        return (string) $this->string('code');
    }
}
