<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** What one person has folded in one map. Together with the map it decides what is drawn. */
final readonly class View
{
    /** @param  array<string, true>  $folded ids of topics whose subtopics are hidden */
    public function __construct(public array $folded = [])
    {
    }

    /** @param  iterable<string>  $ids */
    public static function folding(iterable $ids): self
    {
        $folded = [];
        foreach ($ids as $id) {
            $folded[$id] = true;
        }

        return new self($folded);
    }
}
