<?php

declare(strict_types=1);

namespace ChalkTree\Map;

/** One topic of a map: what it says, and where it stands in the tree. */
final readonly class Topic implements Row
{
    /**
     * @param  string  $id  26 characters, sortable by time, made by the browser or the server
     * @param  string|null  $parent  null for the root and for loose topics
     * @param  string  $rank  orders siblings; see Rank
     * @param  string  $title  inline Markdown; "\n" is a line break
     * @param  string  $caption  the short second line, plain text
     * @param  string  $note  Markdown
     * @param  Side|null  $side  where a child of the root grows; null for all others
     * @param  bool  $sideHeld  true if a person chose the side, so that balancing leaves it
     * @param  int|null  $width  pixels, if a person set it
     * @param  string|null  $removed  the id of the topic with which this one went to the trash; null while in the map
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
        public ?int $width = null,
        public ?string $removed = null,
    ) {
    }

    public static function type(): string
    {
        return 'topic';
    }

    public static function fromFields(string $id, array $fields): static
    {
        return new self(
            $id,
            isset($fields['parent']) ? (string) $fields['parent'] : null,
            (string) $fields['rank'],
            (string) $fields['title'],
            (string) $fields['caption'],
            (string) $fields['note'],
            isset($fields['side']) ? Side::from((string) $fields['side']) : null,
            (bool) $fields['sideHeld'],
            isset($fields['width']) ? (int) $fields['width'] : null,
            isset($fields['removed']) ? (string) $fields['removed'] : null,
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
            'width' => $this->width,
            'removed' => $this->removed,
        ];
    }

    /** @param  array<string, scalar|null>  $changed */
    public function with(array $changed): self
    {
        return self::fromFields($this->id, $changed + $this->fields());
    }
}
