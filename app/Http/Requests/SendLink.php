<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** To whom a viewing link is sent. */
final class SendLink extends SharingRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['email' => self::EMAIL, 'words' => self::WORDS];
    }
}
