<?php

declare(strict_types=1);

use ChalkTree\Edit\Edits;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Formats;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Exchange\XmlBounds;
use ChalkTree\Find\BadPattern;
use ChalkTree\Find\Finder;
use ChalkTree\Find\PatternProcess;
use ChalkTree\Find\Query;
use ChalkTree\Map\NewMap;
use ChalkTree\Paste\Clip;
use ChalkTree\Paste\ClipLine;
use ChalkTree\Paste\Nesting;
use ChalkTree\Text\Blank;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Run;
use ChalkTree\Text\RunForm;
use ChalkTree\Text\Sentences;
use League\CommonMark\CommonMarkConverter;
use Tests\Support\Chance;
use Tests\Support\Outline;
use Tests\Support\RandomMaps;

it('takes blanks from the ends of a text and no part of a letter', function (string $text, string $left) {
    expect(Blank::trim($text))->toBe($left)->and(Blank::trimStart($text.'x'))->toEndWith('x');
})->with([
    ['voilà', 'voilà'], ['£5 a cup', '£5 a cup'], ["\u{a0}à\u{a0}", 'à'], [" \u{3000}\t全\u{200b}", '全'], ["\u{feff}a ", 'a'], ["\u{a0} \u{a0}", ''], ['', ''], ['  a b  ', 'a b'],
]);

it('reads lines that end or begin with letters of two bytes', function () {
    $text = "Café\n\tdéjà\n\t£5 a cup\n\t«à la carte»\u{a0}\n\tÀ\n";
    expect(Outline::of(Formats::read($text, 'menu.txt')))->toBe("Café\n\tdéjà\n\t£5 a cup\n\t«à la carte»\n\tÀ\n")
        ->and(array_map(fn (ClipLine $line): string => $line->text, Clip::read($text)->lines))->toBe(['Café', 'déjà', '£5 a cup', '«à la carte»', 'À']);
    $spans = Sentences::spans('Er sagte „à. Dann ging er. „É. Marlow kam.');
    foreach ($spans as [$begin, $end]) {
        expect(mb_check_encoding(substr('Er sagte „à. Dann ging er. „É. Marlow kam.', $begin, $end - $begin), 'UTF-8'))->toBeTrue();
    }
});

/** @return list<Run> */
function randomRuns(Chance $chance): array
{
    $words = [
        'Note:', 'see', 'a', 'b', '"q"', '(x)', '灯笼', '、', 'é', '*', '_', '`', '``', '~', '~~', '<', '<u>', '</b>', '&', '&amp;', '\\', '[', ']', '!', '![', '](',
        ' ', '  ', "\n", ' x', 'y ', '.', '1', '🏮', "\u{a0}", 'https://a.example', '&#',
    ];
    $addresses = [null, null, null, null, 'https://a.example/x?a=1&amp=2', 'https://a.example/(b)', 'mailto:x@y.example', 'javascript:alert(1)', 'https://a.example/<b>', 'https://x.example\\y', '/maps/a b'];
    $runs = [];
    for ($n = $chance->int(1, 5); $n > 0; $n--) {
        $text = '';
        for ($k = $chance->int(1, 3); $k > 0; $k--) {
            $text .= $chance->pick($words);
        }
        $runs[] = new Run($text, $chance->yes(30) ? $chance->int(0, 31) : $chance->pick([0, 1, 2, 3, 4, 8, 16, 17, 5, 12]), $chance->pick($addresses));
    }

    return $runs;
}

it('writes any formatted text as Markdown that reads back as it', function (int $seed) {
    $chance = new Chance($seed);
    for ($i = 0; $i < 1000; $i++) {
        $runs = randomRuns($chance);
        $form = RunForm::of($runs);
        $markdown = InlineMarkdown::write($runs);
        expect(InlineMarkdown::runs($markdown))->toEqual($form, $markdown)
            ->and(RunForm::of($form))->toEqual($form)
            ->and(InlineMarkdown::write($form))->toBe($markdown);
    }
})->with(range(1, 6));

it('uses tags only where signs cannot stand', function (array $runs, string $markdown) {
    expect(InlineMarkdown::write($runs))->toBe($markdown);
})->with([
    [[new Run('Note:', Run::BOLD), new Run('see')], '<b>Note:</b>see'],
    [[new Run('Note:', Run::BOLD), new Run(' see')], '**Note:** see'],
    [[new Run('Note: ', Run::BOLD), new Run('see')], '**Note:** see'],
    [[new Run('a', Run::BOLD), new Run('b', Run::ITALIC)], '**a***b*'],
    [[new Run('灯笼'), new Run('「笼」', Run::BOLD), new Run('笼')], '灯笼<b>「笼」</b>笼'],
    [[new Run('Hi!'), new Run('there', 0, 'https://a.example')], 'Hi\\![there](<https://a.example>)'],
    [[new Run('x', Run::STRIKE | Run::UNDERLINE)], '<u>~~x~~</u>'],
]);

