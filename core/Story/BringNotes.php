<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\Ask\Days;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\Place;
use ChalkTree\Edit\Planting;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Edit\Wording;
use ChalkTree\Kind\KindField;
use ChalkTree\Kind\KindLibrary;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Kind\Values;
use ChalkTree\Map\TopicMap;

/** Adds topics with notes below one, each with the day that it is of. */
final readonly class BringNotes implements Edit
{
    public const MOST = 100;

    /**
     * @param  non-empty-list<TopicDraft>  $drafts
     * @param  array<string, string>  $days  by the ids of topics
     */
    private function __construct(private Place $place, private array $drafts, private array $days)
    {
    }

    public static function name(): string
    {
        return 'notes.bring';
    }

    /** "parent"; "notes", each with "id", "title", "note", and "day" as YYYY-MM-DD where it has one. */
    public static function read(Arguments $arguments): self
    {
        $drafts = $days = [];
        foreach ($arguments->nestedList('notes') as $one) {
            $id = $one->id('id');
            $drafts[] = TopicDraft::read(new Arguments(['id' => $id, 'title' => $one->string('title'), 'note' => $one->string('note')]));
            $day = $one->has('day') ? $one->string('day') : '';
            if ($day !== '') {
                $days[$id] = Days::isOne($day) ? $day : throw $one->wrong('day', '“day” has to be a day as YYYY-MM-DD.');
            }
            $one->refuseRest();
        }
        if ($drafts === [] || count($drafts) > self::MOST) {
            throw $arguments->wrong('notes', 'Bring 1 to '.self::MOST.' notes at a time.');
        }

        return new self(Place::read($arguments), $drafts, $days);
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        Planting::plant($map, $recorder, $this->place, $this->drafts);
        $field = ShippedKinds::fieldId('date');
        if ($this->days !== []) {
            KindLibrary::take($map, $recorder, array_filter(ShippedKinds::rows(), fn ($row): bool => $row instanceof KindField && $row->id === $field));
        }
        foreach ($this->days as $topic => $day) {
            $recorder->keep(Values::fromFields($topic, [])->having([$field => $day]));
        }
    }

    public function sentence(TopicMap $map): string
    {
        $count = count($this->drafts);

        return 'Brought in '.($count === 1 ? Wording::excerpt($this->drafts[0]->title) : "{$count} texts").' '.$this->place->words($map);
    }
}
