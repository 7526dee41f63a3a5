<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use ChalkTree\Arrange\View;
use Illuminate\Contracts\Cache\Repository;

/**
 * Keeps what every opening of a map in one view answers with, as JSON, so that whoever opens it next in a view like
 * that need not wait until it is read and laid out. A few views a map; each holds for one state of the map only, and
 * can be lost at any time. What is a person's own is never in here.
 *
 * @phpstan-type Drawn array{rows: string, scene: string, numbers: string, memory: string}
 */
final readonly class DrawnMaps
{
    /** Views of one map that are kept; later ones take the place of earlier ones. */
    private const SLOTS = 4;

    private const SECONDS = 24 * 3600;

    /** Maps with fewer rows are read and laid out as fast as they are fetched from here. */
    public const FEWEST_ROWS = 200;

    public function __construct(private Repository $cache, private LayoutMemories $memories)
    {
    }

    /** @return Drawn|null */
    public function of(MapRecord $map, View $view): ?array
    {
        $state = $this->state($map, $view);
        $kept = $this->cache->get($this->name($map, $view));
        if (! is_array($kept) || ($kept['state'] ?? null) !== $state) {
            return null;
        }
        /** @var Drawn */
        $drawn = $kept['drawn'];

        return $drawn;
    }

    /** @param  Drawn  $drawn */
    public function keep(MapRecord $map, View $view, array $drawn, int $rows): void
    {
        if ($rows >= self::FEWEST_ROWS) {
            $this->cache->put($this->name($map, $view), ['state' => $this->state($map, $view), 'drawn' => $drawn], self::SECONDS);
        }
    }

    /**
     * What is remembered of its layout, by topic.
     *
     * @param  Drawn  $drawn
     * @return array<string, string|null>
     */
    public static function records(array $drawn): array
    {
        $records = unserialize($drawn['memory'], ['allowed_classes' => false]);

        /** @var array<string, string|null> */
        return is_array($records) ? $records : [];
    }

    private function name(MapRecord $map, View $view): string
    {
        $folded = array_keys($view->folded);
        sort($folded);

        return "drawn {$map->id} ".crc32(implode(' ', [(string) $view->scope, (string) $view->face?->value, ...$folded])) % self::SLOTS;
    }

    /** The name of a map can be changed in the library, which is no edit of what is in it. */
    private function state(MapRecord $map, View $view): string
    {
        return $this->memories->key($map, $view).' '.$map->title;
    }
}
