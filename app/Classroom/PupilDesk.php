<?php

declare(strict_types=1);

namespace App\Classroom;

use App\Models\HandOutCopy;
use App\Models\Person;
use App\Models\Pupil;
use Illuminate\Database\Eloquent\Builder;

/** What a pupil finds when they come in: what was given to them, and what of the others all may look at. */
final readonly class PupilDesk
{
    public function __construct(private HandOuts $handOuts)
    {
    }

    public function pupil(Person $person): ?Pupil
    {
        return $person->pupil_of === null ? null : Pupil::query()->with('schoolClass')->where('person_id', $person->id)->first();
    }

    /** @return array<string, mixed> "PupilAnswer" in the wire schema */
    public function of(Pupil $pupil): array
    {
        $copies = $this->handOuts->copiesOf($pupil)->with(['handOut', 'pupils'])->get()->sortByDesc('hand_out_id')->values();
        $shown = HandOutCopy::query()->with(['handOut', 'link', 'map'])->whereHas('handOut', fn (Builder $handOut) => $handOut->where('class_id', $pupil->class_id))->where('shown', '<>', null)->get()->sortByDesc('id')
            ->filter(fn (HandOutCopy $copy): bool => $copy->link !== null && $copy->map->trashed_at === null)->values();

        return [
            'class' => $pupil->schoolClass->name, 'name' => $pupil->name, 'word' => $pupil->word,
            'handOuts' => array_values($copies->map(fn (HandOutCopy $copy): array => self::told($copy))->all()),
            // The name only where that is wished; the copies of a class are told apart by nothing else then.
            'shown' => array_values($shown->map(fn (HandOutCopy $copy): array => ['title' => $copy->handOut->title, 'by' => $copy->shown === 'named' ? $copy->label : null, 'url' => (string) $copy->link?->url()])->all()),
        ];
    }

    /** @return array<string, mixed> "GivenCopy" in the wire schema */
    public static function told(HandOutCopy $copy): array
    {
        $handOut = $copy->handOut;
        // What the teacher says of it is there for them once it is given back.
        $isBack = $copy->state === CopyState::Back;

        return [
            'id' => $copy->id, 'map' => $copy->map_id, 'title' => $handOut->title, 'question' => $handOut->question, 'due' => $handOut->due, 'state' => $copy->state->value,
            'team' => $handOut->by_team ? $copy->pupils->sortBy('name')->pluck('name')->values()->all() : [],
            'rubric' => $isBack ? array_map(fn (array $line, int $n): array => $line + ['got' => $copy->marks[$n] ?? null], $handOut->rubric, array_keys($handOut->rubric)) : [],
            'words' => $isBack ? $copy->words : '',
        ];
    }
}
