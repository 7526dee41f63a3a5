<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\RowTypes;
use ChalkTree\Map\TopicMap;

/** Takes rows of a feature out of the map; their topics stay. */
final class RemoveRows implements Edit
{
    /** @var list<string> the topics of what was removed */
    private array $topics = [];

    /**
     * @param  class-string<FeatureRow>  $class
     * @param  non-empty-list<string>  $ids
     */
    private function __construct(private readonly string $class, private readonly array $ids)
    {
    }

    public static function name(): string
    {
        return 'row.remove';
    }

    public static function read(Arguments $arguments): self
    {
        return new self(RowTypes::ofFeature($arguments->string('type')), $arguments->ids('rows'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->ids as $id) {
            $row = $map->row($this->class::type(), $id);
            if ($row === null || ! $map->isLiving($row)) {
                throw new InvalidEdit("This {$this->class::words()} is not in the map any more.", 'rows');
            }
            array_push($this->topics, ...$row->topics());
            $recorder->drop($this->class::type(), $id);
        }
    }

    public function sentence(TopicMap $map): string
    {
        if ($this->class::isOfMap()) {
            return "Removed the {$this->class::words()}";
        }

        return "Removed the {$this->class::words()} of ".Wording::several(TopicChoice::titles($map, array_values(array_unique($this->topics))));
    }
}
