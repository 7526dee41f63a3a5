<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/** Drags a card of the library onto another by the browser's own drag and drop. */
function dragCard(Browser $browser, string $from, string $to): void
{
    $find = 'const find = (name) => [...document.querySelectorAll(".card, .folder, nav button")].find(e => e.innerText.trim().startsWith(name));';
    $browser->waitUntil(fn (): bool => (bool) $browser->script("{$find} return find(arguments[0]) !== undefined && find(arguments[1]) !== undefined", $from, $to), "“{$from}” and “{$to}” in the page");
    $browser->script(
        $find.'const d = new DataTransfer(); const a = find(arguments[0]); const b = find(arguments[1]);'
        .'a.dispatchEvent(new DragEvent("dragstart", {dataTransfer: d, bubbles: true})); b.dispatchEvent(new DragEvent("dragover", {dataTransfer: d, bubbles: true, cancelable: true})); b.dispatchEvent(new DragEvent("drop", {dataTransfer: d, bubbles: true, cancelable: true}))',
        $from, $to,
    );
}

/** @return list<string> */
function cards(Browser $browser): array
{
    return $browser->script('return [...document.querySelectorAll(".card strong")].map(s => s.innerText.trim())');
}

it('keeps maps in folders, by dragging and by the menu, with favourites first', function () {
    // High enough that all of the library is in the page.
    $browser = Studio::tidied()->size(1280, 6_000);
    $browser->press('New folder')->waitFor("input[aria-label='Name of the folder']");
    $browser->type('Festival year')->keys('Enter')->waitFor('.folder');
    dragCard($browser, 'Volunteers', 'Festival year');
    $browser->waitUntil(fn (): bool => ! in_array("Volunteers' meeting log", cards($browser), true), 'the map to go into the folder');
    $browser->press('Open the folder Festival year');
    $browser->waitUntil(fn (): bool => cards($browser) === ["Volunteers' meeting log"], 'the folder');
    $browser->press('New folder')->waitFor("input[aria-label='Name of the folder']");
    $browser->type('Inside')->keys('Enter');
    $browser->waitUntil(fn (): bool => $browser->count('.folder') === 1, 'the folder in the folder');
    // The folder inside goes out and back in by the menu, which keys reach.
    $browser->press('More about the folder Inside')->press('Move out of this folder');
    $browser->waitUntil(fn (): bool => ! $browser->has('.folder'), 'the folder to go out');
    $browser->press('Library')->press('More about the folder Inside');
    $browser->keys('ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowRight', 'Enter');
    $browser->waitUntil(fn (): bool => $browser->count('.folder') === 1, 'the folder to go back in');
    $browser->press('Open the folder Festival year');
    dragCard($browser, 'Volunteers', 'Library');
    $browser->waitUntil(fn (): bool => cards($browser) === [], 'the map to go out');
    $browser->press('Library');
    $browser->waitUntil(fn (): bool => in_array("Volunteers' meeting log", cards($browser), true), 'the library');
    $browser->press("More about Volunteers' meeting log")->press('Make it a favourite');
    $browser->waitUntil(fn (): bool => in_array("Volunteers' meeting log", array_slice(cards($browser), 0, 2), true) && $browser->count('.star') === 2, 'the favourite to stand in front');
    $browser->press('List');
    $browser->waitFor('.card.line');
    // Folders stand above the maps in either way of showing them.
    expect($browser->script('return document.querySelector(".folder strong")?.innerText'))->toBe('Festival year');
    $browser->press('Pictures')->waitFor('.card:not(.line)');
    $browser->press('More about the folder Festival year')->press('Dissolve: what is in it stays');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".folder strong")?.innerText') === 'Inside', 'what was inside');
    $browser->press('More about the folder Inside')->press('Dissolve: what is in it stays');
    $browser->waitUntil(fn (): bool => ! $browser->has('.folder'), 'no folder');
    $browser->press("More about Volunteers' meeting log")->press('No favourite any more');
    expect($browser->complaints())->toBe([]);
});

it('searches inside all maps and leads to the place', function () {
    $browser = Studio::browser();
    $browser->find("input[aria-label='Search names and inside maps']")->sendKeys('willow');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".inside")?.innerText'), 'Saltmere lantern festival') && $browser->script('return [...document.querySelectorAll(".inside a")].some(a => a.innerText.startsWith("Willow"))') === true, 'the festival');
    $browser->script('[...document.querySelectorAll(".inside a")].find(a => a.innerText.startsWith("Willow")).click()');
    $browser->ready()->waitUntil(fn (): bool => stripos((string) $browser->script('return document.querySelector(".outline .chosen")?.innerText'), 'willow') !== false, 'the topic to be chosen');
    expect($browser->complaints())->toBe([]);
});

it('begins from a starter, makes one of a map, and remembers which was chosen last', function () {
    $browser = Studio::browser();
    $browser->press('From a starter')->waitFor('.starter');
    expect($browser->count('.starter'))->toBeGreaterThanOrEqual(11);
    $browser->press('Begin from Lesson plan')->ready();
    expect($browser->outline()[0])->toBe('Lesson');
    $browser->keys('Mod+j')->waitFor('.palette')->type('as a starter');
    usleep(300_000);
    $browser->keys('Enter');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.body.innerText'), 'can begin from this one'), 'the word about it');
    $browser->enterDemo()->press('From a starter')->waitFor('.starter');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".starter").innerText'), 'Lesson plan'), 'the one chosen last to come first');
    $browser->press('No starter any more');
    $browser->waitUntil(fn (): bool => ! $browser->has('.forget'), 'the own starter to go');
    expect($browser->count('.starter'))->toBe(11);
});

