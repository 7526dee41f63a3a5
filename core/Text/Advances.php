<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/**
 * How far each character of the shipped typefaces moves the pen, and an estimate on the wide side for characters they
 * do not have. Widths are in thousandths of the type size. Kerning and ligatures are switched off wherever a scene
 * is drawn, so the sum of the advances is the width.
 */
final class Advances
{
    /**
     * Fallback widths by range of code points, first match wins. They are what common system fonts need, rounded up,
     * so that text is rather too narrow for its box than too wide.
     *
     * @var list<array{int, int, int}> from, to, width
     */
    private const FALLBACK = [
        [0x0300, 0x036F, 0],
        [0x200B, 0x200F, 0],
        [0x202A, 0x202E, 0],
        [0x2060, 0x2064, 0],
        [0x20D0, 0x20F0, 0],
        [0xFE00, 0xFE0F, 0],
        [0xFE20, 0xFE2F, 0],
        [0xFEFF, 0xFEFF, 0],
        [0xE0000, 0xE01EF, 0],
        [0x0000, 0x001F, 0],
        [0x0020, 0x024F, 720],
        [0x0250, 0x03FF, 800],
        [0x0400, 0x058F, 960],
        [0x0590, 0x05FF, 700],
        [0x0600, 0x08FF, 1000],
        [0x0900, 0x0DFF, 1150],
        [0x0E00, 0x0FFF, 900],
        [0x1000, 0x10FF, 1250],
        [0x1100, 0x11FF, 1000],
        [0x1200, 0x1CFF, 1250],
        [0x1E00, 0x1FFF, 900],
        [0x2000, 0x2BFF, 1100],
        [0x2E80, 0xA4CF, 1010],
        [0xAC00, 0xD7AF, 1010],
        [0xF900, 0xFAFF, 1010],
        [0xFB00, 0xFDFF, 1100],
        [0xFE30, 0xFE6F, 1010],
        [0xFE70, 0xFEFE, 1000],
        [0xFF00, 0xFFEF, 1010],
        [0x1F000, 0x1FBFF, 1400],
        [0x20000, 0x3FFFF, 1010],
    ];

    private const UNKNOWN = 1300;

    /** Text in which every character is one by itself: letters of Latin, Greek and Cyrillic, and the usual signs of printing. */
    private const SINGLES = '/\A[\x{20}-\x{7e}\x{a0}-\x{ac}\x{ae}-\x{2ff}\x{370}-\x{482}\x{48a}-\x{52f}\x{2010}-\x{2027}\x{2030}-\x{205e}]*\z/u';

    private const MOST_WORDS = 20_000;

    /** What of marks decides how wide text is: the cut of a typeface. */
    private const CUT = Run::BOLD | Run::ITALIC | Run::FACE;

    /** @var array<int, array<int, int>> by cut, then code point */
    private array $tables = [];

    /** @var array<int, array<string, int>> the same by byte, for ASCII */
    private array $ascii = [];

    /** @var array<int, array<string, int>> widths of whole words, by style */
    private array $words = [];

    /**
     * The width of a text without line breaks, in thousandths of the type size.
     *
     * @param  int  $style  marks as Run has them
     */
    public function width(string $text, int $style): int
    {
        if ($style & Run::SMALL) {
            return (int) ceil($this->width($text, $style & ~Run::SMALL) * Run::PART);
        }
        $style &= self::CUT;
        if (! isset($this->tables[$style])) {
            $this->load($style);
        }
        $words = explode(' ', $text);
        $width = (count($words) - 1) * $this->tables[$style][32];
        foreach ($words as $word) {
            $width += $this->words[$style][$word] ?? $this->learn($word, $style);
        }

        return $width;
    }

    /** Whether the typeface that topics have by themselves has every character of the text. */
    public function covers(string $text): bool
    {
        if (preg_match('/\A[\x20-\x7e\n]*\z/', $text) === 1) {
            return true;
        }
        if (! isset($this->tables[0])) {
            $this->load(0);
        }
        foreach (mb_str_split($text) as $char) {
            if (! isset($this->tables[0][(int) mb_ord($char)])) {
                return false;
            }
        }

        return true;
    }

    private function load(int $cut): void
    {
        $file = TypeFace::ofCut($cut)->file(($cut & Run::BOLD) !== 0, ($cut & Run::ITALIC) !== 0);
        /** @var array{unitsPerEm: int, advances: array<int, int>} $font */
        $font = require __DIR__."/advances/{$file}.php";
        $this->tables[$cut] = $font['advances'];
        for ($code = 32; $code < 127; $code++) {
            $this->ascii[$cut][chr($code)] = $font['advances'][$code];
        }
    }

    /** Titles of one map use the same words again and again, so each is added up once. */
    private function learn(string $word, int $style): int
    {
        $table = $this->ascii[$style];
        $width = 0;
        for ($i = 0, $n = strlen($word); $i < $n; $i++) {
            if (! isset($table[$word[$i]])) {
                $width = $this->wide($word, $style);
                break;
            }
            $width += $table[$word[$i]];
        }
        if (count($this->words[$style] ?? []) > self::MOST_WORDS) {
            $this->words[$style] = [];
        }

        return $this->words[$style][$word] = $width;
    }

    private function wide(string $text, int $style): int
    {
        $width = 0;
        if (preg_match(self::SINGLES, $text) === 1) {
            foreach (mb_str_split($text) as $char) {
                $code = (int) mb_ord($char);
                $width += $this->tables[$style][$code] ?? $this->fallback($code);
            }

            return $width;
        }
        foreach (Clusters::of($text) as $cluster) {
            $width += $this->cluster($cluster, $style);
        }

        return $width;
    }

    /** A base character with what is put upon it; of an emoji made of several, only the first counts. */
    private function cluster(string $cluster, int $style): int
    {
        $joined = str_contains($cluster, "\u{200d}") || preg_match('/\A[\x{1F1E6}-\x{1F1FF}]{2}/u', $cluster) === 1;
        $width = 0;
        foreach (mb_str_split($cluster) as $char) {
            $code = (int) mb_ord($char);
            $one = $this->tables[$style][$code] ?? $this->fallback($code);
            $width = $joined ? max($width, $one) : $width + $one;
        }

        return $width;
    }

    private function fallback(int $code): int
    {
        foreach (self::FALLBACK as [$from, $to, $width]) {
            if ($code >= $from && $code <= $to) {
                return $width;
            }
        }

        return self::UNKNOWN;
    }
}
