<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/** The typefaces that ship with the application, all with open licences. The number is part of how text is measured. */
enum TypeFace: string
{
    case Clear = 'clear';
    case Reading = 'reading';
    case Hand = 'hand';
    case Mono = 'mono';
    case Spacious = 'spacious';
    case Weighted = 'weighted';

    /** The bits of Run::FACE in a cut. */
    private const BIT = 8;

    /** @return non-empty-list<string> */
    public static function names(): array
    {
        return array_map(fn (self $face): string => $face->value, self::cases());
    }

    /** What CSS calls the family. */
    public function family(): string
    {
        return match ($this) {
            self::Clear => 'Atkinson Hyperlegible',
            self::Reading => 'Literata',
            self::Hand => 'Kalam',
            self::Mono => 'JetBrains Mono',
            self::Spacious => 'Lexend',
            self::Weighted => 'OpenDyslexic',
        };
    }

    /** The file of a cut, without its ending. Faces without a slanted cut are slanted by whoever draws, which leaves widths as they are. */
    public function file(bool $bold, bool $slanted): string
    {
        return match ($this) {
            self::Clear => 'AtkinsonHyperlegible-'.match (true) {
                $bold && $slanted => 'BoldItalic', $bold => 'Bold', $slanted => 'Italic', default => 'Regular'
            },
            self::Reading => 'Literata-'.match (true) {
                $bold && $slanted => 'BoldItalic', $bold => 'Bold', $slanted => 'Italic', default => 'Regular'
            },
            self::Hand => 'Kalam-'.($bold ? 'Bold' : 'Regular'),
            self::Mono => 'JetBrainsMono-'.match (true) {
                $bold && $slanted => 'BoldItalic', $bold => 'Bold', $slanted => 'Italic', default => 'Regular'
            },
            self::Spacious => 'Lexend-'.($bold ? 'Bold' : 'Regular'),
            self::Weighted => 'OpenDyslexic-'.match (true) {
                $bold && $slanted => 'BoldItalic', $bold => 'Bold', $slanted => 'Italic', default => 'Regular'
            },
        };
    }

    /** The baseline of a line of text, from its top, where the line is as high as asked; as CSS has it. */
    public function baseline(float $size, float $line): float
    {
        [$ascent, $descent] = match ($this) {
            self::Clear => [0.95, 0.29],
            self::Reading => [1.177, 0.308],
            self::Hand => [1.063, 0.531],
            self::Mono => [1.02, 0.3],
            self::Spacious => [1.0, 0.25],
            self::Weighted => [1.3, 0.52],
        };

        return ($line - ($ascent + $descent) * $size) / 2 + $ascent * $size;
    }

    /** From baseline to baseline, for a size of 1. */
    public function leading(): float
    {
        return match ($this) {
            self::Clear => 1.33,
            self::Spacious, self::Mono => 1.36,
            self::Reading, self::Hand => 1.42,
            self::Weighted => 1.56,
        };
    }

    /** Whether it is made for easy reading. */
    public function isEasy(): bool
    {
        return $this === self::Spacious || $this === self::Weighted;
    }

    /** As a part of a cut; see Run. */
    public function cut(): int
    {
        return (int) array_search($this, self::cases(), true) << self::BIT;
    }

    public static function ofCut(int $cut): self
    {
        return self::cases()[$cut >> self::BIT] ?? self::Clear;
    }
}
