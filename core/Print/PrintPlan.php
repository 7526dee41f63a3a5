<?php

declare(strict_types=1);

namespace ChalkTree\Print;

use ChalkTree\Draw\SvgWriter;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\HandOver\Choices;

/**
 * How a drawing is laid on sheets of paper: on one, on so many across and down, or at a size of type on as many as that takes.
 * Sheets side by side show the same along their edges, so that one can be glued over the next.
 *
 * @phpstan-import-type Frame from SvgWriter
 */
final readonly class PrintPlan
{
    public const MOST_SHEETS = 100;

    /** Millimetres that no printer reaches, and of the line at the foot. */
    public const MARGIN = 10.0;

    public const LINE = 11.0;

    /** Millimetres that sheets side by side have in common, where nothing is said. */
    private const OVERLAP = 10;

    private const POINT = 25.4 / 72;

    /**
     * @param  array{float, float}  $sheet  width and height of the paper as it is turned, millimetres
     * @param  array{float, float}  $room  what of it the drawing has
     * @param  float  $scale  millimetres for a pixel of the scene
     * @param  list<PrintSheet>  $sheets  row by row
     */
    private function __construct(public Paper $paper, public array $sheet, public array $room, public float $scale, public int $columns, public int $rows, public float $overlap, public array $sheets)
    {
    }

    /**
     * @param  Frame  $frame  what of the scene is printed
     * @param  float  $smallest  type in it, pixels of the scene; see SmallestType
     *
     * @throws InvalidEdit where that takes too many sheets
     */
    public static function of(array $frame, float $smallest, Choices $choices): self
    {
        $plans = match (true) {
            $choices->flag('landscape') => [true],
            $choices->flag('upright') => [false],
            // Whichever shows it larger, or takes fewer sheets.
            default => [false, true],
        };
        $plans = array_map(fn (bool $isAcross): self => self::turned($frame, $smallest, $choices, $isAcross), $plans);
        usort($plans, fn (self $a, self $b): int => [$a->columns * $a->rows, -$a->scale] <=> [$b->columns * $b->rows, -$b->scale]);
        $count = $plans[0]->columns * $plans[0]->rows;
        if ($count > self::MOST_SHEETS) {
            throw new InvalidEdit('This would take '.number_format($count).' sheets. Choose smaller type, larger paper or a branch; '.self::MOST_SHEETS.' sheets are the most.', 'points');
        }

        return $plans[0]->withSheets($frame);
    }

    /** @param  Frame  $frame */
    private static function turned(array $frame, float $smallest, Choices $choices, bool $isAcross): self
    {
        $paper = Paper::named($choices->text('paper'));
        [$w, $h] = $isAcross ? array_reverse($paper->size()) : $paper->size();
        $room = [$w - 2 * self::MARGIN, $h - 2 * self::MARGIN - (PrintLine::isEmpty($choices) ? 0 : self::LINE)];
        $overlap = (float) ($choices->number('overlap') ?? self::OVERLAP);
        $points = $choices->number('points');
        if ($points !== null && $smallest > 0) {
            $scale = $points * self::POINT / $smallest;
            [$columns, $rows] = [self::count($frame['w'] * $scale, $room[0], $overlap), self::count($frame['h'] * $scale, $room[1], $overlap)];
        } else {
            [$columns, $rows] = [$choices->number('columns') ?? 1, $choices->number('rows') ?? 1];
            $scale = min(self::span($columns, $room[0], $overlap) / $frame['w'], self::span($rows, $room[1], $overlap) / $frame['h']);
        }

        return new self($paper, [$w, $h], $room, $scale, $columns, $rows, $columns * $rows === 1 ? 0.0 : $overlap, []);
    }

    /** How many sheets it takes to span a length. */
    private static function count(float $length, float $room, float $overlap): int
    {
        return max(1, (int) ceil(round(($length - $overlap) / ($room - $overlap), 6)));
    }

    private static function span(int $count, float $room, float $overlap): float
    {
        return $count * $room - ($count - 1) * $overlap;
    }

    /** @param  Frame  $frame */
    private function withSheets(array $frame): self
    {
        // What is left over is shared out to both sides.
        $left = $frame['x'] - (self::span($this->columns, $this->room[0], $this->overlap) / $this->scale - $frame['w']) / 2;
        $top = $frame['y'] - (self::span($this->rows, $this->room[1], $this->overlap) / $this->scale - $frame['h']) / 2;
        $sheets = [];
        for ($i = 0; $i < $this->columns * $this->rows; $i++) {
            [$row, $column] = [intdiv($i, $this->columns), $i % $this->columns];
            $sheets[] = new PrintSheet($i + 1, $row, $column, [
                'x' => $left + $column * ($this->room[0] - $this->overlap) / $this->scale, 'y' => $top + $row * ($this->room[1] - $this->overlap) / $this->scale,
                'w' => $this->room[0] / $this->scale, 'h' => $this->room[1] / $this->scale,
            ]);
        }

        return new self($this->paper, $this->sheet, $this->room, $this->scale, $this->columns, $this->rows, $this->overlap, $sheets);
    }

    public function isAcross(): bool
    {
        return $this->sheet[0] > $this->sheet[1];
    }

    /** How large type will be, points. */
    public function type(float $size): float
    {
        return round($size * $this->scale / self::POINT, 1);
    }

    /**
     * All that the sheets show together.
     *
     * @return Frame
     */
    public function whole(): array
    {
        $first = $this->sheets[0]->frame;
        $last = $this->sheets[count($this->sheets) - 1]->frame;

        return ['x' => $first['x'], 'y' => $first['y'], 'w' => $last['x'] + $last['w'] - $first['x'], 'h' => $last['y'] + $last['h'] - $first['y']];
    }
}
