<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/**
 * What becomes of the phrases on the connectors of a branch, below its topic. Where nothing is said those that are there
 * are shown.
 */
final readonly class BranchPhrases extends FeatureRow
{
    /** New subtopics are asked for their phrase, as in a concept map, and where one is missing that is told. */
    public const ASKED = 'asked';

    public const HIDDEN = 'hidden';

    public static function type(): string
    {
        return 'phrases';
    }

    public static function words(): string
    {
        return 'phrases on connectors';
    }

    public static function declared(): array
    {
        return ['are' => Field::choice([self::ASKED, self::HIDDEN])->called('phrases on connectors')];
    }

    /** What holds below a topic: what it says itself, or the nearest above it; in a loose branch that says nothing, what the root says. */
    public static function nearest(TopicMap $map, string $topic): string
    {
        $own = $map->rowsOf(self::class);
        if ($own === []) {
            return '';
        }
        foreach ([$topic, ...array_map(fn (Topic $above): string => $above->id, $map->ancestors($topic)), $map->root()->id] as $id) {
            $are = isset($own[$id]) ? $own[$id]->text('are') : '';
            if ($are !== '') {
                return $are;
            }
        }

        return '';
    }
}
