<?php

declare(strict_types=1);

namespace ChalkTree\Look;

/** How one topic looks, with everything decided; see LookResolver. Equal looks have equal hashes. */
final readonly class Look
{
    /** 8 hexadecimal digits. */
    public string $hash;

    public function __construct(public TypeLook $type, public BoxLook $box, public SpacingLook $spacing, public ConnectorLook $connector)
    {
        $this->hash = hash('xxh32', serialize([$type, $box, $spacing, $connector]));
    }

    /** The same, of the width that a person set. */
    public function wide(?int $width): self
    {
        return $width === $this->box->width ? $this : new self($this->type, $this->box->wide($width), $this->spacing, $this->connector);
    }
}
