<?php

declare(strict_types=1);

namespace ChalkTree\Task;

use ChalkTree\Face\FacePart;
use ChalkTree\Face\FacePlace;
use ChalkTree\Face\InSmallType;
use ChalkTree\Look\Look;

/** Who does it, by when and how far it is, in small type below the title. */
final readonly class TaskPart implements FacePart
{
    use InSmallType;

    private const PART = 'task';

    private const ROOM = 3.0;

    public function __construct(private string $text)
    {
    }

    public function place(Look $look): FacePlace
    {
        return FacePlace::Below;
    }
}
