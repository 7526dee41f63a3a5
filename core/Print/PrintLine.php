<?php

declare(strict_types=1);

namespace ChalkTree\Print;

use ChalkTree\HandOver\Choices;

/** What stands at the foot of every sheet and nowhere else: a name, the map, the day and the sheet. */
final readonly class PrintLine
{
    private function __construct(private string $name, private string $map, private string $day, public bool $hasNumber)
    {
    }

    /** @param  string  $day  as it is to be read */
    public static function of(Choices $choices, string $map, string $day): self
    {
        return new self($choices->text('byline'), $choices->flag('noMapName') ? '' : $map, $choices->flag('noDate') ? '' : $day, ! $choices->flag('noSheetNumber'));
    }

    public static function isEmpty(Choices $choices): bool
    {
        return $choices->text('byline') === '' && $choices->flag('noMapName') && $choices->flag('noDate') && $choices->flag('noSheetNumber');
    }

    /** @return array{string, string, string} what stands at the left, in the middle and at the right */
    public function words(int $number, int $of): array
    {
        return [$this->name, implode(' · ', array_filter([$this->map, $this->day], fn (string $one): bool => $one !== '')), $this->hasNumber ? ($of > 1 ? "{$number} / {$of}" : '') : ''];
    }
}
