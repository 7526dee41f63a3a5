<?php

declare(strict_types=1);

namespace ChalkTree\Words;

use ChalkTree\Ask\Column;
use ChalkTree\Ask\HasColumns;
use ChalkTree\Ask\Measures;
use ChalkTree\Ask\Moment;
use ChalkTree\Face\BoxSource;
use ChalkTree\Face\PutsComputedInBoxes;
use ChalkTree\Map\TopicMap;
use ChalkTree\WithoutEdits;
use ChalkTree\WithoutMarks;

/** How many words notes have: told of each topic, summed up below it, and shown on the board where that is wanted. */
final class WordsFeature implements HasColumns, Measures, PutsComputedInBoxes
{
    use WithoutEdits;
    use WithoutMarks;

    /** Under which head topics stand that have fewer words. */
    private const HEADS = [100 => 'Under 100 words', 500 => '100 to 499 words', 1_000 => '500 to 999 words', 3_000 => '1,000 to 2,999 words'];

    public function rows(): array
    {
        return [WordsShown::class];
    }

    public function columns(Moment $now): iterable
    {
        $own = fn (string $id): int => Words::own($now->map, $id);
        yield new Column(
            'words', 'Words', fn (string $id): array => $own($id) === 0 ? [] : [Words::told($own($id))], fn (string $id): ?float => $own($id) === 0 ? null : (float) $own($id),
            groups: fn (string $id): array => $own($id) === 0 ? [] : [self::head($own($id))],
            numbers: fn (float $number): string => number_format(round($number)),
            below: fn (string $id): ?string => Words::below($now, $id) === 0 ? null : number_format(Words::below($now, $id)),
            inCell: fn (string $id): array => $own($id) === 0 ? [] : [number_format($own($id))],
        );
    }

    private static function head(int $words): string
    {
        foreach (self::HEADS as $most => $head) {
            if ($words < $most) {
                return $head;
            }
        }

        return '3,000 words and more';
    }

    /** Counted up with every edit only where topics show it. */
    public function measures(TopicMap $map): iterable
    {
        return self::areShown($map) ? [new WordsMeasure($map)] : [];
    }

    public function boxes(Moment $now): ?BoxSource
    {
        return self::areShown($now->map) ? new WordsBoxes($now) : null;
    }

    private static function areShown(TopicMap $map): bool
    {
        foreach ($map->hasRowsOf(WordsShown::class) ? $map->rowsOf(WordsShown::class) : [] as $row) {
            if ($row->flag('shown')) {
                return true;
            }
        }

        return false;
    }
}
