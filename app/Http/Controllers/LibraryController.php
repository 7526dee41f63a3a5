<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Library\Exports;
use App\Library\Folders;
use App\Library\Shelf;
use App\Library\Starters;
use App\Library\Trash;
use App\Models\MapRecord;
use App\Models\Person;
use App\Store\MapStore;
use App\Store\ViewStore;
use Carbon\CarbonImmutable;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\Thumbnail;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Formats;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Symfony\Component\HttpFoundation\HeaderUtils;

/** A person's maps: the list, new ones, files in and out, the trash. */
final readonly class LibraryController
{
    private const PICTURE_POLICY = "default-src 'none'; style-src 'unsafe-inline'";

    public function __construct(private Shelf $shelf, private MapStore $store, private Folders $folders, private Starters $starters)
    {
    }

    public function index(#[CurrentUser] Person $person): JsonResponse
    {
        return new JsonResponse([
            'maps' => $this->shelf->list($person),
            'trash' => $this->shelf->list($person, trashed: true),
            'folders' => $this->folders->list($person),
        ]);
    }

    public function store(Request $request, #[CurrentUser] Person $person): JsonResponse
    {
        $request->validate(['title' => ['nullable', 'string', 'max:200'], 'starter' => ['nullable', 'string', 'max:40'], 'folder' => ['nullable', 'string', 'size:26']]);
        $said = fn (string $key): ?string => $request->filled($key) ? (string) $request->string($key) : null;
        $this->folders->check($person, $said('folder'));
        $starter = $said('starter');
        $record = $starter === null ? $this->shelf->start($person, $said('title'), $said('folder')) : $this->starters->begin($person, $starter, $said('folder'));

        return new JsonResponse(['id' => $record->id], 201);
    }

    /** Puts a map into a folder, or changes whether it is a favourite or a starter. */
    public function update(Request $request, MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        $request->validate(['folder' => ['sometimes', 'nullable', 'string', 'size:26'], 'favourite' => ['sometimes', 'boolean'], 'starter' => ['sometimes', 'boolean']]);
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

    public function starterPicture(Request $request, string $starter, #[CurrentUser] Person $person): Response
    {
        return new Response($this->thumbnail($request, $this->starters->map($person, $starter)), 200, ['Content-Security-Policy' => self::PICTURE_POLICY, 'Content-Type' => 'image/svg+xml', 'Cache-Control' => 'private, max-age=300']);
    }

    public function emptyTrash(Trash $trash, #[CurrentUser] Person $person): JsonResponse
    {
        return new JsonResponse(['maps' => $trash->emptyMaps($person)]);
    }

    /** The body is the file itself; "name" says what it is called. */
    public function import(Request $request, #[CurrentUser] Person $person): JsonResponse
    {
        $request->validate(['name' => ['required', 'string', 'max:255'], 'format' => ['nullable', Rule::in(array_keys(Formats::ALL))], 'folder' => ['nullable', 'string', 'size:26']]);
        $folder = $request->filled('folder') ? (string) $request->string('folder') : null;
        $this->folders->check($person, $folder);
        if ((int) $request->header('Content-Length') > Formats::LARGEST) {
            throw new UnreadableFile('This file is larger than 16 MB, more than a map can take in.');
        }
        $map = Formats::read((string) $request->getContent(), (string) $request->string('name'), $request->filled('format') ? (string) $request->string('format') : null);

        return new JsonResponse(['id' => $this->store->create($person, $map, $folder)->id], 201);
    }

    public function duplicate(MapRecord $map, #[CurrentUser] Person $person): JsonResponse
    {
        return new JsonResponse(['id' => $this->shelf->duplicate($person, $map)->id], 201);
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

    public function export(Request $request, MapRecord $map, Exports $exports, ViewStore $views, #[CurrentUser] Person $person): Response
    {
        $request->validate([
            'to' => ['required', Rule::in(Exports::names())],
            'board' => ['nullable', Rule::enum(BoardTheme::class)],
            'as' => ['nullable', Rule::in(['shown', 'unfolded'])],
            'width' => ['nullable', 'integer', 'min:16', 'max:16000'],
            'topic' => ['nullable', 'string', 'size:26'],
        ]);
        $to = (string) $request->string('to');
        $topics = $this->store->load($map);
        $title = $this->shelf->titleOf($map, $topics->root()->title);
        $view = $request->query('as') === 'shown' ? $views->board($map, $person) : new View;
        if ($request->filled('topic')) {
            $branch = $topics->topic((string) $request->string('topic'));
            $title = Shelf::title(null, $branch->title);
            // A picture shows the branch as it is drawn when one has stepped in; all else is a map of its own.
            $view = new View($view->folded, $branch->id);
            $topics = Exports::isPicture($to) ? $topics : NewMap::from(TopicDraft::of($topics, $branch->id), arrangement: $topics->sheet()->arrangement);
        }
        $board = BoardTheme::tryFrom((string) $request->string('board')) ?? BoardTheme::Day;
        $width = $request->filled('width') ? $request->integer('width') : null;
        $name = trim((string) preg_replace('/[^\p{L}\p{N} _-]+/u', '', $title)) ?: 'map';
        $plain = trim((string) preg_replace('/[^A-Za-z0-9 _-]+/', '', Str::ascii($name))) ?: 'map';

        return new Response($exports->write($topics, $to, $title, $view, $board, $width), 200, [
            'Content-Type' => Exports::mime($to).(str_starts_with(Exports::mime($to), 'text/') ? '; charset=utf-8' : ''),
            'Content-Disposition' => HeaderUtils::makeDisposition('attachment', "{$name}.{$to}", "{$plain}.{$to}"),
            'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'; font-src data:",
        ]);
    }

    /** A small picture of the map for the library. */
    public function picture(Request $request, MapRecord $map): Response
    {
        $request->validate(['board' => ['nullable', Rule::enum(BoardTheme::class)]]);
        $answer = new Response('', 200, [
            'Content-Type' => 'image/svg+xml',
            'Content-Security-Policy' => self::PICTURE_POLICY,
            'Cache-Control' => 'private, no-cache',
            'ETag' => "\"{$map->id}-{$map->seq}-{$request->string('board', 'day')}\"",
        ]);
        if (! $answer->isNotModified($request)) {
            $answer->setContent($this->thumbnail($request, $this->store->load($map)));
        }

        return $answer;
    }

    private function thumbnail(Request $request, TopicMap $map): string
    {
        $request->validate(['board' => ['nullable', Rule::enum(BoardTheme::class)]]);
        $board = BoardTheme::tryFrom((string) $request->string('board')) ?? BoardTheme::Day;

        return (new Thumbnail($board))->ofMap($map);
    }
}
