<?php

declare(strict_types=1);

use ChalkTree\Text\Advances;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Line;
use ChalkTree\Text\Run;
use ChalkTree\Text\TypeFace;
use ChalkTree\Text\Wrapper;
use FontLib\Font;
use League\CommonMark\Environment\Environment;
use League\CommonMark\Extension\CommonMark\CommonMarkCoreExtension;
use League\CommonMark\Extension\CommonMark\Node\Inline\AbstractWebResource;
use League\CommonMark\Extension\CommonMark\Node\Inline\Code;
use League\CommonMark\Extension\CommonMark\Node\Inline\Emphasis;
use League\CommonMark\Extension\CommonMark\Node\Inline\HtmlInline;
use League\CommonMark\Extension\CommonMark\Node\Inline\Strong;
use League\CommonMark\Extension\Strikethrough\Strikethrough;
use League\CommonMark\Extension\Strikethrough\StrikethroughExtension;
use League\CommonMark\Node\Inline\Newline;
use League\CommonMark\Node\Inline\Text;
use League\CommonMark\Node\Node;
use League\CommonMark\Parser\MarkdownParser;
use Tests\Support\Chance;

/** What league/commonmark makes of the same text, as runs that compare. */
function referenceRuns(string $markdown): array
{
    static $parser = null;
    if ($parser === null) {
        $environment = new Environment;
        $environment->addExtension(new CommonMarkCoreExtension);
        $environment->addExtension(new StrikethroughExtension);
        $parser = new MarkdownParser($environment);
    }
    $runs = [];
    $collect = function (Node $node, int $marks, ?string $href) use (&$collect, &$runs): void {
        $marks |= match (true) {
            $node instanceof Strong => Run::BOLD,
            $node instanceof Emphasis => Run::ITALIC,
            $node instanceof Strikethrough => Run::STRIKE,
            default => 0,
        };
        $href = $node instanceof AbstractWebResource ? $node->getUrl() : $href;
        $text = match (true) {
            $node instanceof Code => $node->getLiteral(),
            $node instanceof Text, $node instanceof HtmlInline => $node->getLiteral(),
            $node instanceof Newline => "\n",
            default => null,
        };
        if ($text !== null) {
            $marks |= $node instanceof Code ? Run::CODE : 0;
            $last = count($runs) - 1;
            if ($last >= 0 && $runs[$last][1] === $marks && $runs[$last][2] === $href) {
                $runs[$last][0] .= $text;
            } elseif ($text !== '') {
                $runs[] = [$text, $marks, $href];
            }
        }
        foreach ($node->children() as $child) {
            $collect($child, $marks, $href);
        }
    };
    // The letter keeps the text from being taken for a list or a heading.
    $collect($parser->parse('x'.$markdown.'x'), 0, null);

    return $runs;
}

function ourRuns(string $markdown): array
{
    return array_map(fn (Run $run): array => [$run->text, $run->marks, $run->href], InlineMarkdown::runs($markdown));
}

it('reads inline Markdown as a CommonMark parser does', function () {
    $chance = new Chance(11);
    $pieces = ['a', 'b c', ' ', ' ', '*', '*', '**', '***', '_', '__', '~~', '`', '``', '\\*', '\\', '&amp;', '&copy;', '&x', 'é', '漢', '.', ',', '(', ')', '!', '"', '[a](http://x.y)', '[b *c*](<d-e>)', '[', ']', '<http://q.r>', 'q@s.t'];
    for ($i = 0; $i < 6000; $i++) {
        $markdown = '';
        for ($n = $chance->int(1, 14); $n > 0; $n--) {
            $markdown .= $chance->pick($pieces);
        }
        if (str_contains($markdown, '\\`')) {
            continue; // The specification leaves open whether an escaped backtick counts among its neighbours.
        }
        expect(ourRuns('x'.$markdown.'x'))->toBe(referenceRuns($markdown), "reading: x{$markdown}x");
    }
});

it('reads every line break as one, and underline between its tags', function () {
    expect(ourRuns("a\nb<br>c"))->toBe([["a\nb\nc", 0, null]])
        ->and(ourRuns('<u>a **b**</u> </u><u>'))->toBe([['a ', Run::UNDERLINE, null], ['b', Run::UNDERLINE | Run::BOLD, null], [' </u><u>', 0, null]]);
});

it('never lets a title lead to anything that runs', function (string $address) {
    foreach (InlineMarkdown::runs("[x]({$address}) <{$address}>") as $run) {
        expect($run->href)->toBeNull();
    }
})->with(['javascript:alert(1)', 'JaVaScRiPt:alert(1)', 'data:text/html,x', 'vbscript:x', 'java&#10;script:alert(1)', 'file:///etc/passwd']);

it('writes plain text so that it reads back as that text', function () {
    $chance = new Chance(5);
    for ($i = 0; $i < 4000; $i++) {
        $text = '';
        for ($n = $chance->int(0, 12); $n > 0; $n--) {
            $text .= $chance->pick(['*', '_', '~~', '~', '`', '\\', '[', ']', '(', ')', '<', '>', '<u>', '<br>', '&amp;', '&', '!', 'a', ' ', 'é', "\n"]);
        }
        $text = preg_replace('/ *\n */', "\n", $text);
        expect(InlineMarkdown::plain(InlineMarkdown::escape($text)))->toBe($text);
    }
});

