<?php

declare(strict_types=1);

namespace ChalkTree\Find;

/** A find in a topic: in which text of it, the how-manieth there, and the words around it. */
final readonly class Hit
{
    public function __construct(
        public string $topic,
        public string $field,
        public int $nth,
        public string $before,
        public string $found,
        public string $after,
    ) {
    }

    /** Names this hit as long as the text does not change. */
    public static function key(string $topic, string $field, int $nth): string
    {
        return "{$topic}.{$field}.{$nth}";
    }

    /** @return array{key: string, topic: string, field: string, before: string, found: string, after: string} */
    public function toArray(): array
    {
        return [
            'key' => self::key($this->topic, $this->field, $this->nth), 'topic' => $this->topic, 'field' => $this->field,
            'before' => $this->before, 'found' => $this->found, 'after' => $this->after,
        ];
    }
}
