<?php

declare(strict_types=1);

namespace ChalkTree\Map;

use Symfony\Component\Uid\Ulid;

/** Makes and checks ids: ULIDs in lower case, so that they sort by time whoever made them. */
final class Ids
{
    private const DIGITS = '0123456789abcdefghjkmnpqrstvwxyz';

    private const FORM = '/\A[0-7][0-9a-hjkmnp-tv-z]{25}\z/';

    public static function next(): string
    {
        return strtolower((string) new Ulid);
    }

    /** The id that always follows from a name, for rows of which there is one of that name. */
    public static function named(string $name): string
    {
        $id = '0';
        foreach (array_slice(str_split(hash('sha256', $name, true)), 0, 25) as $byte) {
            $id .= self::DIGITS[ord($byte) % 32];
        }

        return $id;
    }

    public static function valid(string $id): bool
    {
        return preg_match(self::FORM, $id) === 1;
    }
}
