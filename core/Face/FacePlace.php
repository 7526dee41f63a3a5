<?php

declare(strict_types=1);

namespace ChalkTree\Face;

/** Where something stands in the box of a topic: above or below the title, or beside it before or after the text. */
enum FacePlace
{
    case Above;
    case Below;
    case Before;
    case After;
}
