<?php

declare(strict_types=1);

namespace ChalkTree\Document;

use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Run;
use League\CommonMark\Environment\Environment;
use League\CommonMark\Extension\CommonMark\Node\Block\BlockQuote;
use League\CommonMark\Extension\CommonMark\Node\Block\FencedCode;
use League\CommonMark\Extension\CommonMark\Node\Block\Heading as MarkdownHeading;
use League\CommonMark\Extension\CommonMark\Node\Block\IndentedCode;
use League\CommonMark\Extension\CommonMark\Node\Block\ListBlock;
use League\CommonMark\Extension\CommonMark\Node\Block\ThematicBreak;
use League\CommonMark\Extension\Table\Table;
use League\CommonMark\Extension\Table\TableCell;
use League\CommonMark\Extension\Table\TableExtension;
use League\CommonMark\Extension\Table\TableRow;
use League\CommonMark\Node\Block\AbstractBlock;
use League\CommonMark\Node\Node;
use League\CommonMark\Node\StringContainerInterface;
use League\CommonMark\Parser\MarkdownParser;

/** Reads the Markdown of notes as blocks: CommonMark, tables, tasks, formulas between dollar signs, footnotes; raw HTML stays text. */
final class NoteBlocks
{
    /** Blocks within blocks; deeper ones are text. */
    private const DEEPEST = 40;

    private const PICTURE = '!\[((?:[^\[\]\\\\]|\\\\.)*)\]\(\s*<?([^\s()<>]+)>?(?:\s+"[^"]*")?\s*\)';

    private const FORMULA = '(?<![\\\\$])(\$\$?)([^\s$](?:[^$]{0,1998}[^\s$\\\\])?)\3(?![\d$])';

    /** "^[words at the foot of the page]", as Pandoc has it; the brackets may be escaped, as editors do. */
    private const FOOTNOTE = '\^\[((?:[^\[\]\\\\]|\\\\.|\[[^\[\]]*\](?:\([^()\s]*\))?)++)\]|\^\\\\\[((?:[^\[\]\\\\]|\\\\[^\[\]]|\[[^\[\]]*\](?:\([^()\s]*\))?)++)\\\\\]';

    /** Stand around the number of something that is no text, while the text around it is read. */
    private const OPEN = "\u{FDD0}";

    private const CLOSE = "\u{FDD1}";

    public const OPEN_TASK = '☐';

    public const DONE_TASK = '☒';

    private static ?MarkdownParser $parser = null;

    /** @return list<Block> */
    public static function read(string $markdown): array
    {
        if (trim($markdown) === '') {
            return [];
        }
        // Most notes are paragraphs.
        if (preg_match('/^(?:[ \t]|[#>*+`~|-]|\d+[.)]|=|_)/m', $markdown) !== 1 && ! str_contains($markdown, '|')) {
            return array_map(fn (string $text): Block => new Paragraph(self::line($text)), preg_split('/\n{2,}/', trim($markdown)) ?: []);
        }

        return self::blocks(self::parser()->parse($markdown));
    }

    /**
     * One line of inline Markdown, with pictures, formulas and footnotes, which have none themselves.
     *
     * @return list<Inline>
     */
    public static function line(string $markdown, bool $isFootnote = false): array
    {
        $things = [];
        if (strpbrk($markdown, '!$^') !== false) {
            $markdown = str_replace([self::OPEN, self::CLOSE], '', $markdown);
            $marked = preg_replace_callback('/(?<!`)(?:`+)(?!`).*?(?<!`)`+(?!`)(*SKIP)(*FAIL)|'.self::PICTURE.'|'.self::FORMULA.($isFootnote ? '' : '|'.self::FOOTNOTE).'/us', function (array $m) use (&$things): string {
                $things[] = match (true) {
                    ($m[5] ?? '').($m[6] ?? '') !== '' => new Footnote(self::line(($m[5] ?? '').($m[6] ?? ''), true)),
                    ($m[3] ?? '') !== '' => new Formula($m[4], $m[3] === '$$'),
                    default => new Image(html_entity_decode($m[2], ENT_QUOTES | ENT_HTML5), InlineMarkdown::plain($m[1])),
                };

                return self::OPEN.(count($things) - 1).self::CLOSE;
            }, $markdown);
            $markdown = is_string($marked) ? $marked : $markdown;
        }
        $line = [];
        foreach (InlineMarkdown::runs($markdown) as $run) {
            if ($things === []) {
                $line[] = new Words($run);

                continue;
            }
            foreach (preg_split('/'.self::OPEN.'(\d+)'.self::CLOSE.'/u', $run->text, flags: PREG_SPLIT_DELIM_CAPTURE) ?: [] as $i => $part) {
                if ($i % 2 === 1) {
                    $line[] = $things[(int) $part] ?? Words::plain('');
                } elseif ($part !== '') {
                    $line[] = new Words(new Run($part, $run->marks, $run->href));
                }
            }
        }

        return $line;
    }

