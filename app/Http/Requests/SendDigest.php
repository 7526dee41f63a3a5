<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** To whom a digest is sent. */
final class SendDigest extends MapRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'to' => ['required', 'string', 'email:rfc', 'max:200'], 'trail' => ['sometimes', 'boolean']];
    }
}
