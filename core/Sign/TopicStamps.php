<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\TopicMap;

/** The stamps on a topic. */
final readonly class TopicStamps extends FeatureRow
{
    public static function type(): string
    {
        return 'stamps';
    }

    public static function words(): string
    {
        return 'stamps';
    }

    /** A flag for each stamp; "place", from 1 for the first to 9 for the ninth; "letter", for the blank one. */
    public static function declared(): array
    {
        $flags = [];
        foreach (Stamp::cases() as $stamp) {
            $flags[$stamp->value] = Field::flag()->called("stamp “{$stamp->words()}”")->asked();
        }

        return [
            'rank' => Field::number(1, 9)->called('stamp of a number')->asked(),
            'letter' => Field::formed(fn (string $letter): bool => preg_match('/^\p{L}$/uD', $letter) === 1, 8, 'be one letter')->called('stamp of a letter')->asked(),
        ] + $flags;
    }

    /** Whether a topic is stamped as cut: it stays in the map, and out of what is counted and handed over as text. */
    public static function isCut(TopicMap $map, string $topic): bool
    {
        $stamps = $map->row(self::type(), $topic);

        return $stamps instanceof self && $stamps->flag(Stamp::Cut->value);
    }

    /** @return list<string> the signs of its stamps in their order; see Sign */
    public function signs(): array
    {
        $signs = [];
        if ($this->number('rank') !== null) {
            $signs[] = "stamp:{$this->number('rank')}";
        }
        foreach (Stamp::cases() as $stamp) {
            if ($this->flag($stamp->value)) {
                $signs[] = "stamp:{$stamp->value}";
            }
        }
        if ($this->text('letter') !== '') {
            $signs[] = 'stamp:'.mb_strtoupper($this->text('letter'));
        }

        return $signs;
    }

    /** What its stamps mean goes along. */
    public function needs(): array
    {
        return array_map(fn (string $sign): array => [Meaning::class, Meaning::idOf($sign)], $this->signs());
    }
}
