<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/* Finding what is meant, and seeing nothing else. */

/** The volunteers' log with the field open that narrows it, and something typed in it. */
function finding(string $text): Browser
{
    return find(Studio::copyOf('meeting-log'), $text);
}

function find(Browser $browser, string $text): Browser
{
    $browser->keys('Mod+f')->waitFor("input[aria-label='Which topics']")->keys('Mod+a')->type($text);

    return $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".filter .count").textContent') !== '' && $browser->script('return document.querySelectorAll(".filter .piece").length') > 0, 'it to be understood')->saved();
}

/** @return list<string> the titles on the board */
function titlesOnBoard(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll(".board .slip")].map((slip) => slip.getAttribute("aria-label") ?? slip.textContent)');
}

function counted(Browser $browser, string $words): Browser
{
    return $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".filter .count").textContent') === $words, "the count “{$words}”");
}

it('narrows outline and board while one types, steps from hit to hit, and shows everything again, by keys alone', function () {
    $browser = finding('workshop');
    $browser->waitUntil(fn (): bool => count($browser->outline()) < 15, 'a short outline');
    $hits = (int) $browser->script('return parseInt(document.querySelector(".filter .count").textContent)');
    expect($hits)->toBeGreaterThan(1)->and($browser->outline()[0])->toBe("Volunteers' meeting log");
    $browser->keys('Enter');
    counted($browser, "1 of {$hits}");
    $browser->keys('Enter');
    counted($browser, "2 of {$hits}")->keys('Shift+Enter');
    counted($browser, "1 of {$hits}");
    expect(mb_strtolower((string) $browser->script('return document.querySelector(".desk h2").textContent')))->toContain('workshop');
    $browser->keys('Mod+Enter')->waitUntil(fn (): bool => str_starts_with((string) $browser->script('return document.querySelector(".desk h2").textContent'), "{$hits} "), 'all of them chosen');
    $browser->keys('Mod+f')->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.filter') && count($browser->outline()) > 20, 'everything again');
    expect($browser->complaints())->toBe([]);
});

it('goes on with what is typed, turns a piece round by one key, and takes one away by the mouse', function () {
    $browser = finding('who i');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector("#filter-offers li")?.textContent.startsWith("who Ines")') === true, 'the offer')->keys('Tab');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector("input[aria-label=\'Which topics\']").value') === 'who Ines ', 'it taken');
    $browser->type('and overdue')->waitUntil(fn (): bool => $browser->count('.filter .piece') === 2, 'two pieces');
    $browser->keys('Alt+n')->waitUntil(fn (): bool => $browser->script('return document.querySelector("input[aria-label=\'Which topics\']").value') === 'who Ines and not overdue', 'it turned round');
    $browser->waitFor("button[aria-label='Take “who Ines” away']:not(:disabled)")->script('document.querySelector("button[aria-label=\'Take “who Ines” away\']").click()');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector("input[aria-label=\'Which topics\']").value') === 'not overdue', 'one piece left');
    $browser->waitFor("button[aria-label='Turn “overdue” round']:not(:disabled)")->script('document.querySelector("button[aria-label=\'Turn “overdue” round\']").click()');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector("input[aria-label=\'Which topics\']").value') === 'overdue', 'it turned back');
    expect($browser->complaints())->toBe([]);
});

it('survives a reload, keeps what one changes in view, and ends where one goes to what is hidden', function () {
    $browser = finding('not done');
    // The outline follows at once; what the map is narrowed to is kept when the typing rests.
    $isKept = fn (): bool => (bool) $browser->script('return performance.getEntriesByType("resource").some((one) => one.name.includes("/view") && one.responseEnd > 0)');
    $browser->waitUntil(fn (): bool => count($browser->outline()) === 7 && $isKept(), 'a short outline, and the view kept')->saved();
    $short = $browser->outline();
    $browser->script('location.reload()');
    $browser->waitFor('.filter')->waitUntil(fn (): bool => $browser->outline() === $short, 'it as before');
    $browser->keys('Mod+f')->keys('Enter', 'Mod+Enter');
    $title = trim(end($short));
    $browser->pick($title)->keys('Mod+Shift+d')->saved();
    expect($browser->outline())->toBe($short);
    $browser->keys('Enter')->waitFor('.title-editor')->type('Written meanwhile')->keys('Mod+Enter')->saved();
    $browser->waitUntil(fn (): bool => in_array('Written meanwhile', array_map(trim(...), $browser->outline()), true) && in_array('Written meanwhile', array_map(trim(...), titlesOnBoard($browser)), true), 'what was written');
    // Quick open leads to what is hidden.
    $browser->keys('Mod+j')->waitFor('.palette')->type('battery lamps only')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".palette").innerText'), 'Battery lamps only'), 'a hit')->keys('Enter');
    $browser->waitUntil(fn (): bool => ! $browser->has('.filter') && count($browser->outline()) > 20, 'everything again');
    expect($browser->complaints())->toBe([]);
});

