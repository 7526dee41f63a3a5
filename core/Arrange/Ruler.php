<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** The line of days along which topics stand, as it is drawn; places are from the corner of the slip that heads them. */
final readonly class Ruler
{
    /** How far it reaches to either side of its middle. */
    public const HALF = 11.0;

    /**
     * @param  float  $begin  where it begins, along x
     * @param  float  $line  its middle, along y
     * @param  list<array{int, int, int, string}>  $spans  days in a row: the first, the last, 0 above the line or 1 below it, and the chalk
     * @param  int|null  $today  null where nobody looks in particular
     * @param  bool  $isTurned  whether it runs to the left
     */
    public function __construct(public float $begin, public float $line, public TimeScale $scale, public array $spans, public ?int $today, public bool $isTurned = false)
    {
    }

    /** As it is seen in a mirror, in a box so wide. */
    public function turned(float $width): self
    {
        return new self($width - $this->begin, $this->line, $this->scale, $this->spans, $this->today, ! $this->isTurned);
    }

    /** A place along the scale, along x. */
    public function x(float $at): float
    {
        return $this->isTurned ? $this->begin - $at : $this->begin + $at;
    }

    /** @return list<mixed> all by which it is drawn */
    public function key(): array
    {
        return [$this->begin, $this->line, $this->scale->scale, $this->scale->pieces, $this->spans, $this->today, $this->isTurned];
    }
}
