<?php

declare(strict_types=1);

use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Formats;
use ChalkTree\Exchange\InlineHtml;
use ChalkTree\Exchange\MarkdownWriter;
use ChalkTree\Exchange\TextReader;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Run;

function harbour(): TopicMap
{
    return NewMap::from(new TopicDraft('Harbour & *quay*', 'agreed', 'First paragraph.', children: [
        new TopicDraft('Permits', children: [
            new TopicDraft('Quay closed', '', "- from 17:00\n- signs a week before"),
            new TopicDraft("Fires:\nnone"),
        ]),
        new TopicDraft('# not a heading', children: [
            new TopicDraft('1. not a list'),
            new TopicDraft(''),
        ]),
    ]));
}

it('writes Markdown just so', function () {
    expect(Formats::write(harbour(), 'md'))->toBe(<<<'MD'
        # Harbour & *quay*

        <small>agreed</small>

        First paragraph.

        ## Permits

        - Quay closed

          <!-- note 1 -->
          - from 17:00
          - signs a week before
          <!-- /note 1 -->

        - Fires:<br>none

        ## \# not a heading

        - 1\. not a list
        -

        MD);
});

it('writes Markdown with as many heading levels as asked', function (int $headings, array $starts) {
    $lines = array_values(array_filter(explode("\n", (new MarkdownWriter($headings))->write(harbour())), fn (string $line): bool => preg_match('/Permits|Quay closed/', $line) === 1));

    expect($lines)->toBe($starts);
})->with([
    [1, ['- Permits', '  - Quay closed']],
    [2, ['## Permits', '- Quay closed']],
    [3, ['## Permits', '### Quay closed']],
]);

it('writes text just so', function () {
    expect(Formats::write(harbour(), 'txt'))->toBe("Harbour & quay\n\tPermits\n\t\tQuay closed\n\t\tFires: none\n\t# not a heading\n\t\t1. not a list\n\t\t\n");
});

it('writes OPML just so', function () {
    expect(Formats::write(harbour(), 'opml'))->toBe(<<<'XML'
        <?xml version="1.0" encoding="UTF-8"?>
        <opml version="2.0">
          <head>
            <title>Harbour &amp; quay</title>
          </head>
          <body>
            <outline text="Harbour &amp; quay" _markdown="Harbour &amp; *quay*" description="agreed" _note="First paragraph.">
              <outline text="Permits">
                <outline text="Quay closed" _note="- from 17:00&#10;- signs a week before"/>
                <outline text="Fires:&#10;none"/>
              </outline>
              <outline text="# not a heading">
                <outline text="1. not a list"/>
                <outline text=""/>
              </outline>
            </outline>
          </body>
        </opml>

        XML);
});

it('writes our JSON with what is set and nothing else', function () {
    $data = json_decode(Formats::write(harbour(), 'json'), true);
    $topics = $data['topics'];

    expect(array_keys($data))->toBe(['format', 'version', 'title', 'arrangement', 'root', 'topics'])
        ->and($data['format'])->toBe('chalk-tree-map')
        ->and($data['version'])->toBe(2)
        ->and($data['root'])->toBe($topics[0]['id'])
        ->and(array_keys($topics[0]))->toBe(['id', 'parent', 'title', 'caption', 'note'])
        ->and(array_keys($topics[1]))->toBe(['id', 'parent', 'title', 'side'])
        ->and($topics[1]['parent'])->toBe($topics[0]['id']);
});

it('puts loose topics behind the tree in every format', function (string $format) {
    $map = NewMap::from(new TopicDraft('Root', children: [new TopicDraft('A')]), [new TopicDraft('Loose')]);
    $text = Formats::write($map, $format);

    expect(strpos($text, 'Loose'))->toBeGreaterThan(strpos($text, 'A'));
})->with(array_diff(Formats::writable(), ['ics']));

it('keeps loose topics loose in our JSON', function () {
    $map = NewMap::from(new TopicDraft('Root'), [new TopicDraft('Loose', children: [new TopicDraft('Below')])]);
    $again = Formats::read(Formats::write($map, 'json'), 'a.json');

    expect(array_map(fn (Topic $topic): string => $topic->title, array_values($again->loose())))->toBe(['Loose']);
});

it('counts columns of indentation', function (string $line, int $columns) {
    expect(TextReader::columns($line))->toBe($columns);
})->with([
    ['x', 0],
    ['  x', 2],
    ["\tx", 8],
    ["  \tx", 8],
    ["\t  x", 10],
    ["\t\tx", 16],
    ['', 0],
]);

