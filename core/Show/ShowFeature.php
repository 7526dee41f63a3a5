<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Settles;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Feature;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\WithoutMarks;

/** Showing maps: decks of slides. */
final class ShowFeature implements Feature, Settles
{
    use WithoutMarks;

    public function rows(): array
    {
        return [Deck::class, Slide::class];
    }

    public function edits(): array
    {
        return [MakeDeck::class, RemoveDeck::class, AddSlide::class, MoveSlides::class, CopySlide::class, RemoveSlides::class, PutOnSlide::class];
    }

    public function schema(): array
    {
        $text = ['type' => 'string'];
        $ids = ['type' => 'array', 'items' => $text];
        $flag = ['type' => 'boolean'];
        $orNull = ['type' => ['string', 'null']];

        return [
            'MakeDeck' => ['name' => MakeDeck::name(), 'properties' => ['as' => $text, 'title' => $text, 'of' => $orNull, 'makes' => ['enum' => array_map(fn (Makes $one): string => $one->value, Makes::cases())], 'inStep' => $flag], 'required' => ['as', 'title']],
            'RemoveDeck' => ['name' => RemoveDeck::name(), 'properties' => ['deck' => $text], 'required' => ['deck']],
            'AddSlide' => ['name' => AddSlide::name(), 'properties' => ['as' => $text, 'deck' => $text, 'topics' => $ids, 'folded' => $ids, 'after' => $orNull, 'title' => $text], 'required' => ['as', 'deck']],
            'MoveSlides' => ['name' => MoveSlides::name(), 'properties' => ['slides' => $ids, 'deck' => $text, 'after' => $orNull], 'required' => ['slides', 'deck', 'after']],
            'CopySlide' => ['name' => CopySlide::name(), 'properties' => ['slide' => $text, 'as' => $text], 'required' => ['slide', 'as']],
            'RemoveSlides' => ['name' => RemoveSlides::name(), 'properties' => ['slides' => $ids], 'required' => ['slides']],
            'PutOnSlide' => ['name' => PutOnSlide::name(), 'properties' => ['slide' => $text, 'topics' => $ids, 'how' => ['enum' => PutOnSlide::ways()]], 'required' => ['slide', 'topics', 'how']],
        ];
    }

    /**
     * No slide without a deck and a place in it. What is new in the branch of a deck that keeps in step becomes a slide there.
     * Nothing is looked at but what changed.
     */
    public function settle(TopicMap $map, Recorder $recorder): void
    {
        foreach (array_keys($recorder->beforeOf(Slide::type())) as $id) {
            $slide = $map->row(Slide::type(), (string) $id);
            if ($slide instanceof Slide && ! $map->row(Deck::type(), $slide->deck()) instanceof Deck) {
                $recorder->drop(Slide::type(), $slide->id);
            } elseif ($slide instanceof Slide && $slide->text('rank') === '') {
                $recorder->put($slide->with(['rank' => SlideOrder::after($map, $slide->deck(), null)]));
            }
        }
        foreach (array_keys($recorder->beforeOf(Deck::type())) as $id) {
            foreach ($map->row(Deck::type(), (string) $id) === null ? Decks::kept($map, (string) $id) : [] as $slide) {
                $recorder->drop(Slide::type(), $slide->id);
            }
        }
        $touched = $recorder->touchedTopics();
        if ($touched === []) {
            return;
        }
        foreach ($map->rowsOf(Deck::class) as $deck) {
            $makes = $deck->isInStep() && $map->has($deck->text('of')) ? $deck->makes() : null;
            if ($makes === Makes::Levels) {
                self::addLevels($map, $recorder, $deck, array_map(strval(...), array_keys($touched)));
            } elseif ($makes !== null) {
                self::addTopics($map, $recorder, $deck, $makes, array_map(strval(...), array_keys($touched)));
            }
        }
    }

    /**
     * How deep a branch is now is told by what changed; nothing else of it is read.
     *
     * @param  list<string>  $touched
     */
    private static function addLevels(TopicMap $map, Recorder $recorder, Deck $deck, array $touched): void
    {
        $of = $deck->text('of');
        $deepest = 0;
        foreach ($touched as $id) {
            $above = $map->has($id) ? array_map(fn (Topic $topic): string => $topic->id, $map->ancestors($id)) : [];
            $at = array_search($of, $above, true);
            // What was moved there brought along what is below it.
            $deepest = $at === false ? $deepest : max($deepest, $at + $map->height($id, Makes::MOST));
        }
        $known = array_map(fn (Slide $slide): ?int => $slide->text('of') === $of ? $slide->number('depth') : null, $deepest === 0 ? [] : Decks::kept($map, $deck->id));
        for ($depth = 1; $depth <= min($deepest, Makes::MOST - 1); $depth++) {
            if (! in_array($depth, $known, true) && count($map->rowsOf(Slide::class)) < Slide::MOST) {
                $recorder->put(Decks::slide($deck->id, SlideOrder::after($map, $deck->id, null), $of, $depth, Ids::next()));
            }
        }
    }

    /** @param  list<string>  $touched */
    private static function addTopics(TopicMap $map, Recorder $recorder, Deck $deck, Makes $makes, array $touched): void
    {
        $known = array_fill_keys(array_map(fn (Slide $slide): string => $slide->text('of'), Decks::kept($map, $deck->id)), true);
        $new = array_values(array_filter($touched, fn (string $id): bool => ! isset($known[$id]) && $makes->isOf($map, $deck->text('of'), $id)));
        foreach ($new === [] ? [] : TopicChoice::inOrder($map, $new) as $id) {
            $slides = Decks::kept($map, $deck->id);
            if (count($slides) >= Makes::MOST || count($map->rowsOf(Slide::class)) >= Slide::MOST) {
                return;
            }
            $after = self::before($map, $slides, $map->topic($id), $deck->text('of'));
            $slide = Decks::slide($deck->id, 'a0', $id, $makes->depth($map, $id), Ids::next());
            SlideOrder::put($map, $recorder, $deck->id, [$slide], $after);
        }
    }

    /**
     * The slide after which that of a topic belongs: the last of the nearest sibling before it that has any in its branch, or
     * that of the parent.
     *
     * @param  list<Slide>  $slides
     */
    private static function before(TopicMap $map, array $slides, Topic $topic, string $branch): ?string
    {
        if ($topic->id === $branch || $topic->parent === null) {
            return null;
        }
        $siblings = array_map(strval(...), array_keys($map->children($topic->parent)));
        $at = (int) array_search($topic->id, $siblings, true);
        foreach (array_reverse(array_slice($siblings, 0, $at)) as $sibling) {
            $its = array_filter($slides, fn (Slide $slide): bool => $map->has($slide->text('of')) && $map->isWithin($slide->text('of'), $sibling));
            if ($its !== []) {
                return $its[array_key_last($its)]->id;
            }
        }
        foreach ($slides as $slide) {
            if ($slide->text('of') === $topic->parent) {
                return $slide->id;
            }
        }

        return $topic->parent === $branch ? null : self::before($map, $slides, $map->topic($topic->parent), $branch);
    }
}
