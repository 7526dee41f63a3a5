<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Classroom\CopyState;
use Illuminate\Validation\Rule;

/** How far the work on a copy is. */
final class SetCopyState extends ClassRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['state' => ['required', Rule::in(array_column(CopyState::cases(), 'value'))]];
    }

    public function state(): CopyState
    {
        return CopyState::from((string) $this->string('state'));
    }
}