it('brings in many files and reports on each', function () {
    $browser = Studio::browser();
    $browser->script('const d = new DataTransfer(); d.items.add(new File(["# One"], "one.md")); d.items.add(new File(["<opml>"], "half.opml")); d.items.add(new File(["Two\n\tx"], "two.txt")); document.querySelector(".library").dispatchEvent(new DragEvent("drop", {dataTransfer: d, bubbles: true, cancelable: true}))');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.body.innerText'), '2 of 3 brought in, 1 could not be read'), 'the report');
    $browser->press('Done');
    $browser->waitUntil(fn (): bool => count(array_intersect(['One', 'Two'], cards($browser))) === 2, 'the maps');
    expect($browser->has('.refused'))->toBeFalse();
});

it('replaces in all maps after showing every place, and undoes it in all by one undo', function () {
    $browser = Studio::browser();
    foreach (['first', 'second'] as $name) {
        file_put_contents($file = sys_get_temp_dir()."/{$name}.txt", "Zebra {$name}\n\tzebras here\n");
        $ids[] = trim(Studio::server()->artisan('map:import', $file));
    }
    $browser->visit("/maps/{$ids[0]}")->ready()->keys('Mod+Shift+f')->waitFor("input[aria-label='Find']")->type('zebra');
    $browser->waitUntil(fn (): bool => $browser->count('.hit') === 4, 'four places');
    $browser->find("input[aria-label='Replace with']")->sendKeys('Heron');
    $browser->press('Replace 4');
    $browser->waitUntil(fn (): bool => $browser->outline() === ['Heron first', '  Herons here'], 'the new words');
    expect(Studio::server()->artisan('map:export', $ids[1], '--to=txt'))->toContain('Heron second');
    $browser->press('Close')->press('Undo');
    $browser->waitUntil(fn (): bool => $browser->outline() === ['Zebra first', '  zebras here'], 'the old words');
    expect(Studio::server()->artisan('map:export', $ids[1], '--to=txt'))->toContain('Zebra second');
    $browser->keys('Mod+Alt+f')->waitFor("input[aria-label='Find']")->type('(');
    $browser->press('Pattern');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".find-panel, .panel").innerText'), 'cannot be read'), 'what is wrong with the pattern');
});

it('edits on a phone with the tools under the thumb, without the page jumping', function () {
    $browser = new Browser(Studio::server()->address, 390, 800, touch: true);
    try {
        $browser->enterDemo()->newMap();
        $browser->type('Trip')->keys('Mod+Enter')->saved();
        $outline = fn (array $lines) => $browser->waitUntil(fn (): bool => $browser->outline() === $lines, json_encode($lines).', not '.json_encode($browser->outline()), 5);
        $browser->press('Add a subtopic')->waitFor('.title-editor')->type('Pack');
        $browser->press('Add a topic after this one')->waitFor('.title-editor')->type('Rope');
        $top = $browser->script('return scrollY + document.querySelector(".switch").getBoundingClientRect().top');
        $browser->press('Move in, below the topic before');
        $outline(['Trip', '  Pack', '    Rope']);
        $browser->waitFor('.title-editor');
        expect($browser->script('return scrollY + document.querySelector(".switch").getBoundingClientRect().top'))->toBe($top);
        $browser->press('Add a topic after this one')->type('Lamp')->press('Move up');
        $outline(['Trip', '  Pack', '    Lamp', '    Rope']);
        $browser->press('Move down');
        $outline(['Trip', '  Pack', '    Rope', '    Lamp']);
        $browser->keys('Mod+Enter')->saved()->press('Move out, beside the parent');
        $outline(['Trip', '  Pack', '    Rope', '  Lamp']);
        $line = $browser->script('const r = [...document.querySelectorAll(".line")].find(l => l.innerText.includes("Pack")).getBoundingClientRect(); return [r.x + 150, r.y + r.height / 2]');
        $browser->tools('Input.dispatchTouchEvent', ['type' => 'touchStart', 'touchPoints' => [['x' => $line[0], 'y' => $line[1]]]]);
        $browser->tools('Input.dispatchTouchEvent', ['type' => 'touchEnd', 'touchPoints' => []]);
        $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".outline .chosen")?.innerText'), 'Pack'), 'Pack to be chosen by a finger');
        $browser->press('Fold or unfold');
        $outline(['Trip', '  Pack', '  Lamp']);
        $browser->press('Write a note')->waitFor('.note-text');
        expect($browser->script('return document.documentElement.scrollWidth'))->toBeLessThanOrEqual(390)
            ->and($browser->script('return Math.min(...[...document.querySelectorAll(".switch button")].map(b => b.getBoundingClientRect().height))'))->toBeGreaterThanOrEqual(42);
    } finally {
        $browser->quit();
    }
});
