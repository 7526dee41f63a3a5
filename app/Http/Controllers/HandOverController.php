<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Files\FileName;
use App\Files\SentFiles;
use App\HandOver\MadeFiles;
use App\HandOver\MakeHandOver;
use App\HandOver\PagePictures;
use App\HandOver\ToldPlan;
use App\HandOver\WishReader;
use App\Http\PlainJson;
use App\Http\Requests\BeginHandOver;
use App\Http\Requests\ExportMap;
use App\Library\Exports;
use App\Library\PictureCache;
use App\Library\Shelf;
use App\Models\HandOver;
use App\Models\MapRecord;
use App\Models\Person;
use App\Sharing\Sight;
use App\Store\ViewStore;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\Ids;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response as PlainResponse;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Files of maps that take a while: begun, asked for, stopped, fetched. */
final readonly class HandOverController
{
    /** Of one person at a time; the oldest makes room. */
    private const MOST = 4;

    public function __construct(private MadeFiles $made)
    {
    }

    public function begin(BeginHandOver $request, MapRecord $map, Sight $sight, #[CurrentUser] Person $person): JsonResponse
    {
        $sight->checkCopy($person, $map, (string) $request->string('to'));
        $topics = $sight->of($person, $map);
        $choices = WishReader::choices((array) $request->json('choices'), $topics);
        $branch = is_string($branch = $request->json('topic')) ? $topics->topic($branch)->id : null;
        /** @var list<string> $its */
        $its = HandOver::query()->where('person_id', $person->id)->orderByDesc('id')->pluck('id')->all();
        foreach (HandOver::query()->findMany(array_slice($its, self::MOST - 1)) as $old) {
            $this->stop($old);
        }
        /** @var list<string> $chosen */
        $chosen = (array) $request->json('chosen');
        /** @var list<string> $gaps */
        $gaps = (array) $request->json('gaps');
        $wanted = HandOver::query()->create([
            'id' => Ids::next(), 'person_id' => $person->id, 'map_id' => $map->id, 'topic' => $branch, 'to' => (string) $request->string('to'), 'board' => (string) $request->string('board'),
            'choices' => $choices->saying(), 'chosen' => implode(' ', $chosen), 'gaps' => implode(' ', $gaps), 'state' => 'waiting', 'words' => 'Waiting', 'percent' => 0, 'touched' => time(),
        ]);
        MakeHandOver::dispatch($wanted->id);

        return new JsonResponse($this->told($wanted->refresh()), 201);
    }

    /** What a picture or a print will be like: how large, how small its type, on how many sheets. */
    public function plan(ExportMap $request, MapRecord $map, Sight $sight, ViewStore $views, PictureCache $cache, #[CurrentUser] Person $person): JsonResponse
    {
        $topics = $sight->of($person, $map);
        $wish = $request->wish($topics, $views->board($map, $person));
        if (! Exports::isPicture($wish->to)) {
            throw new InvalidEdit('Only pictures and prints have a plan.', 'to');
        }

        return new PlainJson(json_decode($cache->of($map, ['plan', ...$wish->asked()], fn (): string => json_encode(ToldPlan::of($topics, $wish), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)), true));
    }

    public function show(HandOver $handOver): JsonResponse
    {
        return new PlainJson($this->told($handOver));
    }

    public function stop(HandOver $handOver): JsonResponse
    {
        HandOver::query()->whereKey($handOver->id)->update(['state' => 'stopped']);
        $this->made->forget($handOver);
        $handOver->delete();

        return new PlainJson(['id' => $handOver->id]);
    }

    public function file(HandOver $handOver, Sight $sight, Shelf $shelf, #[CurrentUser] Person $person): Response
    {
        $map = MapRecord::query()->find($handOver->map_id);
        if ($handOver->state !== 'done' || $map === null || ! $this->made->has($handOver)) {
            throw new NotFoundHttpException;
        }
        $topics = $sight->of($person, $map);
        $topic = $handOver->topic === null ? null : $topics->find($handOver->topic);
        $title = $topic === null ? $shelf->titleOf($map, $topics->root()->title) : Shelf::title(null, $topic->title);
        $name = FileName::clean((trim((string) preg_replace('/[^\p{L}\p{N} _-]+/u', '', $title)) ?: 'map').'.'.Exports::ending($handOver->to));

        return $this->made->send($handOver, [
            'Content-Type' => Exports::mime($handOver->to), 'Content-Disposition' => HeaderUtils::makeDisposition('attachment', $name, FileName::plain($name)),
            'Content-Security-Policy' => SentFiles::POLICY, 'X-Content-Type-Options' => 'nosniff', 'Cache-Control' => 'private, no-store',
        ]);
    }

    /** A page of a PDF, as a picture. */
    public function page(HandOver $handOver, string $page, PagePictures $pictures): Response
    {
        $picture = $handOver->state === 'done' && $handOver->isPages() ? $this->made->read($handOver, fn (string $path): ?string => $pictures->of($path, (int) $page)) : null;

        return $picture === null ? throw new NotFoundHttpException
            : new PlainResponse($picture, 200, ['Content-Type' => 'image/png', 'Content-Security-Policy' => SentFiles::POLICY, 'X-Content-Type-Options' => 'nosniff', 'Cache-Control' => 'private, max-age=600']);
    }

    /** @return array{id: string, state: string, words: string, percent: int, message: string|null, bytes: int, pages: int} */
    private function told(HandOver $handOver): array
    {
        $isDone = $handOver->state === 'done';

        return [
            'id' => $handOver->id, 'state' => $handOver->state, 'words' => $handOver->words, 'percent' => $handOver->percent, 'message' => $handOver->message,
            'bytes' => $isDone ? $this->made->bytes($handOver) : 0, 'pages' => $isDone && $handOver->isPages() ? (int) $this->made->read($handOver, PagePictures::count(...)) : 0,
        ];
    }
}
