<?php

declare(strict_types=1);

namespace ChalkTree\Map;

/** The numbers that the numbered branches of a map give to the topics below them. */
final class Numbers
{
    /** @return array<string, string> labels such as "1." and "2.3" by topic id; only of topics that have one */
    public static function of(TopicMap $map): array
    {
        $labels = [];
        foreach ($map->numbered() as $topic) {
            $labels += self::below($map, $topic);
        }

        return $labels;
    }

    /**
     * What one topic numbers. Below a topic with a numbering of its own that one holds.
     *
     * @return array<string, string>
     */
    private static function below(TopicMap $map, Topic $top): array
    {
        $numbering = Numbering::parse((string) $top->numbering);
        $labels = [];
        /** @var list<array{Topic, list<int>}> $waiting */
        $waiting = [[$top, []]];
        while ($numbering !== null && ($next = array_pop($waiting)) !== null) {
            [$at, $trail] = $next;
            $style = $numbering->style(count($trail) + 1);
            if ($style === null) {
                continue;
            }
            $n = $top === $at ? $top->numberFrom : 1;
            foreach ($map->children($at->id) as $child) {
                $below = [...$trail, $n++];
                $labels[$child->id] = Numbering::label($style, $below);
                if ($child->numbering === null) {
                    $waiting[] = [$child, $below];
                }
            }
        }

        return $labels;
    }
}
