<?php

declare(strict_types=1);

namespace ChalkTree\Ask;

/** On what else than a topic itself, what is below it and how deep it stands an answer about it hangs. */
enum HangsOn
{
    case Itself;

    /** What stands above it. */
    case Above;

    /** What it is tied to across the tree. */
    case Ties;
}
