<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Classroom\ClassTable;
use App\Classroom\HandOuts;
use App\Files\FileName;
use App\Http\PlainJson;
use App\Http\Requests\ChangeHandOut;
use App\Http\Requests\GiveOut;
use App\Http\Requests\GivePart;
use App\Http\Requests\LayBeside;
use App\Http\Requests\MarkCopy;
use App\Http\Requests\SayToClass;
use App\Http\Requests\SetCopyState;
use App\Http\Requests\ShowCopy;
use App\Http\SvgAnswer;
use App\Library\Pictures;
use App\Models\HandOut;
use App\Models\HandOutCopy;
use App\Models\Person;
use App\Models\SchoolClass;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Look\Chalk;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What was given out to a class, and what became of it. */
final readonly class HandOutController
{
    /** Of a topic that all have, and of one that only one has. */
    private const RINGS = ['all' => Chalk::Kelp, 'one' => Chalk::Marigold];

    public function __construct(private HandOuts $handOuts, private ClassTable $table)
    {
    }

    public function store(GiveOut $request, SchoolClass $schoolClass, #[CurrentUser] Person $person): JsonResponse
    {
        $map = $person->map((string) $request->string('map')) ?? throw new NotFoundHttpException;

        return new JsonResponse(['id' => $this->handOuts->give($schoolClass, $map, $request->wish())->id], 201);
    }

    public function show(HandOut $handOut): JsonResponse
    {
        return $this->told($handOut);
    }

    public function update(ChangeHandOut $request, HandOut $handOut, #[CurrentUser] Person $person): JsonResponse
    {
        $fields = $request->fields();
        if ($fields['model_id'] !== null && $person->map($fields['model_id']) === null) {
            throw new InvalidEdit('There is no such map of yours.', 'model');
        }
        $handOut->update($fields);

        return $this->told($handOut);
    }

    public function destroy(HandOut $handOut): JsonResponse
    {
        $this->handOuts->delete($handOut);

        return new JsonResponse(['id' => $handOut->id]);
    }

    public function give(GivePart $request, HandOut $handOut): JsonResponse
    {
        $this->handOuts->givePart($handOut->load('given'), (string) $request->string('topic'));

        return $this->told($handOut->refresh());
    }

    public function say(SayToClass $request, HandOut $handOut): JsonResponse
    {
        $copy = $request->filled('copy') ? HandOutCopy::query()->where('hand_out_id', $handOut->id)->find((string) $request->string('copy')) ?? throw new NotFoundHttpException : null;

        return new JsonResponse(['told' => $this->handOuts->say($handOut, $request->text(), $copy)]);
    }

    public function csv(HandOut $handOut): Response
    {
        $name = FileName::clean($handOut->title).'.csv';

        return new Response($this->table->csv($handOut->load('given')), 200, ['Content-Type' => 'text/csv; charset=UTF-8', 'Content-Disposition' => HeaderUtils::makeDisposition('attachment', $name, 'table.csv'), 'X-Content-Type-Options' => 'nosniff']);
    }

    /** All copies laid over each other: told, or with "board" drawn. */
    public function over(LayBeside $request, HandOut $handOut, Pictures $pictures): Response|PlainJson
    {
        $handOut->load('given');
        $board = $request->board();
        if ($board === null) {
            return new PlainJson($this->table->overTold($handOut));
        }
        $of = HandOutCopy::query()->where('hand_out_id', $handOut->id)->count();
        $over = $this->table->over($handOut);
        $drawn = $over->drawn($of);
        $rings = [];
        foreach ($over->holders as $id => $holders) {
            $ring = count($holders) === $of ? 'all' : (count($holders) === 1 ? 'one' : null);
            if ($ring !== null && $of > 1 && $id !== $drawn->sheet()->root) {
                $rings[$id] = self::RINGS[$ring];
            }
        }

        return new SvgAnswer($pictures->svg($handOut->given, Layout::of($drawn, new View)->scene(), $handOut->title, $board, $rings));
    }

    public function setState(SetCopyState $request, HandOutCopy $copy): JsonResponse
    {
        $this->handOuts->setState($copy, $request->state());

        return $this->told($copy->handOut()->firstOrFail());
    }

    public function mark(MarkCopy $request, HandOutCopy $copy): JsonResponse
    {
        $this->handOuts->mark($copy->load('handOut'), $request->marks(), $request->remark());

        return $this->told($copy->handOut()->firstOrFail());
    }

    public function showToAll(ShowCopy $request, HandOutCopy $copy): JsonResponse
    {
        $this->handOuts->show($copy->load(['map', 'link']), $request->how());

        return $this->told($copy->handOut()->firstOrFail());
    }

    private function told(HandOut $handOut): JsonResponse
    {
        return new PlainJson($this->table->of($handOut->load('given')));
    }
}
