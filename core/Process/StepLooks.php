<?php

declare(strict_types=1);

namespace ChalkTree\Process;

use ChalkTree\Arrange\BranchArrangement;
use ChalkTree\Arrange\Flow;
use ChalkTree\CrossLink\CrossLink;
use ChalkTree\Look\LookPlace;
use ChalkTree\Look\LookSource;
use ChalkTree\Map\TopicMap;

/** How steps look of which nothing else is said: where a process begins and where it ends they are round, else boxes. */
final readonly class StepLooks implements LookSource
{
    private const STEP = ['shape' => 'rectangle', 'align' => 'centre'];

    private const END = ['shape' => 'capsule', 'align' => 'centre'];

    /** @param  array<string, bool>  $steps  whether something begins or ends there, by topic */
    private function __construct(private array $steps)
    {
    }

    /** Those of a map; null where it has none. */
    public static function of(TopicMap $map): ?self
    {
        $steps = [];
        foreach (self::heads($map) as $head) {
            foreach (array_keys($map->children($head)) as $step) {
                $steps[(string) $step] = false;
            }
        }
        if ($steps === []) {
            return null;
        }
        $from = $to = [];
        foreach ($map->rowsOf(CrossLink::class) as $link) {
            [$a, $b] = [$link->from(), $link->to()];
            if (isset($steps[$a], $steps[$b]) && $map->topic($a)->parent === $map->topic($b)->parent) {
                $from[$a] = $to[$b] = true;
            }
        }
        foreach ($steps as $step => $_) {
            $steps[$step] = isset($from[$step]) !== isset($to[$step]);
        }

        return new self($steps);
    }

    /** @return list<string> */
    private static function heads(TopicMap $map): array
    {
        $heads = $map->sheet()->arrangement === Flow::name() ? [$map->sheet()->root, ...array_map(strval(...), array_keys($map->loose()))] : [];
        foreach ($map->rowsOf(BranchArrangement::class) as $id => $row) {
            if ($row->text('name') === Flow::name() && $map->has((string) $id)) {
                $heads[] = (string) $id;
            }
        }

        return array_values(array_filter($heads, fn (string $head): bool => Steps::isFlow($map, $head)));
    }

    public function place(): LookPlace
    {
        return LookPlace::Step;
    }

    public function yields(): bool
    {
        return true;
    }

    public function said(string $topic): array
    {
        return isset($this->steps[$topic]) ? ($this->steps[$topic] ? self::END : self::STEP) : [];
    }

    public function words(string $topic): string
    {
        return '';
    }
}
