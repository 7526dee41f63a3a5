<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** What a version of a map is called; null takes the name away. */
final class NameVersion extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['name' => ['present', 'nullable', 'bail', 'string', 'max:100', 'regex:/^\P{C}+$/uD']];
    }

    public function name(): ?string
    {
        $name = trim((string) $this->string('name'));

        return $name === '' ? null : $name;
    }
}
