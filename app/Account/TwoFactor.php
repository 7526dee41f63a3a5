<?php

declare(strict_types=1);

namespace App\Account;

use App\Models\Person;
use ChalkTree\Edit\InvalidEdit;
use Illuminate\Database\Connection;

/** Signing in with a code besides the password: from an authenticator, or one of ten that were written down for when it is lost. */
final readonly class TwoFactor
{
    private const CODES = 10;

    private const ISSUER = 'Chalk Tree';

    public function __construct(private Connection $database)
    {
    }

    public static function isOn(Person $person): bool
    {
        return $person->two_factor_since !== null;
    }

    /** @return array{secret: string, address: string} a secret that holds once a code of it was shown */
    public function begin(Person $person): array
    {
        if (self::isOn($person)) {
            throw new InvalidEdit('Codes are asked for already.', 'code');
        }
        $secret = TimeCodes::secret();
        $person->forceFill(['two_factor' => $secret, 'two_factor_step' => null])->save();

        return ['secret' => $secret, 'address' => TimeCodes::address($secret, $person->email, self::ISSUER)];
    }

    /** @return list<string> the codes to be written down, which are told once */
    public function confirm(Person $person, string $code): array
    {
        if (self::isOn($person) || $person->two_factor === null) {
            throw new InvalidEdit('Begin anew: there is nothing to be confirmed.', 'code');
        }
        $step = TimeCodes::step($person->two_factor, self::digits($code), now()->getTimestamp(), null);
        if ($step === null) {
            throw new InvalidEdit('This is not the code of now. Look at it once more, and at the clock of the phone.', 'code');
        }
        $person->forceFill(['two_factor_since' => now()->getTimestamp(), 'two_factor_step' => $step])->save();

        return $this->renew($person);
    }

    /** @return list<string> */
    public function renew(Person $person): array
    {
        $codes = array_map(fn (): string => substr(bin2hex(random_bytes(5)), 0, 10), range(1, self::CODES));
        $person->forceFill(['recovery' => array_map(fn (string $code): string => hash('sha256', $code), $codes)])->save();

        return array_map(fn (string $code): string => substr($code, 0, 5).'-'.substr($code, 5), $codes);
    }

    public function end(Person $person): void
    {
        $person->forceFill(['two_factor' => null, 'two_factor_since' => null, 'two_factor_step' => null, 'recovery' => null])->save();
    }

    /** Whether a code is right: each holds once, whoever sends it twice at the same moment. */
    public function check(Person $person, string $code): bool
    {
        return $this->database->transaction(function () use ($person, $code): bool {
            Person::query()->whereKey($person->id)->lockForUpdate()->value('id');
            $now = Person::query()->whereKey($person->id)->firstOrFail();
            if (! self::isOn($now) || $now->two_factor === null) {
                return false;
            }
            $step = TimeCodes::step($now->two_factor, self::digits($code), now()->getTimestamp(), $now->two_factor_step);
            if ($step !== null) {
                return $now->forceFill(['two_factor_step' => $step])->save();
            }
            $hash = hash('sha256', (string) preg_replace('/[^0-9a-f]/', '', mb_strtolower($code)));
            $left = array_values(array_filter($now->recovery ?? [], fn (string $one): bool => ! hash_equals($one, $hash)));

            return count($left) < count($now->recovery ?? []) && $now->forceFill(['recovery' => $left])->save();
        });
    }

    private static function digits(string $code): string
    {
        return (string) preg_replace('/\D/', '', $code);
    }
}
