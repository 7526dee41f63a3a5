<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Another name for a folder, or another place. */
final class ChangeFolder extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => ['sometimes', 'required', 'string', 'max:200'],
            'parent' => ['sometimes', 'nullable', 'string', 'size:26'],
        ];
    }
}
