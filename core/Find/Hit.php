<?php

declare(strict_types=1);

namespace ChalkTree\Find;

/** A find in a topic: in which text of it, the how-manieth there, and the words around it. */
final readonly class Hit
{
    /**
     * @param  string  $key  names this hit as long as the text does not change
     * @param  string  $called  what the text is called in the middle of a sentence
     * @param  string  $row  the id of the row in which it stands; empty for the topic's own texts
     */
    public function __construct(
        public string $key,
        public string $topic,
        public string $field,
        public string $called,
        public string $row,
        public string $before,
        public string $found,
        public string $after,
    ) {
    }

    /** @return array{key: string, topic: string, field: string, called: string, row: string, before: string, found: string, after: string} */
    public function toArray(): array
    {
        return [
            'key' => $this->key, 'topic' => $this->topic, 'field' => $this->field, 'called' => $this->called, 'row' => $this->row,
            'before' => $this->before, 'found' => $this->found, 'after' => $this->after,
        ];
    }
}