it('says to any reader of CommonMark what it says to ours', function () {
    $html = (new CommonMarkConverter)->convert(InlineMarkdown::write([new Run('Note:', Run::BOLD), new Run('see '), new Run('b', Run::ITALIC), new Run(' & <c>')]))->getContent();
    expect(trim(strip_tags($html)))->toContain('Note:see b')->and($html)->toContain('<b>Note:</b>see <em>b</em>');
});

it('keeps what other formats would have lost', function (string $format, TopicDraft $draft) {
    $map = NewMap::from(new TopicDraft('R', children: [$draft]));
    $again = Formats::read(Formats::write($map, $format), "x.{$format}");
    expect(RandomMaps::reading($again))->toEqual(RandomMaps::reading($map));
})->with([
    'a generic type in OPML' => ['opml', new TopicDraft('List\\<String>')],
    'an entity in OPML' => ['opml', new TopicDraft('a \\&amp; b')],
    'tags in OPML' => ['opml', new TopicDraft('\\<b>not bold\\</b>')],
    'the same in Markdown' => ['md', new TopicDraft('List\\<String>')],
    'bold before a letter' => ['md', new TopicDraft('<b>Note:</b>see')],
]);

it('takes a rule at the beginning of Markdown for one, and only what has keys for front matter', function (string $text, string $outline) {
    expect(Outline::of(Formats::read($text, 'x.md')))->toBe($outline);
})->with([
    ["---\n\nBoats go out.\n\n---\n\nThey come back.\n", "x\n\tBoats go out.\n\tThey come back.\n"],
    ["---\nBoats go out at noon\nand come back\n---\n", "Boats go out at noon and come back\n"],
    ["---\ntitle: Plan\ntags:\n  - a\n---\n# Plan\n", "Plan\n"],
    ["# a ## b ##\n", "a ## b\n"],
    ["# \n## c#\n", "\n\tc#\n"],
]);

it('reads no numbers into initials', function (string $text, array $lines) {
    expect(array_map(fn (ClipLine $line): string => str_repeat('  ', $line->level).$line->text, Clip::read($text)->lines))->toBe($lines);
})->with([
    ["A. Marlow\nN. Brook", ['A. Marlow', 'N. Brook']],
    ["D. Marlow\nE. Brook", ['D. Marlow', 'E. Brook']],
    ["M. Marlow\nM. Brook", ['M. Marlow', 'M. Brook']],
    ["A. Boats\nB. Ropes\nC. Sails", ['Boats', 'Ropes', 'Sails']],
    ["c) Boats\nd) Ropes", ['Boats', 'Ropes']],
]);

it('offers as parents what reads as a heading over all, recurs in groups, or leads in a list', function (string $text, string $html, array $lines) {
    $clip = Clip::read($text, $html);
    expect(array_map(fn (ClipLine $line): string => str_repeat('  ', $line->level).$line->text, $clip->lines))->toBe($lines)
        ->and($clip->isSure())->toBeFalse();
    $flat = array_map(fn (ClipLine $line): int => $line->level, Clip::read($text, $html, headingWords: false)->lines);
    expect(max($flat))->toBeLessThan(max(array_map(fn (ClipLine $line): int => $line->level, $clip->lines)));
})->with([
    'a first line before a blank one' => ["Festival plan\n\nBoats\nLanterns", '', ['Festival plan', '  Boats', '  Lanterns']],
    'and blocks below it' => ["Plan\n\nBoats\nHull\n\nMusic\nChoir", '', ['Plan', '  Boats', '    Hull', '  Music', '    Choir']],
    'the same in each group' => [
        "Day 1\nMorning\nboats\nAfternoon\nchoir\nDay 2\nMorning\ntea\nAfternoon\ndrums\nDay 3\nMorning\nbread", '',
        ['Day 1', '  Morning', '    boats', '  Afternoon', '    choir', 'Day 2', '  Morning', '    tea', '  Afternoon', '    drums', 'Day 3', '  Morning', '    bread'],
    ],
    'bold before a list' => ['', '<p>Intro</p><p><b>You need</b></p><ul><li>paper</li></ul><p>Then</p>', ['Intro', '**You need**', '  paper', 'Then']],
    'a colon before a list' => ['', '<p>Steps:</p><ol><li>cut</li></ol>', ['Steps:', '  cut']],
]);

