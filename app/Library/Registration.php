<?php

declare(strict_types=1);

namespace App\Library;

use App\Mail\Letter;
use App\Models\Person;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Contracts\Encryption\StringEncrypter;
use Illuminate\Contracts\Mail\Mailer;
use Illuminate\Database\UniqueConstraintViolationException;

/**
 * Makes accounts in two steps, so that each belongs to whoever reads its letters. What is begun is kept nowhere but in
 * the link of the letter, encrypted.
 */
final readonly class Registration
{
    private const HOURS = 24;

    public function __construct(private StringEncrypter $encrypter, private Mailer $mailer)
    {
    }

    /** Sends a letter to an address; to one that has an account, one that says so. */
    public function begin(string $name, string $email): void
    {
        $claim = json_encode(['name' => $name, 'email' => $email, 'until' => CarbonImmutable::now()->addHours(self::HOURS)->getTimestamp()], JSON_THROW_ON_ERROR);
        $link = $this->address('/finish-registration', ['token' => $this->encrypter->encryptString($claim)]);
        $isKnown = Person::query()->where('email', $email)->exists();
        $this->mailer->to($email)->send($isKnown
            ? new Letter('You have a Chalk Tree account', ['Somebody asked to register with this address, which has an account already.', 'Sign in: '.$this->address('/sign-in'), 'Or choose a new password: '.$this->address('/forgot-password'), 'If it was not you, nothing needs to be done.'])
            : new Letter('Finish registering with Chalk Tree', ["Welcome, {$name}. Choose a password and begin:", $link, 'The link holds for a day. If you did not ask for it, nothing needs to be done.']));
    }

    /** Makes the account that a link stands for; null where the link is too old, made up or used. */
    public function finish(string $token, string $password): ?Person
    {
        try {
            $claim = json_decode($this->encrypter->decryptString($token), true);
        } catch (DecryptException) {
            return null;
        }
        if (! is_array($claim) || ! is_string($claim['email'] ?? null) || ! is_string($claim['name'] ?? null) || ($claim['until'] ?? 0) < CarbonImmutable::now()->getTimestamp()) {
            return null;
        }
        if (Person::query()->where('email', $claim['email'])->exists()) {
            return null;
        }
        try {
            return Person::query()->create(['name' => $claim['name'], 'email' => $claim['email'], 'password' => $password]);
        } catch (UniqueConstraintViolationException) {
            return null;
        }
    }

    /** @param  array<string, string>  $query */
    private function address(string $path, array $query = []): string
    {
        // Not from the request's host, which whoever asks can make up.
        return rtrim((string) config('app.url'), '/').$path.($query === [] ? '' : '?'.http_build_query($query));
    }
}
