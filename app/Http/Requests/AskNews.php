<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Asks what is new since the latest edit that the browser knows. */
final class AskNews extends MapRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'since' => ['required', 'integer', 'min:0'],
            'at' => ['sometimes', 'nullable', 'string', 'regex:/\A[0-9a-z]{26}\z/'],
            'listening' => ['sometimes', 'boolean'],
        ];
    }

    /** The topic that whoever asks has chosen. */
    public function at(): ?string
    {
        return $this->filled('at') ? (string) $this->string('at') : null;
    }
}
