<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Map\Bounds;

/** A text file that is to become a note: its bytes are the body, its name and the day of its last change are said in the address. */
final class ReadText extends MapRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'name' => ['required', 'bail', 'string', 'max:500'], 'changed' => ['sometimes', 'nullable', 'bail', 'string', 'date_format:Y-m-d']];
    }

    public function name(): string
    {
        return (string) $this->string('name');
    }

    public function day(): ?string
    {
        return is_string($this->query('changed')) && $this->query('changed') !== '' ? $this->query('changed') : null;
    }

    /** @throws UnreadableFile where it is longer than a note can be */
    public function bytes(): string
    {
        if ((int) $this->header('Content-Length') > 2 * Bounds::LONGEST_NOTE) {
            throw new UnreadableFile('It is longer than a note can be.');
        }

        return (string) $this->getContent();
    }
}
