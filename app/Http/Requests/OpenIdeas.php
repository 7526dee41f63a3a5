<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Below which topic ideas come, and what is asked. */
final class OpenIdeas extends ClassRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['topic' => self::ID, 'question' => ['present', 'nullable', 'string', 'max:300'], 'isLooked' => ['required', 'boolean']];
    }

    public function question(): string
    {
        return $this->words('question');
    }
}
