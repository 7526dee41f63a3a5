<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\TopicMap;

/** Writes into the legend what a sign means on this map, or takes that out. */
final readonly class SayMeaning implements Edit
{
    private function __construct(private string $sign, private ?string $means)
    {
    }

    public static function name(): string
    {
        return 'sign.mean';
    }

    /** "sign" as Sign has it; "means", null for nothing. */
    public static function read(Arguments $arguments): self
    {
        $fields = Meaning::declared();
        $sign = $fields['sign']->read($arguments, 'sign');
        $means = $fields['means']->read($arguments, 'means');

        return is_string($sign) ? new self($sign, is_string($means) ? trim($means) : null) : throw $arguments->wrong('sign', 'Name a sign.');
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $row = $map->row(Meaning::type(), Meaning::idOf($this->sign));
        if ($this->means === null) {
            if ($row !== null) {
                $recorder->drop(Meaning::type(), $row->id());
            }

            return;
        }
        if ($row === null && count($map->rowsOf(Meaning::class)) >= Bounds::MOST_OF_MAP) {
            throw new InvalidEdit('A legend holds at most '.Bounds::MOST_OF_MAP.' lines.', 'sign');
        }
        $recorder->put(Meaning::of($this->sign, $this->means));
    }

    public function sentence(TopicMap $map): string
    {
        $words = Sign::words($this->sign);

        return $this->means === null ? "Took what “{$words}” means out of the legend" : "Wrote into the legend what “{$words}” means";
    }
}
