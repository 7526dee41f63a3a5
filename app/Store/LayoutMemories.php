<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\EditRecord;
use App\Models\MapRecord;
use App\Models\Person;
use ChalkTree\Arrange\Memory;
use ChalkTree\Arrange\View;
use Illuminate\Contracts\Cache\Repository;

/**
 * Keeps what layouts found between requests, so that an edit of a large map lays out only what it touches. One memory a
 * person and view, in the cache; it is good only for the very state of the map and the view that it was made of, which
 * its key tells, and can be lost at any time.
 */
final readonly class LayoutMemories
{
    /** Changed whenever the same map would be laid out otherwise by another version. */
    private const VERSION = 4;

    private const SECONDS = 3 * 24 * 3600;

    public function __construct(private Repository $cache)
    {
    }

    public function of(MapRecord $map, Person $person, string $pane, View $view): ?Memory
    {
        $kept = $this->cache->get($this->name($map, $person, $pane));

        return is_array($kept) && ($kept['key'] ?? null) === $this->key($map, $view) && is_string($kept['data'] ?? null) ? Memory::unpack($kept['data']) : null;
    }

    public function keep(MapRecord $map, Person $person, string $pane, View $view, ?Memory $memory): void
    {
        if ($memory === null) {
            $this->cache->forget($this->name($map, $person, $pane));
        } else {
            $this->cache->put($this->name($map, $person, $pane), ['key' => $this->key($map, $view), 'data' => $memory->pack()], self::SECONDS);
        }
    }

    private function name(MapRecord $map, Person $person, string $pane): string
    {
        return "layout {$map->id} {$person->id} {$pane}";
    }

    /** The latest edit names the state of a map; its number alone could come again after a transaction that failed. */
    public function key(MapRecord $map, View $view): string
    {
        $folded = array_keys($view->folded);
        sort($folded);
        $edit = $map->seq === 0 ? 'none' : (string) EditRecord::query()->where('map_id', $map->id)->where('seq', $map->seq)->value('edit_id');

        return hash('xxh128', implode(' ', [self::VERSION, $map->id, $map->seq, $edit, $map->arrangement, (string) $view->scope, ...$folded]));
    }
}
