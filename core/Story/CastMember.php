<?php

declare(strict_types=1);

namespace ChalkTree\Story;

/** Somebody or something that has a sheet of its own: a character, a place, an object, a source. */
final readonly class CastMember
{
    /**
     * @param  string  $topic  the topic that is the sheet
     * @param  string  $kind  "character", "place", "object" or "source"
     * @param  string  $title  as it is read
     * @param  list<string>  $names  what it is called: first the title, then what the sheet says, then what follows from these
     */
    public function __construct(public string $topic, public string $kind, public string $title, public array $names)
    {
    }
}
