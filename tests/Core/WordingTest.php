<?php

declare(strict_types=1);

use ChalkTree\Draft\KeptWording;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Exchange\Formats;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\Map\Ids;
use ChalkTree\Text\WordComparison;
use Tests\Support\Chance;
use Tests\Support\Outline;

/* What a section said once, and two wordings beside each other. */

/** @param  list<array{what: string, text: string}>  $pieces */
function wordingOf(array $pieces, string $without): string
{
    return implode('', array_column(array_filter($pieces, fn (array $piece): bool => $piece['what'] !== $without), 'text'));
}

it('tells word by word what both say and what only one of them', function (string $was, string $is, string $told) {
    $signs = ['same' => ['', ''], 'gone' => ['[', ']'], 'new' => ['<', '>']];
    expect(implode('', array_map(fn (array $piece): string => $signs[$piece['what']][0].$piece['text'].$signs[$piece['what']][1], WordComparison::of($was, $is))))->toBe($told);
})->with([
    'nothing otherwise' => ["Dark.\n\nStill.", "Dark.\n\nStill.", "Dark.\n\nStill."],
    'a word more' => ['The mole lay dark.', 'The mole lay quite dark.', 'The mole lay <quite >dark.'],
    'a word for another' => ['Tove counts twice.', 'Tove counts thrice.', 'Tove counts [twice]<thrice>.'],
    'a sign' => ['Tove counts, and goes', 'Tove counts and goes', 'Tove counts[,] and goes'],
    'a paragraph more' => ["One.\n\nThree.", "One.\n\nTwo.\n\nThree.", "One.\n\n<Two.\n\n>Three."],
    'all of it gone' => ['One two.', '', '[One two.]'],
    'nothing before' => ['', 'One two.', '<One two.>'],
    'other scripts' => ['Größe zählt', 'Größe zählte', 'Größe [zählt]<zählte>'],
    'neither' => ['', '', ''],
]);

it('gives back both wordings, whatever they are', function (int $seed) {
    $chance = new Chance($seed);
    $was = implode("\n\n", array_map(fn (): string => $chance->words(20), range(1, $chance->int(1, 12))));
    $is = $was;
    for ($n = $chance->int(0, 10); $n > 0; $n--) {
        $at = $chance->int(0, mb_strlen($is));
        $is = mb_substr($is, 0, $at).$chance->pick([' ', "\n\n", 'x', $chance->words(3), '🏮', '']).mb_substr($is, $at + $chance->int(0, 30));
    }
    $pieces = WordComparison::of($was, $is);
    expect(wordingOf($pieces, 'new'))->toBe($was)->and(wordingOf($pieces, 'gone'))->toBe($is);
    foreach (array_slice($pieces, 1) as $i => $piece) {
        expect($piece['what'])->not->toBe($pieces[$i]['what'])->and($piece['text'])->not->toBe('');
    }
})->with(range(1, 60));

it('comes to an end with texts that have nothing in common, and keeps them whole', function (string $was, string $is) {
    $pieces = WordComparison::of($was, $is);
    expect(wordingOf($pieces, 'new'))->toBe($was)->and(wordingOf($pieces, 'gone'))->toBe($is);
})->with([
    'one paragraph' => [str_repeat('a b ', 40_000), str_repeat('c d ', 40_000)],
    'many lines' => [str_repeat("a\n", 60_000), str_repeat("b\n", 60_000)],
    'many passages' => [implode("\n\n", array_map(fn (int $i): string => str_repeat("a{$i} ", 1_400)."\n\nsame {$i}", range(1, 40))), implode("\n\n", array_map(fn (int $i): string => str_repeat("b{$i} ", 1_400)."\n\nsame {$i}", range(1, 40)))],
    'no text in UTF-8' => ["a \xff b", "a \xfe b"],
]);

it('is kept with the map and its section, and never leaves it', function () {
    $map = Outline::map("Novel\n\tFog");
    $fog = Outline::id($map, 'Fog');
    done($map, 'row.set', ['type' => 'wording', 'row' => $row = Ids::next(), 'fields' => ['at' => $fog, 'name' => 'First', 'text' => 'Only once said', 'on' => '2026-11-28']]);
    $again = Formats::read(Formats::write($map, 'json'), 'map.json');
    expect(array_values(array_map(fn (KeptWording $one): string => $one->text('text'), $again->rowsOf(KeptWording::class))))->toBe(['Only once said']);
    $left = Outgoing::of($map);
    expect($left->rowsOf(KeptWording::class))->toBe([])->and($left->has($fog))->toBeTrue();
    $changes = done($map, 'topic.remove', ['topics' => [$fog]]);
    expect($map->isLiving($map->row('wording', $row) ?? throw new RuntimeException))->toBeFalse();
    $changes->reversed()->applyTo($map, new ChalkTree\Edit\Recorder($map));
    expect($map->isLiving($map->row('wording', $row) ?? throw new RuntimeException))->toBeTrue();
});

it('refuses what is no wording', function (array $fields) {
    $map = Outline::map("Novel\n\tFog");
    done($map, 'row.set', ['type' => 'wording', 'row' => Ids::next(), 'fields' => $fields + ['at' => Outline::id($map, 'Fog')]]);
})->with([
    'blank' => [['text' => " \n"]], 'too long' => [['text' => str_repeat('a', 400_001)]], 'no text' => [['text' => 7]], 'no day' => [['on' => 'yesterday']], 'an unnamed name' => [['name' => ' ']], 'of nothing' => [['at' => 'nowhere']],
])->throws(InvalidEdit::class);
