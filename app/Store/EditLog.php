<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\EditRecord;
use App\Models\MapRecord;
use App\Models\Person;
use Carbon\CarbonImmutable;
use ChalkTree\Edit\Changes;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;

/**
 * The records of all edits, in order. Those a person made ("do") are in one of three states: done, undone, or dropped
 * (undone and then left behind by a new edit). Undoing and redoing are recorded too, as edits of their own.
 */
final readonly class EditLog
{
    /** The kind of those that nobody made; see Quiet. */
    public const TOLD = 'told';

    public function has(MapRecord $map, string $edit): bool
    {
        return $this->of($map)->where('edit_id', $edit)->exists();
    }

    /** Appends a record and moves the map's number on. */
    public function append(MapRecord $map, Person $person, string $edit, string $step, string $kind, string $name, string $summary, Changes $changes): void
    {
        $map->seq++;
        $now = CarbonImmutable::now();
        $map->updated_at = $kind === self::TOLD ? $map->updated_at : $now;
        // One that changed nothing is kept only so that a repeat of it is known; it is no step to undo.
        $kind = in_array($kind, ['do', self::TOLD], true) && $changes->isEmpty() ? 'none' : $kind;
        if ($kind === 'do') {
            $this->own($map, $person, 'undone')->update(['state' => 'dropped']);
        }
        EditRecord::query()->create([
            'map_id' => $map->id,
            'seq' => $map->seq,
            'person_id' => $person->id,
            'edit_id' => $edit,
            'step' => $step,
            'kind' => $kind,
            'state' => 'done',
            'name' => $name,
            'summary' => $summary,
            'changes' => $changes,
            'made_at' => $now,
        ]);
    }

    /**
     * What came after a number, oldest first.
     *
     * @return list<Changes>
     */
    public function since(MapRecord $map, int $seq): array
    {
        return array_values($this->of($map)->where('seq', '>', $seq)->oldest('seq')->get(['changes'])->map(fn (EditRecord $record): Changes => $record->changes)->all());
    }

    /** Whether a number lies among those that one record stands for, so that nobody can tell what came after it. */
    public function isWithinOne(MapRecord $map, int $seq): bool
    {
        return $this->of($map)->where('first_seq', '<=', $seq)->where('seq', '>', $seq)->exists();
    }

    /**
     * The records that a person's next undo takes back, latest first: those of the latest step still done.
     *
     * @return Collection<int, EditRecord>
     */
    public function undoable(MapRecord $map, Person $person): Collection
    {
        $step = $this->own($map, $person, 'done')->latest('seq')->value('step');

        return $step === null ? new Collection : $this->own($map, $person, 'done')->where('step', $step)->latest('seq')->get();
    }

    /**
     * The records that a person's next redo brings back, oldest first: those of the step undone last.
     *
     * @return Collection<int, EditRecord>
     */
    public function redoable(MapRecord $map, Person $person): Collection
    {
        $step = $this->undoneLast($map, $person);

        return $step === null ? new Collection : $this->own($map, $person, 'undone')->where('step', $step)->oldest('seq')->get();
    }

    /** What was undone last is told by the records of undoing: a step made before another may be undone before it. */
    private function undoneLast(MapRecord $map, Person $person): ?string
    {
        $undone = $this->own($map, $person, 'undone')->select('step');
        $step = $this->of($map)->where('person_id', $person->id)->where('kind', 'undo')->whereIn('step', $undone)->latest('seq')->value('step');

        return is_string($step) ? $step : null;
    }

    /**
     * The other maps in which a person's step did something that is in this state.
     *
     * @return list<string> ids
     */
    public function elsewhere(MapRecord $map, Person $person, string $step, string $state): array
    {
        return array_values(EditRecord::query()->where('step', $step)->where('person_id', $person->id)->where('kind', 'do')->where('state', $state)
            ->where('map_id', '<>', $map->id)->distinct()->pluck('map_id')->map(strval(...))->all());
    }

    /**
     * The records of one step in a state, latest first.
     *
     * @return Collection<int, EditRecord>
     */
    public function ofStep(MapRecord $map, Person $person, string $step, string $state): Collection
    {
        return $this->own($map, $person, $state)->where('step', $step)->latest('seq')->get();
    }

    /** @param  Collection<int, EditRecord>  $records */
    public function mark(MapRecord $map, Collection $records, string $state): void
    {
        $this->of($map)->whereIn('seq', $records->pluck('seq'))->update(['state' => $state]);
    }

    /**
     * What a person's next undo and redo would take back, in words; null where there is nothing.
     *
     * @return array{undo: string|null, redo: string|null}
     */
    public function next(MapRecord $map, Person $person): array
    {
        $undo = $this->own($map, $person, 'done')->latest('seq')->value('summary');
        $redo = $this->redoable($map, $person)->first()?->summary;

        return ['undo' => is_string($undo) ? $undo : null, 'redo' => is_string($redo) ? $redo : null];
    }

    /** @return list<array{seq: int, person: string, summary: string, made: string}> the latest first */
    public function history(MapRecord $map, int $before, int $count): array
    {
        $records = $this->of($map)->with('person')->where('seq', '<', $before)->where('kind', '<>', 'none')->where('kind', '<>', 'joined')->where('kind', '<>', self::TOLD)->latest('seq');
        $records->limit($count);

        return array_values($records->get()
            ->map(fn (EditRecord $record): array => [
                'seq' => $record->seq,
                'person' => $record->person->name ?? 'Somebody who has left',
                'summary' => $record->summary,
                'made' => $record->made_at->toIso8601ZuluString('millisecond'),
            ])
            ->all());
    }

    /** @return Builder<EditRecord> */
    private function of(MapRecord $map): Builder
    {
        return EditRecord::query()->where('map_id', $map->id);
    }

    /** @return Builder<EditRecord> */
    private function own(MapRecord $map, Person $person, string $state): Builder
    {
        return $this->of($map)->where('person_id', $person->id)->where('kind', 'do')->where('state', $state);
    }
}
