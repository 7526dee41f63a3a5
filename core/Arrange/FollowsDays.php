<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** An arrangement that places siblings by their days (Slip::$day), where the branch says which (Slip::$days). */
interface FollowsDays extends Arrangement
{
}
