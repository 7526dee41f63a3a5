<?php

declare(strict_types=1);

use Tests\Support\Browser;

/* Whoever types on at once, before what a key opens has ever been loaded, over a slow line. */

/** What stands in the field that has the caret. */
function fieldSays(Browser $browser): string
{
    return (string) $browser->script('const e = document.activeElement; return e instanceof HTMLInputElement || e instanceof HTMLTextAreaElement ? e.value : "no field"');
}

it('keeps what is typed at once after a key for the field that the key opens', function (string $key) {
    $browser = openOutline("Plan\n\tStalls\n\tSoup\n");
    $browser->pick('Stalls')->saved()->delayed(500);
    $browser->keys($key)->type('sox')->keys('Backspace')->type('u');
    $browser->waitUntil(fn (): bool => fieldSays($browser) === 'sou', "“sou” in the field that {$key} opens, not “".fieldSays($browser).'”', 8);
    // What narrows the map has narrowed it by then, or is about to; Escape shows all of it again.
    $browser->delayed(0)->keys('Escape')->waitUntil(fn (): bool => $browser->outline() === ['Plan', '  Stalls', '  Soup'], 'the whole map');
    expect($browser->saved()->outline())->toBe(['Plan', '  Stalls', '  Soup'])->and($browser->complaints())->toBe([]);
})->with(['what narrows the map' => 'Mod+f', 'find and replace' => 'Mod+Alt+f', 'find anything' => 'Mod+j', 'all keys' => 'F1', 'move below' => 'Alt+g', 'the parking lot' => 'Alt+Shift+p']);

it('finds a favourite food in mid-sentence, though what is at hand was never opened before', function () {
    $browser = novel();
    $before = written($browser);
    $browser->delayed(300)->keys('Mod+Alt+a')->type('fo');
    $browser->waitUntil(fn (): bool => str_contains(atHand($browser)[0] ?? '', 'Smoked eel on black bread'), 'the food', 10);
    $browser->delayed(0)->keys('Escape')->type('Ida ');
    $browser->waitUntil(fn (): bool => written($browser) !== $before, 'the words in the sentence');
    expect(written($browser))->toBe("Ida {$before}")->and($browser->saved()->complaints())->toBe([]);
});

it('takes Enter in its turn, and leaves letters to the map again once nothing is opened', function () {
    $browser = openOutline("Plan\n\tStalls\n\tSoup\n");
    $browser->pick('Stalls')->saved()->delayed(500);
    $browser->keys('Alt+Shift+p')->type('Lamps')->keys('Enter')->type('Oil')->keys('Enter');
    $browser->waitUntil(fn (): bool => $browser->count('.lot li') === 2, 'both ideas', 10);
    $browser->delayed(0)->saved();
    expect($browser->script('return [...document.querySelectorAll(".lot strong")].map(l => l.innerText)'))->toEqualCanonicalizing(['Lamps', 'Oil']);
    $browser->keys('Alt+Shift+p')->waitUntil(fn (): bool => ! $browser->has('.lot'), 'the lot to close');
    $browser->pick('Soup')->type('T')->waitFor('.title-editor');
});
