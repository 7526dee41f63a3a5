<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** The arrangement of one branch, where it is another than that of what stands above it. */
final readonly class BranchArrangement extends FeatureRow
{
    public static function type(): string
    {
        return 'arrangement';
    }

    public static function words(): string
    {
        return 'arrangement';
    }

    /**
     * "headings": whether the first row of a grid is one of headings; "head": the side on which a fishbone has its head;
     * "sides": on which sides of its line a timeline has its topics; "goes": whether that line goes by the days that topics
     * have, as it does where nothing is said, or only by their order; "day": which of their days counts, as TopicDay names
     * them, null for the first there is; "runs": which way a flow runs. They hold where the branch is laid out so.
     */
    public static function declared(): array
    {
        return [
            'name' => Field::choice(Arrangements::names())->asked(),
            'headings' => Field::flag()->called('headings'),
            'head' => Field::choice(['right', 'left'])->called('side of the head'),
            'sides' => Field::choice(['both', 'above', 'below'])->called('sides of the line'),
            'goes' => Field::choice(['days', 'order'])->called('what the line goes by'),
            'day' => Field::formed(fn (string $what): bool => preg_match('/^[a-z0-9]{1,26}$/D', $what) === 1, 26, 'be the name of a day or the id of a field')->called('day of the line'),
            'runs' => Field::choice(['down', 'across'])->called('way of the flow'),
        ];
    }

    /**
     * The name of the arrangement that holds below a topic: its own, or that of the nearest above it that has one; where
     * none has, the map's.
     */
    public static function nearest(TopicMap $map, string $topic): string
    {
        $own = $map->rowsOf(self::class);
        foreach ($own === [] ? [] : [$topic, ...array_map(fn (Topic $above): string => $above->id, $map->ancestors($topic))] as $id) {
            $name = isset($own[$id]) ? $own[$id]->text('name') : '';
            if ($name !== '') {
                return $name;
            }
        }

        return $map->sheet()->arrangement;
    }
}
