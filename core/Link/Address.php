<?php

declare(strict_types=1);

namespace ChalkTree\Link;

use ChalkTree\Map\ContentName;
use ChalkTree\Map\Ids;

/** Where a link leads: "https://…", "mailto:…", "file:" with the hash of a file of the map, or "map:" with the id of another map and, after a slash, that of a topic in it. */
final class Address
{
    public const LONGEST = 2_000;

    public static function isOne(string $address): bool
    {
        return strlen($address) <= self::LONGEST && (self::isOfWeb($address) || self::isOfMail($address) || ContentName::isOne($address) || self::map($address) !== null);
    }

    /** Whether it is the address of a page, as it can be asked for: with a host, without a password, without spaces and control signs. */
    public static function isOfWeb(string $address): bool
    {
        $parts = preg_match('~^https?://[^\s\x00-\x20\x7f<>"\\\\^`{|}]+$~iuD', $address) === 1 ? parse_url($address) : false;

        return is_array($parts) && ($parts['host'] ?? '') !== '' && ! isset($parts['user']) && ! isset($parts['pass']);
    }

    public static function isOfMail(string $address): bool
    {
        return preg_match('/^mailto:[^\s@<>"?&]+@[^\s@<>"?&]+\.[^\s@<>"?&]+$/iuD', $address) === 1;
    }

    /** @return array{string, string|null}|null the ids of the map and of the topic; null where it does not lead to a map */
    public static function map(string $address): ?array
    {
        if (! str_starts_with($address, 'map:')) {
            return null;
        }
        $ids = explode('/', substr($address, 4), 2);
        $topic = $ids[1] ?? null;

        return Ids::valid($ids[0]) && ($topic === null || Ids::valid($topic)) ? [$ids[0], $topic] : null;
    }
}
