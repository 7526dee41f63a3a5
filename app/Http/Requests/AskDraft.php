<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Which branch of a map is the draft, and in which section of it one writes. */
final class AskDraft extends MapRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'branch' => ['required', 'bail', 'string', self::isId()], 'topic' => ['required', 'bail', 'string', self::isId()]];
    }

    public function branch(): string
    {
        return (string) $this->string('branch');
    }

    public function topic(): string
    {
        return (string) $this->string('topic');
    }
}