it('takes any deeper indentation for one level', function () {
    $map = Formats::read("a\n      b\n      c\n        d\n  e\n", 'x.txt');

    expect(Formats::write($map, 'txt'))->toBe("a\n\tb\n\tc\n\t\td\n\te\n");
});

it('turns simple HTML into Markdown', function (string $html, string $markdown) {
    expect(InlineHtml::markdown($html))->toBe($markdown);
})->with([
    ['plain', 'plain'],
    ['<b>bold</b> and <EM>slanted</EM>', '**bold** and *slanted*'],
    ['<u>under</u> <s>struck</s> <code>x*y</code>', '<u>under</u> ~~struck~~ `x*y`'],
    ['<a href="https://a.b/c?d=1&amp;e=2">there</a>', '[there](<https://a.b/c?d=1&e=2>)'],
    ['one<br/>two', "one\ntwo"],
    ['<span style="color:red">kept <b>words</b></span>', 'kept **words**'],
    ['5 &lt; 6 &amp; 7', '5 < 6 & 7'],
    ['a*b', 'a\\*b'],
    ['<script>alert(1)</script>', 'alert(1)'],
]);

it('writes runs so that they read back as the same', function (array $runs) {
    $again = InlineMarkdown::runs(InlineMarkdown::write($runs));

    expect($again)->toEqual($runs);
})->with([
    'bold' => [[new Run('a '), new Run('b', Run::BOLD), new Run(' c')]],
    'bold and slanted' => [[new Run('x', Run::BOLD | Run::ITALIC)]],
    'underline and strike' => [[new Run('x', Run::UNDERLINE | Run::STRIKE)]],
    'a link' => [[new Run('see '), new Run('there', 0, 'https://saltmere.example/a?b=c&d')]],
    'code with a backtick' => [[new Run('a`b', Run::CODE)]],
    'signs' => [[new Run('*not* _this_ [nor] ~~that~~ <b> &amp; \\')]],
]);

it('keeps a note that would be taken for topics together', function (string $note) {
    $map = NewMap::from(new TopicDraft('Root', children: [new TopicDraft('A', note: $note, children: [new TopicDraft('B', note: $note, children: [new TopicDraft('C', note: $note)])])]));
    $again = Formats::read(Formats::write($map, 'md'), 'a.md');

    expect(array_map(fn (Topic $topic): array => [$topic->title, $topic->note], array_values($again->all())))
        ->toBe([['Root', ''], ['A', $note], ['B', $note], ['C', $note]]);
})->with([
    'a list' => "- one\n- two\n  - three",
    'a heading' => "# Heading\n\ntext",
    'numbers' => "1. one\n2. two",
    'code' => "```php\n# comment\n- x\n```",
    'a quote' => "> quoted\n> more",
    'a table' => "| a | b |\n| - | - |\n| 1 | 2 |",
    'its own fence' => "<!-- note 1 -->\nx\n<!-- /note 1 -->",
    'paragraphs' => "one\ntwo\n\nthree",
    'a rule' => "above\n\n---\n\nbelow",
    'an underlined heading' => "Heading\n=======",
    'indented code' => "    code\n    more",
    'small print' => '<small>not a caption</small>',
    'far blank lines' => "a\n\n\n\nb",
]);

