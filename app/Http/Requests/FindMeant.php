<?php

declare(strict_types=1);

namespace App\Http\Requests;

use ChalkTree\Ask\Said;
use Illuminate\Foundation\Http\FormRequest;

/** Which topics of all maps somebody means, and up to which map they have been told. */
final class FindMeant extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'text' => ['present', 'nullable', 'string', 'max:'.Said::LONGEST],
            'after' => ['sometimes', 'nullable', 'string', 'size:26'],
        ];
    }
}
