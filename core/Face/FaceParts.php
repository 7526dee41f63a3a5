<?php

declare(strict_types=1);

namespace ChalkTree\Face;

use ChalkTree\Ask\Moment;
use ChalkTree\Features;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** What stands in the boxes of one map's topics besides their titles: what a topic says itself, and what features put there. */
final class FaceParts
{
    private ?TopicMap $map = null;

    /** @var list<array{PutsInBoxes, string, array<string, FeatureRow>|null}> features with the sort of their rows, and all of these by topic where all may be asked for */
    private array $sources = [];

    /** @var list<array{PutsTiesInBoxes, array<string, non-empty-list<FeatureRow>>}> features, with what ties topics by these */
    private array $ties = [];

    /** @var list<BoxSource> what follows from what is said elsewhere */
    private array $computed = [];

    /** @var array<class-string<FeatureRow>, array<string, FeatureRow>> what is said of the map as a whole */
    private array $ofMap = [];

    /**
     * From now on for this map, as it is now.
     *
     * @param  bool  $isWhole  whether all topics will be asked about, and not only some
     * @param  Moment|null  $now  from which is reckoned what follows from what is said elsewhere; by default the map on this day
     * @return bool whether what is said of the map as a whole, as of a tag, is what it was
     */
    public function read(TopicMap $map, bool $isWhole, ?Moment $now = null): bool
    {
        $before = $this->map === null ? null : $this->ofMap;
        $this->map = $map;
        $this->sources = $this->ofMap = $this->ties = $this->computed = [];
        $now ??= new Moment($map);
        foreach (Features::all() as $feature) {
            if ($feature instanceof PutsInBoxes) {
                $this->readRows($map, $feature, $isWhole);
            }
            if ($feature instanceof PutsTiesInBoxes) {
                $this->readTies($map, $feature);
            }
            if ($feature instanceof PutsComputedInBoxes) {
                $this->readComputed($map, $feature, $now);
            }
        }

        // The same rows are the same objects, mostly.
        return $before === null || $before == $this->ofMap;
    }

    private function readComputed(TopicMap $map, PutsComputedInBoxes $feature, Moment $now): void
    {
        foreach ($feature->rows() as $class) {
            if ($class::isOfMap() && $class::isDrawnByLooks()) {
                $this->ofMap[$class] = $map->rowsOf($class);
            }
        }
        $boxes = $feature->boxes($now);
        if ($boxes !== null) {
            $this->computed[] = $boxes;
        }
    }

    private function readRows(TopicMap $map, PutsInBoxes $feature, bool $isWhole): void
    {
        foreach ($feature->rows() as $class) {
            if ($class::isOfMap() && $class::isDrawnByLooks()) {
                $this->ofMap[$class] = $map->rowsOf($class);
            }
        }
        foreach ($feature->inBoxes() as $class) {
            $rows = $isWhole ? $map->rowsOf($class) : null;
            if ($rows !== []) {
                $this->sources[] = [$feature, $class::type(), $rows];
            }
        }
    }

    private function readTies(TopicMap $map, PutsTiesInBoxes $feature): void
    {
        $ties = [];
        foreach ($feature->tiesInBoxes() as $class) {
            $rows = $map->rowsOf($class);
            ksort($rows);
            foreach ($rows as $row) {
                foreach ($map->isLiving($row) ? array_unique($row->topics()) : [] as $topic) {
                    $ties[$topic][] = $row;
                }
            }
        }
        if ($ties !== []) {
            $this->ties[] = [$feature, $ties];
        }
    }

    /** @return list<FacePart> */
    public function of(Topic $topic): array
    {
        $parts = [];
        if ($topic->caption !== '') {
            $parts[] = SmallText::caption($topic->caption);
        }
        if ($topic->note !== '') {
            $parts[] = new NotePart(NoteSort::of($topic->note));
        }
        $id = $topic->id;
        foreach ($this->sources as [$feature, $type, $rows]) {
            // Asked for every topic of a map, most of which have nothing there.
            if ($rows !== null && ! isset($rows[$id])) {
                continue;
            }
            $row = $rows[$id] ?? $this->map?->row($type, $id);
            if ($row instanceof FeatureRow && $this->map !== null) {
                foreach ($feature->parts($this->map, $row) as $part) {
                    $parts[] = $part;
                }
            }
        }
        foreach ($this->ties as [$feature, $ties]) {
            if (isset($ties[$id]) && $this->map !== null) {
                array_push($parts, ...$feature->partsOf($this->map, $id, $ties[$id]));
            }
        }
        foreach ($this->computed as $boxes) {
            foreach ($boxes->parts($id) as $part) {
                $parts[] = $part;
            }
        }

        return $parts;
    }
}
