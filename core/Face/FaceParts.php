<?php

declare(strict_types=1);

namespace ChalkTree\Face;

use ChalkTree\Features;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** What stands in the boxes of one map's topics besides their titles: what a topic says itself, and what features put there. */
final class FaceParts
{
    private readonly NotePart $note;

    /** @var array<string, list<FacePart>> of features, by topic */
    private array $ofFeatures = [];

    public function __construct()
    {
        $this->note = new NotePart;
    }

    /** From now on for this map, as it is now. */
    public function read(TopicMap $map): void
    {
        $this->ofFeatures = [];
        foreach (Features::all() as $feature) {
            foreach ($feature->parts($map) as $topic => $part) {
                $this->ofFeatures[$topic][] = $part;
            }
        }
    }

    /** @return list<FacePart> */
    public function of(Topic $topic): array
    {
        // Most topics have none.
        if ($topic->caption === '' && $topic->note === '' && ! isset($this->ofFeatures[$topic->id])) {
            return [];
        }

        return [
            ...($topic->caption === '' ? [] : [new CaptionPart($topic->caption)]),
            ...$this->ofFeatures[$topic->id] ?? [],
            ...($topic->note === '' ? [] : [$this->note]),
        ];
    }
}
