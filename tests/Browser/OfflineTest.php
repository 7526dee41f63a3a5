<?php

declare(strict_types=1);

use Tests\Support\Browser;
use Tests\Support\TestServer;

/* Without a network: the application opens, and what was opened before is there and can be changed. */

/** What is kept on the device, as paths. */
function keptPaths(Browser $browser): array
{
    return (array) $browser->driver->executeAsyncScript('const done = arguments[0]; caches.open("chalk-kept").then((kept) => kept.keys()).then((all) => done(all.map((one) => new URL(one.url).pathname)))');
}

/** The topics that stand on the board. */
function drawnTitles(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll(".slip text")].map((one) => one.textContent)');
}

beforeEach(function () {
    $this->server = new TestServer(['CHALK_OFFLINE' => '1']);
    $this->browser = new Browser($this->server->address);
    $this->browser->enterDemo('Festival week');
    $this->browser->ready();
    $this->id = openId($this->browser);
    $this->browser->waitUntil(fn (): bool => in_array("/api/maps/{$this->id}", keptPaths($this->browser), true) && in_array('/api/me', keptPaths($this->browser), true), 'the map to be kept on the device');
});

afterEach(function () {
    $this->browser->quit();
    $this->server->stop();
});

it('says on a phone how many edits wait, and leaves room for the way to try again', function () {
    $browser = $this->browser->size(390, 780)->offline(true);
    $browser->script('const line = [...document.querySelectorAll(".outline [role=treeitem]")].at(-1); line.dispatchEvent(new PointerEvent("pointerdown", { bubbles: true, button: 0 })); window.dispatchEvent(new PointerEvent("pointerup"))');
    $browser->keys('Enter')->type('Written on the quay')->keys('Enter', 'Escape');
    $browser->waitUntil(fn (): bool => preg_match('/No network,\s+\d+ kept/', (string) $browser->script('return document.querySelector(".saved").innerText')) === 1, 'what waits to be told');
    // All of it is in sight, and nothing lies over it.
    expect($browser->script('const said = document.querySelector(".saved .said"); const box = said.getBoundingClientRect(); return [said.scrollWidth <= said.clientWidth + 1, box.left >= 0, [...document.querySelectorAll(".saved button")].every((one) => one.getBoundingClientRect().left >= box.right), document.documentElement.scrollWidth <= innerWidth]'))->toBe([true, true, true, true]);
    $browser->offline(false)->size(1280, 800)->saved();
    expect(array_map(trim(...), $browser->outline()))->toContain('Written on the quay');
});

it('opens maps without a network as they were seen last, keeps what is written, and sends it when there is one', function () {
    $browser = $this->browser;
    // What is done after it was kept as a whole is there too, and how it is looked at.
    $browser->keys('Tab')->type('Kept afterwards')->keys('Enter', 'Escape')->saved()->pick('Tuesday')->keys('Alt+f')->saved();
    $browser->driver->executeAsyncScript('setTimeout(arguments[0], 300)');
    $this->server->kill();
    $browser->driver->navigate()->refresh();
    $browser->ready()->waitFor('.n-message');
    expect((string) $browser->script('return document.querySelector(".n-message").innerText'))->toContain('There is no network.')
        ->and(drawnTitles($browser))->toContain('Kept afterwards')->not->toContain('Last call for volunteers');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".saved").dataset.state') === 'waiting', 'the sign to say so');
    $browser->pick('Kept afterwards')->keys('Enter')->type('Written on the train')->keys('Enter', 'Escape');
    // Over a reload, and by way of the library.
    $browser->visit('/')->waitFor('.card');
    expect((string) $browser->script('return document.querySelector(".left").innerText'))->toContain('There is no network.');
    $browser->openMap('Festival week');
    $browser->ready()->waitUntil(fn (): bool => in_array('Written on the train', drawnTitles($browser), true), 'what was written');
    $this->server->start();
    $browser->script('window.dispatchEvent(new Event("online"))');
    $browser->saved();
    expect($this->server->artisan('map:show', $this->id))->toContain('Written on the train')->toContain('Kept afterwards');
    $browser->driver->navigate()->refresh();
    $browser->ready();
    expect(drawnTitles($browser))->toContain('Written on the train', 'Kept afterwards')->and($browser->has('.n-message'))->toBeFalse();
});

it('keeps nothing of anybody on the device once they have signed out', function () {
    $browser = $this->browser;
    $browser->visit('/')->waitFor('.card')->press('Wren')->press('Sign out')->waitFor('.account');
    $browser->waitUntil(fn (): bool => in_array('/', keptPaths($browser), true) && array_diff(keptPaths($browser), ['/', '/api/me']) === [], 'nothing of theirs to be kept');
    // Who is signed in is kept too: nobody.
    $browser->waitUntil(fn (): bool => $browser->driver->executeAsyncScript('caches.match("/api/me").then((kept) => kept?.json()).then((me) => arguments[0]((me?.person ?? null) === null && me !== undefined))') === true, 'nobody to be kept');
    $this->server->kill();
    $browser->visit("/maps/{$this->id}")->waitFor('.account');
    expect($browser->script('return document.body.innerText'))->not->toContain('Festival');
});
