<?php

declare(strict_types=1);

namespace ChalkTree\Number;

use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;

/** The numbers that the numbered branches of a map give to the topics below them. */
final class Numbers
{
    /** @return array<string, string> labels such as "1." and "2.3" by topic id; only of topics that have one */
    public static function of(TopicMap $map): array
    {
        $labels = [];
        $numberings = array_filter($map->rowsOf(BranchNumbering::class), fn (BranchNumbering $one): bool => $one->text('style') !== '');
        foreach ($numberings as $id => $numbering) {
            $topic = $map->find($id);
            $labels += $topic === null ? [] : self::below($map, $topic, $numbering, $numberings);
        }

        return $labels;
    }

    /**
     * What one topic numbers. Below a topic with a numbering of its own that one holds.
     *
     * @param  array<string, BranchNumbering>  $all
     * @return array<string, string>
     */
    private static function below(TopicMap $map, Topic $top, BranchNumbering $its, array $all): array
    {
        $numbering = Numbering::parse($its->text('style'));
        $labels = [];
        /** @var list<array{Topic, list<int>}> $waiting */
        $waiting = [[$top, []]];
        while ($numbering !== null && ($next = array_pop($waiting)) !== null) {
            [$at, $trail] = $next;
            $style = $numbering->style(count($trail) + 1);
            if ($style === null) {
                continue;
            }
            $n = $top === $at ? $its->number('from') ?? 1 : 1;
            foreach ($map->children($at->id) as $child) {
                $below = [...$trail, $n++];
                $labels[$child->id] = Numbering::label($style, $below);
                if (! isset($all[$child->id])) {
                    $waiting[] = [$child, $below];
                }
            }
        }

        return $labels;
    }
}
