<?php

declare(strict_types=1);

namespace ChalkTree\Document;

/** A line across the page. */
final readonly class Rule implements Block
{
}
