<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Exchange\Formats;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A file to make a map of; it is the body itself, or came before in pieces. */
final class ImportMap extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:255'],
            'format' => ['nullable', Rule::in(Formats::readable())],
            'upload' => ['nullable', 'string', 'size:26'],
            'folder' => ['nullable', 'string', 'size:26'],
        ];
    }
}
