<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PlainJson;
use App\Models\MapRecord;
use App\Models\Person;
use App\Store\MapStore;
use ChalkTree\CrossLink\MapMatch;
use ChalkTree\CrossLink\Score;
use ChalkTree\CrossLink\Sentence;
use ChalkTree\CrossLink\Sentences;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Map\Ids;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The propositions of a map, read out. */
final readonly class SentenceController
{
    public function __construct(private MapStore $store)
    {
    }

    /** With "with", another map of the same person, it is held against that one. */
    public function index(MapRecord $map, Request $request): JsonResponse
    {
        $with = $request->query('with');
        $model = $with === null ? null : (is_string($with) && Ids::valid($with) ? $this->person($request)->map($with) : null);
        if ($with !== null && $model === null) {
            throw new NotFoundHttpException;
        }
        $topics = $this->store->load($map);
        $sentences = Sentences::of($topics);
        $match = $model === null ? null : MapMatch::of($topics, $this->store->load($model));

        return new PlainJson(($match === null ? [] : ['match' => [
            'there' => array_map(fn (Sentence $one): string => $one->proposition->id, $match->there),
            'missing' => array_map(fn (Sentence $one): string => $one->text(), $match->missing),
            'other' => array_map(fn (Sentence $one): string => $one->proposition->id, $match->other),
        ]]) + [
            'sentences' => array_map(fn (Sentence $one): array => [
                'type' => $one->proposition->type, 'id' => $one->proposition->id, 'from' => $one->proposition->from, 'to' => $one->proposition->to, 'first' => $one->first, 'phrase' => $one->phrase, 'last' => $one->last, 'text' => $one->text(), 'repeated' => $one->isRepeated,
            ], $sentences->all),
            'score' => Score::of($topics)->toArray(),
            'loose' => $sentences->loose,
            'chains' => $sentences->chains,
        ]);
    }

    private function person(Request $request): Person
    {
        $person = $request->user();

        return $person instanceof Person ? $person : throw new NotFoundHttpException;
    }

    /** As a file: text as it is read out, or a table for spreadsheets. */
    public function file(MapRecord $map, string $format): Response
    {
        $sentences = Sentences::of(Outgoing::of($this->store->load($map)));
        [$contents, $mime] = $format === 'csv' ? [$sentences->csv(), 'text/csv'] : [$sentences->text(), 'text/plain'];

        return new Response($contents, 200, ['Content-Type' => "{$mime}; charset=UTF-8", 'Content-Disposition' => "attachment; filename=\"sentences.{$format}\""]);
    }
}
