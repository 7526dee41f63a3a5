<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Draw\Primitive;
use ChalkTree\Look\Palette;
use ChalkTree\Shape\Shapes;
use ChalkTree\Text\Advances;
use ChalkTree\Text\Run;

/**
 * Whatever can mean something on a map, by its name: "stamp:idea", "stamp:1" to "stamp:9", "stamp:K" for a letter,
 * "chalk:tide", "shape:oval".
 */
final class Sign
{
    /** The side of the square on which stamps are drawn. */
    private const GRID = 16;

    private const FORM = '/^(stamp|chalk|shape):(.{1,40})$/uD';

    public static function isName(string $sign): bool
    {
        return preg_match(self::FORM, $sign, $m) === 1 && match ($m[1]) {
            'stamp' => Stamp::tryFrom($m[2]) !== null || preg_match('/^[1-9]$/D', $m[2]) === 1 || (preg_match('/^\p{L}$/uD', $m[2]) === 1 && mb_strtoupper($m[2]) === $m[2]),
            'chalk' => Palette::isName($m[2]),
            default => in_array($m[2], Shapes::names(), true),
        };
    }

    public static function sort(string $sign): string
    {
        return explode(':', $sign, 2)[0];
    }

    public static function value(string $sign): string
    {
        return explode(':', $sign, 2)[1] ?? '';
    }

    /** @return list<string> all stamps in the order in which they stand; of letters only A */
    public static function stamps(): array
    {
        return array_map(fn (string $value): string => "stamp:{$value}", [...array_map(strval(...), range(1, 9)), ...array_column(Stamp::cases(), 'value'), 'A']);
    }

    /** What it is called where nothing is said of what it means. */
    public static function words(string $sign): string
    {
        $value = self::value($sign);
        if (self::sort($sign) !== 'stamp') {
            return $value;
        }
        $nth = ['1' => 'first', '2' => 'second', '3' => 'third', '4' => 'fourth', '5' => 'fifth', '6' => 'sixth', '7' => 'seventh', '8' => 'eighth', '9' => 'ninth'];

        return Stamp::tryFrom($value)?->words() ?? $nth[$value] ?? "the letter {$value}";
    }

    /**
     * A stamp, drawn in strokes.
     *
     * @param  float  $side  of the square that it fills
     * @param  string|null  $paint  where not in its own chalk
     * @return list<Primitive>
     */
    public static function stamp(string $sign, float $x, float $y, float $side, Advances $advances, ?string $paint = null): array
    {
        $value = self::value($sign);
        $scale = $side / self::GRID;
        $stamp = Stamp::tryFrom($value);
        $thick = round(1.8 * $scale, 2);
        if ($stamp !== null) {
            return [Primitive::path('stamp', self::placed($stamp->strokes(), $x, $y, $scale), '', $paint ?? "text:{$stamp->chalk()}", $thick)];
        }
        // A number stands on a tile, a letter in a ring.
        $isNumber = preg_match('/^[1-9]$/D', $value) === 1;
        $paint ??= $isNumber ? 'text:dusk' : 'text:driftwood';
        $frame = $isNumber ? 'M3.4 1.6h9.2a1.8 1.8 0 0 1 1.8 1.8v9.2a1.8 1.8 0 0 1 -1.8 1.8h-9.2a1.8 1.8 0 0 1 -1.8 -1.8v-9.2a1.8 1.8 0 0 1 1.8 -1.8z' : 'M1.4 8a6.6 6.6 0 1 0 13.2 0a6.6 6.6 0 1 0 -13.2 0z';
        $size = round(10.5 * $scale, 2);
        $w = $advances->width($value, Run::BOLD) * $size / 1000;

        return [
            Primitive::path('stamp', self::placed($frame, $x, $y, $scale), '', $paint, round(1.5 * $scale, 2)),
            Primitive::text('stamp', $value, round($x + ($side - $w) / 2, 2), round($y + 11.7 * $scale, 2), round($w, 2), $size, $paint, Run::BOLD),
        ];
    }

    /**
     * A sign beside words.
     *
     * @param  float  $scale  by how much it is larger than 22 by 18
     * @return list<Primitive>
     */
    public static function draw(string $sign, float $x, float $y, Advances $advances, float $scale = 1.0): array
    {
        $value = self::value($sign);

        return match (self::sort($sign)) {
            'stamp' => self::stamp($sign, $x, $y, 17.0 * $scale, $advances),
            'chalk' => [Primitive::path('chalk', 'M'.round($x + 2 * $scale, 2).' '.round($y + 9 * $scale, 2).'h'.round(16 * $scale, 2), '', "chalk:{$value}", round(7.0 * $scale, 2))],
            default => [Primitive::path('shape', self::moved(Shapes::called($value)->outline(22.0 * $scale, 16.0 * $scale, 4.0), $x, $y + $scale), '', 'ink', 1.5)],
        };
    }

    /** An outline, which begins at 0, 0, elsewhere; its commands are absolute, but for relative ones in small letters. */
    private static function moved(string $outline, float $x, float $y): string
    {
        return (string) preg_replace_callback('/([A-Z])([^A-Za-z]*)/', function (array $m) use ($x, $y): string {
            $numbers = array_map(floatval(...), preg_split('/[\s,]+|(?<=\d)(?=-)/', trim($m[2]), flags: PREG_SPLIT_NO_EMPTY) ?: []);
            foreach ($numbers as $i => $number) {
                $numbers[$i] = round($number + match ($m[1]) {
                    'H' => $x,
                    'V' => $y,
                    'A' => match ($i % 7) {
                        5 => $x,
                        6 => $y,
                        default => 0.0,
                    },
                    default => $i % 2 === 0 ? $x : $y,
                }, 2);
            }

            return $m[1].implode(' ', $numbers);
        }, $outline);
    }

    /** Strokes of which only the first point is absolute, moved and made larger. */
    private static function placed(string $strokes, float $x, float $y, float $scale): string
    {
        $isFirst = true;

        return (string) preg_replace_callback('/([A-Za-z])([^A-Za-z]*)/', function (array $m) use ($x, $y, $scale, &$isFirst): string {
            $numbers = array_map(floatval(...), preg_split('/\s+/', trim($m[2]), flags: PREG_SPLIT_NO_EMPTY) ?: []);
            foreach ($numbers as $i => $number) {
                // The flags of an arc are no lengths.
                $isLength = $m[1] !== 'a' || ! in_array($i % 7, [2, 3, 4], true);
                $shift = $isFirst ? ($i % 2 === 0 ? $x : $y) : 0.0;
                $numbers[$i] = $isLength ? round($number * $scale + $shift, 2) : (int) $number;
            }
            $isFirst = false;

            return $m[1].implode(' ', $numbers);
        }, $strokes);
    }
}
