<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

/** An edit that only tells what is so elsewhere: nobody made it, so nobody undoes it, and the history does not list it. */
interface Quiet extends Edit
{
}
