<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** The direction in which a branch grows away from its parent. */
enum Growth: string
{
    case Left = 'left';
    case Right = 'right';
}
