<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/** Whether some words are drawn on the board. */
function isDrawn(Browser $browser, string $words): bool
{
    return (bool) $browser->script('return [...document.querySelectorAll(".board svg")].some(s => s.textContent.includes(arguments[0]))', $words);
}

it('marks a branch as private by a key, says so wherever it stands, and walks past it', function () {
    $browser = Studio::opened("Harbour\n\tQuay\n\t\tCrane\n\tBudget\n\t\tGifts\n\tFerry\n");
    $browser->pick('Budget')->keys('Mod+Shift+h')->saved();
    expect($browser->script('return [...document.querySelectorAll(".outline .private")].length'))->toBe(2)
        ->and($browser->script('return document.querySelector(".desk").innerText'))->toContain('Private, with all below');
    $browser->pick('Gifts')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".desk").innerText'), 'above is'), 'why it is private');
    $browser->pick('Harbour')->keys('F9')->waitFor('.walk');
    $browser->waitUntil(fn (): bool => ! isDrawn($browser, 'Budget') && isDrawn($browser, 'Quay'), 'the board without what is private');
    $seen = [];
    for ($i = 0; $i < 4; $i++) {
        $seen[] = $browser->script('return document.querySelector(".walk .place").textContent');
        $browser->keys('PageDown');
        usleep(150_000);
        expect(isDrawn($browser, 'Budget') || isDrawn($browser, 'Gifts'))->toBeFalse();
    }
    expect($seen)->toBe(['1 of 4', '2 of 4', '3 of 4', '4 of 4']);
    $browser->keys('Escape')->waitUntil(fn (): bool => isDrawn($browser, 'Budget'), 'all of the map again');
    // Nor does a walk begin there; by the menu it is let go, and by undo it is private again.
    $browser->pick('Gifts')->keys('F9')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.body.innerText'), 'This is private, so it is not shown'), 'why not');
    $browser->menuOn('Budget')->press('Private: leave it out of all that leaves');
    $browser->saved()->waitUntil(fn (): bool => ! $browser->has('.outline .private'), 'nothing private');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => $browser->count('.outline .private') === 2, 'it to be private again');
    expect($browser->complaints())->toBe([]);
});

it('hides what is private in a walk although the network is gone, and shows the whole map after a reload', function () {
    $browser = Studio::opened("Harbour\n\tQuay\n\tBudget\n\tFerry\n");
    $browser->pick('Budget')->keys('Mod+Shift+h')->saved()->pick('Harbour');
    $browser->offline(true);
    $browser->keys('F9')->waitFor('.walk');
    usleep(400_000);
    expect(isDrawn($browser, 'Budget'))->toBeFalse()->and(isDrawn($browser, 'Ferry'))->toBeTrue();
    $browser->offline(false);
    $browser->waitUntil(fn (): bool => ! isDrawn($browser, 'Budget'), 'the board');
    $browser->visit((string) $browser->script('return location.pathname'))->ready();
    $browser->waitUntil(fn (): bool => isDrawn($browser, 'Budget'), 'the whole map');
});

it('makes all that has a tag private, and copies it within the application only', function () {
    $browser = Studio::opened("Harbour\n\tQuay\n\tBudget\n\t\tGifts\n");
    $browser->pick('Budget')->find("input[aria-label='Add a tag']")->sendKeys("inside\n");
    $browser->saved()->keys('Escape')->act('Turn to the tags')->press('Change the tag inside')->press('Private')->saved();
    $browser->waitUntil(fn (): bool => $browser->count('.outline .private') === 2, 'the signs');
    $browser->pick('Harbour');
    Studio::listenForCopy($browser);
    $browser->keys('Mod+c')->waitUntil(fn (): bool => $browser->script('return window.copied !== null'), 'the copy');
    $copied = $browser->script('return window.copied');
    expect($copied['text/plain'])->toBe("Harbour\n\tQuay\n");
    foreach ($copied as $type => $data) {
        $open = preg_replace_callback('/data-chalk-tree="([^"]+)"/', fn (array $m): string => (string) base64_decode($m[1], true), (string) $data);
        expect(str_contains((string) $open, 'Budget') || str_contains((string) $open, 'Gifts'))->toBeFalse($type);
    }
    $browser->pick('Quay');
    $browser->script('const d = new DataTransfer(); d.setData("text/html", arguments[0]); d.setData("text/plain", "x"); document.activeElement.dispatchEvent(new ClipboardEvent("paste", {clipboardData: d, bubbles: true, cancelable: true}))', $copied['text/html']);
    $browser->saved();
    expect(array_map(trim(...), $browser->outline()))->toBe(['Harbour', 'Quay', 'Harbour', 'Quay', 'Budget', 'Gifts', 'Budget', 'Gifts']);
});

