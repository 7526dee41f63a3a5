<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Where a map lies, and whether it is a favourite or a starter. */
final class ChangeMap extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'folder' => ['sometimes', 'nullable', 'string', 'size:26'],
            'favourite' => ['sometimes', 'boolean'],
            'starter' => ['sometimes', 'boolean'],
        ];
    }
}
