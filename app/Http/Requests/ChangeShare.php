<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Sharing\Role;
use Illuminate\Validation\Rule;

/** What somebody may from now on. */
final class ChangeShare extends SharingRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['role' => ['required', Rule::in(Role::given())]];
    }
}
