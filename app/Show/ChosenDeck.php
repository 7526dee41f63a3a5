<?php

declare(strict_types=1);

namespace App\Show;

use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\TopicMap;
use ChalkTree\Show\Deck;
use ChalkTree\Show\Decks;
use ChalkTree\Show\Slide;

/** The deck that is meant: one of the map's, or one made at once of a branch where the map has none. */
final readonly class ChosenDeck
{
    /** @param  list<Slide>  $slides  those that are shown */
    private function __construct(public Deck $deck, public array $slides)
    {
    }

    /**
     * @param  TopicMap  $map  as Outgoing has it
     * @param  string  $named  its name or id; empty for the first, or for the branch where one is given
     *
     * @throws InvalidEdit where there is none of that name, or nothing on it is shown
     */
    public static function of(TopicMap $map, string $named, ?string $branch = null): self
    {
        $all = Decks::of($map);
        if ($named === '' && ($all === [] || $branch !== null)) {
            return new self(...Decks::madeOf($map, $branch ?? $map->root()->id));
        }
        $deck = $named === '' ? $all[0] : Decks::find($map, $named);
        if ($deck === null) {
            $names = array_map(fn (Deck $one): string => $one->text('name'), $all);

            throw new InvalidEdit("This map has no deck called “{$named}”.".($names === [] ? ' It has none.' : ' It has: '.implode(', ', $names).'.'), 'deck');
        }
        $slides = Decks::shown($map, $deck);
        if ($slides === []) {
            throw new InvalidEdit("There is no slide to be shown in the deck “{$deck->text('name')}”.", 'deck');
        }

        return new self($deck, $slides);
    }
}
