<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

/** An edit that puts a text in the place of another, as whoever wrote it saw that: what somebody else wrote into it meanwhile stays. */
interface MergesText
{
    /** Whether two wrote over the same words, so that the wordings of both stand there now. Known once it is applied. */
    public function isBoth(): bool;
}
