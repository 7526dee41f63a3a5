<?php

declare(strict_types=1);

namespace ChalkTree\Map;

/** Something that a feature says of a topic in a form that can be asked for: a text, a number or a day. */
final readonly class Fact
{
    /**
     * @param  string  $field  the type of the row and the name of its field, as "task.due"
     * @param  string|null  $date  as YYYY-MM-DD
     */
    public function __construct(
        public string $topic,
        public string $field,
        public ?string $text = null,
        public ?int $number = null,
        public ?string $date = null,
    ) {
    }
}
