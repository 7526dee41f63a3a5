<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PlainJson;
use App\Library\NamedLooks;
use App\Models\Person;
use ChalkTree\Look\Palette;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;

/** What looks can be made of. */
final readonly class LookController
{
    /** The looks with a name in all maps of the person, and the chalks mixed for them. */
    public function named(NamedLooks $looks, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson($looks->of($person));
    }

    /** How well a colour serves as a chalk. */
    public function chalk(string $colour): JsonResponse
    {
        return new PlainJson(Palette::trials("#{$colour}"));
    }
}
