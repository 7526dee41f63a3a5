<?php

declare(strict_types=1);

namespace ChalkTree;

/** For a feature whose rows are set and removed as all rows are, so that it needs no edits of its own. */
trait WithoutEdits
{
    public function edits(): array
    {
        return [];
    }

    public function schema(): array
    {
        return [];
    }
}
