<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Files\Contents;
use App\Library\Exports;
use App\Library\PictureCache;
use App\Library\Shelf;
use App\Models\MapRecord;
use App\Models\Person;
use App\Store\MapStore;
use ChalkTree\HandOver\NothingLeaves;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Map\TopicMap;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/** What somebody sees of a map: all of it who works in it, and who only looks what may leave it. */
final readonly class Sight
{
    public function __construct(private Access $access, private MapStore $store, private PictureCache $kept)
    {
    }

    /**
     * @throws NothingLeaves where somebody may only look and its root is private
     */
    public function of(Person $person, MapRecord $map): TopicMap
    {
        return $this->isWhole($person, $map) ? $this->store->load($map) : $this->cut($map);
    }

    public function isWhole(Person $person, MapRecord $map): bool
    {
        return $this->access->role($person, $map)?->isAtLeast(Role::Edit) === true;
    }

    /**
     * Refuses a complete copy, in which private topics go along, to who only looks.
     *
     * @throws AccessDeniedHttpException
     */
    public function checkCopy(Person $person, MapRecord $map, string $to): void
    {
        if (Exports::isComplete($to) && ! $this->isWhole($person, $map)) {
            throw new AccessDeniedHttpException;
        }
    }

    /**
     * What they see who only look.
     *
     * @throws NothingLeaves
     */
    public function cut(MapRecord $map): TopicMap
    {
        return Outgoing::of($this->store->load($map));
    }

    /**
     * What the library tells of a map to those who only look.
     *
     * @return array{title: string, topics: int}|null null where all of it is private
     */
    public function told(MapRecord $map): ?array
    {
        $told = json_decode($this->kept->of($map, ['told to those who look'], function () use ($map): string {
            try {
                $cut = $this->cut($map);
            } catch (NothingLeaves) {
                return 'null';
            }

            return json_encode(['title' => Shelf::title($map->title, $cut->root()->title), 'topics' => count($cut->all())], JSON_THROW_ON_ERROR);
        }), true, 4, JSON_THROW_ON_ERROR);

        return is_array($told) ? ['title' => (string) $told['title'], 'topics' => (int) $told['topics']] : null;
    }

    /** Whether somebody may have a file or a picture of a map: who only looks may where a topic that they see has it. */
    public function has(Person $person, MapRecord $map, string $hash): bool
    {
        if ($this->isWhole($person, $map)) {
            return true;
        }
        $kept = json_decode($this->kept->of($map, ['files for those who look'], function () use ($map): string {
            try {
                $contents = Contents::of($this->cut($map));
            } catch (NothingLeaves) {
                return '[]';
            }

            return json_encode(array_fill_keys([...array_keys($contents->files), ...array_keys($contents->pictures)], 1), JSON_THROW_ON_ERROR);
        }), true, 4, JSON_THROW_ON_ERROR);

        return is_array($kept) && isset($kept[$hash]);
    }
}
