<?php

declare(strict_types=1);

namespace ChalkTree\Print;

use ChalkTree\Arrange\Scene;
use ChalkTree\Draw\Primitive;
use ChalkTree\Draw\SlipParts;
use ChalkTree\Text\Run;

/** Finds how large the smallest type of a drawing is, and tells whether that can be read. */
final class SmallestType
{
    /** On a screen and on paper, what is smaller can hardly be read. */
    public const PIXELS = 9.0;

    public const POINTS = 6.0;

    /** @return float  pixels at scale 1; 0 where nothing is written */
    public static function of(Scene $scene): float
    {
        $least = INF;
        $parts = new SlipParts;
        foreach ($scene->slips as $slip) {
            foreach ($parts->of($slip) as $part) {
                $least = min($least, self::inPart($part));
            }
        }
        foreach ($scene->marks as $mark) {
            foreach ($mark->parts as $part) {
                $least = min($least, self::inPart($part));
            }
        }

        return $least === INF ? 0.0 : round($least, 2);
    }

    private static function inPart(Primitive $part): float
    {
        $least = INF;
        foreach ($part->what['spans'] ?? [] as $span) {
            if (trim($span['text']) !== '') {
                $least = min($least, ($part->what['size'] ?? INF) * ($span['marks'] & Run::SMALL ? Run::PART : 1));
            }
        }

        return $least;
    }
}
