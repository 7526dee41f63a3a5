<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

use ChalkTree\Text\Run;
use ChalkTree\Text\TypeFace;

/** The shipped typefaces as CSS with the font files inside, so that a picture carries what it is set in. */
final readonly class EmbeddedFonts
{
    /** @param  string  $folder where the .woff2 files are */
    public function __construct(private string $folder)
    {
    }

    /** @param  list<int>  $cuts  as Run::BOLD, Run::ITALIC and TypeFace::cut() make them */
    public function css(array $cuts): string
    {
        $css = '';
        foreach ($cuts as $cut) {
            $face = TypeFace::ofCut($cut);
            $file = $face->file(($cut & Run::BOLD) !== 0, ($cut & Run::ITALIC) !== 0);
            $data = base64_encode((string) file_get_contents("{$this->folder}/{$file}.woff2"));
            $weight = $cut & Run::BOLD ? 700 : 400;
            // A face without a slanted cut is slanted by whoever draws it.
            $style = str_contains($file, 'Italic') ? 'italic' : 'normal';
            $css .= "@font-face{font-family:\"{$face->family()}\";font-weight:{$weight};font-style:{$style};src:url(data:font/woff2;base64,{$data}) format(\"woff2\")}";
        }

        return $css;
    }
}
