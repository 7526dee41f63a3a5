<?php

declare(strict_types=1);

namespace ChalkTree\Table;

use ChalkTree\Ask\Column;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\TodoProgress;

/** What stands below a column of a table. */
enum Total: string
{
    case Sum = 'sum';
    case Mean = 'mean';
    case Least = 'least';
    case Most = 'most';
    case Count = 'count';
    case Done = 'done';

    /**
     * As people read it; empty where there is nothing to tell.
     *
     * @param  list<string>  $topics  each once
     */
    public function of(Moment $now, Column $column, array $topics): string
    {
        return match ($this) {
            self::Count => (string) count(array_filter($topics, fn (string $topic): bool => $column->told($topic) !== [])),
            self::Done => self::done($now, $topics),
            self::Least, self::Most => $this->end($column, $topics),
            default => $this->reckoned($column, $topics),
        };
    }

    /** @param  list<string>  $topics */
    private static function done(Moment $now, array $topics): string
    {
        $progress = array_filter(array_map(fn (string $topic): ?int => TodoProgress::of($now, $topic), $topics), fn (?int $one): bool => $one !== null);

        return $progress === [] ? '' : count(array_keys($progress, 100, true)).' of '.count($progress);
    }

    /** @param  list<string>  $topics */
    private function reckoned(Column $column, array $topics): string
    {
        $numbers = array_filter(array_map($column->numberOf(...), $topics), fn (?float $one): bool => $one !== null);

        return $numbers === [] ? '' : $column->number($this === self::Sum ? array_sum($numbers) : array_sum($numbers) / count($numbers));
    }

    /**
     * What is told of the topic that has the least or the most.
     *
     * @param  list<string>  $topics
     */
    private function end(Column $column, array $topics): string
    {
        $at = $best = null;
        foreach ($topics as $topic) {
            $rank = $column->rank($topic);
            $order = $best === null ? -1 : Column::compare($rank, $best) * ($this === self::Least ? 1 : -1);
            if ($rank !== null && $order < 0) {
                [$at, $best] = [$topic, $rank];
            }
        }

        return $at === null ? '' : implode(', ', $column->inCell($at));
    }
}
