<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Library\Exports;
use App\Library\Shelf;
use App\Models\MapRecord;
use App\Models\Person;
use App\Store\MapStore;
use App\Store\ViewStore;
use Carbon\CarbonImmutable;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\Thumbnail;
use ChalkTree\Exchange\Formats;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Look\BoardTheme;
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
    public function __construct(private Shelf $shelf, private MapStore $store)
    {
    }

    public function index(#[CurrentUser] Person $person): JsonResponse
    {
        return new JsonResponse(['maps' => $this->shelf->list($person), 'trash' => $this->shelf->list($person, trashed: true)]);
    }

    public function store(Request $request, #[CurrentUser] Person $person): JsonResponse
    {
        $request->validate(['title' => ['nullable', 'string', 'max:200']]);
        $title = $request->filled('title') ? (string) $request->string('title') : null;

        return new JsonResponse(['id' => $this->shelf->start($person, $title)->id], 201);
    }

    /** The body is the file itself; "name" says what it is called. */
    public function import(Request $request, #[CurrentUser] Person $person): JsonResponse
    {
        $request->validate(['name' => ['required', 'string', 'max:255'], 'format' => ['nullable', Rule::in(array_keys(Formats::ALL))]]);
        if ((int) $request->header('Content-Length') > Formats::LARGEST) {
            throw new UnreadableFile('This file is larger than 16 MB, more than a map can take in.');
        }
        $map = Formats::read((string) $request->getContent(), (string) $request->string('name'), $request->filled('format') ? (string) $request->string('format') : null);

        return new JsonResponse(['id' => $this->store->create($person, $map)->id], 201);
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
        ]);
        $to = (string) $request->string('to');
        $topics = $this->store->load($map);
        $title = $this->shelf->titleOf($map, $topics->root()->title);
        $view = $request->query('as') === 'shown' ? $views->board($map, $person) : new View;
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
        $board = BoardTheme::tryFrom((string) $request->string('board')) ?? BoardTheme::Day;
        $answer = new Response('', 200, [
            'Content-Type' => 'image/svg+xml',
            'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'",
            'Cache-Control' => 'private, no-cache',
            'ETag' => "\"{$map->id}-{$map->seq}-{$board->value}\"",
        ]);
        if (! $answer->isNotModified($request)) {
            $topics = $this->store->load($map);
            $answer->setContent((new Thumbnail($board))->write(Layout::of($topics, View::overview($topics, Thumbnail::MOST))->scene()));
        }

        return $answer;
    }
}
