<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Says that somebody has a map open, and where they are in it. */
final class SayWhere extends MapRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'at' => ['present', 'nullable', 'string', 'regex:/\A[0-9a-z]{26}\z/'], 'in' => ['sometimes', 'nullable', 'string', 'in:title,note'], 'caret' => ['sometimes', 'nullable', 'integer', 'min:0', 'max:2000000']];
    }

    /** The topic that they have chosen. */
    public function at(): ?string
    {
        return $this->filled('at') ? (string) $this->string('at') : null;
    }

    /** In which text of it they write. */
    public function in(): ?string
    {
        return $this->filled('in') ? (string) $this->string('in') : null;
    }

    /** Where in that their caret is. */
    public function caret(): ?int
    {
        return $this->filled('caret') && $this->in() !== null ? $this->integer('caret') : null;
    }
}
