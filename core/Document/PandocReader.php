<?php

declare(strict_types=1);

namespace ChalkTree\Document;

use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Text\Run;
use JsonException;

/** Reads the JSON that pandoc writes, of its types 1.22; what it does not know it passes over, keeping the words. */
final class PandocReader
{
    private const MARKS = ['Strong' => Run::BOLD, 'Emph' => Run::ITALIC, 'Underline' => Run::UNDERLINE, 'Strikeout' => Run::STRIKE, 'Subscript' => Run::SUB, 'Superscript' => Run::SUPER];

    private const SIDES = ['AlignLeft' => 'left', 'AlignCenter' => 'center', 'AlignRight' => 'right'];

    private bool $isOurs = false;

    /** @var list<Inline> */
    private array $title = [];

    /** @param  array<string, array{string, array{int, int}}>  $pictures  what pictures are called from now on and how large they are, by the file in the document */
    private function __construct(private readonly array $pictures)
    {
    }

    /**
     * @param  array<string, array{string, array{int, int}}>  $pictures  see above
     *
     * @throws UnreadableFile
     */
    public static function read(string $json, array $pictures = []): Document
    {
        try {
            $data = json_decode($json, true, 8_000, JSON_THROW_ON_ERROR);
        } catch (JsonException) {
            throw new UnreadableFile('This document cannot be read; perhaps it is nested too deeply.');
        }
        $reader = new self($pictures);
        $meta = is_array($data) && is_array($data['meta'] ?? null) ? $data['meta'] : [];
        $blocks = $reader->blocks(is_array($data) ? $data['blocks'] ?? [] : []);
        $title = is_array($meta['title'] ?? null) && ($meta['title']['t'] ?? '') === 'MetaInlines' ? $reader->line($meta['title']['c'] ?? []) : [];

        // Pages and books have their title once more, with its formatting.
        $first = $blocks[0] ?? null;
        if ($title !== [] && $first instanceof Heading && self::plain($first->text) === self::plain($title)) {
            $reader->title = $first->text;
            array_shift($blocks);
        }
        if ($title === [] || self::plain($reader->title) === self::plain($title)) {
            $title = $reader->title;
        }

        return new Document($title, array_values($blocks), isOurs: $reader->isOurs);
    }

    /** @return list<string> the files of its pictures, as they are called in it */
    public static function pictures(string $json): array
    {
        return array_values(array_unique(array_map(fn (Image $image): string => $image->source, self::read($json)->images())));
    }

