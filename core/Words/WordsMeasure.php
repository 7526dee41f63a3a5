<?php

declare(strict_types=1);

namespace ChalkTree\Words;

use ChalkTree\Ask\Measure;
use ChalkTree\Ask\Sum;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\WordCount;

/** How many words the notes of topics have. */
final readonly class WordsMeasure implements Measure
{
    public const KEY = 'words';

    public function __construct(private TopicMap $map)
    {
    }

    public function key(): string
    {
        return self::KEY;
    }

    public function hangsOn(): string
    {
        return '';
    }

    public function handedOn(string $topic, ?Sum $below): ?Sum
    {
        $note = $this->map->find($topic)->note ?? '';
        $own = $note === '' ? 0 : WordCount::of($note);

        return $own === 0 ? $below : ($below?->with(Sum::one((float) $own)) ?? Sum::one((float) $own));
    }
}
