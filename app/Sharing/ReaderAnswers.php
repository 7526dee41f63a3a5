<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Library\PictureCache;
use App\Models\MapRecord;
use App\Models\Person;
use App\Store\Narrowing;
use App\Store\RowData;
use App\Store\SceneBoard;
use App\Store\ViewStore;
use ChalkTree\Arrange\View;
use ChalkTree\HandOver\NothingLeaves;
use ChalkTree\Map\TopicMap;
use ChalkTree\Number\Numbers;

/**
 * Answers the browser of somebody who only looks at a map, as JSON: the same answers as for those who work in it, of the
 * map as it may leave. Where anything is new, all of it is told anew, so that nothing has to be remembered of what they
 * saw; who sees it in the same way is answered from what was made for the first of them.
 *
 * @phpstan-import-type Look from ViewStore
 */
final readonly class ReaderAnswers
{
    public function __construct(private Sight $sight, private ViewStore $views, private Standing $standing, private PictureCache $kept)
    {
    }

    /**
     * Everything a browser needs to show the map.
     *
     * @return string "OpenAnswer" in the wire schema
     *
     * @throws NothingLeaves
     */
    public function open(MapRecord $record, Person $person, string $pane): string
    {
        $look = ['showing' => false] + $this->views->of($record, $person, $pane);
        $map = $this->sight->cut($record);
        // Where they have stepped in, or what they chose, may be private by now.
        $there = fn (?string $topic): ?string => $topic !== null && $map->has($topic) ? $topic : null;
        $look = ['scope' => $there($look['scope']), 'outlineScope' => $there($look['outlineScope']), 'chosen' => $there($look['chosen'])] + $look;

        return self::joined([
            'id' => $record->id,
            'view' => ['filter' => $look['filter'] === null ? null : array_diff_key($look['filter'], ['kept' => true])] + $look,
            'place' => $this->views->place($record, $person, $pane),
            'missed' => null,
            'me' => $person->id,
            ...$this->standing->told($record, $person),
        ], $this->whole($record, $look, ViewStore::view($look, $person), $map));
    }

    /**
     * What is new since a number.
     *
     * @param  Look|null  $look  the view to keep from now on
     * @return string "EditsAnswer" in the wire schema
     *
     * @throws NothingLeaves
     */
    public function news(MapRecord $record, Person $person, int $since, string $pane, ?array $look = null): string
    {
        $own = ['edits' => [], ...$this->standing->told($record, $person)];
        if ($since === $record->seq && $look === null) {
            $scene = ['reset' => false, 'arrangement' => $record->arrangement, 'slips' => [], 'gone' => [], 'marks' => [], 'goneMarks' => [], 'looks' => [], 'levels' => [], 'chalks' => []];

            return self::json($own + ['seq' => $record->seq, 'rows' => [], 'scene' => $scene, 'numbers' => null, 'today' => $person->today(), 'undo' => null, 'redo' => null]);
        }
        if ($look !== null) {
            $this->views->save($record, $person, $look, $pane);
        }

        $look ??= ['showing' => false] + $this->views->of($record, $person, $pane);

        return self::joined($own, $this->whole($record, $look, ViewStore::view($look, $person)));
    }

    /**
     * What is the same for all who see it in one way on one day, as JSON.
     *
     * @param  Look  $look
     * @param  TopicMap|null  $map  as it may leave, where it is read already
     *
     * @throws NothingLeaves
     */
    public function whole(MapRecord $record, array $look, View $view, ?TopicMap $map = null): string
    {
        sort($look['folded']);
        $way = [$look['folded'], $look['scope'], $look['showing'], $look['filter'], $view->today, $view->face?->value];

        return $this->kept->of($record, ['read', hash('xxh128', self::json($way))], function () use ($record, $look, $view, $map): string {
            $map ??= $this->sight->cut($record);

            return self::json([
                'seq' => $record->seq,
                'rows' => RowData::all($map),
                'scene' => (new SceneBoard(null, $view))->news($map, []),
                'narrowed' => Narrowing::of($map, $look, $view->today)->told($map, $view),
                'numbers' => (object) Numbers::of($map),
                'today' => $view->today,
                'undo' => null, 'redo' => null,
            ]);
        });
    }

    /** @param  array<string, mixed>  $own */
    private static function joined(array $own, string $whole): string
    {
        return substr(self::json($own), 0, -1).','.substr($whole, 1);
    }

    private static function json(mixed $data): string
    {
        return json_encode($data, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);
    }
}
