<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** From whom somebody wants to hear nothing. */
final class BlockAddress extends SharingRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['email' => self::EMAIL];
    }
}
