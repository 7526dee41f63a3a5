<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Look\LookPlace;
use ChalkTree\Look\LookSource;
use ChalkTree\Map\TopicMap;

/** The first rows of grids, where they are headings: set bold. */
final readonly class GridHeadings implements LookSource
{
    /** @param  array<string, true>  $cells  their cells, by topic */
    private function __construct(private array $cells)
    {
    }

    /** Those of a map; null where it has none. */
    public static function of(TopicMap $map): ?self
    {
        $cells = [];
        foreach ($map->rowsOf(BranchArrangement::class) as $id => $row) {
            if ($row->flag('headings') && $map->has((string) $id) && GridColumn::isGrid($map, (string) $id)) {
                $first = array_key_first($map->children((string) $id));
                foreach ($first === null ? [] : array_keys($map->children((string) $first)) as $cell) {
                    $cells[(string) $cell] = true;
                }
                $cells += $first === null ? [] : [(string) $first => true];
            }
        }

        return $cells === [] ? null : new self($cells);
    }

    public function place(): LookPlace
    {
        return LookPlace::Heading;
    }

    public function yields(): bool
    {
        return false;
    }

    public function said(string $topic): array
    {
        return isset($this->cells[$topic]) ? ['weight' => 'bold'] : [];
    }

    public function words(string $topic): string
    {
        return '';
    }
}
