<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Draw\Primitive;
use ChalkTree\Face\Area;
use ChalkTree\Face\FacePart;
use ChalkTree\Face\FacePlace;
use ChalkTree\Look\Look;
use ChalkTree\Text\Advances;
use ChalkTree\Text\Wrapper;

/** The stamps of a topic, before its title, a few in a row. */
final readonly class StampsPart implements FacePart
{
    private const IN_A_ROW = 4;

    private const GAP = 4.0;

    /** @param  non-empty-list<string>  $signs */
    private function __construct(private array $signs)
    {
    }

    /**
     * Null where there are none.
     *
     * @param  list<string>  $signs
     */
    public static function of(array $signs): ?self
    {
        return $signs === [] ? null : new self($signs);
    }

    public function place(Look $look): FacePlace
    {
        return FacePlace::Before;
    }

    public function key(): string
    {
        return 'stamps '.implode(' ', $this->signs);
    }

    public function size(float $widest, Look $look, Wrapper $wrapper): array
    {
        $step = self::side($look) + self::GAP;

        return [min(count($this->signs), self::IN_A_ROW) * $step + 2, ceil(count($this->signs) / self::IN_A_ROW) * $step - self::GAP];
    }

    public function draw(Area $area, Look $look, Wrapper $wrapper): array
    {
        $side = self::side($look);
        $rows = (int) ceil(count($this->signs) / self::IN_A_ROW);
        // Beside the first line, or in the middle where there are more rows.
        $top = $rows === 1 ? $area->beside($side, $look->type->line) : $area->y + max(0.0, ($area->h - $rows * ($side + self::GAP) + self::GAP) / 2);
        $parts = [];
        foreach ($this->signs as $i => $sign) {
            $x = $area->x + $i % self::IN_A_ROW * ($side + self::GAP);
            $y = $top + intdiv($i, self::IN_A_ROW) * ($side + self::GAP);
            // The whole square tells what it is when one points at it.
            $parts[] = Primitive::path('stamp-room', "M{$x} {$y}h{$side}v{$side}h-{$side}Z")->touching($sign);
            array_push($parts, ...Sign::stamp($sign, $x, $y, $side, new Advances, $look->box->fill === 'plate' ? 'plate-ink' : null));
        }

        return $parts;
    }

    private static function side(Look $look): float
    {
        return max(14.0, round($look->type->size * 1.15));
    }
}
