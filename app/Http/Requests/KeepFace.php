<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Text\TypeFace;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** The typeface in which a person sees every map; none for the one that each map says. */
final class KeepFace extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['face' => ['present', 'nullable', Rule::in(TypeFace::names())]];
    }
}
