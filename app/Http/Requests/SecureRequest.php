<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Person;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Hash;
use Illuminate\Validation\ValidationException;

/** Something about an account for which its password is asked once more. */
abstract class SecureRequest extends FormRequest
{
    protected const PASSWORD = ['required', 'string', 'max:200'];

    /**
     * @throws ValidationException where the password is another
     */
    public function checkPassword(Person $person): void
    {
        if (! Hash::check((string) $this->string('password'), $person->password)) {
            throw ValidationException::withMessages(['password' => 'This is not your password.']);
        }
    }
}
