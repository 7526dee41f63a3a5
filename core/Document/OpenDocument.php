<?php

declare(strict_types=1);

namespace ChalkTree\Document;

use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Exchange\XmlBounds;
use ChalkTree\Text\Run;
use DOMDocument;
use DOMElement;
use DOMNode;
use DOMText;

/** Reads the text of OpenDocument 1.2 (content.xml); pandoc loses underlining, quotes and the heads of tables of it. */
final class OpenDocument
{
    private const TEXT = 'urn:oasis:names:tc:opendocument:xmlns:text:1.0';

    private const STYLE = 'urn:oasis:names:tc:opendocument:xmlns:style:1.0';

    private const FO = 'urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0';

    private const DRAW = 'urn:oasis:names:tc:opendocument:xmlns:drawing:1.0';

    private const SVG = 'urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0';

    private const LINK = 'http://www.w3.org/1999/xlink';

    private const OFFICE = 'urn:oasis:names:tc:opendocument:xmlns:office:1.0';

    /** Spaces that one sign may stand for. */
    private const MOST_SPACES = 1_000;

    /** @var array<string, array{parent: string, marks: int, side: string}> the styles that the document makes up for itself */
    private array $styles = [];

    /** @var array<string, bool> whether lists of each style are numbered */
    private array $numbered = [];

    /** @var list<Inline> */
    private array $title = [];

    private bool $isOurs = false;

    /** @param  array<string, array{string, array{int, int}}>  $pictures  as PandocReader has them */
    private function __construct(private readonly array $pictures)
    {
    }

    /**
     * @param  array<string, array{string, array{int, int}}>  $pictures  as PandocReader has them
     *
     * @throws UnreadableFile
     */
    public static function read(string $xml, array $pictures = []): Document
    {
        XmlBounds::check($xml);
        if (str_contains($xml, '<!DOCTYPE') || str_contains($xml, '<!ENTITY')) {
            throw new UnreadableFile('This document is not as OpenDocument wants it: it declares types of its own.');
        }
        $document = new DOMDocument;
        if (! @$document->loadXML($xml, LIBXML_NONET | LIBXML_COMPACT | LIBXML_PARSEHUGE)) {
            throw new UnreadableFile('This document is damaged: its contents are not complete XML.');
        }
        $reader = new self($pictures);
        $reader->learn($document);
        $body = $document->getElementsByTagNameNS(self::OFFICE, 'text')->item(0);
        $blocks = $body === null ? [] : $reader->blocks($body);

        return new Document($reader->title, $blocks, isOurs: $reader->isOurs);
    }

    private function learn(DOMDocument $document): void
    {
        foreach ($document->getElementsByTagNameNS(self::STYLE, 'style') as $style) {
            $text = $style->getElementsByTagNameNS(self::STYLE, 'text-properties')->item(0);
            $paragraph = $style->getElementsByTagNameNS(self::STYLE, 'paragraph-properties')->item(0);
            $is = fn (string $space, string $name): string => $text?->getAttributeNS($space, $name) ?? '';
            $this->styles[$style->getAttributeNS(self::STYLE, 'name')] = [
                'parent' => $style->getAttributeNS(self::STYLE, 'parent-style-name'),
                'marks' => ($is(self::FO, 'font-weight') === 'bold' ? Run::BOLD : 0) | ($is(self::FO, 'font-style') === 'italic' ? Run::ITALIC : 0)
                    | (in_array($is(self::STYLE, 'text-underline-style'), ['', 'none'], true) ? 0 : Run::UNDERLINE)
                    | (in_array($is(self::STYLE, 'text-line-through-style'), ['', 'none'], true) ? 0 : Run::STRIKE)
                    | (str_starts_with($is(self::STYLE, 'text-position'), 'sub') ? Run::SUB : 0) | (str_starts_with($is(self::STYLE, 'text-position'), 'super') ? Run::SUPER : 0),
                'side' => ['end' => 'right', 'right' => 'right', 'center' => 'center', 'left' => 'left'][$paragraph?->getAttributeNS(self::FO, 'text-align') ?? ''] ?? '',
            ];
        }
        foreach ($document->getElementsByTagNameNS(self::TEXT, 'list-style') as $style) {
            $first = $style->firstElementChild;
            $this->numbered[$style->getAttributeNS(self::STYLE, 'name')] = $first instanceof DOMElement && $first->localName === 'list-level-style-number';
        }
    }

