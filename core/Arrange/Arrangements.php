<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Look\Looks;
use InvalidArgumentException;

/** The list of all arrangements. A new one is one class and one line here. */
final class Arrangements
{
    /** @var list<class-string<BothSides|Rightward>> */
    private const ALL = [
        BothSides::class,
        Rightward::class,
    ];

    /** @return list<string> */
    public static function names(): array
    {
        return array_map(fn (string $class): string => $class::name(), self::ALL);
    }

    public static function make(string $name, Looks $looks): Arrangement
    {
        foreach (self::ALL as $class) {
            if ($class::name() === $name) {
                return new $class(new Bands($looks));
            }
        }

        throw new InvalidArgumentException("There is no arrangement called “{$name}”.");
    }
}