it('has the widths that are in the shipped fonts', function (TypeFace $face, int $style) {
    $file = $face->file(($style & Run::BOLD) !== 0, ($style & Run::ITALIC) !== 0);
    $font = Font::load(__DIR__."/../../resources/fonts/{$file}.ttf");
    $font->parse();
    $advances = new Advances;
    $metrics = $font->getData('hmtx');
    $count = 0;
    foreach ($font->getUnicodeCharMap() as $code => $glyph) {
        if ($code >= 33) {
            expect($advances->width(mb_chr($code), $style | $face->cut()))->toBe($metrics[$glyph][0]);
            $count++;
        }
    }
    expect($count)->toBeGreaterThan(300)->and($font->getData('head', 'unitsPerEm'))->toBe(1000);
})->with(TypeFace::cases())->with([0, Run::BOLD, Run::ITALIC, Run::BOLD | Run::ITALIC]);

it('wraps within the limit and loses nothing', function () {
    $chance = new Chance(3);
    $wrapper = new Wrapper($advances = new Advances);
    for ($i = 0; $i < 1500; $i++) {
        $title = $chance->title();
        $limit = $chance->int(40, 320);
        $lines = $wrapper->wrap($title, 15, $limit, $chance->yes(50) ? Run::BOLD : 0);
        $text = '';
        foreach ($lines as $line) {
            $longest = max([0, ...array_map(fn (array $part): int => mb_strlen($part['run']->text), $line->parts)]);
            expect($line->width)->toBeLessThanOrEqual($longest > 1 ? $limit + 0.001 : 60, $title);
            foreach ($line->parts as $part) {
                // Where it stands, DirectionTest looks after.
                expect($part['w'])->toEqualWithDelta($advances->width($part['run']->text, $part['run']->marks) * 0.015, 0.001);
                $text .= $part['run']->text;
            }
        }
        expect(preg_replace('/\s/u', '', $text))->toBe(preg_replace('/\s/u', '', InlineMarkdown::plain($title)));
    }
});

it('honours line breaks, breaks words that are too long, and breaks between ideographs', function () {
    $wrapper = new Wrapper(new Advances);
    $texts = fn (string $title, float $limit): array => array_map(
        fn (Line $line): string => implode('', array_map(fn (array $part): string => $part['run']->text, $line->parts)),
        $wrapper->wrap($title, 16, $limit),
    );

    expect($texts("one\ntwo\n\nthree", 200))->toBe(['one', 'two', '', 'three'])
        ->and(count($texts(str_repeat('x', 100), 100)))->toBeGreaterThan(5)
        ->and($texts('漢字漢字漢字', 50))->toBe(['漢字漢', '字漢字'])
        ->and($texts('漢 字 a', 200))->toBe(['漢 字 a'])
        ->and($texts('well-known', 60))->toBe(['well-', 'known'])
        ->and($texts('', 60))->toBe(['']);
});

it('gives every character some width and combining marks none', function () {
    $advances = new Advances;

    expect($advances->width("e\u{301}", 0))->toBe($advances->width('e', 0))
        ->and($advances->width('👩‍👩‍👧', 0))->toBe($advances->width('👩', 0))
        ->and($advances->width('漢', 0))->toBeGreaterThanOrEqual(1000)
        ->and($advances->width('שלום', 0))->toBeGreaterThan(1000)
        ->and($advances->width("\u{200b}", 0))->toBe(0);
});

it('sets indices and exponents lower and higher, and writes them as tags', function () {
    expect(ourRuns('H<sub>2</sub>O and x<sup>**2**</sup> <sub>'))->toBe([['H', 0, null], ['2', Run::SUB, null], ['O and x', 0, null], ['2', Run::SUPER | Run::BOLD, null], [' <sub>', 0, null]])
        ->and(InlineMarkdown::write([new Run('H'), new Run('2', Run::SUB), new Run('O')]))->toBe('H<sub>2</sub>O')
        ->and(InlineMarkdown::plain('H<sub>2</sub>O'))->toBe('H2O');
    $advances = new Advances;
    expect($advances->width('222', Run::SUB))->toBe((int) ceil($advances->width('222', 0) * 0.7))
        ->and($advances->width('222', Run::SUPER | Run::BOLD))->toBe((int) ceil($advances->width('222', Run::BOLD) * 0.7));
});

it('cuts text that is wider than its line between words, and inside one where it has to', function (string $text, float $limit, string $cut) {
    $wrapper = new Wrapper(new Advances);
    $kept = $wrapper->cut($text, 13, $limit);
    expect($kept)->toBe($cut)->and($wrapper->plainExtent($kept, 13, INF)[0])->toBeLessThanOrEqual(max($limit, $wrapper->plainExtent('…', 13, INF)[0]));
})->with([
    'all of it' => ['Paper lanterns', 200, 'Paper lanterns'],
    'between words' => ['Paper lanterns over the harbour', 150, 'Paper lanterns over the…'],
    'inside the first' => ['Lanternmakersguild', 60, 'Lantern…'],
    'no more than the sign' => ['Lanterns', 4, '…'],
    'never inside a character' => ['👩‍🚀👩‍🚀👩‍🚀👩‍🚀', 40, '👩‍🚀…'],
    'nothing' => ['', 10, ''],
]);

it('measures text of plain characters as it does cluster by cluster', function (string $text) {
    $advances = new Advances;
    // A mark of no width at the end makes it go cluster by cluster.
    expect($advances->width($text, 0))->toBe($advances->width("{$text}\u{200D}", 0))->and($advances->width($text, Run::BOLD))->toBe($advances->width("{$text}\u{200D}", Run::BOLD));
})->with(['Größe·Übermaß', 'Żółć—łódź', 'Ελληνικά', 'Привет', "a\u{A0}·\u{A0}b…", '“quoted”', 'naïveté‰']);
