<?php

declare(strict_types=1);

namespace ChalkTree\Find;

/** One place in a text where something was found. */
final readonly class Find
{
    /**
     * @param  int  $at  bytes from the beginning
     * @param  int  $length  bytes
     * @param  non-empty-list<string>  $groups  the whole, and what the groups of a pattern matched
     */
    public function __construct(public int $at, public int $length, public array $groups)
    {
    }
}
