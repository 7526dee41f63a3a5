<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Ask\Said;
use Closure;

/** Which table of a map is seen, to what it is narrowed, and of which rows the cells are wanted. */
final class AskTable extends MapRequest
{
    /** Topics of which the cells are asked for at a time. */
    public const MOST = 2_000;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        $id = self::isId();

        return [
            ...parent::rules(),
            'table' => ['sometimes', 'nullable', $id],
            'branch' => ['sometimes', 'nullable', $id],
            'text' => ['sometimes', 'nullable', 'string', 'max:'.Said::LONGEST],
            'topics' => ['sometimes', 'array', 'max:'.self::MOST],
            'topics.*' => [$id],
            'from' => ['sometimes', 'nullable', 'bail', 'string', 'date_format:Y-m-d'],
            'to' => ['required_with:from', 'nullable', 'bail', 'string', 'date_format:Y-m-d', function (string $attribute, mixed $value, Closure $fail): void {
                if (is_string($this->input('from')) && $value < $this->input('from')) {
                    $fail('The last day comes before the first.');
                }
            }],
            'only' => ['sometimes', 'boolean'],
            'known' => ['sometimes', 'nullable', 'string', 'max:64'],
        ];
    }

    public function table(): ?string
    {
        return $this->idOf('table');
    }

    public function branch(): ?string
    {
        return $this->idOf('branch');
    }

    public function text(): string
    {
        return (string) $this->string('text');
    }

    /** @return list<string> */
    public function topics(): array
    {
        return array_values(array_filter((array) $this->input('topics', []), is_string(...)));
    }

    /** @return array{string, string}|null the first and the last day of those that are seen in a calendar */
    public function days(): ?array
    {
        return $this->filled('from') ? [(string) $this->string('from'), (string) $this->string('to')] : null;
    }

    /** Whether nothing but the cells is wanted. */
    public function isOnlyCells(): bool
    {
        return $this->boolean('only');
    }

    public function known(): string
    {
        return (string) $this->string('known');
    }

    private function idOf(string $key): ?string
    {
        $id = $this->input($key);

        return is_string($id) ? $id : null;
    }
}
