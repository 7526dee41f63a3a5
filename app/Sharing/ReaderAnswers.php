<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Models\MapRecord;
use App\Models\Person;
use App\Store\Narrowing;
use App\Store\RowData;
use App\Store\SceneBoard;
use App\Store\ViewStore;
use ChalkTree\HandOver\NothingLeaves;
use ChalkTree\Map\TopicMap;
use ChalkTree\Number\Numbers;

/**
 * Answers the browser of somebody who only looks at a map: the same answers as for those who work in it, of the map as
 * it may leave. Where anything is new, all of it is told anew, so that nothing has to be remembered of what they saw.
 *
 * @phpstan-import-type Look from ViewStore
 */
final readonly class ReaderAnswers
{
    public function __construct(private Sight $sight, private ViewStore $views, private Standing $standing)
    {
    }

    /**
     * Everything a browser needs to show the map.
     *
     * @return array<string, mixed> "OpenAnswer" in the wire schema
     *
     * @throws NothingLeaves
     */
    public function open(MapRecord $record, Person $person, string $pane): array
    {
        $look = ['showing' => false] + $this->views->of($record, $person, $pane);
        $map = $this->sight->cut($record);
        // Where they have stepped in, or what they chose, may be private by now.
        $there = fn (?string $topic): ?string => $topic !== null && $map->has($topic) ? $topic : null;
        $look = ['scope' => $there($look['scope']), 'outlineScope' => $there($look['outlineScope']), 'chosen' => $there($look['chosen'])] + $look;

        return [
            'id' => $record->id,
            'view' => ['filter' => $look['filter'] === null ? null : array_diff_key($look['filter'], ['kept' => true])] + $look,
            'place' => $this->views->place($record, $person, $pane),
            ...$this->whole($record, $person, $map, $look),
            'missed' => null,
        ];
    }

    /**
     * What is new since a number.
     *
     * @param  Look|null  $look  the view to keep from now on
     * @return array<string, mixed> "EditsAnswer" in the wire schema
     *
     * @throws NothingLeaves
     */
    public function news(MapRecord $record, Person $person, int $since, string $pane, ?array $look = null): array
    {
        if ($since === $record->seq && $look === null) {
            return [
                'seq' => $record->seq, 'edits' => [], 'rows' => [],
                'scene' => ['reset' => false, 'arrangement' => $record->arrangement, 'slips' => [], 'gone' => [], 'marks' => [], 'goneMarks' => [], 'looks' => [], 'levels' => [], 'chalks' => []],
                'numbers' => null, 'today' => $person->today(), 'undo' => null, 'redo' => null, ...$this->standing->told($record, $person),
            ];
        }
        if ($look !== null) {
            $this->views->save($record, $person, $look, $pane);
        }

        return ['edits' => [], ...$this->whole($record, $person, $this->sight->cut($record), $look ?? ['showing' => false] + $this->views->of($record, $person, $pane))];
    }

    /**
     * @param  Look  $look
     * @return array<string, mixed>
     */
    private function whole(MapRecord $record, Person $person, TopicMap $map, array $look): array
    {
        $view = ViewStore::view($look, $person);

        return [
            'seq' => $record->seq,
            'rows' => RowData::all($map),
            'scene' => (new SceneBoard(null, $view))->news($map, []),
            'narrowed' => Narrowing::of($map, $look, $view->today)->told($map, $view),
            'numbers' => (object) Numbers::of($map),
            'today' => $view->today,
            'undo' => null, 'redo' => null,
            ...$this->standing->told($record, $person),
        ];
    }
}
