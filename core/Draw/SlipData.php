<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

use ChalkTree\Arrange\Slip;

/** A slip as plain data, for the wire and for the command line. docs/protocol.md describes it. */
final readonly class SlipData
{
    private SlipParts $parts;

    public function __construct()
    {
        $this->parts = new SlipParts;
    }

    /** @return list<float> x, y, width and height */
    private static function line(Slip $slip): array
    {
        return array_map(fn (float $at): float => round($at, 1), $slip->line());
    }

    /**
     * @return array{id: string, parent: string|null, x: float, y: float, w: float, h: float, level: int, grows: string, spine: string, opens: string, chalk: string, hidden: int, number: string, look: string, connector: array<string, mixed>|null, free: bool, way: list<float>, parts: list<array<string, mixed>>, title?: list<float>, brace?: list<float>, line?: list<float>}
     */
    public function of(Slip $slip): array
    {
        $face = $this->parts->face($slip);

        return [
            'id' => $slip->topic->id,
            'parent' => $slip->parent,
            'x' => $slip->x,
            'y' => $slip->y,
            'w' => $slip->w,
            'h' => $slip->h,
            'level' => $slip->level,
            'grows' => $slip->growth->value,
            'spine' => $slip->enters->edge(),
            'opens' => $slip->given->opens()->value,
            'chalk' => $slip->chalk,
            'hidden' => $slip->hidden,
            'number' => $slip->number,
            'look' => $slip->look->hash,
            'connector' => SlipParts::connector($slip)?->toArray(),
            'free' => $slip->isFree,
            'way' => $slip->isWinding ? array_map(fn (float $at): float => round($at, 1), $slip->route) : [],
            'parts' => array_map(fn (Primitive $part): array => $part->toArray(), $this->parts->of($slip, $face)),
        ] + ($slip->brace === null ? [] : ['brace' => array_map(fn (float $at): float => round($at, 1), $slip->brace)]) + ($slip->axis === [] ? [] : ['line' => self::line($slip)]) + ($slip->parts === [] ? [] : ['title' => SlipParts::title($face)]);
    }
}
