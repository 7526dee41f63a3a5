<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use App\Models\Person;
use ChalkTree\Arrange\Memory;
use ChalkTree\Arrange\View;

/**
 * Keeps what layouts found between requests, so that an edit of a large map lays out only what it touches. One memory a
 * person and view, or for all who are told of a map in one view; it is good only for the very state of the map and the view that it was made of, and can be lost at
 * any time.
 */
final readonly class LayoutMemories
{
    /** Changed whenever the same map would be laid out otherwise by another version. */
    private const VERSION = 16;

    public function __construct(private PartedCache $cache, private MapStates $states)
    {
    }

    public function of(MapRecord $map, string $whose, View $view): ?Memory
    {
        $parts = $this->cache->of($this->name($map, $whose), $this->key($map, $view));

        return $parts === null ? null : Memory::lent($parts->get(...));
    }

    public function has(MapRecord $map, string $whose, View $view): bool
    {
        return $this->cache->of($this->name($map, $whose), $this->key($map, $view)) !== null;
    }

    /** @param  Memory|null  $memory  of a whole layout; null where nothing is known any more */
    public function keep(MapRecord $map, string $whose, View $view, ?Memory $memory): void
    {
        if ($memory === null) {
            $this->cache->forget($this->name($map, $whose));
        } else {
            $this->keepRecords($map, $whose, $view, $memory->changed());
        }
    }

    /** @param  array<string, string|null>  $records  all there are, as Memory::changed() gave them */
    public function keepRecords(MapRecord $map, string $whose, View $view, array $records): void
    {
        $this->cache->keep($this->name($map, $whose), $this->key($map, $view), array_filter($records, is_string(...)));
    }

    /**
     * Keeps what a memory that was taken from here has learned since.
     *
     * @param  string  $before  the key of the state and view in which it was taken
     *
     * @throws PartLost
     */
    public function follow(MapRecord $map, string $whose, string $before, View $view, Memory $memory): void
    {
        $parts = $this->cache->of($this->name($map, $whose), $before);
        if ($parts !== null) {
            $this->cache->change($this->name($map, $whose), $this->key($map, $view), $parts, $memory->changed());
        }
    }

    /** Whose view of a map it is: a person's, in one of their two. */
    public static function whose(Person $person, string $pane): string
    {
        return "{$person->id} {$pane}";
    }

    /** The view of all who see a map alike, and are told together what is new. */
    public static function ofAll(View $view, bool $isCut = false): string
    {
        return 'all '.hash('xxh128', implode(' ', [$isCut ? 'cut' : 'whole', $view->showing ? 'shown' : '', (string) $view->scope, (string) $view->face?->value, ...self::folded($view)]));
    }

    /** @return list<string> */
    private static function folded(View $view): array
    {
        $folded = array_map(strval(...), array_keys($view->folded));
        sort($folded);

        return $folded;
    }

    private function name(MapRecord $map, string $whose): string
    {
        return "layout {$map->id} {$whose}";
    }

    /** Names a state of a map and a view of it. */
    public function key(MapRecord $map, View $view): string
    {
        return hash('xxh128', implode(' ', [self::VERSION, $this->states->of($map), $map->arrangement, (string) $view->scope, (string) $view->face?->value, $view->today, ...self::folded($view)]));
    }
}
