<?php

declare(strict_types=1);

namespace App\Reminders;

/** A to-do that comes up, with what there is to tell of it. */
final readonly class DueReminder
{
    /**
     * @param  string  $mapTitle  the name of the map
     * @param  string  $by  as YYYY-MM-DD
     * @param  string  $when  how far off that is, in words
     * @param  list<string>  $who
     * @param  bool  $isPrivate  whether its title stays in the map
     * @param  bool  $isSent  whether a letter told of it
     */
    public function __construct(
        public string $map,
        public string $mapTitle,
        public string $topic,
        public string $title,
        public string $by,
        public string $when,
        public array $who,
        public bool $isPrivate,
        public bool $isSent,
    ) {
    }

    /** @return array{map: string, mapTitle: string, topic: string, title: string, by: string, when: string, who: list<string>} "DueTodo" in the wire schema */
    public function told(): array
    {
        return ['map' => $this->map, 'mapTitle' => $this->mapTitle, 'topic' => $this->topic, 'title' => $this->title, 'by' => $this->by, 'when' => $this->when, 'who' => $this->who];
    }
}
