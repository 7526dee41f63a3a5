<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\ErrorAnswer;
use App\Models\Person;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Str;
use Illuminate\Validation\Rules\Password as PasswordRule;
use Illuminate\Validation\ValidationException;

/** Registering, signing in and out, and getting back in with a forgotten password. */
final class AccountController
{
    public function show(Request $request): JsonResponse
    {
        $person = $request->user();

        return new JsonResponse(['person' => $person instanceof Person ? $this->data($person) : null, 'demo' => (bool) config('chalk.demo')]);
    }

    public function register(Request $request): JsonResponse
    {
        $request->validate([
            'name' => ['required', 'string', 'max:100'],
            'email' => ['required', 'string', 'email', 'max:200'],
            'password' => ['required', 'string', 'max:200', PasswordRule::min(10)],
        ]);
        $email = mb_strtolower((string) $request->string('email'));
        if (Person::query()->where('email', $email)->exists()) {
            throw ValidationException::withMessages(['email' => 'There is an account with this address already. Sign in, or ask for a new password.']);
        }
        $person = Person::query()->create([
            'name' => (string) $request->string('name'),
            'email' => $email,
            'password' => (string) $request->string('password'),
        ]);

        return $this->enter($request, $person, 201);
    }

    public function signIn(Request $request): JsonResponse
    {
        $request->validate(['email' => ['required', 'string', 'max:200'], 'password' => ['required', 'string', 'max:200']]);
        $known = Auth::attempt(['email' => mb_strtolower((string) $request->string('email')), 'password' => (string) $request->string('password')], true);
        $person = $request->user();
        if (! $known || ! $person instanceof Person) {
            throw ValidationException::withMessages(['email' => 'This address and this password do not go together.']);
        }

        return $this->enter($request, $person);
    }

    /** Opens the demo person's library; only a demo installation has this. */
    public function demo(Request $request): JsonResponse
    {
        abort_unless((bool) config('chalk.demo'), 404);

        return $this->enter($request, Person::query()->where('email', config('chalk.demo_email'))->firstOrFail());
    }

    public function signOut(Request $request): JsonResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new JsonResponse(['person' => null]);
    }

    public function forgot(Request $request): JsonResponse
    {
        $request->validate(['email' => ['required', 'string', 'email', 'max:200']]);
        Password::sendResetLink(['email' => mb_strtolower((string) $request->string('email'))]);

        // The same answer whether the address is known or not, so that nobody can find out who has an account.
        return new JsonResponse(['message' => 'If there is an account with this address, a letter with a link is on its way.']);
    }

    public function reset(Request $request): JsonResponse
    {
        $request->validate([
            'token' => ['required', 'string', 'max:200'],
            'email' => ['required', 'string', 'max:200'],
            'password' => ['required', 'string', 'max:200', PasswordRule::min(10)],
        ]);
        $entered = null;
        $status = Password::reset(
            ['email' => mb_strtolower((string) $request->string('email')), 'token' => (string) $request->string('token'), 'password' => (string) $request->string('password')],
            function (Person $person, string $password) use (&$entered): void {
                $person->password = $password;
                $person->setRememberToken(Str::random(60));
                $person->save();
                $entered = $person;
            },
        );
        if ($status !== Password::PASSWORD_RESET || ! $entered instanceof Person) {
            return ErrorAnswer::answer(422, 'link_spent', 'This link has been used or is too old. Ask for a new one.', 'token');
        }

        return $this->enter($request, $entered);
    }

    private function enter(Request $request, Person $person, int $status = 200): JsonResponse
    {
        Auth::login($person, true);
        $request->session()->regenerate();

        return new JsonResponse(['person' => $this->data($person)], $status);
    }

    /** @return array{name: string, email: string} */
    private function data(Person $person): array
    {
        return ['name' => $person->name, 'email' => $person->email];
    }
}
