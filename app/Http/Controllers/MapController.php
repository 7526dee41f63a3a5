<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\MapRecord;
use App\Models\Person;
use App\Store\EditLog;
use App\Store\MapAnswers;
use App\Store\MapStore;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Topic;
use Closure;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** A map that is open: its contents, the edits made on it, how it is looked at, its history and its trash. */
final readonly class MapController
{
    private const MOST_EDITS = 500;

    public function __construct(private MapAnswers $answers, private EditLog $log)
    {
    }

    public function show(MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        return $this->json($this->answers->open($map, $person));
    }

    public function edit(Request $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        $request->validate([
            'since' => ['required', 'integer', 'min:0'],
            'edits' => ['required', 'list', 'max:'.self::MOST_EDITS],
            'all' => ['sometimes', 'boolean'],
        ]);
        if (($delay = config('chalk.delay')) > 0) {
            usleep($delay * 1000);
        }
        /** @var list<mixed> $edits */
        $edits = $request->json('edits');

        return $this->json($this->answers->edit($map, $person, $request->integer('since'), $edits, $request->boolean('all')));
    }

    public function news(Request $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        $request->validate(['since' => ['required', 'integer', 'min:0']]);

        return $this->json($this->answers->edit($map, $person, $request->integer('since'), []));
    }

    /** Keeps what is folded and chosen, and answers with what that changes in the scene. */
    public function look(Request $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        $id = function (string $attribute, mixed $value, Closure $fail): void {
            if (! is_string($value) || ! Ids::valid($value)) {
                $fail('This has to be the id of a topic.');
            }
        };
        $request->validate([
            'since' => ['required', 'integer', 'min:0'],
            'folded' => ['present', 'list', 'max:20000'],
            'folded.*' => [$id],
            'outlineFolded' => ['present', 'list', 'max:20000'],
            'outlineFolded.*' => [$id],
            'chosen' => ['present', 'nullable', $id],
        ]);
        /** @var array{folded: list<string>, outlineFolded: list<string>, chosen: string|null} $look */
        $look = ['folded' => $request->json('folded'), 'outlineFolded' => $request->json('outlineFolded'), 'chosen' => $request->json('chosen')];

        return $this->json($this->answers->edit($map, $person, $request->integer('since'), [], look: $look));
    }

    public function history(Request $request, MapRecord $map): JsonResponse
    {
        $request->validate(['before' => ['sometimes', 'integer', 'min:1']]);

        return $this->json(['edits' => $this->log->history($map, $request->integer('before', PHP_INT_MAX), 100)]);
    }

    /** The branches that were removed from this map and can be restored. */
    public function trash(MapRecord $map, MapStore $store): JsonResponse
    {
        $topics = $store->load($map);

        return $this->json(['branches' => array_map(fn (Topic $top): array => [
            'id' => $top->id,
            'title' => $top->title,
            'topics' => count($topics->removedWith($top->id)),
        ], $topics->removedTops())]);
    }

    /** @param  array<string, mixed>  $data */
    private function json(array $data): JsonResponse
    {
        return (new JsonResponse)->setEncodingOptions(JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)->setData($data);
    }
}
