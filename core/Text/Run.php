<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/** A stretch of text in one formatting. */
final readonly class Run
{
    public const BOLD = 1;

    public const ITALIC = 2;

    public const UNDERLINE = 4;

    public const STRIKE = 8;

    public const CODE = 16;

    /** The bits that say in which typeface a text is set; see TypeFace. The wire has them beside, by name. */
    public const FACE = 0xFF00;

    /**
     * @param  int  $marks  the constants above, added up
     * @param  string|null  $href  where it leads, if it is a link
     */
    public function __construct(public string $text, public int $marks = 0, public ?string $href = null)
    {
    }
}
