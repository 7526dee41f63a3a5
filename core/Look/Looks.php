<?php

declare(strict_types=1);

namespace ChalkTree\Look;

/** How each level of a map looks where nothing else is said. The last one given holds for all deeper levels. */
final readonly class Looks
{
    /** @param  non-empty-list<Look>  $levels  one for each level down to DEEPEST */
    public function __construct(public array $levels)
    {
    }

    /** The deepest level that has a look of its own. */
    public const DEEPEST = 3;

    /** @return non-empty-list<string> the names of the whole-map looks; the first is the one that maps have by themselves */
    public static function names(): array
    {
        return array_map(fn (WholeLook $whole): string => $whole->value, WholeLook::cases());
    }

    public static function standard(): self
    {
        return self::called(WholeLook::WorkTable->value);
    }

    public static function called(string $name): self
    {
        static $made = [];

        return $made[$name] ??= (WholeLook::tryFrom($name) ?? WholeLook::WorkTable)->looks();
    }

    public function level(int $level): Look
    {
        return $this->levels[$level] ?? $this->levels[count($this->levels) - 1];
    }

    /** Levels beyond the last look are drawn as it says, so a slip tells the level of its look. */
    public function clamp(int $level): int
    {
        return min($level, count($this->levels) - 1);
    }
}
