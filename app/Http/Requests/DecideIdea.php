<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Whether an idea that waited comes into the map. */
final class DecideIdea extends ClassRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['isIn' => ['required', 'boolean']];
    }
}
