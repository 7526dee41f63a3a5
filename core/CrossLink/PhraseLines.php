<?php

declare(strict_types=1);

namespace ChalkTree\CrossLink;

use ChalkTree\Look\Look;
use ChalkTree\Text\Advances;
use ChalkTree\Text\Line;
use ChalkTree\Text\Run;
use ChalkTree\Text\Wrapper;

/** The phrase of a cross-link, broken into lines. */
final readonly class PhraseLines
{
    /** So many times the type size a line is wide; narrower and wider ones where there is room for these. */
    public const WIDEST = [11.0, 7.0, 18.0];

    public const LINE = 1.3;

    public const PAD = 3.0;

    /** With what is left free around the lines. */
    public float $w;

    public float $h;

    /** @param  non-empty-list<Line>  $lines */
    private function __construct(public array $lines, public float $size)
    {
        $this->w = max(array_map(fn (Line $line): float => $line->width, $lines)) + 2 * self::PAD;
        $this->h = count($lines) * $size * self::LINE + self::PAD;
    }

    /**
     * @param  Look  $look  that topics have, whose type phrases are set in
     * @param  float  $wide  one of WIDEST
     */
    public static function of(CrossLink $link, string $phrase, Look $look, float $wide): self
    {
        /** @var Wrapper|null $wrapper */
        static $wrapper = null;
        $wrapper ??= new Wrapper(new Advances);
        $size = (float) ($link->number('size') ?? max(CrossLink::SIZE, round($look->type->size * 0.9)));
        $marks = ($link->text('weight') === 'bold' ? Run::BOLD : 0) | ($link->text('slant') === 'slanted' ? Run::ITALIC : 0) | $look->type->face->cut();

        return new self($wrapper->wrapPlain($phrase, $size, $size * $wide, $marks), $size);
    }
}
