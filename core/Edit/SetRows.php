<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\RowTypes;
use ChalkTree\Map\TopicMap;

/**
 * Sets fields of rows of any feature: of the rows of some topics where there is one a topic, else of one row by its id,
 * which is made if it is not there. A topic's row that says nothing any more goes.
 */
final readonly class SetRows implements Edit
{
    /**
     * @param  class-string<FeatureRow>  $class
     * @param  non-empty-list<string>  $ids
     * @param  array<string, scalar|null>  $fields
     */
    private function __construct(private string $class, private array $ids, private array $fields)
    {
    }

    public static function name(): string
    {
        return 'row.set';
    }

    /** "type", "fields", and "topics" where there is one row a topic, or the "row" that it is, or the "rows". */
    public static function read(Arguments $arguments): self
    {
        $class = RowTypes::ofFeature($arguments->string('type'));
        $fields = $class::read($arguments->nested('fields'));
        $ids = match (true) {
            $class::isOfTopic() => $arguments->ids('topics'),
            $arguments->has('rows') => $arguments->ids('rows'),
            default => [$arguments->id('row')],
        };

        return $fields === [] ? throw $arguments->wrong('fields', 'There is nothing to set.') : new self($class, $ids, $fields);
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $isOwn = $this->class::isOfTopic();
        foreach ($this->ids as $id) {
            $row = $map->row($this->class::type(), $id);
            if ($row === null && array_diff($this->class::ends(), array_keys($this->fields)) !== []) {
                throw new InvalidEdit("This {$this->class::words()} is not in the map any more.", 'row');
            }
            if ($row === null && ! $isOwn && count($map->rowsOf($this->class)) >= $this->class::most()) {
                throw new InvalidEdit('A map holds at most '.number_format($this->class::most())." of this sort: {$this->class::words()}.", 'row');
            }
            $new = $row instanceof FeatureRow ? $row->with($this->fields) : $this->class::fromFields($id, $this->fields);
            foreach ($new->topics() as $topic) {
                if ($map->topic($topic, $isOwn ? 'topics' : 'fields')->parent === null && $this->class::isOfPlace()) {
                    throw new InvalidEdit('Only what hangs on another topic can have a '.$this->class::words().' there.', 'topics');
                }
            }
            if ($isOwn) {
                $recorder->keep($new);
            } else {
                $recorder->put($new);
            }
        }
    }

    public function sentence(TopicMap $map): string
    {
        $field = count($this->fields) === 1 ? $this->class::known()[array_key_first($this->fields)] : null;
        if ($this->class::isOfMap()) {
            return 'Changed the '.($field->called ?? $this->class::words());
        }
        if (! $this->class::isOfTopic() && count($this->ids) > 1) {
            return 'Changed '.count($this->ids)." {$this->class::words()}s";
        }
        $topics = $this->class::isOfTopic() ? $this->ids : ($map->row($this->class::type(), $this->ids[0])?->topics() ?? []);

        return 'Changed the '.($field->called ?? $this->class::words()).' of '.Wording::several(TopicChoice::titles($map, array_values(array_filter($topics, $map->has(...)))));
    }
}