    /** @return list<Block> */
    private static function blocks(Node $node, int $depth = 0): array
    {
        $blocks = [];
        foreach ($node->children() as $child) {
            if ($child instanceof AbstractBlock) {
                $blocks[] = self::block($child, $depth);
            }
        }

        return $blocks;
    }

    private static function block(AbstractBlock $node, int $depth): Block
    {
        return match (true) {
            $depth > self::DEEPEST => new Paragraph([Words::plain(self::allText($node))]),
            $node instanceof MarkdownHeading => new Heading($node->getLevel(), self::line(self::text($node))),
            $node instanceof BlockQuote => new Quote(self::blocks($node, $depth + 1)),
            $node instanceof FencedCode => new CodeText(rtrim($node->getLiteral(), "\n"), $node->getInfoWords()[0] ?? ''),
            $node instanceof IndentedCode => new CodeText(rtrim($node->getLiteral(), "\n")),
            $node instanceof ThematicBreak => new Rule,
            $node instanceof ListBlock => self::listing($node, $depth),
            $node instanceof Table => self::grid($node),
            default => new Paragraph(self::line(self::text($node))),
        };
    }

    private static function listing(ListBlock $node, int $depth): Listing
    {
        $items = [];
        foreach ($node->children() as $item) {
            $items[] = self::task(self::blocks($item, $depth + 1));
        }

        return new Listing($items, $node->getListData()->type === ListBlock::TYPE_ORDERED ? ($node->getListData()->start ?? 1) : null);
    }

    /**
     * An item of a list of tasks begins with a box.
     *
     * @param  list<Block>  $blocks
     * @return list<Block>
     */
    private static function task(array $blocks): array
    {
        $first = ($blocks[0] ?? null) instanceof Paragraph ? $blocks[0]->text : [];
        $words = $first[0] ?? null;
        if ($words instanceof Words && preg_match('/^\[([ xX])\] /', $words->run->text, $m) === 1) {
            $box = new Words(new Run(($m[1] === ' ' ? self::OPEN_TASK : self::DONE_TASK).' '.substr($words->run->text, 4), $words->run->marks, $words->run->href));
            $blocks[0] = new Paragraph([$box, ...array_slice($first, 1)]);
        }

        return $blocks;
    }

    private static function grid(Table $table): Grid
    {
        $head = $rows = $sides = [];
        foreach ($table->children() as $section) {
            foreach ($section->children() as $row) {
                $cells = [];
                foreach ($row instanceof TableRow ? $row->children() : [] as $i => $cell) {
                    if ($cell instanceof TableCell) {
                        $cells[] = self::line(trim(self::text($cell)));
                        $sides[$i] ??= $cell->getAlign() ?? '';
                        $isHead = $cell->getType() === TableCell::TYPE_HEADER;
                    }
                }
                if (($isHead ?? false) && $head === []) {
                    $head = $cells;
                } else {
                    $rows[] = $cells;
                }
            }
        }

        /** @var list<''|'left'|'center'|'right'> */
        $sides = array_values($sides);

        return new Grid($sides, array_filter($head, fn (array $cell): bool => $cell !== []) === [] ? [] : $head, $rows);
    }

    /** What stands in a block, as it was written; nothing inline has been read. */
    private static function text(Node $node): string
    {
        $text = '';
        foreach ($node->children() as $child) {
            $text .= $child instanceof StringContainerInterface ? $child->getLiteral() : '';
        }

        return $text;
    }

    private static function allText(Node $node): string
    {
        $text = '';
        foreach ($node->iterator() as $one) {
            $text .= $one instanceof StringContainerInterface ? $one->getLiteral().' ' : '';
        }

        return trim($text);
    }

    private static function parser(): MarkdownParser
    {
        if (self::$parser === null) {
            $environment = new Environment(['max_nesting_level' => 200]);
            $environment->addExtension(new NoteSyntax)->addExtension(new TableExtension);
            self::$parser = new MarkdownParser($environment);
        }

        return self::$parser;
    }
}
