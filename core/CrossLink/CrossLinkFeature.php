<?php

declare(strict_types=1);

namespace ChalkTree\CrossLink;

use ChalkTree\Arrange\Scene;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Settles;
use ChalkTree\Feature;
use ChalkTree\Look\LookResolver;
use ChalkTree\Look\Looks;
use ChalkTree\Map\TopicMap;

/** Cross-links: lines between any two topics, each with a phrase. */
final class CrossLinkFeature implements Feature, Settles
{
    /** The level of topics in whose type phrases are set. */
    private const TYPE = 2;

    public function rows(): array
    {
        return [CrossLink::class];
    }

    public function edits(): array
    {
        return [TieTopics::class, TurnLinks::class, SpliceTopic::class];
    }

    public function schema(): array
    {
        $text = ['type' => 'string'];
        $ids = ['type' => 'array', 'items' => $text];

        return [
            'TieTopics' => ['name' => TieTopics::name(), 'properties' => ['topics' => $ids, 'to' => $text, 'as' => $ids, 'turns' => ['type' => 'boolean']], 'required' => ['topics', 'to', 'as']],
            'TurnLinks' => ['name' => TurnLinks::name(), 'properties' => ['links' => $ids], 'required' => ['links']],
            'SpliceTopic' => ['name' => SpliceTopic::name(), 'properties' => ['link' => $text, 'topic' => $text, 'as' => $text], 'required' => ['link', 'topic', 'as']],
        ];
    }

    public function drawn(): array
    {
        return [CrossLink::class];
    }

    public function marks(TopicMap $map, Scene $scene): iterable
    {
        if ($scene->ground === null) {
            return [];
        }
        $looks = new LookResolver(Looks::standard());
        $looks->read($map);

        return (new LinkMarks($map, $scene->ground, $looks->ofLevel(self::TYPE)))->all();
    }

    /** No cross-link ties a topic to itself, whatever edit it was. */
    public function settle(TopicMap $map, Recorder $recorder): void
    {
        foreach (array_keys($recorder->beforeOf(CrossLink::type())) as $id) {
            $link = $map->row(CrossLink::type(), (string) $id);
            if ($link instanceof CrossLink && $link->from() === $link->to()) {
                throw new InvalidEdit('A topic cannot be tied to itself.', 'to');
            }
        }
        $new = array_filter($recorder->beforeOf(CrossLink::type()), is_null(...));
        if ($new !== [] && count($map->rowsOf(CrossLink::class)) > CrossLink::MOST) {
            throw new InvalidEdit('A map holds at most 1,000 cross-links.', 'topics');
        }
    }
}