it('copies sentences without those of private topics, and lets no window be printed with them', function () {
    $browser = Studio::opened("Boats\n\tWater\n\tBudget\n");
    foreach (['Water' => 'float on', 'Budget' => 'cost'] as $title => $phrase) {
        $id = $browser->topic($title);
        $browser->script('window.edited = null; const [map] = location.pathname.split("/").slice(2); fetch(`/api/maps/${map}/edits`, {method: "POST", headers: {"Content-Type": "application/json", Accept: "application/json", "X-XSRF-TOKEN": decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)[1])}, body: JSON.stringify({since: 0, edits: [{id: arguments[2], name: "row.set", type: "phrase", topics: [arguments[0]], fields: {phrase: arguments[1]}}]})}).then(r => window.edited = r.status)', $id, $phrase, ChalkTree\Map\Ids::next());
        $browser->waitUntil(fn (): bool => $browser->script('return window.edited') === 200, 'the phrase');
    }
    $browser->visit((string) $browser->script('return location.pathname'))->ready();
    $browser->pick('Budget')->keys('Mod+Shift+h')->saved();
    $browser->script('window.written = null; navigator.clipboard.writeText = (text) => { window.written = text; return Promise.resolve() }');
    $browser->act('Read the map out as sentences')->press('Copy');
    $browser->waitUntil(fn (): bool => is_string($browser->script('return window.written')), 'the copy');
    expect($browser->script('return window.written'))->toContain('float on')->not->toContain('Budget');
    $browser->tools('Emulation.setEmulatedMedia', ['media' => 'print']);
    expect($browser->script('return getComputedStyle(document.getElementById("app")).display'))->toBe('none');
    $browser->tools('Emulation.setEmulatedMedia', ['media' => '']);
});

it('shows, peeks at, tells the speaker and reads aloud nothing private in a walk, whatever leads there', function () {
    $browser = Studio::opened("Harbour\n\tBoats\n\t\tQuillwort cove\n\t\t\tQuillwort wreck\n\t\tFerry\n\tMole\n");
    foreach (['Quillwort wreck', 'Mole', 'Boats'] as $title) {
        $browser->pick($title)->keys('Mod+F9')->saved();
    }
    $browser->keys('Mod+F8')->pick('Mole')->waitFor('.desk .new input')->script('document.querySelector(".desk .new input").focus()');
    $browser->type('Quillwort wreck')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".hits li.on")?.textContent ?? ""'), 'Quillwort'), 'the topic')->keys('Enter')->saved();
    $browser->pick('Quillwort cove')->keys('Mod+Shift+h')->saved();
    $browser->script('localStorage.setItem("chalk-walk", JSON.stringify({order: "own", peek: "below", rest: "dimmed", dim: 0.5, seconds: 8, note: true}))');
    $browser->script('location.reload()');
    $browser->ready();
    $seen = fn (): string => (string) $browser->script('return document.querySelector(".board").textContent + document.querySelector(".hint")?.textContent + document.querySelector(".walk")?.textContent + [...document.querySelectorAll(".walk-panel, .walk-note, .aloud, p[aria-live]")].map((one) => one.textContent).join(" ")');
    $browser->pick('Boats')->keys('F9')->waitFor('.walk')->waitUntil(fn (): bool => ! str_contains($seen(), 'Quillwort'), 'nothing private to be seen');
    // Of three stops two are left.
    expect($browser->script('return document.querySelector(".walk .place").textContent'))->toBe('2 of 2');
    $browser->keys('w')->waitUntil(fn (): bool => count($browser->driver->getWindowHandles()) === 2, 'the speaker’s window');
    [$own, $speaker] = $browser->driver->getWindowHandles();
    $said = '';
    foreach (['Home', 'PageDown', 'v', 'Home', 'PageDown', 'PageDown', 'PageDown', 'r', 'r', 'r'] as $key) {
        $browser->keys($key);
        usleep(250_000);
        $said .= $seen();
        $browser->driver->switchTo()->window($speaker);
        $said .= $browser->script('return document.body.textContent');
        $browser->driver->switchTo()->window($own);
    }
    $browser->keys('j')->waitFor('.jump');
    $said .= $seen();
    $browser->keys('Escape');
    // What it leads to is not offered where that is private.
    $browser->keys('j')->waitFor('.jump input')->type('Mole')->keys('Enter');
    usleep(400_000);
    expect($browser->script('return [...document.querySelectorAll(".walk button")].find((one) => one.textContent.trim() === "Open").disabled'))->toBeTrue();
    expect($said)->toContain('Ferry')->not->toContain('Quillwort');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.walk'), 'the walk to end');
    $browser->script('localStorage.removeItem("chalk-walk")');
});
