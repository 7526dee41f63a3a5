<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PlainJson;
use App\Models\MapRecord;
use App\Models\Person;
use App\Sharing\Sight;
use ChalkTree\Draw\Primitive;
use ChalkTree\Sign\Legend;
use ChalkTree\Sign\LegendLine;
use ChalkTree\Sign\Sign;
use ChalkTree\Text\Advances;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;

/** Stamps, and what they mean on maps. */
final readonly class SignController
{
    private Advances $advances;

    public function __construct()
    {
        $this->advances = new Advances;
    }

    public function stamps(): JsonResponse
    {
        return new PlainJson(['stamps' => array_map($this->drawn(...), Sign::stamps())]);
    }

    /** What the signs of a map mean, and on how many topics each is. */
    public function legend(MapRecord $map, Sight $sight, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson(['lines' => array_map(
            fn (LegendLine $line): array => $this->drawn($line->sign) + ['means' => $line->means, 'count' => $line->count],
            Legend::of($sight->of($person, $map))->lines,
        )]);
    }

    /** @return array{sign: string, words: string, parts: list<array<string, mixed>>} "DrawnSign" in the wire schema */
    private function drawn(string $sign): array
    {
        return ['sign' => $sign, 'words' => Sign::words($sign), 'parts' => array_map(fn (Primitive $part): array => $part->toArray(), Sign::draw($sign, 0.0, 0.0, $this->advances))];
    }
}
