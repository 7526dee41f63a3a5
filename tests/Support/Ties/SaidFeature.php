<?php

declare(strict_types=1);

namespace Tests\Support\Ties;

use ChalkTree\Arrange\Scene;
use ChalkTree\Ask\Moment;
use ChalkTree\Feature;
use ChalkTree\Look\LookPlace;
use ChalkTree\Look\LookSource;
use ChalkTree\Look\SaysLooks;
use ChalkTree\Map\TopicMap;

/** A feature that has a say in how all topics look. */
final class SaidFeature implements Feature, SaysLooks
{
    /** @var list<array{LookPlace, bool, array<string, scalar>}> where, whether it yields, and what */
    public array $said = [];

    public function rows(): array
    {
        return [];
    }

    public function edits(): array
    {
        return [];
    }

    public function schema(): array
    {
        return [];
    }

    public function drawn(): array
    {
        return [];
    }

    public function marks(TopicMap $map, Scene $scene): iterable
    {
        return [];
    }

    public function looks(Moment $now): iterable
    {
        foreach ($this->said as [$place, $yields, $values]) {
            yield new class($place, $yields, $values) implements LookSource
            {
                /** @param  array<string, scalar>  $values */
                public function __construct(private LookPlace $place, private bool $yields, private array $values)
                {
                }

                public function place(): LookPlace
                {
                    return $this->place;
                }

                public function yields(): bool
                {
                    return $this->yields;
                }

                public function said(string $topic): array
                {
                    return $this->values;
                }

                public function words(string $topic): string
                {
                    return '';
                }
            };
        }
    }
}
