<?php

declare(strict_types=1);

namespace ChalkTree\Paste;

use ChalkTree\Text\Address;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Run;
use ChalkTree\Text\Slices;
use DOMElement;
use DOMNode;
use DOMText;
use Masterminds\HTML5;

/**
 * Reads HTML, as web pages and word processors put it on the clipboard, into lines. Nothing of it is rendered or
 * fetched: text, emphasis and links are all that is taken.
 */
final class HtmlClip
{
    private const MARKS = [
        'b' => Run::BOLD, 'strong' => Run::BOLD, 'i' => Run::ITALIC, 'em' => Run::ITALIC, 'cite' => Run::ITALIC, 'u' => Run::UNDERLINE, 'ins' => Run::UNDERLINE,
        's' => Run::STRIKE, 'del' => Run::STRIKE, 'strike' => Run::STRIKE, 'code' => Run::CODE, 'kbd' => Run::CODE, 'samp' => Run::CODE, 'tt' => Run::CODE, 'sub' => Run::SUB, 'sup' => Run::SUPER,
    ];

    private const PASSED_OVER = ['script', 'style', 'head', 'template', 'noscript', 'title', 'svg', 'math', 'object', 'iframe', 'select', 'button', 'audio', 'video', 'map', 'link', 'meta'];

    private const BLOCKS = [
        'p', 'div', 'section', 'article', 'main', 'aside', 'header', 'footer', 'nav', 'blockquote', 'figure', 'figcaption', 'address', 'center', 'form', 'fieldset',
        'details', 'summary', 'body', 'html', 'td', 'th', 'caption', 'table', 'tbody', 'thead', 'tfoot', 'tr', 'dl', 'dt', 'dd', 'ul', 'ol', 'li', 'pre', 'hr', 'menu', 'legend', 'hgroup',
    ];

    /** Deeper than this only the text is read, as if it stood there. */
    private const DEEPEST = 300;

    /** @var list<RawLine> */
    private array $lines = [];

    /** @var list<Run> what has been read of the line that is open */
    private array $open = [];

    /** What the next line is; see RawLine. */
    private RawLine $next;

    /** Whether the item of a list that is open has its line already. */
    private bool $itemIsTitled = true;

    private function __construct(private readonly ?string $source)
    {
        $this->next = new RawLine('', gap: true);
    }

    /** @return list<RawLine> none of them blank */
    public static function lines(string $html, ?string $source): array
    {
        $clip = new self($source);
        $before = libxml_use_internal_errors(true);
        $document = (new HTML5(['disable_html_ns' => true]))->loadHTML($html);
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        $clip->walk($document, 0, 0, null, 0);
        $clip->flush();
        Marks::find(array_values(array_filter($clip->lines, fn (RawLine $line): bool => $line->depth === null)));

        return array_values(array_filter($clip->lines, fn (RawLine $line): bool => trim(InlineMarkdown::plain($line->text)) !== ''));
    }

    private function walk(DOMNode $node, int $marks, int $depth, ?string $href, int $level): void
    {
        foreach ($node->childNodes as $child) {
            if ($child instanceof DOMText) {
                $this->text($child, $marks, $href, $node);
            } elseif ($child instanceof DOMElement && ! in_array(strtolower($child->tagName), self::PASSED_OVER, true)) {
                $level < self::DEEPEST ? $this->element($child, $marks, $depth, $href, $level + 1) : $this->open[] = new Run($child->textContent, $marks, $href);
            }
        }
    }

    private function text(DOMText $node, int $marks, ?string $href, DOMNode $parent): void
    {
        $text = (string) $node->nodeValue;
        if ($this->next->sort === 'pre') {
            foreach (explode("\n", $text) as $i => $line) {
                $i > 0 && $this->flush();
                $this->open[] = new Run($line, $marks & ~Run::CODE, $href);
            }

            return;
        }
        $this->open[] = new Run((string) preg_replace('/[^\S\x{a0}]+/u', ' ', $text), $marks, $href);
    }

