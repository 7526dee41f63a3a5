<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PlainJson;
use App\Http\Requests\AskDraft;
use App\Http\Requests\CountWords;
use App\Models\MapRecord;
use App\Store\MapStore;
use ChalkTree\Draft\DraftWords;
use ChalkTree\Text\WordCount;
use Illuminate\Http\JsonResponse;

/** What is told of a branch that is written as one text. */
final readonly class DraftController
{
    public function show(AskDraft $request, MapRecord $map, MapStore $store): JsonResponse
    {
        return new PlainJson(DraftWords::of($store->load($map), $request->branch(), $request->topic())->toArray());
    }

    /** How many words are in a piece of it. */
    public function words(CountWords $request, MapRecord $map): JsonResponse
    {
        return new PlainJson(['words' => WordCount::of($request->text())]);
    }
}
