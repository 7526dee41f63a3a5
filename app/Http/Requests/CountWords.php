<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A piece of a draft of which the words are counted. */
final class CountWords extends MapRequest
{
    /** Letters of one. */
    private const LONGEST = 400_000;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'text' => ['present', 'nullable', 'string', 'max:'.self::LONGEST]];
    }

    public function text(): string
    {
        return (string) $this->string('text');
    }
}
