<?php

declare(strict_types=1);

namespace App\Library;

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Exchange\Formats;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Map\TopicMap;

/** Everything a map can be taken out as. */
final readonly class Exports
{
    /** @var array<string, string> the kinds of picture, with their media types */
    private const PICTURES = ['svg' => 'image/svg+xml', 'png' => 'image/png'];

    public function __construct(private Pictures $pictures)
    {
    }

    /** @return list<string> */
    public static function names(): array
    {
        return [...array_keys(Formats::ALL), ...array_keys(self::PICTURES)];
    }

    public static function isPicture(string $to): bool
    {
        return isset(self::PICTURES[$to]);
    }

    public static function mime(string $to): string
    {
        return Formats::ALL[$to]['mime'] ?? self::PICTURES[$to];
    }

    /**
     * @param  string  $to  one of names()
     * @param  int|null  $width  pixels, for PNG
     */
    public function write(TopicMap $map, string $to, string $title, View $view = new View, BoardTheme $board = BoardTheme::Day, ?int $width = null): string
    {
        return match ($to) {
            'svg' => $this->pictures->svg(Layout::of($map, $view)->scene(), $title, $board),
            'png' => $this->pictures->png(Layout::of($map, $view)->scene(), $title, $board, $width),
            default => Formats::write($map, $to),
        };
    }
}
