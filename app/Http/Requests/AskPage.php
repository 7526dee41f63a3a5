<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Link\Address;
use Closure;
use Illuminate\Foundation\Http\FormRequest;

/** Asks what the page is that a link leads to. */
final class AskPage extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'address' => ['required', 'string', 'max:'.Address::LONGEST, function (string $field, mixed $value, Closure $fail): void {
                if (! is_string($value) || ! Address::isOfWeb($value)) {
                    $fail('This is not the address of a page.');
                }
            }],
            'again' => ['sometimes', 'boolean'],
        ];
    }
}
