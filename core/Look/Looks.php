<?php

declare(strict_types=1);

namespace ChalkTree\Look;

/** The look of each level of a map. The last one given holds for all deeper levels. */
final readonly class Looks
{
    public const CAPTION_SIZE = 12.0;

    public const CAPTION_LINE = 16.0;

    /** Room beside the text for the sign that a topic has a note. */
    public const NOTE_SIGN = 18;

    /** @param  non-empty-list<LevelLook>  $levels */
    public function __construct(public array $levels)
    {
    }

    public static function standard(): self
    {
        return new self([
            new LevelLook(22, 28, true, 24, 15, 320, 0, 76, 0, 0, 12, 0),
            new LevelLook(17, 23, true, 16, 9, 260, 22, 48, 9, 5, 9, 6),
            new LevelLook(15, 20, false, 13, 6, 250, 12, 40, 4.5, 3, 7, 4),
            new LevelLook(14, 19, false, 11, 4, 250, 6, 36, 2.75, 1.75, 5, 3),
        ]);
    }

    public function level(int $level): LevelLook
    {
        return $this->levels[$level] ?? $this->levels[count($this->levels) - 1];
    }

    /** Levels beyond the last look are drawn as it says, so a slip tells the level of its look. */
    public function clamp(int $level): int
    {
        return min($level, count($this->levels) - 1);
    }
}
