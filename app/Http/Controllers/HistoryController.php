<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PlainJson;
use App\Http\Requests\ListHistory;
use App\Http\Requests\NameVersion;
use App\Http\Requests\ShowPast;
use App\Http\SvgAnswer;
use App\Library\PictureCache;
use App\Library\Pictures;
use App\Library\Trash;
use App\Models\MapRecord;
use App\Store\EditLog;
use App\Store\MapPast;
use App\Store\MapStore;
use App\Store\NamedVersions;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Look\Chalk;
use ChalkTree\Map\Comparison;
use ChalkTree\Map\Topic;
use Illuminate\Http\JsonResponse;

/** What was done to a map, how it once was, and what was removed from it. */
final readonly class HistoryController
{
    /** Chalks for what became of topics, in the drawing as in the list. */
    private const RINGS = ['added' => Chalk::Kelp, 'removed' => Chalk::Ember, 'moved' => Chalk::Marigold, 'changed' => Chalk::Dusk];

    public function __construct(private MapPast $past, private MapStore $store, private EditLog $log, private NamedVersions $versions)
    {
    }

    public function index(ListHistory $request, MapRecord $map): JsonResponse
    {
        return new PlainJson(['edits' => $this->log->history($map, $request->integer('before', PHP_INT_MAX), 100), 'versions' => $this->versions->of($map)]);
    }

    /** Gives a version of the map a name, by which it is found again. */
    public function name(NameVersion $request, MapRecord $map, int $seq): JsonResponse
    {
        $this->versions->call($map, $seq, $request->name());

        return new PlainJson(['versions' => $this->versions->of($map)]);
    }

    /** What is different now from how the map was after an edit. */
    public function compare(MapRecord $map, int $seq): JsonResponse
    {
        $then = $this->past->at($map, $seq);

        return new PlainJson([
            'differences' => Comparison::of($then, $this->store->load($map)),
            'topics' => array_map(fn (Topic $topic): array => ['id' => $topic->id, 'parent' => $topic->parent, 'title' => $topic->title], array_values($then->everything())),
        ]);
    }

    /** The map drawn as it was then, or as it is now, with a ring around each topic that is different. */
    public function picture(ShowPast $request, MapRecord $map, int $seq, Pictures $pictures, PictureCache $cache): SvgAnswer
    {
        $board = BoardTheme::tryFrom((string) $request->string('board')) ?? BoardTheme::Day;
        $show = (string) $request->string('show');

        return new SvgAnswer($cache->of($map, ['history', $seq, $show, $board->value], fn (): string => $this->drawn($map, $seq, $show, $board, $pictures)));
    }

    private function drawn(MapRecord $map, int $seq, string $show, BoardTheme $board, Pictures $pictures): string
    {
        $then = $this->past->at($map, $seq);
        $now = $this->store->load($map);
        $rings = [];
        foreach (Comparison::of($then, $now) as $difference) {
            $rings[$difference['topic']] = self::RINGS[$difference['what']];
        }

        return $pictures->svg($map, Layout::of($show === 'now' ? $now : $then, new View)->scene(), 'History', $board, $rings);
    }

    /** A branch as it was then, as topic.add-many takes it. */
    public function branch(MapRecord $map, int $seq, string $topic): JsonResponse
    {
        $then = $this->past->at($map, $seq);

        return new PlainJson(['topics' => [TopicDraft::of($then, $then->topic($topic)->id)->toArray()]]);
    }

    /** The branches that were removed from this map and can be restored. */
    public function trash(MapRecord $map): JsonResponse
    {
        $topics = $this->store->load($map);

        return new PlainJson(['branches' => array_map(fn (Topic $top): array => [
            'id' => $top->id,
            'title' => $top->title,
            'topics' => count($topics->removedWith($top->id)),
        ], $topics->removedTops())]);
    }

    public function emptyTrash(MapRecord $map, Trash $trash): JsonResponse
    {
        return new PlainJson(['topics' => $trash->emptyBranches($map)]);
    }
}
