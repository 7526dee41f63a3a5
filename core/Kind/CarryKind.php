<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\Days;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Place;
use ChalkTree\Edit\Planting;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\Sameness;

/**
 * Carries what a kind has become to the topics that are of it already: subtopics that they lack are added, and first
 * values where fields are empty. Nothing that is there is changed. Its look, its stamp and its fields follow by themselves.
 */
final readonly class CarryKind implements Edit
{
    private function __construct(private string $kind, private string $today)
    {
    }

    public static function name(): string
    {
        return 'kind.carry';
    }

    /** "kind", and "today", where the person is. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->id('kind'), Days::given($arguments));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $kind = Kinds::kind($map, $this->kind);
        $left = Bounds::MOST_TOPICS;
        foreach ($map->rowsOf(TopicKind::class) as $topic => $row) {
            if ($row->text('kind') !== $kind->id || ! $map->has((string) $topic)) {
                continue;
            }
            Beginning::give($map, $recorder, (string) $topic, $kind, $this->today);
            [$parts, $ofKind] = $kind->parts()->drafts([]);
            $kinds = [];
            foreach ($ofKind as [$draft, $id]) {
                $kinds[(string) $draft->id] = $id;
            }
            $this->add($map, $recorder, (string) $topic, $parts, $kinds, $left);
        }
    }

    /**
     * @param  list<TopicDraft>  $parts
     * @param  array<string, string>  $kinds  the kinds of drafts, by id
     * @param  int  $left  how many topics may still be added
     */
    private function add(TopicMap $map, Recorder $recorder, string $topic, array $parts, array $kinds, int &$left): void
    {
        $isBegun = $map->children($topic) !== [];
        foreach ($parts as $part) {
            // What was empty to be typed into has been.
            if ($part->title === '' && $isBegun) {
                continue;
            }
            $there = null;
            foreach ($map->children($topic) as $child) {
                $there ??= Sameness::key($child->title) === Sameness::key($part->title) ? $child->id : null;
            }
            if ($there !== null) {
                $this->add($map, $recorder, $there, $part->children, $kinds, $left);

                continue;
            }
            $left -= $part->count();
            if ($left < 0) {
                throw new InvalidEdit('One edit adds at most 20,000 topics.', 'kind');
            }
            Planting::plant($map, $recorder, Place::below($topic), [$part]);
            foreach ($map->branch((string) $part->id) as $new) {
                $its = isset($kinds[$new->id]) ? $map->row(Kind::type(), $kinds[$new->id]) : null;
                if ($its instanceof Kind) {
                    Beginning::give($map, $recorder, $new->id, $its, $this->today);
                }
            }
        }
    }

    public function sentence(TopicMap $map): string
    {
        $kind = $map->row(Kind::type(), $this->kind);

        return 'Carried the kind '.Wording::excerpt($kind instanceof Kind ? $kind->text('name') : '').' to its topics';
    }
}
