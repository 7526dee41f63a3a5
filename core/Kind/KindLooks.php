<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\Moment;
use ChalkTree\Look\LookPlace;
use ChalkTree\Look\LookSource;

/** How the topics of each kind look. */
final class KindLooks implements LookSource
{
    /** @var array<string, array<string, scalar>> by kind */
    private array $looks = [];

    public function __construct(private readonly Moment $now)
    {
        foreach ($now->map->rowsOf(Kind::class) as $id => $kind) {
            $look = $kind->look();
            if ($look !== []) {
                $this->looks[$id] = $look;
            }
        }
    }

    public function isEmpty(): bool
    {
        return $this->looks === [];
    }

    public function place(): LookPlace
    {
        return LookPlace::Kind;
    }

    public function yields(): bool
    {
        return false;
    }

    public function said(string $topic): array
    {
        return $this->looks[$this->now->row(TopicKind::class, $topic)?->text('kind') ?? ''] ?? [];
    }

    public function words(string $topic): string
    {
        return 'the kind “'.(Kinds::kindOf($this->now->map, $topic)?->text('name') ?? '').'”';
    }
}
