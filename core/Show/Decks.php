<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Map\Ids;
use ChalkTree\Map\Rank;
use ChalkTree\Map\TopicMap;

/** The decks of a map, and the slides of each in their order. */
final class Decks
{
    /** @return list<Deck> by name */
    public static function of(TopicMap $map): array
    {
        $decks = array_values($map->rowsOf(Deck::class));
        usort($decks, fn (Deck $a, Deck $b): int => [mb_strtolower($a->text('name')), $a->id] <=> [mb_strtolower($b->text('name')), $b->id]);

        return $decks;
    }

    /** One by its name or id; null where there is none. */
    public static function find(TopicMap $map, string $named): ?Deck
    {
        foreach (self::of($map) as $deck) {
            if ($deck->id === $named || mb_strtolower($deck->text('name')) === mb_strtolower(trim($named))) {
                return $deck;
            }
        }

        return null;
    }

    /**
     * Every slide that is kept for a deck, also those of which the topics have gone.
     *
     * @return list<Slide>
     */
    public static function kept(TopicMap $map, string $deck): array
    {
        $slides = array_values(array_filter($map->rowsOf(Slide::class), fn (Slide $slide): bool => $slide->deck() === $deck));
        usort($slides, fn (Slide $a, Slide $b): int => [$a->text('rank'), $a->id] <=> [$b->text('rank'), $b->id]);

        return $slides;
    }

    /**
     * The slides of a deck: of one that keeps in step, only those that its branch still makes.
     *
     * @return list<Slide>
     */
    public static function slides(TopicMap $map, Deck $deck): array
    {
        return array_values(array_filter(self::kept($map, $deck->id), fn (Slide $slide): bool => self::isThere($map, $deck, $slide)));
    }

    /**
     * Those that are shown.
     *
     * @return list<Slide>
     */
    public static function shown(TopicMap $map, Deck $deck): array
    {
        return array_values(array_filter(self::slides($map, $deck), fn (Slide $slide): bool => ! $slide->flag('hidden')));
    }

    /** Whether a slide of a deck that keeps in step is one that its branch makes; any other is there. */
    public static function isThere(TopicMap $map, Deck $deck, Slide $slide): bool
    {
        $of = $slide->text('of');
        $makes = $deck->makes();
        if (! $deck->isInStep() || $of === '' || $makes === null) {
            return true;
        }

        return $makes->isOf($map, $deck->text('of'), $of) && ($makes !== Makes::Levels || ($slide->number('depth') ?? 0) < $map->height($of, Makes::MOST));
    }

    /**
     * A deck that no one has made yet, of a branch: a slide for each topic right below its top.
     *
     * @return array{Deck, list<Slide>}
     */
    public static function madeOf(TopicMap $map, string $branch, Makes $makes = Makes::Children): array
    {
        $deck = Deck::fromFields(Ids::next(), ['name' => 'Slides', 'of' => $branch, 'makes' => $makes->value]);
        $made = $makes->of($map, $branch);
        // What has nothing below it is a slide by itself.
        $made = $made === [] ? [['of' => $branch, 'depth' => null]] : $made;

        return [$deck, array_map(fn (array $one, string $rank): Slide => self::slide($deck->id, $rank, $one['of'], $one['depth']), $made, Rank::run(null, null, count($made)))];
    }

    /** A slide of a topic with its branch. */
    public static function slide(string $deck, string $rank, string $of, ?int $depth, ?string $id = null): Slide
    {
        return Slide::fromFields($id ?? Ids::next(), ['deck' => $deck, 'rank' => $rank, 'of' => $of, 'depth' => $depth, 'topics' => SlideTopics::branches([$of])->text()]);
    }
}
