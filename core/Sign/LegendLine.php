<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

/** One sign of a map. */
final readonly class LegendLine
{
    /**
     * @param  string  $sign  see Sign
     * @param  string  $means  '' where nobody has said it
     * @param  int  $count  on how many topics it is, as far as they were counted
     */
    public function __construct(public string $sign, public string $means, public int $count)
    {
    }

    /** What to read beside the sign. */
    public function words(): string
    {
        return $this->means === '' ? Sign::words($this->sign) : $this->means;
    }
}
