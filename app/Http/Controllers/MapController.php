<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\BoardFrame;
use App\Http\PlainJson;
use App\Http\Requests\AskNews;
use App\Http\Requests\KeepPlace;
use App\Http\Requests\KeepView;
use App\Http\Requests\MapRequest;
use App\Http\Requests\SayWhere;
use App\Http\Requests\SendEdits;
use App\Http\Requests\TryEdits;
use App\Limits\Alone;
use App\Live\PeopleHere;
use App\Live\Streams;
use App\Models\MapRecord;
use App\Models\Person;
use App\Sharing\Presence;
use App\Sharing\ReaderAnswers;
use App\Sharing\Sight;
use App\Store\FirstPicture;
use App\Store\LookReasons;
use App\Store\MapAnswers;
use App\Store\Rehearsal;
use App\Store\Tries;
use App\Store\ViewStore;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** A map that is open: its contents, the edits made on it, how it is looked at. */
final readonly class MapController
{
    public function __construct(private MapAnswers $answers, private ReaderAnswers $reading, private Sight $sight, private FirstPicture $pictures)
    {
    }

    public function show(MapRequest $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        if (! $this->sight->isWhole($person, $map)) {
            return new JsonResponse($this->reading->open($map, $person, $request->pane()), json: true);
        }
        $this->preparePicture($request, $map, $person);

        return new JsonResponse($this->answers->open($map, $person, $request->pane()), json: true);
    }

    public function edit(SendEdits $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        if (($delay = config('chalk.delay')) > 0) {
            usleep($delay * 1000);
        }

        return new PlainJson($this->answers->edit($map, $person, $request->integer('since'), $request->edits(), $request->boolean('all'), pane: $request->pane()));
    }

    public function news(AskNews $request, MapRecord $map, Presence $presence, PeopleHere $people, #[CurrentUser] Person $person): JsonResponse
    {
        if ($request->has('at') && $presence->note($map, $person, $request->at(), $request->boolean('listening') ? Presence::LISTENING : Presence::ASKING)) {
            defer(fn () => $people->tell($map));
        }

        return $this->sight->isWhole($person, $map)
            ? new PlainJson($this->answers->news($map, $person, $request->integer('since'), $request->pane()))
            : new JsonResponse($this->reading->news($map, $person, $request->integer('since'), $request->pane()), json: true);
    }

    /** Hands whoever has the map open on to where they hear what is new in it; without an answer where there is no such place. */
    public function stream(MapRequest $request, MapRecord $map, Streams $streams, #[CurrentUser] Person $person): Response
    {
        // The web server sends nobody else away in words.
        $channels = str_contains((string) $request->headers->get('Accept'), 'text/event-stream') ? $streams->open($map, $person, $request->pane()) : null;

        return $channels === null ? new Response('', 204) : new Response('', 200, ['X-Accel-Redirect' => '/-live/'.implode('/', $channels), 'Content-Type' => 'text/event-stream', 'Cache-Control' => 'no-store']);
    }

    /** Somebody has the map open, and is told what is new in it without asking. */
    public function here(SayWhere $request, MapRecord $map, Presence $presence, PeopleHere $people, #[CurrentUser] Person $person): Response
    {
        if ($presence->note($map, $person, $request->at(), Presence::LISTENING, $request->in(), $request->caret())) {
            defer(fn () => $people->tell($map));
        }

        return new Response('', 204);
    }

    /** Somebody has the map open no more. */
    public function leave(MapRecord $map, Presence $presence, PeopleHere $people, #[CurrentUser] Person $person): Response
    {
        if ($presence->leave($map, $person)) {
            defer(fn () => $people->tell($map));
        }

        return new Response('', 204);
    }

    /** Keeps what is folded and chosen, and answers with what that changes in the scene. */
    public function look(KeepView $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        return $this->sight->isWhole($person, $map)
            ? new PlainJson($this->answers->edit($map, $person, $request->integer('since'), [], look: $request->look(), pane: $request->pane()))
            : new JsonResponse($this->reading->news($map, $person, $request->integer('since'), $request->pane(), $request->look()), json: true);
    }

    /** Keeps which part of the board is in view, so that the map opens there again, on any device. */
    public function place(KeepPlace $request, MapRecord $map, ViewStore $views, #[CurrentUser] Person $person): JsonResponse
    {
        $views->keepPlace($map, $person, $request->pane(), (float) $request->json('x'), (float) $request->json('y'), (float) $request->json('scale'));
        if ($this->sight->isWhole($person, $map)) {
            $this->preparePicture($request, $map, $person);
        }

        return new JsonResponse(['kept' => true]);
    }

    /** What an edit would do, in words; nothing is changed. */
    public function rehearse(Request $request, MapRecord $map, Rehearsal $rehearsal, Alone $alone, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson($alone->run('rehearsals', $person, fn (): array => $rehearsal->of($map, $request->json('edit'))));
    }

    /** The map as it would be drawn after some edits; nothing is changed. */
    public function tries(TryEdits $request, MapRecord $map, Tries $tries, ViewStore $views, Alone $alone, #[CurrentUser] Person $person): JsonResponse
    {
        $view = $request->boolean('board') ? $views->board($map, $person, $request->pane()) : null;
        $branch = is_string($branch = $request->json('branch')) ? $branch : null;

        return new PlainJson($alone->run('rehearsals', $person, fn (): array => $tries->of($map, $request->tries(), $view, $branch)));
    }

    /** Where each value of a topic's look is said. */
    public function why(MapRecord $map, string $topic, LookReasons $reasons, #[CurrentUser] Person $person): JsonResponse
    {
        return new PlainJson($reasons->of($map, $topic, $person->today()));
    }

    /** Draws what the page will carry the next time, when nobody waits any more. */
    private function preparePicture(MapRequest $request, MapRecord $map, Person $person): void
    {
        $frame = BoardFrame::of($request);
        if ($frame?->board !== null && $request->pane() === 'first') {
            defer(fn () => $this->pictures->prepare($map, $person, $frame));
        }
    }
}
