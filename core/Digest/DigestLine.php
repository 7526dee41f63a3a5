<?php

declare(strict_types=1);

namespace ChalkTree\Digest;

/** A topic in a digest. */
final readonly class DigestLine
{
    /**
     * @param  string  $map  the id of its map; empty for the one in which the digest stands
     * @param  list<string>  $trail  titles of what is above it, from below the root down
     * @param  list<string>  $told  what is told of it, in the order in which the digest asks
     * @param  int|null  $progress  from 0 to 100; null where it is nothing to be done
     */
    public function __construct(public string $map, public string $topic, public string $title, public array $trail, public array $told, public ?int $progress)
    {
    }

    /** @return array{map: string, topic: string, title: string, trail: list<string>, told: list<string>, progress: int|null} "DigestLine" in the wire schema */
    public function toArray(): array
    {
        return ['map' => $this->map, 'topic' => $this->topic, 'title' => $this->title, 'trail' => $this->trail, 'told' => $this->told, 'progress' => $this->progress];
    }
}
