<?php

declare(strict_types=1);

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Map\Bounds;
use ChalkTree\Paste\Clip;
use ChalkTree\Paste\ClipLine;
use ChalkTree\Paste\Landing;
use ChalkTree\Text\InlineMarkdown;
use Tests\Support\Chance;

/** @return list<string> the lines of a clip, indented by two spaces a level */
function clipped(string $text, string $html = '', bool $headings = true): array
{
    return array_map(fn (ClipLine $line): string => str_repeat('  ', $line->level).$line->text, Clip::read($text, $html, headingWords: $headings)->lines);
}

/** @return list<string> */
function decidedBy(string $text, string $html = ''): array
{
    return array_map(fn (ClipLine $line): string => $line->how, Clip::read($text, $html)->lines);
}

it('reads levels from text', function (string $text, array $lines) {
    expect(clipped($text))->toBe($lines);
})->with([
    'tabs' => ["Stalls\n\tSoup\n\t\tLeek\n\tBread\nActs", ['Stalls', '  Soup', '    Leek', '  Bread', 'Acts']],
    'spaces of one width' => ["a\n  b\n    c\n  d", ['a', '  b', '    c', '  d']],
    'spaces of any width' => ["a\n   b\n        c\n   d\n e", ['a', '  b', '    c', '  d', '  e']],
    'tabs and spaces mixed' => ["a\n\tb\n    c\n        d\n\t\te", ['a', '  b', '  c', '    d', '    e']],
    'no-break spaces' => ["a\n\u{a0}\u{a0}b", ['a', '  b']],
    'all of it indented' => ["    a\n      b\n    c", ['a', '  b', 'c']],
    'blank lines' => ["\n\na\n\n\n\tb\n   \n\tc\n", ['a', '  b', '  c']],
    'bullets of many signs' => ["• a\n  ◦ b\n    ▪ c\n• d\n– e", ['a', '  b', '    c', 'd', '  e']],
    'bullets alone tell the level' => ["• a\n◦ b\n▪ c\n◦ d\n• e", ['a', '  b', '    c', '  d', 'e']],
    'bullets below plain lines' => ["Buy\n- milk\n- bread\nBake\n- cake", ['Buy', '  milk', '  bread', 'Bake', '  cake']],
    'a new list with another bullet' => ["- a\n- b\n\n* c\n* d", ['a', 'b', 'c', 'd']],
    'the o of word processors' => ["·\ta\no\tb\no\tc", ['a', '  b', '  c']],
    'empty items' => ["- a\n- \n-\n• \n1.\n- b", ['a', 'b']],
    'decimal numbers alone' => ["1. a\n1.1 b\n1.1.1 c\n1.2 d\n2. e\n2.1 f", ['a', '  b', '    c', '  d', 'e', '  f']],
    'letters below numbers' => ["1. a\na) b\nb) c\n2. d\na) e", ['a', '  b', '  c', 'd', '  e']],
    'Roman numbers' => ["i. a\nii. b\niii. c\niv. d\nv. e", ['a', 'b', 'c', 'd', 'e']],
    'letters past h' => ["g) a\nh) b\ni) c\nj) d", ['a', 'b', 'c', 'd']],
    'Roman below letters' => ["A. a\ni. b\nii. c\nB. d", ['a', '  b', '  c', 'd']],
    'paragraph signs' => ["§ 1 a\n§ 1.1 b\n§ 2 c", ['a', '  b', 'c']],
    'a text below a number' => ["1. Fold\nGently, in the middle.\n2. Cut", ['Fold', '  Gently, in the middle.', 'Cut']],
    'what only looks like a number' => ["1.5 litres of water\n2026 was good\nA. Marlow rang", ['1.5 litres of water', '2026 was good', 'A. Marlow rang']],
    'Markdown headings and lists' => ["# A\ntext\n## B\n- x\n  - y\n# C", ['A', '  text', '  B', '    x', '      y', 'C']],
    'underlined headings' => ["A\n===\nx\n\nB\n---\ny\n\n[z](https://z.example)", ['A', '  x', '  B', '    y', '    [z](https://z.example)']],
    'tasks' => ["- [ ] a\n- [x] b\n  - [ ] c", ['a', 'b', '  c']],
    'a table' => ["| a | b |\n|---|---|\n| 1 | 2 |", ['a – b', '1 – 2']],
    'tabs between words' => ["soup\t4\nbread\t2", ['soup – 4', 'bread – 2']],
    'stars that mean nothing' => ["2 * 3 * 4\nfile_name_x", ['2 \* 3 \* 4', 'file\_name\_x']],
    'Windows line ends' => ["a\r\n\tb\r\n", ['a', '  b']],
]);

