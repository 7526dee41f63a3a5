<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/** Publishes the map that is open, by keys, and gives the address of its page. */
function published(Browser $browser, string $name): string
{
    $browser->act('Publish …')->waitUntil(fn (): bool => $browser->script('return document.activeElement?.matches(".pages-of-map .new input") ?? false'), 'the field for the name');
    $browser->type($name)->keys('Enter')->waitUntil(fn (): bool => $browser->has('.pages-of-map article .address a'), 'the page', 30);

    return (string) $browser->script('return document.querySelector(".pages-of-map article .address a").href');
}

/** Opens an address as whoever has no account here. */
function readPage(Browser $browser, string $address): void
{
    $browser->visit((string) preg_replace('~^https?://[^/]+~', '', $address))->waitFor('.board.live');
}

/** @return list<string> titles that are seen on the board of a page */
function seenOnPage(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll("#board g[data-t]")].filter(g => g.getClientRects().length > 0 && g.getBoundingClientRect().width > 0).map(g => [...g.querySelectorAll("text")].map(t => t.textContent).join(" ").trim())');
}

it('publishes a map that anyone reads, folds, searches and looks closely at, by keys', function () {
    $browser = Studio::opened("Harbour\n\tQuay\n\t\tCrane\n\t\tBollards\n\tFerry\n\t\tTimetable\n");
    $browser->pick('Crane')->keys('Mod+Shift+h')->saved();
    $address = published($browser, 'For the site');
    $other = new Browser(Studio::server()->address);
    try {
        readPage($other, $address);
        expect(seenOnPage($other))->toContain('Harbour', 'Quay', 'Bollards', 'Timetable')->not->toContain('Crane');
        expect($other->script('return document.documentElement.outerHTML'))->not->toContain('Crane');
        // A branch is folded in place, and unfolded.
        $other->script('[...document.querySelectorAll(".fold")].find(f => f.getAttribute("aria-label").includes("Quay")).focus()');
        $other->keys('Enter')->waitUntil(fn (): bool => ! in_array('Bollards', seenOnPage($other), true), 'what is folded to go');
        expect(seenOnPage($other))->toContain('Timetable')->and($other->script('return document.activeElement.textContent'))->toBe('1');
        // Finding unfolds, and shows it.
        $other->script('document.querySelector("input[type=search]").focus()');
        $other->type('boll')->keys('Enter')->waitUntil(fn (): bool => in_array('Bollards', seenOnPage($other), true), 'what was found');
        expect($other->script('return document.querySelector("[role=status]").textContent'))->toBe('1 of 1');
        $other->script('document.getElementById("board").focus()');
        $before = $other->script('return document.querySelector("#board svg").getAttribute("viewBox")');
        $other->press('+')->waitUntil(fn (): bool => $other->script('return document.querySelector("#board svg").getAttribute("viewBox")') !== $before, 'it to be larger');
        expect($other->complaints())->toBe([]);
    } finally {
        $other->quit();
    }
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".pages-of-map").innerText'), 'follows the map'), 'the page in the list');
});

it('works by the mouse: drags, zooms, opens notes, and follows the map until it is withdrawn', function () {
    $browser = Studio::opened("Harbour\n\tQuay\n\tFerry\n");
    $browser->act('Publish …')->waitFor('.pages-of-map')->press('Publish')->waitUntil(fn (): bool => $browser->has('.pages-of-map article .address a'), 'the page', 30);
    $address = (string) $browser->script('return document.querySelector(".pages-of-map article .address a").href');
    $other = new Browser(Studio::server()->address);
    try {
        readPage($other, $address);
        $box = fn (): string => (string) $other->script('return document.querySelector("#board svg").getAttribute("viewBox")');
        $before = $box();
        $other->drag([200, 500], [320, 420]);
        expect($box())->not->toBe($before);
        $other->press('All')->press('+');
        $browser->press('Close')->pick('Quay');
        file_put_contents($edits = sys_get_temp_dir().'/edits-'.getmypid().'.json', json_encode([['name' => 'topic.note', 'topics' => [$browser->topic('Quay')], 'note' => 'Swept on **Mondays**.']]));
        Studio::server()->artisan('map:edit', (string) $browser->script('return location.pathname.split("/")[2]'), $edits, '--owner=wren@saltmere.example');
        unlink($edits);
        readPage($other, $address);
        $other->script('[...document.querySelectorAll("#board g[data-t]")].find(g => g.textContent.includes("Quay")).dispatchEvent(new MouseEvent("click", { bubbles: true }))');
        $other->waitUntil(fn (): bool => str_contains((string) $other->script('return document.getElementById("told")?.innerText ?? ""'), 'Swept on Mondays.'), 'the note');
        $browser->act('Publish …')->waitFor('.pages-of-map article')->press('Withdraw')->press('Really withdraw it')->waitUntil(fn (): bool => ! $browser->has('.pages-of-map article'), 'it to go');
        $other->visit((string) preg_replace('~^https?://[^/]+~', '', $address))->waitUntil(fn (): bool => str_contains((string) $other->script('return document.body.innerText'), 'There is nothing at this address'), 'nothing');
    } finally {
        $other->quit();
    }
});

