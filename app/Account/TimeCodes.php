<?php

declare(strict_types=1);

namespace App\Account;

/** Codes that an authenticator makes of a secret and the time (RFC 6238 with SHA-1, six digits, thirty seconds; RFC 4226). */
final class TimeCodes
{
    /** Seconds for which one holds. */
    private const STEP = 30;

    private const DIGITS = 6;

    /** Bytes, as RFC 4226 recommends. */
    private const SECRET = 20;

    /** How far the clock of a phone may be off, in steps. */
    private const DRIFT = 1;

    /** RFC 4648. */
    private const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    /** A new secret, in Base32. */
    public static function secret(): string
    {
        return self::base32(random_bytes(self::SECRET));
    }

    /** The address by which authenticators take a secret in (the "Key Uri Format" that they share). */
    public static function address(string $secret, string $account, string $issuer): string
    {
        return 'otpauth://totp/'.rawurlencode("{$issuer}:{$account}").'?'.http_build_query(['secret' => $secret, 'issuer' => $issuer, 'algorithm' => 'SHA1', 'digits' => self::DIGITS, 'period' => self::STEP]);
    }

    /** The step of time whose code this is; null where it is none of those around now, or of one that was used before. */
    public static function step(string $secret, string $code, int $now, ?int $used): ?int
    {
        $at = intdiv($now, self::STEP);
        for ($step = $at - self::DRIFT; $step <= $at + self::DRIFT; $step++) {
            if (($used === null || $step > $used) && hash_equals(self::code($secret, $step), $code)) {
                return $step;
            }
        }

        return null;
    }

    public static function at(string $secret, int $now): string
    {
        return self::code($secret, intdiv($now, self::STEP));
    }

    private static function code(string $secret, int $step): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), self::bytes($secret), true);
        $offset = ord($hash[-1]) & 0xF;
        $number = (unpack('N', substr($hash, $offset, 4))[1] ?? 0) & 0x7FFFFFFF;

        return str_pad((string) ($number % 10 ** self::DIGITS), self::DIGITS, '0', STR_PAD_LEFT);
    }

    private static function base32(string $bytes): string
    {
        $bits = implode('', array_map(fn (string $byte): string => str_pad(decbin(ord($byte)), 8, '0', STR_PAD_LEFT), str_split($bytes)));

        return implode('', array_map(fn (string $five): string => self::LETTERS[(int) bindec(str_pad($five, 5, '0'))], str_split($bits, 5)));
    }

    private static function bytes(string $base32): string
    {
        $bits = implode('', array_map(fn (string $letter): string => str_pad(decbin((int) strpos(self::LETTERS, $letter)), 5, '0', STR_PAD_LEFT), str_split($base32)));

        return implode('', array_map(fn (string $eight): string => strlen($eight) === 8 ? chr((int) bindec($eight)) : '', str_split($bits, 8)));
    }
}
