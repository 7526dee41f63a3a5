<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Carbon\CarbonImmutable;
use Illuminate\Foundation\Http\FormRequest;

/** What a viewing link is to show, and for how long. */
final class MakeLink extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'topic' => ['present', 'nullable', 'string', 'regex:/\A[0-9a-z]{26}\z/'],
            // What is no day at all is not read as one, and the hash of a password takes no null character.
            'until' => ['bail', 'present', 'nullable', 'string', 'regex:/\A20[0-9]{2}-[0-9]{2}-[0-9]{2}\z/', 'date_format:Y-m-d'],
            'password' => ['bail', 'present', 'nullable', 'string', 'min:4', 'max:72', 'not_regex:/\x00/'],
            'notes' => ['required', 'boolean:strict'],
            'files' => ['required', 'boolean:strict'],
            'copying' => ['required', 'boolean:strict'],
        ];
    }

    /** @return array{topic: string|null, until: int|null, password: string|null, notes: bool, files: bool, copying: bool} */
    public function wish(): array
    {
        return [
            'topic' => $this->filled('topic') ? (string) $this->string('topic') : null,
            // To the end of that day.
            'until' => $this->filled('until') ? (CarbonImmutable::createFromFormat('!Y-m-d', (string) $this->string('until'))?->endOfDay()->getTimestamp() ?? 0) : null,
            'password' => $this->filled('password') ? (string) $this->string('password') : null,
            'notes' => $this->boolean('notes'), 'files' => $this->boolean('files'), 'copying' => $this->boolean('copying'),
        ];
    }
}
