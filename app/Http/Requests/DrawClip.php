<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Lines of which a drawing is wanted, and what they shall become. */
final class DrawClip extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'board' => ['nullable', 'in:day,slate'],
            'as' => ['required', 'in:branches,paragraphs,one'],
        ];
    }
}
