<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Map\Ids;

/** Of which map a complete copy was taken, and after which edit: by that it is brought together with it when it comes back. */
final readonly class CopyMark
{
    private const FIELD = 'from';

    private function __construct(public string $map, public int $seq)
    {
    }

    /**
     * @param  string  $json  a complete copy, written
     * @param  int  $seq  the number of the latest edit
     */
    public static function put(string $json, string $map, int $seq): string
    {
        return substr(rtrim($json), 0, -1).",\n    \"".self::FIELD.'": '.json_encode(['map' => $map, 'seq' => $seq], JSON_THROW_ON_ERROR)."\n}\n";
    }

    /** Null where a file does not say it. */
    public static function read(string $json): ?self
    {
        $from = JsonBounds::allow($json) ? (json_decode($json, true, 32)[self::FIELD] ?? null) : null;

        return is_array($from) && is_string($from['map'] ?? null) && Ids::valid($from['map']) && is_int($from['seq'] ?? null) && $from['seq'] >= 0 ? new self($from['map'], $from['seq']) : null;
    }
}
