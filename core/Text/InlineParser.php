<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/**
 * One parse of inline Markdown, after the algorithm in the appendix of the CommonMark specification: pieces of text
 * are gathered from left to right, delimiter runs are paired once a link closes or the text ends.
 */
final class InlineParser
{
    /** More delimiter runs than this in one title are text: nobody writes them, and pairing them takes time. */
    private const MOST_DELIMITERS = 500;

    /** @var array<int, string> the text of each piece */
    private array $text = [];

    /** @var array<int, int> the marks of each piece */
    private array $marks = [];

    /** @var array<int, string|null> where each piece leads */
    private array $href = [];

    /** @var array<int, array{char: string, left: int, count: int, opens: bool, closes: bool}> delimiter runs by piece */
    private array $delimiters = [];

    /** @var list<array{piece: int, active: bool, image: bool}> open brackets */
    private array $brackets = [];

    /** @var array<int, bool> pieces that are <u> (true) or </u> (false) */
    private array $underlines = [];

    private int $at = 0;

    public function __construct(private readonly string $source)
    {
    }

    /** @return list<Run> */
    public function runs(): array
    {
        $length = strlen($this->source);
        while ($this->at < $length) {
            $plain = strcspn($this->source, "*_~`[]<&\\!\n", $this->at);
            if ($plain > 0) {
                $this->add(substr($this->source, $this->at, $plain));
                $this->at += $plain;

                continue;
            }
            $this->sign($this->source[$this->at]);
        }
        $this->pair(-1);
        $this->underline();
        $this->href = array_map(fn (?string $href): ?string => $href !== null && Address::isSafe($href) ? $href : null, $this->href);

        return $this->joined();
    }

    private function sign(string $char): void
    {
        match ($char) {
            '\\' => $this->escape(),
            '`' => $this->codeSpan(),
            '*', '_', '~' => $this->delimiterRun($char),
            '[' => $this->openBracket(false),
            '!' => ($this->source[$this->at + 1] ?? '') === '[' ? $this->openBracket(true) : $this->literal('!'),
            ']' => $this->closeBracket(),
            '<' => $this->angle(),
            '&' => $this->entity(),
            default => $this->lineBreak(),
        };
    }

    private function add(string $text, int $marks = 0, ?string $href = null): int
    {
        $this->text[] = $text;
        $this->marks[] = $marks;
        $this->href[] = $href;

        return count($this->text) - 1;
    }

    private function literal(string $text): void
    {
        $this->add($text);
        $this->at += strlen($text);
    }

    private function lineBreak(): void
    {
        $last = count($this->text) - 1;
        if ($last >= 0 && ! isset($this->delimiters[$last])) {
            $this->text[$last] = rtrim($this->text[$last], ' ');
        }
        $this->add("\n");
        $this->at += 1 + strspn($this->source, ' ', $this->at + 1);
    }

    private function escape(): void
    {
        $next = $this->source[$this->at + 1] ?? '';
        if ($next !== '' && ctype_punct($next)) {
            $this->add($next);
            $this->at += 2;
        } elseif ($next === "\n") {
            $this->at++;
            $this->lineBreak();
        } else {
            $this->literal('\\');
        }
    }

    private function codeSpan(): void
    {
        $count = strspn($this->source, '`', $this->at);
        $fence = str_repeat('`', $count);
        $from = $this->at + $count;
        for ($run = 0, $close = strpos($this->source, $fence, $from); $close !== false; $close = strpos($this->source, $fence, $close + $run)) {
            $run = strspn($this->source, '`', $close);
            if ($run === $count) {
                $code = str_replace("\n", ' ', substr($this->source, $from, $close - $from));
                if (strlen($code) > 1 && $code[0] === ' ' && $code[-1] === ' ' && trim($code, ' ') !== '') {
                    $code = substr($code, 1, -1);
                }
                $this->add($code, Run::CODE);
                $this->at = $close + $count;

                return;
            }
        }
        $this->literal($fence);
    }

    private function entity(): void
    {
        if (preg_match('/\G&(?:#[0-9]{1,7}|#[xX][0-9a-fA-F]{1,6}|[A-Za-z][A-Za-z0-9]{1,31});/', $this->source, $m, 0, $this->at) === 1) {
            $text = html_entity_decode($m[0], ENT_QUOTES | ENT_HTML5, 'UTF-8');
            $code = $text !== $m[0] ? mb_ord($text) : 0;
            $this->add($code !== false && $code < 32 && $text !== $m[0] ? "\u{fffd}" : $text);
            $this->at += strlen($m[0]);
        } else {
            $this->literal('&');
        }
    }

    private function angle(): void
    {
        if (preg_match('/\G<([A-Za-z][A-Za-z0-9+.-]{1,31}:[^\s<>\x00-\x1f]*)>/', $this->source, $m, 0, $this->at) === 1) {
            $this->add($m[1], 0, $m[1]);
        } elseif (preg_match('/\G<([\w.!#$%&\'*+\/=?^`{|}~-]+@[a-z0-9](?:[a-z0-9-]*[a-z0-9])?(?:\.[a-z0-9](?:[a-z0-9-]*[a-z0-9])?)*)>/i', $this->source, $m, 0, $this->at) === 1) {
            $this->add($m[1], 0, 'mailto:'.$m[1]);
        } elseif (preg_match('/\G<(\/?)u>/i', $this->source, $m, 0, $this->at) === 1) {
            $this->underlines[$this->add('')] = $m[1] === '';
        } elseif (preg_match('/\G<br\s*\/?>/i', $this->source, $m, 0, $this->at) === 1) {
            $this->add("\n");
        } else {
            $this->literal('<');

            return;
        }
        $this->at += strlen($m[0]);
    }

