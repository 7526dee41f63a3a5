<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

use ChalkTree\Text\Run;

/** The shipped typeface as CSS with the font files inside, so that a picture carries what it is set in. */
final readonly class EmbeddedFonts
{
    private const FILES = [
        0 => 'Regular',
        Run::BOLD => 'Bold',
        Run::ITALIC => 'Italic',
        Run::BOLD | Run::ITALIC => 'BoldItalic',
    ];

    /** @param  string  $folder where the .woff2 files are */
    public function __construct(private string $folder)
    {
    }

    /** @param  list<int>  $cuts sums of Run::BOLD and Run::ITALIC */
    public function css(array $cuts): string
    {
        $css = '';
        foreach ($cuts as $cut) {
            $data = base64_encode((string) file_get_contents($this->folder.'/AtkinsonHyperlegible-'.self::FILES[$cut].'.woff2'));
            $weight = $cut & Run::BOLD ? 700 : 400;
            $style = $cut & Run::ITALIC ? 'italic' : 'normal';
            $css .= "@font-face{font-family:\"Atkinson Hyperlegible\";font-weight:{$weight};font-style:{$style};src:url(data:font/woff2;base64,{$data}) format(\"woff2\")}";
        }

        return $css;
    }
}
