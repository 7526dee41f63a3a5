<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

/** What was understood of words that say which topics are meant. */
final readonly class Heard
{
    /**
     * @param  array<string, mixed>|null  $asked  a condition as JSON would have it; null where nothing was said
     * @param  Condition|null  $condition  the same
     * @param  list<Piece>  $pieces
     */
    public function __construct(public string $text, public ?array $asked, public ?Condition $condition, public array $pieces)
    {
    }
}
