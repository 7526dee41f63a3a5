<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** The time zone in which a person lives, by its name. */
final class KeepZone extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['zone' => ['required', 'string', 'max:64', 'timezone:all_with_bc']];
    }
}
