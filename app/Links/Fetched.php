<?php

declare(strict_types=1);

namespace App\Links;

/** What came from an address. */
final readonly class Fetched
{
    /**
     * @param  string  $address  where it was in the end
     * @param  string  $type  its media type in lower case, without parameters
     * @param  string  $charset  as the server named it; empty where it did not
     * @param  array<string, string>  $headers  by names in lower case
     * @param  string  $body  as much as was taken
     */
    public function __construct(public string $address, public string $type, public string $charset, public array $headers, public string $body)
    {
    }
}
