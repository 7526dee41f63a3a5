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
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;

/** Makes an entry: a topic of a kind with everything that belongs to it, dated, in the place where its kind goes. */
final readonly class PutEntry implements Edit
{
    /** @param  list<string>  $as */
    private function __construct(private string $kind, private string $parent, private array $as, private string $today, private string $time, private string $title)
    {
    }

    public static function name(): string
    {
        return 'entry.put';
    }

    /**
     * "kind"; "parent", below which it goes; "as", the ids of the new topics: the entry, then its subtopics in their order;
     * "today" and "time", where the person is; "title" where it is not to follow from the kind.
     */
    public static function read(Arguments $arguments): self
    {
        return new self(
            $arguments->id('kind'), $arguments->id('parent'), $arguments->has('as') ? $arguments->ids('as') : [],
            Days::given($arguments), self::time($arguments), $arguments->has('title') ? $arguments->title() : '',
        );
    }

    private static function time(Arguments $arguments): string
    {
        $time = $arguments->has('time') ? $arguments->string('time') : '';

        return $time === '' || preg_match('/^([01]\d|2[0-3]):[0-5]\d$/D', $time) === 1 ? $time : throw $arguments->wrong('time', '“time” has to be a time as HH:MM.');
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $kind = Kinds::kind($map, $this->kind);
        $parent = $map->topic($this->parent, 'parent')->id;
        if (count($this->as) > 1 + KindParts::MOST) {
            throw new InvalidEdit('There are more ids than topics.', 'as');
        }
        [$parts, $ofKind] = $kind->parts()->drafts(array_slice($this->as, 1));
        $title = $this->title === '' ? Pattern::filled($kind, $map, $parent, $this->today, $this->time) : $this->title;
        $entry = new TopicDraft($title === '' && $parts !== [] ? $kind->text('name') : $title, children: $parts, id: $this->as[0] ?? Ids::next());
        Planting::plant($map, $recorder, $this->place($map, $kind, $parent), [$entry]);
        Beginning::give($map, $recorder, (string) $entry->id, $kind, $this->today);
        foreach ($ofKind as [$draft, $id]) {
            $its = $map->row(Kind::type(), $id);
            if ($its instanceof Kind) {
                Beginning::give($map, $recorder, (string) $draft->id, $its, $this->today);
            }
        }
    }

    private function place(TopicMap $map, Kind $kind, string $parent): Place
    {
        if ($kind->text('goes') === 'first') {
            return Place::read(new Arguments(['parent' => $parent, 'first' => true]));
        }
        $after = $kind->text('goes') === 'by-date' ? $this->lastUpTo($map, $kind, $parent) : null;

        return match ($after) {
            null => Place::below($parent),
            '' => Place::read(new Arguments(['parent' => $parent, 'first' => true])),
            default => Place::behind($map->topic($after)),
        };
    }

    /** The last of the entries of this kind that is not later than today; empty where all are, null where there are none. */
    private function lastUpTo(TopicMap $map, Kind $kind, string $parent): ?string
    {
        $dates = array_filter($kind->fieldIds(), function (string $id) use ($map): bool {
            $field = $map->row(KindField::type(), $id);

            return $field instanceof KindField && $field->sort()->isDay();
        });
        $field = $dates === [] ? null : reset($dates);
        $last = null;
        foreach (array_keys($map->children($parent)) as $id) {
            $id = (string) $id;
            $day = $field !== null && Kinds::idOf($map, $id) === $kind->id ? Kinds::values($map, $id)[$field] ?? null : null;
            if ($day !== null) {
                $last = substr($day, 0, 10) <= $this->today ? $id : $last ?? '';
            }
        }

        return $last;
    }

    public function sentence(TopicMap $map): string
    {
        $kind = $map->row(Kind::type(), $this->kind);

        return 'Made an entry, '.Wording::excerpt($kind instanceof Kind ? $kind->text('name') : '').', below '.Wording::excerpt($map->find($this->parent)->title ?? '');
    }
}
