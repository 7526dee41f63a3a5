<?php

declare(strict_types=1);

namespace ChalkTree\Story;

/** Who or what, and where it appears. */
final class ThreadRow
{
    /** @var array<int, ThreadCell> by the numbers of columns, where it is there; in their order once the grid is made */
    public array $cells = [];

    /**
     * @param  string|null  $topic  that has its sheet; null where there is none
     * @param  list<string>  $names  by which texts name it
     */
    public function __construct(public readonly string $name, public readonly ?string $topic, public readonly array $names = [])
    {
    }

    /** How many columns lie between two in which it is there, where these are most. */
    public function gap(): int
    {
        $columns = array_keys($this->cells);
        $gaps = array_map(fn (int $next, int $before): int => $next - $before - 1, array_slice($columns, 1), array_slice($columns, 0, -1));

        return $gaps === [] ? 0 : max($gaps);
    }

    public function named(): int
    {
        return array_sum(array_column($this->cells, 'names'));
    }
}
