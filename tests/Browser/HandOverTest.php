<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/** What the preview shows, as text. */
function previewed(Browser $browser): string
{
    return (string) $browser->script('const f = document.querySelector(".hand-over iframe"); return f !== null ? new DOMParser().parseFromString(f.srcdoc, "text/html").body.innerText : document.querySelector(".hand-over .look")?.innerText ?? ""');
}

it('hands a map over by keys alone, with a preview that follows what is chosen', function () {
    $browser = Studio::opened("Harbour\n\tQuay\n\t\tCrane\n\tFerry\n");
    $browser->keys('F4')->waitFor('.hand-over')->waitUntil(fn (): bool => str_contains(previewed($browser), 'Crane'), 'the document', 30);
    // From format to format by the arrows: five to the right is Markdown after RTF.
    $browser->script('document.querySelector(".hand-over [role=radio][aria-checked=true]").focus()');
    $browser->keys(...array_fill(0, 6, 'ArrowRight'))->waitUntil(fn (): bool => str_starts_with(previewed($browser), '# Harbour'), 'Markdown');
    $browser->script('document.querySelector("input[aria-label=\'Down to level\']").focus()');
    $browser->keys('Backspace')->type('1')->keys('Tab')->waitUntil(fn (): bool => str_contains(previewed($browser), '## Ferry') && ! str_contains(previewed($browser), 'Crane'), 'one level');
    // Kept with the map under a name, and taken again.
    $browser->press('Keep these settings')->waitFor("input[aria-label='Name of the settings']")->type('Short')->keys('Enter')->saved();
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.body.innerText'), 'Kept with the map as “Short”'), 'the word about it');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.hand-over'), 'the panel to go');
    $id = (string) $browser->script('return location.pathname.split("/")[2]');
    expect(Studio::server()->artisan('map:export', $id, '--preset=Short', '--owner=wren@saltmere.example'))->toBe("# Harbour\n\n## Quay\n\n## Ferry\n");
});

it('hands over who does what by when, unless that is left out', function () {
    $browser = Studio::opened("Harbour\n\tQuay\n");
    $browser->pick('Quay')->keys('Mod+Shift+g')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement?.closest(".veil") !== null && document.querySelector(".veil .form") !== null'), 'the form');
    $browser->type('Ines')->keys('Enter')->type('2026-12-05')->keys('Enter', 'Escape')->waitUntil(fn (): bool => ! $browser->has('.veil'), 'the end of the form')->saved();
    $browser->keys('F4')->waitFor('.hand-over')->press('Markdown');
    $browser->waitUntil(fn (): bool => str_contains(previewed($browser), 'by 2026-12-05 · who Ines'), 'who and by when: '.previewed($browser), 30);
    $browser->script('[...document.querySelectorAll(".hand-over label, .hand-over .n-checkbox, .hand-over button")].find((one) => one.textContent.trim() === "Kinds, fields, to-dos").click()');
    $browser->waitUntil(fn (): bool => str_contains(previewed($browser), 'Quay') && ! str_contains(previewed($browser), 'Ines'), 'neither of them: '.previewed($browser), 30);
    expect($browser->complaints())->toBe([]);
});

it('makes a document by the mouse, tells that it is made, and makes the same again by one key', function () {
    $browser = Studio::opened("Harbour\n\tQuay\n\tBudget\n");
    $browser->pick('Budget')->keys('Mod+Shift+h')->saved();
    $browser->script('window.got = []; const click = HTMLAnchorElement.prototype.click; HTMLAnchorElement.prototype.click = function () { if (this.hasAttribute("download")) { window.got.push(this.href); } else { click.call(this) } }');
    $browser->press('Hand over')->press('Hand over …')->waitFor('.hand-over');
    $browser->waitUntil(fn (): bool => str_contains(previewed($browser), 'Quay') && ! str_contains(previewed($browser), 'Budget'), 'the document without what is private', 30);
    expect($browser->script('return document.querySelector(".hand-over").innerText'))->toContain('1 private topic stays here');
    $browser->press('PDF')->waitFor('.hand-over .pages img')->press('Save the file');
    $browser->waitUntil(fn (): bool => count((array) $browser->script('return window.got')) === 1, 'the file', 30);
    $browser->press('Close')->waitUntil(fn (): bool => ! $browser->has('.hand-over'), 'the panel to go');
    $browser->keys('Shift+F4')->waitUntil(fn (): bool => count((array) $browser->script('return window.got')) === 2, 'the same again', 30);
    foreach ((array) $browser->script('return window.got') as $address) {
        expect($browser->script('window.made = null; fetch(arguments[0]).then(r => r.text()).then(t => window.made = t.slice(0, 5)); return true', $address))->toBeTrue();
        $browser->waitUntil(fn (): bool => $browser->script('return window.made') === '%PDF-', 'a PDF');
    }
    expect($browser->complaints())->toBe([]);
});

it('stops what takes long, and says why nothing can be made', function () {
    $browser = Studio::browser()->enterDemo('Saltmere archive');
    $browser->act('As PDF pages')->waitFor('.making')->press('Stop');
    $browser->waitUntil(fn (): bool => ! $browser->has('.making'), 'it to end');
    $browser = Studio::opened("Harbour\n\tQuay\n");
    $browser->pick('Harbour')->keys('Mod+Shift+h')->saved()->keys('F4')->waitFor('.hand-over');
    $browser->waitUntil(fn (): bool => str_contains(previewed($browser), 'All of this is private'), 'why not', 30);
    $browser->press('Chalk Tree file')->waitUntil(fn (): bool => str_contains(previewed($browser), '"Quay"'), 'the complete copy');
    expect($browser->script('return document.querySelector(".hand-over").innerText'))->toContain('What is private goes along in a complete copy');
});
