<?php

declare(strict_types=1);

namespace ChalkTree\Face;

/** Says for each topic that is laid out what stands in its box. */
interface BoxSource
{
    /** @return list<FacePart> from the title outwards */
    public function parts(string $topic): array;
}
