<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Classroom\HandOuts;
use App\Classroom\PupilDesk;
use App\Classroom\SchoolClasses;
use App\Http\Requests\JoinClass;
use App\Models\HandOutCopy;
use App\Models\MapRecord;
use App\Models\Person;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Coming into a class, what is there for a pupil, and handing it in. */
final readonly class PupilController
{
    public function __construct(private PupilDesk $desk, private HandOuts $handOuts)
    {
    }

    /** With a code and a name, or with a word of one's own; no address is asked for. */
    public function join(JoinClass $request, SchoolClasses $classes): JsonResponse
    {
        $pupil = $request->filled('word') ? $classes->enter((string) $request->string('word')) : $classes->join((string) $request->string('code'), $request->name());
        Auth::login($pupil->person()->firstOrFail(), true);
        $request->session()->regenerate();

        return new JsonResponse($this->desk->of($pupil->load('schoolClass')));
    }

    public function desk(#[CurrentUser] Person $person): JsonResponse
    {
        return new JsonResponse($this->desk->of($this->desk->pupil($person) ?? throw new NotFoundHttpException));
    }

    public function handIn(HandOutCopy $copy): JsonResponse
    {
        $this->handOuts->handIn($copy);

        return new JsonResponse(PupilDesk::told($copy->load(['handOut', 'pupils'])));
    }

    /** Of which hand-out an open map is a copy: told to its teacher, and to those whose it is. */
    public function ofMap(MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        $copy = $map->hand_out === null ? null : HandOutCopy::query()->with(['handOut', 'pupils'])->where('map_id', $map->id)->first();
        $isTeacher = $map->person_id === $person->id;
        $isTold = $copy !== null && ($isTeacher || $copy->pupils->contains('person_id', $person->id));

        return new JsonResponse(['copy' => $isTold ? PupilDesk::told($copy) : null, 'handOut' => $isTold && $isTeacher ? $copy->hand_out_id : null, 'label' => $isTold ? $copy->label : '']);
    }
}