    /** @return list<Block> */
    private function blocks(DOMElement $parent): array
    {
        $blocks = [];
        foreach ($parent->childNodes as $node) {
            if (! $node instanceof DOMElement) {
                continue;
            }
            $found = match ($node->localName) {
                'h' => [new Heading(max(1, (int) $node->getAttributeNS(self::TEXT, 'outline-level')), $this->line($node))],
                'p' => $this->paragraph($node),
                'list' => [$this->listing($node)],
                'table' => $this->grid($node),
                'section', 'index-body' => $this->blocks($node),
                default => [],
            };
            foreach ($found as $block) {
                $last = end($blocks);
                $joined = $last === false ? null : self::joined($last, $block);
                if ($joined !== null) {
                    array_pop($blocks);
                }
                $blocks[] = $joined ?? $block;
            }
        }

        return $blocks;
    }

    /** Two blocks that are one: lines of code, paragraphs of a quote or of one of our styles. */
    private static function joined(Block $a, Block $b): ?Block
    {
        return match (true) {
            $a instanceof CodeText && $b instanceof CodeText => new CodeText("{$a->text}\n{$b->text}"),
            $a instanceof Quote && $b instanceof Quote => new Quote([...$a->blocks, ...$b->blocks]),
            $a instanceof Styled && $b instanceof Styled && $a->style === Style::Note && $b->style === Style::Note => new Styled(Style::Note, [...$a->blocks, ...$b->blocks]),
            default => null,
        };
    }

    /** @return list<Block> */
    private function paragraph(DOMElement $node): array
    {
        $names = $this->lineage($node->getAttributeNS(self::TEXT, 'style-name'));
        $line = $this->line($node);
        if (array_intersect($names, ['Preformatted_20_Text', 'Preformatted Text']) !== []) {
            return [new CodeText(implode('', array_map(fn (Inline $one): string => $one instanceof Words ? $one->run->text : '', $line)))];
        }
        if (in_array('Horizontal_20_Line', $names, true)) {
            return [new Rule];
        }
        if ($line === []) {
            return [];
        }
        if (in_array('Title', $names, true) && $this->title === []) {
            $this->title = $line;

            return [];
        }
        foreach ($names as $name) {
            $style = Style::called($name);
            if ($style !== null) {
                $this->isOurs = true;

                return [new Styled($style, [new Paragraph($line)])];
            }
        }

        return [in_array('Quotations', $names, true) ? new Quote([new Paragraph($line)]) : new Paragraph($line)];
    }

    /** @return list<string> the names of a style and of those that it is made after */
    private function lineage(string $name): array
    {
        $names = [];
        while ($name !== '' && ! in_array($name, $names, true)) {
            $names[] = $name;
            $name = $this->styles[$name]['parent'] ?? '';
        }

        return $names;
    }

    private function listing(DOMElement $node, ?bool $isNumbered = null): Listing
    {
        $style = $node->getAttributeNS(self::TEXT, 'style-name');
        $isNumbered = $style === '' ? $isNumbered : $this->numbered[$style] ?? $isNumbered;
        $items = [];
        $from = 1;
        foreach ($node->childNodes as $item) {
            if ($item instanceof DOMElement && in_array($item->localName, ['list-item', 'list-header'], true)) {
                $start = $item->getAttributeNS(self::TEXT, 'start-value');
                $from = $items === [] && $start !== '' ? max(0, (int) $start) : $from;
                $items[] = $this->blocks($item);
            }
        }

        return new Listing($items, $isNumbered === true ? $from : null);
    }

    /** @return list<Block> */
    private function grid(DOMElement $table): array
    {
        $head = $rows = $sides = [];
        $walk = function (DOMElement $parent, bool $isHead) use (&$walk, &$head, &$rows, &$sides): void {
            foreach ($parent->childNodes as $node) {
                if ($node instanceof DOMElement && in_array($node->localName, ['table-header-rows', 'table-rows', 'table-row-group'], true)) {
                    $walk($node, $isHead || $node->localName === 'table-header-rows');
                } elseif ($node instanceof DOMElement && $node->localName === 'table-row') {
                    [$cells, $its] = $this->cells($node);
                    $isHead && $head === [] ? $head = $cells : $rows[] = $cells;
                    $sides += $its;
                }
            }
        };
        $walk($table, false);
        $columns = max([0, count($head), ...array_map(count(...), $rows)]);
        $all = [];
        for ($i = 0; $i < $columns; $i++) {
            $all[] = $sides[$i] ?? '';
        }

        /** @var list<''|'left'|'center'|'right'> $all */
        return $columns === 0 ? [] : [new Grid($all, array_filter($head, fn (array $cell): bool => $cell !== []) === [] ? [] : $head, $rows)];
    }

