<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A new map: its name, the starter it begins from, the folder it goes into. */
final class MakeMap extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'title' => ['nullable', 'string', 'max:200'],
            'starter' => ['nullable', 'string', 'max:40'],
            'folder' => ['nullable', 'string', 'size:26'],
        ];
    }
}
