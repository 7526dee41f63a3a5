<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\TopicMap;

/**
 * One change a person makes, by name and with its arguments already checked for form. Applying it either does all of
 * it through the recorder or throws a Refusal; the caller then rolls the recorder back.
 */
interface Edit
{
    /** The name on the wire, "noun.verb". */
    public static function name(): string;

    /** @throws InvalidEdit where an argument is missing or of the wrong form */
    public static function read(Arguments $arguments): self;

    public function apply(TopicMap $map, Recorder $recorder): void;

    /** What was done, in the past tense, for the history; asked for after apply(). */
    public function sentence(TopicMap $map): string;
}
