<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/**
 * Where braces stand: beyond the siblings that they span, on the side away from the parent, with their branches beyond
 * themselves.
 *
 * @phpstan-type Over array{Slip, list<Slip>}
 */
final class BraceStand
{
    /** How deep a brace is, from its ends to its tip; what is before it and behind it. */
    public const DEEP = 14.0;

    private const BEFORE = 6.0;

    private const STEM = 22.0;

    /**
     * Makes room beside the ends of what braces span where their branches are larger. All have to have their places.
     *
     * @param  list<Over>  $braces  each with the siblings that it spans and that are seen
     * @return bool whether any needed it
     */
    public static function makeRoom(array $braces): bool
    {
        $isAny = false;
        foreach ($braces as [$brace, $spanned]) {
            if ($spanned === []) {
                continue;
            }
            $isSideways = $spanned[0]->growth->isSideways();
            [$from, $to] = self::span($spanned, $isSideways);
            // It stands in the middle, so the larger side of its branch needs its room on both.
            $need = $isSideways ? $brace->h + 2 * max($brace->top, $brace->bottom) + 2 * Bands::LANE : $brace->w + 2 * max($brace->left, $brace->right) + 2 * Bands::ASIDE_LANE;
            $more = ceil(($need - ($to - $from)) / 2);
            if ($more <= 0.0) {
                continue;
            }
            $isAny = true;
            [$first, $last] = [$spanned[0], $spanned[count($spanned) - 1]];
            if ($isSideways) {
                $first->top += $more;
                $last->bottom += $more;
            } else {
                // On a mirrored board the first is at the right.
                [$first, $last] = $first->x <= $last->x ? [$first, $last] : [$last, $first];
                $first->left += $more;
                $last->right += $more;
            }
        }

        return $isAny;
    }

    /**
     * @param  list<Over>  $braces
     * @param  list<Slip>  $plain  the children that have their places
     */
    public static function all(Slip $slip, array $braces, Siblings $how, array $plain): void
    {
        $stood = [];
        foreach ($braces as [$brace, $spanned]) {
            if ($how === Siblings::Put) {
                if ($spanned !== [] && $brace->route !== []) {
                    self::put($brace, $spanned);
                }

                continue;
            }
            $grows = $spanned === [] ? $brace->growth : $spanned[0]->growth;
            [$a, $b] = $spanned === [] ? self::span([$slip], $grows->isSideways(), true) : self::span($spanned, $grows->isSideways());
            $beyond = $spanned === [] || $how !== Siblings::Banded ? self::reach($slip, $grows) : -INF;
            foreach ($how === Siblings::Banded ? $spanned : [] as $one) {
                $beyond = max($beyond, self::edge($one, $grows));
            }
            foreach ($stood as [$from, $to, $edge]) {
                $beyond = $from < $b && $to > $a ? max($beyond, $edge) : $beyond;
            }
            self::stand($brace, $grows, $a, $b, $beyond + self::BEFORE);
            $slip->embrace($brace);
            $stood[] = [$a, $b, self::edge($brace, $grows)];
        }
    }

    /** How far the branch of a slip reaches in a direction, from the corner of its parent; to the left and above this is counted backwards. */
    private static function edge(Slip $one, Growth $grows): float
    {
        return match ($grows) {
            Growth::Right => $one->x + $one->w + $one->right,
            Growth::Left => $one->left - $one->x,
            Growth::Down => $one->y + $one->h + $one->bottom,
            Growth::Up => $one->top - $one->y,
        };
    }

    /** The same of all that is below a slip by now, from its own corner. */
    private static function reach(Slip $slip, Growth $grows): float
    {
        return match ($grows) {
            Growth::Right => $slip->w + $slip->right,
            Growth::Left => $slip->left,
            Growth::Down => $slip->h + $slip->bottom,
            Growth::Up => $slip->top,
        };
    }

    /**
     * @param  non-empty-list<Slip>  $slips
     * @param  bool  $isOwn  whether it is the parent itself, from its own corner
     * @return array{float, float} from where to where their branches go, across the direction of growth
     */
    private static function span(array $slips, bool $isSideways, bool $isOwn = false): array
    {
        $from = array_map(fn (Slip $one): float => $isSideways ? ($isOwn ? 0.0 : $one->y - $one->top) : ($isOwn ? 0.0 : $one->x - $one->left), $slips);
        $to = array_map(fn (Slip $one): float => $isSideways ? ($isOwn ? $one->h : $one->y + $one->h + $one->bottom) : ($isOwn ? $one->w : $one->x + $one->w + $one->right), $slips);

        return [min($from), max($to)];
    }

