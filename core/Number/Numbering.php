<?php

declare(strict_types=1);

namespace ChalkTree\Number;

/**
 * How what is below a topic is numbered: a style for each level below it, and whether the last goes on deeper. As
 * text the styles stand with commas between, and a star after the last if it goes on: "A,1,a", "1.1*".
 */
final readonly class Numbering
{
    /** "1.1" counts through the levels: 1, 1.1, 1.1.2; all others count each level by itself. */
    public const STYLES = ['1', '1.1', 'A', 'a', 'I', 'i'];

    public const MOST_LEVELS = 9;

    /** @param  non-empty-list<string>  $styles */
    private function __construct(public array $styles, public bool $goesOn)
    {
    }

    /** Null where the text is not a numbering. */
    public static function parse(string $text): ?self
    {
        $goesOn = str_ends_with($text, '*');
        $styles = explode(',', $goesOn ? substr($text, 0, -1) : $text);

        return array_diff($styles, self::STYLES) === [] && count($styles) <= self::MOST_LEVELS ? new self($styles, $goesOn) : null;
    }

    /** The style of a level, counted from 1 for the topics right below; null where it is not numbered. */
    public function style(int $level): ?string
    {
        return $this->styles[$level - 1] ?? ($this->goesOn ? $this->styles[count($this->styles) - 1] : null);
    }

    /**
     * A number as it stands before a title.
     *
     * @param  non-empty-list<int>  $trail  the numbers of the topics on the way down, its own last
     */
    public static function label(string $style, array $trail): string
    {
        $n = $trail[count($trail) - 1];

        return match ($style) {
            '1.1' => implode('.', $trail).(count($trail) === 1 ? '.' : ''),
            'A' => self::letters($n).'.',
            'a' => strtolower(self::letters($n)).'.',
            'I' => self::roman($n).'.',
            'i' => strtolower(self::roman($n)).'.',
            default => "{$n}.",
        };
    }

    /** A, B, … Z, AA, AB; numbers below one as they are. */
    private static function letters(int $n): string
    {
        if ($n < 1) {
            return (string) $n;
        }
        $letters = '';
        for (; $n > 0; $n = intdiv($n - 1, 26)) {
            $letters = chr(ord('A') + ($n - 1) % 26).$letters;
        }

        return $letters;
    }

    /** Numbers that have no Roman form, below one and from 4,000, as they are. */
    private static function roman(int $n): string
    {
        if ($n < 1 || $n > 3999) {
            return (string) $n;
        }
        $roman = '';
        foreach (['M' => 1000, 'CM' => 900, 'D' => 500, 'CD' => 400, 'C' => 100, 'XC' => 90, 'L' => 50, 'XL' => 40, 'X' => 10, 'IX' => 9, 'V' => 5, 'IV' => 4, 'I' => 1] as $sign => $value) {
            $roman .= str_repeat($sign, intdiv($n, $value));
            $n %= $value;
        }

        return $roman;
    }
}
