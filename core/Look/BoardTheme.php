<?php

declare(strict_types=1);

namespace ChalkTree\Look;

/** The boards one can draw on, with their tints for sensitive eyes. The colours of everything but the chalks. */
enum BoardTheme: string
{
    case Day = 'day';
    case Slate = 'slate';

    /** @return array{board: string, slip: string, ink: string, soft: string, plate: string, plateInk: string, edge: string, code: string, link: string} */
    public function colours(): array
    {
        return match ($this) {
            self::Day => [
                'board' => '#f6f1e7', 'slip' => '#fdfaf3', 'ink' => '#2a2e33', 'soft' => '#5d6066',
                'plate' => '#274349', 'plateInk' => '#f7f3ea', 'edge' => '#ddd5c5', 'code' => '#ece4d4', 'link' => '#1d5c8a',
            ],
            self::Slate => [
                'board' => '#16383f', 'slip' => '#1d434a', 'ink' => '#f3f1ea', 'soft' => '#bccbc9',
                'plate' => '#f1eee4', 'plateInk' => '#1b363c', 'edge' => '#36606a', 'code' => '#123036', 'link' => '#a9d8f0',
            ],
        };
    }
}
