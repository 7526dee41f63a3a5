<?php

declare(strict_types=1);

namespace App\Classroom;

use App\Comments\Comments;
use App\Library\PictureCache;
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

    /** In all copies that are made at once, so that it takes seconds. */
    private const MOST_TOPICS = 60_000;

    public function __construct(private Connection $database, private MapStore $store, private MapAnswers $answers, private ViewingLinks $links, private Comments $comments, private PictureCache $kept)
    {
    }

    /** @param  array{title: string, question: string, due: string|null, byTeam: bool}  $wish */
    public function give(SchoolClass $class, MapRecord $map, array $wish): HandOut
    {
        $teacher = self::teacher($class->id);
        $pupils = Pupil::query()->with('person')->where('class_id', $class->id)->get()->sortBy('id')->values();
        $teams = $wish['byTeam'] ? $pupils->whereNotNull('team')->groupBy('team')->sortKeys() : $pupils->groupBy('id');
        if ($wish['byTeam'] && $teams->isEmpty()) {
            throw new InvalidEdit('Nobody is in a team yet. Put pupils into teams first, or give a copy to each.', 'byTeam');
        }
        $topics = self::withoutLater($this->store->load($map), null);
        if (count($topics->all()) * max(1, $teams->count()) > self::MOST_TOPICS) {
            throw new InvalidEdit('This is too large to be given to so many at once: all copies together may have 60,000 topics. Give out a part of it, or a copy to each team.', 'map');
        }
        $title = $wish['title'] !== '' ? $wish['title'] : Shelf::title($map->title, $topics->root()->title);
        $handOut = $this->database->transaction(function () use ($class, $map, $wish, $teacher, $topics, $title): HandOut {
            SchoolClass::query()->whereKey($class->id)->lockForUpdate()->value('id');
            if (HandOut::query()->where('class_id', $class->id)->count() >= self::MOST) {
                throw new InvalidEdit('A class has at most 200 hand-outs. Take one away that is over.', 'map');
            }
            $given = $this->copyMap($teacher, $map, $topics, $id = Ids::next(), $title);

            return HandOut::query()->create(['id' => $id, 'class_id' => $class->id, 'given_id' => $given->id, 'map_id' => $map->id, 'model_id' => null, 'title' => $title, 'question' => $wish['question'], 'due' => $wish['due'], 'by_team' => $wish['byTeam'], 'rubric' => [], 'made' => time()]);
        });
        // One after the other: nobody waits for more than one, and whoever is left out has theirs when they come in.
        foreach ($teams as $team) {
            $this->copyFor($handOut, $teacher, array_values($team->all()));
        }

        return $handOut;
    }

    /** Gives a pupil who came later, or came into a team, what the others have. */
    public function catchUp(Pupil $pupil): void
    {
        $all = HandOut::query()->where('class_id', $pupil->class_id)->oldest('id')->get();
        foreach ($all as $handOut) {
            if (! $handOut->by_team || $pupil->team !== null) {
                $this->copyFor($handOut, self::teacher($pupil->class_id), [$pupil]);
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

    /**
     * Lets those into their copy who are in none yet, one that is made where there is none.
     *
     * @param  list<Pupil>  $pupils  one, or those of one team
     */
    private function copyFor(HandOut $handOut, Person $teacher, array $pupils): void
    {
        $this->database->transaction(function () use ($handOut, $teacher, $pupils): void {
            // Somebody may come in on two devices at once.
            HandOut::query()->whereKey($handOut->id)->lockForUpdate()->value('id');
            $pupils = array_values(array_filter($pupils, fn (Pupil $pupil): bool => $this->copiesOf($pupil)->where('hand_out_id', $handOut->id)->doesntExist()));
            if ($pupils === []) {
                return;
            }
            $label = $handOut->by_team ? (string) $pupils[0]->team : $pupils[0]->name;
            $copy = $handOut->by_team ? HandOutCopy::query()->where('hand_out_id', $handOut->id)->where('label', $label)->first() : null;
            if ($copy === null) {
                $given = MapRecord::query()->whereKey($handOut->given_id)->firstOrFail();
                $map = $this->copyMap($teacher, $given, $this->store->load($given), $handOut->id, $handOut->title);
                $copy = HandOutCopy::query()->create(['id' => Ids::next(), 'hand_out_id' => $handOut->id, 'map_id' => $map->id, 'label' => $label, 'state' => CopyState::Open, 'handed_in' => null, 'marks' => [], 'words' => '', 'shown' => null, 'link_id' => null]);
            }
            foreach ($pupils as $pupil) {
                $this->letIn($copy, $teacher, $pupil);
            }
        });
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
        /** @var list<array{topic: string, title: string, isGiven: bool}> $parts */
        $parts = json_decode($this->kept->of($source, ['parts', $handOut->given_id, $handOut->given->seq], function () use ($source, $handOut): string {
            [$map, $given] = [$this->store->load($source), $this->store->load($handOut->given)];

            return json_encode(array_map(fn (string $id): array => ['topic' => $id, 'title' => InlineMarkdown::oneLine($map->topic($id)->title), 'isGiven' => $given->row('topic', $id) !== null], self::later($map)), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
        }), true, 4, JSON_THROW_ON_ERROR);

        return $parts;
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
            // The given map and the copies; one that has become somebody else's is theirs.
            MapRecord::query()->where('hand_out', $handOut->id)->where('person_id', self::teacher($handOut->class_id)->id)->delete();
            HandOut::query()->whereKey($handOut->id)->delete();
        });
    }
}
