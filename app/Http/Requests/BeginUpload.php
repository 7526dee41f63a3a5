<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Map\Ids;
use Closure;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A file that will come in pieces. */
final class BeginUpload extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'id' => ['required', 'string', function (string $field, mixed $value, Closure $fail): void {
                if (! is_string($value) || ! Ids::valid($value)) {
                    $fail('The id of a file has to be 26 letters and digits.');
                }
            }],
            'name' => ['required', 'string', 'max:1000'],
            'bytes' => ['required', 'integer:strict', 'min:0'],
            'for' => ['nullable', Rule::in(['file', 'map'])],
        ];
    }
}
