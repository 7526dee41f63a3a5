<?php

declare(strict_types=1);

use ChalkTree\Document\BlockMarkdown;
use ChalkTree\Document\Footnote;
use ChalkTree\Document\Image;
use ChalkTree\Document\NoteBlocks;
use ChalkTree\Document\Words;
use ChalkTree\Text\Asides;
use ChalkTree\Text\WordCount;
use Tests\Support\Chance;

/* What one says to oneself in a note, and what stands at the foot of the page. */

it('takes away what one says to oneself, with the blanks and paragraphs that it alone had', function (string $note, string $left) {
    expect(Asides::without($note))->toBe($left);
})->with([
    'within' => ['The mole {{when was it built?}} lay dark.', 'The mole lay dark.'],
    'before a stop' => ['The mole lay dark {{how dark?}}.', 'The mole lay dark.'],
    'first' => ['{{begin later}} The mole lay dark.', 'The mole lay dark.'],
    'a paragraph of its own' => ["One.\n\n{{ask Ines\nabout the rope}}\n\nTwo.", "One.\n\nTwo."],
    'the last one' => ["One.\n\n{{go on here}}", 'One.'],
    'all of it' => ['{{nothing yet}}', ''],
    'single braces in it' => ['a {{the {small} one}} b', 'a b'],
    'one in another' => ['a {{b {{c}} d}} e', 'a e'],
    'empty' => ['a {{}} b', 'a b'],
    'in a list' => ["- a {{x}}\n- b", "- a\n- b"],
    'code' => ["`{{x}}` and ``{{y}} ` `` and\n\n```\n{{z}}\n```", "`{{x}}` and ``{{y}} ` `` and\n\n```\n{{z}}\n```"],
    'code that never ends' => ["```\n{{z}}", "```\n{{z}}"],
    'open' => ['a {{b', 'a {{b'],
    'over paragraphs' => ["a {{b\n\nc}} d", "a {{b\n\nc}} d"],
    'none' => ["a\n\n\n\nb {c}", "a\n\n\n\nb {c}"],
]);

it('leaves nothing of them, and all else, whatever stands around them', function (int $seed) {
    $chance = new Chance($seed);
    $said = $all = [];
    foreach (range(1, $chance->int(1, 8)) as $i) {
        $words = str_replace(['{', '}', '`', "\n"], ' ', $chance->words(5));
        $said[] = trim("Said{$i} {$words}");
        $all[] = end($said).($chance->yes(60) ? " {{Quillwort {$words}}}" : '');
    }
    $between = $chance->pick(["\n\n", ' ']);
    expect(Asides::without(implode($between, $all)))->not->toContain('Quillwort')->toBe(implode($between, $said));
})->with(range(1, 60));

it('comes to an end with notes of nothing but braces', function (string $note) {
    $begin = microtime(true);
    Asides::without($note);
    WordCount::of($note);
    NoteBlocks::read($note);
    // It is not the time that is looked at but that there is an end.
    expect(microtime(true) - $begin)->toBeLessThan(20.0);
})->with([str_repeat('{{', 50_000), str_repeat('{{ }', 50_000), str_repeat('{{a}} ', 20_000), str_repeat('^[', 50_000), str_repeat('^[a', 20_000).str_repeat(']', 20_000), str_repeat('`{{', 20_000), str_repeat('{{', 100_000).str_repeat('}}', 100_000), '{{a}}'.str_repeat(' ', 400_000).'b', str_repeat(" \t", 200_000).'{{a}}'.str_repeat(' ', 200_000)]);

it('leaves nothing of what is nested deeper than anybody would, and keeps what stands beside long blanks', function () {
    expect(Asides::without('before '.str_repeat('{{x ', 500).'Quillwort'.str_repeat('}}', 500).' after'))->not->toContain('Quillwort')->toStartWith('before')->toEndWith('after')
        ->and(Asides::without('a'.str_repeat(' ', 50_000).'b {{c}} d'))->toBe('a'.str_repeat(' ', 50_000).'b d');
});

it('does not count what one says to oneself', function () {
    expect(WordCount::of('The mole {{when was it built?}} lay dark.'))->toBe(4)->and(WordCount::of('{{a b c}}'))->toBe(0)->and(WordCount::of('Dark^[since nine] now'))->toBe(4);
});

it('reads footnotes, with what is formatted in them', function () {
    $line = NoteBlocks::line('The mole^[Built in *1911*, see [the plan](https://saltmere.example).] lay ![it](file:x)^\\[dark\\].');
    expect($line)->toHaveCount(6)->and($line[1])->toBeInstanceOf(Footnote::class)->and($line[3])->toBeInstanceOf(Image::class)->and($line[4])->toBeInstanceOf(Footnote::class)
        ->and($line[1]->text)->toHaveCount(5)->and($line[1]->text[1]->run->text)->toBe('1911')->and($line[1]->text[3]->run->href)->toBe('https://saltmere.example')
        ->and($line[4]->text[0]->run->text)->toBe('dark');
    // Code, and brackets without the sign, are what they are; a footnote has none itself.
    expect(NoteBlocks::line('`^[x]` [y] ^ [z]'))->each->toBeInstanceOf(Words::class);
    expect(NoteBlocks::line('a^[b^[c]]'))->not->toBe([]);
});

it('writes footnotes of documents as they are read', function (string $note) {
    expect(BlockMarkdown::write(NoteBlocks::read($note)))->toBe($note);
})->with(['The mole^[Built in *1911*.] lay dark.', 'a^[b] c^[d \\[e\\] f]', "- one^[x]\n- two"]);

it('tells what is said to oneself, braces and all', function () {
    expect(ChalkTree\Text\Asides::in('One {{two}} `{{code}}` {{from [x](/maps/y)}} {{'))->toBe(['{{two}}', '{{from [x](/maps/y)}}'])->and(ChalkTree\Text\Asides::in('none'))->toBe([]);
});
