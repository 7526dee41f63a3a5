<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** To whom a map is offered; null takes the offer back. */
final class OfferMap extends SharingRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['email' => ['present', 'nullable', 'string', 'email:rfc', 'max:200']];
    }

    /** Null where it is offered to nobody. */
    public function receiver(): ?string
    {
        return $this->filled('email') ? $this->email() : null;
    }
}
