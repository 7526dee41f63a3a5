<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\EmbeddedFonts;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\Draw\Thumbnail;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Look\Chalk;
use ChalkTree\Look\TopicLook;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\TypeFace;

/** A drawing of a map as a document to ask. */
function drawing(TopicMap $map, BoardTheme $board = BoardTheme::Day, View $view = new View, bool $background = true): DOMXPath
{
    $document = new DOMDocument;
    $document->loadXML((new SvgWriter($board, background: $background))->write(Layout::of($map, $view)->scene(), 'A map'));
    $path = new DOMXPath($document);
    $path->registerNamespace('s', 'http://www.w3.org/2000/svg');

    return $path;
}

/** @return list<string> the texts of all that a path finds */
function texts(DOMXPath $drawing, string $path): array
{
    $texts = [];
    foreach ($drawing->query($path) as $node) {
        $texts[] = $node->textContent;
    }

    return $texts;
}

function attribute(DOMXPath $drawing, string $path): string
{
    $node = $drawing->query($path)->item(0);

    return $node === null ? '' : (string) $node->nodeValue;
}

it('draws every topic once, with a connector for each but the root', function () {
    $map = NewMap::from(new TopicDraft('Root', children: [
        new TopicDraft('A', children: [new TopicDraft('A1', children: [new TopicDraft('A11')])]),
        new TopicDraft('B'),
    ]));
    $drawing = drawing($map);

    expect(texts($drawing, '//s:g/s:text'))->toEqualCanonicalizing(['Root', 'A', 'A1', 'A11', 'B'])
        ->and($drawing->query('/s:svg/s:path[@fill]')->length)->toBe(4)
        ->and($drawing->query('/s:svg/s:g')->length)->toBe(5)
        ->and(texts($drawing, '/s:svg/s:title'))->toBe(['A map']);
});

it('draws the levels apart: plate, tinted slip, plain slip, no slip', function () {
    $map = NewMap::from(new TopicDraft('0', children: [new TopicDraft('1', children: [new TopicDraft('2', children: [new TopicDraft('3')])])]));
    $drawing = drawing($map);
    $fill = fn (string $title): string => attribute($drawing, "//s:g[s:text='{$title}']/s:path[1]/@fill");
    $chalk = Chalk::inTurn(0);

    expect($fill('0'))->toBe(BoardTheme::Day->colours()['plate'])
        ->and($fill('1'))->toBe($chalk->tint(BoardTheme::Day))
        ->and($fill('2'))->toBe(BoardTheme::Day->colours()['slip'])
        // The spine is all that a deep one is drawn on.
        ->and($fill('3'))->toBe($chalk->line(BoardTheme::Day))
        ->and($drawing->query("//s:g[s:text='3']/s:path")->length)->toBe(1);
});

it('draws in the colours of the board it is asked for, with or without a ground', function () {
    $map = NewMap::from(new TopicDraft('Root'));
    $slate = BoardTheme::Slate->colours();

    expect(attribute(drawing($map, BoardTheme::Slate), '/s:svg/s:rect/@fill'))->toBe($slate['board'])
        ->and(attribute(drawing($map, BoardTheme::Slate), '//s:g/s:path[1]/@fill'))->toBe($slate['plate'])
        ->and(drawing($map, background: false)->query('/s:svg/s:rect')->length)->toBe(0);
});

it('draws formatting: weight, slant, lines, code and links', function () {
    $map = NewMap::from(new TopicDraft('Root', children: [
        new TopicDraft('x', children: [new TopicDraft('**b** *i* <u>u</u> ~~s~~ `c` [l](https://saltmere.example/)')]),
    ]));
    $drawing = drawing($map);
    $of = fn (string $text, string $name): string => attribute($drawing, "//s:tspan[.='{$text}']/@{$name}");

    expect($of('b', 'font-weight'))->toBe('700')
        ->and($of('i', 'font-style'))->toBe('italic')
        ->and($of('u', 'text-decoration'))->toBe('underline')
        ->and($of('s', 'text-decoration'))->toBe('line-through')
        ->and($of('l', 'fill'))->toBe(BoardTheme::Day->colours()['link'])
        ->and(attribute($drawing, "//s:a[s:tspan='l']/@href"))->toBe('https://saltmere.example/')
        ->and($drawing->query("//s:g/s:path[@fill='".BoardTheme::Day->colours()['code']."']")->length)->toBe(1);
});

