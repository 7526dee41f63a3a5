<?php

declare(strict_types=1);

namespace App\Account;

use App\Mail\Letter;
use App\Models\Block;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\Share;
use ChalkTree\Edit\InvalidEdit;
use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Contracts\Encryption\StringEncrypter;
use Illuminate\Contracts\Mail\Mailer;
use Illuminate\Database\Connection;

/**
 * Changes the address of an account, once its letters are read at the new one. What is shared with the account goes
 * along, as it was given to whoever has it; what is begun is kept nowhere but in the link of the letter, encrypted.
 */
final readonly class AddressChange
{
    private const HOURS = 24;

    public function __construct(private Connection $database, private StringEncrypter $encrypter, private Mailer $mailer)
    {
    }

    /** Sends a letter to the new address; to one that has an account, one that says so. */
    public function begin(Person $person, string $email): void
    {
        if ($email === $person->email) {
            throw new InvalidEdit('This is your address already.', 'email');
        }
        if (Person::query()->where('email', $email)->exists()) {
            // Whoever asks is not told who has an account.
            $this->mailer->to($email)->send(new Letter('You have a Chalk Tree account', ['Somebody wished to use this address for another account. It stays with yours, and nothing needs to be done.']));

            return;
        }
        $claim = json_encode(['change' => $person->id, 'from' => $person->email, 'to' => $email, 'as' => self::sealOf($person), 'until' => now()->getTimestamp() + self::HOURS * 3600], JSON_THROW_ON_ERROR);
        $link = rtrim((string) config('app.url'), '/').'/confirm-address?'.http_build_query(['token' => $this->encrypter->encryptString($claim)]);
        $this->mailer->to($email)->send(new Letter('Confirm your new address', ["Hello {$person->name}. From now on this is the address of your Chalk Tree account, once you open this link:", $link, 'It holds for a day. If you did not ask for it, nothing needs to be done.']));
    }

    /** Another one with another password: whoever knew the old one has begun nothing that goes on. */
    private static function sealOf(Person $person): string
    {
        return hash('sha256', $person->password);
    }

    /** Whether the address has changed; not where the link is too old, made up or used. */
    public function finish(string $token): bool
    {
        try {
            $claim = json_decode($this->encrypter->decryptString($token), true);
        } catch (DecryptException) {
            return false;
        }
        if (! is_array($claim) || ! is_int($claim['change'] ?? null) || ! is_string($claim['from'] ?? null) || ! is_string($claim['to'] ?? null) || ! is_string($claim['as'] ?? null) || ($claim['until'] ?? 0) < now()->getTimestamp()) {
            return false;
        }
        [$from, $to] = [$claim['from'], $claim['to']];
        $isDone = $this->database->transaction(function () use ($claim, $from, $to): bool {
            Person::query()->whereKey($claim['change'])->lockForUpdate()->value('id');
            $person = Person::query()->whereKey($claim['change'])->where('email', $from)->first();
            if ($person === null || ! hash_equals(self::sealOf($person), $claim['as']) || Person::query()->where('email', $to)->exists()) {
                return false;
            }
            // What was shared with the new address before stands where it does not with the old one.
            $known = Share::query()->where('email', $to)->get();
            foreach (Share::query()->where('email', $from)->get() as $share) {
                $same = $known->first(fn (Share $one): bool => $one->map_id === $share->map_id && $one->folder_id === $share->folder_id);
                $same === null ? $share->update(['email' => $to]) : $share->delete();
            }
            Share::query()->where('owner_id', $person->id)->where('email', $to)->delete();
            MapRecord::query()->where('offered_to', $from)->update(['offered_to' => $to]);
            Block::query()->where('email', $from)->whereNotIn('person_id', Block::query()->where('email', $to)->select('person_id'))->update(['email' => $to]);
            Block::query()->where('person_id', $person->id)->where('email', $to)->delete();
            $person->forceFill(['email' => $to])->save();

            return true;
        });
        if ($isDone) {
            $this->mailer->to($from)->send(new Letter('Your address was changed', ["From now on your Chalk Tree account has the address {$to}.", 'If that was not you, choose a new password at once and tell whoever runs this server.']));
        }

        return $isDone;
    }
}