it('offers lines that read as headings as parents', function (string $text, array $lines) {
    expect(clipped($text))->toBe($lines)
        ->and(decidedBy($text))->toContain('offered')
        ->and(Clip::read($text)->isSure())->toBeFalse();
})->with([
    'a counter' => ["Day 1\nSoup\nBread\nDay 2\nTea", ['Day 1', '  Soup', '  Bread', 'Day 2', '  Tea']],
    'colons' => ["Stalls:\nSoup\nActs:\nChoir\nDrums", ['Stalls:', '  Soup', 'Acts:', '  Choir', '  Drums']],
    'both, the first outside' => ["Day 1\nStalls:\nSoup\nActs:\nChoir\nDay 2\nStalls:\nTea", ['Day 1', '  Stalls:', '    Soup', '  Acts:', '    Choir', 'Day 2', '  Stalls:', '    Tea']],
    'blocks' => ["Stalls\nSoup\nBread\n\nActs\nChoir", ['Stalls', '  Soup', '  Bread', 'Acts', '  Choir']],
]);

it('leaves such lines alone if told to, and does not see headings in every numbered thing', function () {
    expect(clipped("Day 1\nSoup\nDay 2\nTea", headings: false))->toBe(['Day 1', 'Soup', 'Day 2', 'Tea'])
        ->and(clipped("Stall 1\nStall 2\nStall 3"))->toBe(['Stall 1', 'Stall 2', 'Stall 3'])
        ->and(clipped("One sentence.\nAnother one.\n\nA third.\nAnd more."))->toBe(['One sentence.', 'Another one.', 'A third.', 'And more.']);
});

it('says how each level was decided', function () {
    expect(decidedBy("a\n\tb\nc"))->toBe(['first', 'tab', 'same'])
        ->and(decidedBy("a\n  b"))->toBe(['first', 'indent'])
        ->and(decidedBy("a\n- b\n1. c\n2. d"))->toBe(['first', 'bullet', 'number', 'number'])
        ->and(decidedBy("# a\n## b\n\n| c | d |"))->toBe(['first', 'heading', 'table'])
        ->and(decidedBy('', '<p>a</p><ul><li>b<p>c</p></li></ul>'))->toBe(['first', 'list', 'body']);
});

