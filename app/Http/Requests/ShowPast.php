<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A drawing of a map as it was, or as it is now. */
final class ShowPast extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'board' => ['nullable', 'in:day,slate'],
            'show' => ['required', 'in:then,now'],
        ];
    }
}
