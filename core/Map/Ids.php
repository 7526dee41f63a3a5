<?php

declare(strict_types=1);

namespace ChalkTree\Map;

use Symfony\Component\Uid\Ulid;

/** Makes and checks ids: ULIDs in lower case, so that they sort by time whoever made them. */
final class Ids
{
    private const FORM = '/\A[0-7][0-9a-hjkmnp-tv-z]{25}\z/';

    public static function next(): string
    {
        return strtolower((string) new Ulid);
    }

    public static function valid(string $id): bool
    {
        return preg_match(self::FORM, $id) === 1;
    }
}
