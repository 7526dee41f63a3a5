<?php

declare(strict_types=1);

namespace App\Publishing;

use App\HandOver\Drawing;
use App\HandOver\Wish;
use App\Library\Shelf;
use App\Models\MapRecord;
use App\Models\PublishedPage;
use App\Store\MapStore;
use ChalkTree\Attach\AttachedFile;
use ChalkTree\Exchange\Formats;
use ChalkTree\HandOver\NothingLeaves;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\HandOver\Selected;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Map\TopicMap;

/** What of a map a page shows. */
final class PageContent
{
    private ?Drawing $drawing = null;

    private function __construct(public readonly MapRecord $record, public readonly TopicMap $map, public readonly string $title, private readonly TopicMap $leaving, private readonly Wish $wish)
    {
    }

    /** Laid out when it is asked for: not all that is on a page needs it. */
    public function drawing(): Drawing
    {
        return $this->drawing ??= Drawing::of($this->leaving, $this->wish);
    }

    /** @throws NothingLeaves where all of it has become private, or is gone */
    public static function of(PublishedPage $page, MapStore $store, Shelf $shelf): self
    {
        $record = $page->map;
        if ($record === null || $record->trashed_at !== null) {
            throw new NothingLeaves;
        }
        $now = $store->load($record);
        $choices = $page->chosen();
        $map = $page->frozen === null ? $now : Formats::read($page->frozen, 'frozen.json');
        if ($page->topic !== null && ! $map->has($page->topic)) {
            throw new NothingLeaves;
        }
        $leaving = $page->frozen === null ? Outgoing::of($now, $page->topic) : Outgoing::since($map, $now, $page->topic);
        $leaving = $page->hasFiles ? $leaving : self::withoutFiles($leaving);
        $title = $page->topic === null ? $shelf->titleOf($record, $leaving->root()->title) : Shelf::title(null, $leaving->topic($page->topic)->title);

        return new self($record, Selected::of($leaving, $choices, $page->topic), $title, $leaving, new Wish('svg', $choices, $page->topic, board: BoardTheme::Day));
    }

    /** The same map as if no topic had a file. */
    private static function withoutFiles(TopicMap $map): TopicMap
    {
        return new TopicMap(array_merge(...array_values(array_map(array_values(...), array_diff_key($map->rows(), [AttachedFile::type() => 1])))));
    }
}
