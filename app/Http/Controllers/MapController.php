<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\BoardFrame;
use App\Http\PlainJson;
use App\Limits\Alone;
use App\Models\MapRecord;
use App\Models\Person;
use App\Store\FirstPicture;
use App\Store\MapAnswers;
use App\Store\Rehearsal;
use App\Store\ViewStore;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\Ids;
use Closure;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/**
 * A map that is open: its contents, the edits made on it, how it is looked at.
 *
 * @phpstan-import-type Look from ViewStore
 */
final readonly class MapController
{
    private const MOST_EDITS = 500;

    public function __construct(private MapAnswers $answers, private FirstPicture $pictures)
    {
    }

    public function show(Request $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        $this->preparePicture($request, $map, $person);

        return new JsonResponse($this->answers->open($map, $person, $this->pane($request)), json: true);
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

        return new PlainJson($this->answers->edit($map, $person, $request->integer('since'), $edits, $request->boolean('all'), pane: $this->pane($request)));
    }

    public function news(Request $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        $request->validate(['since' => ['required', 'integer', 'min:0']]);

        return new PlainJson($this->answers->news($map, $person, $request->integer('since'), $this->pane($request)));
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
            'scope' => ['present', 'nullable', $id],
            'outlineScope' => ['present', 'nullable', $id],
        ]);
        /** @var Look $look */
        $look = array_map($request->json(...), ['folded' => 'folded', 'outlineFolded' => 'outlineFolded', 'chosen' => 'chosen', 'scope' => 'scope', 'outlineScope' => 'outlineScope']);

        return new PlainJson($this->answers->edit($map, $person, $request->integer('since'), [], look: $look, pane: $this->pane($request)));
    }

    /** Keeps which part of the board is in view, so that the map opens there again, on any device. */
    public function place(Request $request, MapRecord $map, ViewStore $views, #[CurrentUser] Person $person): JsonResponse
    {
        $far = Bounds::FARTHEST;
        $request->validate([
            'x' => ['required', 'numeric', "between:-{$far},{$far}"],
            'y' => ['required', 'numeric', "between:-{$far},{$far}"],
            'scale' => ['required', 'numeric', 'between:0.01,10'],
        ]);
        $views->keepPlace($map, $person, $this->pane($request), (float) $request->json('x'), (float) $request->json('y'), (float) $request->json('scale'));
        $this->preparePicture($request, $map, $person);

        return new JsonResponse(['kept' => true]);
    }

    /** What an edit would do, in words; nothing is changed. */
    public function rehearse(Request $request, MapRecord $map, Rehearsal $rehearsal, Alone $alone, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson($alone->run('rehearsals', $person, fn (): array => $rehearsal->of($map, $request->json('edit'))));
    }

    /** Draws what the page will carry the next time, when nobody waits any more. */
    private function preparePicture(Request $request, MapRecord $map, Person $person): void
    {
        $frame = BoardFrame::of($request);
        if ($frame?->board !== null && $this->pane($request) === 'first') {
            defer(fn () => $this->pictures->prepare($map, $person, $frame));
        }
    }

    /** Which of the two views of a map asks. */
    private function pane(Request $request): string
    {
        $request->validate(['pane' => ['sometimes', Rule::in(ViewStore::PANES)]]);

        return (string) $request->string('pane', 'first');
    }
}
