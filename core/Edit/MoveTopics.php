<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** Moves topics, with what is below them, to another place, keeping the order they stand in. */
final readonly class MoveTopics implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private Place $place)
    {
    }

    public static function name(): string
    {
        return 'topic.move';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), Place::read($arguments));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $tops = TopicChoice::tops($map, $this->topics);
        $parent = $this->place->parent($map);
        foreach ($tops as $id => $topic) {
            if ($topic->id === $map->sheet()->root) {
                throw new InvalidEdit('The root of the map stays where it is.', 'topics');
            }
            if ($parent !== null && $map->isWithin($parent, $id)) {
                throw new InvalidEdit('A topic cannot be moved below itself.', 'topics');
            }
        }
        $ranks = $this->place->ranks($map, $recorder, count($tops), $tops);
        $side = $this->place->sideFor($map);
        $loose = $this->place->looseFields($map, $recorder);
        if ($parent === null && $loose['column'] === null) {
            $loose['column'] = $this->wholeColumn($map, $tops);
        }
        foreach (array_values($tops) as $i => $topic) {
            $stays = $topic->parent === $parent && $side !== null && $topic->side === $side;
            $recorder->put($map->topic($topic->id)->with([
                'parent' => $parent,
                'rank' => $ranks[$i],
                'side' => $side?->value,
                'sideHeld' => $stays && $topic->sideHeld,
                'parked' => null,
                ...$loose,
            ]));
        }
    }

    /**
     * The column that these topics are all of; it stays one when they move together.
     *
     * @param  array<string, Topic>  $tops
     */
    private function wholeColumn(TopicMap $map, array $tops): ?string
    {
        $column = $tops === [] ? null : reset($tops)->column;

        return $column !== null && array_keys($map->column($column)) === array_keys($tops) ? $column : null;
    }

    public function sentence(TopicMap $map): string
    {
        return 'Moved '.Wording::several(TopicChoice::titles($map, $this->topics)).' '.$this->place->words($map);
    }
}
