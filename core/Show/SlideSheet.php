<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Text\Advances;
use ChalkTree\Text\Line;
use ChalkTree\Text\Wrapper;

/** A slide as a picture of 16 to 9: its own title above, the drawing as large as it fits below. */
final readonly class SlideSheet
{
    public const WIDE = 1280.0;

    public const HIGH = 720.0;

    /** How many times larger than on the board a drawing becomes at most. */
    public const LARGEST = 2.4;

    private const SIDE = 44.0;

    private const EDGE = 30.0;

    private const TITLE = 34.0;

    private const LINE = 42.0;

    /** Lines of a title at most. */
    private const LINES = 2;

    public function __construct(private SlideWriter $writer)
    {
    }

    /**
     * What is on the sheet, from 0, 0 to WIDE, HIGH, without the element around it.
     *
     * @param  list<string>  $covered  topics that are covered
     */
    public function write(SlideBoard $board, Slide $slide, string $veil = '', array $covered = []): string
    {
        [$top, $title] = $this->title(trim($slide->text('title')));
        ['at' => [$x, $y, $w, $h], 'frame' => $frame] = self::window($board->frame, $top);
        $body = $this->writer->write($board, $frame, $slide->number('dim') ?? Slide::DIM, $veil, $covered);

        return "<svg x=\"{$x}\" y=\"{$y}\" width=\"{$w}\" height=\"{$h}\" viewBox=\"{$frame['x']} {$frame['y']} {$frame['w']} {$frame['h']}\" overflow=\"hidden\">{$body}</svg>{$title}";
    }

    /**
     * Where on the sheet the drawing is, and what of it: as large as fits, with what is around it where the sheet goes on.
     *
     * @param  array{x: float, y: float, w: float, h: float}  $frame
     * @param  float  $top  where the title ends
     * @return array{at: array{float, float, float, float}, frame: array{x: float, y: float, w: float, h: float}}
     */
    private static function window(array $frame, float $top): array
    {
        $room = [self::WIDE - 2 * self::EDGE, self::HIGH - $top - self::EDGE];
        $scale = min($room[0] / $frame['w'], $room[1] / $frame['h'], self::LARGEST);
        // The drawing is in the middle of the room below the title, and its ground goes to the edges.
        $at = [0.0, $top, self::WIDE, self::HIGH - $top];
        [$w, $h] = [$at[2] / $scale, $at[3] / $scale];
        $down = ($top === 0.0 ? 0.0 : self::EDGE / 2) / $scale;

        return ['at' => $at, 'frame' => ['x' => round($frame['x'] + $frame['w'] / 2 - $w / 2, 2), 'y' => round($frame['y'] + $frame['h'] / 2 - $h / 2 + $down, 2), 'w' => round($w, 2), 'h' => round($h, 2)]];
    }

    /** @return array{float, string} where it ends, and what is drawn */
    private function title(string $title): array
    {
        if ($title === '') {
            return [0.0, ''];
        }
        $lines = (new Wrapper(new Advances))->wrapPlain($title, self::TITLE, self::WIDE - 2 * self::SIDE);
        $drawn = '';
        foreach (array_slice($lines, 0, self::LINES) as $i => $line) {
            $text = self::said($line).(count($lines) > self::LINES && $i === self::LINES - 1 ? ' …' : '');
            $drawn .= $this->writer->line($text, self::SIDE, self::EDGE + self::TITLE + $i * self::LINE, self::TITLE, true);
        }

        return [self::EDGE + self::TITLE * 1.4 + (min(self::LINES, count($lines)) - 1) * self::LINE, $drawn];
    }

    public static function said(Line $line): string
    {
        return implode('', array_map(fn (array $part): string => $part['run']->text, $line->parts));
    }
}
