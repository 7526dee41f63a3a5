<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\Scene;
use ChalkTree\Arrange\Touched;
use ChalkTree\Arrange\View;
use ChalkTree\Draw\SvgWriter;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\Clipping;
use ChalkTree\Exchange\Formats;
use ChalkTree\Find\Finder;
use ChalkTree\Find\Hit;
use ChalkTree\Find\Query;
use ChalkTree\Map\Comparison;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Number\BranchNumbering;
use ChalkTree\Number\Numbering;
use ChalkTree\Number\Numbers;
use ChalkTree\Refusal;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Sameness;
use ChalkTree\Text\Sentences;
use ChalkTree\Text\Slices;
use Tests\Support\Chance;
use Tests\Support\Outline;
use Tests\Support\RandomMaps;

/** Boxes of a scene that overlap, as pairs of titles. */
function overlapping(Scene $scene): array
{
    $boxes = array_values($scene->boxes());
    $found = [];
    foreach ($boxes as $i => $a) {
        foreach (array_slice($boxes, $i + 1) as $b) {
            if ($a['x'] < $b['x'] + $b['w'] && $b['x'] < $a['x'] + $a['w'] && $a['y'] < $b['y'] + $b['h'] && $b['y'] < $a['y'] + $a['h']) {
                $found[] = [$a['id'], $b['id']];
            }
        }
    }

    return $found;
}

function doing(TopicMap $map, string $name, array $arguments): TopicMap
{
    Edits::apply(Edits::read($name, Outline::ids($map, $arguments)), $map);

    return $map;
}

it('numbers in every style', function (string $style, array $trail, string $label) {
    expect(Numbering::label($style, $trail))->toBe($label);
})->with([
    ['1', [3], '3.'], ['1.1', [3], '3.'], ['1.1', [3, 2, 10], '3.2.10'], ['A', [1], 'A.'], ['A', [26], 'Z.'], ['A', [27], 'AA.'], ['a', [703], 'aaa.'],
    ['I', [4], 'IV.'], ['I', [1999], 'MCMXCIX.'], ['i', [9], 'ix.'], ['I', [0], '0.'], ['A', [0], '0.'],
]);

it('keeps numbers right after moves, per level, from a start, and below a numbering of its own', function () {
    $map = Outline::map("R\n\ta\n\t\tx\n\t\ty\n\tb\n\tc\n");
    $numbers = fn (): array => array_combine(array_map(fn (string $id): string => $map->topic($id)->title, array_keys(Numbers::of($map))), Numbers::of($map));
    doing($map, 'branch.number', ['topics' => ['R'], 'numbering' => '1.1*', 'from' => 3]);
    expect($numbers())->toEqual(['a' => '3.', 'x' => '3.1', 'y' => '3.2', 'b' => '4.', 'c' => '5.']);
    doing($map, 'topic.move', ['topics' => ['c'], 'before' => 'a']);
    expect($numbers())->toEqual(['c' => '3.', 'a' => '4.', 'x' => '4.1', 'y' => '4.2', 'b' => '5.']);
    doing($map, 'branch.number', ['topics' => ['a'], 'numbering' => 'i']);
    expect($numbers())->toEqual(['c' => '3.', 'a' => '4.', 'x' => 'i.', 'y' => 'ii.', 'b' => '5.']);
    doing($map, 'branch.number', ['topics' => ['R'], 'numbering' => 'A,1']);
    expect($numbers())->toEqual(['c' => 'A.', 'a' => 'B.', 'x' => 'i.', 'y' => 'ii.', 'b' => 'C.']);
    doing($map, 'topic.park', ['topics' => ['c']]);
    expect($numbers()['a'])->toBe('A.')->and($numbers())->not->toHaveKey('c');
});

