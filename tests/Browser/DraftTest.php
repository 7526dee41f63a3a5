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
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".bar-of-draft .count")?.innerText.replaceAll("\n", " ") ?? ""'), 'Section 7 “Quay” 11 11 words'), 'the words counted');
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

it('sets quotes and dashes as the language has them, and gives back what was typed', function (string $language, string $typed, string $set) {
    $browser = writing();
    $browser->script('localStorage.setItem("chalk-draft-quotes", arguments[0]); dispatchEvent(new StorageEvent("storage", {key: "chalk-draft-quotes", newValue: arguments[0], storageArea: localStorage}))', $language);
    $browser->keys('ArrowDown', 'ArrowDown');
    inSection($browser, 'Tove counts')->type($typed);
    saysIn($browser, 'Tove counts', $set);
    $browser->keys('Enter')->type('"')->keys('Backspace')->type('Nine');
    saysIn($browser, 'Tove counts', $set."\n\n".($language === '' ? 'Nine' : '"Nine'));
    expect($browser->complaints())->toBe([]);
})->with([
    'as typed' => ['', '"Fog," she said -- "don\'t..."', '"Fog," she said -- "don\'t..."'],
    'English' => ['en', '"Fog," she said -- "it isn\'t \'here\'..."', '“Fog,” she said — “it isn’t ‘here’…”'],
    'single first' => ['en-GB', '"It isn\'t \'here.\'"', '‘It isn’t “here.”’'],
    'German' => ['de', '"Nebel", sagte sie -- "er hat \'nein\' gesagt"', '„Nebel“, sagte sie – „er hat ‚nein‘ gesagt“'],
    'French' => ['fr', '"L\'eau"', "«\u{202F}L’eau\u{202F}»"],
    'Danish' => ['da', '"Tågen"', '»Tågen«'],
]);

it('keeps a mark of where one stopped, and goes on there', function () {
    $browser = writing();
    $browser->keys('ArrowDown', 'ArrowDown', 'ArrowDown');
    inSection($browser, 'Fog')->type('It is nine. The crane is gone.')->saved();
    for ($i = 0; $i < 19; $i++) {
        $browser->keys('ArrowLeft');
    }
    $browser->keys('Mod+Alt+k')->waitUntil(fn (): bool => $browser->script('return document.activeElement.id') === 'draft-remark', 'the question');
    $browser->type('Tove finds the rope')->keys('Enter')->saved();
    // The caret is back where it was.
    inSection($browser, 'Fog')->type(' Dark.');
    saysIn($browser, 'Fog', 'It is nine. Dark. The crane is gone.');
    $said = fn (): string => (string) $browser->script('return document.querySelector(".draft .stop")?.innerText.replaceAll("\n", " ") ?? ""');
    $browser->waitUntil(fn (): bool => str_contains($said(), 'Stopped at “Fog”') && str_contains($said(), 'Tove finds the rope'), 'the mark, not '.$said());
    // It is there when the map is opened again, and leads there, also by the mouse.
    $browser->driver->navigate()->refresh();
    $browser->ready()->waitFor('.draft .ProseMirror')->waitUntil(fn (): bool => str_contains($said(), 'Tove finds the rope'), 'the mark again');
    $browser->keys('Mod+ArrowUp')->keys('Mod+Alt+g');
    inSection($browser, 'Fog')->type(' Now');
    $browser->waitUntil(fn (): bool => str_contains(sectionTexts($browser)['Fog'] ?? '', ' Now'), 'what is typed there');
    saysIn($browser, 'Fog', 'It is nine. Now Dark. The crane is gone.');
    // Another takes its place; Escape leaves none.
    $browser->keys('ArrowUp', 'ArrowUp');
    $browser->keys('Mod+Alt+k')->waitUntil(fn (): bool => $browser->script('return document.activeElement.id') === 'draft-remark', 'the question')->type('No')->keys('Escape');
    expect($said())->toContain('Tove finds the rope');
    $browser->keys('Mod+Alt+k')->waitUntil(fn (): bool => $browser->script('return document.activeElement.id') === 'draft-remark', 'the question')->keys('Enter')->saved();
    $browser->waitUntil(fn (): bool => str_contains($said(), 'Stopped at') && ! str_contains($said(), 'rope'), 'another mark');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => str_contains($said(), 'Stopped at “Fog”'), 'the first one back');
    // A mark whose section has gone is no hindrance to another.
    $browser->script('const map = document.querySelector("#app").__vue_app__.config.globalProperties.$pinia._s.get("map"); map.edit({ name: "topic.remove", topics: [[...map.tree.topics.values()].find(({ title }) => title === "Fog").id] })');
    $browser->saved()->waitUntil(fn (): bool => $said() === '', 'the mark gone with its section');
    $browser->script('[...document.querySelectorAll(".draft .section")].find((one) => one.getAttribute("aria-label") === "Rope").querySelector(".note-text").click()');
    inSection($browser, 'Rope')->keys('Mod+Alt+k')->waitUntil(fn (): bool => $browser->script('return document.activeElement.id') === 'draft-remark', 'the question')->type('Go on')->keys('Enter')->saved();
    $browser->waitUntil(fn (): bool => str_contains($said(), 'Stopped at “Rope”'), 'a mark there');
    expect((string) $browser->script('return document.body.innerText'))->not->toContain('not in the map any more');
    $browser->press('Done with it')->saved()->waitUntil(fn (): bool => $said() === '', 'no mark');
    expect($browser->complaints())->toBe([]);
});