it('is a picture and a page in a post on another site, 500 pixels wide, which opens large', function () {
    $browser = Studio::opened("Harbour\n\tQuay\n\tFerry\n");
    published($browser, 'For the blog');
    $snippets = [(string) $browser->script('return document.querySelector(".pages-of-map textarea").value')];
    $browser->press('The page in a frame')->waitUntil(fn (): bool => str_starts_with((string) $browser->script('return document.querySelector(".pages-of-map textarea").value'), '<iframe'), 'the frame');
    $snippets[] = (string) $browser->script('return document.querySelector(".pages-of-map textarea").value');
    file_put_contents($post = sys_get_temp_dir().'/post-'.getmypid().'.html', '<!DOCTYPE html><meta charset="utf-8"><title>A post</title><div style="width:500px"><h1>News</h1>'.implode('<p>And large:</p>', $snippets).'</div>');
    $other = new Browser(Studio::server()->address);
    try {
        $other->driver->get("file://{$post}");
        $other->waitUntil(fn (): bool => $other->script('const i = document.querySelector("img"); return i.complete && i.naturalWidth > 0'), 'the picture', 30);
        expect($other->script('return document.querySelector("img").getBoundingClientRect().width'))->toEqual(500);
        $other->driver->switchTo()->frame(0);
        $other->waitFor('.board.live');
        expect($other->script('return getComputedStyle(document.getElementById("outline")).display'))->toBe('none')->and(seenOnPage($other))->toContain('Ferry');
        $other->driver->switchTo()->defaultContent();
        $other->script('document.querySelector("a").click()');
        $other->waitFor('.board.live');
        expect($other->script('return document.querySelector("h1").textContent'))->toBe('Harbour');
    } finally {
        $other->quit();
        unlink($post);
    }
});

it('publishes at once although the list of pages has not come', function () {
    $browser = Studio::opened("Harbour\n\tQuay\n");
    $browser->script('const real = window.fetch; window.fetch = (what, how) => how?.method === "GET" && String(what).endsWith("/published") ? new Promise((come) => setTimeout(() => come(real(what, how)), 1500)) : real(what, how)');
    published($browser, 'Quick');
    expect($browser->script('return [...document.querySelectorAll(".pages-of-map h3")].map((name) => name.textContent)'))->toBe(['Quick']);
});

it('is an outline and a drawing where no script runs', function () {
    $browser = Studio::opened("Harbour\n\tQuay\n\t\tCrane\n\tFerry\n");
    $address = published($browser, 'Plain');
    $other = new Browser(Studio::server()->address);
    try {
        $other->tools('Emulation.setScriptExecutionDisabled', ['value' => true]);
        $other->driver->get($address);
        $root = $other->tools('DOM.getDocument', ['depth' => 0])['root']['nodeId'];
        $count = fn (string $css): int => count($other->tools('DOM.querySelectorAll', ['nodeId' => $root, 'selector' => $css])['nodeIds']);
        expect([$count('main li'), $count('main li li'), $count('#board svg text'), $count('.board.live')])->toBe([3, 1, 4, 0]);
    } finally {
        $other->quit();
    }
});