it('lets one go on typing in the outline, though nothing of it is a hit', function () {
    $browser = finding('not done');
    $browser->press('Outline')->waitUntil(fn (): bool => ! $browser->has('.board') && count($browser->outline()) < 15, 'a short outline alone');
    $browser->keys('Mod+f', 'Enter', 'Mod+Enter')->keys('ArrowDown')->delayed(500);
    $browser->keys('Enter')->waitFor('.title-editor')->type('Said at once')->keys('Enter')->waitFor('.title-editor');
    // The answer to the first comes while the second is typed, of which it does not know.
    usleep(1_500_000);
    $browser->type('and this too')->keys('Mod+Enter')->delayed(0)->saved();
    $browser->waitUntil(fn (): bool => array_slice(array_map(trim(...), $browser->outline()), -2) === ['Said at once', 'and this too'], 'both lines');
    // An open bracket asks for nothing, and sends nobody away.
    $browser->keys('Mod+f', 'Mod+a')->type('(')->saved()->waitUntil(fn (): bool => count($browser->outline()) > 20, 'everything');
    expect($browser->has('.filter'))->toBeTrue()->and($browser->complaints())->toBe([]);
    $browser->keys('Escape')->press('Board');
});

it('keeps a filter under a name, and uses, renames and removes it from the tray', function () {
    $browser = finding('not done and not who Ines');
    $browser->press('Keep …')->waitFor("input[aria-label='Name of the filter']")->type('Left to others')->keys('Enter')->saved();
    $browser->press('Everything')->waitUntil(fn (): bool => ! $browser->has('.filter'), 'everything again');
    $browser->press('Filters')->press('2Left to others')->waitFor('.filter')->waitUntil(fn (): bool => $browser->script('return document.querySelector("input[aria-label=\'Which topics\']").value') === 'not done and not who Ines', 'its words');
    $browser->waitUntil(fn (): bool => count($browser->outline()) < 20, 'a short outline');
    $browser->press('2Left to others')->waitUntil(fn (): bool => ! $browser->has('.filter'), 'everything again');
    $browser->script('document.querySelector("button[aria-label=\'Rename or remove the filter Left to others\']").click()');
    $browser->waitFor('.filters input')->keys('Mod+a')->type('For others')->keys('Enter')->saved();
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".filters").textContent'), 'For others'), 'the new name');
    $browser->script('document.querySelector("button[aria-label=\'Rename or remove the filter For others\']").click()');
    $browser->press('Remove')->saved()->waitUntil(fn (): bool => ! str_contains((string) $browser->script('return document.querySelector(".filters").textContent'), 'For others'), 'it gone');
    $browser->keys('Mod+z')->saved();
    expect($browser->complaints())->toBe([]);
});

it('dims the rest, shows nothing but hits, or what is below them, as one wishes', function () {
    $browser = finding('kind Meeting');
    $shows = function (string $way) use ($browser): void {
        $browser->script('document.querySelector(".filter .ways .n-base-selection").click()');
        $browser->waitFor('.n-base-select-option')->script('[...document.querySelectorAll(".n-base-select-option")].find((one) => one.textContent === arguments[0]).click()', $way);
        $browser->saved();
    };
    $browser->waitUntil(fn (): bool => count($browser->outline()) < 15 && count(titlesOnBoard($browser)) === count($browser->outline()), 'the same few on both');
    $above = count($browser->outline());
    $shows('With what is below too');
    $browser->waitUntil(fn (): bool => count($browser->outline()) > $above, 'what is below');
    $shows('Nothing but these');
    $browser->waitUntil(fn (): bool => count(titlesOnBoard($browser)) <= $above, 'few');
    $shows('Dim the rest');
    $browser->waitUntil(fn (): bool => count($browser->outline()) > 20, 'all');
    expect($browser->complaints())->toBe([]);
});

it('finds what is meant in all maps, by keys and by mouse, and leads there and to all of it', function () {
    $browser = finding('not done');
    $here = basename((string) $browser->script('return location.pathname'));
    $browser->keys('Mod+Alt+Home')->waitFor("input[aria-label='Which topics of all maps']")->waitFor('.meant a');
    expect($browser->script('return document.querySelector("input[aria-label=\'Which topics of all maps\']").value'))->toBe('not done');
    $browser->keys('Mod+a')->type('text “cuts the willow”')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".meant").innerText'), 'Tove cuts the willow'), 'hits in another map');
    expect($browser->script('return [...document.querySelectorAll(".meant a")].find((one) => one.innerText.startsWith("Tove cuts")).querySelector("small").innerText'))->toBe('Lanterns › Workshops › Helpers');
    // By keys into the list, down, and there.
    $browser->keys('ArrowDown')->waitUntil(fn (): bool => $browser->script('return document.activeElement.closest(".meant") !== null'), 'the first line');
    $browser->keys('ArrowDown', 'ArrowUp');
    $there = (string) $browser->script('const line = [...document.querySelectorAll(".meant a")].find((one) => !one.pathname.includes(arguments[0]) && one.pathname.includes("/topics/")); line.focus(); return line.pathname', $here);
    $browser->keys('Enter')->waitUntil(fn (): bool => $browser->script('return location.pathname') === $there, 'the other map')->ready();
    // All of one map: it opens narrowed to them.
    $browser->keys('Mod+Alt+Home')->waitFor("input[aria-label='Which topics of all maps']")->keys('Mod+a')->type('e')->waitFor('.meant a.all');
    $count = (int) preg_replace('/\D/', '', (string) $browser->script('const all = document.querySelector(".meant a.all"); window.wanted = new URL(all.href).pathname; return all.innerText'));
    $browser->script('document.querySelector(".meant a.all").click()');
    $browser->waitUntil(fn (): bool => $browser->script('return location.pathname === window.wanted && location.search === ""') === true, 'the map')->waitFor('.filter');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".filter .count").textContent'), (string) $count), "all {$count} of them")->keys('Mod+f')->keys('Escape');
    expect($browser->complaints())->toBe([]);
});
