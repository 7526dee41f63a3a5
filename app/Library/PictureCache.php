<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\MapRecord;
use App\Store\MapStates;
use Illuminate\Contracts\Cache\Repository;

/** Keeps pictures of maps for as long as the map does not change, since drawing a large one takes seconds. */
final readonly class PictureCache
{
    private const SECONDS = 24 * 3600;

    /** Bytes. */
    private const LARGEST = 32 * 1024 * 1024;

    public function __construct(private Repository $cache, private MapStates $states)
    {
    }

    /**
     * @param  list<scalar|null>  $asked  all that the picture hangs on besides the map
     * @param  callable(): string  $draw
     */
    public function of(MapRecord $map, array $asked, callable $draw): string
    {
        $state = $this->states->of($map);
        // One for each question, which the next state replaces, so that an old one does not stay behind.
        $key = 'picture '.hash('xxh128', json_encode([$map->id, ...$asked], JSON_THROW_ON_ERROR));
        $kept = $this->cache->get($key);
        if (is_array($kept) && ($kept['state'] ?? null) === $state && is_string($kept['picture'] ?? null)) {
            return $kept['picture'];
        }
        $picture = $draw();
        if (strlen($picture) <= self::LARGEST) {
            $this->cache->put($key, ['state' => $state, 'picture' => $picture], self::SECONDS);
        }

        return $picture;
    }
}
