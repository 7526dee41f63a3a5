<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Sharing\Role;
use ChalkTree\Edit\Wording;
use Illuminate\Foundation\Http\FormRequest;

/** Something about who may open what. */
abstract class SharingRequest extends FormRequest
{
    protected const EMAIL = ['required', 'string', 'email:rfc', 'max:200'];

    protected const WORDS = ['sometimes', 'nullable', 'string', 'max:400'];

    /** An address that was copied from somewhere brings blanks along. */
    protected function prepareForValidation(): void
    {
        if (is_string($email = $this->input('email'))) {
            $this->merge(['email' => trim($email)]);
        }
    }

    /** The address, as it is kept. */
    public function email(): string
    {
        return mb_strtolower(trim((string) $this->string('email')));
    }

    public function role(): Role
    {
        return Role::from((string) $this->string('role'));
    }

    /** What is said to it, in one paragraph. */
    public function words(): string
    {
        return $this->filled('words') ? Wording::clean((string) $this->string('words'), 'words') : '';
    }
}
