<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use InvalidArgumentException;

/** The list of all arrangements. A new one is one class and one line here. */
final class Arrangements
{
    /** @var list<class-string<Arrangement>> */
    private const ALL = [
        BothSides::class,
        Rightward::class,
        Leftward::class,
        TopDown::class,
        BottomUp::class,
        SteppedList::class,
        Fishbone::class,
        Timeline::class,
        Grid::class,
        Round::class,
        Free::class,
        Flow::class,
    ];

    /** Those that only other arrangements ask for. */
    private const INNER = [
        GridRow::class,
        FishRib::class,
        TimelineAbove::class,
        TimelineBelow::class,
        FlowAcross::class,
    ];

    /** @var array<string, Arrangement> by name */
    private array $made = [];

    /** @return non-empty-list<string> those that a person can choose */
    public static function names(): array
    {
        return array_map(fn (string $class): string => $class::name(), self::ALL);
    }

    /** The name of one, as a branch wants it. */
    public static function variant(string $name, ?BranchArrangement $wanted): string
    {
        return match ([$name, $wanted?->text($name === Flow::name() ? 'runs' : 'sides')]) {
            [Timeline::name(), 'above'] => TimelineAbove::name(),
            [Timeline::name(), 'below'] => TimelineBelow::name(),
            [Flow::name(), 'across'] => FlowAcross::name(),
            default => $name,
        };
    }

    public function called(string $name): Arrangement
    {
        return $this->made[$name] ??= $this->make($name);
    }

    private function make(string $name): Arrangement
    {
        foreach ([...self::ALL, ...self::INNER] as $class) {
            if ($class::name() === $name) {
                return new $class;
            }
        }

        throw new InvalidArgumentException("There is no arrangement called “{$name}”.");
    }
}
