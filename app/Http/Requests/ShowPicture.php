<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Look\BoardTheme;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A small picture of a map, on one of the boards. */
final class ShowPicture extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'board' => ['nullable', Rule::enum(BoardTheme::class)],
        ];
    }
}
