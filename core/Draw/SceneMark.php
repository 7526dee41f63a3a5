<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

/** Something drawn that is not a topic, such as a line between two; places are from the middle of the root. */
final readonly class SceneMark
{
    /**
     * @param  string  $id  that of the row it stands for, or another that stays the same from drawing to drawing
     * @param  string  $type  the sort of row
     * @param  list<Primitive>  $parts  those that lie below first
     * @param  array{float, float, float, float}|null  $box  x, y, width and height, where it takes room of its own
     * @param  bool  $isUnder  whether it lies below all else, connectors too
     */
    public function __construct(public string $id, public string $type, public array $parts, public ?array $box = null, public bool $isUnder = false)
    {
    }

    /** @return array{id: string, type: string, parts: list<array<string, mixed>>, box?: array{float, float, float, float}, under?: true} "Mark" in the wire schema */
    public function toArray(): array
    {
        return ['id' => $this->id, 'type' => $this->type, 'parts' => array_map(fn (Primitive $part): array => $part->toArray(), $this->parts)] + ($this->box === null ? [] : ['box' => $this->box]) + ($this->isUnder ? ['under' => true] : []);
    }
}
