<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** What one has typed so far, and the map that is open. */
final class QuickFind extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'words' => ['present', 'nullable', 'string', 'max:200'],
            'map' => ['sometimes', 'string', 'size:26'],
        ];
    }
}
