<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\Rank;
use ChalkTree\Map\TopicMap;

/** Places in the order of a deck. */
final class SlideOrder
{
    /** The rank of what comes right after a slide, or at the end. */
    public static function after(TopicMap $map, string $deck, ?string $slide): string
    {
        [$low, $high] = self::around(self::ranked($map, $deck), $slide);

        return Rank::between($low, $high);
    }

    /**
     * Puts slides in the order given right after another one, or before all others.
     *
     * @param  non-empty-list<Slide>  $slides
     * @param  string|null  $after  null to put them first
     */
    public static function put(TopicMap $map, Recorder $recorder, string $deck, array $slides, ?string $after): void
    {
        $moved = array_map(fn (Slide $slide): string => $slide->id, $slides);
        $rest = array_values(array_filter(self::ranked($map, $deck), fn (Slide $slide): bool => ! in_array($slide->id, $moved, true)));
        if ($after === null) {
            [$low, $high] = [null, $rest === [] ? null : $rest[0]->text('rank')];
        } else {
            [$low, $high] = self::around($rest, $after);
        }
        foreach (array_combine(Rank::run($low, $high, count($slides)), $slides) as $rank => $slide) {
            $recorder->put($slide->with(['rank' => (string) $rank, 'deck' => $deck]));
        }
    }

    /**
     * Those that have a place, as any has once an edit is settled.
     *
     * @return list<Slide>
     */
    private static function ranked(TopicMap $map, string $deck): array
    {
        return array_values(array_filter(Decks::kept($map, $deck), fn (Slide $slide): bool => $slide->text('rank') !== ''));
    }

    /**
     * @param  list<Slide>  $slides  in their order
     * @return array{string|null, string|null} the ranks between which there is room after one of them, or after all
     */
    private static function around(array $slides, ?string $after): array
    {
        if ($after === null) {
            return [$slides === [] ? null : $slides[count($slides) - 1]->text('rank'), null];
        }
        foreach ($slides as $i => $slide) {
            if ($slide->id === $after) {
                $low = $slide->text('rank');
                // Two that came to one rank, as by two people at once, stay together.
                foreach (array_slice($slides, $i + 1) as $next) {
                    if (strcmp($next->text('rank'), $low) > 0) {
                        return [$low, $next->text('rank')];
                    }
                }

                return [$low, null];
            }
        }

        throw new InvalidEdit('The slide after which it was to come is not in this deck any more.', 'after');
    }
}
