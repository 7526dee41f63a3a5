<?php

declare(strict_types=1);

namespace ChalkTree\Print;

use ChalkTree\Draw\SvgWriter;
use ChalkTree\HandOver\Choices;

/**
 * How large a picture will be: in pixels, or in millimetres with dots to the inch.
 *
 * @phpstan-import-type Frame from SvgWriter
 */
final readonly class PictureSize
{
    public const MOST_PIXELS = 100_000_000;

    /** Pixels of a side; what draws them takes no more. */
    public const LONGEST = 32_000;

    /** Dots to the inch where millimetres are asked for and nothing is said, and where pixels are. */
    private const ON_PAPER = 300;

    private const ON_SCREEN = 96;

    private const INCH = 25.4;

    private function __construct(
        public int $width,
        public int $height,
        /** Pixels of the picture for one of the scene. */
        public float $scale,
        public int $dpi,
        /** Millimetres; null where it was asked for in pixels. */
        public ?float $millimetres,
        /** Whether more was asked for than can be drawn. */
        public bool $isBounded,
    ) {
    }

    /** @param  Frame  $frame */
    public static function of(array $frame, Choices $choices): self
    {
        $millimetres = $choices->number('millimetres');
        $dpi = $choices->number('dpi') ?? ($millimetres === null ? self::ON_SCREEN : self::ON_PAPER);
        $wanted = $millimetres === null ? (float) ($choices->number('width') ?? 2 * $frame['w']) : $millimetres / self::INCH * $dpi;
        $ratio = $frame['h'] / $frame['w'];
        $most = min(sqrt(self::MOST_PIXELS / $ratio), self::LONGEST, self::LONGEST / $ratio);
        $width = max(1, (int) min(round($wanted), floor($most)));

        return new self($width, max(1, (int) round($width * $ratio)), $width / $frame['w'], $dpi, $millimetres === null ? null : (float) $millimetres, $wanted > $most + 1);
    }

    /** Of type in the picture: points on paper, where it is for paper, else pixels. */
    public function type(float $size): float
    {
        return round($size * $this->scale * ($this->millimetres === null ? 1 : 72 / $this->dpi), 1);
    }
}