    /**
     * @param  float  $a  where it begins and ends across the direction, from the parent's corner
     * @param  float  $at  where along the direction its ends are; see edge()
     */
    private static function stand(Slip $brace, Growth $grows, float $a, float $b, float $at): void
    {
        $sign = $grows->sign();
        $middle = ($a + $b) / 2;
        $out = $at + self::DEEP + self::STEM;
        $isSideways = $grows->isSideways();
        if ($isSideways) {
            $brace->x = $sign > 0 ? $out + $brace->left : -$out - $brace->right - $brace->w;
            $brace->y = $middle - $brace->h / 2;
        } else {
            $brace->x = $middle - $brace->w / 2;
            $brace->y = $sign > 0 ? $out + $brace->top : -$out - $brace->bottom - $brace->h;
        }
        // All from its own corner from here on.
        [$ends, $tip] = $isSideways ? [$sign * $at - $brace->x, $sign * ($at + self::DEEP) - $brace->x] : [$sign * $at - $brace->y, $sign * ($at + self::DEEP) - $brace->y];
        $brace->leaves = $grows;
        $brace->isCurved = $brace->isDirect = $brace->isFree = false;
        $brace->isWinding = true;
        if ($isSideways) {
            $brace->brace = [$ends, $a - $brace->y, $ends, $b - $brace->y];
            $brace->route = self::way($tip, $middle - $brace->y, $brace, $grows);
        } else {
            $brace->brace = [$a - $brace->x, $ends, $b - $brace->x, $ends];
            $brace->route = self::way($middle - $brace->x, $tip, $brace, $grows);
        }
    }

    /**
     * From the tip into the box, by the edge by which it is entered.
     *
     * @return list<float>
     */
    private static function way(float $x, float $y, Slip $brace, Growth $grows): array
    {
        $enters = $brace->enters;
        $edge = match ($enters) {
            Growth::Right => [0.0, $brace->h / 2],
            Growth::Left => [$brace->w, $brace->h / 2],
            Growth::Down => [$brace->w / 2, 0.0],
            Growth::Up => [$brace->w / 2, $brace->h],
        };
        if ($enters === $grows) {
            return [$x, $y, ...$edge];
        }
        if ($enters->isSideways()) {
            [$aside, $row] = [$enters === Growth::Right ? -$brace->left - Bands::ASIDE_LANE / 2 : $brace->w + $brace->right + Bands::ASIDE_LANE / 2, $y + $grows->sign() * self::STEM / 2];

            return [$x, $y, $x, $row, $aside, $row, $aside, $brace->h / 2, ...$edge];
        }
        [$aside, $lane] = [$x + $grows->sign() * self::STEM / 2, $enters === Growth::Down ? -$brace->top - Bands::LANE / 2 : $brace->h + $brace->bottom + Bands::LANE / 2];

        return [$x, $y, $aside, $y, $aside, $lane, $brace->w / 2, $lane, ...$edge];
    }

    /**
     * Where all stand as they were put, on the side of its siblings that faces its topic.
     *
     * @param  non-empty-list<Slip>  $spanned
     */
    private static function put(Slip $brace, array $spanned): void
    {
        [$top, $bottom] = self::span($spanned, true);
        [$left, $right] = self::span($spanned, false);
        [$x, $y] = [$brace->x + $brace->w / 2, $brace->y + $brace->h / 2];
        $away = ['right' => $x - $right, 'left' => $left - $x, 'down' => $y - $bottom, 'up' => $top - $y];
        arsort($away);
        $grows = Growth::from((string) array_key_first($away));
        $sign = $grows->sign();
        $at = ['right' => $right, 'left' => $left, 'down' => $bottom, 'up' => $top][$grows->value] + $sign * self::BEFORE;
        [$tipX, $tipY] = $grows->isSideways() ? [$at + $sign * self::DEEP, ($top + $bottom) / 2] : [($left + $right) / 2, $at + $sign * self::DEEP];
        $brace->leaves = $grows;
        $brace->brace = $grows->isSideways()
            ? [$at - $brace->x, $top - $brace->y, $at - $brace->x, $bottom - $brace->y]
            : [$left - $brace->x, $at - $brace->y, $right - $brace->x, $at - $brace->y];
        $brace->route = [$tipX - $brace->x, $tipY - $brace->y, ...Outline::leave($brace, $tipX - $brace->x, $tipY - $brace->y)];
    }
}
