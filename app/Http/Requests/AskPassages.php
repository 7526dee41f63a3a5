<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Story\Passages;

/** By which word passages of notes are marked, and in which branch. */
final class AskPassages extends MapRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'mark' => ['required', 'bail', 'string', 'max:'.Passages::LONGEST, 'regex:/^\P{C}*[\p{L}\p{N}]\P{C}*$/u'], 'branch' => ['sometimes', 'nullable', self::isId()]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['mark' => 'A mark is a word of at most '.Passages::LONGEST.' letters.'];
    }

    public function mark(): string
    {
        return trim((string) $this->string('mark'));
    }

    public function branch(): ?string
    {
        return is_string($this->input('branch')) ? $this->input('branch') : null;
    }
}
