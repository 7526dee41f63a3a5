<?php

declare(strict_types=1);

namespace ChalkTree\Story;

/** How somebody or something appears in a chapter or a scene. */
final class ThreadCell
{
    /**
     * @param  string  $at  the first scene in which that is
     * @param  int  $names  how often the text names it
     * @param  bool  $isSaid  whether a field or a tag says so
     * @param  bool  $isTied  whether a link or a line says so
     * @param  bool  $sees  whether all is seen through its eyes
     * @param  bool  $ends  whether the thread ends there
     */
    public function __construct(public readonly string $at, public int $names = 0, public bool $isSaid = false, public bool $isTied = false, public bool $sees = false, public bool $ends = false)
    {
    }

    public function isThere(): bool
    {
        return $this->names > 0 || $this->isSaid || $this->isTied || $this->sees || $this->ends;
    }
}
