<?php

declare(strict_types=1);

namespace ChalkTree\Look;

/** The line of chalk from the parent to a topic, in pixels at scale 1. */
final readonly class ConnectorLook
{
    /**
     * @param  float  $thick  its thickness where it leaves the parent
     * @param  float  $thin  where it meets the topic
     */
    public function __construct(public float $thick, public float $thin)
    {
    }
}
