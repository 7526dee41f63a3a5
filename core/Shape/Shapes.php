<?php

declare(strict_types=1);

namespace ChalkTree\Shape;

use InvalidArgumentException;

/** The list of all shapes. A new one is one class and one line here. */
final class Shapes
{
    /** @var list<class-string<Shape>> */
    private const ALL = [
        PaperSlip::class,
        Plate::class,
        Plain::class,
        Rectangle::class,
        Capsule::class,
        Oval::class,
        Circle::class,
        Hexagon::class,
        Rhombus::class,
        Slanted::class,
        Chalked::class,
        Swept::class,
        Underscored::class,
    ];

    /** @var array<string, Shape> by name */
    private static array $made = [];

    /** @return non-empty-list<string> */
    public static function names(): array
    {
        return array_map(fn (string $class): string => $class::name(), self::ALL);
    }

    public static function called(string $name): Shape
    {
        return self::$made[$name] ??= self::make($name);
    }

    private static function make(string $name): Shape
    {
        foreach (self::ALL as $class) {
            if ($class::name() === $name) {
                return new $class;
            }
        }

        throw new InvalidArgumentException("There is no shape called “{$name}”.");
    }
}