it('keeps what stands loose, in columns, in the parking lot, pulled apart and numbered', function () {
    $id = fn (int $n): string => '01m83fb3naxzstcfd12bs9h8p'.dechex($n);
    $topics = [
        ['id' => $id(0), 'parent' => null, 'title' => 'R', 'numbering' => 'A,1*', 'numberFrom' => 3],
        ['id' => $id(1), 'parent' => $id(0), 'title' => 'a', 'side' => 'right', 'apartX' => 40, 'apartY' => -30, 'changed' => 1_700_000_000],
        ['id' => $id(2), 'parent' => null, 'title' => 'b', 'x' => -200, 'y' => 90, 'column' => $id(9)],
        ['id' => $id(3), 'parent' => null, 'title' => 'c', 'x' => -200, 'y' => 90, 'column' => $id(9)],
        ['id' => $id(4), 'parent' => null, 'title' => 'd', 'parked' => $id(0)],
        ['id' => $id(5), 'parent' => $id(4), 'title' => 'e'],
    ];
    $file = json_encode(['format' => 'chalk-tree-map', 'version' => 1, 'title' => null, 'arrangement' => 'both-sides', 'root' => $id(0), 'topics' => $topics]);
    $map = ChalkTree\Exchange\Formats::read($file, 'x.json');
    $written = json_decode(ChalkTree\Exchange\Formats::write($map, 'json'), true);

    // Version 1 had these in the topics themselves.
    expect($written['version'])->toBe(2)
        ->and($written['topics'])->toEqual(array_map(fn (array $topic): array => array_diff_key($topic, ['numbering' => 1, 'numberFrom' => 1, 'apartX' => 1, 'apartY' => 1]), $topics))
        ->and($written['rows'])->toEqual([
            ['type' => 'numbering', 'id' => $id(0), 'fields' => ['style' => 'A,1*', 'from' => 3]],
            ['type' => 'apart', 'id' => $id(1), 'fields' => ['x' => 40, 'y' => -30]],
        ])
        ->and(json_decode(ChalkTree\Exchange\Formats::write(ChalkTree\Exchange\Formats::read((string) json_encode($written), 'x.json'), 'json'), true))->toBe($written)
        ->and(array_keys($map->all()))->toBe([$id(0), $id(1), $id(2), $id(3)])
        ->and(array_keys($map->column($id(9))))->toBe([$id(2), $id(3)])
        ->and(array_keys($map->parked()))->toBe([$id(4)]);
    foreach (['md', 'txt', 'opml'] as $format) {
        expect(ChalkTree\Exchange\Formats::write($map, $format))->not->toContain('>d<')->not->toMatch('/\be\b$/m');
    }
});

it('refuses files in which these make no sense', function (array $wrong) {
    $id = '01m83fb3naxzstcfd12bs9h8pw';
    $topics = [['id' => $id, 'parent' => null, 'title' => 'R'], ['id' => '01m83fb3naxzstcfd12bs9h8px', 'parent' => $id, 'title' => 'a'] + $wrong];
    ChalkTree\Exchange\Formats::read(json_encode(['format' => 'chalk-tree-map', 'version' => 1, 'title' => null, 'arrangement' => 'rightward', 'root' => $id, 'topics' => $topics]), 'x.json');
})->throws(ChalkTree\Exchange\UnreadableFile::class)->with([
    'parked below another' => [['parked' => '01m83fb3naxzstcfd12bs9h8pw']],
    'a numbering of no style' => [['numbering' => '1,Z']],
    'a number that is none' => [['numberFrom' => 'one']],
    'a place beyond the board' => [['x' => 2_000_000]],
    'a distance below zero' => [['apartX' => -1]],
    'a column of no id' => [['column' => 'left']],
    'a date before all dates' => [['changed' => -5]],
]);

it('makes no row of what says nothing, so that nothing seems numbered or pulled apart that is not', function (int $version) {
    [$root, $child, $leaf] = ['01m83fb3naxzstcfd12bs9h8pw', '01m83fb3naxzstcfd12bs9h8px', '01m83fb3naxzstcfd12bs9h8py'];
    $topics = [['id' => $root, 'parent' => null, 'title' => 'R'], ['id' => $child, 'parent' => $root, 'title' => 'a'], ['id' => $leaf, 'parent' => $child, 'title' => 'b']];
    $rows = [['type' => 'numbering', 'id' => $root, 'fields' => ['style' => '1.1*']], ['type' => 'numbering', 'id' => $child, 'fields' => ['style' => null, 'from' => 4]], ['type' => 'apart', 'id' => $child, 'fields' => ['x' => 0, 'y' => 0]], ['type' => 'look', 'id' => $child, 'fields' => ['width' => null]]];
    if ($version === 1) {
        $topics[0] += ['numbering' => '1.1*'];
        $topics[1] += ['numbering' => null, 'numberFrom' => 4, 'apartX' => 0, 'apartY' => 0, 'width' => null];
    }
    $map = ChalkTree\Exchange\Formats::read((string) json_encode(['format' => 'chalk-tree-map', 'version' => $version, 'title' => null, 'arrangement' => 'rightward', 'root' => $root, 'topics' => $topics] + ($version === 1 ? [] : ['rows' => $rows])), 'x.json');
    $rows = array_map(fn ($row): string => $row::type(), $map->living());

    expect(ChalkTree\Number\Numbers::of($map))->toBe([$child => '1.', $leaf => '1.1'])
        ->and(array_diff($rows, ['numbering']))->toBe([]);
})->with([1, 2]);
