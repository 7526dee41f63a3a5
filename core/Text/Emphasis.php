<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/**
 * The delimiter runs of a title, * _ and ~~, and how they pair to emphasis: the "process emphasis" of the appendix of
 * the CommonMark specification.
 */
final class Emphasis
{
    /** More delimiter runs than this in one title are text: nobody writes them, and pairing them takes time. */
    private const MOST = 500;

    /** @var array<int, array{char: string, left: int, count: int, opens: bool, closes: bool}> by piece */
    private array $delimiters = [];

    public function __construct(private readonly Pieces $pieces)
    {
    }

    /** Takes the run of such a sign that begins at a place in a text, and gives its length. */
    public function take(string $source, int $at): int
    {
        $char = $source[$at];
        $count = strspn($source, $char, $at);
        $before = self::before($source, $at);
        $after = self::after($source, $at + $count);
        $spaceBefore = self::isSpace($before);
        $spaceAfter = self::isSpace($after);
        $signBefore = self::isSign($before);
        $signAfter = self::isSign($after);
        $left = ! $spaceAfter && (! $signAfter || $spaceBefore || $signBefore);
        $right = ! $spaceBefore && (! $signBefore || $spaceAfter || $signAfter);
        $piece = $this->pieces->add(str_repeat($char, $count));
        if (count($this->delimiters) >= self::MOST || ($char === '~' && $count !== 2)) {
            return $count;
        }
        $this->delimiters[$piece] = [
            'char' => $char,
            'left' => $count,
            'count' => $count,
            'opens' => $char === '_' ? $left && (! $right || $signBefore) : $left,
            'closes' => $char === '_' ? $right && (! $left || $signAfter) : $right,
        ];

        return $count;
    }

    public function isDelimiter(int $piece): bool
    {
        return isset($this->delimiters[$piece]);
    }

    /** Pairs the delimiter runs behind a piece; the others stay. */
    public function pair(int $bottom): void
    {
        /** @var array<string, int> $floor below which no opener for this sort of closer stands */
        $floor = [];
        $pieces = array_values(array_filter(array_keys($this->delimiters), fn (int $piece): bool => $piece > $bottom));
        for ($c = 0; $c < count($pieces);) {
            $closer = $pieces[$c];
            $closing = $this->delimiters[$closer];
            if (! $closing['closes'] || $closing['left'] === 0) {
                $c++;

                continue;
            }
            $key = $closing['char'].($closing['opens'] ? 'o' : 'c').($closing['count'] % 3);
            $o = $this->opener($pieces, $c, $floor[$key] ?? 0);
            if ($o === null) {
                $floor[$key] = $c;
                $c++;

                continue;
            }
            $this->mark($pieces[$o], $closer);
            for ($i = $o + 1; $i < $c; $i++) {
                $this->delimiters[$pieces[$i]]['opens'] = $this->delimiters[$pieces[$i]]['closes'] = false;
            }
        }
        foreach ($pieces as $piece) {
            unset($this->delimiters[$piece]);
        }
    }

    /** @param  list<int>  $pieces */
    private function opener(array $pieces, int $c, int $floor): ?int
    {
        $closing = $this->delimiters[$pieces[$c]];
        for ($o = $c - 1; $o >= $floor; $o--) {
            $opening = $this->delimiters[$pieces[$o]];
            if ($opening['char'] !== $closing['char'] || ! $opening['opens'] || $opening['left'] === 0) {
                continue;
            }
            $odd = $closing['char'] !== '~'
                && ($opening['closes'] || $closing['opens'])
                && ($opening['count'] + $closing['count']) % 3 === 0
                && ($opening['count'] % 3 !== 0 || $closing['count'] % 3 !== 0);
            if (! $odd) {
                return $o;
            }
        }

        return null;
    }

    private function mark(int $opener, int $closer): void
    {
        $strong = $this->delimiters[$opener]['left'] >= 2 && $this->delimiters[$closer]['left'] >= 2;
        $used = $strong ? 2 : 1;
        $mark = match (true) {
            $this->delimiters[$opener]['char'] === '~' => Run::STRIKE,
            $strong => Run::BOLD,
            default => Run::ITALIC,
        };
        $this->pieces->mark($mark, $opener, $closer);
        foreach ([$opener, $closer] as $piece) {
            $run = $this->delimiters[$piece];
            $run['left'] -= $used;
            $this->delimiters[$piece] = $run;
            $this->pieces->text[$piece] = substr($this->pieces->text[$piece], $used);
        }
    }

    private static function isSpace(string $char): bool
    {
        return strlen($char) > 1 ? preg_match('/\s/u', $char) === 1 : $char === '' || ctype_space($char);
    }

    private static function isSign(string $char): bool
    {
        return strlen($char) > 1 ? preg_match('/[\p{P}\p{S}]/u', $char) === 1 : ctype_punct($char);
    }

    /** The character that ends at a place; it has up to four bytes. */
    private static function before(string $source, int $at): string
    {
        for ($n = 1; $n <= 4 && $n <= $at; $n++) {
            $tail = substr($source, $at - $n, $n);
            if (mb_check_encoding($tail, 'UTF-8')) {
                return $tail;
            }
        }

        return '';
    }

    /** The character that begins at a place. */
    private static function after(string $source, int $at): string
    {
        return mb_substr(substr($source, $at, 4), 0, 1, 'UTF-8');
    }
}
