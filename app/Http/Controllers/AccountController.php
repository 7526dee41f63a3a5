<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Account\OpenId;
use App\Account\SignIns;
use App\Account\TwoFactor;
use App\Http\ErrorAnswer;
use App\Http\Loopback;
use App\Http\Requests\AccountRequest;
use App\Http\Requests\FinishRegistration;
use App\Http\Requests\ForgotPassword;
use App\Http\Requests\KeepCalm;
use App\Http\Requests\KeepFace;
use App\Http\Requests\KeepKeys;
use App\Http\Requests\KeepZone;
use App\Http\Requests\Register;
use App\Http\Requests\ResetPassword;
use App\Http\Requests\SayCode;
use App\Http\Requests\SignIn;
use App\Library\Registration;
use App\Mail\Outbox;
use App\Models\Person;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/** Registering, signing in and out, and getting back in with a forgotten password. */
final readonly class AccountController
{
    /** Who has said their password, and is still to say a code. */
    private const WAITS = 'waits for a code';

    /** Seconds that they have for it. */
    private const PATIENCE = 600;

    /** Tries a minute at one address. */
    private const MOST_TRIES = 10;

    /** Codes that are tried for one account in that time. */
    private const MOST_CODES = 20;

    /** The end of a hash of a password that nobody has, so that an unknown address takes as long as a known one. */
    private const NOBODY = 'YcJLyf97.UGBKMzkl/TO0O8Y4jpuK4t4TYK6Wng.5W22ukLtSmx8K';

    public function __construct(private Outbox $outbox)
    {
    }

    public function show(Request $request): JsonResponse
    {
        $person = $request->user();

        return new JsonResponse(['person' => $person instanceof Person ? $this->data($person) : null, 'demo' => Loopback::hasDemo($request), 'provider' => OpenId::name()]);
    }

    /** Keeps the keys that a person has changed, all of them at once; what they mean is the browser's business. */
    public function keys(KeepKeys $request, #[CurrentUser] Person $person): JsonResponse
    {
        $keys = (array) $request->json('keys');
        $person->forceFill(['keys' => $keys === [] ? null : $keys])->save();

        return new JsonResponse(['person' => $this->data($person)]);
    }

    /** Keeps the typeface in which a person sees every map. */
    public function face(KeepFace $request, #[CurrentUser] Person $person): JsonResponse
    {
        $person->forceFill(['face' => $request->json('face')])->save();

        return new JsonResponse(['person' => $this->data($person)]);
    }

    /** Keeps what a person chose for their eyes. */
    public function calm(KeepCalm $request, #[CurrentUser] Person $person): JsonResponse
    {
        $person->forceFill(['calm' => $request->calm()])->save();

        return new JsonResponse(['person' => $this->data($person)]);
    }

    /** Keeps the time zone in which a person lives, so that days begin and end as they do there. */
    public function zone(KeepZone $request, #[CurrentUser] Person $person): JsonResponse
    {
        $person->forceFill(['zone' => $request->json('zone')])->save();

        return new JsonResponse(['person' => $this->data($person)]);
    }

    /** Sends a letter from which registering is finished; the answer is the same whether there is an account or not. */
    public function register(Register $request, Registration $registration): JsonResponse
    {
        $email = $this->email($request);
        $registration->begin(trim((string) $request->string('name')), $email);

        return $this->letter($request, $email, 'A letter with a link is on its way. Open it to choose a password and begin.');
    }

    public function finish(FinishRegistration $request, Registration $registration): JsonResponse
    {
        $this->count($request, 'finish');
        $person = $registration->finish((string) $request->string('token'), (string) $request->string('password'));

        return $person === null ? $this->spent() : $this->enter($request, $person, 201);
    }

    public function signIn(SignIn $request): JsonResponse
    {
        $person = Person::query()->where('email', $this->email($request))->first();
        $isRight = Hash::check((string) $request->string('password'), $person->password ?? sprintf('$2y$%02d$%s', config('hashing.bcrypt.rounds', 12), self::NOBODY));
        if (! $isRight || $person === null) {
            throw ValidationException::withMessages(['email' => 'This address and this password do not go together.']);
        }

        return $this->enter($request, $person);
    }

    /** Opens the demo person's library; only a demo installation has this. */
    public function demo(Request $request): JsonResponse
    {
        abort_unless(Loopback::hasDemo($request), 404);

        return $this->enter($request, Person::query()->where('email', config('chalk.demo_email'))->firstOrFail());
    }

    public function signOut(Request $request, SignIns $signIns): JsonResponse
    {
        $signIns->leave($request->session());
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new JsonResponse(['person' => null]);
    }

    public function forgot(ForgotPassword $request): JsonResponse
    {
        $email = $this->email($request);
        if (Password::sendResetLink(['email' => $email]) === Password::INVALID_USER) {
            // A token of an account takes a hash; nobody shall tell from the time that none was made.
            Hash::make($email);
        }

        // The same answer whether the address is known or not, so that nobody can find out who has an account.
        return $this->letter($request, $email, 'If there is an account with this address, a letter with a link is on its way.');
    }

    public function reset(ResetPassword $request): JsonResponse
    {
        $entered = null;
        $status = Password::reset(
            ['email' => $this->email($request), 'token' => (string) $request->string('token'), 'password' => (string) $request->string('password')],
            function (Person $person, string $password) use (&$entered): void {
                $person->password = $password;
                $person->setRememberToken(Str::random(60));
                $person->save();
                $entered = $person;
            },
        );

        return $status === Password::PASSWORD_RESET && $entered instanceof Person ? $this->enter($request, $entered) : $this->spent();
    }

    private function spent(): JsonResponse
    {
        return ErrorAnswer::answer(422, 'link_spent', 'This link has been used or is too old. Ask for a new one.', 'token');
    }

    /** The address in a request; each can be tried only so often from one place. */
    private function email(AccountRequest $request): string
    {
        $email = $request->email();
        $this->count($request, $email);

        return $email;
    }

    private function count(Request $request, string $what): void
    {
        $this->limit('account '.$request->path().' '.hash('xxh128', $what.' '.$request->ip()), self::MOST_TRIES, 60);
    }

    private function limit(string $key, int $most, int $seconds): void
    {
        if (! RateLimiter::attempt($key, $most, fn (): bool => true, $seconds)) {
            throw new TooManyRequestsHttpException(RateLimiter::availableIn($key));
        }
    }

    /** Where mail goes nowhere and nobody else is on the machine, the letter is shown at once. */
    private function letter(Request $request, string $email, string $message): JsonResponse
    {
        return new JsonResponse(['message' => $message, 'letter' => Loopback::holds($request) ? $this->outbox->latest($email) : null]);
    }

    /** The second half of signing in, where a code is asked for. */
    public function sayCode(SayCode $request, TwoFactor $twoFactor): JsonResponse
    {
        $waits = $request->session()->get(self::WAITS);
        $person = is_array($waits) && ($waits['until'] ?? 0) >= now()->getTimestamp() ? Person::query()->whereKey($waits['person'] ?? 0)->first() : null;
        if ($person === null) {
            return ErrorAnswer::answer(422, 'code_late', 'This took too long. Sign in once more.', 'password');
        }
        // A code is short, so that tries are counted for the account, wherever they come from.
        $this->limit("codes of {$person->id}", self::MOST_CODES, self::PATIENCE);
        if (! $twoFactor->check($person, $request->code())) {
            throw ValidationException::withMessages(['code' => 'This code is not right, or was used before.']);
        }
        $request->session()->forget(self::WAITS);

        return $this->welcome($request, $person->refresh(), 200);
    }

    private function enter(Request $request, Person $person, int $status = 200): JsonResponse
    {
        if (TwoFactor::isOn($person)) {
            $request->session()->put(self::WAITS, ['person' => $person->id, 'until' => now()->getTimestamp() + self::PATIENCE]);

            return new JsonResponse(['person' => null, 'wants' => 'code']);
        }

        return $this->welcome($request, $person, $status);
    }

    private function welcome(Request $request, Person $person, int $status): JsonResponse
    {
        Auth::login($person, true);
        $request->session()->regenerate();

        return new JsonResponse(['person' => $this->data($person)], $status);
    }

    /** @return array{name: string, email: string, keys: object, face: string|null, calm: array{board: string, size: string, motion: string, names?: string}|null, zone: string|null, isPupil: bool} */
    private function data(Person $person): array
    {
        return ['name' => $person->name, 'email' => $person->email, 'keys' => (object) ($person->keys ?? []), 'face' => $person->face?->value, 'calm' => $person->calm, 'zone' => $person->zone, 'isPupil' => $person->pupil_of !== null];
    }
}
