<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Sheet;
use ChalkTree\Map\TopicMap;

/** Names the map; null lets it go by the title of its root. */
final readonly class RenameMap implements Edit
{
    private function __construct(private ?string $title)
    {
    }

    public static function name(): string
    {
        return 'map.rename';
    }

    public static function read(Arguments $arguments): self
    {
        $title = $arguments->has('title') && $arguments->isNull('title') ? null : trim($arguments->caption('title'));
        if ($title !== null && ($title === '' || mb_strlen($title) > 200 || str_contains($title, "\n"))) {
            throw $arguments->wrong('title', 'A map is named with 1 to 200 characters on one line.');
        }

        return new self($title);
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $sheet = $map->sheet();
        $recorder->put(new Sheet($this->title, $sheet->root, $sheet->arrangement));
    }

    public function sentence(TopicMap $map): string
    {
        return $this->title === null ? 'Named the map after its root' : 'Named the map '.Wording::excerpt($this->title);
    }
}
