<?php

declare(strict_types=1);

namespace ChalkTree\Map;

/** A row that names what lies beside the map: the bytes of a picture or of a file, by what is in them. */
interface NamesContent
{
    /** @return string|null the SHA-256 of the bytes, in hexadecimal digits; null where this row names none */
    public function content(): ?string;

    /** The same row, naming other bytes; for one that names some. */
    public function naming(string $hash): static;
}
