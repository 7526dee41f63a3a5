<?php

declare(strict_types=1);

namespace App\Store;

use App\Files\Admission;
use App\Models\EditRecord;
use App\Models\MapRecord;
use App\Models\Person;
use Carbon\CarbonImmutable;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\ChangedSince;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Invariants;
use ChalkTree\Edit\Quiet;
use ChalkTree\Edit\Recorder;
use ChalkTree\Lock\Locks;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\Refusal;
use Illuminate\Support\Collection;

/**
 * Makes edits on a map that is in memory and in the database alike: applies them, records them, writes them. The
 * caller holds the transaction. Besides the core's edits it knows three that work on the record itself: "undo",
 * "redo", and "history.return", which takes back everything after a number.
 */
final readonly class MapEditing
{
    public function __construct(private MapStore $store, private EditLog $log, private TypedSteps $typed, private Admission $admission, private WritingDays $days)
    {
    }

    /**
     * Makes one edit.
     *
     * @return Changes|null what it changed, if anything; null if it had been made before
     *
     * @throws Refusal having changed nothing
     */
    public function make(MapRecord $record, TopicMap $map, Person $person, EditBody $edit): ?Changes
    {
        if ($this->log->has($record, $edit->id)) {
            return null;
        }
        $this->typed->close($record, $map, $edit->step);
        [$kind, $step, $summary, $changes] = $made = match ($edit->name) {
            'undo' => $this->undo($record, $map, $person, new Arguments($edit->arguments)),
            'redo' => $this->redo($record, $map, $person),
            'history.return' => $this->return($record, $map, $person, $edit),
            default => $this->apply($record, $map, $person, $edit),
        };
        $this->keep($record, $map, $person, $edit->id, $edit->name, $made);
        if ($kind === 'undo' || $kind === 'redo') {
            $this->followElsewhere($record, $person, $step, $edit->name);
        }

        return $changes;
    }

    /** What of a map is locked for somebody; for its owner nothing is. */
    private static function locks(MapRecord $record, TopicMap $map, Person $person): ?Locks
    {
        return $record->person_id === $person->id ? null : Locks::of($map);
    }

    /**
     * Lets the map have what an edit has changed, and the pictures and files that it has brought.
     *
     * @param  Locks|null  $locks  as they were before
     *
     * @throws Refusal having changed nothing
     */
    private function admit(MapRecord $record, TopicMap $map, Person $person, Changes $changes, ?Locks $locks): void
    {
        try {
            $locks?->check($changes);
            $this->admission->admit($record, $map, $person, $changes);
        } catch (Refusal $refusal) {
            $changes->reversed()->applyTo($map, new Recorder($map));

            throw $refusal;
        }
    }

    /** @param  array{string, string, string, Changes}  $made */
    private function keep(MapRecord $record, TopicMap $map, Person $person, string $id, string $name, array $made): void
    {
        [$kind, $step, $summary, $changes] = $made;
        $this->log->append($record, $person, $id, $step, $kind, $name, $summary, $changes);
        $this->store->save($record, $map, $changes);
        $record->save();
        $this->days->note($record, $person, $map, $changes);
    }

    /**
     * A step that changed several maps is undone and redone in all of them. Where something there has been changed
     * since, that map is left as it is.
     */
    private function followElsewhere(MapRecord $record, Person $person, string $step, string $name): void
    {
        $isUndo = $name === 'undo';
        foreach ($this->log->elsewhere($record, $person, $step, $isUndo ? 'done' : 'undone') as $id) {
            $other = $person->map($id, held: true);
            if ($other === null) {
                continue;
            }
            try {
                $map = $this->store->load($other);
                $records = $this->log->ofStep($other, $person, $step, $isUndo ? 'done' : 'undone');
                $changes = $this->replay($map, $isUndo ? $records : $records->reverse()->values(), reversed: $isUndo, empty: 'There is nothing to undo.', locks: self::locks($other, $map, $person));
                $this->log->mark($other, $records, $isUndo ? 'undone' : 'done');
                $this->keep($other, $map, $person, Ids::next(), $name, [$name, $step, ($isUndo ? 'Undid: ' : 'Redid: ').$records[0]->summary, $changes]);
            } catch (Refusal) {
                continue;
            }
        }
    }

    /** @return array{string, string, string, Changes} */
    private function apply(MapRecord $record, TopicMap $map, Person $person, EditBody $body): array
    {
        $edit = $body->edit();
        $locks = self::locks($record, $map, $person);
        $changes = Edits::apply($edit, $map, CarbonImmutable::now()->getTimestamp(), $person->name);
        $this->admit($record, $map, $person, $changes, $locks);

        return [$edit instanceof Quiet ? EditLog::TOLD : 'do', $body->step, $edit->sentence($map), $changes];
    }

    /**
     * "forget": it cannot be redone, as for a topic that was begun and left empty. "of": the step that is meant; if
     * something was done since, nothing is undone.
     *
     * @return array{string, string, string, Changes}
     */
    private function undo(MapRecord $record, TopicMap $map, Person $person, Arguments $arguments): array
    {
        $forget = $arguments->flag('forget');
        $of = $arguments->has('of') ? $arguments->id('of') : null;
        $arguments->refuseRest();
        $records = $this->log->undoable($record, $person);
        if ($of !== null && $records->first()?->step !== $of) {
            throw new ChangedSince('Something has been done since, so this was left as it is.');
        }
        $changes = $this->replay($map, $records, reversed: true, empty: 'There is nothing to undo.', locks: self::locks($record, $map, $person));
        $this->log->mark($record, $records, $forget ? 'dropped' : 'undone');

        return ['undo', $records[0]->step, 'Undid: '.$records[count($records) - 1]->summary, $changes];
    }

    /** @return array{string, string, string, Changes} */
    private function redo(MapRecord $record, TopicMap $map, Person $person): array
    {
        $records = $this->log->redoable($record, $person);
        $changes = $this->replay($map, $records, reversed: false, empty: 'There is nothing to redo.', locks: self::locks($record, $map, $person));
        $this->log->mark($record, $records, 'done');

        return ['redo', $records[0]->step, 'Redid: '.$records[0]->summary, $changes];
    }

    /** @param  Collection<int, EditRecord>  $records */
    private function replay(TopicMap $map, Collection $records, bool $reversed, string $empty, ?Locks $locks): Changes
    {
        if ($records->isEmpty()) {
            throw new NothingToUndo($empty);
        }
        $changes = $records->map(fn (EditRecord $record): Changes => $record->changes);

        return $this->together($map, $reversed ? $changes->map(fn (Changes $c): Changes => $c->reversed())->all() : $changes->all(), $locks);
    }

    /** @return array{string, string, string, Changes} */
    private function return(MapRecord $record, TopicMap $map, Person $person, EditBody $body): array
    {
        $to = $body->arguments['seq'] ?? null;
        if (! is_int($to) || $to < 0 || $to >= $record->seq) {
            throw new InvalidEdit('Name a number from the history to return to.', 'seq');
        }
        $changes = $this->together($map, array_map(fn (Changes $c): Changes => $c->reversed(), array_reverse($this->log->since($record, $to))), self::locks($record, $map, $person));
        $count = $record->seq - $to;

        return ['do', $body->step, 'Returned to how the map was '.($count === 1 ? 'one edit' : "{$count} edits").' before', $changes];
    }

    /**
     * Applies several records one after the other, all or none.
     *
     * @param  array<Changes>  $records
     */
    private function together(TopicMap $map, array $records, ?Locks $locks): Changes
    {
        $recorder = new Recorder($map);
        try {
            foreach ($records as $changes) {
                $changes->applyTo($map, $recorder);
            }
            $problem = Invariants::settle($map, $recorder, isBack: true);
            if ($problem !== null) {
                throw new ChangedSince("What this would bring back no longer fits into the map, so everything was left as it is. {$problem}");
            }
            $locks?->check($recorder->changes());
        } catch (Refusal $refusal) {
            $recorder->rollBack();

            throw $refusal;
        }

        return $recorder->changes();
    }
}
