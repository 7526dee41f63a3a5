<?php

declare(strict_types=1);

use ChalkTree\Arrange\Clearing;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\TextPlaces;
use ChalkTree\Find\BadPattern;
use ChalkTree\Find\Query;
use ChalkTree\Map\SideBalance;
use ChalkTree\Map\SingleLevels;
use ChalkTree\Map\Topic;
use ChalkTree\Number\Numbering;
use ChalkTree\Text\InlineMarkdown;
use Tests\Support\Chance;
use Tests\Support\Outline;

it('carries text from any place to any other as it reads there', function (string $from, string $to, string $text, string $carried) {
    $topic = new Topic('01m83fb3naxzstcfd12bs9h8pw', null, 'a0', ...[$from => $text]);
    expect(TextPlaces::carried($topic, $from, $to))->toBe($carried);
})->with([
    ['title', 'caption', 'A **bold** [link](https://a.example)', 'A bold link'],
    ['title', 'note', "one\ntwo", "one  \ntwo"],
    ['caption', 'title', '2 * 3 * 4', '2 \* 3 \* 4'],
    ['caption', 'note', 'a_b_c', 'a\_b\_c'],
    ['note', 'title', "one\n\ntwo  \nthree", "one\ntwo\nthree"],
    ['note', 'caption', "one\n\n**two**", "one\ntwo"],
]);

it('puts one text below another with a blank line between, and nothing below nothing', function () {
    expect(TextPlaces::appended('a', 'b'))->toBe("a\n\nb")
        ->and(TextPlaces::appended("a\n\n", "\nb"))->toBe("a\n\nb")
        ->and(TextPlaces::appended('', 'b'))->toBe('b')
        ->and(TextPlaces::appended('a', " \n"))->toBe('a');
});

it('says all of a topic as Markdown', function () {
    expect(TextPlaces::whole(new Topic('01m83fb3naxzstcfd12bs9h8pw', null, 'a0', '*t*', 'c_c_', "n\n\nm")))->toBe("*t*  \nc\_c\_\n\nn\n\nm")
        ->and(TextPlaces::whole(new Topic('01m83fb3naxzstcfd12bs9h8pw', null, 'a0', '', 'c')))->toBe('c')
        ->and(TextPlaces::whole(new Topic('01m83fb3naxzstcfd12bs9h8pw', null, 'a0', 't')))->toBe('t');
});

it('finds a place further down where nothing is taken', function (int $seed) {
    $chance = new Chance($seed);
    $clearing = new Clearing(fn (): array => []);
    $taken = [];
    for ($i = 0; $i < 60; $i++) {
        [$x, $y, $w, $h] = [$chance->int(-700, 700), $chance->int(-700, 700), $chance->int(10, 400), $chance->int(10, 90)];
        $down = $clearing->down([[(float) $x, (float) $y, (float) $x + $w, (float) $y + $h]]);
        expect($down)->toBeGreaterThanOrEqual(0.0);
        foreach ($taken as [$l, $t, $r, $b]) {
            expect($l < $x + $w && $x < $r && $t < $y + $down + $h && $y + $down < $b)->toBeFalse();
        }
        $clearing->take([(float) $x, $y + $down, (float) $x + $w, $y + $down + $h]);
        $taken[] = [$x, $y + $down, $x + $w, $y + $down + $h];
    }
    expect((new Clearing(fn (): array => []))->down([[0.0, 0.0, 10.0, 10.0]]))->toBe(0.0);
})->with([1, 2, 3, 4]);

it('reads numberings and refuses what is none', function (string $text, bool $is) {
    expect(Numbering::parse($text) !== null)->toBe($is);
})->with([['1', true], ['1.1*', true], ['A,1,a', true], ['I,i,1,a,A,1,1,1,1*', true], ['', false], ['*', false], ['1,', false], ['Q', false], ['1;A', false], ['1,1,1,1,1,1,1,1,1,1', false]]);

it('gives a style to as many levels as it says', function () {
    $numbering = Numbering::parse('A,1');
    $deep = Numbering::parse('A,1*');
    expect([$numbering->style(1), $numbering->style(2), $numbering->style(3)])->toBe(['A', '1', null])
        ->and([$deep->style(1), $deep->style(2), $deep->style(9)])->toBe(['A', '1', '1']);
});

it('knows levels that hold a single topic', function () {
    $map = Outline::map("R\n\ta\n\t\tb\n\t\t\tc\n\t\t\td\n\te\n\t\tf\n");
    expect(array_map(fn (string $id): string => $map->topic($id)->title, SingleLevels::in($map, $map->root()->id)))->toBe(['b', 'f'])
        ->and(SingleLevels::isSingle($map, $map->root()))->toBeFalse();
});

it('shares many new branches between the sides so that neither gets much more', function () {
    $map = Outline::map("R\n");
    $sides = array_count_values(array_map(fn ($side): string => $side->value, SideBalance::share($map, array_fill(0, 101, 3))));
    expect(abs($sides['left'] - $sides['right']))->toBe(1);
});

it('fills groups into a replacement', function (string $pattern, string $text, string $with, string $made) {
    $query = new Query($pattern, isPattern: true);
    expect($query->replacement($query->in($text)[0], $with))->toBe($made);
})->with([
    ['(a)(b)?(c)', 'ac', '$3$2$1', 'ca'],
    ['x', 'x', '$0$0', 'xx'],
    ['(x)', 'x', '${1}0', 'x0'],
    ['(x)', 'x', '$$1', '$1'],
    ['(x)', 'x', '$9', ''],
    ['(x)', 'x', '$a', '$a'],
]);

it('takes a plain search as it is, whatever signs it has', function () {
    expect((new Query('a.b'))->in('a.b axb'))->toHaveCount(1)
        ->and((new Query('$1 (x)'))->in('costs $1 (X)'))->toHaveCount(1)
        ->and((new Query('é', wholeWord: true))->in('é été'))->toHaveCount(1)
        ->and((new Query('x'))->replacement((new Query('x'))->in('x')[0], '$0'))->toBe('$0')
        ->and((new Query('^b', isPattern: true))->in("a\nb"))->toHaveCount(1)
        ->and(fn () => new Query(''))->toThrow(BadPattern::class)
        ->and(fn () => new Query(str_repeat('x', 501)))->toThrow(BadPattern::class)
        ->and(fn () => Query::read(new Arguments(['text' => 'x', 'colour' => true])))->toThrow(InvalidEdit::class);
});

it('escapes any plain text so that it reads as itself', function (int $seed) {
    $chance = new Chance($seed);
    for ($i = 0; $i < 300; $i++) {
        $plain = InlineMarkdown::plain($chance->title());
        expect(InlineMarkdown::plain(InlineMarkdown::escape($plain)))->toBe($plain);
    }
})->with([11, 12]);
