<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Features;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** Puts a new parent above topics: one above them all, in the place of the first, or one above each. */
final readonly class WrapTopics implements Edit
{
    /**
     * @param  non-empty-list<string>  $topics
     * @param  non-empty-list<string>  $as  ids for the new parents
     */
    private function __construct(private array $topics, private array $as, private string $title, private bool $each)
    {
    }

    public static function name(): string
    {
        return 'topic.wrap';
    }

    public static function read(Arguments $arguments): self
    {
        return new self(
            $arguments->ids('topics'),
            $arguments->ids('as'),
            $arguments->has('title') ? $arguments->title() : '',
            $arguments->flag('each'),
        );
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $tops = TopicChoice::tops($map, $this->topics);
        if (isset($tops[$map->sheet()->root])) {
            throw new InvalidEdit('Nothing can be put above the root of the map.', 'topics');
        }
        $groups = $this->each ? array_map(fn (Topic $topic): array => [$topic], array_values($tops)) : [array_values($tops)];
        foreach ($groups as $i => $group) {
            $this->wrap($map, $recorder, $group, $this->as[$i] ?? throw new InvalidEdit('There has to be an id for every new parent.', 'as'));
        }
    }

    /** @param  list<Topic>  $group  one or more */
    private function wrap(TopicMap $map, Recorder $recorder, array $group, string $id): void
    {
        $first = $map->topic($group[0]->id);
        [$row] = (new TopicDraft($this->title, id: $id))->rows($map, $first->parent, $first->rank, $first->side);
        $recorder->put($row->with([
            'sideHeld' => $first->sideHeld, 'x' => $first->x, 'y' => $first->y, 'column' => $first->column, 'parked' => $first->parked,
        ]));
        foreach (Features::rows() as $class) {
            $kept = $class::isOfPlace() ? $map->row($class::type(), $first->id) : null;
            if ($kept instanceof FeatureRow && ($its = $kept->about([$first->id => $id])) !== null) {
                $recorder->put($its);
            }
        }
        foreach (Place::below($id)->ranks($map, $recorder, count($group)) as $i => $rank) {
            Lifting::put($map, $recorder, $map->topic($group[$i]->id), $id, $rank);
        }
    }

    public function sentence(TopicMap $map): string
    {
        $what = Wording::several(TopicChoice::titles($map, $this->topics));

        return $this->each ? "Put a parent above each of {$what}" : "Wrapped {$what}".($this->title === '' ? '' : ' in '.Wording::excerpt($this->title));
    }
}
