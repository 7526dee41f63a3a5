<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\InvalidEdit;

/** One thing that a condition asks of a topic. Features hand in those that are about what they keep (Asks). */
interface Question
{
    /** The word under which conditions call it, as in {"ask": "stamp", …}. */
    public static function name(): string;

    /** @throws InvalidEdit where it is of the wrong form */
    public static function read(Arguments $from): self;

    public function holds(Moment $now, string $topic): bool;

    /** What it asks, in words, as "stamp done" or "due before today". */
    public function words(Moment $now): string;

    /**
     * What it is asked where a person says it in words, in the form that read() knows; null where the words that come next
     * are not about it. It takes those that are. What words() says is understood.
     *
     * @return array<string, mixed>|null
     */
    public static function heard(Said $said, Moment $now): ?array;

    /**
     * Words that ask it, to be offered to who types; those of a map first by which they are likely to be meant.
     *
     * @return iterable<string>
     */
    public static function offers(Moment $now): iterable;

    /** On what else than the topic itself, what is below it and how deep it stands the answer hangs. */
    public function hangsOn(): HangsOn;
}
