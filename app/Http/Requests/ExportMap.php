<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Library\Exports;
use ChalkTree\Look\BoardTheme;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A map, or a branch of it, as a file. */
final class ExportMap extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'to' => ['required', Rule::in(Exports::names())],
            'board' => ['nullable', Rule::enum(BoardTheme::class)],
            'as' => ['nullable', Rule::in(['shown', 'unfolded'])],
            'width' => ['nullable', 'integer', 'min:16', 'max:16000'],
            'topic' => ['nullable', 'string', 'size:26'],
        ];
    }
}
