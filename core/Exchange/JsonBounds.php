<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

/**
 * Looks over JSON before it is parsed: parsed values take up to a hundred times the bytes that wrote them. Counting
 * signs counts those inside texts too, so the bounds are far above what a map of the largest size needs.
 */
final class JsonBounds
{
    private const MOST_VALUES = 2_000_000;

    private const MOST_NESTED = 300_000;

    public static function allow(string $json, int $values = self::MOST_VALUES, int $nested = self::MOST_NESTED): bool
    {
        return substr_count($json, ',') <= $values && substr_count($json, '[') + substr_count($json, '{') <= $nested;
    }
}