it('reads levels from HTML', function (string $html, array $lines) {
    expect(clipped('', $html))->toBe($lines);
})->with([
    'headings' => ['<h1>A</h1><p>x</p><h2>B</h2><p>y</p><h1>C</h1>', ['A', '  x', '  B', '    y', 'C']],
    'nested lists' => ['<ul><li>a<ul><li>b</li></ul></li><li>c</li></ul>', ['a', '  b', 'c']],
    'lists right in lists' => ['<ul><li>a</li><ul><li>b</li></ul><li>c</li></ul>', ['a', '  b', 'c']],
    'a list led in by a colon' => ['<p>You need:</p><ul><li>paper</li></ul><p>Then</p>', ['You need:', '  paper', 'Then']],
    'empty items and paragraphs' => ['<ul><li></li><li> &nbsp; </li><li>a</li></ul><p><br></p><p>b</p>', ['a', 'b']],
    'paragraphs in an item' => ['<ol><li><p>Fold</p><p>Gently.</p></li><li>Cut</li></ol>', ['Fold', '  Gently.', 'Cut']],
    'lines in a paragraph' => ['<p>a<br>b</p>', ['a', 'b']],
    'a table' => ['<table><tr><th>a</th><th>b</th></tr><tr><td>1</td><td></td></tr></table>', ['a – b', '1']],
    'a table for layout' => ['<table><tr><td><ul><li>a</li><li>b</li></ul></td></tr></table>', ['a', 'b']],
    'definitions' => ['<dl><dt>Slack</dt><dd>no tide</dd></dl>', ['Slack', '  no tide']],
    'formatting and links' => ['<p>a <b>b</b> <i>c</i> <a href="https://a.example/x">d</a> <code>e*f</code></p>', ['a **b** *c* [d](<https://a.example/x>) `e*f`']],
    'formatting by styles' => ['<p><span style="font-weight:700">a</span> <b style="font-weight:normal">b</b> <span style="font-style: italic">c</span></p>', ['**a** b *c*']],
    'a list of a word processor' => [
        "<p class=L style='mso-list:l0 level1 lfo1'><!--[if !supportLists]--><span style='mso-list:Ignore'>·<span>  </span></span><!--[endif]-->a</p><p class=L style='mso-list:l0 level2 lfo1'><![if !supportLists]><span style='mso-list:Ignore'>o </span><![endif]><b>b</b></p>",
        ['a', '  **b**'],
    ],
    'levels in attributes' => ['<ul><li aria-level="1">a</li></ul><ul><li aria-level="2">b</li></ul>', ['a', '  b']],
    'numbers in paragraphs' => ['<p>1. a</p><p>1.1 b</p><p>2. c</p>', ['a', '  b', 'c']],
    'what is not text' => ['<style>p{}</style><script>alert(1)</script><p>a<span style="display:none">x</span></p><title>t</title>', ['a']],
    'links that run something' => ['<p><a href="javascript:alert(1)">a</a> <a href="data:text/html,x">b</a></p>', ['a b']],
    'signs that are no tags' => ['<p>1 &lt; 2 &amp; 3 *x*</p>', ['1 < 2 & 3 \*x\*']],
    'preformatted lines' => ["<pre>a\nb</pre>", ['a', 'b']],
]);

it('keeps the address of the page and makes its links whole', function () {
    $html = '<html><head><base href="https://saltmere.example/craft/lantern.html"></head><body><p><a href="/glue">glue</a> <a href="paper.html">paper</a> <a href="#top">up</a></p></body></html>';
    expect(Clip::read('', $html)->source)->toBe('https://saltmere.example/craft/lantern.html')
        ->and(clipped('', $html))->toBe(['[glue](<https://saltmere.example/glue>) [paper](<https://saltmere.example/craft/paper.html>) up'])
        ->and(Clip::read('', "Version:0.9\nStartHTML:1\nSourceURL:https://saltmere.example/x\n<html><body><p>a</p></body></html>")->source)->toBe('https://saltmere.example/x')
        ->and(Clip::read('a', '', 'javascript:alert(1)')->source)->toBeNull()
        ->and(Clip::read('a', '', "https://saltmere.example/y\nTitle")->source)->toBe('https://saltmere.example/y');
});

it('refuses what is too large, and survives a thousand nested tags', function () {
    expect(fn () => Clip::read(str_repeat('x', Clip::LARGEST + 1)))->toThrow(UnreadableFile::class)
        ->and(fn () => Clip::read(str_repeat("x\n", Bounds::MOST_TOPICS + 1)))->toThrow(UnreadableFile::class)
        ->and(fn () => Clip::read("\xff"))->toThrow(InvalidEdit::class)
        ->and(implode('', clipped('', str_repeat('<div><b>', 1000).'deep'.str_repeat('</b></div>', 1000))))->toContain('deep')
        ->and(Clip::read('', '')->lines)->toBe([]);
});

