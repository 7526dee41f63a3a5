<?php

declare(strict_types=1);

namespace App\Http;

use ChalkTree\Look\BoardTheme;
use Illuminate\Http\Request;

/** How the board stood in this browser's window the last time, which the browser tells by a cookie. All in pixels. */
final readonly class BoardFrame
{
    /** The browser sets it itself, so it is not encrypted. */
    public const COOKIE = 'chalk-frame';

    private const FORM = '/\A([a-z]{3,8})(?:\.(\d{2,4})x(\d{2,4})\.(\d{1,4}),(\d{1,4}),(\d{2,4}),(\d{2,4}))?\z/';

    /** @param  array{window: array{int, int}, x: int, y: int, w: int, h: int}|null  $board  null where none was in the window */
    private function __construct(public BoardTheme $theme, public ?array $board)
    {
    }

    public static function of(Request $request): ?self
    {
        $told = $request->cookies->get(self::COOKIE);
        $theme = is_string($told) && preg_match(self::FORM, $told, $m) === 1 ? BoardTheme::tryFrom($m[1]) : null;
        if ($theme === null) {
            return null;
        }
        $n = array_map(intval(...), array_slice($m, 2));

        return new self($theme, count($n) < 6 ? null : ['window' => [$n[0], $n[1]], 'x' => $n[2], 'y' => $n[3], 'w' => $n[4], 'h' => $n[5]]);
    }
}
