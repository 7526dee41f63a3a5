<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Rank;
use ChalkTree\Map\TopicMap;

/** Makes a deck: an empty one, or one with the slides that a branch makes. */
final readonly class MakeDeck implements Edit
{
    private function __construct(private string $as, private string $name, private ?string $of, private Makes $makes, private bool $inStep)
    {
    }

    public static function name(): string
    {
        return 'deck.make';
    }

    /** "as" is its id, "title" its name; "of" the topic of the branch, "makes" see Makes, "inStep" whether it follows the map. */
    public static function read(Arguments $arguments): self
    {
        $name = $arguments->title();
        if (trim($name) === '' || mb_strlen($name) > 100) {
            throw $arguments->wrong('title', 'A deck has a name of at most 100 characters.');
        }
        $makes = $arguments->has('makes') ? $arguments->oneOf('makes', array_map(fn (Makes $one): string => $one->value, Makes::cases())) : Makes::Children->value;

        return new self($arguments->id('as'), trim($name), $arguments->has('of') ? $arguments->idOrNull('of') : null, Makes::from($makes), $arguments->flag('inStep'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        if ($map->row(Deck::type(), $this->as) !== null) {
            throw new InvalidEdit('There is a deck with this id already.', 'as');
        }
        if (count($map->rowsOf(Deck::class)) >= Deck::MOST) {
            throw new InvalidEdit('A map holds at most '.Deck::MOST.' decks.', 'as');
        }
        $made = $this->of === null ? [] : $this->makes->of($map, $map->topic($this->of, 'of')->id);
        if ($this->of !== null && $made === []) {
            throw new InvalidEdit($this->makes === Makes::Noted ? 'Nothing in this branch has a note.' : 'There is nothing below this topic to make slides of.', 'of');
        }
        if (count($map->rowsOf(Slide::class)) + count($made) > Slide::MOST) {
            throw new InvalidEdit('A map holds at most '.number_format(Slide::MOST).' slides.', 'of');
        }
        $recorder->put(Deck::fromFields($this->as, ['name' => $this->name] + ($this->of === null ? [] : ['of' => $this->of, 'makes' => $this->makes->value, 'inStep' => $this->inStep])));
        foreach (array_combine(Rank::run(null, null, count($made)), $made) as $rank => $one) {
            $recorder->put(Decks::slide($this->as, (string) $rank, $one['of'], $one['depth'], Ids::next()));
        }
    }

    public function sentence(TopicMap $map): string
    {
        return "Made the deck “{$this->name}”";
    }
}
