<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\TopicMap;

/** Makes a slide of topics, each with its branch as it is folded; in a deck that is made with it where there is none. */
final readonly class AddSlide implements Edit
{
    /**
     * @param  list<string>  $topics
     * @param  list<string>  $folded
     */
    private function __construct(private string $as, private string $deck, private array $topics, private array $folded, private ?string $after, private string $title)
    {
    }

    public static function name(): string
    {
        return 'slide.add';
    }

    /** "as" is its id, "deck" that of its deck; "topics" and "folded" ones among what is below them; "after" another slide, else it is the last; "title". */
    public static function read(Arguments $arguments): self
    {
        $title = $arguments->has('title') ? $arguments->title() : '';
        if (mb_strlen($title) > 300) {
            throw $arguments->wrong('title', 'The title of a slide has at most 300 characters.');
        }

        return new self(
            $arguments->id('as'), $arguments->id('deck'), $arguments->has('topics') ? $arguments->ids('topics') : [],
            $arguments->has('folded') ? $arguments->ids('folded') : [], $arguments->has('after') ? $arguments->idOrNull('after') : null, $title,
        );
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        if ($map->row(Slide::type(), $this->as) !== null) {
            throw new InvalidEdit('There is a slide with this id already.', 'as');
        }
        if (count($map->rowsOf(Slide::class)) >= Slide::MOST) {
            throw new InvalidEdit('A map holds at most '.number_format(Slide::MOST).' slides.', 'as');
        }
        if (count($this->topics) + count($this->folded) > SlideTopics::MOST) {
            throw new InvalidEdit('A slide names at most '.SlideTopics::MOST.' topics, those that are folded on it too. Choose one with less below it.', 'topics');
        }
        if (! $map->row(Deck::type(), $this->deck) instanceof Deck) {
            if (count($map->rowsOf(Deck::class)) >= Deck::MOST) {
                throw new InvalidEdit('A map holds at most '.Deck::MOST.' decks.', 'deck');
            }
            $recorder->put(Deck::fromFields($this->deck, ['name' => 'Slides']));
        }
        foreach ([...$this->topics, ...$this->folded] as $topic) {
            $map->topic($topic, 'topics');
        }
        $tops = $this->topics === [] ? [] : TopicChoice::tops($map, $this->topics);
        $recorder->put(Slide::fromFields($this->as, [
            'deck' => $this->deck, 'rank' => SlideOrder::after($map, $this->deck, $this->after), 'title' => $this->title,
            'topics' => SlideTopics::branches(array_map(fn ($top): string => $top->id, array_values($tops)), $this->folded)->text(),
        ]));
    }

    public function sentence(TopicMap $map): string
    {
        return $this->topics === [] ? 'Made a slide' : 'Made a slide of '.Wording::several(TopicChoice::titles($map, array_values(array_filter($this->topics, $map->has(...)))));
    }
}
