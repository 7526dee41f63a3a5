<?php

declare(strict_types=1);

namespace App\HandOver;

use App\Library\Exports;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Map\TopicMap;
use ChalkTree\Print\PictureSize;
use ChalkTree\Print\SmallestType;

/** What a picture or a print will be like, before it is made. */
final class ToldPlan
{
    /**
     * @param  TopicMap  $map  all of it
     * @return array<string, mixed> "PlanAnswer" in the wire schema
     */
    public static function of(TopicMap $map, Wish $wish): array
    {
        $drawing = Drawing::of(Outgoing::of($map, $wish->branch), $wish);
        $smallest = SmallestType::of($drawing->scene);

        return in_array($wish->to, [Exports::PRINT, Exports::SHEETS], true) ? self::print($drawing, $smallest, $wish->choices) : self::picture($drawing, $smallest, $wish->choices);
    }

    /** @return array<string, mixed> */
    private static function picture(Drawing $drawing, float $smallest, Choices $choices): array
    {
        $size = PictureSize::of($drawing->frame, $choices);
        $type = $size->type($smallest);
        $isOnPaper = $size->millimetres !== null;

        return [
            'width' => $size->width, 'height' => $size->height, 'isBounded' => $size->isBounded,
            'type' => $type, 'unit' => $isOnPaper ? 'points' : 'pixels', 'isSmall' => $smallest > 0 && $type < ($isOnPaper ? SmallestType::POINTS : SmallestType::PIXELS),
            'sheets' => 0, 'columns' => 0, 'rows' => 0, 'isAcross' => false, 'gaps' => 0,
        ];
    }

    /** @return array<string, mixed> */
    private static function print(Drawing $drawing, float $smallest, Choices $choices): array
    {
        $plan = Prints::plan($drawing, $choices);
        $type = $plan->type($smallest);

        return [
            'width' => 0, 'height' => 0, 'isBounded' => false, 'type' => $type, 'unit' => 'points', 'isSmall' => $smallest > 0 && $type < SmallestType::POINTS,
            'sheets' => count($plan->sheets), 'columns' => $plan->columns, 'rows' => $plan->rows, 'isAcross' => $plan->isAcross(), 'gaps' => count($drawing->key),
        ];
    }
}
