<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Find\MapSearch;
use App\Find\MeantSearch;
use App\Find\QuickOpen;
use App\Http\Requests\FindMeant;
use App\Http\Requests\FindText;
use App\Http\Requests\QuickFind;
use App\Http\Requests\ReplaceText;
use App\Models\MapRecord;
use App\Models\Person;
use ChalkTree\Edit\Arguments;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;

/** Finding: maps and topics as one types, and every place where something stands, to be replaced if wanted. */
final readonly class FindController
{
    public function __construct(private MapSearch $search)
    {
    }

    public function quick(QuickFind $request, QuickOpen $quick, #[CurrentUser] Person $person): JsonResponse
    {
        return new JsonResponse($quick->find($person, (string) $request->string('words'), $request->has('map') ? (string) $request->string('map') : null));
    }

    /** The topics that are meant, in all maps. */
    public function meant(FindMeant $request, MeantSearch $meant, #[CurrentUser] Person $person): JsonResponse
    {
        return new JsonResponse($meant->find($person, (string) $request->string('text'), $request->filled('after') ? (string) $request->string('after') : null));
    }

    public function everywhere(FindText $request, #[CurrentUser] Person $person): JsonResponse
    {
        return new JsonResponse($this->search->find($person, $request->wanted(), $request->fields()));
    }

    public function inMap(FindText $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        $arguments = new Arguments($request->json()->all());

        return new JsonResponse($this->search->find($person, $request->wanted(), $request->fields(), $map, $arguments->has('topics') ? $arguments->ids('topics') : null));
    }

    public function replace(ReplaceText $request, #[CurrentUser] Person $person): JsonResponse
    {
        /** @var array<string, mixed> $find */
        $find = $request->json('find');
        /** @var array<string, list<string>> $hits */
        $hits = $request->json('hits');

        return new JsonResponse($this->search->replace($person, $find, (string) $request->json('with'), $request->fields(), $hits));
    }
}
