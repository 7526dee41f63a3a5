<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

use ChalkTree\Map\Field;

/** An open format that maps are read from, written to, or both. */
interface Format
{
    /** As it is named on the wire and on the command line, "md". */
    public static function name(): string;

    /** @return non-empty-list<string> the endings of its files; those we write get the first */
    public function endings(): array;

    /** The media type of its files. */
    public function mime(): string;

    /** Whether its files are bytes; those of all others are text, which its reader gets cleaned. */
    public function isBinary(): bool;

    /** Whether a file whose ending says nothing looks to be one of its. */
    public function recognises(string $contents): bool;

    /** @return array<string, Field> what can be chosen when writing, by name */
    public function options(): array;

    /** Null where maps are only written. */
    public function reader(): ?Reader;

    /**
     * Null where maps are only read.
     *
     * @param  array<string, scalar|null>  $options  as options() names them; those left out are as they are blank
     */
    public function writer(array $options = []): ?Writer;
}
