<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PlainJson;
use App\Http\Requests\AskDraft;
use App\Models\MapRecord;
use App\Store\MapStore;
use ChalkTree\Draft\DraftWords;
use Illuminate\Http\JsonResponse;

/** What is told of a branch that is written as one text. */
final readonly class DraftController
{
    public function show(AskDraft $request, MapRecord $map, MapStore $store): JsonResponse
    {
        return new PlainJson(DraftWords::of($store->load($map), $request->branch(), $request->topic())->toArray());
    }
}
