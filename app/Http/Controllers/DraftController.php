<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PlainJson;
use App\Http\Requests\AskDraft;
use App\Http\Requests\CountWords;
use App\Models\MapRecord;
use App\Models\Person;
use App\Store\MapStore;
use App\Store\WritingDays;
use ChalkTree\Draft\DraftWords;
use ChalkTree\Draft\KeptWording;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Text\WordComparison;
use ChalkTree\Text\WordCount;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;

/** What is told of a branch that is written as one text. */
final readonly class DraftController
{
    public function show(AskDraft $request, MapRecord $map, MapStore $store, WritingDays $days, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson(DraftWords::of($store->load($map), $request->branch(), $request->topic())->toArray() + ['today' => $days->on($map, $person, $person->today())]);
    }

    /** On which days whoever asks wrote in this map, and how many words. */
    public function days(MapRecord $map, WritingDays $days, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson(['today' => $person->today(), 'days' => $days->of($map, $person)]);
    }

    /** How many words are in a piece of it. */
    public function words(CountWords $request, MapRecord $map): JsonResponse
    {
        return new PlainJson(['words' => WordCount::of($request->text())]);
    }

    /** A wording that was kept, laid beside what its section says now. */
    public function wording(MapRecord $map, string $wording, MapStore $store): JsonResponse
    {
        $its = $store->load($map);
        $kept = $its->row(KeptWording::type(), $wording);
        if (! $kept instanceof KeptWording) {
            throw new InvalidEdit('This wording is not kept any more.', 'wording');
        }
        $note = $its->topic($kept->at())->note;

        return new PlainJson(['was' => WordCount::of($kept->text('text')), 'is' => WordCount::of($note), 'pieces' => WordComparison::of($kept->text('text'), $note)]);
    }
}
