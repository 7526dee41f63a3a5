<?php

declare(strict_types=1);

namespace App\Classroom;

use App\Comments\Comments;
use App\Library\Shelf;
use App\Models\HandOut;
use App\Models\HandOutCopy;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\Pupil;
use App\Models\SchoolClass;
use App\Models\Share;
use App\Models\ViewingLink;
use App\Store\MapAnswers;
use App\Store\MapStore;
use App\Viewing\ViewingLinks;
use ChalkTree\Compare\Beside;
use ChalkTree\Compare\BringTopics;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Link\OwnWays;
use ChalkTree\Lock\Lock;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/**
 * Gives maps out to a class. Each pupil or team has a copy, which is the teacher's map and shared with them for as long
 * as they work on it; beside the copies lies the map as it was given, which they are held against. Topics that come
 * later are in neither until they are given.
 */
final readonly class HandOuts
{
    /** Of one class. */
    private const MOST = 200;

    public function __construct(private Connection $database, private MapStore $store, private MapAnswers $answers, private ViewingLinks $links, private Comments $comments)
    {
    }

    /** @param  array{title: string, question: string, due: string|null, byTeam: bool}  $wish */
    public function give(SchoolClass $class, MapRecord $map, array $wish): HandOut
    {
        return $this->database->transaction(function () use ($class, $map, $wish): HandOut {
            $teacher = self::teacher($class->id);
            $pupils = Pupil::query()->with('person')->where('class_id', $class->id)->get()->sortBy('id')->values();
            if (HandOut::query()->where('class_id', $class->id)->count() >= self::MOST) {
                throw new InvalidEdit('A class has at most 200 hand-outs. Take one away that is over.', 'map');
            }
            if ($wish['byTeam'] && $pupils->whereNotNull('team')->isEmpty()) {
                throw new InvalidEdit('Nobody is in a team yet. Put pupils into teams first, or give a copy to each.', 'byTeam');
            }
            $id = Ids::next();
            $topics = self::withoutLater($this->store->load($map), null);
            $title = $wish['title'] !== '' ? $wish['title'] : Shelf::title($map->title, $topics->root()->title);
            $given = $this->copyMap($teacher, $map, $topics, $id, $title);
            $handOut = HandOut::query()->create(['id' => $id, 'class_id' => $class->id, 'given_id' => $given->id, 'map_id' => $map->id, 'model_id' => null, 'title' => $title, 'question' => $wish['question'], 'due' => $wish['due'], 'by_team' => $wish['byTeam'], 'rubric' => [], 'made' => time()]);
            foreach ($wish['byTeam'] ? $pupils->whereNotNull('team')->groupBy('team')->sortKeys() : $pupils->groupBy('id') as $team) {
                $this->copyFor($handOut, $given, $teacher, $wish['byTeam'] ? (string) $team->first()?->team : (string) $team->first()?->name, array_values($team->all()));
            }

            return $handOut;
        });
    }

    /** Gives a pupil who came later, or came into a team, what the others have. */
    public function catchUp(Pupil $pupil): void
    {
        $all = HandOut::query()->with('given')->where('class_id', $pupil->class_id)->oldest('id')->get();
        $teacher = $all->isEmpty() ? null : self::teacher($pupil->class_id);
        foreach ($all as $handOut) {
            if ($teacher === null || ($handOut->by_team && $pupil->team === null) || $this->copiesOf($pupil)->where('hand_out_id', $handOut->id)->exists()) {
                continue;
            }
            $copy = $handOut->by_team ? HandOutCopy::query()->where('hand_out_id', $handOut->id)->where('label', $pupil->team)->first() : null;
            if ($copy === null) {
                $this->copyFor($handOut, $handOut->given, $teacher, $pupil->team !== null && $handOut->by_team ? $pupil->team : $pupil->name, [$pupil]);
            } else {
                $this->letIn($copy, $teacher, $pupil);
            }
        }
    }

    /** Somebody who is in another team now no longer opens what the one before has. */
    public function leaveTeams(Pupil $pupil): void
    {
        foreach ($this->copiesOf($pupil)->whereHas('handOut', fn (Builder $handOut) => $handOut->where('by_team', true))->get() as $copy) {
            $copy->pupils()->detach($pupil->id);
            $this->sharesOf($copy)->where('email', $pupil->person->email)->each(fn (Share $share) => $share->delete());
        }
    }

    /** @return Collection<int, Share> those of its pupils, not of others whom the teacher let in */
    private function sharesOf(HandOutCopy $copy): Collection
    {
        return Share::query()->where('map_id', $copy->map_id)->get()->filter(fn (Share $share): bool => str_ends_with($share->email, SchoolClasses::NO_ADDRESS));
    }

    /** A map that a hand-out was made of, or is held against, for as long as its teacher works in it. */
    public function own(HandOut $handOut, ?string $map): ?MapRecord
    {
        return $map === null ? null : self::teacher($handOut->class_id)->map($map);
    }

    private static function teacher(string $class): Person
    {
        return Person::query()->whereKey(SchoolClass::query()->whereKey($class)->value('person_id'))->firstOrFail();
    }

    /** @return Builder<HandOutCopy> */
    public function copiesOf(Pupil $pupil): Builder
    {
        return HandOutCopy::query()->whereHas('pupils', fn (Builder $pupils) => $pupils->whereKey($pupil->id));
    }

    /** @param  list<Pupil>  $pupils */
    private function copyFor(HandOut $handOut, MapRecord $given, Person $teacher, string $label, array $pupils): void
    {
        $map = $this->copyMap($teacher, $given, $this->store->load($given), $handOut->id, $handOut->title);
        $copy = HandOutCopy::query()->create(['id' => Ids::next(), 'hand_out_id' => $handOut->id, 'map_id' => $map->id, 'label' => $label, 'state' => CopyState::Open, 'handed_in' => null, 'marks' => [], 'words' => '', 'shown' => null, 'link_id' => null]);
        foreach ($pupils as $pupil) {
            $this->letIn($copy, $teacher, $pupil);
        }
    }

    /** A map of the teacher's that stands with its class; its topics keep their ids, by which they are known again. */
    private function copyMap(Person $teacher, MapRecord $from, TopicMap $topics, string $handOut, string $title): MapRecord
    {
        $copy = clone $topics;
        OwnWays::turn($copy, $from->id, $id = Ids::next());
        $record = $this->store->create($teacher, $copy, null, $id);
        $record->update(['title' => $title, 'hand_out' => $handOut]);

        return $record;
    }

    private function letIn(HandOutCopy $copy, Person $teacher, Pupil $pupil): void
    {
        $copy->pupils()->attach($pupil->id);
        Share::query()->create(['id' => Ids::next(), 'owner_id' => $teacher->id, 'map_id' => $copy->map_id, 'folder_id' => null, 'email' => $pupil->person->email, 'made' => time(), 'role' => $copy->state->role()]);
    }

    /**
     * What may leave a map, without the topics that come later, but one.
     *
     * @param  string|null  $but  a topic that is given now
     */
    private static function withoutLater(TopicMap $map, ?string $but): TopicMap
    {
        $map = Outgoing::of($map);
        $gone = [];
        foreach (self::later($map) as $topic) {
            $gone += $topic === $but ? [] : $map->branch($topic);
        }
        $given = new TopicMap([$map->sheet(), ...array_values(array_diff_key($map->all(), $gone))]);
        foreach ($map->living() as $row) {
            if (array_intersect_key(array_flip($row->topics()), $gone) === [] && ! ($row instanceof Lock && $row->isLater())) {
                $given->put($row);
            }
        }

        return $given;
    }

    /** @return list<string> the topics that come later, the highest of each branch */
    private static function later(TopicMap $map): array
    {
        $later = array_filter($map->rowsOf(Lock::class), fn (Lock $row): bool => $row->isLater());
        $all = array_map(strval(...), array_keys(array_intersect_key($map->all(), $later)));

        return array_values(array_filter($all, fn (string $id): bool => array_intersect_key(array_flip(array_map(fn (Topic $topic): string => $topic->id, $map->ancestors($id))), $later) === [] && $id !== $map->sheet()->root));
    }

    /** @return list<array{topic: string, title: string, isGiven: bool}> the parts that come later, or came so */
    public function parts(HandOut $handOut): array
    {
        $source = $this->own($handOut, $handOut->map_id);
        if ($source === null) {
            return [];
        }
        [$map, $given] = [$this->store->load($source), $this->store->load($handOut->given)];

        return array_map(fn (string $id): array => ['topic' => $id, 'title' => InlineMarkdown::oneLine($map->topic($id)->title), 'isGiven' => $given->row('topic', $id) !== null], self::later($map));
    }

    /** Gives a part that was kept back to all, into the place where it stands in the map that it comes from. */
    public function givePart(HandOut $handOut, string $topic): void
    {
        $record = $this->own($handOut, $handOut->map_id);
        $source = $record === null ? null : $this->store->load($record);
        if ($source === null || ! in_array($topic, self::later($source), true)) {
            throw new InvalidEdit('This part is not one that comes later, or no longer there.', 'topic');
        }
        $source = self::withoutLater($source, $topic);
        $teacher = self::teacher($handOut->class_id);
        foreach ([$handOut->given_id, ...HandOutCopy::query()->where('hand_out_id', $handOut->id)->oldest('id')->pluck('map_id')->all()] as $id) {
            $record = MapRecord::query()->whereKey($id)->firstOrFail();
            $topics = $this->store->load($record);
            if ($topics->row(Topic::type(), $topic) === null) {
                $parent = $source->topic($topic)->parent;
                $parent = $parent !== null && $topics->has($parent) ? $parent : $topics->sheet()->root;
                $edit = ['id' => Ids::next(), 'name' => BringTopics::name(), 'parent' => $parent, 'after' => self::before($source, $topic), 'topic' => self::draft($source, $topic, TopicDraft::of($source, $topic))];
                $this->answers->edit($record, $teacher, $record->seq, [$edit], all: true);
            }
        }
    }

    /** @return list<string> the topics before one, the nearest first, as Beside reads them */
    private static function before(TopicMap $map, string $topic): array
    {
        $all = array_map(strval(...), array_keys($map->children((string) $map->topic($topic)->parent)));
        $before = array_reverse(array_slice($all, 0, (int) array_search($topic, $all, true)));

        return [...array_slice($before, 0, Beside::MOST - 1), Beside::FIRST];
    }

    /**
     * A draft as the wire has it, whose topics keep their ids.
     *
     * @return array<string, mixed>
     */
    private static function draft(TopicMap $map, string $id, TopicDraft $draft): array
    {
        $children = [];
        foreach (array_keys($map->children($id)) as $n => $child) {
            $children[] = self::draft($map, (string) $child, $draft->children[$n]);
        }

        return ['id' => $id, ...array_diff_key($draft->toArray(), ['children' => true]), ...($children === [] ? [] : ['children' => $children])];
    }

    /** A pupil hands in what they, or their team, did: it stays so until it is given back. */
    public function handIn(HandOutCopy $copy): void
    {
        $this->setState($copy, CopyState::In);
    }

    public function setState(HandOutCopy $copy, CopyState $state): void
    {
        $this->database->transaction(function () use ($copy, $state): void {
            $copy->update(['state' => $state, 'handed_in' => $state === CopyState::In ? time() : $copy->handed_in]);
            // Each by itself, so that open windows follow.
            $this->sharesOf($copy)->each(fn (Share $share) => $share->update(['role' => $state->role()]));
        });
    }

    /**
     * @param  list<int|null>  $marks
     */
    public function mark(HandOutCopy $copy, array $marks, string $words): void
    {
        foreach ($marks as $n => $mark) {
            if ($mark !== null && $mark > ($copy->handOut->rubric[$n]['points'] ?? -1)) {
                throw new InvalidEdit('This is more than there is for it.', 'marks');
            }
        }
        $copy->update(['marks' => $marks, 'words' => $words]);
    }

    /** Lets all of the class look at a copy, with or without the name of whose it is, or no longer. */
    public function show(HandOutCopy $copy, ?string $how): void
    {
        $this->database->transaction(function () use ($copy, $how): void {
            if ($how === null) {
                ViewingLink::query()->whereKey($copy->link_id)->delete();
                $copy->update(['shown' => null, 'link_id' => null]);

                return;
            }
            $link = $copy->link ?? $this->links->make($copy->map, ['topic' => null, 'until' => null, 'password' => null, 'notes' => true, 'files' => false, 'copying' => false]);
            $copy->update(['shown' => $how, 'link_id' => $link->id]);
        });
    }

    /** Says the same to all, or to some, as a comment on the root of what they have. */
    public function say(HandOut $handOut, string $text, ?HandOutCopy $to): int
    {
        $teacher = self::teacher($handOut->class_id);
        $copies = $to === null ? HandOutCopy::query()->with('map')->where('hand_out_id', $handOut->id)->oldest('id')->get() : $to->newCollection([$to->load('map')]);
        foreach ($copies as $copy) {
            $this->comments->say($copy->map, $teacher, Ids::next(), $copy->map->root, null, $text);
        }

        return $copies->count();
    }

    /** Takes a hand-out away with its copies. */
    public function delete(HandOut $handOut): void
    {
        $this->database->transaction(function () use ($handOut): void {
            MapRecord::query()->whereKey(HandOutCopy::query()->where('hand_out_id', $handOut->id)->pluck('map_id'))->delete();
            MapRecord::query()->whereKey($handOut->given_id)->delete();
            HandOut::query()->whereKey($handOut->id)->delete();
        });
    }
}
