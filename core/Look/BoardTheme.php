<?php

declare(strict_types=1);

namespace ChalkTree\Look;

/** The boards one can draw on, with their tints for sensitive eyes. The colours of everything but the chalks. */
enum BoardTheme: string
{
    case Day = 'day';
    case Slate = 'slate';
    case Cream = 'cream';
    case Mint = 'mint';
    case Sky = 'sky';
    case Rose = 'rose';
    case Grey = 'grey';
    case Contrast = 'contrast';

    /**
     * The two for which chalks are mixed; on all others they are drawn as on one of these, made to be seen there.
     *
     * @return non-empty-list<self>
     */
    public static function mixedFor(): array
    {
        return [self::Day, self::Slate];
    }

    public function isDark(): bool
    {
        return $this === self::Slate;
    }

    /** The contrast that text has on it at least, and lines. */
    public function leastOfText(): float
    {
        return $this === self::Contrast ? Contrast::STRONG_TEXT : Contrast::TEXT;
    }

    public function leastOfLines(): float
    {
        return $this === self::Contrast ? Contrast::TEXT : Contrast::LINE;
    }

    /** @return array{board: string, slip: string, ink: string, soft: string, plate: string, plateInk: string, edge: string, code: string, link: string, field: string} "field" is the border of what can be filled in */
    public function colours(): array
    {
        return match ($this) {
            self::Day => [
                'board' => '#f6f1e7', 'slip' => '#fdfaf3', 'ink' => '#2a2e33', 'soft' => '#5d6066',
                'plate' => '#274349', 'plateInk' => '#f7f3ea', 'edge' => '#ddd5c5', 'code' => '#ece4d4', 'link' => '#1d5c8a', 'field' => '#857c6b',
            ],
            self::Slate => [
                'board' => '#16383f', 'slip' => '#1d434a', 'ink' => '#f3f1ea', 'soft' => '#bccbc9',
                'plate' => '#f1eee4', 'plateInk' => '#1b363c', 'edge' => '#36606a', 'code' => '#123036', 'link' => '#a9d8f0', 'field' => '#78a0a8',
            ],
            self::Cream => [
                'board' => '#fbf3d9', 'slip' => '#fffaea', 'ink' => '#2f2a1d', 'soft' => '#5e5743',
                'plate' => '#4b4024', 'plateInk' => '#fdf7e4', 'edge' => '#e5dab6', 'code' => '#f2e8c8', 'link' => '#1d5680', 'field' => '#857a58',
            ],
            self::Mint => [
                'board' => '#e4f3e8', 'slip' => '#f2faf4', 'ink' => '#1e2d26', 'soft' => '#4a5d53',
                'plate' => '#1f4a3a', 'plateInk' => '#f0f8f2', 'edge' => '#c4dccc', 'code' => '#d6eadc', 'link' => '#17567c', 'field' => '#6d8578',
            ],
            self::Sky => [
                'board' => '#e4eff8', 'slip' => '#f3f9fd', 'ink' => '#1d2935', 'soft' => '#4b5967',
                'plate' => '#234663', 'plateInk' => '#f1f7fc', 'edge' => '#c5d7e6', 'code' => '#d6e5f1', 'link' => '#17527f', 'field' => '#6a8196',
            ],
            self::Rose => [
                'board' => '#fae9ea', 'slip' => '#fff5f5', 'ink' => '#33232a', 'soft' => '#655057',
                'plate' => '#5a2f3c', 'plateInk' => '#fdf2f3', 'edge' => '#e7cfd3', 'code' => '#f3dde0', 'link' => '#1a5682', 'field' => '#91727a',
            ],
            self::Grey => [
                'board' => '#e8e8e6', 'slip' => '#f5f5f3', 'ink' => '#252728', 'soft' => '#515558',
                'plate' => '#3a3f42', 'plateInk' => '#f4f4f2', 'edge' => '#cececb', 'code' => '#dddddb', 'link' => '#1a527c', 'field' => '#7a7d7e',
            ],
            self::Contrast => [
                'board' => '#ffffff', 'slip' => '#ffffff', 'ink' => '#000000', 'soft' => '#2e2e2e',
                'plate' => '#000000', 'plateInk' => '#ffffff', 'edge' => '#767676', 'code' => '#ededed', 'link' => '#00358c', 'field' => '#3d3d3d',
            ],
        };
    }
}
