<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Aloud\Speech;
use Closure;
use Illuminate\Foundation\Http\FormRequest;

/** Asks that a text be spoken. */
final class Speak extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(Speech $speech): array
    {
        return [
            'text' => ['required', 'string', 'max:'.Speech::LONGEST],
            'language' => ['required', 'string', 'max:40', function (string $field, mixed $value, Closure $fail) use ($speech): void {
                if (! in_array($value, $speech->languages(), true)) {
                    $fail('This language cannot be spoken here. Choose another one.');
                }
            }],
        ];
    }

    /** What is spoken: no control characters, which mean something to the program. */
    public function text(): string
    {
        return (string) preg_replace('/[\p{Cc}\p{Co}\p{Cs}]+/u', ' ', (string) $this->string('text'));
    }

    public function language(): string
    {
        return (string) $this->string('language');
    }
}
