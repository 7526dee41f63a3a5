<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A page of the history, from before a number. */
final class ListHistory extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'before' => ['sometimes', 'integer', 'min:1'],
        ];
    }
}
