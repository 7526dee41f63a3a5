<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Look\BoardTheme;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What a person chose for their eyes. */
final class KeepCalm extends FormRequest
{
    private const SIZES = ['usual', 'large', 'larger'];

    private const MOTIONS = ['system', 'less'];

    private const NAMES = ['read', 'said'];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'board' => ['required', Rule::enum(BoardTheme::class)],
            'size' => ['required', Rule::in(self::SIZES)],
            'motion' => ['required', Rule::in(self::MOTIONS)],
            'names' => ['sometimes', 'required', Rule::in(self::NAMES)],
        ];
    }

    /** @return array{board: string, size: string, motion: string, names?: string} */
    public function calm(): array
    {
        return ['board' => (string) $this->json('board'), 'size' => (string) $this->json('size'), 'motion' => (string) $this->json('motion')]
            + ($this->has('names') ? ['names' => (string) $this->json('names')] : []);
    }
}
