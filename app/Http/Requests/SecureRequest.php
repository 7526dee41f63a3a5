<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Person;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/** Something about an account for which its password is asked once more. */
abstract class SecureRequest extends FormRequest
{
    /** Wrong passwords for one account a minute, by whoever is in. */
    private const MOST_TRIES = 10;

    protected const PASSWORD = ['required', 'string', 'max:200'];

    /**
     * @throws ValidationException where the password is another
     * @throws TooManyRequestsHttpException where too many were tried
     */
    public function checkPassword(Person $person): void
    {
        $key = "password of {$person->id}";
        if (RateLimiter::tooManyAttempts($key, self::MOST_TRIES)) {
            throw new TooManyRequestsHttpException(RateLimiter::availableIn($key));
        }
        if (! Hash::check((string) $this->string('password'), $person->password)) {
            RateLimiter::hit($key);
            throw ValidationException::withMessages(['password' => 'This is not your password.']);
        }
    }
}
