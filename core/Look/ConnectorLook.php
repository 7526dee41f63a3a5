<?php

declare(strict_types=1);

namespace ChalkTree\Look;

/** The line of chalk from the parent to a topic, in pixels at scale 1. */
final readonly class ConnectorLook
{
    /**
     * @param  float  $thick  its thickness where it leaves the parent
     * @param  float  $thin  where it meets the topic
     * @param  string  $form  one of LookFields::LINES
     * @param  string  $dash  one of LookFields::DASHES; what is dashed is of one thickness
     * @param  string  $paint  by its role; "chalk" for that of the branch
     */
    public function __construct(
        public float $thick,
        public float $thin,
        public string $form = 'curve',
        public string $dash = 'solid',
        public string $paint = 'chalk',
    ) {
    }
}
