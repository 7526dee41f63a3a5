<?php

declare(strict_types=1);

use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Map\Bounds;
use ChalkTree\Text\TextMerge;
use Tests\Support\Chance;
use Tests\Support\Outline;

it('brings together what two wrote over one text', function (string $was, string $theirs, string $mine, string $text) {
    $merged = TextMerge::of($was, $theirs, $mine);
    expect($merged->text)->toBe($text)->and($merged->isBoth)->toBeFalse();
})->with([
    'at two places' => ['the boat is late', 'the old boat is late', 'the boat is very late', 'the old boat is very late'],
    'at one place, one after the other' => ['Hello', 'Hello there', 'Hello world', 'Hello there world'],
    'into an empty one' => ['', 'Ferry', 'Boats', 'FerryBoats'],
    'the same' => ['boat', 'boats', 'boats', 'boats'],
    'at both ends of a word' => ['lamp', 'oil-lamp', 'lamps', 'oil-lamps'],
    'one goes on typing behind what the other put before' => ['Hello wor', 'Hello there wor', 'Hello world', 'Hello there world'],
    'one goes on typing before what the other put behind' => ['Hello wor', 'Hello wor again', 'Hello world', 'Hello world again'],
    'one takes out where the other writes' => ["One.\n\nTwo is here.\n\nThree.", "One.\n\nThree.", "One.\n\nTwo is not here.\n\nThree.", "One.\n\nTwo is not here.\n\nThree."],
    'both take out, one more than the other' => ['a b c d e', 'a e', 'a b e', 'a e'],
    'paragraphs of their own' => ["One.\n\nTwo.", "One.\n\nTheirs.\n\nTwo.", "One.\n\nTwo.\n\nMine.", "One.\n\nTheirs.\n\nTwo.\n\nMine."],
    'letters of several parts stay whole' => ['👩‍🚒 and 👩‍🌾', '👩‍🚒 or 👩‍🌾', '👩‍🚒 and 👩‍🏫', '👩‍🚒 or 👩‍🏫'],
]);

it('keeps both where two wrote something else over the same words', function (string $was, string $theirs, string $mine, string $text) {
    $merged = TextMerge::of($was, $theirs, $mine);
    expect($merged->text)->toBe($text)->and($merged->isBoth)->toBeTrue();
})->with([
    'a word' => ['The boat sails', 'The ferry sails', 'The ship sails', 'The ferry / ship sails'],
    'a title' => ['Boats', 'Ferries', 'Ships', 'Ferries / Ships'],
    'lines' => ["One\ntwo\nthree", "One\nzwei\nthree", "One\ndeux\nthree", "One\nzwei / deux\nthree"],
]);

/** Puts new words between words, takes some out, and writes some anew; every new word is of this side alone. */
function rewritten(Chance $chance, array $words, string $side, array &$made, array &$gone): string
{
    $text = [];
    foreach ($words as $n => $word) {
        if ($chance->yes(20)) {
            $text[] = $made[] = "{$side}{$n}new";
        }
        if ($chance->yes(15)) {
            $gone[$word] = true;
        } else {
            $text[] = $word;
        }
    }

    return implode(' ', $text);
}

it('knows what was brought together from what was not', function (int $seed) {
    $chance = new Chance($seed);
    $words = array_map(fn (int $n): string => "w{$n}", range(1, 5 + $chance->int(0, 40)));
    // Each writes at two places of their own.
    $write = function (string $side) use ($chance, $words): string {
        foreach ([1, 2] as $n) {
            $at = $chance->int(0, count($words));
            array_splice($words, $at, $chance->yes(40) ? 1 : 0, ["{$side}{$n}new"]);
        }

        return implode(' ', $words);
    };
    [$was, $left, $right] = [implode(' ', $words), $write('l'), $write('r')];
    $both = TextMerge::of($was, $left, $right)->text;
    expect(TextMerge::isIn($was, $both, $left))->toBeTrue()->and(TextMerge::isIn($was, $both, $right))->toBeTrue()
        ->and(TextMerge::isIn($was, $left, $right))->toBeFalse()->and(TextMerge::isIn($was, $right, $left))->toBeFalse()->and(TextMerge::isIn($was, $was, $right))->toBeFalse();
})->with(range(1, 40));

it('loses nothing that either wrote, brings nothing back, and is the same from both sides but for the order', function (int $seed) {
    $chance = new Chance($seed);
    $words = array_map(fn (int $n): string => "w{$n}", range(1, 5 + $chance->int(0, 40)));
    $was = implode(' ', $words);
    $made = $goneLeft = $goneRight = [];
    $left = rewritten($chance, $words, 'l', $made, $goneLeft);
    $right = rewritten($chance, $words, 'r', $made, $goneRight);
    $merged = TextMerge::of($was, $left, $right)->text;
    $has = array_count_values(preg_split('/[\s\/]+/', $merged, -1, PREG_SPLIT_NO_EMPTY));
    foreach ($made as $word) {
        expect(preg_match_all("/{$word}/", $merged))->toBe(1, "{$word} in {$merged}");
    }
    foreach (array_diff($words, array_keys($goneLeft + $goneRight)) as $word) {
        expect($has[$word] ?? 0)->toBeGreaterThanOrEqual(1, "{$word} in {$merged}");
    }
    foreach (array_keys(array_intersect_key($goneLeft, $goneRight)) as $word) {
        expect($has)->not->toHaveKey($word);
    }
    expect(TextMerge::of($was, $left, $was)->text)->toBe($left)
        ->and(TextMerge::of($was, $was, $right)->text)->toBe($right)
        ->and(count_chars(TextMerge::of($was, $right, $left)->text, 3))->toBe(count_chars($merged, 3));
})->with(range(1, 40));

