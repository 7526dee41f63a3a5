<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;
use Illuminate\Foundation\Http\FormRequest;

/** The keys that a person has changed, by action; what they mean is the browser’s business. */
final class KeepKeys extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        $isOfAction = function (string $attribute, mixed $keys, Closure $fail): void {
            foreach (is_array($keys) ? array_keys($keys) : [] as $action) {
                if (preg_match('/\A[a-z][a-z0-9.-]{0,59}\z/D', (string) $action) !== 1) {
                    $fail('Keys belong to actions, and there can be none of this name.');
                }
            }
        };

        return [
            'keys' => ['present', 'array', 'max:400', $isOfAction],
            'keys.*' => ['list', 'max:6'],
            'keys.*.*' => ['string', 'max:40', 'not_regex:/[[:cntrl:]]/'],
        ];
    }
}
