<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\EmbeddedFonts;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\Draw\Thumbnail;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Formats;
use ChalkTree\Exchange\MarkdownWriter;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TreeCheck;
use ChalkTree\Text\InlineMarkdown;
use Tests\Support\Chance;
use Tests\Support\RandomMaps;

/** The titles of a map, indented by their depth. */
function sketch(string $contents, string $file): string
{
    return rtrim(str_replace("\t", '  ', Formats::write(Formats::read($contents, $file), 'txt')));
}

it('writes and reads our JSON without losing anything', function (int $seed) {
    $map = RandomMaps::map(new Chance($seed), 40, notes: true);
    $json = Formats::write($map, 'json');
    $again = Formats::read($json, 'map.json');

    expect(Formats::write($again, 'json'))->toBe($json)
        ->and(RandomMaps::reading($again))->toEqual(RandomMaps::reading($map))
        ->and(TreeCheck::problems($again))->toBe([]);
})->with(range(1, 20));

it('writes and reads OPML and Markdown with titles, captions, notes and formatting', function (int $seed, string $format) {
    $map = RandomMaps::map(new Chance($seed), 40, notes: true, loose: false);

    expect(RandomMaps::reading(Formats::read(Formats::write($map, $format), "map.{$format}")))->toEqual(RandomMaps::reading($map));
})->with(range(1, 30))->with(['opml', 'md']);

it('writes Markdown with headings to any depth and reads it back', function (int $headings) {
    $map = RandomMaps::map(new Chance(77), 60, notes: true, loose: false);

    expect(RandomMaps::reading(Formats::read((new MarkdownWriter($headings))->write($map), 'a.md')))->toEqual(RandomMaps::reading($map));
})->with([1, 2, 3, 4, 6]);

it('writes and reads text', function (int $seed) {
    $map = RandomMaps::map(new Chance($seed), 40, loose: false);
    $filled = array_values(array_filter(RandomMaps::reading($map, all: false), fn (array $line): bool => $line[1] !== ''));
    $again = Formats::read(Formats::write($map, 'txt'), 'a.txt');

    expect(array_column(RandomMaps::reading($again, all: false), 1))->toBe(
        count(array_filter($filled, fn (array $line): bool => $line[0] === $filled[0][0])) === 1 || $filled[0][0] === 0
            ? array_column($filled, 1)
            : ['a', ...array_column($filled, 1)],
    );
})->with(range(1, 10));

it('reads text indented by tabs or by any number of spaces', function (string $indent) {
    $text = "Plan\n{$indent}Boats\n{$indent}{$indent}Ferry\n\n{$indent}{$indent}{$indent}Out\n{$indent}Music\n";

    expect(sketch($text, 'a.txt'))->toBe("Plan\n  Boats\n    Ferry\n      Out\n  Music");
})->with(["\t", '  ', '   ', '    ', '        ']);

it('reads Windows line ends, byte order marks, UTF-16 and blank lines', function (string $contents) {
    expect(sketch($contents, 'a.txt'))->toBe("Plan\n  Bœuf\n  Pâté");
})->with([
    "Plan\r\n\tBœuf\r\n\r\n\tPâté\r\n",
    "\xEF\xBB\xBFPlan\n\tBœuf\n   \n\tPâté",
    "\xFF\xFE".mb_convert_encoding("Plan\r\n\tBœuf\r\n\tPâté", 'UTF-16LE', 'UTF-8'),
    "Plan\r\tBœuf\r\tPâté",
]);

it('hangs several top lines below a root named after the file', function () {
    expect(sketch("One\nTwo\n", '/tmp/shopping list.txt'))->toBe("shopping list\n  One\n  Two");
});

it('keeps signs in plain text from being taken for formatting', function () {
    $map = Formats::read("*Plan*\n\ta_b_c\n", 'a.txt');

    expect(Formats::write($map, 'txt'))->toBe("*Plan*\n\ta_b_c\n");
});

