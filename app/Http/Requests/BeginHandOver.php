<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Library\Exports;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Map\Ids;
use Closure;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What somebody wants to be handed, as a file that takes a while to make. */
final class BeginHandOver extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        $id = function (string $attribute, mixed $value, Closure $fail): void {
            if (! is_string($value) || ! Ids::valid($value)) {
                $fail('This has to be the id of a topic.');
            }
        };

        return [
            'to' => ['required', 'string', Rule::in(array_diff(Exports::names(), [Exports::ARCHIVE]))],
            'choices' => ['present', 'array', 'max:60'],
            'topic' => ['present', 'nullable', $id],
            'chosen' => ['present', 'list', 'max:10000'],
            'chosen.*' => [$id],
            'gaps' => ['nullable', 'list', 'max:10000'],
            'gaps.*' => [$id],
            'board' => ['required', Rule::enum(BoardTheme::class)],
        ];
    }
}
