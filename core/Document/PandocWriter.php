<?php

declare(strict_types=1);

namespace ChalkTree\Document;

use ChalkTree\Text\Address;
use ChalkTree\Text\Run;

/** Writes documents as the JSON that pandoc reads, of its types 1.22 (https://hackage.haskell.org/package/pandoc-types). */
final readonly class PandocWriter
{
    /**
     * @param  array<string, string>  $files  the files of pictures, by their sources; those without one are told by their words
     * @param  bool  $encodesStyles  whether names of styles may hold no space, as in OpenDocument
     */
    public function __construct(private array $files = [], private bool $encodesStyles = false)
    {
    }

    public function write(Document $document): string
    {
        return json_encode([
            'pandoc-api-version' => [1, 22, 2, 1],
            'meta' => [
                'title' => ['t' => 'MetaInlines', 'c' => $this->line($document->title)],
                ...($document->author === '' ? [] : ['author' => ['t' => 'MetaList', 'c' => [['t' => 'MetaInlines', 'c' => $this->line([Words::plain($document->author)])]]]]),
                'lang' => ['t' => 'MetaString', 'c' => $document->language],
            ],
            'blocks' => $this->blocks($document->blocks),
        ], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE, 100_000);
    }

    /**
     * @param  list<Block>  $blocks
     * @return list<array<string, mixed>>
     */
    private function blocks(array $blocks): array
    {
        return array_map($this->block(...), $blocks);
    }

    /** @return array<string, mixed> */
    private function block(Block $block): array
    {
        return match (true) {
            $block instanceof Heading => ['t' => 'Header', 'c' => [$block->level, self::named($block->anchor, $block->isAlone ? ['alone'] : []), $this->line($block->text)]],
            $block instanceof Paragraph => ['t' => 'Para', 'c' => $this->anchored($block)],
            $block instanceof Styled => ['t' => 'Div', 'c' => [['', [$block->style->cssClass()], [['custom-style', $this->encodesStyles ? str_replace(' ', '_20_', $block->style->value) : $block->style->value]]], $this->blocks($block->blocks)]],
            $block instanceof Quote => ['t' => 'BlockQuote', 'c' => $this->blocks($block->blocks)],
            $block instanceof CodeText => ['t' => 'CodeBlock', 'c' => [['', $block->language === '' ? [] : [$block->language], []], $block->text]],
            $block instanceof Rule => ['t' => 'HorizontalRule'],
            $block instanceof Grid => $this->grid($block),
            $block instanceof Listing => $this->listing($block),
            $block instanceof Columns => self::div('columns', array_map(fn (array $blocks): array => self::div('column', $this->blocks($blocks)), $block->columns)),
            $block instanceof SpokenNotes => self::div('notes', $this->blocks($block->blocks)),
            default => ['t' => 'Null'],
        };
    }

    /**
     * @param  list<array<string, mixed>>  $blocks
     * @return array<string, mixed>
     */
    private static function div(string $class, array $blocks): array
    {
        return ['t' => 'Div', 'c' => [['', [$class], []], $blocks]];
    }

    /** @return array<string, mixed> */
    private function listing(Listing $listing): array
    {
        $items = array_map($this->blocks(...), $listing->items);

        return $listing->from === null ? ['t' => 'BulletList', 'c' => $items]
            : ['t' => 'OrderedList', 'c' => [[$listing->from, ['t' => 'Decimal'], ['t' => 'Period']], $items]];
    }

    /** @return array<string, mixed> */
    private function grid(Grid $grid): array
    {
        $sides = ['left' => 'AlignLeft', 'center' => 'AlignCenter', 'right' => 'AlignRight', '' => 'AlignDefault'];
        $none = self::named('');

        return ['t' => 'Table', 'c' => [
            $none, [null, []],
            array_map(fn (string $side): array => [['t' => $sides[$side]], ['t' => 'ColWidthDefault']], $grid->sides),
            [$none, $grid->head === [] ? [] : [$this->row($grid->head, count($grid->sides))]],
            [[$none, 0, [], array_map(fn (array $row): array => $this->row($row, count($grid->sides)), $grid->rows)]],
            [$none, []],
        ]];
    }

    /**
     * @param  list<list<Inline>>  $cells
     * @return array<mixed>
     */
    private function row(array $cells, int $columns): array
    {
        $row = [];
        for ($i = 0; $i < $columns; $i++) {
            $text = $cells[$i] ?? [];
            $row[] = [self::named(''), ['t' => 'AlignDefault'], 1, 1, $text === [] ? [] : [['t' => 'Plain', 'c' => $this->line($text)]]];
        }

        return [self::named(''), $row];
    }

    /** @return list<array<string, mixed>> */
    private function anchored(Paragraph $paragraph): array
    {
        $line = $this->line($paragraph->text);

        return $paragraph->anchor === '' ? $line : [['t' => 'Span', 'c' => [self::named($paragraph->anchor), $line]]];
    }

    /**
     * @param  list<Inline>  $text
     * @return list<array<string, mixed>>
     */
    private function line(array $text): array
    {
        $line = [];
        foreach ($text as $i => $one) {
            if ($one instanceof Words) {
                $href = $one->run->href;
                $words = $this->words($one->run);
                $before = $text[$i - 1] ?? null;
                if ($href === null || ! (str_starts_with($href, '#') || Address::isSafe($href))) {
                    array_push($line, ...$words);
                } elseif ($before instanceof Words && $before->run->href === $href && $line !== []) {
                    // What is formatted differently within one link stays one link.
                    $line[count($line) - 1]['c'][1] = [...$line[count($line) - 1]['c'][1], ...$words];
                } else {
                    $line[] = ['t' => 'Link', 'c' => [['', [], []], $words, [$href, '']]];
                }
            } else {
                array_push($line, ...$this->thing($one));
            }
        }

        return $line;
    }

    /** @return list<array<string, mixed>> */
    private function words(Run $run): array
    {
        $words = [];
        foreach (explode("\n", $run->text) as $i => $line) {
            $i === 0 ?: $words[] = ['t' => 'LineBreak'];
            if ($line !== '') {
                $words[] = $run->marks & Run::CODE ? ['t' => 'Code', 'c' => [['', [], []], $line]] : ['t' => 'Str', 'c' => $line];
            }
        }
        foreach ([Run::SUB => 'Subscript', Run::SUPER => 'Superscript', Run::STRIKE => 'Strikeout', Run::UNDERLINE => 'Underline', Run::ITALIC => 'Emph', Run::BOLD => 'Strong'] as $mark => $type) {
            $words = $run->marks & $mark && $words !== [] ? [['t' => $type, 'c' => $words]] : $words;
        }

        return $words;
    }

    /** @return list<array<string, mixed>> */
    private function thing(Inline $one): array
    {
        if ($one instanceof Formula) {
            return [['t' => 'Math', 'c' => [['t' => $one->isDisplayed ? 'DisplayMath' : 'InlineMath'], $one->tex]]];
        }
        if ($one instanceof Footnote) {
            return [['t' => 'Note', 'c' => [['t' => 'Para', 'c' => $this->line($one->text)]]]];
        }
        $about = $one instanceof Image ? $one->about : '';
        $words = $about === '' ? [] : [['t' => 'Str', 'c' => $about]];
        if (! $one instanceof Image || ! isset($this->files[$one->source])) {
            return $words;
        }

        return [['t' => 'Image', 'c' => [['', [], $one->wide === null ? [] : [['width', "{$one->wide}px"]]], $words, [$this->files[$one->source], '']]]];
    }

    /**
     * @param  list<string>  $classes
     * @return array{string, list<string>, list<mixed>}
     */
    private static function named(string $id, array $classes = []): array
    {
        return [$id, $classes, []];
    }
}
