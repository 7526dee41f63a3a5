<?php

declare(strict_types=1);

namespace ChalkTree\Document;

/** A part of a document that stands by itself: a heading, a paragraph, a list. */
interface Block
{
}
