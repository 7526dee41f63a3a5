<?php

declare(strict_types=1);

namespace ChalkTree\Compare;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TextPlaces;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\RowTypes;
use ChalkTree\Map\TopicMap;

/** Lets a topic say what the other map has it say: its texts, and what features keep of it, with what that needs. */
final readonly class SayBeside implements Edit
{
    /** Rows that one topic says. */
    private const MOST = 300;

    /**
     * @param  array<string, string>  $texts
     * @param  list<FeatureRow>  $rows
     */
    private function __construct(private string $topic, private array $texts, private array $rows)
    {
    }

    public static function name(): string
    {
        return 'compare.say';
    }

    /** "topic"; of "title", "caption" and "note" those that are to be otherwise; "rows", each with "type", "id" and "fields", all of them. */
    public static function read(Arguments $arguments): self
    {
        $texts = array_filter([
            'title' => $arguments->has('title') ? $arguments->title() : null,
            'caption' => $arguments->has('caption') ? $arguments->caption() : null,
            'note' => $arguments->has('note') ? $arguments->note() : null,
        ], is_string(...));
        $rows = [];
        foreach ($arguments->has('rows') ? $arguments->nestedList('rows') : [] as $one) {
            if (count($rows) === self::MOST) {
                throw $arguments->wrong('rows', 'One topic says at most '.self::MOST.' of these.');
            }
            $class = RowTypes::ofFeature($one->string('type'));
            $rows[] = $class::fromFields($one->id('id'), $class::read($one->nested('fields')));
            $one->refuseRest();
        }

        return $texts === [] && $rows === [] ? throw $arguments->wrong('topic', 'There is nothing to be said otherwise.') : new self($arguments->id('topic'), $texts, $rows);
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $topic = $map->topic($this->topic);
        if ($this->texts !== []) {
            $recorder->put($topic->with(TextPlaces::bounded($this->texts)));
        }
        foreach ($this->rows as $row) {
            if ($row::isOfMap()) {
                // What others need stays as it is where it is there.
                if ($map->row($row::type(), $row->id) === null && count($map->rowsOf($row::class)) < $row::most()) {
                    $recorder->put($row);
                }

                continue;
            }
            foreach ($row->topics() as $end) {
                $map->topic($end, 'rows');
            }
            if ($row::isOfPlace() && $topic->parent === null) {
                throw new InvalidEdit("Only what hangs on another topic can have a {$row::words()} there.", 'rows');
            }
            if (! $row::isOfTopic() && $map->row($row::type(), $row->id) === null && count($map->rowsOf($row::class)) >= $row::most()) {
                throw new InvalidEdit('A map holds at most '.number_format($row::most())." of this sort: {$row::words()}.", 'rows');
            }
            $row::isOfTopic() ? $recorder->keep($row) : $recorder->put($row);
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Took over what the other map says of '.Wording::excerpt($map->find($this->topic)->title ?? '');
    }
}
