<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/** Types phrase and title of a new topic that is asked for both, and goes on with a key. */
function says(Browser $browser, string $phrase, string $title, string $then): Browser
{
    return $browser->waitFor('.connector-phrase')->type($phrase)->keys('Enter')->waitFor('.title-editor')->type($title)->keys($then);
}

/** @return list<string> the map read out, as the panel has it */
function readOut(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll(".sentences ol .text")].map((one) => one.textContent)');
}

/** @return list<string> pairs of what is written on the board and lies over each other */
function textsOverEachOther(Browser $browser): array
{
    return (array) $browser->script('
        const all = [...document.querySelectorAll(".board text")].map((one) => [one.textContent, one.getBoundingClientRect()]).filter(([, box]) => box.width > 0)
        const found = []
        all.forEach(([text, a], i) => all.slice(i + 1).forEach(([other, b]) => a.left < b.right - 1 && b.left < a.right - 1 && a.top < b.bottom - 3 && b.top < a.bottom - 3 && found.push(`${text} / ${other}`)))
        return found');
}

it('makes a concept map of twenty propositions from nothing, by keys alone, that is read as sentences', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Why do lanterns float?')->keys('Tab')->type('Paper lanterns')->keys('Mod+Enter')->saved();
    $browser->act('Ask for phrases below it')->saved()->act('Arrange the map top-down')->saved();
    $browser->keys('Tab');
    says($browser, 'hold', 'warm air', 'Tab');
    says($browser, 'is lighter than', 'cold air', 'Enter');
    says($browser, 'comes from', 'a candle', 'Tab');
    says($browser, 'burns', 'wax', 'Enter');
    says($browser, 'needs', 'fresh air', 'Shift+Tab');
    says($browser, 'rises by', 'upthrust', 'Shift+Tab');
    says($browser, 'are made of', 'thin paper', 'Tab');
    says($browser, 'is', 'light', 'Enter');
    says($browser, 'keeps out', 'the wind', 'Enter');
    says($browser, 'is glued to', 'willow rods', 'Shift+Tab');
    says($browser, 'have an', 'opening below', 'Tab');
    says($browser, 'lets in', 'the flame’s air', 'Enter');
    says($browser, 'lets out', 'nothing that is warm', 'Shift+Tab');
    says($browser, 'are carried by', 'a breeze', 'Tab');
    says($browser, 'blows from', 'the sea', 'Enter');
    says($browser, 'drops at', 'nightfall', 'Mod+Enter');
    $browser->saved();
    // It becomes a web: four ties across.
    foreach ([['wax', 'weighs on', 'upthrust'], ['willow rods', 'weigh more than', 'thin paper'], ['a breeze', 'cools the', 'warm air'], ['the wind', 'puts out', 'a candle']] as [$from, $phrase, $to]) {
        $browser->keys('Mod+j')->waitFor('.palette input')->type($from)->waitUntil(fn (): bool => $browser->has('.palette li, .palette [role=option]'), 'an answer')->keys('Enter')->waitUntil(fn (): bool => $browser->script('return document.querySelector(".desk h2")?.textContent') === $from, "{$from} chosen");
        $browser->keys('Alt+d')->waitFor('.tying');
        $browser->type($to)->waitFor('.board .target')->keys('Enter')->waitFor('.phrase-field')->type($phrase)->keys('Enter')->saved();
    }
    $browser->keys('Alt+9')->waitFor('.sentences li')->waitUntil(fn (): bool => count(readOut($browser)) === 20, 'twenty sentences');
    $read = readOut($browser);
    expect($read)->toContain('Paper lanterns hold warm air.')->toContain('Paper lanterns have an opening below.')->toContain('The wind puts out a candle.')->toContain('A breeze cools the warm air.')
        ->and($browser->script('return document.querySelector(".sentences").innerText'))->toContain('20 propositions')->not->toContain('without a phrase');
    $browser->script('document.querySelector(".sentences header button").click()');
    $browser->press('Show all')->waitUntil(fn (): bool => ! $browser->has('.moving'), 'all in view');
    expect(textsOverEachOther($browser))->toBe([]);
    $browser->act('Arrange the map freely')->saved()->press('Show all')->waitUntil(fn (): bool => ! $browser->has('.moving'), 'all in view');
    usleep(500_000);
    expect(textsOverEachOther($browser))->toBe([])->and($browser->complaints())->toBe([]);
});

it('holds a map against another, by words in any order', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Pupil’s map')->keys('Tab')->type('thin paper')->keys('Mod+Enter')->saved()->keys('F3')->waitFor('.connector-phrase')->type('is made of')->keys('Enter')->saved();
    $browser->newMap()->type('Model')->keys('Tab')->type('Paper, thin')->keys('Mod+Enter')->saved()->keys('F3')->waitFor('.connector-phrase')->type('is made of')->keys('Enter')->saved();
    $browser->keys('Alt+9')->waitFor('.sentences li');
    $browser->script('document.querySelector(".sentences input[aria-label=\"Map to hold it against\"]").focus()');
    $browser->type('Pupil')->waitFor('.n-base-select-option')->keys('Enter');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".sentences").innerText'), '0 of its propositions are here, 1 are missing, 1 here are others'), 'what is there and what is missing');
    // The same topics under another title are another proposition; called alike it is the same.
    $browser->script('document.querySelector(".sentences header button").click()');
    $browser->pick('Model')->keys('F2')->waitFor('.title-editor')->keys('Mod+a')->type('Map of pupil’s')->keys('Mod+Enter')->saved();
    $browser->keys('Alt+9')->waitFor('.sentences li');
    $browser->script('document.querySelector(".sentences input[aria-label=\"Map to hold it against\"]").focus()');
    $browser->type('Pupil’s')->waitFor('.n-base-select-option')->keys('Enter');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".sentences").innerText'), 'of its propositions are here'), 'an answer');
    expect($browser->complaints())->toBe([]);
});

it('puts a new topic in between a cross-link by a key', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Festival')->keys('Tab')->type('Rain')->keys('Enter')->type('Ferries')->keys('Mod+Enter')->saved();
    $browser->keys('Alt+d')->waitFor('.tying');
    $browser->type('Rain')->waitFor('.board .target')->keys('Enter')->waitFor('.phrase-field')->type('fear')->keys('Enter')->saved();
    $browser->waitFor('.mark.chosen')->keys('Tab')->waitFor('.title-editor')->type('Lightning')->keys('Mod+Enter')->saved();
    $lines = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".outline .tied")].map((one) => one.textContent.trim()).sort()');
    $browser->waitUntil(fn (): bool => $lines() === ['→ Rain', '→ fear: Lightning'], 'both parts');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => $lines() === ['→ fear: Rain'], 'the one again');
    expect($browser->complaints())->toBe([]);
});
