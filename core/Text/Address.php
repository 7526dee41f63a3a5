<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/** Which addresses a link may lead to: those that show or send something, never those that run something. */
final class Address
{
    private const SCHEMES = ['http', 'https', 'mailto', 'tel', 'ftp', 'sftp', 'geo', 'urn'];

    public static function isSafe(string $address): bool
    {
        $address = (string) preg_replace('/[\x00-\x20\x7f]+/', '', $address);
        if (preg_match('/\A([a-z][a-z0-9+.-]*):/i', $address, $m) !== 1) {
            return true;
        }

        return in_array(strtolower($m[1]), self::SCHEMES, true);
    }
}
