<?php

declare(strict_types=1);

namespace ChalkTree\Story;

/** Something in a story that its writer may want to look at. */
final readonly class StoryFinding
{
    public const SORTS = ['two-places', 'no-viewpoint', 'open-thread', 'after-end', 'told-late'];

    /**
     * @param  string  $sort  one of SORTS
     * @param  string  $words  a sentence
     * @param  non-empty-list<string>  $topics  the scenes that it is about, the one to go to first
     */
    public function __construct(public string $sort, public string $words, public array $topics)
    {
    }
}
