<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** Where lines that go straight to a slip's middle meet its outline. */
final class Outline
{
    private const STEPS = 14;

    /**
     * The point at which a line from the middle of a slip towards another point leaves it; that point if it is inside.
     *
     * @param  float  $x  from the slip's corner
     * @return array{float, float} from there too
     */
    public static function leave(Slip $slip, float $x, float $y): array
    {
        [$cx, $cy] = [$slip->w / 2, $slip->h / 2];
        [$dx, $dy] = [$x - $cx, $y - $cy];
        $part = min(1.0, $dx === 0.0 ? 1.0 : abs($cx / $dx), $dy === 0.0 ? 1.0 : abs($cy / $dy));
        $shape = $slip->look->box->shape();
        if (! $shape->isFull()) {
            [$in, $out] = [0.0, $part];
            for ($i = 0; $i < self::STEPS; $i++) {
                $middle = ($in + $out) / 2;
                [$mx, $my] = [$cx + $dx * ($slip->isFlipped ? -$middle : $middle), $cy + $dy * $middle];
                $isIn = $mx >= $shape->inset($slip->w, $slip->h, Growth::Left, $my) && $mx <= $slip->w - $shape->inset($slip->w, $slip->h, Growth::Right, $my);
                [$in, $out] = $isIn ? [$middle, $out] : [$in, $middle];
            }
            $part = $in;
        }

        return [round($cx + $dx * $part, 1), round($cy + $dy * $part, 1)];
    }
}
