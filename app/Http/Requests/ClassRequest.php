<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Edit\Wording;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** Something about a class, its pupils, and what was given to them. */
abstract class ClassRequest extends FormRequest
{
    protected const NAME = ['required', 'string', 'max:60'];

    protected const ID = ['required', 'string', 'regex:/\A[0-9a-z]{26}\z/'];

    /**
     * A name on one line.
     *
     * @throws ValidationException where it is empty
     */
    protected function line(string $field): string
    {
        $line = $this->words($field);

        return $line !== '' ? $line : throw ValidationException::withMessages([$field => 'Say a name.']);
    }

    /** What is said in a field, without blanks around it; empty where nothing is. */
    protected function words(string $field, bool $isLong = false): string
    {
        $words = trim(Wording::clean($this->filled($field) ? (string) $this->string($field) : '', $field));

        return $isLong ? $words : trim((string) preg_replace('/\s+/u', ' ', $words));
    }
}
