<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/**
 * An arrangement that places siblings by what ties them to each other (Slip::$ties), and says how these ties run
 * (Slip::$ways). What is below a sibling is laid out as it hands down, so that it knows which edges are free.
 */
interface FollowsTies extends Arrangement
{
}
