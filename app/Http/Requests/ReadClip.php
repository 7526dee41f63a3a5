<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** What was in the clipboard, to be read into lines. */
final class ReadClip extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'text' => ['present', 'nullable', 'string'],
            'html' => ['sometimes', 'nullable', 'string'],
            'source' => ['sometimes', 'nullable', 'string', 'max:2000'],
            'headings' => ['sometimes', 'boolean'],
        ];
    }
}
