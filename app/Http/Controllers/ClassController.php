<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Classroom\ClassArchive;
use App\Classroom\SchoolClasses;
use App\Files\FileName;
use App\Files\SentFiles;
use App\Http\Requests\AddPupils;
use App\Http\Requests\ChangePupil;
use App\Http\Requests\NameClass;
use App\Models\HandOut;
use App\Models\HandOutCopy;
use App\Models\Person;
use App\Models\Pupil;
use App\Models\SchoolClass;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpFoundation\Response;

/** The classes of somebody who teaches: who is in them, and what was given out. */
final readonly class ClassController
{
    public function __construct(private SchoolClasses $classes)
    {
    }

    public function index(#[CurrentUser] Person $person): JsonResponse
    {
        $all = SchoolClass::query()->withCount(['pupils', 'handOuts'])->where('person_id', $person->id)->get()->sortByDesc('id');

        return new JsonResponse(['classes' => array_values($all->map(fn (SchoolClass $class): array => ['id' => $class->id, 'name' => $class->name, 'pupils' => (int) $class->getAttribute('pupils_count'), 'handOuts' => (int) $class->getAttribute('hand_outs_count'), 'isOpen' => $class->code !== null])->all())]);
    }

    public function store(NameClass $request, #[CurrentUser] Person $person): JsonResponse
    {
        return $this->told($this->classes->make($person, $request->name() ?? 'Class'), 201);
    }

    public function show(SchoolClass $schoolClass): JsonResponse
    {
        return $this->told($schoolClass);
    }

    public function update(NameClass $request, SchoolClass $schoolClass): JsonResponse
    {
        if (($name = $request->name()) !== null) {
            $schoolClass->update(['name' => $name]);
        }
        if ($request->has('isOpen')) {
            $this->classes->openDoor($schoolClass, $request->boolean('isOpen'));
        }

        return $this->told($schoolClass);
    }

    public function destroy(SchoolClass $schoolClass): JsonResponse
    {
        $this->classes->delete($schoolClass);

        return new JsonResponse(['id' => $schoolClass->id]);
    }

    public function add(AddPupils $request, SchoolClass $schoolClass): JsonResponse
    {
        $this->classes->add($schoolClass, $request->names());

        return $this->told($schoolClass);
    }

    public function change(ChangePupil $request, Pupil $pupil): JsonResponse
    {
        $this->classes->change($pupil, $request->name(), $request->team());

        return $this->told($pupil->schoolClass()->firstOrFail());
    }

    public function remove(Pupil $pupil): JsonResponse
    {
        $class = $pupil->schoolClass()->firstOrFail();
        $this->classes->remove($pupil);

        return $this->told($class);
    }

    public function archive(SchoolClass $schoolClass, ClassArchive $archive, SentFiles $sent): Response
    {
        return $sent->handOver($archive->write($schoolClass), 'application/zip', FileName::clean($schoolClass->name).'.zip');
    }

    private function told(SchoolClass $class, int $status = 200): JsonResponse
    {
        $pupils = Pupil::query()->where('class_id', $class->id)->get()->sortBy(fn (Pupil $pupil): string => mb_strtolower($pupil->name).$pupil->id);
        $handOuts = HandOut::query()->with('copies')->where('class_id', $class->id)->get()->sortByDesc('id');

        return new JsonResponse([
            'id' => $class->id, 'name' => $class->name, 'code' => $class->code,
            'pupils' => array_values($pupils->map(fn (Pupil $pupil): array => ['id' => $pupil->id, 'name' => $pupil->name, 'team' => $pupil->team, 'word' => $pupil->word, 'isIn' => $pupil->came !== null])->all()),
            'handOuts' => array_values($handOuts->map(fn (HandOut $one): array => [
                'id' => $one->id, 'title' => $one->title, 'due' => $one->due, 'byTeam' => $one->by_team, 'copies' => $one->copies->count(),
                'handedIn' => $one->copies->filter(fn (HandOutCopy $copy): bool => $copy->handed_in !== null)->count(), 'made' => gmdate('Y-m-d\TH:i:s\Z', $one->made),
            ])->all()),
        ], $status);
    }
}
