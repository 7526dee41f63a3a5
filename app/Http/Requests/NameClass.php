<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** What a class is called, and whether its door is open. */
final class NameClass extends ClassRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['name' => ['sometimes', 'required', 'string', 'max:100'], 'isOpen' => ['sometimes', 'boolean']];
    }

    public function name(): ?string
    {
        return $this->has('name') ? $this->line('name') : null;
    }
}