    private function delimiterRun(string $char): void
    {
        $count = strspn($this->source, $char, $this->at);
        $before = preg_match('/.\z/su', substr($this->source, max(0, $this->at - 4), min(4, $this->at)), $m) === 1 ? $m[0] : $this->byteTail();
        $after = preg_match('/\A./su', substr($this->source, $this->at + $count, 4), $m) === 1 ? $m[0] : $this->headOf(substr($this->source, $this->at + $count, 4));
        $spaceBefore = $before === '' || preg_match('/\s/u', $before) === 1;
        $spaceAfter = $after === '' || preg_match('/\s/u', $after) === 1;
        $signBefore = preg_match('/[\p{P}\p{S}]/u', $before) === 1;
        $signAfter = preg_match('/[\p{P}\p{S}]/u', $after) === 1;
        $left = ! $spaceAfter && (! $signAfter || $spaceBefore || $signBefore);
        $right = ! $spaceBefore && (! $signBefore || $spaceAfter || $signAfter);
        $piece = $this->add(str_repeat($char, $count));
        $this->at += $count;
        if (count($this->delimiters) >= self::MOST_DELIMITERS || ($char === '~' && $count !== 2)) {
            return;
        }
        $this->delimiters[$piece] = [
            'char' => $char,
            'left' => $count,
            'count' => $count,
            'opens' => $char === '_' ? $left && (! $right || $signBefore) : $left,
            'closes' => $char === '_' ? $right && (! $left || $signAfter) : $right,
        ];
    }

    /** The character that ends before here, where four bytes back is the middle of another one. */
    private function byteTail(): string
    {
        for ($n = 1; $n <= 4 && $n <= $this->at; $n++) {
            $tail = substr($this->source, $this->at - $n, $n);
            if (preg_match('/\A.\z/su', $tail) === 1) {
                return $tail;
            }
        }

        return '';
    }

    private function headOf(string $bytes): string
    {
        for ($n = 1; $n <= strlen($bytes); $n++) {
            if (preg_match('/\A.\z/su', substr($bytes, 0, $n)) === 1) {
                return substr($bytes, 0, $n);
            }
        }

        return '';
    }

    private function openBracket(bool $image): void
    {
        $text = $image ? '![' : '[';
        $this->brackets[] = ['piece' => $this->add($text), 'active' => true, 'image' => $image];
        $this->at += strlen($text);
    }

    private function closeBracket(): void
    {
        $bracket = array_pop($this->brackets);
        if ($bracket === null || ! $bracket['active'] || ! $this->target($href, $length)) {
            $this->literal(']');

            return;
        }
        $this->at += 1 + $length;
        $this->pair($bracket['piece']);
        $this->text[$bracket['piece']] = '';
        for ($i = $bracket['piece'], $n = count($this->text); $i < $n; $i++) {
            $this->href[$i] = $href;
            unset($this->delimiters[$i]);
        }
        if (! $bracket['image']) {
            foreach ($this->brackets as $i => $open) {
                $this->brackets[$i]['active'] = $open['image'];
            }
        }
    }

    /** Reads "(address "title")" behind a closing bracket. */
    private function target(?string &$href, ?int &$length): bool
    {
        $form = '/\G\(\s*(?:<((?:[^<>\n\\\\]|\\\\.)*)>|((?:[^\s()\\\\\x00-\x1f]|\\\\.|(\((?:[^\s()\\\\]|\\\\.|(?3))*\)))*))'
            .'(?:\s+(?:"(?:[^"\\\\]|\\\\.)*"|\'(?:[^\'\\\\]|\\\\.)*\'|\((?:[^()\\\\]|\\\\.)*\)))?\s*\)/s';
        if (preg_match($form, $this->source, $m, 0, $this->at + 1) !== 1) {
            return false;
        }
        $address = ($m[1] ?? '') !== '' ? $m[1] : ($m[2] ?? '');
        $address = (string) preg_replace('/\\\\([[:punct:]])/', '$1', $address);
        $href = html_entity_decode($address, ENT_QUOTES | ENT_HTML5, 'UTF-8');
        $length = strlen($m[0]);

        return true;
    }

    /** Pairs the delimiter runs behind a piece ("process emphasis"). */
    private function pair(int $bottom): void
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
        for ($i = $opener + 1; $i < $closer; $i++) {
            $this->marks[$i] |= $mark;
        }
        foreach ([$opener, $closer] as $piece) {
            $run = $this->delimiters[$piece];
            $run['left'] -= $used;
            $this->delimiters[$piece] = $run;
            $this->text[$piece] = substr($this->text[$piece], $used);
        }
    }

    /** Underlines what stands between <u> and </u>; one without its partner is taken as text. */
    private function underline(): void
    {
        $open = [];
        foreach ($this->underlines as $piece => $opens) {
            if ($opens) {
                $open[] = $piece;
            } elseif (($from = array_pop($open)) !== null) {
                for ($i = $from + 1; $i < $piece; $i++) {
                    $this->marks[$i] |= Run::UNDERLINE;
                }
            } else {
                $this->text[$piece] = '</u>';
            }
        }
        foreach ($open as $piece) {
            $this->text[$piece] = '<u>';
        }
    }

    /** @return list<Run> */
    private function joined(): array
    {
        $runs = [];
        $last = null;
        foreach ($this->text as $i => $text) {
            if ($text === '') {
                continue;
            }
            if ($last !== null && $last->marks === $this->marks[$i] && $last->href === $this->href[$i]) {
                array_pop($runs);
                $text = $last->text.$text;
            }
            $runs[] = $last = new Run($text, $this->marks[$i], $this->href[$i]);
        }

        return $runs;
    }
}
