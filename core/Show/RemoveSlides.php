<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\TopicMap;

/** Takes slides out of their deck. One that a deck in step makes of its branch would come again, so it is hidden. */
final readonly class RemoveSlides implements Edit
{
    /** @param  non-empty-list<string>  $slides */
    private function __construct(private array $slides)
    {
    }

    public static function name(): string
    {
        return 'slide.remove';
    }

    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('slides'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        foreach (MoveSlides::named($map, $this->slides) as $slide) {
            $deck = $map->row(Deck::type(), $slide->deck());
            if ($deck instanceof Deck && $deck->isInStep() && $slide->text('of') !== '') {
                $recorder->put($slide->with(['hidden' => true]));
            } else {
                $recorder->drop(Slide::type(), $slide->id);
            }
        }
    }

    public function sentence(TopicMap $map): string
    {
        return count($this->slides) === 1 ? 'Removed a slide' : 'Removed '.count($this->slides).' slides';
    }
}
