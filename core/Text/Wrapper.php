<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/**
 * Breaks a title into lines no wider than asked: at spaces, after hyphens and dashes, between characters of scripts
 * that are written without spaces, and, where one word is wider than a line, inside it. Runs of spaces count as one.
 */
final class Wrapper
{
    /** Characters that may begin a line without a space before them: ideographs, kana, hangul, full-width forms. */
    private const FREE = '\x{2E80}-\x{9FFF}\x{AC00}-\x{D7AF}\x{F900}-\x{FAFF}\x{FF00}-\x{FF60}\x{20000}-\x{3FFFF}';

    /** @var list<array{x: float, w: float, run: Run}> the line being filled */
    private array $parts = [];

    private float $width = 0.0;

    /** @var list<Line> */
    private array $lines = [];

    private float $size = 16.0;

    private float $limit = 0.0;

    private int $base = 0;

    private bool $isRightToLeft = false;

    public function __construct(private readonly Advances $advances)
    {
    }

    /**
     * @param  float  $size  type size in pixels
     * @param  float  $limit  pixels
     * @param  int  $base  marks that hold for all of it, such as Run::BOLD at a level that is set bold
     * @return non-empty-list<Line>
     */
    public function wrap(string $markdown, float $size, float $limit, int $base = 0): array
    {
        if (strpbrk($markdown, "*_~`[]<&\\\n") === false && ! str_contains($markdown, '  ')) {
            $width = $this->advances->width($markdown, $base) * $size / 1000;
            if ($width <= $limit && ($markdown === '' || ($markdown[0] !== ' ' && $markdown[-1] !== ' '))) {
                return [new Line($width, $markdown === '' ? [] : [['x' => 0.0, 'w' => $width, 'run' => new Run($markdown, $base)]], Direction::isRightToLeft($markdown))];
            }
            if (preg_match('/[-–—\/'.self::FREE.']/u', $markdown) === 0 && ($lines = $this->byWord($markdown, $size, $limit, $base)) !== []) {
                return $lines;
            }
        }

        return $this->slowly(InlineMarkdown::runs($markdown), $size, $limit, $base);
    }

    /** The width in pixels of a title that is words and single spaces and nothing else; null for any other. */
    public function plainWidth(string $title, float $size, int $base): ?float
    {
        if ($title === '' || strpbrk($title, "*_~`[]<&\\\n") !== false || str_contains($title, '  ') || $title[0] === ' ' || $title[-1] === ' ') {
            return null;
        }

        return $this->advances->width($title, $base) * $size / 1000;
    }

    /**
     * The same as extent(), of text that is not Markdown.
     *
     * @return array{float, int} pixels, count
     */
    public function plainExtent(string $text, float $size, float $limit, int $base = 0): array
    {
        $widest = 0.0;
        $lines = explode("\n", $text);
        foreach ($lines as $line) {
            $width = $this->widthOfWords($line, $size, $base);
            if ($width === null || $width > $limit) {
                $wrapped = $this->wrapPlain($text, $size, $limit, $base);

                return [max(array_map(fn (Line $one): float => $one->width, $wrapped)), count($wrapped)];
            }
            $widest = max($widest, $width);
        }

        return [$widest, count($lines)];
    }

    /** Text that is not Markdown, as much of it as stands in one line, with an ellipsis where that is not all. */
    public function cut(string $text, float $size, float $limit, int $base = 0): string
    {
        $fits = fn (string $part): bool => $this->advances->width($part, $base) * $size / 1000 <= $limit;
        if ($fits($text)) {
            return $text;
        }
        $kept = '';
        foreach (explode(' ', $text) as $i => $word) {
            $more = $i === 0 ? $word : "{$kept} {$word}";
            if (! $fits("{$more}…")) {
                break;
            }
            $kept = $more;
        }
        if (trim($kept) === '') {
            foreach (Clusters::of($text) as $cluster) {
                if (! $fits("{$kept}{$cluster}…")) {
                    break;
                }
                $kept .= $cluster;
            }
        }

        return "{$kept}…";
    }

    /** The width in pixels of text in one line with nothing odd about its spaces, as small type mostly is; null for any other. */
    private function widthOfWords(string $text, float $size, int $base): ?float
    {
        return $text === '' || str_contains($text, "\n") || str_contains($text, "\t") || $text[0] === ' ' || $text[-1] === ' ' || str_contains($text, '  ') ? null : $this->advances->width($text, $base) * $size / 1000;
    }

    /**
     * How wide the widest line is, and how many there are.
     *
     * @return array{float, int} pixels, count
     */
    public function extent(string $markdown, float $size, float $limit, int $base = 0): array
    {
        $plain = $this->plainWidth($markdown, $size, $base);
        if ($plain !== null && $plain <= $limit) {
            return [$plain, 1];
        }
        $lines = $this->wrap($markdown, $size, $limit, $base);
        $widest = 0.0;
        foreach ($lines as $line) {
            $widest = max($widest, $line->width);
        }

        return [$widest, count($lines)];
    }

    /**
     * The common case: words of one formatting, each narrower than a line.
     *
     * @return list<Line> empty where it is not that case
     */
    private function byWord(string $text, float $size, float $limit, int $base): array
    {
        $lines = [];
        $scale = $size / 1000;
        $space = $this->advances->width(' ', $base) * $scale;
        $line = '';
        $width = 0.0;
        $isRightToLeft = Direction::isRightToLeft($text);
        foreach (explode(' ', trim($text, ' ')) as $word) {
            $wide = $this->advances->width($word, $base) * $scale;
            if ($wide > $limit) {
                return [];
            }
            if ($line !== '' && $width + $space + $wide > $limit) {
                $lines[] = new Line($width, [['x' => 0.0, 'w' => $width, 'run' => new Run($line, $base)]], $isRightToLeft);
                [$line, $width] = [$word, $wide];
            } else {
                $width += ($line === '' ? 0.0 : $space) + $wide;
                $line .= $line === '' ? $word : " {$word}";
            }
        }
        $lines[] = new Line($width, $line === '' ? [] : [['x' => 0.0, 'w' => $width, 'run' => new Run($line, $base)]], $isRightToLeft);

        return $lines;
    }

