<?php

declare(strict_types=1);

namespace ChalkTree\Paste;

/**
 * Decides the level of each line: by headings, by the depth of lists, by indentation of any width, and, where lines are
 * indented alike, by their marks. A mark not seen before opens a deeper level, one seen before goes back to its own.
 */
final class Levels
{
    private const DEEPEST = 200;

    /** Styles of marks that count through the levels. */
    private const COUNTING = ['decimal', '§'];

    /** @var list<int> the headings that are open, by rank */
    private array $headings = [];

    /** @var list<array{column: int, level: int, last: int, styles: list<array{style: string, level: int, depth: int}>}> the indentations that are open */
    private array $indents = [];

    private int $previous = -1;

    private ?RawLine $before = null;

    /** Whether the line before leads in the list that begins. */
    private bool $isLedIn = false;

    /** Where the items of the list being read hang, in HTML. */
    private int $listBase = 0;

    /**
     * @param  list<RawLine>  $lines
     * @param  array<int, string>  $headingWords  see HeadingWords
     * @return list<ClipLine>
     */
    public static function decide(array $lines, array $headingWords): array
    {
        $levels = new self;
        $decided = [];
        foreach ($lines as $i => $line) {
            [$level, $how] = $levels->level($line, $headingWords[$i] ?? null);
            $decided[] = new ClipLine($level, $line->text, $line->mark->sign ?? '', $i === 0 && $how !== 'offered' ? 'first' : $how, $line->gap);
            $levels->previous = $level;
            $levels->before = $line;
            $levels->isLedIn = isset($headingWords[$i]) && in_array($headingWords[$i], [HeadingWords::LEAD, 'colon'], true);
        }

        return $decided;
    }

    /** @return array{int, string} */
    private function level(RawLine $line, ?string $headingWord): array
    {
        // A line can be at most one level deeper than the one before it.
        [$level, $how] = match (true) {
            $line->heading > 0 => [$this->headingLevel($line->heading), 'heading'],
            $line->depth !== null => [$this->listLevel($line), $line->sort === 'body' ? 'body' : 'list'],
            default => $this->indentedLevel($line, $headingWord),
        };

        return [max(0, min($level, $this->previous + 1, self::DEEPEST)), $how];
    }

    private function headingLevel(int $rank): int
    {
        while ($this->headings !== [] && end($this->headings) >= $rank) {
            array_pop($this->headings);
        }
        $this->headings[] = $rank;
        $this->indents = [];

        return count($this->headings) - 1;
    }

    private function listLevel(RawLine $line): int
    {
        if ($this->before?->depth === null) {
            $this->listBase = $this->isLedIn ? $this->previous + 1 : count($this->headings);
        }
        $this->indents = [];

        return $this->listBase + (int) $line->depth - 1;
    }

    /** @return array{int, string} */
    private function indentedLevel(RawLine $line, ?string $headingWord): array
    {
        while ($this->indents !== [] && end($this->indents)['column'] > $line->column) {
            array_pop($this->indents);
        }
        $top = count($this->indents) - 1;
        if ($top < 0 || $this->indents[$top]['column'] < $line->column) {
            $level = $top < 0 ? count($this->headings) : $this->indents[$top]['last'] + 1;
            $this->indents[] = ['column' => $line->column, 'level' => $level, 'last' => $level, 'styles' => [['style' => $this->style($line, $headingWord), 'level' => $level, 'depth' => count($line->mark->values ?? [])]]];

            return [$level, $top < 0 ? self::by($line, $headingWord) : ($line->tabbed ? 'tab' : 'indent')];
        }
        $level = $this->styledLevel($top, $line, $headingWord);
        $this->indents[$top]['last'] = $level;

        return [$level, self::by($line, $headingWord)];
    }

    /** The level among lines that are indented alike. */
    private function styledLevel(int $top, RawLine $line, ?string $headingWord): int
    {
        $indent = $this->indents[$top];
        $styles = $indent['styles'];
        $style = $this->style($line, $headingWord);
        $depth = count($line->mark->values ?? []);
        foreach (array_reverse($styles, true) as $n => $known) {
            if ($known['style'] === $style) {
                $this->indents[$top]['styles'] = array_slice($styles, 0, $n + 1);

                return max($indent['level'], $known['level'] + (in_array($style, self::COUNTING, true) ? $depth - $known['depth'] : 0));
            }
        }
        $level = $indent['last'] + 1;
        if ($headingWord !== null && HeadingWords::isStyle($headingWord)) {
            // A line that reads as a heading stands above all that is not one.
            $styles = array_values(array_filter($styles, fn (array $known): bool => HeadingWords::isStyle($known['style'])));
            $level = $styles === [] ? $indent['level'] : end($styles)['level'] + 1;
        } elseif ($line->mark === null) {
            [$styles, $level] = $this->plain($top, $styles);
        } elseif ($line->gap && ! $line->mark->isNumber() && $styles !== [] && $this->before?->mark !== null && ! $this->before->mark->isNumber()) {
            // A new list after a blank line, with another bullet.
            $level = array_pop($styles)['level'];
        }
        $this->indents[$top]['styles'] = [...array_values($styles), ['style' => $style, 'level' => $level, 'depth' => $depth]];

        return $level;
    }

    /**
     * A line without a mark, the first one of these: what stands below a number or a line that reads as a heading is
     * its text; after bullets something new begins.
     *
     * @param  list<array{style: string, level: int, depth: int}>  $styles
     * @return array{list<array{style: string, level: int, depth: int}>, int}
     */
    private function plain(int $top, array $styles): array
    {
        if ($this->before?->mark?->isNumber() === true || $this->before?->mark === null) {
            return [$styles, $this->indents[$top]['last'] + 1];
        }
        while ($styles !== [] && ! HeadingWords::isStyle(end($styles)['style']) && ! in_array(end($styles)['style'], self::COUNTING, true)) {
            array_pop($styles);
        }

        return [$styles, $styles === [] ? $this->indents[$top]['level'] : end($styles)['level'] + 1];
    }

    private function style(RawLine $line, ?string $headingWord): string
    {
        return $headingWord !== null && HeadingWords::isStyle($headingWord) ? $headingWord : ($line->mark->style ?? 'plain');
    }

    private static function by(RawLine $line, ?string $headingWord): string
    {
        return match (true) {
            $headingWord !== null => 'offered',
            $line->sort === 'row' => 'table',
            $line->mark === null => 'same',
            default => $line->mark->isNumber() ? 'number' : 'bullet',
        };
    }
}
