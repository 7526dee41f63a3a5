<?php

declare(strict_types=1);

namespace ChalkTree\HandOver;

use ChalkTree\Document\Words;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;

/** Where things are in a document of a map, and outside of it. */
final readonly class DocumentPlace
{
    /** @param  string  $application  the address at which the application answers, without a slash at its end */
    public function __construct(private TopicMap $map, private string $application)
    {
    }

    public static function anchor(string $topic): string
    {
        return "topic-{$topic}";
    }

    /** The title of a topic as a link that leads to it; null where it is not in the document. */
    public function to(string $topic): ?Words
    {
        $found = $this->map->find($topic);

        return $found instanceof Topic ? Words::plain(InlineMarkdown::oneLine($found->title), href: '#'.self::anchor($topic)) : null;
    }

    /** The address of another map, or of a topic in it. */
    public function outside(string $map, ?string $topic): string
    {
        return "{$this->application}/maps/{$map}".($topic === null ? '' : "/topics/{$topic}");
    }
}
