<?php

declare(strict_types=1);

namespace Tests\Support\Ties;

use ChalkTree\Arrange\Scene;
use ChalkTree\Draw\Primitive;
use ChalkTree\Draw\SceneMark;
use ChalkTree\Face\PutsInBoxes;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;

final class TieFeature implements PutsInBoxes
{
    public function rows(): array
    {
        return [Tie::class, Weight::class];
    }

    public function edits(): array
    {
        return [];
    }

    public function schema(): array
    {
        return [];
    }

    public function inBoxes(): array
    {
        return [Weight::class];
    }

    public function parts(TopicMap $map, FeatureRow $row): array
    {
        return $row->number('grams') === null ? [] : [new WeightPart($row->number('grams'))];
    }

    public function drawn(): array
    {
        return [Tie::class];
    }

    public function marks(TopicMap $map, Scene $scene): iterable
    {
        foreach ($map->living() as $tie) {
            if (! $tie instanceof Tie) {
                continue;
            }
            $from = $scene->boxOf($map, $tie->text('from'));
            $to = $scene->boxOf($map, $tie->text('to'));
            if ($from !== null && $to !== null) {
                [$a, $b, $c, $d] = [$from['x'] + $from['w'] / 2, $from['y'] + $from['h'], $to['x'] + $to['w'] / 2, $to['y']];
                yield new SceneMark($tie->id, 'tie', [
                    Primitive::path('line', "M{$a} {$b}L{$c} {$d}", stroke: 'chalk:tide', thick: 2),
                    Primitive::text('word', $tie->text('word'), ($a + $c) / 2, ($b + $d) / 2, 40, 13),
                ]);
            }
        }
    }
}