it('has goals of words, by keys and by mouse', function () {
    $browser = writing();
    $browser->keys('ArrowDown', 'ArrowDown');
    inSection($browser, 'Tove counts')->type('Tove counts the lamps.')->saved();
    $bar = fn (): string => (string) $browser->script('return document.querySelector(".bar-of-draft .count")?.innerText.replaceAll("\n", " ") ?? ""');
    $browser->waitUntil(fn (): bool => str_starts_with($bar(), 'Section 4 “Quay” 4 4 words'), 'the words counted, not '.$bar());
    $browser->keys('Mod+Alt+o')->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Goal of words for “Tove counts”', 'the goal asked for');
    $browser->type('5')->keys('Enter')->saved()->waitUntil(fn (): bool => str_starts_with($bar(), 'Section 4 of 5 “Quay” 4 4 words'), 'the goal');
    // The caret is back, and what is typed counts.
    inSection($browser, 'Tove counts')->type(' Twice now.')->saved();
    $browser->waitUntil(fn (): bool => str_starts_with($bar(), 'Section 6 of 5 “Quay” 6 6 words') && $browser->has('.count .part.met'), 'the goal met');
    $browser->find('.bar-of-draft .count')->click();
    $browser->find("input[aria-label='Goal of words for All of it']")->click();
    $browser->type('80000')->keys('Enter')->saved();
    $browser->waitUntil(fn (): bool => str_contains($bar(), '6 of 80,000 words'), 'the goal of all, not '.$bar());
    inSection($browser, 'Tove counts')->keys('Mod+z')->saved()->waitUntil(fn (): bool => ! str_contains($bar(), '80,000'), 'it taken back');
    // No goal is none.
    $browser->keys('Mod+Alt+o')->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Goal of words for “Tove counts”', 'the goal again');
    $browser->keys('Backspace', 'Enter')->saved()->waitUntil(fn (): bool => str_starts_with($bar(), 'Section 6 “Quay” 6'), 'no goal');
    expect($browser->complaints())->toBe([]);
});

it('cuts a section, which stays and is not counted, and marks what is to be looked up', function () {
    $browser = writing();
    $browser->keys('ArrowDown', 'ArrowDown');
    inSection($browser, 'Tove counts')->type('Tove counts the lamps.')->keys('ArrowDown');
    inSection($browser, 'Fog')->type('It is nine.')->saved();
    $bar = fn (): string => (string) $browser->script('return document.querySelector(".bar-of-draft .count")?.innerText.replaceAll("\n", " ") ?? ""');
    $states = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".draft .section")].filter((one) => one.querySelector(".state") !== null).map((one) => `${one.getAttribute("aria-label")}: ${[...one.querySelectorAll(".state")].map((its) => its.innerText).join()}`)');
    $browser->waitUntil(fn (): bool => str_starts_with($bar(), 'Section 3 “Quay” 7 7 words'), 'all counted, not '.$bar());
    $browser->keys('Mod+Alt+x')->saved()->waitUntil(fn (): bool => str_starts_with($bar(), 'Section 3 “Quay” 4 4 words'), 'it not counted, not '.$bar());
    $browser->keys('Mod+Alt+l')->saved();
    expect($states())->toBe(['Fog: cut, not counted,look up']);
    // It is still written in, and kept after all by the same key.
    inSection($browser, 'Fog')->type(' Or ten.');
    saysIn($browser, 'Fog', 'It is nine. Or ten.');
    $browser->keys('Mod+Alt+x', 'Mod+Alt+l')->saved()->waitUntil(fn (): bool => $states() === [] && str_starts_with($bar(), 'Section 5 “Quay” 9 9 words'), 'it counted again, not '.$bar());
    $browser->keys('Mod+z', 'Mod+z')->saved()->waitUntil(fn (): bool => $states() === ['Fog: cut, not counted,look up'], 'both taken back, not '.json_encode($states()));
    expect($browser->complaints())->toBe([]);
});

