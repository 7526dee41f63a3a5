<?php

declare(strict_types=1);

namespace ChalkTree\Text;

/**
 * One parse of inline Markdown, after the algorithm in the appendix of the CommonMark specification: pieces of text
 * are gathered from left to right; Emphasis pairs the delimiter runs once a link closes or the text ends.
 */
final class InlineParser
{
    private readonly Pieces $pieces;

    private readonly Emphasis $emphasis;

    /** @var list<array{piece: int, active: bool, image: bool}> open brackets */
    private array $brackets = [];

    /** What tags stand for. */
    private const TAGS = ['u' => Run::UNDERLINE, 'b' => Run::BOLD, 'i' => Run::ITALIC, 's' => Run::STRIKE, 'sub' => Run::SUB, 'sup' => Run::SUPER];

    /** More brackets than this that turn out to be no link are text, since looking for each one's address takes time. */
    private const MOST_MISSES = 200;

    /** @var array<string, array<int, bool>> pieces that are a tag, such as <u> (true) or </u> (false), by its name */
    private array $tags = [];

    private int $misses = 0;

    /** @var array<int, true> lengths of runs of backticks of which there is none further on */
    private array $unfenced = [];

    private int $at = 0;

    public function __construct(private readonly string $source)
    {
        $this->pieces = new Pieces;
        $this->emphasis = new Emphasis($this->pieces);
    }

    /** @return list<Run> */
    public function runs(): array
    {
        $length = strlen($this->source);
        while ($this->at < $length) {
            $plain = strcspn($this->source, "*_~`[]<&\\!\n", $this->at);
            if ($plain > 0) {
                $this->pieces->add(substr($this->source, $this->at, $plain));
                $this->at += $plain;

                continue;
            }
            $this->sign($this->source[$this->at]);
        }
        $this->emphasis->pair(-1);
        foreach ($this->tags as $tag => $pieces) {
            $this->pairTags($tag, $pieces);
        }

        return $this->pieces->runs();
    }

    private function sign(string $char): void
    {
        match ($char) {
            '\\' => $this->escape(),
            '`' => $this->codeSpan(),
            '*', '_', '~' => $this->at += $this->emphasis->take($this->source, $this->at),
            '[' => $this->openBracket(false),
            '!' => ($this->source[$this->at + 1] ?? '') === '[' ? $this->openBracket(true) : $this->literal('!'),
            ']' => $this->closeBracket(),
            '<' => $this->angle(),
            '&' => $this->entity(),
            default => $this->lineBreak(),
        };
    }

    private function literal(string $text): void
    {
        $this->pieces->add($text);
        $this->at += strlen($text);
    }

    private function lineBreak(): void
    {
        $last = count($this->pieces->text) - 1;
        if ($last >= 0 && ! $this->emphasis->isDelimiter($last)) {
            $this->pieces->text[$last] = rtrim($this->pieces->text[$last], ' ');
        }
        $this->pieces->add("\n");
        $this->at += 1 + strspn($this->source, ' ', $this->at + 1);
    }

    private function escape(): void
    {
        $next = $this->source[$this->at + 1] ?? '';
        if ($next !== '' && ctype_punct($next)) {
            $this->pieces->add($next);
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
        if (isset($this->unfenced[$count])) {
            $this->literal($fence);

            return;
        }
        for ($run = 0, $close = strpos($this->source, $fence, $from); $close !== false; $close = strpos($this->source, $fence, $close + $run)) {
            $run = strspn($this->source, '`', $close);
            if ($run === $count) {
                $code = str_replace("\n", ' ', substr($this->source, $from, $close - $from));
                if (strlen($code) > 1 && $code[0] === ' ' && $code[-1] === ' ' && trim($code, ' ') !== '') {
                    $code = substr($code, 1, -1);
                }
                $this->pieces->add($code, Run::CODE);
                $this->at = $close + $count;

                return;
            }
        }
        $this->unfenced[$count] = true;
        $this->literal($fence);
    }

    private function entity(): void
    {
        if (preg_match('/\G&(?:#[0-9]{1,7}|#[xX][0-9a-fA-F]{1,6}|[A-Za-z][A-Za-z0-9]{1,31});/', $this->source, $m, 0, $this->at) === 1) {
            $text = html_entity_decode($m[0], ENT_QUOTES | ENT_HTML5, 'UTF-8');
            $code = $text !== $m[0] ? mb_ord($text) : 0;
            $this->pieces->add($code !== false && $code < 32 && $text !== $m[0] ? "\u{fffd}" : $text);
            $this->at += strlen($m[0]);
        } else {
            $this->literal('&');
        }
    }

    private function angle(): void
    {
        if (preg_match('/\G<([A-Za-z][A-Za-z0-9+.-]{1,31}:[^\s<>\x00-\x1f]*)>/', $this->source, $m, 0, $this->at) === 1) {
            $this->pieces->add($m[1], 0, $m[1]);
        } elseif (preg_match('/\G<([\w.!#$%&\'*+\/=?^`{|}~-]+@[a-z0-9](?:[a-z0-9-]*[a-z0-9])?(?:\.[a-z0-9](?:[a-z0-9-]*[a-z0-9])?)*)>/i', $this->source, $m, 0, $this->at) === 1) {
            $this->pieces->add($m[1], 0, 'mailto:'.$m[1]);
        } elseif (preg_match('/\G<(\/?)([ubis]|su[bp])>/i', $this->source, $m, 0, $this->at) === 1) {
            $this->tags[strtolower($m[2])][$this->pieces->add('')] = $m[1] === '';
        } elseif (preg_match('/\G<br\s*\/?>/i', $this->source, $m, 0, $this->at) === 1) {
            $this->pieces->add("\n");
        } else {
            $this->literal('<');

            return;
        }
        $this->at += strlen($m[0]);
    }

    private function openBracket(bool $image): void
    {
        $text = $image ? '![' : '[';
        $this->brackets[] = ['piece' => $this->pieces->add($text), 'active' => true, 'image' => $image];
        $this->at += strlen($text);
    }

    private function closeBracket(): void
    {
        $bracket = array_pop($this->brackets);
        if ($bracket === null || ! $bracket['active'] || $this->misses > self::MOST_MISSES || ! $this->target($href, $length)) {
            $this->misses++;
            $this->literal(']');

            return;
        }
        $this->at += 1 + $length;
        $this->emphasis->pair($bracket['piece']);
        $this->pieces->text[$bracket['piece']] = '';
        for ($i = $bracket['piece'], $n = count($this->pieces->text); $i < $n; $i++) {
            $this->pieces->href[$i] = $href;
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

    /**
     * Formats what stands between a tag and its partner; one without is taken as text.
     *
     * @param  array<int, bool>  $pieces
     */
    private function pairTags(string $tag, array $pieces): void
    {
        $open = [];
        foreach ($pieces as $piece => $opens) {
            if ($opens) {
                $open[] = $piece;
            } elseif (($from = array_pop($open)) !== null) {
                $this->pieces->mark(self::TAGS[$tag], $from, $piece);
            } else {
                $this->pieces->text[$piece] = "</{$tag}>";
            }
        }
        foreach ($open as $piece) {
            $this->pieces->text[$piece] = "<{$tag}>";
        }
    }
}
