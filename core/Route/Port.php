<?php

declare(strict_types=1);

namespace ChalkTree\Route;

use ChalkTree\Arrange\Growth;
use ChalkTree\Arrange\Slip;

/** A place at the outline of a box where a line may begin or end, and the direction that leads straight away from it. */
final readonly class Port
{
    /** Between the outline and the end of a line, pixels. */
    public const AWAY = 3.0;

    /** Sides shorter than this are met in their middle only. */
    private const SHORT = 34.0;

    /** What it costs to leave off the middle of a side, and by the sides where the lines of the tree come and go; pixels of way. */
    private const OFF_MIDDLE = 12.0;

    private const TAKEN = 24.0;

    /**
     * @param  float  $nx  the direction straight away from the box, of length 1
     * @param  float  $cost  in pixels of way
     */
    public function __construct(public float $x, public float $y, public float $nx, public float $ny, public float $cost, public string $name)
    {
    }

    /**
     * All places at a slip's outline.
     *
     * @param  float  $x  of the top left corner of its box
     * @return non-empty-list<self>
     */
    public static function of(Slip $slip, float $x, float $y): array
    {
        $ports = [];
        $shape = $slip->look->box->shape();
        $taken = [$slip->parent === null ? null : $slip->enters->opposite(), $slip->hidden > 0 ? $slip->given->opens() : null];
        foreach (Growth::cases() as $edge) {
            $side = $edge->isSideways() ? $slip->h : $slip->w;
            foreach ($side < self::SHORT ? [0.5] : [0.5, 0.25, 0.75] as $part) {
                $at = $side * $part;
                $inset = $shape->inset($slip->w, $slip->h, $edge, $at) - self::AWAY;
                $cost = ($part === 0.5 ? 0.0 : self::OFF_MIDDLE) + (in_array($edge, $taken, true) ? self::TAKEN : 0.0);
                $far = $edge->isSideways() ? $slip->w - $inset : $slip->h - $inset;
                $near = $edge->sign() > 0 ? $far : $inset;
                $ports[] = $edge->isSideways()
                    ? new self($x + $near, $y + $at, $edge->sign(), 0.0, $cost, "{$edge->value} {$part}")
                    : new self($x + $at, $y + $near, 0.0, $edge->sign(), $cost, "{$edge->value} {$part}");
            }
        }

        return $ports;
    }

    /** A place that a line only goes through, from wherever it comes. */
    public static function through(float $x, float $y): self
    {
        return new self($x, $y, 0.0, 0.0, 0.0, '');
    }

    public function costing(float $more): self
    {
        return new self($this->x, $this->y, $this->nx, $this->ny, $this->cost + $more, $this->name);
    }

    /** A little way straight out. */
    public function out(float $by): self
    {
        return new self($this->x + $this->nx * $by, $this->y + $this->ny * $by, $this->nx, $this->ny, $this->cost, $this->name);
    }

    /** The cosine of the angle between the way straight out and the way to a point; 1 where any way is as good. */
    public function towards(float $x, float $y): float
    {
        if ($this->nx === 0.0 && $this->ny === 0.0) {
            return 1.0;
        }

        return (($x - $this->x) * $this->nx + ($y - $this->y) * $this->ny) / max(0.001, hypot($x - $this->x, $y - $this->y));
    }
}
