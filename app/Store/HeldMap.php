<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use ChalkTree\Arrange\Memory;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\Changes;
use ChalkTree\Map\TopicMap;

/**
 * A map on which edits are made, while nobody else can: taken from where it lies nearest, with what is remembered of
 * its layout. When the edits are made, both are kept for the next one.
 */
final class HeldMap
{
    public readonly TopicMap $map;

    /** The state in which it was taken. */
    private readonly string $state;

    private readonly bool $isOfSnapshot;

    private ?Memory $memory = null;

    private string $memoryKey = '';

    /** Whether what is remembered is that of all who see the map alike. */
    private bool $isLent = false;

    /**
     * @param  string  $whose  view of it is told, as LayoutMemories names them
     * @param  bool  $isFromTables  whether it is read from the tables whatever else there is
     */
    public function __construct(
        private readonly Snapshots $snapshots,
        private readonly LayoutMemories $memories,
        private readonly MapStates $states,
        MapStore $store,
        private readonly MapRecord $record,
        private readonly string $whose,
        private readonly bool $isFromTables,
    ) {
        $this->state = $this->states->of($record);
        $snapshot = $isFromTables ? null : $snapshots->load($record);
        $this->isOfSnapshot = $snapshot !== null;
        $this->map = $snapshot ?? $store->load($record);
    }

    /**
     * What is remembered of its layout in a view, if that is known: of this person's, or of what all were told who see it alike.
     *
     * @param  int  $since  the number of the state that is meant
     */
    public function memory(View $view, int $since): ?Memory
    {
        if ($this->isFromTables) {
            return null;
        }
        $then = $since === $this->record->seq ? $this->record : (clone $this->record)->forceFill(['seq' => $since]);
        $this->memoryKey = $this->memories->key($then, $view);
        $this->memory = $this->memories->of($then, $this->whose, $view);
        $this->isLent = $this->memory === null && $since !== $this->record->seq && ($this->memory = $this->memories->of($then, LayoutMemories::ofAll($view), $view)) !== null;

        return $this->memory;
    }

    /**
     * Keeps the map as it is now, and what is remembered of its layout; to be called when all is in the database.
     *
     * @param  list<Changes>  $made  what was done since it was taken
     * @param  Memory|null  $memory  of its layout in this view; null where nothing is known
     */
    public function keep(array $made, View $view, ?Memory $memory): void
    {
        try {
            if ($memory !== null && $memory === $this->memory && $this->isLent) {
                // It stays with those who keep it.
            } elseif ($memory !== null && $memory === $this->memory) {
                $this->memories->follow($this->record, $this->whose, $this->memoryKey, $view, $memory);
            } else {
                $this->memories->keep($this->record, $this->whose, $view, $memory);
            }
            if ($this->isOfSnapshot) {
                $this->snapshots->follow($this->record, $this->state, $this->map, $made);
            } elseif ($made !== []) {
                // At once, although it takes a while: who edits without a pause would otherwise never find it.
                $this->snapshots->keep($this->record, $this->map);
            }
        } catch (PartLost) {
            // Nothing is kept then; the next one reads the tables.
        }
    }
}
