<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

/**
 * The least that is drawn: a path or a line of text, in paints named by their role (`ink`, `paper`, `chalk:tide`; empty
 * for none). Board, SVG, PNG and print copy it; none of them knows what it is for.
 */
final readonly class Primitive
{
    /** @param  array{d?: string, text?: string, x?: float, y?: float, w?: float, size?: float, thick?: float}  $what */
    private function __construct(public string $part, public string $fill, public string $stroke, public array $what)
    {
    }

    /**
     * @param  string  $d  as in SVG; letters, digits, spaces, points and signs only
     * @param  float  $thick  of the stroke, pixels
     */
    public static function path(string $part, string $d, string $fill = '', string $stroke = '', float $thick = 0.0): self
    {
        return new self($part, $fill, $stroke, ['d' => $d, 'thick' => $thick]);
    }

    /**
     * @param  float  $y  of the baseline
     * @param  float  $w  how wide the text is
     */
    public static function text(string $part, string $text, float $x, float $y, float $w, float $size, string $fill = 'ink'): self
    {
        return new self($part, $fill, '', ['text' => $text, 'x' => $x, 'y' => $y, 'w' => $w, 'size' => $size]);
    }

    /** @return array<string, string|float> "Primitive" in the wire schema */
    public function toArray(): array
    {
        return ['part' => $this->part, 'fill' => $this->fill, 'stroke' => $this->stroke] + $this->what;
    }
}
