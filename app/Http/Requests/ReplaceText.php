<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** What is put in place of what was found, and at which hits. */
final class ReplaceText extends FindText
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'find' => ['required', 'array'],
            'with' => ['present', 'nullable', 'string', 'max:2000'],
            'hits' => ['required', 'array', 'min:1', 'max:2000'],
            'hits.*' => ['list', 'max:10000'],
            // Two ids, a sort of row with a field that may be an id too, and a number.
            'hits.*.*' => ['string', 'max:160'],
        ];
    }
}
