<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Says that somebody has a map open, and where they are in it. */
final class SayWhere extends MapRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'at' => ['present', 'nullable', 'string', 'regex:/\A[0-9a-z]{26}\z/']];
    }

    /** The topic that they have chosen. */
    public function at(): ?string
    {
        return $this->filled('at') ? (string) $this->string('at') : null;
    }
}