it('does not take for headings what is none', function (string $text, string $html, array $lines) {
    $clip = Clip::read($text, $html);
    expect(array_map(fn (ClipLine $line): string => str_repeat('  ', $line->level).$line->text, $clip->lines))->toBe($lines);
})->with([
    'paragraphs' => ["One of them\n\nAnother one\n\nA third", '', ['One of them', 'Another one', 'A third']],
    'an address line' => ["Dear all,\n\nBoats\nLanterns", '', ['Dear all,', 'Boats', 'Lanterns']],
    'an item that groups share' => ["Day 1\nboats\nlunch\nDay 2\nropes\nlunch\nDay 3\nlunch\ntea", '', ['Day 1', '  boats', '  lunch', 'Day 2', '  ropes', '  lunch', 'Day 3', '  lunch', '  tea']],
    'some bold before a list' => ['', '<p><b>You</b> need paper</p><ul><li>paper</li></ul>', ['**You** need paper', 'paper']],
]);

it('searches by pattern in a process that ends, and once for all texts', function () {
    $slow = '(?:a?){14}[bc]';
    expect(PatternProcess::match("\x01(?:a|a|aa)*\$\x01u", array_fill(0, 50, str_repeat('a', 60).'b'), 0.3))->toBeNull();
    $query = new Query($slow, isPattern: true);
    $map = NewMap::from(new TopicDraft('R', children: array_map(fn (): TopicDraft => new TopicDraft('', note: str_repeat('a', 3000)), range(1, 40))));
    try {
        expect((new Finder($query))->hits($map, null, 10))->toBe([]);
    } catch (BadPattern $refused) {
        expect($refused->getMessage())->toContain('too long');
    }
});

it('finds by pattern what it always found, and refuses what was not there when it was prepared', function () {
    $query = new Query('(\\w)(x)?', isPattern: true);
    $finds = $query->in('à b');
    expect(array_map(fn ($find): array => [$find->at, $find->length, $find->groups], $finds))->toBe([[0, 2, ['à', 'à']], [3, 1, ['b', 'b']]]);

    $map = Outline::map("R\n\tone boat\n\ttwo boats\n");
    $edit = Edits::read('text.replace', ['find' => ['text' => 'boats?', 'pattern' => true], 'with' => 'ship']);
    $edit->prepare($map);
    $map->put($map->topic(Outline::id($map, 'one boat'))->with(['title' => 'one new boat']));
    expect(fn () => Edits::apply($edit, $map))->toThrow(BadPattern::class, 'changed while');

    $edit = Edits::read('text.replace', ['find' => ['text' => 'boats?', 'pattern' => true], 'with' => 'ship']);
    $edit->prepare($map);
    Edits::apply($edit, $map);
    expect(Outline::of($map))->toBe("R\n\tone new ship\n\ttwo ship\n")->and($edit->replaced())->toBe(2);
});

it('shows a stretch around each of many finds in a long note', function () {
    $note = str_repeat('à boat ', 20_000);
    $hits = (new Finder(new Query('boat')))->hits(NewMap::from(new TopicDraft('R', note: $note)), null, 20_000);
    expect($hits)->toHaveCount(20_000)
        ->and($hits[10_000]->before)->toStartWith('…')->and(mb_strlen($hits[10_000]->before))->toBeLessThan(45)
        ->and($hits[0]->before)->toBe('à ')->and($hits[19_999]->after)->toBe(' ');
});

