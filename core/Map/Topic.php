<?php

declare(strict_types=1);

namespace ChalkTree\Map;

use LogicException;

/** One topic of a map: what it says, and where it stands in the tree. All else is said in rows of features. */
final readonly class Topic implements Row
{
    /** Fields that say nothing where they have this value; wire and files leave them out then. */
    public const BLANK = [
        'title' => '', 'caption' => '', 'note' => '', 'side' => null, 'sideHeld' => false, 'removed' => null,
        'x' => null, 'y' => null, 'column' => null, 'parked' => null, 'changed' => 0,
    ];

    /**
     * @param  string  $id  26 characters, sortable by time, made by the browser or the server
     * @param  string|null  $parent  null for the root, for loose and for parked topics
     * @param  string  $rank  orders siblings; see Rank
     * @param  string  $title  inline Markdown; "\n" is a line break
     * @param  string  $caption  the short second line, plain text
     * @param  string  $note  Markdown
     * @param  Side|null  $side  where a child of the root grows; null for all others
     * @param  bool  $sideHeld  true if a person chose the side, so that balancing leaves it
     * @param  string|null  $removed  the id of the topic with which this one went to the trash; null while in the map
     * @param  int|null  $x  of a loose topic: its left edge on the board, pixels from the root's middle
     * @param  int|null  $y  of a loose topic: its middle; of all topics in a column: that of the first
     * @param  string|null  $column  of a loose topic: the id of the column it is in, which is all that a column is
     * @param  string|null  $parked  the id of the topic below which it stood, or its own, while in the parking lot
     * @param  int  $changed  when title, caption or note last changed, in seconds since 1970; 0 if that is not known
     */
    public function __construct(
        public string $id,
        public ?string $parent,
        public string $rank,
        public string $title = '',
        public string $caption = '',
        public string $note = '',
        public ?Side $side = null,
        public bool $sideHeld = false,
        public ?string $removed = null,
        public ?int $x = null,
        public ?int $y = null,
        public ?string $column = null,
        public ?string $parked = null,
        public int $changed = 0,
    ) {
    }

    public static function type(): string
    {
        return 'topic';
    }

    public static function fromFields(string $id, array $fields): static
    {
        $text = fn (string $name): ?string => isset($fields[$name]) ? (string) $fields[$name] : null;
        $number = fn (string $name): ?int => isset($fields[$name]) ? (int) $fields[$name] : null;

        return new self(
            $id,
            $text('parent'),
            (string) $fields['rank'],
            (string) ($fields['title'] ?? ''),
            (string) ($fields['caption'] ?? ''),
            (string) ($fields['note'] ?? ''),
            isset($fields['side']) ? Side::from((string) $fields['side']) : null,
            (bool) ($fields['sideHeld'] ?? false),
            $text('removed'),
            $number('x'),
            $number('y'),
            $text('column'),
            $text('parked'),
            $number('changed') ?? 0,
        );
    }

    public function id(): string
    {
        return $this->id;
    }

    public function fields(): array
    {
        return [
            'parent' => $this->parent,
            'rank' => $this->rank,
            'title' => $this->title,
            'caption' => $this->caption,
            'note' => $this->note,
            'side' => $this->side?->value,
            'sideHeld' => $this->sideHeld,
            'removed' => $this->removed,
            'x' => $this->x,
            'y' => $this->y,
            'column' => $this->column,
            'parked' => $this->parked,
            'changed' => $this->changed,
        ];
    }

    public function topics(): array
    {
        return [$this->id];
    }

    /** @return array<string, scalar|null> the fields that say something */
    public function saying(): array
    {
        return array_filter(
            $this->fields(),
            fn (mixed $value, string $field): bool => ! array_key_exists($field, self::BLANK) || $value !== self::BLANK[$field],
            ARRAY_FILTER_USE_BOTH,
        );
    }

    /**
     * @param  array<string, scalar|null>  $changed
     *
     * @throws LogicException where there is no such field
     */
    public function with(array $changed): self
    {
        if (($unknown = array_key_first(array_diff_key($changed, $this->fields()))) !== null) {
            throw new LogicException("A topic has no field called {$unknown}.");
        }

        return self::fromFields($this->id, $changed + $this->fields());
    }

    /** Whether its text is another than that of another state of it. */
    public function saysOtherThan(self $other): bool
    {
        return $this->title !== $other->title || $this->caption !== $other->caption || $this->note !== $other->note;
    }

    /** Whether it has no text at all. */
    public function isEmpty(): bool
    {
        return trim($this->title) === '' && $this->caption === '' && $this->note === '';
    }
}
