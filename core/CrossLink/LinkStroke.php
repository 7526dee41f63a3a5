<?php

declare(strict_types=1);

namespace ChalkTree\CrossLink;

use ChalkTree\Route\Stroke;

/** The line of a cross-link, and its heads as SVG paths. */
final readonly class LinkStroke
{
    /**
     * @param  list<string>  $heads
     * @param  bool  $isClear  whether it goes through no box
     * @param  array{float, float}|null  $words  the middle of its phrase, where that is decided
     */
    public function __construct(public Stroke $stroke, public array $heads, public bool $isClear, public ?array $words = null)
    {
    }
}
