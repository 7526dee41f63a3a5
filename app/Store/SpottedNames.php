<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use ChalkTree\Map\TopicMap;
use ChalkTree\Story\NameSpotter;
use Closure;
use Illuminate\Contracts\Cache\Repository;

/** How often the notes of a map name each of its cast. A note in which names were looked for is gone through again only when it, or a name, has changed. */
final readonly class SpottedNames
{
    private const SECONDS = 3600;

    /** Notes that are remembered of one map. */
    private const MOST = 5_000;

    public function __construct(private Repository $cache)
    {
    }

    /**
     * @template T
     *
     * @param  Closure(Closure(string): array<string, int>): T  $use  is handed what tells the names in the note of a topic
     * @return T
     */
    public function in(MapRecord $record, TopicMap $map, NameSpotter $spotter, Closure $use): mixed
    {
        $name = "spotted names {$record->id}";
        $kept = $this->cache->get($name);
        /** @var array<string, array{string, array<string, int>}> $known */
        $known = is_array($kept) && ($kept['names'] ?? null) === $spotter->key && is_array($kept['notes'] ?? null) ? $kept['notes'] : [];
        $seen = [];
        $isNew = false;
        $result = $use(function (string $topic) use ($map, $spotter, $known, &$seen, &$isNew): array {
            $note = $map->topic($topic)->note;
            if ($note === '') {
                return [];
            }
            $hash = hash('xxh128', $note);
            if (($known[$topic][0] ?? null) !== $hash) {
                $known[$topic] = [$hash, $spotter->counts($note)];
                $isNew = true;
            }
            $seen[$topic] = $known[$topic];

            return $known[$topic][1];
        });
        if ($isNew && count($seen) <= self::MOST) {
            $this->cache->put($name, ['names' => $spotter->key, 'notes' => count($known) <= self::MOST ? $seen + $known : $seen], self::SECONDS);
        }

        return $result;
    }
}
