<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PlainJson;
use App\Library\PersonsKinds;
use App\Models\MapRecord;
use App\Models\Person;
use App\Reminders\DueReminder;
use App\Reminders\Reminders;
use App\Store\Facts;
use ChalkTree\Ask\Condition;
use ChalkTree\Edit\Arguments;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Kinds, to-dos, and looks that follow the data. */
final readonly class TrackController
{
    public function __construct(private Facts $facts)
    {
    }

    /** The kinds that can be taken into a map. */
    public function kinds(PersonsKinds $kinds, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson($kinds->of($person));
    }

    /** What is computed of a topic, and of what is below it. */
    public function facts(MapRecord $map, string $topic, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson($this->facts->of($this->facts->moment($map, $person), $topic));
    }

    public function todos(MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson($this->facts->todos($this->facts->moment($map, $person)));
    }

    /** The to-dos in all maps that come up, of which the person wished to be reminded. */
    public function reminders(Reminders $reminders, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson(['reminders' => array_map(fn (DueReminder $one): array => $one->told(), $reminders->of($person))]);
    }

    public function putAway(MapRecord $map, string $topic, Reminders $reminders, #[CurrentUser] Person $person): JsonResponse
    {
        $reminders->putAway($map, $topic, $person->today());

        return $this->reminders($reminders, $person);
    }

    public function rules(MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson($this->facts->rules($this->facts->moment($map, $person)));
    }

    /** The topics of which a condition holds. */
    public function hits(Request $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        $condition = Condition::read((new Arguments((array) $request->json()->all()))->nested('when'));

        return new PlainJson($this->facts->hits($this->facts->moment($map, $person), $condition));
    }
}
