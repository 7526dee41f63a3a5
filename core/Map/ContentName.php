<?php

declare(strict_types=1);

namespace ChalkTree\Map;

/** How maps name bytes that lie beside them: "file:" and their SHA-256 in hexadecimal digits. */
final class ContentName
{
    private const SIGN = 'file:';

    public static function of(string $hash): string
    {
        return self::SIGN.$hash;
    }

    public static function isOne(string $name): bool
    {
        return self::hash($name) !== null;
    }

    public static function hash(?string $name): ?string
    {
        return preg_match('/^file:([0-9a-f]{64})$/D', $name ?? '', $m) === 1 ? $m[1] : null;
    }
}
