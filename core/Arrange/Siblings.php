<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/** How an arrangement lets siblings stand to each other. */
enum Siblings
{
    /** One beside the other, each in a band of its own: beyond some neighbours there is nothing but what is below them. */
    case Banded;

    /** Each with room for its branch and for what is added to that, in whatever places. */
    case Apart;

    /** With what is below them in rows and columns. */
    case Tabled;

    /** Where a person put them. */
    case Put;

    /** As what heads them has it. */
    case ByHead;
}
