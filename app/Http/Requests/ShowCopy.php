<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;

/** Whether all of a class may look at a copy, and whether they are told whose it is. */
final class ShowCopy extends ClassRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['how' => ['present', 'nullable', Rule::in(['named', 'nameless'])]];
    }

    public function how(): ?string
    {
        return $this->filled('how') ? (string) $this->string('how') : null;
    }
}
