<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use App\Models\Person;
use Carbon\CarbonImmutable;
use ChalkTree\Edit\Changes;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use stdClass;

/**
 * The records of all edits, in order. Those a person made ("do") are in one of three states: done, undone, or dropped
 * (undone and then left behind by a new edit). Undoing and redoing are recorded too, as edits of their own.
 *
 * @phpstan-import-type Kept from \ChalkTree\Edit\Change
 */
final readonly class EditLog
{
    public function __construct(private ConnectionInterface $database)
    {
    }

    public function has(MapRecord $map, string $edit): bool
    {
        return $this->of($map)->where('edit_id', $edit)->exists();
    }

    /** Appends a record and moves the map's number on. */
    public function append(MapRecord $map, Person $person, string $edit, string $step, string $kind, string $name, string $summary, Changes $changes): void
    {
        $map->seq++;
        $map->updated_at = CarbonImmutable::now();
        // One that changed nothing is kept only so that a repeat of it is known; it is no step to undo.
        $kind = $kind === 'do' && $changes->isEmpty() ? 'none' : $kind;
        if ($kind === 'do') {
            $this->own($map, $person, 'undone')->update(['state' => 'dropped']);
        }
        $this->database->table('edits')->insert([
            'map_id' => $map->id,
            'seq' => $map->seq,
            'person_id' => $person->id,
            'edit_id' => $edit,
            'step' => $step,
            'kind' => $kind,
            'state' => 'done',
            'name' => $name,
            'summary' => $summary,
            'changes' => json_encode($changes->toArray(), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR),
            'made_at' => $map->updated_at->format('Y-m-d H:i:s.v'),
        ]);
    }

    /**
     * What came after a number, oldest first.
     *
     * @return list<Changes>
     */
    public function since(MapRecord $map, int $seq): array
    {
        return array_values($this->of($map)->where('seq', '>', $seq)->orderBy('seq')->pluck('changes')->map($this->decoded(...))->all());
    }

    /**
     * The records that a person's next undo takes back, latest first: those of the latest step still done.
     *
     * @return Collection<int, stdClass>
     */
    public function undoable(MapRecord $map, Person $person): Collection
    {
        $step = $this->own($map, $person, 'done')->orderByDesc('seq')->value('step');

        return $step === null ? new Collection : $this->own($map, $person, 'done')->where('step', $step)->orderByDesc('seq')->get();
    }

    /**
     * The records that a person's next redo brings back, oldest first: those of the step undone last.
     *
     * @return Collection<int, stdClass>
     */
    public function redoable(MapRecord $map, Person $person): Collection
    {
        $step = $this->undoneLast($map, $person);

        return $step === null ? new Collection : $this->own($map, $person, 'undone')->where('step', $step)->orderBy('seq')->get();
    }

    /** What was undone last is told by the records of undoing: a step made before another may be undone before it. */
    private function undoneLast(MapRecord $map, Person $person): ?string
    {
        $undone = $this->own($map, $person, 'undone')->select('step');
        $step = $this->of($map)->where('person_id', $person->id)->where('kind', 'undo')->whereIn('step', $undone)->orderByDesc('seq')->value('step');

        return is_string($step) ? $step : null;
    }

    /**
     * The other maps in which a person's step did something that is in this state.
     *
     * @return list<string> ids
     */
    public function elsewhere(MapRecord $map, Person $person, string $step, string $state): array
    {
        return array_values($this->database->table('edits')->where('step', $step)->where('person_id', $person->id)->where('kind', 'do')->where('state', $state)
            ->where('map_id', '<>', $map->id)->distinct()->pluck('map_id')->map(strval(...))->all());
    }

    /**
     * The records of one step in a state, latest first.
     *
     * @return Collection<int, stdClass>
     */
    public function ofStep(MapRecord $map, Person $person, string $step, string $state): Collection
    {
        return $this->own($map, $person, $state)->where('step', $step)->orderByDesc('seq')->get();
    }

    /** @param  Collection<int, stdClass>  $records */
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
        $undo = $this->own($map, $person, 'done')->orderByDesc('seq')->value('summary');
        $redo = $this->redoable($map, $person)->first()?->summary;

        return ['undo' => is_string($undo) ? $undo : null, 'redo' => is_string($redo) ? $redo : null];
    }

    /** @return list<array{seq: int, person: string, summary: string, made: string}> the latest first */
    public function history(MapRecord $map, int $before, int $count): array
    {
        return array_values($this->of($map)
            ->join('people', 'people.id', '=', 'edits.person_id')
            ->where('seq', '<', $before)
            ->where('kind', '<>', 'none')
            ->orderByDesc('seq')
            ->limit($count)
            ->get(['edits.seq', 'people.name', 'edits.summary', 'edits.made_at'])
            ->map(fn (stdClass $row): array => [
                'seq' => (int) $row->seq,
                'person' => (string) $row->name,
                'summary' => (string) $row->summary,
                'made' => CarbonImmutable::parse((string) $row->made_at)->toIso8601ZuluString('millisecond'),
            ])
            ->all());
    }

    public function decoded(string $changes): Changes
    {
        /** @var list<Kept> $data */
        $data = json_decode($changes, true, 16, JSON_THROW_ON_ERROR);

        return Changes::fromArray($data);
    }

    private function of(MapRecord $map): Builder
    {
        return $this->database->table('edits')->where('map_id', $map->id);
    }

    private function own(MapRecord $map, Person $person, string $state): Builder
    {
        return $this->of($map)->where('edits.person_id', $person->id)->where('kind', 'do')->where('state', $state);
    }
}
