<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Map\Ids;
use Closure;
use Illuminate\Foundation\Http\FormRequest;

/** A map, or a branch of it, that gets a page. */
final class PublishMap extends FormRequest
{
    public const LONGEST_NAME = 100;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:'.self::LONGEST_NAME, 'regex:/^\P{C}+$/uD'],
            'topic' => ['present', 'nullable', function (string $attribute, mixed $value, Closure $fail): void {
                if (! is_string($value) || ! Ids::valid($value)) {
                    $fail('This has to be the id of a topic.');
                }
            }],
            'choices' => ['present', 'array', 'max:60'],
            'isFrozen' => ['required', 'boolean:strict'],
        ];
    }

    public function name(): string
    {
        return trim((string) $this->string('name'));
    }

    public function topic(): ?string
    {
        $topic = $this->json('topic');

        return is_string($topic) ? $topic : null;
    }
}
