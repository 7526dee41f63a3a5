<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** What somebody is called. */
final class ChangeName extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['name' => ['required', 'string', 'max:100', 'not_regex:/[[:cntrl:]]/']];
    }

    public function name(): string
    {
        return trim((string) $this->string('name'));
    }
}
