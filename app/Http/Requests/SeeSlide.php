<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Look\BoardTheme;
use ChalkTree\Show\SlideBoard;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A slide, in its own way of showing or in another. */
final class SeeSlide extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'way' => ['nullable', Rule::in(SlideBoard::WAYS)],
            'board' => ['nullable', Rule::enum(BoardTheme::class)],
            'at' => ['nullable', 'integer'],
        ];
    }

    public function way(): ?string
    {
        return $this->filled('way') ? (string) $this->string('way') : null;
    }

    public function board(): BoardTheme
    {
        return BoardTheme::tryFrom((string) $this->string('board')) ?? BoardTheme::Day;
    }
}
