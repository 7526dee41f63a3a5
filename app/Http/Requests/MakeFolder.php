<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A new folder: its name, and the one it lies in. */
final class MakeFolder extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:200'],
            'parent' => ['nullable', 'string', 'size:26'],
        ];
    }
}
