<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/* A branch as one text, in the browser. */

/** A short novel that is seen as a draft, with the caret at its beginning. */
function writing(): Browser
{
    $browser = Studio::lent("Procession\n\tQuay\n\t\tTove counts\n\t\tFog\n\tCrane\n\t\tRope");
    $browser->keys('Alt+4')->waitFor('.draft .ProseMirror');

    return $browser->waitUntil(fn (): bool => sectionOf($browser) === 'Procession', 'the caret in the first section');
}

/** The heading of the section in which the caret is. */
function sectionOf(Browser $browser): ?string
{
    return $browser->script('return document.activeElement.closest(".section")?.getAttribute("aria-label") ?? null');
}

/** @return array<string, string> what each section says, by its heading */
function sectionTexts(Browser $browser): array
{
    return (array) $browser->script('return Object.fromEntries([...document.querySelectorAll(".draft .section")].map((one) => [one.getAttribute("aria-label"), (one.querySelector(".note-text")?.innerText ?? "").trim()]))');
}

function inSection(Browser $browser, string $heading): Browser
{
    return $browser->waitUntil(fn (): bool => sectionOf($browser) === $heading, "the caret in “{$heading}”, not ".sectionOf($browser));
}

/** What is typed is kept, and shown where it is not typed. */
function saysIn(Browser $browser, string $heading, string $text): Browser
{
    return $browser->saved()->waitUntil(fn (): bool => (sectionTexts($browser)[$heading] ?? null) === $text, "“{$text}” in “{$heading}”, not ".json_encode(sectionTexts($browser)));
}

it('is written from section to section by keys alone, counts words, and takes back across sections', function () {
    $browser = writing();
    $browser->keys('ArrowDown', 'ArrowDown');
    inSection($browser, 'Tove counts')->type('Tove counts the lamps.');
    $browser->keys('Mod+Alt+ArrowDown');
    inSection($browser, 'Fog')->type('It is nine. The crane is gone.');
    saysIn($browser, 'Tove counts', 'Tove counts the lamps.');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".bar-of-draft .count").innerText.replaceAll("\n", " ")'), 'Section 7 “Quay” 11 all 11 words'), 'the words counted');
    // Back over the edge, and into the heading.
    $browser->keys('Mod+ArrowUp', 'ArrowUp');
    inSection($browser, 'Tove counts')->keys('F2')->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Heading', 'the heading');
    $browser->keys('Mod+a')->type('Tove counts twice')->keys('Enter')->saved();
    inSection($browser, 'Tove counts twice');
    expect(array_map(trim(...), $browser->outline()))->toContain('Tove counts twice');
    // The latest step first, wherever the caret is: the heading, then the text of the other section.
    $browser->keys('Mod+z')->saved();
    inSection($browser, 'Tove counts')->keys('Mod+z');
    saysIn($browser, 'Fog', '');
    inSection($browser, 'Fog')->keys('Mod+Shift+z');
    saysIn($browser, 'Fog', 'It is nine. The crane is gone.');
    expect($browser->complaints())->toBe([]);
});

it('parts a section at the caret, joins it again, and moves it, with the caret in the text', function () {
    $browser = writing();
    $browser->keys('ArrowDown', 'ArrowDown', 'ArrowDown');
    inSection($browser, 'Fog')->type('It is nine. The crane is gone.')->saved();
    for ($i = 0; $i < 18; $i++) {
        $browser->keys('ArrowLeft');
    }
    $browser->keys('Mod+Enter')->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Heading', 'the new heading');
    $browser->type('Gone')->keys('Enter');
    inSection($browser, 'Gone');
    saysIn($browser, 'Gone', 'The crane is gone.');
    expect(sectionTexts($browser)['Fog'])->toBe('It is nine.')->and(array_map(trim(...), $browser->outline()))->toBe(['Procession', 'Quay', 'Tove counts', 'Fog', 'Gone', 'Crane', 'Rope']);
    $browser->keys('Alt+ArrowUp')->saved()->waitUntil(fn (): bool => array_slice(array_map(trim(...), $browser->outline()), 3, 2) === ['Gone', 'Fog'], 'it moved');
    inSection($browser, 'Gone')->type('Still here. ');
    saysIn($browser, 'Gone', 'Still here. The crane is gone.');
    $browser->keys('Mod+Alt+j')->saved()->waitUntil(fn (): bool => ! in_array('Gone', array_map(trim(...), $browser->outline()), true), 'it joined');
    saysIn($browser, 'Tove counts Gone', 'Still here. The crane is gone.');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => in_array('Gone', array_map(trim(...), $browser->outline()), true), 'it back');
    // From a heading an empty one begins, and the text stays.
    $browser->keys('F2')->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Heading', 'the heading')->keys('Mod+Enter');
    $browser->waitUntil(fn (): bool => in_array('', array_map(trim(...), $browser->outline()), true) || in_array('Untitled', array_map(trim(...), $browser->outline()), true), 'a new one')->saved();
    expect(array_filter(sectionTexts($browser), fn (string $text): bool => str_contains($text, 'Still here')))->toHaveCount(1)->and(sectionTexts($browser)['Untitled'] ?? '')->toBe('');
    expect($browser->complaints())->toBe([]);
});

