<?php

declare(strict_types=1);

namespace ChalkTree\CrossLink;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\TopicMap;

/** Turns cross-links round, so that they end where they began. */
final readonly class TurnLinks implements Edit
{
    /** @param  non-empty-list<string>  $links */
    private function __construct(private array $links)
    {
    }

    public static function name(): string
    {
        return 'crosslink.turn';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('links'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach ($this->links as $id) {
            $link = self::link($map, $id, 'links');
            // The bow stays where it is seen.
            $bow = $link->number('bendAt') === null || $link->number('bendBy') === null ? [] : ['bendAt' => 1000 - $link->number('bendAt'), 'bendBy' => -$link->number('bendBy')];
            $recorder->put($link->with(['from' => $link->to(), 'to' => $link->from()] + $bow));
        }
    }

    public function sentence(TopicMap $map): string
    {
        if (count($this->links) > 1) {
            return 'Turned '.count($this->links).' cross-links round';
        }
        $link = $map->row(CrossLink::type(), $this->links[0]);

        return 'Turned the cross-link '.($link instanceof CrossLink ? self::between($map, $link) : '').' round';
    }

    /** @throws InvalidEdit where it is not in the map */
    public static function link(TopicMap $map, string $id, string $field): CrossLink
    {
        $link = $map->row(CrossLink::type(), $id);

        return $link instanceof CrossLink && $map->isLiving($link) ? $link : throw new InvalidEdit('This cross-link is not in the map any more.', $field);
    }

    /** Which one it is, in words. */
    public static function between(TopicMap $map, CrossLink $link): string
    {
        $titles = array_map(fn (string $id): string => $map->has($id) ? Wording::several(TopicChoice::titles($map, [$id])) : 'a topic', $link->topics());

        return 'from '.implode(' to ', $titles);
    }
}