it('draws a tally mark for each hidden topic up to five, then their number', function (int $hidden, int $strokes, array $numbers) {
    $map = NewMap::from(new TopicDraft('Root', children: [
        new TopicDraft('Folded', children: $hidden === 0 ? [] : array_map(fn (int $n): TopicDraft => new TopicDraft("{$n}"), range(1, $hidden))),
    ]));
    $drawing = drawing($map, view: View::folding(array_map(strval(...), array_keys($map->children($map->root()->id)))));
    $marks = attribute($drawing, "//s:g[s:text='Folded']/s:path[@fill='none']/@d");

    expect(substr_count($marks, 'M'))->toBe($strokes)
        ->and(array_values(array_diff(texts($drawing, '//s:g/s:text'), ['Root', 'Folded'])))->toBe($numbers);
})->with([
    [0, 0, []],
    [1, 1, []],
    [4, 4, []],
    [5, 5, []],
    [6, 0, ['6']],
    [40, 0, ['40']],
]);

it('draws a sign on topics with a note, and captions in their own size', function () {
    $map = NewMap::from(new TopicDraft('Root', children: [new TopicDraft('With', 'a caption', 'a note'), new TopicDraft('Without')]));
    $drawing = drawing($map);

    expect($drawing->query("//s:g[s:text='With']/s:path[@stroke]")->length)->toBe(1)
        ->and($drawing->query("//s:g[s:text='Without']/s:path[@stroke]")->length)->toBe(0)
        ->and(attribute($drawing, "//s:text[s:tspan='a caption']/@font-size"))->toBe('12');
});

it('frames everything it draws', function () {
    $map = NewMap::from(new TopicDraft('Root', children: array_map(fn (int $n): TopicDraft => new TopicDraft("Branch {$n}"), range(1, 9))));
    $drawing = drawing($map);
    [$x, $y, $w, $h] = array_map(floatval(...), explode(' ', attribute($drawing, '/s:svg/@viewBox')));
    foreach (Layout::of($map, new View)->scene()->boxes() as $box) {
        expect($box['x'])->toBeGreaterThan($x)
            ->and($box['y'])->toBeGreaterThan($y)
            ->and($box['x'] + $box['w'])->toBeLessThan($x + $w)
            ->and($box['y'] + $box['h'])->toBeLessThan($y + $h);
    }
});

it('embeds just the cuts it needs', function (string $title, int $cuts) {
    $fonts = new EmbeddedFonts(dirname(__DIR__, 2).'/resources/fonts');
    $svg = (new SvgWriter(fonts: $fonts))->write(Layout::of(NewMap::from(new TopicDraft($title)), new View)->scene(), 'x');

    expect(substr_count($svg, '@font-face'))->toBe($cuts);
    preg_match_all('~base64,([^)]+)\)~', $svg, $m);
    foreach ($m[1] as $font) {
        expect(substr((string) base64_decode($font, true), 0, 4))->toBe('wOF2');
    }
})->with([
    'the root is bold' => ['Root', 1],
    'and slanted in part' => ['Root *and* branch', 2],
    'or all' => ['*Root*', 1],
]);

it('reduces a scene to a picture of one shape, whatever the map', function (int $topics) {
    $map = NewMap::from(new TopicDraft('Root', children: $topics === 0 ? [] : array_map(fn (int $n): TopicDraft => new TopicDraft("Branch {$n}"), range(1, $topics))));
    $document = new DOMDocument;
    $document->loadXML((new Thumbnail(BoardTheme::Slate))->write(Layout::of($map, new View)->scene()));
    [$x, $y, $w, $h] = array_map(floatval(...), explode(' ', $document->documentElement->getAttribute('viewBox')));

    expect($w / $h)->toEqualWithDelta(1.6, 0.001)
        ->and($document->getElementsByTagName('rect')->length)->toBe($topics + 2)
        ->and($document->getElementsByTagName('text')->length)->toBe(0);
    foreach ($document->getElementsByTagName('rect') as $rect) {
        expect((float) $rect->getAttribute('x'))->toBeGreaterThanOrEqual($x)
            ->and((float) $rect->getAttribute('y') + (float) $rect->getAttribute('height'))->toBeLessThanOrEqual($y + $h + 0.001);
    }
})->with([0, 1, 12, 60]);

