<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\ValidationException;

/** What is said to all, or to one. */
final class SayToClass extends ClassRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['text' => ['required', 'string', 'max:4000'], 'copy' => ['present', 'nullable', 'string', 'regex:/\A[0-9a-z]{26}\z/']];
    }

    public function text(): string
    {
        $text = $this->words('text', isLong: true);

        return $text !== '' ? $text : throw ValidationException::withMessages(['text' => 'Say something first.']);
    }
}
