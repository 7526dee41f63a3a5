<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use ChalkTree\Map\SingleLevels;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/**
 * Removes levels that hold a single topic: what is below it hangs on its parent then, and its text is added to the
 * parent's note, so that nothing said is lost.
 */
final readonly class DissolveLevels implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private bool $whole)
    {
    }

    public static function name(): string
    {
        return 'level.dissolve';
    }

    /** "topics" are the single topics themselves or, with "whole", branches in which to look for them. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), $arguments->flag('whole'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->topics as $id) {
            // From below upwards, so that each is still there when its turn comes.
            $singles = $this->whole ? array_reverse(SingleLevels::in($map, $id)) : [$id];
            foreach ($singles as $single) {
                $this->dissolve($map, $recorder, $map->topic($single, 'topics'));
            }
        }
    }

    private function dissolve(TopicMap $map, Recorder $recorder, Topic $single): void
    {
        if (! SingleLevels::isSingle($map, $single)) {
            throw new InvalidEdit('This topic is not alone on its level.', 'topics');
        }
        $parent = $map->topic((string) $single->parent);
        if (! $single->isEmpty()) {
            $recorder->put($parent->with(['note' => TextPlaces::appended($parent->note, TextPlaces::whole($single))]));
        }
        Lifting::lift($map, $recorder, $single);
        Lifting::removeAlone($map, $recorder, $single->id);
    }

    public function sentence(TopicMap $map): string
    {
        return $this->whole ? 'Removed the levels with a single topic' : 'Removed the level that held only '.Wording::several(TopicChoice::titles($map, $this->topics));
    }
}