it('counts words only of what is with the server', function () {
    $browser = writing();
    $browser->keys('ArrowDown', 'ArrowDown');
    inSection($browser, 'Tove counts')->delayed(900)->keys('ArrowDown')->keys('Mod+Enter');
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Heading', 'the new heading');
    $browser->saved()->delayed(0);
    expect($browser->complaints())->toBe([]);
});

it('is entered by a click, shows one section or nothing else, and opens where one wrote last', function () {
    $browser = writing();
    $browser->keys('ArrowDown', 'ArrowDown');
    inSection($browser, 'Tove counts')->type('Tove counts the lamps.')->keys('ArrowDown');
    inSection($browser, 'Fog')->saved();
    $at = $browser->script('const r = [...document.querySelectorAll(".draft .section")].find((one) => one.getAttribute("aria-label") === "Tove counts").querySelector("p").getBoundingClientRect(); return [r.x + 3, r.y + r.height / 2]');
    $browser->pointer('mousePressed', ...$at)->pointer('mouseReleased', ...$at);
    inSection($browser, 'Tove counts')->type('So ');
    saysIn($browser, 'Tove counts', 'So Tove counts the lamps.');
    $browser->press('This one alone')->waitUntil(fn (): bool => $browser->count('.draft .section') === 1, 'one section');
    $browser->press('This one alone')->waitUntil(fn (): bool => $browser->count('.draft .section') > 3, 'all again');
    $browser->press('Text alone')->waitUntil(fn (): bool => $browser->script('return document.elementFromPoint(30, 30).closest(".draft") !== null') === true, 'nothing but the text');
    $browser->press('Everything again')->waitUntil(fn (): bool => $browser->has('.bar-of-draft'), 'the rest again')->press('Text alone')->waitFor('.draft.bare');
    $browser->script('document.querySelector(".draft .ProseMirror").focus()');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.draft.bare'), 'the rest again');
    // Elsewhere and back, and after a reload.
    $browser->keys('Alt+2')->waitFor('.board')->keys('Alt+4');
    inSection($browser, 'Tove counts');
    $browser->saved()->script('location.reload()');
    usleep(500_000);
    $browser->waitFor('.draft .ProseMirror');
    inSection($browser, 'Tove counts')->type('now ');
    saysIn($browser, 'Tove counts', 'So now Tove counts the lamps.');
    $browser->press('Board');
    expect($browser->complaints())->toBe([]);
});

it('shows what is in notes as the editor does, fetches nothing from elsewhere, and leads away by no mere click', function () {
    $browser = writing();
    $browser->keys('ArrowDown', 'ArrowDown');
    inSection($browser, 'Tove counts');
    // As it would come from a file that somebody else made.
    $browser->script('const its = document.querySelector("#app").__vue_app__.config.globalProperties.$pinia._s; const map = its.get("map"); map.edit({ name: "topic.note", topics: [[...map.tree.topics.values()].find(({ title }) => title === "Rope").id], note: arguments[0] })', 'By [the steps](https://harbour.example/steps), ![a far one](https://elsewhere.example/p.png), $a^2$ high.');
    $browser->saved();
    $rope = '[...document.querySelectorAll(".draft .section")].find((one) => one.getAttribute("aria-label") === "Rope")';
    $browser->waitUntil(fn (): bool => $browser->script("return {$rope}?.querySelector('.still .formula math') != null") === true, 'the formula');
    expect($browser->script("return [{$rope}.querySelectorAll('img').length, {$rope}.querySelector('.note-picture.elsewhere')?.textContent]"))->toBe([0, 'A picture elsewhere: a far one'])
        ->and($browser->script('return performance.getEntriesByType("resource").some(({ name }) => name.includes("elsewhere.example"))'))->toBeFalse();
    $at = $browser->script("const r = {$rope}.querySelector('a').getBoundingClientRect(); return [r.x + r.width / 2, r.y + r.height / 2]");
    $browser->pointer('mousePressed', ...$at)->pointer('mouseReleased', ...$at);
    inSection($browser, 'Rope');
    expect($browser->script('return location.pathname'))->toStartWith('/maps/')->and(count($browser->driver->getWindowHandles()))->toBe(1)->and($browser->complaints())->toBe([]);
    $browser->press('Board');
});

it('is there on a phone', function () {
    $browser = writing()->size(420, 820);
    try {
        $browser->press('Draft')->waitFor('.draft .section');
        expect($browser->script('return document.documentElement.scrollWidth <= innerWidth'))->toBeTrue();
        $browser->press('Outline')->waitUntil(fn (): bool => ! $browser->has('.draft'), 'the outline');
    } finally {
        $browser->size(1280, 800);
    }
    $browser->press('Board');
    expect($browser->complaints())->toBe([]);
});
