<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\ValidationException;

/** An idea. */
final class SendIdea extends ClassRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['text' => ['required', 'string', 'max:200']];
    }

    public function text(): string
    {
        $text = $this->words('text');

        return $text !== '' ? $text : throw ValidationException::withMessages(['text' => 'Say something first.']);
    }
}
