<?php

declare(strict_types=1);

namespace ChalkTree\Print;

use ChalkTree\Draw\SvgWriter;

/**
 * One sheet of a print.
 *
 * @phpstan-import-type Frame from SvgWriter
 */
final readonly class PrintSheet
{
    /**
     * @param  int  $number  from 1
     * @param  int  $row  from 0, as the column
     * @param  Frame  $frame  what of the scene it shows
     */
    public function __construct(public int $number, public int $row, public int $column, public array $frame)
    {
    }
}
