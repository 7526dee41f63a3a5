<?php

declare(strict_types=1);

namespace ChalkTree\Picture;

use ChalkTree\Refusal;

/** A file that cannot be taken in as a picture; the message says why to a person. */
final class UnusablePicture extends Refusal
{
    public function reason(): string
    {
        return 'unusable_picture';
    }
}
