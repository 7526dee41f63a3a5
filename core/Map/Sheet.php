<?php

declare(strict_types=1);

namespace ChalkTree\Map;

/** What holds for a map as a whole: its name, its root and its arrangement. Every map has exactly one. */
final readonly class Sheet implements Row
{
    public const ID = 'map';

    /**
     * @param  string|null  $title  the name given in the library; null while the map goes by its root's title
     * @param  string  $root  the id of the root topic
     * @param  string  $arrangement  one of Arrange\Arrangements::names()
     */
    public function __construct(
        public ?string $title,
        public string $root,
        public string $arrangement = 'both-sides',
    ) {
    }

    public static function type(): string
    {
        return 'map';
    }

    public static function fromFields(string $id, array $fields): static
    {
        return new self(
            isset($fields['title']) ? (string) $fields['title'] : null,
            (string) $fields['root'],
            (string) $fields['arrangement'],
        );
    }

    public function id(): string
    {
        return self::ID;
    }

    public function fields(): array
    {
        return ['title' => $this->title, 'root' => $this->root, 'arrangement' => $this->arrangement];
    }

    public function topics(): array
    {
        return [];
    }
}