it('brings together letter by letter what was written in different words, wherever and in whatever script', function (int $seed) {
    $chance = new Chance($seed);
    $letters = ['a', 'b', 'ß', 'é', 'ж', '潮', 'ש', '👩‍🚒', "e\u{301}"];
    $word = fn (int $most): string => implode('', array_map(fn (int $n): string => $chance->pick($letters), range(1, $chance->int(1, $most))));
    $words = array_map(fn (int $n): string => $word(6), range(0, $chance->int(4, 60)));
    $gaps = array_map(fn (string $word): string => $chance->pick([' ', ' ', "\n", "\n\n"]), $words);
    $text = fn (array $words): string => implode('', array_map(fn (string $word, string $gap): string => $word.$gap, $words, $gaps));
    [$first, $second] = [$chance->int(0, count($words) - 3), count($words) - 1];
    $second = $chance->int($first + 2, $second);
    $change = function (string $before) use ($chance, $word): string {
        preg_match_all('/\X/u', $before, $m);
        $at = $chance->int(0, count($m[0]));

        return implode('', [...array_slice($m[0], 0, $at), $word(4), ...array_slice($m[0], $at + ($chance->yes(40) ? 1 : 0))]);
    };
    $left = [$first => $change($words[$first])] + $words;
    $right = [$second => $change($words[$second])] + $words;
    ksort($left);
    ksort($right);
    $both = array_replace($left, [$second => $right[$second]]);
    $merged = TextMerge::of($text($words), $text($left), $text($right));
    expect($merged->text)->toBe($text($both))->and($merged->isBoth)->toBeFalse()->and(TextMerge::of($text($words), $text($right), $text($left))->text)->toBe($text($both));
})->with(range(101, 140));

it('brings long texts together as soon as somebody types in them', function () {
    $long = implode("\n\n", array_map(fn (int $n): string => "Paragraph {$n} of a log that many keep, with some words in it.", range(1, 12_000)));
    $left = str_replace('Paragraph 5 of', 'Paragraph 5, the damp one, of', $long);
    $right = str_replace('Paragraph 11000 of', 'Paragraph 11000, told by Ines, of', $long);
    expect(TextMerge::of($long, $left, $right)->text)->toBe(str_replace('Paragraph 11000 of', 'Paragraph 11000, told by Ines, of', $left));
});

it('merges titles, captions and notes as edits, and only where it is told over what was written', function () {
    $map = Outline::map("Plan\n\tBoats\n");
    $boats = Outline::id($map, 'Boats');
    $make = fn (string $name, array $arguments) => \ChalkTree\Edit\Edits::apply(\ChalkTree\Edit\Edits::read($name, $arguments), $map);
    $make('topic.retitle', ['topic' => $boats, 'title' => 'Old boats', 'was' => 'Boats']);
    $make('topic.retitle', ['topic' => $boats, 'title' => 'Boats and ferries', 'was' => 'Boats']);
    expect($map->topic($boats)->title)->toBe('Old boats and ferries');
    $make('topic.retitle', ['topic' => $boats, 'title' => 'Ships']);
    expect($map->topic($boats)->title)->toBe('Ships');
    foreach (['note', 'caption'] as $field) {
        $make("topic.{$field}", ['topics' => [$boats], $field => 'Red ones']);
        $make("topic.{$field}", ['topics' => [$boats], $field => 'Red ones first', 'was' => 'Red ones']);
        $edit = \ChalkTree\Edit\Edits::read("topic.{$field}", ['topics' => [$boats], $field => 'Blue ones', 'was' => 'Red ones']);
        \ChalkTree\Edit\Edits::apply($edit, $map);
        expect($map->topic($boats)->$field)->toBe('Blue ones first')->and($edit->isBoth())->toBeFalse();
        $edit = \ChalkTree\Edit\Edits::read("topic.{$field}", ['topics' => [$boats], $field => 'Green ones', 'was' => 'Red ones']);
        \ChalkTree\Edit\Edits::apply($edit, $map);
        expect($map->topic($boats)->$field)->toBe('Blue / Green ones first')->and($edit->isBoth())->toBeTrue();
    }
});

it('refuses what would be too long together, and leaves what is there', function () {
    $map = Outline::map("Plan\n\tBoats\n");
    $boats = Outline::id($map, 'Boats');
    $half = fn (string $word): string => str_repeat("{$word} ", (int) (Bounds::LONGEST_CAPTION / 2 / (strlen($word) + 1)) + 20);
    $make = fn (array $arguments) => \ChalkTree\Edit\Edits::apply(\ChalkTree\Edit\Edits::read('topic.caption', ['topics' => [$boats]] + $arguments), $map);
    $make(['caption' => $half('ferry')]);
    $before = $map->topic($boats)->caption;
    expect(fn () => $make(['caption' => $half('ship'), 'was' => '']))->toThrow(InvalidEdit::class, 'both together are too long')
        ->and($map->topic($boats)->caption)->toBe($before);
});
