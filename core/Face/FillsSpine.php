<?php

declare(strict_types=1);

namespace ChalkTree\Face;

/** Something in a box that fills its spine as far as it has come. */
interface FillsSpine extends FacePart
{
    /** From 0 to 1. */
    public function share(): float;
}
