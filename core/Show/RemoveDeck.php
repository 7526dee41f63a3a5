<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\TopicMap;

/** Removes a deck with its slides; the topics stay. */
final class RemoveDeck implements Edit
{
    private string $called = '';

    private function __construct(private readonly string $deck)
    {
    }

    public static function name(): string
    {
        return 'deck.remove';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->id('deck'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $deck = $map->row(Deck::type(), $this->deck);
        if (! $deck instanceof Deck) {
            throw new InvalidEdit('This deck is not in the map any more.', 'deck');
        }
        $this->called = $deck->text('name');
        foreach (Decks::kept($map, $deck->id) as $slide) {
            $recorder->drop(Slide::type(), $slide->id);
        }
        $recorder->drop(Deck::type(), $deck->id);
    }

    public function sentence(TopicMap $map): string
    {
        return "Removed the deck “{$this->called}”";
    }
}