it('reads Markdown with any mixture of headings and lists', function (string $markdown, string $sketch) {
    expect(sketch($markdown, 'plan.md'))->toBe($sketch);
})->with([
    'skipped levels' => ["# A\n\n### B\n\n## C\n\n- d\n    - e\n      1. f\n- g", "A\n  B\n  C\n    d\n      e\n        f\n    g"],
    'only a list' => ["* a\n  + b\n* c", "plan\n  a\n    b\n  c"],
    'numbers indented by two' => ["1. a\n  1. b\n  2. c\n2. d", "plan\n  a\n    b\n    c\n  d"],
    'underlined headings' => ["Title\n=====\n\nPart\n----\n\n- x", "Title\n  Part\n    x"],
    'closed headings' => ["# A #\n\n## B ##", "A\n  B"],
    'tasks and wrapped items' => ["# A\n- [ ] do\n- [x] done and\n  over", "A\n  do\n  done and over"],
    'front matter' => ["---\ntitle: x\n---\n# A\n## B", "A\n  B"],
    'only paragraphs' => ["One line.\n\nAnother\none.", "plan\n  One line.\n  Another one."],
    'code that looks like headings' => ["# A\n\n```\n# no\n```\n\n## B", "A\n  B"],
    'rules between' => ["# A\n\n---\n\n## B\n\n***\n\n- c", "A\n  B\n    c"],
]);

it('keeps what stands below a heading or an item as its note', function () {
    $map = Formats::read("# A\n\nOne\ntwo.\n\n> three\n\n- b\n\n  below b\n\n      code\n\n  ```\n  # x\n  ```\n- c", 'a.md');
    $notes = array_values(array_map(fn ($topic): string => $topic->note, $map->all()));

    expect($notes)->toBe(["One\ntwo.\n\n> three", "below b\n\n    code\n\n```\n# x\n```", '']);
});

it('reads OPML of other programs', function () {
    $opml = <<<'XML'
        <?xml version="1.0"?>
        <opml version="1.0" xmlns:x="urn:x">
          <head><title>Plan</title><expansionState>1</expansionState></head>
          <body>
            <outline text="&lt;b&gt;Bold&lt;/b&gt; &amp;amp; &lt;a href=&quot;http://a.b&quot;&gt;link&lt;/a&gt;" x:colour="red" created="x">
              <outline title="Only a title" type="link" url="http://q"/>
            </outline>
            <outline text="a &lt; b" _note="line one&#10;line two"/>
          </body>
        </opml>
        XML;
    $map = Formats::read($opml, 'x.opml');
    $topics = array_values($map->all());

    expect(array_map(fn ($topic): string => $topic->title, $topics))->toBe(['Plan', '**Bold** & [link](<http://a.b>)', 'Only a title', 'a < b'])
        ->and($topics[3]->note)->toBe("line one\nline two");
});

it('tells the format by contents where the name does not say', function () {
    expect(sketch("# A\n- b", 'clip'))->toBe("A\n  b")
        ->and(sketch("<opml><body><outline text='x'/></body></opml>", 'clip'))->toBe('x')
        ->and(sketch("a\n\tb", 'clip'))->toBe("a\n  b");
});

it('refuses hostile and broken files with a sentence', function (string $file, Closure $contents) {
    $memory = memory_get_usage();
    try {
        Formats::read($contents(), $file);
        $said = null;
    } catch (UnreadableFile $refused) {
        $said = $refused->getMessage();
    }

    expect($said)->toBeString()->toMatch('/[.!]$/')->and(memory_get_usage() - $memory)->toBeLessThan(80_000_000);
})->with([
    'an entity bomb' => ['a.opml', fn () => '<!DOCTYPE o [<!ENTITY a "ha"><!ENTITY b "&a;&a;&a;">]><opml><body><outline text="&b;"/></body></opml>'],
    'an external entity' => ['a.opml', fn () => '<!DOCTYPE o [<!ENTITY a SYSTEM "file:///etc/passwd">]><opml><body><outline text="&a;"/></body></opml>'],
    'a DOCTYPE in UTF-16' => ['a.opml', fn () => "\xFF\xFE".mb_convert_encoding('<!DOCTYPE o SYSTEM "http://x"><opml/>', 'UTF-16LE')],
    'an unknown entity' => ['a.opml', fn () => '<opml><body><outline text="&x;"/></body></opml>'],
    'truncated XML' => ['a.opml', fn () => '<opml version="2.0"><body><outline text="a"><outline text="b"'],
    'XML that is no outline' => ['a.opml', fn () => '<html><body/></html>'],
    'an outline without topics' => ['a.opml', fn () => '<opml><body/></opml>'],
    '50 MB' => ['a.txt', fn () => str_repeat("a line\n", 7_500_000)],
    'too many topics' => ['a.txt', fn () => str_repeat("a\n", 30_000)],
    'nesting without end' => ['a.txt', fn () => implode("\n", array_map(fn (int $n): string => str_repeat(' ', $n).'x', range(0, 1500)))],
    'invalid UTF-8' => ['a.md', fn () => "# A\n\xC3\x28"],
    'bytes' => ['a.txt', fn () => "PK\x03\x04\0\0\0"],
    'nothing' => ['a.md', fn () => " \n\n"],
    'truncated JSON' => ['a.json', fn () => '{"format":"chalk-tree-map","version":1,"topics":[{"id":'],
    'other JSON' => ['a.json', fn () => '{"name":"x"}'],
    'a later version' => ['a.json', fn () => '{"format":"chalk-tree-map","version":2}'],
    'JSON nested deep' => ['a.json', fn () => str_repeat('[', 5000).str_repeat(']', 5000)],
    'a title too long' => ['a.txt', fn () => str_repeat('x', 20_001)],
]);

