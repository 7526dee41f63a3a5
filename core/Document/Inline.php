<?php

declare(strict_types=1);

namespace ChalkTree\Document;

/** Part of a line of text: a run, a picture, a formula, a footnote. */
interface Inline
{
}
