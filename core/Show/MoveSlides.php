<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\TopicMap;

/** Moves slides to another place in their deck, or into another deck. */
final readonly class MoveSlides implements Edit
{
    /** @param  non-empty-list<string>  $slides */
    private function __construct(private array $slides, private string $deck, private ?string $after)
    {
    }

    public static function name(): string
    {
        return 'slide.move';
    }

    /** "slides" in the order they are to have, "deck", and "after" the slide they come after, null to be the first. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('slides'), $arguments->id('deck'), $arguments->idOrNull('after'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        if (! $map->row(Deck::type(), $this->deck) instanceof Deck) {
            throw new InvalidEdit('This deck is not in the map any more.', 'deck');
        }
        if (in_array($this->after, $this->slides, true)) {
            throw new InvalidEdit('A slide cannot come after itself.', 'after');
        }
        SlideOrder::put($map, $recorder, $this->deck, self::named($map, $this->slides), $this->after);
    }

    /**
     * @param  non-empty-list<string>  $ids
     * @return non-empty-list<Slide>
     */
    public static function named(TopicMap $map, array $ids): array
    {
        return array_map(function (string $id) use ($map): Slide {
            $slide = $map->row(Slide::type(), $id);

            return $slide instanceof Slide ? $slide : throw new InvalidEdit('This slide is not in the map any more.', 'slides');
        }, array_values(array_unique($ids)));
    }

    public function sentence(TopicMap $map): string
    {
        return count($this->slides) === 1 ? 'Moved a slide' : 'Moved '.count($this->slides).' slides';
    }
}
