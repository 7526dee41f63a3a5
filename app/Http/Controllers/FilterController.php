<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PlainJson;
use App\Http\Requests\AskFilter;
use App\Models\MapRecord;
use App\Models\Person;
use App\Store\Filters;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;

/** What of a map is meant, while it is being said. */
final readonly class FilterController
{
    public function ask(AskFilter $request, MapRecord $map, Filters $filters, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson($filters->ask($map, $person, $request->text(), $request->filter(), $request->scope()));
    }

    /** The same of the few topics that are in view, which is told much sooner. */
    public function among(AskFilter $request, MapRecord $map, Filters $filters, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson($filters->among($map, $person, $request->text(), $request->among()));
    }
}