    private function element(DOMElement $element, int $marks, int $depth, ?string $href, int $level): void
    {
        $tag = strtolower($element->tagName);
        // Styles that say anything here are short, whatever a page or a program writes behind.
        $style = strtolower(substr($element->getAttribute('style'), 0, 2000));
        if (str_contains($style, 'mso-list:') && str_contains($style, 'ignore') || preg_match('/display\s*:\s*none/', $style) === 1) {
            return;
        }
        $marks = self::styled($marks | (self::MARKS[$tag] ?? 0), $style);
        if ($tag === 'a') {
            $href = $this->address($element->getAttribute('href')) ?? $href;
        }
        match (true) {
            $tag === 'br' => $this->lineBreak($depth),
            $tag === 'img' => $this->open[] = new Run(trim($element->getAttribute('alt')), $marks, $href),
            preg_match('/\Ah([1-6])\z/', $tag, $m) === 1 => $this->block($element, $marks & ~Run::BOLD, $depth, $href, $level, new RawLine('', gap: true, heading: (int) $m[1])),
            $tag === 'ul' || $tag === 'ol' || $tag === 'menu' => $this->list($element, $marks, $depth, $href, $level),
            $tag === 'dt' || $tag === 'dd' => $this->block($element, $marks, $depth + ($tag === 'dt' ? 1 : 2), $href, $level, new RawLine('', gap: true, depth: $depth + ($tag === 'dt' ? 1 : 2))),
            $tag === 'tr' && $this->isPlainRow($element) => $this->row($element, $marks, $href, $level),
            $tag === 'pre' => $this->block($element, $marks, $depth, $href, $level, new RawLine('', gap: true, sort: 'pre')),
            $tag === 'p' && preg_match('/mso-list\s*:[^;]*level(\d+)/', $style, $m) === 1 => $this->block($element, $marks, (int) $m[1], $href, $level, new RawLine('', gap: true, depth: min((int) $m[1], 20))),
            in_array($tag, self::BLOCKS, true) => $this->block($element, $marks, $depth, $href, $level, null),
            default => $this->walk($element, $marks, $depth, $href, $level),
        };
    }

    /** A paragraph; inside an item of a list one that belongs to the item. */
    private function plainLine(int $depth): RawLine
    {
        if ($depth === 0) {
            return new RawLine('', gap: true);
        }

        return $this->itemIsTitled
            ? new RawLine('', gap: true, depth: $depth + 1, sort: 'body')
            : new RawLine('', gap: true, depth: $depth, mark: $this->next->mark);
    }

    private function block(DOMElement $element, int $marks, int $depth, ?string $href, int $level, ?RawLine $line): void
    {
        $this->flush();
        $this->next = $line ?? $this->plainLine($depth);
        $this->walk($element, $marks, $depth, $href, $level);
        $this->flush();
        $this->next = $this->plainLine($depth);
    }

    private function list(DOMElement $list, int $marks, int $depth, ?string $href, int $level): void
    {
        $this->flush();
        $n = max(0, (int) ($list->getAttribute('start') ?: 1));
        foreach ($list->childNodes as $child) {
            if (! $child instanceof DOMElement) {
                continue;
            }
            if (strtolower($child->tagName) !== 'li') {
                // Lists right inside a list, as some programs write them.
                $this->element($child, $marks, $depth + 1, $href, $level + 1);

                continue;
            }
            $at = max($depth + 1, min(50, (int) $child->getAttribute('aria-level')));
            $mark = strtolower($list->tagName) === 'ol' ? new Mark($n++.'.', 'decimal', [$n]) : new Mark('•', '•');
            $this->next = new RawLine('', gap: true, depth: $at, mark: $mark);
            $this->itemIsTitled = false;
            $this->walk($child, $marks, $at, $href, $level + 1);
            $this->flush();
        }
        $this->itemIsTitled = true;
        $this->next = $this->plainLine($depth);
    }

    private function isPlainRow(DOMElement $row): bool
    {
        $cells = 0;
        foreach ($row->childNodes as $cell) {
            if ($cell instanceof DOMElement && in_array(strtolower($cell->tagName), ['td', 'th'], true)) {
                $cells++;
                if ($cell->getElementsByTagName('table')->length + $cell->getElementsByTagName('li')->length > 0 || $cell->getElementsByTagName('p')->length > 1) {
                    return false;
                }
            }
        }

        return $cells > 1;
    }

