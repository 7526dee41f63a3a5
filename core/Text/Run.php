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

    public const SUB = 32;

    public const SUPER = 64;

    /** What is smaller than the text around it, and by how much. */
    public const SMALL = self::SUB | self::SUPER;

    public const PART = 0.7;

    /** How far below and above the baseline it stands, for a type size of 1. */
    public const SUNK = 0.16;

    public const RAISED = 0.36;

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
