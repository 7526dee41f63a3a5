<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** The section of a draft in which one writes. */
final class AskHand extends MapRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'topic' => ['required', 'bail', 'string', self::isId()]];
    }

    public function topic(): string
    {
        return (string) $this->string('topic');
    }
}
