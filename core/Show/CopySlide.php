<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Map\TopicMap;

/** Puts a copy of a slide right after it. */
final readonly class CopySlide implements Edit
{
    private function __construct(private string $slide, private string $as)
    {
    }

    public static function name(): string
    {
        return 'slide.copy';
    }

    /** "slide", and "as" the id of the copy. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->id('slide'), $arguments->id('as'));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        [$slide] = MoveSlides::named($map, [$this->slide]);
        if ($map->row(Slide::type(), $this->as) !== null) {
            throw new InvalidEdit('There is a slide with this id already.', 'as');
        }
        if (count($map->rowsOf(Slide::class)) >= Slide::MOST) {
            throw new InvalidEdit('A map holds at most '.number_format(Slide::MOST).' slides.', 'as');
        }
        // What the branch of the deck makes is there once; a copy is one's own, with the title and the notes that were seen.
        $own = ['of' => null, 'title' => mb_substr($slide->titleIn($map), 0, 300), 'notes' => mb_substr($slide->saidIn($map), 0, 50_000)];
        $recorder->put(Slide::fromFields($this->as, $own + ['rank' => SlideOrder::after($map, $slide->deck(), $slide->id)] + $slide->fields()));
    }

    public function sentence(TopicMap $map): string
    {
        return 'Duplicated a slide';
    }
}