    /** @param  list<Inline>  $line */
    private static function plain(array $line): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', implode('', array_map(fn (Inline $one): string => $one instanceof Words ? $one->run->text : '', $line))));
    }

    /** @return list<Block> */
    private function blocks(mixed $nodes): array
    {
        $blocks = [];
        foreach (is_array($nodes) ? $nodes : [] as $node) {
            if (is_array($node) && is_string($node['t'] ?? null)) {
                array_push($blocks, ...$this->block($node['t'], $node['c'] ?? null));
            }
        }

        return $blocks;
    }

    /** @return list<Block> */
    private function block(string $type, mixed $c): array
    {
        $c = is_array($c) ? $c : [];

        return match ($type) {
            'Plain', 'Para' => ($line = $this->line($c)) === [] ? [] : [new Paragraph($line)],
            'LineBlock' => [new Paragraph($this->line(array_merge(...array_map(fn (mixed $line, int $i): array => [...($i === 0 ? [] : [['t' => 'LineBreak']]), ...(is_array($line) ? $line : [])], $c, array_keys($c)))))],
            'Header' => $this->heading($c),
            'BlockQuote' => [new Quote($this->blocks($c))],
            'CodeBlock' => [new CodeText(self::string($c[1] ?? ''), self::string($c[0][1][0] ?? ''))],
            'HorizontalRule' => [new Rule],
            'BulletList' => [new Listing(array_map($this->blocks(...), array_values($c)))],
            'OrderedList' => [new Listing(array_map($this->blocks(...), is_array($c[1] ?? null) ? array_values($c[1]) : []), is_int($c[0][0] ?? null) ? max(0, $c[0][0]) : 1)],
            'DefinitionList' => [$this->definitions($c)],
            'Table' => $this->grid($c),
            'Div' => $this->div($c),
            default => [],
        };
    }

    /**
     * @param  array<mixed>  $c
     * @return list<Block>
     */
    private function heading(array $c): array
    {
        $line = $this->line($c[2] ?? []);
        // The title of the document, as pages carry it.
        if (in_array('title', self::classes($c[1] ?? null), true)) {
            $this->title = $line;

            return [];
        }

        return [new Heading(is_int($c[0] ?? null) ? max(1, $c[0]) : 1, $line)];
    }

    /**
     * @param  array<mixed>  $c
     * @return list<Block>
     */
    private function div(array $c): array
    {
        $names = self::classes($c[0] ?? null);
        foreach (is_array($c[0][2] ?? null) ? $c[0][2] : [] as $pair) {
            if (is_array($pair) && ($pair[0] ?? '') === 'custom-style') {
                $names[] = self::string($pair[1] ?? '');
            }
        }
        $blocks = $this->blocks($c[1] ?? []);
        foreach ($names as $name) {
            $style = Style::called($name);
            if ($style !== null) {
                $this->isOurs = true;

                return [new Styled($style, $blocks)];
            }
        }

        return $blocks;
    }

    /** @param  array<mixed>  $c */
    private function definitions(array $c): Listing
    {
        $items = [];
        foreach ($c as $one) {
            $blocks = is_array($one) ? [new Paragraph($this->line($one[0] ?? []))] : [];
            foreach (is_array($one) && is_array($one[1] ?? null) ? $one[1] : [] as $definition) {
                array_push($blocks, ...$this->blocks($definition));
            }
            $items[] = $blocks;
        }

        return new Listing($items);
    }

    /**
     * @param  array<mixed>  $c
     * @return list<Block>
     */
    private function grid(array $c): array
    {
        $sides = array_map(fn (mixed $spec): string => self::SIDES[self::string(is_array($spec) ? $spec[0]['t'] ?? '' : '')] ?? '', is_array($c[2] ?? null) ? array_values($c[2]) : []);
        $head = $this->rows($c[3][1] ?? []);
        $rows = [];
        foreach (is_array($c[4] ?? null) ? $c[4] : [] as $body) {
            array_push($rows, ...(is_array($body) ? [...$this->rows($body[2] ?? []), ...$this->rows($body[3] ?? [])] : []));
        }
        array_push($rows, ...$this->rows($c[5][1] ?? []));
        $first = array_shift($head) ?? [];
        $isBlank = array_filter($first, fn (array $cell): bool => $cell !== []) === [];

        return $sides === [] ? [] : [new Grid($sides, $isBlank ? [] : $first, [...$head, ...$rows])];
    }

    /** @return list<list<list<Inline>>> */
    private function rows(mixed $nodes): array
    {
        $rows = [];
        foreach (is_array($nodes) ? $nodes : [] as $row) {
            $cells = [];
            foreach (is_array($row) && is_array($row[1] ?? null) ? $row[1] : [] as $cell) {
                $cells[] = $this->flat($this->blocks(is_array($cell) ? $cell[4] ?? [] : []));
            }
            $rows[] = $cells;
        }

        return $rows;
    }

    /**
     * Blocks as one line of text.
     *
     * @param  list<Block>  $blocks
     * @return list<Inline>
     */
    private function flat(array $blocks): array
    {
        $line = [];
        foreach ($blocks as $block) {
            $own = match (true) {
                $block instanceof Heading, $block instanceof Paragraph => $block->text,
                $block instanceof Styled, $block instanceof Quote => $this->flat($block->blocks),
                $block instanceof Listing => $this->flat(array_merge(...$block->items)),
                $block instanceof CodeText => [Words::plain($block->text, Run::CODE)],
                default => [],
            };
            $line = [...$line, ...($line !== [] && $own !== [] ? [Words::plain("\n")] : []), ...$own];
        }

        return $line;
    }

    /** @return list<Inline> */
    private function line(mixed $nodes): array
    {
        $line = [];
        $this->inlines($nodes, 0, null, $line);

        return Words::joined($line);
    }

    /** @param  list<Inline>  $line */
    private function inlines(mixed $nodes, int $marks, ?string $href, array &$line): void
    {
        foreach (is_array($nodes) ? $nodes : [] as $node) {
            $type = is_array($node) ? self::string($node['t'] ?? '') : '';
            $c = is_array($node) ? $node['c'] ?? null : null;
            $say = function (string $text, int $more = 0) use (&$line, $marks, $href): void {
                $line[] = new Words(new Run($text, $marks | $more, $href));
            };
            match (true) {
                isset(self::MARKS[$type]) => $this->inlines($c, $marks | self::MARKS[$type], $href, $line),
                $type === 'Str' => $say(self::string($c)),
                $type === 'Space', $type === 'SoftBreak' => $say(' '),
                $type === 'LineBreak' => $say("\n"),
                $type === 'Code' => $say(self::string(is_array($c) ? $c[1] ?? '' : ''), Run::CODE),
                $type === 'SmallCaps' => $this->inlines($c, $marks, $href, $line),
                $type === 'Quoted' => $this->quoted(is_array($c) ? $c : [], $marks, $href, $line),
                $type === 'Cite' => $this->inlines(is_array($c) ? $c[1] ?? [] : [], $marks, $href, $line),
                $type === 'Span' => $this->inlines(is_array($c) ? $c[1] ?? [] : [], $marks | (is_array($c) && in_array('underline', self::classes($c[0] ?? null), true) ? Run::UNDERLINE : 0), $href, $line),
                $type === 'Link' => $this->inlines(is_array($c) ? $c[1] ?? [] : [], $marks, self::string(is_array($c) ? $c[2][0] ?? '' : ''), $line),
                $type === 'Math' => $line[] = new Formula(self::string(is_array($c) ? $c[1] ?? '' : ''), is_array($c) && ($c[0]['t'] ?? '') === 'DisplayMath'),
                $type === 'Image' => $line[] = $this->image(is_array($c) ? $c : []),
                $type === 'Note' => $line[] = new Footnote($this->flat($this->blocks($c))),
                default => null,
            };
        }
    }

    /**
     * @param  array<mixed>  $c
     * @param  list<Inline>  $line
     */
    private function quoted(array $c, int $marks, ?string $href, array &$line): void
    {
        [$open, $close] = ($c[0]['t'] ?? '') === 'SingleQuote' ? ['‘', '’'] : ['“', '”'];
        $line[] = Words::plain($open, $marks, $href);
        $this->inlines($c[1] ?? [], $marks, $href, $line);
        $line[] = Words::plain($close, $marks, $href);
    }

    /** @param  array<mixed>  $c */
    private function image(array $c): Image
    {
        $about = implode('', array_map(fn (Inline $one): string => $one instanceof Words ? $one->run->text : '', $this->line($c[1] ?? [])));
        $file = self::string($c[2][0] ?? '');
        $wide = null;
        foreach (is_array($c[0][2] ?? null) ? $c[0][2] : [] as $pair) {
            if (is_array($pair) && ($pair[0] ?? '') === 'width') {
                $wide = self::pixels(self::string($pair[1] ?? ''));
            }
        }
        [$source, $size] = $this->pictures[$file] ?? [$file, null];

        return new Image($source, trim($about), $wide, $size);
    }

    /** A length as pictures have it, "3.5in", "120px". */
    public static function pixels(string $length): ?int
    {
        $unit = ['px' => 1.0, '' => 1.0, 'in' => 96.0, 'cm' => 96 / 2.54, 'mm' => 96 / 25.4, 'pt' => 96 / 72];

        return preg_match('/^(\d+(?:\.\d+)?)(px|in|cm|mm|pt|)$/D', $length, $m) === 1 ? max(1, (int) round((float) $m[1] * $unit[$m[2]])) : null;
    }

    /** @return list<string> */
    private static function classes(mixed $attributes): array
    {
        return array_values(array_filter(is_array($attributes) && is_array($attributes[1] ?? null) ? $attributes[1] : [], is_string(...)));
    }

    private static function string(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }
}