it('refuses our JSON where it makes no tree', function (array $topics) {
    $file = ['format' => 'chalk-tree-map', 'version' => 1, 'title' => null, 'arrangement' => 'both-sides', 'root' => str_repeat('0', 26), 'topics' => $topics];
    Formats::read(json_encode($file), 'a.json');
})->with([
    'no root' => [[['id' => str_repeat('1', 26), 'parent' => null]]],
    'a cycle' => [[['id' => str_repeat('0', 26), 'parent' => null], ['id' => str_repeat('1', 26), 'parent' => str_repeat('2', 26)], ['id' => str_repeat('2', 26), 'parent' => str_repeat('1', 26)]]],
    'a missing parent' => [[['id' => str_repeat('0', 26), 'parent' => null], ['id' => str_repeat('1', 26), 'parent' => str_repeat('2', 26)]]],
    'an id twice' => [[['id' => str_repeat('0', 26), 'parent' => null], ['id' => str_repeat('0', 26), 'parent' => null]]],
    'an id that is none' => [[['id' => '../../x', 'parent' => null]]],
    'an unknown field' => [[['id' => str_repeat('0', 26), 'parent' => null, 'script' => 'x']]],
])->throws(UnreadableFile::class);

it('reads 200 levels of nesting in every format', function (string $format) {
    $chain = $top = new TopicDraft('Top');
    for ($i = 0; $i < 200; $i++) {
        $chain = $chain->children[] = new TopicDraft("Level {$i}");
    }
    $map = NewMap::from($top);

    expect(RandomMaps::reading(Formats::read(Formats::write($map, $format), "a.{$format}")))->toEqual(RandomMaps::reading($map));
})->with(array_diff(Formats::writable(), ['ics']));

it('draws SVG that is well-formed, whatever the titles say, with the cuts it uses', function (int $seed) {
    $map = RandomMaps::map(new Chance($seed), 60, notes: true);
    $scene = Layout::of($map, View::folding(array_slice(array_map(strval(...), array_keys($map->all())), 5, 3)))->scene();
    foreach (BoardTheme::cases() as $board) {
        $svg = (new SvgWriter($board, new EmbeddedFonts(__DIR__.'/../../resources/fonts')))->write($scene, '<&"');
        $document = new DOMDocument;
        expect($document->loadXML($svg))->toBeTrue()
            ->and($document->getElementsByTagName('script')->length)->toBe(0)
            ->and(substr_count($svg, '@font-face'))->toBeGreaterThanOrEqual(1);
        $text = preg_replace('/\s/u', '', $document->getElementsByTagName('svg')[0]->textContent);
        foreach ($scene->slips as $slip) {
            foreach (InlineMarkdown::runs($slip->topic->title) as $run) {
                expect(str_contains($text, preg_replace('/\s/u', '', $run->text)))->toBeTrue();
            }
        }
    }
    expect((new DOMDocument)->loadXML((new Thumbnail)->write($scene)))->toBeTrue();
})->with([1, 2, 3]);
