<?php

declare(strict_types=1);

namespace ChalkTree\Look;

/** The whole-map looks that ship with the application, each for another use. */
enum WholeLook: string
{
    case WorkTable = 'work-table';
    case LongRead = 'long-read';
    case WallSheet = 'wall-sheet';
    case ThinInk = 'thin-ink';
    case SchoolDesk = 'school-desk';
    case CardBox = 'card-box';
    case RuledLines = 'ruled-lines';

    /** What is different in it from the work table, from the root to the deepest level. */
    public function looks(): Looks
    {
        $base = self::workTable();

        return $this === self::WorkTable ? new Looks($base) : new Looks(array_map(LookBuilder::build(...), $base, $this->said()));
    }

    /** @return non-empty-list<array<string, scalar>> by the names in LookFields, for each level */
    private function said(): array
    {
        return match ($this) {
            self::WorkTable => [[], [], [], []],
            // Quiet, for texts that are read: a serif, wide lines, no paper but the root's.
            self::LongRead => [
                ['face' => 'reading', 'size' => 22],
                ['face' => 'reading', 'size' => 18, 'fill' => 'none', 'lineThick' => 4, 'gap' => 26],
                ['face' => 'reading', 'size' => 16, 'fill' => 'none', 'edge' => 'none', 'lineThick' => 3, 'gap' => 16],
                ['face' => 'reading', 'size' => 15, 'lineThick' => 2, 'gap' => 10],
            ],
            // Bold, to be read from the back of a room.
            self::WallSheet => [
                ['size' => 40, 'shape' => 'plate'],
                ['size' => 28, 'lineThick' => 14, 'gap' => 30, 'reach' => 64],
                ['size' => 22, 'weight' => 'bold', 'fill' => 'tint', 'edge' => 'none', 'lineThick' => 8, 'gap' => 18, 'reach' => 52],
                ['size' => 20, 'lineThick' => 5, 'gap' => 12, 'reach' => 44],
            ],
            // Saves ink: outlines in place of papers, thin lines.
            self::ThinInk => [
                ['shape' => 'rectangle', 'fill' => 'none', 'edge' => 'ink', 'edgeThick' => 2],
                ['fill' => 'none', 'edge' => 'chalk', 'edgeThick' => 1, 'lineThick' => 2, 'lineTaper' => 'even', 'line' => 'straight'],
                ['shape' => 'underscored', 'fill' => 'none', 'edge' => 'chalk', 'edgeThick' => 1, 'lineThick' => 1, 'lineTaper' => 'even', 'line' => 'straight'],
                ['shape' => 'plain', 'lineThick' => 1, 'lineTaper' => 'even', 'line' => 'straight'],
            ],
            // For pupils: a hand, round and roomy, boxes as drawn on the board.
            self::SchoolDesk => [
                ['face' => 'hand', 'size' => 28, 'shape' => 'capsule', 'fill' => 'plate', 'edge' => 'none'],
                ['face' => 'hand', 'size' => 22, 'shape' => 'swept', 'gap' => 28],
                ['face' => 'hand', 'size' => 19, 'weight' => 'regular', 'shape' => 'chalked', 'gap' => 20],
                ['face' => 'hand', 'size' => 18, 'gap' => 10],
            ],
            // Cards of one width that lie on the table.
            self::CardBox => [
                ['shape' => 'plate', 'size' => 22],
                ['width' => 220, 'corner' => 4, 'line' => 'corner', 'lineTaper' => 'even', 'lineThick' => 4, 'align' => 'centre', 'gap' => 24],
                ['width' => 220, 'corner' => 4, 'edge' => 'soft', 'line' => 'corner', 'lineTaper' => 'even', 'lineThick' => 2, 'gap' => 14],
                ['width' => 220, 'corner' => 4, 'fill' => 'slip', 'edge' => 'edge', 'line' => 'corner', 'lineTaper' => 'even', 'lineThick' => 2, 'gap' => 8],
            ],
            // Like an outline: no boxes, right angles, close lines.
            self::RuledLines => [
                ['shape' => 'underscored', 'edge' => 'ink', 'edgeThick' => 3, 'size' => 21, 'align' => 'start'],
                ['shape' => 'underscored', 'edgeThick' => 2, 'size' => 16, 'line' => 'corner', 'lineTaper' => 'even', 'lineThick' => 2, 'gap' => 12, 'reach' => 40],
                ['shape' => 'plain', 'size' => 14, 'line' => 'corner', 'lineTaper' => 'even', 'lineThick' => 1, 'gap' => 4, 'reach' => 32],
                ['shape' => 'plain', 'size' => 13, 'line' => 'corner', 'lineTaper' => 'even', 'lineThick' => 1, 'gap' => 2, 'reach' => 28],
            ],
        };
    }

    /** @return non-empty-list<Look> */
    private static function workTable(): array
    {
        return [
            new Look(
                new TypeLook(22, 28, true, 'centre', 'plate-ink', 'plate-ink'),
                new BoxLook(padX: 24, padY: 15, widest: 320, width: null, corner: 12, spine: 0, fill: 'plate', edge: '', shape: 'plate'),
                new SpacingLook(gap: 0, reach: 76),
                new ConnectorLook(thick: 0, thin: 0),
            ),
            new Look(
                new TypeLook(17, 23, true, 'start', 'ink', 'soft'),
                new BoxLook(padX: 16, padY: 9, widest: 260, width: null, corner: 9, spine: 6, fill: BoxLook::TINT, edge: ''),
                new SpacingLook(gap: 22, reach: 48),
                new ConnectorLook(thick: 9, thin: 5),
            ),
            new Look(
                new TypeLook(15, 20, false, 'start', 'ink', 'soft'),
                new BoxLook(padX: 13, padY: 6, widest: 250, width: null, corner: 7, spine: 4, fill: 'slip', edge: 'edge'),
                new SpacingLook(gap: 12, reach: 40),
                new ConnectorLook(thick: 4.5, thin: 3),
            ),
            new Look(
                new TypeLook(14, 19, false, 'start', 'ink', 'soft'),
                new BoxLook(padX: 11, padY: 4, widest: 250, width: null, corner: 5, spine: 3, fill: '', edge: ''),
                new SpacingLook(gap: 6, reach: 36),
                new ConnectorLook(thick: 2.75, thin: 1.75),
            ),
        ];
    }
}