/** A random mixture of indents, bullets, numbers, headings, blank lines and words. */
function mixture(Chance $chance): string
{
    $lines = [];
    for ($n = $chance->int(1, 14); $n > 0; $n--) {
        $indent = str_repeat($chance->pick(["\t", ' ', '  ', "\u{a0}", "\u{3000}"]), $chance->int(0, 4));
        $mark = $chance->pick(['', '', '', '- ', '* ', '• ', '◦ ', '– ', 'o  ', '1. ', '1.2 ', '2.1.3. ', 'a) ', '(b) ', 'iv. ', 'I. ', '§ 3 ', '# ', '### ', '- [ ] ', '☐ ', '> ', '| ', '```', '1', '.', '***', '---']);
        $text = $chance->pick(['', $chance->title(), $chance->word(), 'Day '.$chance->int(1, 3), $chance->word().':', '- '.$chance->word(), '1. '.$chance->word()]);
        $lines[] = $indent.$mark.$text.$chance->pick(['', '', ' ', ' |', ' #', "\t".$chance->word()]);
    }

    return implode($chance->pick(["\n", "\n", "\r\n", "\n\n"]), $lines);
}

/** The same sort of words in tags, closed or not. */
function tagged(Chance $chance): string
{
    $html = '';
    for ($n = $chance->int(1, 16); $n > 0; $n--) {
        $tag = $chance->pick(['p', 'div', 'h1', 'h3', 'ul', 'ol', 'li', 'b', 'i', 'a href="https://a.example"', 'table', 'tr', 'td', 'br', 'span style="font-weight:bold"', 'pre', 'dl', 'dt', 'dd', 'blockquote', 'code', "p style='mso-list:l0 level3 lfo1'"]);
        $html .= $chance->yes(70) ? "<{$tag}>" : '</'.strtok($tag, ' ').'>';
        $html .= htmlspecialchars($chance->pick(['', $chance->word(), mixture($chance)]));
    }

    return $html;
}

/** Letters and digits, which is what must not get lost. */
function lettersOf(string $text): string
{
    preg_match_all('/[\p{L}\p{N}]/u', $text, $found);
    $signs = $found[0];
    sort($signs);

    return implode('', $signs);
}

it('reads any mixture without losing a word or making an empty topic', function (int $seed) {
    $chance = new Chance($seed);
    for ($i = 0; $i < 1000; $i++) {
        $isHtml = $i % 2 === 1;
        $source = $isHtml ? tagged($chance) : mixture($chance);
        $clip = $isHtml ? Clip::read(html_entity_decode(strip_tags($source)), $source) : Clip::read($source);
        $previous = -1;
        $kept = '';
        foreach ($clip->lines as $line) {
            if (trim(InlineMarkdown::plain($line->text)) === '' || $line->level < 0 || $line->level > $previous + 1) {
                expect($line)->toBe('a topic with text, at most one level deeper than the one before', "seed {$seed}, {$i}: ".json_encode($source));
            }
            $previous = $line->level;
            $kept .= $line->mark.InlineMarkdown::plain($line->text);
        }
        if (! $isHtml) {
            // Numbers and bullets with nothing after them, and the word behind a fence, are not lines of their own.
            $wanted = implode("\n", array_filter(preg_split('/\R/', $source), fn (string $line): bool => preg_match('/\A[\s\x{a0}\x{3000}]*(?:(?:\(?\d{1,3}[.)]|\(?[a-zA-Z]\)|[-–*+•◦☐>|]|\[ \])[\s\x{a0}]*(?:\[ \])?[\s|#]*|```\S*\s*)\z/u', $line) !== 1));
            $wanted = strtr($wanted, ['<u>' => '', '</u>' => '', '&amp;' => '', '[ ]' => '', '[x]' => '']);
            $lost = array_diff_key(array_count_values(mb_str_split(lettersOf($wanted))), array_count_values(mb_str_split(lettersOf($kept))));
            expect(implode('', array_keys($lost)))->toBe('', "seed {$seed}, {$i}: ".json_encode($source));
        }
        if ($clip->lines !== []) {
            $landing = Landing::read(new Arguments(['lines' => array_map(fn (ClipLine $line): array => ['level' => $line->level, 'text' => $line->text, 'gap' => $line->gap], $clip->lines)]));
            expect(array_sum(array_map(fn (TopicDraft $draft): int => $draft->count(), $landing->topics('branches'))))->toBe(count($clip->lines));
        }
    }
})->with(range(1, 20));

