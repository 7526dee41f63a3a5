<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** What a pupil is called, and in which team they are. */
final class ChangePupil extends ClassRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['name' => self::NAME, 'team' => ['present', 'nullable', 'string', 'max:40']];
    }

    public function name(): string
    {
        return $this->line('name');
    }

    public function team(): ?string
    {
        return $this->words('team') ?: null;
    }
}
