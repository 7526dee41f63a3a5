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
        $browser->script('[...document.querySelectorAll(".outline .line")].find((line) => line.querySelector(".text").textContent.trim() === arguments[0]).dispatchEvent(new PointerEvent("pointerdown", {bubbles: true, button: 0})); document.querySelector(".outline").focus()', $from);
        $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".desk h2")?.textContent') === $from, "{$from} chosen");
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

/** Chooses the map to hold this one against, by some letters of its name. */
function against(Browser $browser, string $name): void
{
    $browser->script('document.querySelector(".sentences input[aria-label=\"Map to hold it against\"]").focus()');
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Map to hold it against', 'the caret in the field')->type($name);
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".n-base-select-option--pending")?.textContent'), $name), "“{$name}” to choose")->keys('Enter');
}

it('holds a map against another, by words in any order', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Pupil’s map')->keys('Tab')->type('thin paper')->keys('Mod+Enter')->saved()->keys('F3')->waitFor('.connector-phrase')->type('is made of')->keys('Enter')->saved();
    $browser->enterDemo()->newMap()->type('Model')->keys('Tab')->type('Paper, thin')->keys('Mod+Enter')->saved()->keys('F3')->waitFor('.connector-phrase')->type('is made of')->keys('Enter')->saved();
    $browser->keys('Alt+9')->waitFor('.sentences li');
    against($browser, 'Pupil');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".sentences").innerText'), '0 of its propositions are here, 1 are missing, 1 here are others'), 'what is there and what is missing');
    // The same topics under another title are another proposition; called alike it is the same.
    $browser->script('document.querySelector(".sentences header button").click()');
    $browser->pick('Model')->keys('F2')->waitFor('.title-editor')->keys('Mod+a')->type('Map of pupil’s')->keys('Mod+Enter')->saved();
    $browser->keys('Alt+9')->waitFor('.sentences li');
    against($browser, 'Pupil’s');
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

it('takes ten loose thoughts on free paper to a story: joined, parted, put into a line, piled, aligned', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('The lamp that went out')->keys('Mod+Enter')->saved();
    $browser->act('Arrange the map freely')->saved();
    $thoughts = ['a storm', 'the keeper', 'a lost oar', 'fog', 'the last ferry', 'a letter', 'the daughter', 'a match', 'the choir', 'morning'];
    $browser->keys('Tab');
    foreach ($thoughts as $n => $thought) {
        $browser->waitFor('.title-editor')->type($thought)->keys($n === 9 ? 'Mod+Enter' : 'Enter');
    }
    $browser->saved();
    expect($browser->count('.board .slip'))->toBe(11);
    // Joined by a key and a name, and with a phrase.
    $browser->press('Show all')->pick('fog')->keys('Alt+d')->waitFor('.tying');
    $browser->type('a lost oar')->waitFor('.board .target')->keys('Enter')->waitFor('.phrase-field')->type('hides')->keys('Enter')->saved();
    // Another is put into the line, and parted from it again.
    $browser->waitFor('.mark.chosen')->keys('Tab')->waitFor('.title-editor')->type('a wave')->keys('Mod+Enter')->saved();
    $lines = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".outline .tied")].map((one) => one.textContent.trim()).sort()');
    $browser->waitUntil(fn (): bool => $lines() === ['→ a lost oar', '→ hides: a wave'], 'a wave in between');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => $lines() === ['→ hides: a lost oar'], 'parted again');
    // Three in a column, two in a row.
    $browser->pick('the keeper')->pick('the daughter', 2)->pick('a letter', 2)->act('Align at the left')->saved();
    $lefts = fn (): array => array_unique(array_map(fn (string $title): float => round($browser->boxOf($title)['x']), ['the keeper', 'the daughter', 'a letter']));
    $browser->waitUntil(fn (): bool => count($lefts()) === 1, 'one left edge');
    // A ring around them follows when one is put elsewhere.
    $browser->keys('Alt+Shift+6')->waitFor('.ring-name')->type('at the lamp')->keys('Enter')->saved();
    $browser->waitUntil(fn (): bool => in_array('○ at the lamp', $lines(), true), 'the ring');
    $before = (string) $browser->script('return [...document.querySelectorAll(".board .mark")].find((mark) => mark.querySelector("text.name")).querySelector("path.line").getAttribute("d")');
    $browser->pick('a letter')->keys('Mod+ArrowLeft', 'Mod+ArrowLeft', 'Mod+ArrowLeft')->saved();
    $browser->waitUntil(fn (): bool => $before !== (string) $browser->script('return [...document.querySelectorAll(".board .mark")].find((mark) => mark.querySelector("text.name")).querySelector("path.line").getAttribute("d")'), 'another line');
    expect($browser->complaints())->toBe([]);
});

it('has rings, braces and phrases on a narrow window, in the outline and on the board', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Class')->keys('Tab')->type('Ines')->keys('Enter')->type('Bram')->keys('Enter')->type('Olu')->keys('Mod+Enter')->saved();
    $browser->pick('Ines')->keys('Shift+ArrowDown', 'Mod+Shift+b')->waitFor('.title-editor')->type('The two')->keys('Mod+Enter')->saved();
    $browser->pick('Olu')->keys('F3')->waitFor('.connector-phrase')->type('is helped by')->keys('Enter')->saved();
    $browser->size(420, 800)->visit((string) $browser->script('return location.pathname'))->waitFor('.outline .line');
    expect($browser->script('return [...document.querySelectorAll(".outline .line em.phrase")].map((one) => one.textContent)'))->toBe(['is helped by'])
        ->and($browser->count('.outline .brace-sign'))->toBe(1)
        // Nothing reaches beyond the window.
        ->and($browser->script('return document.documentElement.scrollWidth <= innerWidth'))->toBeTrue();
    $browser->script('[...document.querySelectorAll(".outline .line")].find((line) => line.textContent.includes("Olu")).dispatchEvent(new PointerEvent("pointerdown", {bubbles: true, button: 0})); document.querySelector(".outline").focus()');
    $browser->keys('F3')->waitFor('.outline .connector-phrase');
    $box = (array) $browser->script('const box = document.querySelector(".outline .connector-phrase").getBoundingClientRect(); return [box.left, box.right, innerWidth]');
    expect($box[0])->toBeGreaterThanOrEqual(0)->and($box[1])->toBeLessThanOrEqual($box[2]);
    $browser->type('helps')->keys('Enter')->saved()->waitUntil(fn (): bool => $browser->script('return document.querySelector(".outline .line em.phrase").textContent') === 'helps', 'another phrase');
    $browser->press('Board')->waitFor('.board .slip');
    $browser->waitUntil(fn (): bool => $browser->has('.board .brace-line'), 'the brace');
    $browser->size(1280, 800);
    expect($browser->complaints())->toBe([]);
});