it('refuses files that would take more than their size to read', function (callable $file, string $name, string $says) {
    expect(fn () => Formats::read($file(), $name))->toThrow(UnreadableFile::class, $says);
})->with([
    'a text of 15 MB' => [fn (): string => '<opml><body><outline text="'.str_repeat('a', 15_000_000).'"/></body></opml>', 'x.opml', 'longer than a note'],
    'a hundred thousand levels of XML' => [fn (): string => '<opml><body>'.str_repeat('<outline text="a">', 100_000), 'x.opml', '1,000 levels'],
    'many attributes' => [fn (): string => '<opml><body><outline '.implode(' ', array_map(fn (int $n): string => "a{$n}=\"\"", range(1, 5000))).'/></body></opml>', 'x.opml', '200 attributes'],
    'many tags' => [fn (): string => '<opml><body>'.str_repeat('<a/>', 600_000), 'x.opml', 'tags'],
    'a tag that never ends' => [fn (): string => '<opml><outline text="a', 'x.opml', 'cut off'],
    'a comment that never ends' => [fn (): string => '<opml><!-- a', 'x.opml', 'cut off'],
    'a chain in our own JSON' => [function (): string {
        $ids = array_map(fn (int $n): string => sprintf('01m83fb3naxzstcfd12b%06d', $n), range(0, 9999));

        return json_encode(['format' => 'chalk-tree-map', 'version' => 1, 'title' => null, 'arrangement' => 'rightward', 'root' => $ids[0], 'topics' => array_map(fn (int $n): array => ['id' => $ids[$n]] + ($n > 0 ? ['parent' => $ids[$n - 1]] : []), range(0, 9999))]);
    }, 'x.json', '1,000 levels'],
    'a million small lists' => [fn (): string => '{"format":"chalk-tree-map","topics":['.str_repeat('[1],', 1_000_000).'1]}', 'x.json', 'more in it'],
    'a parked root' => [fn (): string => json_encode(['format' => 'chalk-tree-map', 'version' => 1, 'title' => null, 'arrangement' => 'rightward', 'root' => $id = '01m83fb3naxzstcfd12bs9h8pw', 'topics' => [['id' => $id, 'parked' => $id]]]), 'x.json', 'parking lot'],
]);

it('looks over XML as a parser would', function (string $xml) {
    XmlBounds::check($xml);
    expect(Outline::of(Formats::read($xml, 'x.opml')))->toBe("a\n");
})->with([
    '<?xml version="1.0"?><!-- < " \' > --><opml><body><outline text="a"/></body></opml>',
    '<opml><head><x><![CDATA[ <b " ]]></x></head><body><outline text=\'a\' _x="it\'s > that"></outline></body></opml>',
]);

it('takes words only from HTML that nests deeper than any page', function () {
    foreach (['<b>', '<div>', '<ul><li>', '<span><p>'] as $tags) {
        $clip = Clip::read('', str_repeat($tags, 20_000).'deep &amp; down');
        expect(implode('', array_map(fn (ClipLine $line): string => $line->text, $clip->lines)))->toBe('deep & down');
    }
    expect(Nesting::depth('<p>a<p>b<br><b>c</b></i></b><b>', 99))->toBe(1)
        ->and(Nesting::depth(str_repeat('<div><p>', 30), 99))->toBe(30)
        ->and(array_map(fn (ClipLine $line): string => $line->text, Clip::read('the text beside', str_repeat('<b>', 1000).'x')->lines))->toBe(['the text beside']);
});

it('comes to an end with texts that make a sign be looked for in vain from everywhere', function (string $text, string $html) {
    expect(Clip::read($text, $html)->lines)->toHaveCount(1);
})->with([
    'brackets' => [str_repeat('[', 400_000), ''],
    'blank lines' => [str_repeat("\n", 400_000).'x', ''],
    'spaces' => [str_repeat(' ', 400_000).'x', ''],
    'stars' => [str_repeat('**a ', 100_000), ''],
    'styles' => ['', '<p style="'.str_repeat('mso-list:', 60_000).'">x</p>'],
    'attributes' => ['x', '<p '.implode(' ', array_map(fn (int $n): string => "a{$n}=\"<\"", range(1, 40_000))).'>x</p>'],
    'bases' => ['x', str_repeat('<base ', 15_000).'<p>x</p>'],
    'canonical links' => ['x', str_repeat('<link rel="canonical" ', 4_000).'<p>x</p>'],
]);

it('comes to an end with long notes and titles of blanks and of tags that never close', function () {
    $map = NewMap::from(new TopicDraft('R', note: str_repeat(' ', 400_000)."x\n".str_repeat('y ', 20_000)));
    Edits::apply(Edits::read('text.send', ['topics' => [$map->root()->id], 'from' => 'note', 'to' => 'title']), $map);
})->throws(ChalkTree\Edit\InvalidEdit::class, 'A title holds');

it('comes to an end with a title of tags that never close', function () {
    Formats::read('<opml><body><outline text="'.str_repeat('&lt;a', 100_000).'"/></body></opml>', 'x.opml');
})->throws(UnreadableFile::class, 'title');

it('finds quotes and apostrophes however they are set', function (string $asked, int $found) {
    $note = "“I don’t,” she said. 'No.' \"Yes\" „Ja“";
    expect((new Finder(new Query($asked)))->hits(NewMap::from(new TopicDraft('R', note: $note)), null, 100))->toHaveCount($found);
})->with([["don't", 1], ['don’t', 1], ['"I', 1], ['„Yes”', 1], ["'", 3], ['"', 6], ['"Ja"', 1]]);