    /**
     * The same for text that is not Markdown.
     *
     * @return non-empty-list<Line>
     */
    public function wrapPlain(string $text, float $size, float $limit, int $base = 0): array
    {
        $line = $this->plainLine($text, $size, $limit, $base);
        if ($line !== null) {
            return [$line];
        }

        return $this->slowly($text === '' ? [] : [new Run($text)], $size, $limit, $base);
    }

    /** Text that is not Markdown as one line; null where it is too wide for that, or there is anything odd about its spaces. */
    public function plainLine(string $text, float $size, float $limit, int $base = 0): ?Line
    {
        $width = $this->widthOfWords($text, $size, $base);

        return $width === null || $width > $limit ? null : new Line($width, [['x' => 0.0, 'w' => $width, 'run' => new Run($text, $base)]], Direction::isRightToLeft($text));
    }

    /**
     * @param  list<Run>  $runs
     * @return non-empty-list<Line>
     */
    private function slowly(array $runs, float $size, float $limit, int $base): array
    {
        [$this->parts, $this->width, $this->lines] = [[], 0.0, []];
        [$this->size, $this->limit, $this->base] = [$size, $limit, $base];
        $this->isRightToLeft = Direction::isRightToLeft(implode('', array_map(fn (Run $run): string => $run->text, $runs)));
        $word = [];
        $space = null;
        foreach ($this->atoms($runs) as [$kind, $run]) {
            if ($kind === 'glyphs') {
                $word[] = $run;

                continue;
            }
            $this->place($word, $space);
            if ($kind === 'newline') {
                $this->finish();
            }
            $space = match (true) {
                $kind === 'space' => $run,
                $kind === 'free' && $word === [] => $space,
                default => null,
            };
            $word = $kind === 'free' ? [$run] : [];
        }
        $this->place($word, $space);
        $this->finish();

        return $this->lines === [] ? [new Line(0.0, [])] : $this->lines;
    }

    /**
     * @param  list<Run>  $runs
     * @return iterable<array{string, Run}> "glyphs" of a word, "space", "newline", "break" where a line may end, or "free": glyphs that may begin a line
     */
    private function atoms(array $runs): iterable
    {
        foreach ($runs as $run) {
            preg_match_all('/\n|[ \t]+|['.self::FREE.']|[^ \t\n'.self::FREE.']*?[-–—\/](?=[^ \t\n\-–—\/\d])|[^ \t\n'.self::FREE.']+/u', $run->text, $pieces);
            foreach ($pieces[0] as $piece) {
                if ($piece === "\n") {
                    yield ['newline', $run];
                } elseif ($piece[0] === ' ' || $piece[0] === "\t") {
                    yield ['space', new Run(' ', $run->marks | $this->base, $run->href)];
                } else {
                    $glyphs = new Run($piece, $run->marks | $this->base, $run->href);
                    yield [preg_match('/\A['.self::FREE.']/u', $piece) === 1 ? 'free' : 'glyphs', $glyphs];
                    if (preg_match('/[-–—\/]\z/u', $piece) === 1) {
                        yield ['break', $glyphs];
                    }
                }
            }
        }
    }

    /** @param  list<Run>  $word */
    private function place(array $word, ?Run $space): void
    {
        if ($word === []) {
            return;
        }
        $width = 0.0;
        foreach ($word as $run) {
            $width += $this->widthOf($run);
        }
        $gap = $space !== null && $this->parts !== [] ? $this->widthOf($space) : 0.0;
        if ($this->parts !== [] && $this->width + $gap + $width > $this->limit) {
            $this->finish();
            $gap = 0.0;
        }
        if ($gap > 0 && $space !== null) {
            $this->append($space);
        }
        foreach ($word as $run) {
            $width > $this->limit ? $this->appendInPieces($run) : $this->append($run);
        }
    }

    private function appendInPieces(Run $run): void
    {
        foreach (Clusters::of($run->text) as $cluster) {
            $piece = new Run($cluster, $run->marks, $run->href);
            if ($this->parts !== [] && $this->width + $this->widthOf($piece) > $this->limit) {
                $this->finish();
            }
            $this->append($piece);
        }
    }

    private function append(Run $run): void
    {
        $width = $this->widthOf($run);
        $last = count($this->parts) - 1;
        if ($last >= 0 && $this->parts[$last]['run']->marks === $run->marks && $this->parts[$last]['run']->href === $run->href) {
            $before = $this->parts[$last];
            $this->parts[$last] = [
                'x' => $before['x'],
                'w' => $before['w'] + $width,
                'run' => new Run($before['run']->text.$run->text, $run->marks, $run->href),
            ];
        } else {
            $this->parts[] = ['x' => $this->width, 'w' => $width, 'run' => $run];
        }
        $this->width += $width;
    }

    private function finish(): void
    {
        $this->lines[] = new Line($this->width, Direction::placed($this->parts, $this->width, $this->isRightToLeft), $this->isRightToLeft);
        $this->parts = [];
        $this->width = 0.0;
    }

    private function widthOf(Run $run): float
    {
        return $this->advances->width($run->text, $run->marks) * $this->size / 1000;
    }
}
