<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** The topic of a part that is given now. */
final class GivePart extends ClassRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['topic' => self::ID];
    }
}
