<?php

declare(strict_types=1);

namespace ChalkTree\Table;

/** A column as a table has it, written as "key width total", the last two where they are said. */
final readonly class TableColumn
{
    private const FORM = '/^([a-z]{1,20}(?::[0-9a-z]{26})?)(?: (\d{2,3}|-))?(?: (sum|mean|least|most|count|done))?$/D';

    /** @param  int|null  $width  in pixels; null where nobody said */
    public function __construct(public string $key, public ?int $width = null, public ?Total $total = null)
    {
    }

    public static function read(string $line): ?self
    {
        return preg_match(self::FORM, $line, $m) === 1 ? new self($m[1], ctype_digit($m[2] ?? '') ? (int) $m[2] : null, Total::tryFrom($m[3] ?? '')) : null;
    }
}
