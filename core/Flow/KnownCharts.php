<?php

declare(strict_types=1);

namespace ChalkTree\Flow;

/**
 * Charts as they were laid out the last time: where boxes and lines are the same, a chart is too.
 *
 * @phpstan-import-type Point from FlowChart
 *
 * @phpstan-type Known array{key: string, places: array<string, Point>, ways: array<string, non-empty-list<Point>>, words: array<string, Point>, bounds: array{float, float, float, float}}
 */
final class KnownCharts
{
    /** @var array<string, Known> those asked for since */
    private array $now = [];

    /** @param  array<string, Known>  $before  by the name of the chart */
    public function __construct(private readonly array $before = [])
    {
    }

    /** @param  string|null  $kept  as kept() gave it; null where nothing is known */
    public static function from(?string $kept): self
    {
        /** @var array<string, Known>|false $before */
        $before = $kept === null ? [] : unserialize($kept, ['allowed_classes' => false]);

        return new self($before === false ? [] : $before);
    }

    /** What is known of the charts that were asked for since; null where that is nothing. */
    public function kept(): ?string
    {
        return $this->now === [] ? null : serialize($this->now);
    }

    /**
     * @param  list<FlowBox>  $boxes
     * @param  list<FlowLine>  $lines  between two different of these
     */
    public function of(string $name, array $boxes, array $lines): FlowChart
    {
        $key = hash('xxh128', serialize([array_map(get_object_vars(...), $boxes), array_map(get_object_vars(...), $lines)]));
        $known = $this->now[$name] ?? $this->before[$name] ?? null;
        if ($known === null || $known['key'] !== $key) {
            $chart = FlowLayout::of($boxes, $lines);
            $known = ['key' => $key, 'places' => $chart->places, 'ways' => $chart->ways, 'words' => $chart->words, 'bounds' => $chart->bounds];
        }
        $this->now[$name] = $known;

        return new FlowChart($known['places'], $known['ways'], $known['words'], $known['bounds']);
    }
}