it('draws rings around topics and the line along a column', function () {
    $map = Tests\Support\Outline::map("R\n\ta\n");
    $ids = [];
    foreach (['b', 'c'] as $i => $title) {
        $ids[] = $id = ChalkTree\Map\Ids::next();
        $place = $i === 0 ? ['parent' => null, 'x' => 300, 'y' => 0] : ['after' => $ids[0]];
        ChalkTree\Edit\Edits::apply(ChalkTree\Edit\Edits::read('topic.add', $place + ['topic' => ['id' => $id, 'title' => $title]]), $map);
    }
    $scene = ChalkTree\Arrange\Layout::of($map, new ChalkTree\Arrange\View)->scene();
    $plain = (new ChalkTree\Draw\SvgWriter)->write($scene, 't');
    $ringed = (new ChalkTree\Draw\SvgWriter(rings: [$ids[0] => ChalkTree\Look\Chalk::Ember]))->write($scene, 't');

    expect(substr_count($plain, 'M6 0v-'))->toBe(1)
        ->and($plain)->not->toContain('stroke-dasharray')
        ->and(substr_count($ringed, 'stroke-dasharray'))->toBe(1)
        ->and($ringed)->toContain(ChalkTree\Look\Chalk::Ember->line(ChalkTree\Look\BoardTheme::Day));
});

it('sets every face in a file in that face, and carries its cut', function (TypeFace $face) {
    $map = NewMap::from(new TopicDraft('Root', children: [new TopicDraft('Lantern **bold**')]));
    $id = (string) array_keys($map->all())[1];
    $map->put(TopicLook::fromFields($id, ['face' => $face->value, 'weight' => 'regular']));
    $svg = (new SvgWriter(fonts: new EmbeddedFonts(dirname(__DIR__, 2).'/resources/fonts')))->write(Layout::of($map, new View)->scene(), 'Faces');
    $drawing = new DOMDocument;
    $drawing->loadXML($svg);
    $style = $drawing->getElementsByTagName('style')->item(0)->textContent;
    $text = array_values(array_filter(iterator_to_array($drawing->getElementsByTagName('text')), fn (DOMElement $one): bool => str_contains($one->textContent, 'Lantern')))[0];
    foreach ([400, 700] as $weight) {
        expect($style)->toContain("@font-face{font-family:\"{$face->family()}\";font-weight:{$weight};");
    }
    // A rule for all text would go before an attribute, so the face is said by a rule too.
    expect($face === TypeFace::Clear ? $text->getAttribute('class') : $style)->toContain($face === TypeFace::Clear ? '' : ".{$text->getAttribute('class')}{font-family:\"{$face->family()}\"");
})->with(TypeFace::cases());

it('paints outlines and connectors as looks say, dashes and all', function () {
    $map = NewMap::from(new TopicDraft('Root', children: [new TopicDraft('A')]));
    $map->put(TopicLook::fromFields((string) array_keys($map->all())[1], ['shape' => 'oval', 'fill' => 'tint:kelp', 'edge' => 'chalk:ember', 'edgeThick' => 3, 'edgeDash' => 'dashed', 'ink' => 'text:dusk', 'lineDash' => 'dotted', 'lineChalk' => 'chalk:coral']));
    $drawing = drawing($map);
    $day = BoardTheme::Day;
    expect(attribute($drawing, '//s:g/s:path[@stroke-width="3"]/@fill'))->toBe(Chalk::Kelp->tint($day))
        ->and(attribute($drawing, '//s:g/s:path[@stroke-width="3"]/@stroke'))->toBe(Chalk::Ember->line($day))
        ->and(attribute($drawing, '//s:g/s:path[@stroke-width="3"]/@stroke-dasharray'))->toBe('11 10.5')
        ->and(attribute($drawing, '//s:text[s:tspan="A"]/s:tspan/@fill'))->toBe(Chalk::Dusk->text($day))
        ->and(attribute($drawing, '/s:svg/s:path/@stroke'))->toBe(Chalk::Coral->line($day))
        ->and(attribute($drawing, '/s:svg/s:path/@stroke-dasharray'))->not->toBe('');
});