it('draws numbers and takes them out in Markdown, text and OPML', function () {
    $map = doing(Outline::map("R\n\ta\n\t\t**x**\n\tb\n"), 'branch.number', ['topics' => ['R'], 'numbering' => '1.1*']);
    $slip = Layout::of($map, new View)->scene()->slips[Outline::id($map, '**x**')];
    expect($slip->text())->toBe('1.1 **x**')
        ->and((new SvgWriter)->write(Layout::of($map, new View)->scene(), 't'))->toContain('>2. b<')
        ->and(Formats::write($map, 'txt'))->toBe("R\n\t1. a\n\t\t1.1 x\n\t2. b\n")
        ->and(Formats::write($map, 'md'))->toContain('1.1 **x**')->toContain('## 1\. a')
        ->and(Formats::write($map, 'opml'))->toContain('text="1.1 x"')
        ->and(Outline::of(Formats::read(Formats::write($map, 'opml'), 'x.opml')))->toBe(Outline::of($map))
        ->and(Formats::read(Formats::write($map, 'json'), 'x.json')->rowsOf(BranchNumbering::class))->toHaveCount(1);
});

it('draws only the branch one has stepped into, as if it were the map', function () {
    $map = Outline::map("R\n\ta\n\t\tx\n\t\ty\n\tb\nloose\n");
    $scene = Layout::of($map, new View(scope: Outline::id($map, 'a')))->scene();
    expect(array_map(fn ($slip): string => $slip->topic->title, array_values($scene->slips)))->toEqualCanonicalizing(['a', 'x', 'y'])
        ->and($scene->slips[Outline::id($map, 'a')]->level)->toBe(0)->and($scene->slips[Outline::id($map, 'x')]->level)->toBe(1)
        ->and(count(Layout::of($map, new View(scope: 'gone'))->scene()->slips))->toBe(6)
        ->and(count(Layout::of($map, View::folding([Outline::id($map, 'a')], Outline::id($map, 'a')))->scene()->slips))->toBe(3);
});

it('pulls a branch apart so that all of it follows and nothing overlaps, and puts it back', function () {
    $map = Outline::map("R\n\ta\n\tb\n\t\tx\n\tc\n");
    doing($map, 'map.arrange', ['arrangement' => 'rightward']);
    $before = Layout::of($map, new View)->scene()->boxes();
    [$a, $b, $x] = array_map(fn (string $title): string => Outline::id($map, $title), ['a', 'b', 'x']);
    doing($map, 'topic.apart', ['topics' => ['b'], 'x' => 50, 'y' => 80]);
    $after = Layout::of($map, new View)->scene()->boxes();
    expect($after[$b]['x'] - $before[$b]['x'])->toBe(50.0)
        ->and(($after[$b]['y'] - $after[$a]['y']) - ($before[$b]['y'] - $before[$a]['y']))->toBe(80.0)
        ->and($after[$x]['x'] - $after[$b]['x'])->toBe($before[$x]['x'] - $before[$b]['x'])
        ->and(overlapping(Layout::of($map, new View)->scene()))->toBe([]);
    doing($map, 'topic.apart', ['topics' => ['R'], 'x' => 0, 'y' => 0, 'deep' => true]);
    expect(Layout::of($map, new View)->scene()->boxes())->toEqual($before);
});

it('keeps loose topics where they were put, piles columns, and lets neither lie on anything', function (int $seed) {
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $chance->int(5, 40), loose: false);
    for ($i = 0; $i < 14; $i++) {
        $loose = array_map(strval(...), array_keys($map->loose()));
        $place = $loose !== [] && $chance->yes(50) ? ['after' => $chance->pick($loose)] : ['parent' => null, 'x' => $chance->int(-300, 300), 'y' => $chance->int(-300, 300)];
        doing($map, 'topic.add', $place + ['topic' => ['title' => $chance->title(), 'children' => $chance->yes(30) ? [['title' => 'below'], ['title' => $chance->title()]] : []]]);
    }
    $layout = Layout::of($map, new View);
    expect(overlapping($layout->scene()))->toBe([]);
    $boxes = $layout->scene()->boxes();
    foreach ($map->loose() as $id => $topic) {
        expect($boxes[$id]['x'])->toBe((float) $topic->x)->and($boxes[$id]['y'] + $boxes[$id]['h'])->toBeGreaterThan($topic->y - $boxes[$id]['h'] - 400);
        if ($topic->column !== null) {
            $column = array_keys($map->column($topic->column));
            $tops = array_map(fn (string $one): float => $boxes[$one]['y'], $column);
            $sorted = $tops;
            sort($sorted);
            expect($tops)->toBe($sorted);
        }
    }
})->with(range(1, 12));

