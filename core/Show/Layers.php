<?php

declare(strict_types=1);

namespace ChalkTree\Show;

/** What lies below and above in a drawing, while it is written. */
final class Layers
{
    public string $under = '';

    public string $connectors = '';

    public string $over = '';

    public string $slips = '';

    public function text(): string
    {
        return $this->under.$this->connectors.$this->over.$this->slips;
    }
}
