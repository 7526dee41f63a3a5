<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Ask\Days;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Place;
use ChalkTree\Edit\Planting;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Edit\Wording;
use ChalkTree\Kind\Values;
use ChalkTree\Map\TopicMap;

/**
 * Begins a branch again, as for the next year: a copy of it right after it, or the branch itself, with its days moved to a
 * new start, its progress cleared and its remarks left behind.
 */
final readonly class DoAgain implements Edit
{
    /** @param  list<string>  $as */
    private function __construct(private string $topic, private string $start, private bool $keepsWeekdays, private bool $isCopy, private array $as)
    {
    }

    public static function name(): string
    {
        return 'branch.again';
    }

    /** "topic"; "start": the day of the earliest one, as it is typed; "today"; "weekdays": whether they are kept; "copy"; "as", the id of the copy. */
    public static function read(Arguments $arguments): self
    {
        $start = Days::read($arguments->string('start'), Days::given($arguments)) ?? throw $arguments->wrong('start', 'This wants a day, such as 5 Dec, 2027-09-11 or +365.');

        return new self($arguments->id('topic'), $start, $arguments->flag('weekdays'), $arguments->flag('copy'), $arguments->has('as') ? [$arguments->id('as')] : []);
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $topic = $map->topic($this->topic, 'topic');
        $ids = array_map(strval(...), array_keys($map->branch($topic->id)));
        $round = NewRound::of($map, $ids, $this->start, $this->keepsWeekdays);
        if (! $this->isCopy) {
            $this->renew($map, $recorder, $ids, $round);

            return;
        }
        if ($topic->id === $map->sheet()->root) {
            throw new InvalidEdit('The whole map cannot stand beside itself. Duplicate it in the library, and begin the copy again without a copy.', 'copy');
        }
        $draft = TopicDraft::of($map, $topic->id);
        $draft->id = $this->as[0] ?? null;
        $draft->title = NewRound::title($draft->title, $round->before($this->start), $this->start);
        $round->renew($draft);
        Planting::plant($map, $recorder, $topic->parked !== null ? Place::behindParked($topic) : Place::behind($topic), [$draft]);
    }

    /** @param  list<string>  $ids */
    private function renew(TopicMap $map, Recorder $recorder, array $ids, NewRound $round): void
    {
        $isWithin = array_flip($ids);
        foreach ($ids as $id) {
            foreach ([$map->row(Task::type(), $id), $map->row(Values::type(), $id)] as $row) {
                $new = $row instanceof Task || $row instanceof Values ? $round->row($row) : null;
                if ($new !== null) {
                    $recorder->keep($new);
                }
            }
        }
        foreach ($map->rowsOf(Remark::class) as $remark) {
            if (isset($isWithin[$remark->at()])) {
                $recorder->drop(Remark::type(), $remark->id);
            }
        }
        $top = $map->topic($ids[0]);
        $title = NewRound::title($top->title, $round->before($this->start), $this->start);
        if ($title !== $top->title) {
            $recorder->put($top->with(['title' => $title]));
        }
    }

    public function sentence(TopicMap $map): string
    {
        return 'Began '.Wording::several(TopicChoice::titles($map, array_values(array_filter([$this->topic], $map->has(...))))).' again from '.Days::long($this->start);
    }
}
