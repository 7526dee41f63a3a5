<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Classroom\Ideas;
use App\Http\Requests\DecideIdea;
use App\Http\Requests\OpenIdeas;
use App\Http\Requests\SendIdea;
use App\Models\Idea;
use App\Models\IdeaBox;
use App\Models\MapRecord;
use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Ideas that are sent into a map by a code, without an account. */
final readonly class IdeaController
{
    public function __construct(private Ideas $ideas)
    {
    }

    public function index(MapRecord $map): JsonResponse
    {
        return new JsonResponse($this->ideas->of($map));
    }

    public function open(OpenIdeas $request, MapRecord $map): JsonResponse
    {
        $this->ideas->open($map, (string) $request->string('topic'), $request->question(), $request->boolean('isLooked'));

        return new JsonResponse($this->ideas->of($map));
    }

    public function close(MapRecord $map): JsonResponse
    {
        $this->ideas->close($map);

        return new JsonResponse($this->ideas->of($map));
    }

    public function decide(DecideIdea $request, Idea $idea): JsonResponse
    {
        $this->ideas->decide($idea, $request->boolean('isIn'));

        return new JsonResponse($this->ideas->of(MapRecord::query()->whereKey($idea->box()->value('map_id'))->firstOrFail()));
    }

    /** What is asked, for whoever has the code. */
    public function ask(string $code): JsonResponse
    {
        return new JsonResponse(['question' => $this->box($code)->question]);
    }

    public function send(SendIdea $request, string $code): JsonResponse
    {
        $this->ideas->send($box = $this->box($code), $request->text());

        return new JsonResponse(['isLooked' => $box->is_looked], 201);
    }

    private function box(string $code): IdeaBox
    {
        return $this->ideas->box($code) ?? throw new NotFoundHttpException('There is nothing at this code, or it takes no more ideas.');
    }
}
