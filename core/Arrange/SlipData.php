<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Look\Looks;
use ChalkTree\Text\Advances;
use ChalkTree\Text\Line;
use ChalkTree\Text\Wrapper;

/** A slip as plain data, for the wire and for the command line. docs/protocol.md describes it. */
final readonly class SlipData
{
    private Measurer $measurer;

    public function __construct()
    {
        $this->measurer = new Measurer(new Wrapper(new Advances));
    }

    /**
     * @return array{id: string, parent: string|null, x: float, y: float, w: float, h: float, level: int, grows: string, spine: string, opens: string, chalk: string, hidden: int, number: string, note: bool, connector: string, lines: list<array{y: float, parts: list<array{x: float, w: float, text: string, marks: int, href?: string, guess?: true}>}>, caption: list<array{y: float, parts: list<array{x: float, w: float, text: string, marks: int, href?: string, guess?: true}>}>}
     */
    public function of(Slip $slip): array
    {
        $look = $slip->look;
        $titleLines = $this->measurer->lines($slip);
        $captionLines = $this->measurer->captionLines($slip);
        $widest = 0.0;
        foreach ([...$titleLines, ...$captionLines] as $line) {
            $widest = max($widest, $line->width);
        }
        $lines = [];
        foreach ($titleLines as $i => $line) {
            $lines[] = $this->line($slip, $line, $widest, Measurer::baseline($look, $i));
        }
        $caption = [];
        foreach ($captionLines as $i => $line) {
            $caption[] = $this->line($slip, $line, $widest, Measurer::captionBaseline($look, count($titleLines), $i));
        }

        return [
            'id' => $slip->topic->id,
            'parent' => $slip->parent,
            'x' => $slip->x,
            'y' => $slip->y,
            'w' => $slip->w,
            'h' => $slip->h,
            'level' => $slip->level,
            'grows' => $slip->growth->value,
            'spine' => $slip->given->enters->edge(),
            'opens' => $slip->given->arrangement->opens()->value,
            'chalk' => $slip->chalk,
            'hidden' => $slip->hidden,
            'number' => $slip->number,
            'note' => $slip->topic->note !== '',
            'connector' => Connector::path($slip),
            'lines' => $lines,
            'caption' => $caption,
        ];
    }

    /** @return array{y: float, parts: list<array{x: float, w: float, text: string, marks: int, href?: string, guess?: true}>} */
    private function line(Slip $slip, Line $line, float $widest, float $baseline): array
    {
        $begin = $this->begin($slip, $line->width, $widest);
        $parts = [];
        foreach ($line->parts as $part) {
            $data = [
                'x' => (int) (($begin + $part['x']) * 100) / 100,
                'w' => (int) ($part['w'] * 100 + 1) / 100,
                'text' => $part['run']->text,
                'marks' => $part['run']->marks,
            ];
            if ($part['run']->href !== null) {
                $data['href'] = $part['run']->href;
            }
            // Where a fallback font will be used its width is an estimate, which whoever draws it may hold it to.
            if (preg_match('/[^\x00-\x{17f}\x{2013}-\x{2026}]/u', $part['run']->text) === 1) {
                $data['guess'] = true;
            }
            $parts[] = $data;
        }

        return ['y' => $baseline, 'parts' => $parts];
    }

    /** Where a line begins: in the middle on the root's plate, else ranged left, in a block beside the spine. */
    private function begin(Slip $slip, float $width, float $widest): float
    {
        $look = $slip->look;
        $sign = $slip->topic->note === '' ? 0 : Looks::NOTE_SIGN;
        if ($slip->level === 0) {
            return ($slip->w - $sign - $width) / 2;
        }
        if ($slip->given->enters !== Growth::Left) {
            return $look->padX + $look->spine;
        }

        return max((float) $look->padX, $slip->w - $look->padX - $look->spine - $sign - $widest);
    }
}
