<?php

declare(strict_types=1);

namespace ChalkTree\Look;

/** How each level of a map looks where nothing else is said. The last one given holds for all deeper levels. */
final readonly class Looks
{
    /** @param  non-empty-list<Look>  $levels */
    public function __construct(public array $levels)
    {
    }

    public static function standard(): self
    {
        static $standard;

        return $standard ??= new self([
            new Look(
                new TypeLook(22, 28, true, true, 'plate-ink', 'plate-ink'),
                new BoxLook(padX: 24, padY: 15, widest: 320, width: null, corner: 12, spine: 0, fill: 'plate', edge: ''),
                new SpacingLook(gap: 0, reach: 76),
                new ConnectorLook(thick: 0, thin: 0),
            ),
            new Look(
                new TypeLook(17, 23, true, false, 'ink', 'soft'),
                new BoxLook(padX: 16, padY: 9, widest: 260, width: null, corner: 9, spine: 6, fill: BoxLook::TINT, edge: ''),
                new SpacingLook(gap: 22, reach: 48),
                new ConnectorLook(thick: 9, thin: 5),
            ),
            new Look(
                new TypeLook(15, 20, false, false, 'ink', 'soft'),
                new BoxLook(padX: 13, padY: 6, widest: 250, width: null, corner: 7, spine: 4, fill: 'slip', edge: 'edge'),
                new SpacingLook(gap: 12, reach: 40),
                new ConnectorLook(thick: 4.5, thin: 3),
            ),
            new Look(
                new TypeLook(14, 19, false, false, 'ink', 'soft'),
                new BoxLook(padX: 11, padY: 4, widest: 250, width: null, corner: 5, spine: 3, fill: '', edge: ''),
                new SpacingLook(gap: 6, reach: 36),
                new ConnectorLook(thick: 2.75, thin: 1.75),
            ),
        ]);
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
