<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Find\MapSearch;
use App\Find\QuickOpen;
use App\Models\MapRecord;
use App\Models\Person;
use ChalkTree\Edit\Arguments;
use ChalkTree\Find\Query;
use ChalkTree\Find\TopicText;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Finding: maps and topics as one types, and every place where something stands, to be replaced if wanted. */
final readonly class FindController
{
    public function __construct(private MapSearch $search)
    {
    }

    public function quick(Request $request, QuickOpen $quick, #[CurrentUser] Person $person): JsonResponse
    {
        $request->validate(['words' => ['present', 'nullable', 'string', 'max:200'], 'map' => ['sometimes', 'string', 'size:26']]);

        return new JsonResponse($quick->find($person, (string) $request->string('words'), $request->has('map') ? (string) $request->string('map') : null));
    }

    public function everywhere(Request $request, #[CurrentUser] Person $person): JsonResponse
    {
        return new JsonResponse($this->search->find($person, $this->query($request), $this->fields($request)));
    }

    public function inMap(Request $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        $arguments = new Arguments($request->json()->all());

        return new JsonResponse($this->search->find($person, $this->query($request), $this->fields($request), $map, $arguments->has('topics') ? $arguments->ids('topics') : null));
    }

    public function replace(Request $request, #[CurrentUser] Person $person): JsonResponse
    {
        $request->validate([
            'find' => ['required', 'array'],
            'with' => ['present', 'nullable', 'string', 'max:2000'],
            'hits' => ['required', 'array', 'min:1', 'max:2000'],
            'hits.*' => ['list', 'max:10000'],
            'hits.*.*' => ['string', 'max:60'],
        ]);
        /** @var array<string, mixed> $find */
        $find = $request->json('find');
        /** @var array<string, list<string>> $hits */
        $hits = $request->json('hits');

        return new JsonResponse($this->search->replace($person, $find, (string) $request->json('with'), $this->fields($request), $hits));
    }

    private function query(Request $request): Query
    {
        return Query::read((new Arguments($request->json()->all()))->nested('find'));
    }

    /** @return list<string> */
    private function fields(Request $request): array
    {
        $request->validate(['fields' => ['sometimes', 'list', 'min:1'], 'fields.*' => ['in:'.implode(',', TopicText::SORTS)]]);
        /** @var list<string> */
        $fields = $request->json('fields') ?? TopicText::SORTS;

        return $fields;
    }
}
