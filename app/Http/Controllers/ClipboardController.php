<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PlainJson;
use App\Http\Requests\DrawClip;
use App\Http\Requests\ReadClip;
use App\Http\Requests\ReadDocument;
use App\Library\Arrivals;
use App\Models\MapRecord;
use App\Models\Person;
use App\Sharing\Sight;
use ChalkTree\Draw\Thumbnail;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Clipping;
use ChalkTree\HandOver\DocumentLines;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Map\NewMap;
use ChalkTree\Paste\Clip;
use ChalkTree\Paste\ClipLine;
use ChalkTree\Paste\Landing;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What goes through the clipboard: clips on their way in, to be looked at before they land, and branches on their way out. */
final readonly class ClipboardController
{
    /** Reads a clip into lines with levels; nothing is changed. */
    public function read(ReadClip $request, MapRecord $map): JsonResponse
    {
        $clip = Clip::read(
            (string) $request->json('text'),
            (string) $request->json('html'),
            $request->json('source') === null ? null : (string) $request->json('source'),
            $request->json('headings') !== false,
        );

        return new PlainJson([
            'lines' => array_map(fn (ClipLine $line): array => $line->toArray(), $clip->lines),
            'source' => $clip->source,
            'sure' => $clip->isSure(),
        ]);
    }

    /** Reads a document into lines with levels and notes; its pictures are kept with the map, and go again where nothing names them. */
    public function document(ReadDocument $request, MapRecord $map, Arrivals $arrivals): JsonResponse
    {
        $lines = DocumentLines::of($arrivals->look($map, (string) $request->getContent(), (string) $request->string('name')));

        return new PlainJson(['lines' => array_map(fn (ClipLine $line): array => $line->toArray(), $lines), 'source' => null, 'sure' => false]);
    }

    /** A small drawing of what lines would become. */
    public function picture(DrawClip $request, MapRecord $map): JsonResponse
    {
        $arguments = new Arguments($request->json()->all());
        $drafts = Landing::read($arguments)->topics((string) $request->json('as'));
        $map = NewMap::from(count($drafts) === 1 ? $drafts[0] : new TopicDraft('…', children: $drafts), arrangement: 'rightward');
        $board = BoardTheme::tryFrom((string) $request->json('board')) ?? BoardTheme::Day;

        return new PlainJson(['picture' => (new Thumbnail($board))->ofMap($map)]);
    }

    /** Branches as text, Markdown and HTML, and as what topic.add-many takes. */
    public function copy(Request $request, MapRecord $map, Sight $sight, #[CurrentUser] Person $person): JsonResponse
    {
        $arguments = new Arguments($request->json()->all());
        $topics = $sight->of($person, $map);

        return new PlainJson(Clipping::of($topics, $arguments->ids('topics'), $arguments->flag('alone'))->toArray());
    }
}