    /** @return array{list<list<Inline>>, array<int, string>} the cells of a row, and how those that say so are aligned */
    private function cells(DOMElement $row): array
    {
        $cells = $sides = [];
        foreach ($row->childNodes as $cell) {
            if ($cell instanceof DOMElement && in_array($cell->localName, ['table-cell', 'covered-table-cell'], true)) {
                $line = [];
                foreach ($cell->getElementsByTagNameNS(self::TEXT, 'p') as $paragraph) {
                    $line = [...$line, ...($line === [] ? [] : [Words::plain("\n")]), ...$this->line($paragraph)];
                    $side = $this->styles[$paragraph->getAttributeNS(self::TEXT, 'style-name')]['side'] ?? '';
                    $side === '' ?: $sides[count($cells)] ??= $side;
                }
                $cells[] = $line;
            }
        }

        return [$cells, $sides];
    }

    /** @return list<Inline> */
    private function line(DOMElement $node): array
    {
        $line = [];
        $this->inlines($node, 0, null, $line);

        return Words::joined($line);
    }

    /** @param  list<Inline>  $line */
    private function inlines(DOMNode $parent, int $marks, ?string $href, array &$line): void
    {
        foreach ($parent->childNodes as $node) {
            if ($node instanceof DOMText) {
                $text = (string) preg_replace('/[ \t\r\n]+/', ' ', $node->data);
                $text === '' ?: $line[] = Words::plain($text, $marks, $href);
            } elseif ($node instanceof DOMElement) {
                match ($node->localName) {
                    'span' => $this->inlines($node, $marks | $this->marks($node->getAttributeNS(self::TEXT, 'style-name')), $href, $line),
                    'a' => $this->inlines($node, $marks, $node->getAttributeNS(self::LINK, 'href'), $line),
                    's' => $line[] = Words::plain(str_repeat(' ', max(1, min(self::MOST_SPACES, (int) ($node->getAttributeNS(self::TEXT, 'c') ?: 1)))), $marks, $href),
                    'tab' => $line[] = Words::plain("\t", $marks, $href),
                    'line-break' => $line[] = Words::plain("\n", $marks, $href),
                    'frame' => $this->frame($node, $line),
                    'note' => $this->footnote($node, $line),
                    default => $node->namespaceURI === self::TEXT && ! in_array($node->localName, ['note-citation'], true) ? $this->inlines($node, $marks, $href, $line) : null,
                };
            }
        }
    }

    private function marks(string $style): int
    {
        $marks = 0;
        foreach ($this->lineage($style) as $name) {
            $marks |= ($this->styles[$name]['marks'] ?? 0) | match ($name) {
                'Source_Text', 'Source_20_Text', 'Teletype' => Run::CODE,
                'Strong_20_Emphasis' => Run::BOLD,
                'Emphasis' => Run::ITALIC,
                default => 0,
            };
        }

        return $marks;
    }

    /** @param  list<Inline>  $line */
    private function frame(DOMElement $frame, array &$line): void
    {
        $image = $frame->getElementsByTagNameNS(self::DRAW, 'image')->item(0);
        $file = preg_replace('~^\./~', '', $image?->getAttributeNS(self::LINK, 'href') ?? '') ?? '';
        if ($file === '') {
            $box = $frame->getElementsByTagNameNS(self::DRAW, 'text-box')->item(0);
            foreach ($box === null ? [] : $box->getElementsByTagNameNS(self::TEXT, 'p') as $paragraph) {
                $this->inlines($paragraph, 0, null, $line);
            }

            return;
        }
        $words = fn (string $name): string => trim($frame->getElementsByTagNameNS(self::SVG, $name)->item(0)->textContent ?? '');
        [$source, $size] = $this->pictures[$file] ?? [$file, null];
        $line[] = new Image($source, $words('desc') !== '' ? $words('desc') : $words('title'), PandocReader::pixels($frame->getAttributeNS(self::SVG, 'width')), $size);
    }

    /** @param  list<Inline>  $line */
    private function footnote(DOMElement $note, array &$line): void
    {
        $words = [];
        foreach ($note->getElementsByTagNameNS(self::TEXT, 'p') as $paragraph) {
            $this->inlines($paragraph, 0, null, $words);
        }
        $line[] = new Footnote($words);
    }
}