    private function row(DOMElement $row, int $marks, ?string $href, int $level): void
    {
        $this->flush();
        $cells = [];
        foreach ($row->childNodes as $cell) {
            if ($cell instanceof DOMElement) {
                $inner = new self($this->source);
                $inner->walk($cell, $marks, 0, $href, $level + 1);
                $inner->flush();
                $cells[] = implode(' ', array_map(fn (RawLine $line): string => $line->text, $inner->lines));
            }
        }
        $text = TextClip::cells($cells);
        if ($text !== '') {
            $this->lines[] = new RawLine($text, gap: true, sort: 'row');
        }
    }

    private function lineBreak(int $depth): void
    {
        if ($depth > 0 || $this->next->heading > 0) {
            $this->open[] = new Run("\n");
        } else {
            $this->flush();
            $this->next->gap = false;
        }
    }

    /** Ends the line that is open. */
    private function flush(): void
    {
        $runs = self::trimmed($this->open);
        $this->open = [];
        if ($runs !== []) {
            $line = clone $this->next;
            $line->text = trim(InlineMarkdown::write($runs));
            $line->sort = $line->sort === 'pre' ? 'plain' : $line->sort;
            $this->lines[] = $line;
            $this->next->gap = false;
            if ($line->depth !== null && $line->sort !== 'body') {
                $this->itemIsTitled = true;
                $this->next = new RawLine('', gap: true, depth: $line->depth + 1, sort: 'body');
            }
        }
    }

    /**
     * Without space at the ends, around line breaks, and more than one anywhere.
     *
     * @param  list<Run>  $runs
     * @return list<Run>
     */
    private static function trimmed(array $runs): array
    {
        $out = [];
        $isOpen = true;
        foreach ($runs as $run) {
            $text = (string) preg_replace(['/[ \x{a0}\x{200b}]+/u', '/ *\n */u'], [' ', "\n"], $run->text);
            $text = $isOpen ? ltrim($text) : $text;
            if ($text !== '') {
                $isOpen = str_ends_with($text, ' ') || str_ends_with($text, "\n");
                $out[] = new Run($text, $run->marks, $run->href);
            }
        }
        $out = Slices::joined($out);
        $plain = implode('', array_map(fn (Run $run): string => $run->text, $out));

        return Slices::between($out, 0, strlen(rtrim($plain)));
    }

    private static function styled(int $marks, string $style): int
    {
        if (preg_match('/font-weight\s*:\s*(bold|[6-9]00|normal|400)/', $style, $m) === 1) {
            $marks = in_array($m[1], ['normal', '400'], true) ? $marks & ~Run::BOLD : $marks | Run::BOLD;
        }
        if (preg_match('/font-style\s*:\s*(italic|normal)/', $style, $m) === 1) {
            $marks = $m[1] === 'normal' ? $marks & ~Run::ITALIC : $marks | Run::ITALIC;
        }
        if (preg_match('/text-decoration[a-z-]*\s*:[^;]*line-through/', $style) === 1) {
            $marks |= Run::STRIKE;
        }

        return $marks;
    }

    /** Where a link leads, in full; null if it leads nowhere by itself or may not be followed. */
    private function address(string $href): ?string
    {
        $href = trim($href);
        if (str_starts_with($href, '//')) {
            $href = "https:{$href}";
        } elseif ($this->source !== null && preg_match('~\A(https?://[^/?#]+)([^?#]*/)?~i', $this->source, $m) === 1 && preg_match('~\A(?:[a-z][a-z0-9+.-]*:|#)~i', $href) !== 1 && $href !== '') {
            $href = str_starts_with($href, '/') ? $m[1].$href : $m[1].($m[2] ?? '/').$href;
        }

        return preg_match('~\A(?:https?://|mailto:|tel:)\S+\z~i', $href) === 1 && strlen($href) < 2000 && Address::isSafe($href) ? $href : null;
    }
}