it('finds in the text, leads to the very words, and replaces them', function () {
    $browser = writing();
    $browser->keys('ArrowDown', 'ArrowDown', 'ArrowDown');
    inSection($browser, 'Fog')->type('A lantern by the door. Another lantern on the mole.');
    $browser->keys('Mod+Alt+ArrowDown', 'Mod+Alt+ArrowDown');
    inSection($browser, 'Rope')->type('No lantern here.')->saved();
    $browser->keys('Mod+Alt+f')->waitFor("input[aria-label='Find']")->type('lantern');
    $browser->waitUntil(fn (): bool => $browser->count('.hits .hit') === 3, 'three places');
    $browser->script('document.querySelectorAll(".hits .hit button")[1].click()');
    inSection($browser, 'Fog')->waitUntil(fn (): bool => $browser->script('return getSelection().toString()') === 'lantern', 'the word chosen');
    $browser->type('lamp');
    saysIn($browser, 'Fog', 'A lantern by the door. Another lamp on the mole.');
    // What was written is no longer among what is found.
    $browser->waitUntil(fn (): bool => $browser->count('.hits .hit') === 2, 'two places left');
    $browser->find("input[aria-label='Replace with']")->click();
    $browser->type('light');
    $browser->press('Replace 2')->saved();
    saysIn($browser, 'Rope', 'No light here.');
    $browser->script('[...document.querySelectorAll(".draft .section")].find((one) => one.getAttribute("aria-label") === "Rope").querySelector(".note-text").click()');
    inSection($browser, 'Rope')->keys('Mod+z')->saved();
    saysIn($browser, 'Rope', 'No lantern here.');
    saysIn($browser, 'Fog', 'A lantern by the door. Another lamp on the mole.');
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
    fromWriting($browser, 'This section alone')->waitUntil(fn (): bool => $browser->count('.draft .section') === 1, 'one section');
    $browser->press('One section')->waitUntil(fn (): bool => $browser->count('.draft .section') > 3, 'all again');
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

it('writes as Markdown where the formatted editor would not keep what is there', function () {
    $browser = writing();
    $odd = "<!-- mine -->\nBy the steps\n<aside>kept</aside>";
    $browser->script('const map = document.querySelector("#app").__vue_app__.config.globalProperties.$pinia._s.get("map"); map.edit({ name: "topic.note", topics: [[...map.tree.topics.values()].find(({ title }) => title === "Crane").id], note: arguments[0] })', $odd);
    $browser->saved()->keys('ArrowDown', 'ArrowDown', 'ArrowDown');
    inSection($browser, 'Fog')->keys('ArrowDown');
    inSection($browser, 'Crane')->waitUntil(fn (): bool => $browser->script('return document.activeElement.tagName') === 'TEXTAREA', 'the Markdown');
    $note = fn (string $title): ?string => $browser->script('const map = document.querySelector("#app").__vue_app__.config.globalProperties.$pinia._s.get("map"); return [...map.told.topics.values()].find((one) => one.title === arguments[0])?.note ?? null', $title);
    $browser->keys('Mod+End')->type(' at last')->saved()->waitUntil(fn (): bool => $note('Crane') === "{$odd} at last", 'what is typed, to the letter, not '.$note('Crane'));
    // It leads on at its end, and is parted where the caret is.
    $browser->keys('ArrowDown');
    inSection($browser, 'Rope')->keys('ArrowUp');
    inSection($browser, 'Crane')->waitUntil(fn (): bool => $browser->script('return document.activeElement.tagName') === 'TEXTAREA', 'the Markdown again')->keys('Mod+Home', 'ArrowDown', 'Mod+Enter');
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Heading', 'the new heading')->type('Steps')->keys('Enter')->saved();
    $browser->waitUntil(fn (): bool => $note('Crane') === '<!-- mine -->' && $note('Steps') === "By the steps\n<aside>kept</aside> at last", 'both parts, not '.$note('Crane').' and '.$note('Steps'));
    expect($browser->complaints())->toBe([]);
});

it('is written from right to left where the script is', function () {
    $browser = writing();
    $browser->keys('ArrowDown', 'ArrowDown');
    inSection($browser, 'Tove counts')->type('שלום לכולם');
    saysIn($browser, 'Tove counts', 'שלום לכולם');
    expect($browser->script('return document.querySelector(".draft .ProseMirror").matches(":dir(rtl)")'))->toBeTrue();
    inSection($browser, 'Tove counts')->type('!');
    saysIn($browser, 'Tove counts', 'שלום לכולם!');
    expect($browser->complaints())->toBe([]);
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

it('has words to oneself and footnotes by keys, shows and counts them so, and lists what is to be looked up', function () {
    $browser = writing();
    $browser->keys('Mod+Alt+ArrowDown', 'Mod+Alt+ArrowDown');
    inSection($browser, 'Tove counts')->type('The mole lay dark.')->keys('Mod+Alt+m')->type('how dark?')->keys('End')->type(' Nobody')->keys('Mod+Alt+n')->type('but Tove')->keys('End')->type(' came.');
    saysIn($browser, 'Tove counts', 'The mole lay dark.{{how dark?}} Nobody^[but Tove] came.');
    expect($browser->script('return [document.querySelector(".ProseMirror .note-aside")?.textContent, document.querySelector(".ProseMirror .note-foot")?.textContent]'))->toBe(['{{how dark?}}', '^[but Tove]']);
    // What is said to oneself is not counted.
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".bar-of-draft .count")?.innerText.replaceAll("\n", " ") ?? ""'), 'Section 8'), 'eight words');
    // What is marked is counted by itself.
    $browser->keys('Home', 'Shift+End')->waitUntil(fn (): bool => $browser->script('return document.querySelector(".bar-of-draft .marked")?.textContent') === '8 words marked', 'the words that are marked');
    $browser->keys('Mod+Alt+l')->saved();
    $browser->keys('Mod+Alt+ArrowDown');
    inSection($browser, 'Fog')->waitUntil(fn (): bool => ! $browser->has('.bar-of-draft .marked'), 'nothing marked');
    // The same where nobody writes; the letters are kept.
    expect($browser->script('return [...document.querySelectorAll(".still .note-aside, .still .note-foot")].map((one) => one.textContent)'))->toBe(['{{how dark?}}', '^[but Tove]']);
    $browser->keys('Mod+Alt+u')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.activeElement.closest(".list")?.innerText ?? ""'), 'Tove counts'), 'the list');
    $browser->keys('Escape');
    inSection($browser, 'Fog')->keys('Mod+Alt+u')->waitUntil(fn (): bool => $browser->script('return document.activeElement.matches(".list button")') === true, 'the list again');
    $browser->keys('Enter');
    inSection($browser, 'Tove counts');
    expect($browser->complaints())->toBe([]);
});

it('keeps a wording, lays it beside what is said later, and takes it back, by keys and from the menu', function () {
    $browser = writing();
    $browser->keys('Mod+Alt+ArrowDown', 'Mod+Alt+ArrowDown');
    inSection($browser, 'Tove counts')->type('The mole lay dark.')->keys('Mod+Alt+v')->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Name of the wording', 'the field of its name');
    $browser->type('First night')->keys('Enter')->saved()->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".wordings")?.innerText ?? ""'), 'nothing is otherwise'), 'the wording beside itself');
    $browser->keys('Escape');
    inSection($browser, 'Tove counts')->keys('End')->type(' Nobody came.')->saved();
    fromWriting($browser, 'Wordings kept');
    $browser->waitUntil(fn (): bool => $browser->script('return [...document.querySelectorAll(".wordings .text ins")].map((one) => one.textContent).join("")') === ' Nobody came.', 'what is new');
    $browser->press('Take this wording back');
    saysIn($browser, 'Tove counts', 'The mole lay dark.');
    inSection($browser, 'Tove counts')->keys('Mod+z');
    saysIn($browser, 'Tove counts', 'The mole lay dark. Nobody came.');
    expect($browser->complaints())->toBe([]);
});

it('counts what is written today against a goal, and shows the days', function () {
    $browser = writing();
    $browser->type('The mole lay dark, and nobody came.')->saved();
    $count = fn (): string => (string) $browser->script('return document.querySelector(".bar-of-draft .count")?.innerText.replaceAll("\n", " ") ?? ""');
    $browser->waitUntil(fn (): bool => str_contains($count(), 'Today 7'), 'seven words today, not '.$count());
    $browser->keys('Mod+Alt+o')->waitFor('.goals input');
    $browser->script('document.querySelector("[aria-label=\"Goal of words for each day\"]").focus()');
    $browser->type('20')->keys('Enter')->saved()->waitUntil(fn (): bool => str_contains($count(), 'Today 7 of 20'), 'the goal, not '.$count());
    $browser->keys('Mod+Alt+y')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".days")?.innerText ?? ""'), '1 day, 7 words in half a year'), 'the days');
    $days = fn (): array => (array) $browser->script('return [[...document.querySelectorAll(".days li")].map((one) => one.textContent.match(/\\d+ words?$/)?.[0]).join(), [...document.querySelectorAll(".days .strokes i")].filter((one) => one.offsetHeight > 0).length]');
    $browser->waitUntil(fn (): bool => $days() === ['7 words', 1], 'one day of seven words, not '.json_encode($days()));
    $browser->keys('Escape');
    inSection($browser, 'Procession')->keys('End')->type(' Yet.')->saved()->waitUntil(fn (): bool => str_contains($count(), 'Today 8 of 20'), 'eight of them, not '.$count());
    expect($browser->complaints())->toBe([]);
});

it('is all there on a narrow window: one line of buttons, the rest in the menu, dialogs within the window', function () {
    $browser = writing();
    try {
        $browser->keys('Mod+Alt+ArrowDown', 'Mod+Alt+ArrowDown');
        inSection($browser, 'Tove counts')->type('The mole lay dark.')->saved();
        $browser->size(390, 800)->waitUntil(fn (): bool => (bool) $browser->script('return [...document.querySelectorAll(".bar-of-draft .of-width")].every((one) => one.offsetWidth === 0)'), 'the buttons in the menu');
        expect($browser->script('return new Set([...document.querySelectorAll(".bar-of-draft .tools button")].filter((one) => one.offsetWidth > 0).map((one) => one.getBoundingClientRect().top)).size'))->toBe(1)
            ->and($browser->script('return document.documentElement.scrollWidth <= innerWidth'))->toBeTrue();
        fromWriting($browser, 'I stop here')->waitUntil(fn (): bool => $browser->script('return document.activeElement.closest(".draft") !== null && document.activeElement.matches("input")') === true, 'the field of the remark');
        $browser->type('The crane')->keys('Enter')->saved();
        fromWriting($browser, 'Wordings kept')->waitFor('.wordings');
        expect($browser->script('const box = document.querySelector(".wordings").getBoundingClientRect(); return box.left >= 0 && box.right <= innerWidth'))->toBeTrue();
        $browser->keys('Escape');
        expect($browser->complaints())->toBe([]);
    } finally {
        $browser->size(1280, 800);
    }
});

it('keeps the section in which one writes where the eye is, with its caret, while it is moved', function () {
    $browser = novel('Under the stones');
    $browser->keys('Mod+End')->type(' Then');
    $place = fn (): float => (float) $browser->saved()->script('return document.activeElement.getBoundingClientRect().top');
    $before = fn (): string => (string) $browser->script('return [...document.querySelectorAll(".draft .at")].sort((a, b) => a.dataset.index - b.dataset.index).map((one) => one.querySelector(".section").getAttribute("aria-label")).join().split(",Under the stones")[0].split(",").at(-1)');
    $browser->script('window.mine = document.activeElement');
    [$top, $was] = [$place(), $before()];
    $browser->keys('Alt+ArrowUp')->saved()->waitUntil(fn (): bool => $before() !== $was, 'another section before it');
    expect(abs($place() - $top))->toBeLessThan(2.0)->and($browser->script('return document.activeElement === window.mine'))->toBeTrue();
    $browser->type(' what');
    $browser->keys('Alt+ArrowDown')->saved()->waitUntil(fn (): bool => $before() === $was, 'the section that was before it');
    expect(abs($place() - $top))->toBeLessThan(2.0);
    $browser->type('?')->saved();
    expect(trim(written($browser)))->toBe('Then what?')->and($browser->complaints())->toBe([]);
});
