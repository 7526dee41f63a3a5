<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Which map somebody asks to be let into. */
final class AskAccess extends SharingRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['map' => ['required', 'string', 'regex:/\A[0-9a-z]{26}\z/'], 'words' => self::WORDS];
    }
}
