<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PlainJson;
use App\Http\Requests\LayBeside;
use App\Http\SvgAnswer;
use App\Library\Arrivals;
use App\Library\Pictures;
use App\Library\Shelf;
use App\Models\MapRecord;
use App\Store\MapPast;
use App\Store\MapStore;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Compare\MapDifferences;
use ChalkTree\Look\Chalk;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use Illuminate\Http\Response;

/** Another map, or a file, laid beside a map; nothing is changed. What is taken over is so by edits, which the answers hold. */
final readonly class CompareController
{
    /** Chalks for what is otherwise, in the drawing as in the list and in the history. */
    private const RINGS = ['new' => Chalk::Kelp, 'gone' => Chalk::Ember, 'moved' => Chalk::Marigold, 'changed' => Chalk::Dusk];

    public function __construct(private MapStore $store, private MapPast $past, private Pictures $pictures)
    {
    }

    /** With "at" the other as it was after that edit; with "since" the own one as it was, to be looked at. */
    public function map(LayBeside $request, MapRecord $map, MapRecord $other): Response|PlainJson
    {
        $at = $request->at();
        $its = $at === null ? $this->store->load($other) : $this->past->at($other, $at);
        $base = match (true) {
            $at !== null, $request->since() !== null => null,
            $other->copied_from === $map->id => $this->then($map, (int) $other->copied_seq),
            $map->copied_from === $other->id => $this->then($other, (int) $map->copied_seq),
            default => null,
        };

        return $this->answer($request, $map, $its, Shelf::title($other->title, $its->root()->title), true, $base);
    }

    public function file(LayBeside $request, MapRecord $map, Arrivals $arrivals): Response|PlainJson
    {
        [$its, $mark] = $arrivals->beside($request->bytes(), $request->name(), $map->id);
        $base = $mark?->map === $map->id && $request->since() === null ? $this->then($map, $mark->seq) : null;

        return $this->answer($request, $map, $its, $request->name() === '' ? InlineMarkdown::oneLine($its->root()->title, 120) : mb_scrub(basename($request->name())), false, $base);
    }

    /** The map that two maps once were, where it can still be told. */
    private function then(MapRecord $map, int $seq): ?TopicMap
    {
        return $seq > $map->seq ? null : $this->past->at($map, $seq);
    }

    private function answer(LayBeside $request, MapRecord $map, TopicMap $other, string $title, bool $withContents, ?TopicMap $base): Response|PlainJson
    {
        $own = $request->since() === null ? $this->store->load($map) : $this->past->at($map, $request->since());
        $its = MapDifferences::of($own, $other, $withContents, $base);
        $board = $request->board();
        if ($board === null) {
            return new PlainJson(['title' => $title, 'differences' => $its->all, 'same' => $its->same, 'hasMore' => $its->hasMore, 'isSince' => $base !== null]);
        }

        return new SvgAnswer($this->pictures->svg($map, Layout::of($its->merged(), new View)->scene(), $title, $board, array_map(fn (string $mark): Chalk => self::RINGS[$mark], $its->marks())));
    }
}
