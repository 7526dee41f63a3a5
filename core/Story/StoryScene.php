<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\Ask\People;
use ChalkTree\Kind\Kinds;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Kind\Values;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;

/** A scene of a story as its fields say it; not the drawing, which is a Scene. */
final readonly class StoryScene
{
    /**
     * @param  string|null  $chapter  the topic of its chapter; null where it is in none
     * @param  list<string>  $texts  the topics that are its text: its own, and what is below it
     * @param  string|null  $viewpoint  the topic of whoever sees
     * @param  string  $day  of the story, YYYY-MM-DD, or empty
     * @param  string  $time  HH:MM, or empty
     * @param  list<string>  $people  by name
     * @param  list<string>  $threads  by name, those that end here among them
     * @param  list<string>  $closes
     */
    private function __construct(
        public string $topic, public string $title, public ?string $chapter, public array $texts, public ?string $viewpoint, public string $place,
        public string $day, public string $time, public array $people, public array $threads, public array $closes, public ?int $tension,
    ) {
    }

    /** @param  list<string>  $texts */
    public static function of(TopicMap $map, string $topic, ?string $chapter, array $texts): self
    {
        $values = Kinds::values($map, $topic);
        $value = fn (string $word): string => $values[ShippedKinds::fieldId($word)] ?? '';
        $seen = str_starts_with($value('viewpoint'), Values::TOPIC) ? substr($value('viewpoint'), strlen(Values::TOPIC)) : '';
        $closes = People::all($value('closes'));

        return new self(
            $topic, InlineMarkdown::oneLine($map->topic($topic)->title), $chapter, $texts, $seen !== '' && $map->has($seen) ? $seen : null, $value('place'),
            $value('story-day'), $value('time'), People::all($value('in-scene')), array_values(array_unique([...People::all($value('threads')), ...$closes])), $closes,
            is_numeric($value('tension')) ? (int) $value('tension') : null,
        );
    }
}