it('draws again after edits to loose topics, numbers, scopes and distances as it would from nothing', function (int $seed) {
    $chance = new Chance(900 + $seed);
    $map = RandomMaps::map($chance, 30);
    $view = new View(scope: $chance->yes(50) ? (string) $chance->pick(array_keys($map->all())) : null);
    $layout = Layout::of($map, $view);
    for ($i = 0; $i < 60; $i++) {
        try {
            $changes = Edits::apply(RandomMaps::read(RandomMaps::edit($chance, $map)), $map);
        } catch (Refusal) {
            continue;
        }
        if (array_filter($changes->all, fn ($change): bool => $change->type === 'map') !== []) {
            $layout = Layout::of($map, $view);
        }
        $layout->draw($map, $view, Touched::by($map, $changes));
        [$scene, $anew] = [$layout->scene(), Layout::of($map, $view)->scene()];
        expect($scene->boxes())->toEqual($anew->boxes());
        foreach ($anew->slips as $id => $slip) {
            expect($scene->slips[$id]->sameAs($slip))->toBeTrue();
        }
        expect(overlapping($anew))->toBe([]);
    }
})->with(range(1, 10));

it('finds sentences', function (string $text, array $sentences) {
    expect(array_map(fn (array $span): string => substr($text, $span[0], $span[1] - $span[0]), Sentences::spans($text)))->toBe($sentences);
})->with([
    ['One. Two! Three? Four… Five', ['One.', 'Two!', 'Three?', 'Four…', 'Five']],
    ['It costs 2.50 a piece. Cheap.', ['It costs 2.50 a piece.', 'Cheap.']],
    ['Dr. Marlow met Mrs. Teal, e.g. at St. Anne. She left.', ['Dr. Marlow met Mrs. Teal, e.g. at St. Anne.', 'She left.']],
    ['Glue it, approx. 2 cm. Then wait.', ['Glue it, approx. 2 cm.', 'Then wait.']],
    ['J. P. Teal came. He left.', ['J. P. Teal came.', 'He left.']],
    ['“Stop! Go back,” she said. Then silence.', ['“Stop! Go back,” she said.', 'Then silence.']],
    ['He said “Go.” Then he left.', ['He said “Go.”', 'Then he left.']],
    ['"Wait. Here." Good.', ['"Wait. Here."', 'Good.']],
    ['1. Fold it. 2. Cut it.', ['1. Fold it.', '2. Cut it.']],
    ['We met (it rained. A lot). Then on.', ['We met (it rained. A lot).', 'Then on.']],
    ['what? no. yes', ['what? no. yes']],
    ['灯笼。船！', ['灯笼。', '船！']],
    ["A paragraph\n\nAnother", ['A paragraph', 'Another']],
    ['So do I. You too.', ['So do I.', 'You too.']],
    ['', []],
]);

it('cuts formatted text at any place without losing any of it', function (int $seed) {
    $chance = new Chance($seed);
    for ($i = 0; $i < 200; $i++) {
        $runs = InlineMarkdown::runs($chance->title());
        $plain = implode('', array_map(fn ($run): string => $run->text, $runs));
        $cut = strlen(mb_substr($plain, 0, $chance->int(0, mb_strlen($plain))));
        expect(Slices::joined(Slices::between($runs, 0, $cut), Slices::between($runs, $cut, PHP_INT_MAX)))->toEqual(Slices::joined($runs));
    }
})->with([1, 2, 3]);

