<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

use ChalkTree\Text\TypeFace;

/**
 * The least that is drawn: a path, a line of text or a picture; the first two in paints named by their role: `ink`, `plate-ink`, `link`,
 * `chalk:tide`, `tint:tide`, `text:tide` and so on; empty for none. Board, SVG, PNG and print copy it; none of them knows what it
 * is for.
 *
 * @phpstan-type Span array{x: float, w: float, text: string, marks: int, href?: string, guess?: true, fill?: string}
 */
final readonly class Primitive
{
    /** @param  array{d: string, thick?: float, dash?: string}|array{spans: list<Span>, y: float, size: float, face?: string, rtl?: true}|array{picture: string, box: array{float, float, float, float}, about?: string}  $what */
    private function __construct(public string $part, public string $fill, public string $stroke, public array $what, public string $touch = '')
    {
    }

    /**
     * @param  string  $d  as in SVG; letters, digits, spaces, points and signs only
     * @param  float  $thick  of the stroke, pixels; its ends are round
     * @param  string  $dash  lengths of strokes and gaps in turn, pixels; empty for none
     */
    public static function path(string $part, string $d, string $fill = '', string $stroke = '', float $thick = 0.0, string $dash = ''): self
    {
        return new self($part, $fill, $stroke, ['d' => $d] + ($thick === 0.0 ? [] : ['thick' => $thick]) + ($dash === '' ? [] : ['dash' => $dash]));
    }

    /**
     * A line of text in one size, in spans with marks as Run has them.
     *
     * @param  float  $y  of the baseline
     * @param  list<Span>  $spans  "x" is where it begins at the left, "w" how wide it is, a "guess" where no shipped font has it
     * @param  bool  $isRightToLeft  whether it is read so
     */
    public static function line(string $part, float $y, float $size, array $spans, string $fill = 'ink', TypeFace $face = TypeFace::Clear, bool $isRightToLeft = false): self
    {
        return new self($part, $fill, '', ['spans' => $spans, 'y' => $y, 'size' => $size] + ($face === TypeFace::Clear ? [] : ['face' => $face->value]) + ($isRightToLeft ? ['rtl' => true] : []));
    }

    /**
     * Plain text.
     *
     * @param  float  $y  of the baseline
     * @param  float  $w  how wide the text is
     */
    public static function text(string $part, string $text, float $x, float $y, float $w, float $size, string $fill = 'ink', int $marks = 0): self
    {
        return self::line($part, $y, $size, [['x' => $x, 'w' => $w, 'text' => $text, 'marks' => $marks]], $fill);
    }

    /**
     * A picture, whole within its box.
     *
     * @param  string  $picture  as TopicPicture names it
     * @param  array{float, float, float, float}  $box  x, y, width, height
     * @param  string  $about  what is on it, for those who cannot see it
     */
    public static function picture(string $part, string $picture, array $box, string $about = ''): self
    {
        return new self($part, '', '', ['picture' => $picture, 'box' => $box] + ($about === '' ? [] : ['about' => $about]));
    }

    /** The same, which does something when touched; what that is, the board knows by this name. */
    public function touching(string $touch): self
    {
        return new self($this->part, $this->fill, $this->stroke, $this->what, $touch);
    }

    /** @return array<string, string|float|true|list<Span>|list<float>> "Primitive" in the wire schema */
    public function toArray(): array
    {
        return ['part' => $this->part] + array_filter(['fill' => $this->fill, 'stroke' => $this->stroke, 'touch' => $this->touch], fn (string $said): bool => $said !== '') + $this->what;
    }
}
