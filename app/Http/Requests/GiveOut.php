<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A map that is given out, and what is asked with it. */
final class GiveOut extends ClassRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['map' => self::ID, 'title' => ['present', 'nullable', 'string', 'max:190'], 'question' => ['present', 'nullable', 'string', 'max:1000'], 'due' => ['present', 'nullable', 'string', 'date_format:Y-m-d'], 'byTeam' => ['required', 'boolean']];
    }

    /** @return array{title: string, question: string, due: string|null, byTeam: bool} */
    public function wish(): array
    {
        return ['title' => $this->words('title'), 'question' => $this->words('question', isLong: true), 'due' => $this->filled('due') ? (string) $this->string('due') : null, 'byTeam' => $this->boolean('byTeam')];
    }
}
