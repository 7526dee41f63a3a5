<?php

declare(strict_types=1);

namespace ChalkTree\Paste;

/** The bullet or number before a line. */
final readonly class Mark
{
    /**
     * @param  string  $sign  as it stands there, without the space
     * @param  string  $style  marks of one style are of one level: "• ", "1.", "a)", "decimal"
     * @param  list<int>  $values  what a number counts; "1.2" is 1 and 2; empty for bullets
     */
    public function __construct(public string $sign, public string $style, public array $values = [])
    {
    }

    public function isNumber(): bool
    {
        return $this->values !== [];
    }
}
