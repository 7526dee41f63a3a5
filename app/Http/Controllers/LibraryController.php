<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Files\SentFiles;
use App\Files\Uploads;
use App\Http\Requests\ChangeMap;
use App\Http\Requests\ExportMap;
use App\Http\Requests\ImportMap;
use App\Http\Requests\MakeMap;
use App\Http\Requests\ShowPicture;
use App\Library\Arrivals;
use App\Library\Exports;
use App\Library\Folders;
use App\Library\PictureCache;
use App\Library\Shelf;
use App\Library\Starters;
use App\Library\Trash;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\Upload;
use App\Sharing\SharedShelf;
use App\Sharing\Sight;
use App\Store\ViewStore;
use Carbon\CarbonImmutable;
use ChalkTree\Draw\Thumbnail;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** A person's maps: the list, new ones, files in and out, the trash. */
final readonly class LibraryController
{
    private const PICTURE_POLICY = "default-src 'none'; style-src 'unsafe-inline'";

    public function __construct(private Shelf $shelf, private Folders $folders, private Starters $starters, private PictureCache $pictures, private Arrivals $arrivals)
    {
    }

    public function index(SharedShelf $shared, #[CurrentUser] Person $person): JsonResponse
    {
        return new JsonResponse([
            'maps' => $this->shelf->list($person),
            'shared' => $shared->list($person),
            'trash' => $this->shelf->list($person, trashed: true),
            'folders' => $this->folders->list($person),
        ]);
    }

    public function store(MakeMap $request, #[CurrentUser] Person $person): JsonResponse
    {
        $said = fn (string $key): ?string => $request->filled($key) ? (string) $request->string($key) : null;
        $this->folders->check($person, $said('folder'));

        return $this->make($request, $person, fn (?string $id): MapRecord => $said('starter') === null
            ? $this->shelf->start($person, $said('title'), $said('folder'), $id)
            : $this->starters->begin($person, $said('starter'), $said('folder'), $id));
    }

    /**
     * Makes a map under the id that the request may bring, or finds it made already.
     *
     * @param  callable(string|null): MapRecord  $make
     */
    private function make(Request $request, Person $person, callable $make): JsonResponse
    {
        $id = $request->input('id') ?? $request->query('id');
        if ($id !== null && (! is_string($id) || ! Ids::valid($id))) {
            throw new InvalidEdit('The id of a map has to be 26 letters and digits.', 'id');
        }
        $made = $id === null ? null : $this->shelf->made($person, $id);

        return $made !== null ? new JsonResponse(['id' => $made->id]) : new JsonResponse(['id' => $make($id)->id], 201);
    }

    /** Puts a map into a folder, or changes whether it is a favourite or a starter. */
    public function update(ChangeMap $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        if ($request->has('folder')) {
            $map->folder = $request->filled('folder') ? (string) $request->string('folder') : null;
            $this->folders->check($person, $map->folder);
        }
        $map->favourite = $request->boolean('favourite', $map->favourite);
        $map->starter = $request->boolean('starter', $map->starter);
        $map->save();

        return new JsonResponse(['id' => $map->id]);
    }

    public function starters(#[CurrentUser] Person $person): JsonResponse
    {
        return new JsonResponse($this->starters->list($person));
    }

    public function starterPicture(ShowPicture $request, string $starter, #[CurrentUser] Person $person): Response
    {
        return new PlainResponse($this->thumbnail($request, $this->starters->map($person, $starter)), 200, ['Content-Security-Policy' => self::PICTURE_POLICY, 'Content-Type' => 'image/svg+xml', 'Cache-Control' => 'private, max-age=300']);
    }

    public function emptyTrash(Trash $trash, #[CurrentUser] Person $person): JsonResponse
    {
        return new JsonResponse(['maps' => $trash->emptyMaps($person)]);
    }

    /** The body is the file itself, or "upload" names one that came in pieces; "name" says what it is called. */
    public function import(ImportMap $request, Uploads $uploads, #[CurrentUser] Person $person): JsonResponse
    {
        $folder = $request->filled('folder') ? (string) $request->string('folder') : null;
        $this->folders->check($person, $folder);
        if ((int) $request->header('Content-Length') > Bounds::LARGEST_FILE) {
            throw new UnreadableFile('This file is larger than 16 MB, more than a map can take in.');
        }
        [$name, $format] = [(string) $request->string('name'), $request->filled('format') ? (string) $request->string('format') : null];

        return $this->make($request, $person, function (?string $id) use ($uploads, $person, $request, $name, $format, $folder): MapRecord {
            if (! $request->filled('upload')) {
                return $this->arrivals->bring($person, (string) $request->getContent(), $name, $format, $folder, $id);
            }
            $upload = Upload::query()->where('person_id', $person->id)->find((string) $request->string('upload')) ?? throw new NotFoundHttpException;
            $file = $uploads->join($upload);
            // What came is the map's from here on, and takes room once.
            $uploads->stop($upload);

            return $this->arrivals->bringFile($person, $file->path, $name, $format, $folder, $id);
        });
    }

    public function duplicate(Request $request, MapRecord $map, Sight $sight, #[CurrentUser] Person $person): JsonResponse
    {
        return $this->make($request, $person, fn (?string $id): MapRecord => $this->shelf->duplicate($person, $map, fn (): TopicMap => $sight->of($person, $map), $id));
    }

    /** Makes a map of a branch, which stays where it is until whoever asked takes it away there. */
    public function part(Request $request, MapRecord $map, string $topic, #[CurrentUser] Person $person): JsonResponse
    {
        return $this->make($request, $person, fn (?string $id): MapRecord => $this->shelf->part($person, $map, $topic, $id));
    }

    public function trash(MapRecord $map): JsonResponse
    {
        $map->trashed_at ??= CarbonImmutable::now();
        $map->save();

        return new JsonResponse(['id' => $map->id]);
    }

    public function restore(MapRecord $map): JsonResponse
    {
        $map->trashed_at = null;
        $map->save();

        return new JsonResponse(['id' => $map->id]);
    }

    public function export(ExportMap $request, MapRecord $map, Exports $exports, ViewStore $views, SentFiles $sent, Sight $sight, #[CurrentUser] Person $person): Response
    {
        $sight->checkCopy($person, $map, (string) $request->string('to'));
        $topics = $sight->of($person, $map);
        $wish = $request->wish($topics, $views->board($map, $person));
        $title = $wish->branch === null ? $this->shelf->titleOf($map, $topics->root()->title) : Shelf::title(null, $topics->topic($wish->branch)->title);
        $name = trim((string) preg_replace('/[^\p{L}\p{N} _-]+/u', '', $title)) ?: 'map';
        $plain = trim((string) preg_replace('/[^A-Za-z0-9 _-]+/', '', Str::ascii($name))) ?: 'map';

        if ($wish->to === Exports::ARCHIVE) {
            return $sent->handOver($exports->zip($map, $wish->branch === null ? $topics : NewMap::from(TopicDraft::of($topics, $wish->branch), arrangement: $topics->sheet()->arrangement)), Exports::mime($wish->to), "{$name}.zip");
        }
        $file = Exports::isPicture($wish->to)
            ? $this->pictures->of($map, $wish->asked(), fn (): string => $exports->write($map, $topics, $wish))
            : $exports->write($map, $topics, $wish, for: $person);

        return new PlainResponse($file, 200, [
            'Content-Type' => Exports::mime($wish->to).(str_starts_with(Exports::mime($wish->to), 'text/') ? '; charset=utf-8' : ''),
            'Content-Disposition' => HeaderUtils::makeDisposition('attachment', "{$name}.".Exports::ending($wish->to), "{$plain}.".Exports::ending($wish->to)),
            'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'; font-src data:; img-src data:",
            'X-Content-Type-Options' => 'nosniff',
        ]);
    }

    /** A small picture of the map for the library. */
    public function picture(ShowPicture $request, MapRecord $map, Sight $sight, #[CurrentUser] Person $person): Response
    {
        $sees = $sight->isWhole($person, $map) ? 'all' : 'some';
        $answer = new PlainResponse('', 200, [
            'Content-Type' => 'image/svg+xml',
            'Content-Security-Policy' => self::PICTURE_POLICY,
            'Cache-Control' => 'private, no-cache',
            'ETag' => "\"{$map->id}-{$map->seq}-{$request->string('board', 'day')}-{$sees}\"",
        ]);
        if (! $answer->isNotModified($request)) {
            $answer->setContent($this->pictures->of($map, ['small', (string) $request->string('board', 'day'), $sees], fn (): string => $this->thumbnail($request, $sight->of($person, $map))));
        }

        return $answer;
    }

    private function thumbnail(ShowPicture $request, TopicMap $map): string
    {
        $board = BoardTheme::tryFrom((string) $request->string('board')) ?? BoardTheme::Day;

        return (new Thumbnail($board))->ofMap($map);
    }
}
