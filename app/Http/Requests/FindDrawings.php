<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Words that lead to drawings. */
final class FindDrawings extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['words' => ['nullable', 'string', 'max:100']];
    }
}