it('knows what says the same', function () {
    expect(Sameness::key('Fish  **Soup**!'))->toBe(Sameness::key('fish soup'))
        ->and(Sameness::key('ＡＢ'))->toBe(Sameness::key('ab'))
        ->and(Sameness::key('soup'))->not->toBe(Sameness::key('soups'))
        ->and(Sameness::key('?!'))->toBe('?!')->and(Sameness::key(' '))->toBe('');
});

it('finds every place with the words around it', function () {
    $map = Outline::map("Boats and boats\n\tBoating || The **boat**\n");
    $hits = (new Finder(new Query('boat')))->hits($map, null, 100);
    expect(array_map(fn (Hit $hit): array => [$hit->field, $hit->before, $hit->found, $hit->after], $hits))->toBe([
        ['title', '', 'Boat', 's and boats'], ['title', 'Boats and ', 'boat', 's'], ['title', '', 'Boat', 'ing'], ['note', 'The **', 'boat', '**'],
    ])
        ->and((new Finder(new Query('boat', wholeWord: true)))->hits($map, null, 100))->toHaveCount(1)
        ->and((new Finder(new Query('boat', matchCase: true)))->hits($map, null, 100))->toHaveCount(2)
        ->and((new Finder(new Query('b.at$', isPattern: true), ['title']))->hits($map, null, 100))->toHaveCount(0)
        ->and((new Finder(new Query('boat')))->hits($map, null, 2))->toHaveCount(2)
        ->and((new Finder(new Query('boat')))->hits($map, [Outline::id($map, 'Boating')], 9))->toHaveCount(2);
});

it('copies branches as text, Markdown and HTML at once', function () {
    $map = NewMap::from(new TopicDraft('R', children: [new TopicDraft('a **b** <i>', 'cap & more', "one\n\ntwo", children: [new TopicDraft('[x](https://x.example)'), new TopicDraft('[y](<javascript:alert(1)>)')]), new TopicDraft('c')]));
    $id = fn (string $title): string => Outline::id($map, $title);
    $clip = Clipping::of($map, [$id('c'), $id('a **b** <i>')], false)->toArray();
    expect($clip['text'])->toBe("a b <i>\n\tx\n\ty\nc\n")
        ->and($clip['markdown'])->toContain("- a **b** <i>\n")->toContain('  - [x](https://x.example)')
        ->and($clip['html'])->toContain('<li>a <strong>b</strong> &lt;i&gt;<br><small>cap &amp; more</small><p>one</p><p>two</p><ul><li><a href="https://x.example">x</a></li>')
        ->and($clip['html'])->not->toContain('javascript')
        ->and($clip['topics'])->toHaveCount(2)
        ->and($clip['topics'][0]['children'])->toHaveCount(2)
        ->and(Clipping::of($map, [$id('a **b** <i>')], true)->toArray()['text'])->toBe("a b <i>\n");
});

it('tells what became of a map, topic by topic', function () {
    $then = Outline::map("R\n\ta\n\tb\n\tc\n\td\n");
    $now = clone $then;
    doing($now, 'topic.move', ['topics' => ['a'], 'parent' => 'b']);
    doing($now, 'topic.retitle', ['topic' => 'c', 'title' => 'C']);
    doing($now, 'topic.remove', ['topics' => ['d']]);
    doing($now, 'topic.add', ['parent' => 'R', 'topic' => ['title' => 'e']]);
    $told = array_map(fn (array $one): array => [$one['what'], $one['title'], $one['was']], Comparison::of($then, $now));
    expect($told)->toEqualCanonicalizing([['moved', 'a', ''], ['changed', 'C', 'c'], ['added', 'e', ''], ['removed', 'd', '']])
        ->and(Comparison::of($then, clone $then))->toBe([]);
    $turned = doing(clone $then, 'topic.move', ['topics' => ['a'], 'after' => 'b']);
    expect(array_column(Comparison::of($then, $turned), 'what'))->toBe(['moved']);
});
