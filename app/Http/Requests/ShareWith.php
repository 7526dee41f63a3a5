<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Sharing\Role;
use Illuminate\Validation\Rule;

/** With whom a map or a folder is shared, and what they may. */
final class ShareWith extends SharingRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['email' => self::EMAIL, 'role' => ['required', Rule::in(Role::given())], 'words' => self::WORDS];
    }
}
