<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;

/**
 * The chalks of one map by the names that looks call them: those of the set, and those mixed for it, by their ids. One
 * that is no longer there looks as mussel does.
 *
 * @phpstan-type Colours array{line: string, tint: string, text: string}
 */
final class Palette
{
    /** How much of a chalk is in its paper at most, on light boards and on dark ones. */
    private const TINT = [0.16, 0.3];

    /** What text needs on the paper of a chalk. */
    private const ON_TINT = 7.0;

    /** @var array<string, Colours> of mixed chalks, by name and board */
    private array $made = [];

    /** @param  array<string, MixedChalk>  $mixed  by id */
    public function __construct(private readonly array $mixed = [])
    {
    }

    public static function of(TopicMap $map): self
    {
        return new self($map->rowsOf(MixedChalk::class));
    }

    /** Whether looks may call a chalk so, whether or not there is one. */
    public static function isName(string $name): bool
    {
        return Chalk::tryFrom($name) !== null || Ids::valid($name);
    }

    public function has(string $name): bool
    {
        return Chalk::tryFrom($name) !== null || isset($this->mixed[$name]);
    }

    /** @return Colours of lines, of paper, and of text on whatever paper */
    public function colours(string $name, BoardTheme $board): array
    {
        $mixed = $this->mixed[$name] ?? null;
        if ($mixed === null) {
            $chalk = Chalk::tryFrom($name) ?? Chalk::Mussel;

            return ['line' => $chalk->line($board), 'tint' => $chalk->tint($board), 'text' => $chalk->text($board)];
        }

        return $this->made["{$name} {$board->value}"] ??= self::from($mixed->text($board->isDark() ? 'slate' : 'day'), $board);
    }

    /**
     * What can be made of one colour.
     *
     * @return Colours
     */
    public static function from(string $colour, BoardTheme $board): array
    {
        $line = $colour === '' ? Chalk::Mussel->line($board) : self::seen($colour, $board);
        $tint = self::tint($line, $board);

        return ['line' => $line, 'tint' => $tint, 'text' => Contrast::passing($line, [...self::grounds($board), $tint], $board->leastOfText())];
    }

    /** A colour as it is on the boards for which chalks are mixed; on all others the next that is seen there. */
    public static function seen(string $colour, BoardTheme $board): string
    {
        return in_array($board, BoardTheme::mixedFor(), true) ? $colour : Contrast::passing($colour, [$board->colours()['board'], $board->colours()['slip']], $board->leastOfLines());
    }

    /** The paper of a chalk: so much of it in that of slips as lets text be read. */
    public static function tint(string $line, BoardTheme $board): string
    {
        $tint = $board->colours()['slip'];
        for ($part = self::TINT[(int) $board->isDark()]; $part > 0; $part -= 0.02) {
            $tint = Contrast::mixed($board->colours()['slip'], $line, $part);
            if (Contrast::ratio($tint, $board->colours()['ink']) >= self::ON_TINT && Contrast::ratio($tint, $board->colours()['soft']) >= $board->leastOfText() && Contrast::ratio($tint, $board->colours()['link']) >= $board->leastOfText()) {
                break;
            }
        }

        return $tint;
    }

    /**
     * How well a colour serves as a chalk on each board.
     *
     * @return array<string, array{ratio: float, line: string, text: string, tint: string}> "ChalkAnswer" in the wire schema
     */
    public static function trials(string $colour): array
    {
        $trials = [];
        foreach (BoardTheme::mixedFor() as $board) {
            $papers = [$board->colours()['board'], $board->colours()['slip']];
            $made = self::from($colour, $board);
            $trials[$board->value] = [
                'ratio' => floor(100 * min(array_map(fn (string $paper): float => Contrast::ratio($colour, $paper), $papers))) / 100,
                'line' => Contrast::passing($colour, $papers, Contrast::LINE),
                'text' => $made['text'],
                'tint' => $made['tint'],
            ];
        }

        return $trials;
    }

    /** @return non-empty-list<string> all that text may stand on */
    public static function grounds(BoardTheme $board): array
    {
        $colours = $board->colours();

        return [$colours['board'], $colours['slip'], ...array_map(fn (Chalk $chalk): string => $chalk->tint($board), Chalk::cases())];
    }

    /** The variables of mixed chalks, as StyleSheet has those of the set. */
    public function css(): string
    {
        $css = '';
        foreach ($this->mixed === [] ? [] : BoardTheme::cases() as $board) {
            $css .= "[data-board={$board->value}]{".implode('', array_map(fn (string $name): string => StyleSheet::chalk($name, $this->colours($name, $board)), $this->names())).'}';
        }

        return $css;
    }

    /** @return list<array{name: string, boards: array<string, Colours>}> "DrawnChalk" in the wire schema */
    public function toArray(): array
    {
        $boards = array_column(BoardTheme::cases(), null, 'value');

        return array_map(fn (string $name): array => ['name' => $name, 'boards' => array_map(fn (BoardTheme $board): array => $this->colours($name, $board), $boards)], $this->names());
    }

    /** @return list<string> of mixed chalks */
    public function names(): array
    {
        return array_map(strval(...), array_keys($this->mixed));
    }
}
