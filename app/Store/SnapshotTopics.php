<?php

declare(strict_types=1);

namespace App\Store;

use ChalkTree\Map\Side;
use ChalkTree\Map\StoredTopics;
use ChalkTree\Map\Topic;

/** The topics of a map as a snapshot of it has them; see Snapshots. */
final readonly class SnapshotTopics implements StoredTopics
{
    public function __construct(private KeptParts $parts)
    {
    }

    public static function key(string $id): string
    {
        return "topic {$id}";
    }

    public static function keyBelow(string $parent): string
    {
        return "below {$parent}";
    }

    public static function written(Topic $topic): string
    {
        return json_encode([
            $topic->id, $topic->parent, $topic->rank, $topic->title, $topic->caption, $topic->note, $topic->side?->value, $topic->sideHeld,
            $topic->removed, $topic->x, $topic->y, $topic->column, $topic->parked, $topic->changed,
        ], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);
    }

    public function topic(string $id): ?Topic
    {
        $written = $this->parts->get(self::key($id));

        return $written === null ? null : self::read($written);
    }

    public function below(string $parent): array
    {
        $ids = $this->parts->get(self::keyBelow($parent)) ?? '';

        return $ids === '' ? [] : explode(' ', $ids);
    }

    public function all(): iterable
    {
        foreach ($this->parts->all() as $key => $written) {
            if (str_starts_with($key, 'topic ')) {
                yield self::read($written);
            }
        }
    }

    private static function read(string $written): Topic
    {
        /** @var array{string, string|null, string, string, string, string, string|null, bool, string|null, int|null, int|null, string|null, string|null, int} $fields */
        $fields = json_decode($written, true, 2, JSON_THROW_ON_ERROR);
        if ($fields[6] !== null) {
            $fields[6] = Side::from($fields[6]);
        }

        return new Topic(...$fields);
    }
}
