<?php

declare(strict_types=1);

namespace App\Publishing;

use App\Models\PublishedPage;

/** HTML to be pasted into pages elsewhere. */
final class Snippets
{
    /** Pixels of the picture as most columns of text take it. */
    public const WIDTH = 500;

    private const FRAME = 420;

    /** A picture that leads to the page, in the width that the screen asks for. */
    public static function picture(PublishedPage $page, string $title, int $width, int $height): string
    {
        $set = implode(', ', array_map(fn (int $one): string => $page->url("/{$one}.png")." {$one}w", PageMaker::WIDTHS));

        return '<a href="'.e($page->url()).'"><img src="'.e($page->url("/{$width}.png")).'" srcset="'.e($set)."\" sizes=\"(max-width: {$width}px) 100vw, {$width}px\" width=\"{$width}\" height=\"{$height}\" style=\"max-width: 100%; height: auto\" alt=\"Map: ".e($title).'" loading="lazy"></a>';
    }

    /** The page itself, in a frame. */
    public static function frame(PublishedPage $page, string $title): string
    {
        return '<iframe src="'.e($page->url('?frame')).'" title="Map: '.e($title).'" width="100%" height="'.self::FRAME.'" style="border: 1px solid #ccc" loading="lazy" allowfullscreen></iframe>';
    }
}
