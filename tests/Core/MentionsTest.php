<?php

declare(strict_types=1);

use ChalkTree\Comment\Mentions;
use Tests\Support\Chance;

const PEOPLE = [1 => 'Ines', 2 => 'Bram Pell', 3 => 'Bram Oake', 4 => 'Åsa Møller', 5 => 'Jo', 6 => 'Jo Anna'];

it('finds whom a text names', function (string $text, array $wanted) {
    expect(Mentions::in($text, PEOPLE))->toBe($wanted);
})->with([
    'nobody' => ['Ines knows.', []], 'a name' => ['Ask @Ines.', [1]], 'at the begin' => ['@ines, well?', [1]], 'in any case' => ['@INES @inEs', [1]], 'two' => ['@Bram Pell and @Ines', [2, 1]],
    'a first name that two have' => ['@Bram?', []], 'each by the whole' => ['@Bram Oake, not @bram pell', [3, 2]], 'a first name that one has' => ['@åsa!', [4]], 'in another case, letters of more bytes' => ['(@ÅSA MØLLER)', [4]],
    'the longest' => ['@Jo Anna', [6]], 'not where it goes on' => ['@Inessa @Ines2', []], 'not within an address' => ['me@ines.example', []], 'with a blank of another sort' => ["@Bram\u{a0}\n Pell", [2]], 'an at sign alone' => ['@ @@ @', []], 'behind another' => ['@@Ines', [1]],
]);

it('names nobody where nobody can be named', function () {
    expect(Mentions::in('@Ines', []))->toBe([])->and(Mentions::in('@', [1 => '']))->toBe([])->and(Mentions::in('@  ', [1 => '  ']))->toBe([]);
});

it('finds whoever stands in a text, whatever stands around', function (int $seed) {
    $chance = new Chance($seed);
    $words = ['well', ',', '.', '–', 'é', '5', '(', ')', "\n", '', '@', '%'];
    foreach (range(1, 200) as $ignored) {
        $named = [];
        $text = '';
        foreach (range(1, $chance->int(1, 8)) as $n) {
            $text .= $chance->pick($words).' ';
            if ($chance->yes(40)) {
                $person = $chance->pick([1, 2, 3, 4, 6]);
                $text .= $chance->pick(['@', '(@', '–@']).($chance->yes(50) ? mb_strtoupper(PEOPLE[$person]) : PEOPLE[$person]).$chance->pick(['', '!', ', ']).' ';
                $named[$person] = $person;
            }
        }
        expect(Mentions::in($text, PEOPLE))->toBe(array_values($named), $text);
    }
})->with([1, 2, 3]);

it('goes through a long text in no time', function () {
    expect(Mentions::in(str_repeat('@', 4000), PEOPLE))->toBe([])->and(Mentions::in(str_repeat('@bram ', 700).'@Ines', PEOPLE))->toBe([1]);
});