it('lands lines as branches, paragraphs, one topic, note or caption', function () {
    $lines = [['level' => 0, 'text' => 'Stalls'], ['level' => 1, 'text' => 'Soup'], ['level' => 3, 'text' => '**Leek**'], ['level' => 1, 'text' => 'Bread', 'gap' => true]];
    $landing = Landing::read(new Arguments(['lines' => $lines, 'source' => 'https://saltmere.example/s']));
    [$top] = $landing->topics('branches');

    expect($top->title)->toBe('[Stalls](<https://saltmere.example/s>)')
        ->and(array_map(fn (TopicDraft $draft): string => $draft->title, $top->children))->toBe(['Soup', 'Bread'])
        ->and($top->children[0]->children[0]->title)->toBe('**Leek**')
        ->and(array_map(fn (TopicDraft $draft): string => $draft->title, $landing->topics('paragraphs')))->toBe(['Stalls Soup **Leek**', 'Bread'])
        ->and($landing->topics('one')[0]->title)->toBe("Stalls\nSoup\n**Leek**\nBread")
        ->and($landing->topics('one')[0]->note)->toBe('Source: <https://saltmere.example/s>')
        ->and($landing->note())->toBe("- Stalls\n  - Soup\n      - **Leek**\n  - Bread\n\nSource: <https://saltmere.example/s>")
        ->and($landing->caption())->toBe('Stalls Soup Leek Bread')
        ->and(fn () => Landing::read(new Arguments(['lines' => [['level' => 0, 'text' => ' ']]])))->toThrow(InvalidEdit::class);
});

it('lets notes land with their lines, whatever becomes of these', function () {
    $landing = fn (string $as, bool $gap = true): array => array_map(
        fn (TopicDraft $draft): array => [$draft->title, $draft->note, array_map(fn (TopicDraft $child): array => [$child->title, $child->note], $draft->children)],
        Landing::read(new Arguments(['lines' => [['level' => 0, 'text' => 'Fair', 'gap' => true, 'note' => 'On **Friday**.'], ['level' => 1, 'text' => 'Stalls', 'gap' => $gap, 'note' => "Twelve.\n\n| a |\n|---|\n| 1 |"], ['level' => 1, 'text' => 'Music', 'gap' => true]]]))->topics($as),
    );
    expect($landing('branches'))->toBe([['Fair', 'On **Friday**.', [['Stalls', "Twelve.\n\n| a |\n|---|\n| 1 |"], ['Music', '']]]])
        ->and($landing('paragraphs'))->toBe([['Fair', 'On **Friday**.', []], ['Stalls', "Twelve.\n\n| a |\n|---|\n| 1 |", []], ['Music', '', []]])
        ->and($landing('paragraphs', false))->toBe([['Fair Stalls', "On **Friday**.\n\nTwelve.\n\n| a |\n|---|\n| 1 |", []], ['Music', '', []]])
        ->and($landing('one'))->toBe([["Fair\nStalls\nMusic", "On **Friday**.\n\nTwelve.\n\n| a |\n|---|\n| 1 |", []]]);
    $note = Landing::read(new Arguments(['lines' => [['level' => 0, 'text' => 'Fair', 'note' => 'On Friday.'], ['level' => 1, 'text' => 'Stalls', 'note' => 'Twelve.']]]))->note();
    expect($note)->toBe("- Fair\n\n  On Friday.\n\n  - Stalls\n\n    Twelve.");
    expect(fn () => Landing::read(new Arguments(['lines' => [['level' => 0, 'text' => 'Fair', 'note' => ['x']]]])))->toThrow(InvalidEdit::class);
});
