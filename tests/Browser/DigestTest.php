<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/* Topics that gather others into a list, with ways there and back. */

/** A log of its own, with a digest of what is not done, made from what the map is narrowed to. */
function gathering(): Browser
{
    $browser = Studio::copyOf('meeting-log');
    $browser->keys('Mod+f')->waitFor("input[aria-label='Which topics']")->type('not done');
    $browser->waitUntil(fn (): bool => count($browser->outline()) === 7, 'a short outline')->saved();
    $browser->keys('Enter')->pick("Volunteers' meeting log")->keys('Mod+Shift+F3')->waitFor('.digest .lines li');

    return $browser->saved()->waitUntil(fn (): bool => $browser->script('return document.activeElement.matches(".digest li")') === true, 'the focus in the list');
}

/** @return list<string> */
function gatheredLines(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll(".digest .lines li > span")].map((one) => one.firstChild.textContent.trim())');
}

function chooseIn(Browser $browser, int $select, string $option): Browser
{
    $browser->script('document.querySelectorAll(".digest .n-select")[arguments[0]].querySelector(".n-base-selection").click()', $select);
    $browser->waitUntil(fn (): bool => $browser->script('const its = [...document.querySelectorAll(".n-base-select-option")].find((one) => one.textContent.trim() === arguments[0]); its?.click(); return its !== undefined', $option) === true, "“{$option}”");

    return $browser->saved();
}

it('gathers what the map is narrowed to, leads to its place and back, and ticks it off, by keys alone', function () {
    $browser = gathering();
    $all = ['Oskar settles the accounts with the town', 'Tove mends the crane lantern', 'Wren asks for the permits for next year', 'Someone keeps the box of lamps dry'];
    expect(gatheredLines($browser))->toBe($all);
    $browser->keys('ArrowDown', 'Enter')->waitUntil(fn (): bool => $browser->script('return document.querySelector(".desk h2").textContent') === $all[1], 'its place');
    $browser->keys('Alt+Backspace');
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.matches(".digest li") ? document.activeElement.innerText : ""') !== '' && str_starts_with((string) $browser->script('return document.activeElement.querySelector("span").innerText'), $all[1]), 'the line from which one came');
    $browser->keys('ArrowDown', ' ')->saved()->waitUntil(fn (): bool => count(gatheredLines($browser)) === 3, 'it gone from the list');
    expect(gatheredLines($browser))->not->toContain($all[2]);
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => gatheredLines($browser) === $all, 'it back again');
    expect($browser->script('return document.activeElement.matches(".digest li")'))->toBeTrue();
    // From the board into the list by one key, though the desk is away.
    $browser->keys('Escape')->waitUntil(fn (): bool => $browser->script('return document.activeElement.matches(".board")') === true, 'the board')->keys('F8')->waitUntil(fn (): bool => ! $browser->has('.desk'), 'the desk away');
    $browser->keys('Mod+Shift+F2')->waitUntil(fn (): bool => $browser->script('return document.activeElement.matches(".digest li")') === true, 'the list');
    // A line written otherwise is its topic written otherwise.
    $browser->script('document.querySelector(".digest li").focus()');
    $browser->keys('F2')->waitFor('.digest li input')->keys('Mod+a')->type('Oskar pays the town')->keys('Enter')->saved();
    $browser->waitUntil(fn (): bool => gatheredLines($browser)[0] === 'Oskar pays the town' && in_array('Oskar pays the town', array_map(trim(...), $browser->outline()), true), 'the new title in both');
    // By the mouse too, which leads to the place otherwise.
    $browser->script('document.querySelectorAll(".digest .pen")[1].click()');
    $browser->waitFor('.digest li input')->keys('Mod+a')->type('Tove sees to the lantern')->keys('Enter')->saved();
    $browser->waitUntil(fn (): bool => gatheredLines($browser)[1] === 'Tove sees to the lantern', 'the new title');
    expect($browser->complaints())->toBe([]);
});

it('groups by person, gathers from all maps, and is frozen as of a day, by mouse', function () {
    $browser = gathering();
    chooseIn($browser, 1, 'Who')->waitUntil(fn (): bool => $browser->script('return [...document.querySelectorAll(".digest h4")].map((one) => one.firstChild.textContent).join()') === 'Oskar,Tove,Wren,None', 'the heads');
    chooseIn($browser, 0, 'all maps')->waitUntil(fn (): bool => in_array('Compost the paper, keep the lamps', gatheredLines($browser), true), 'lines of another map');
    $browser->script('[...document.querySelectorAll(".digest li")].find((one) => one.innerText.startsWith("Compost")).click()');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".desk h2")?.textContent') === 'Compost the paper, keep the lamps', 'its place in the other map')->ready()->saved();
    $browser->press('Back to the other map')->waitUntil(fn (): bool => $browser->script('return document.activeElement.matches(".digest li") && document.activeElement.innerText.trim().startsWith("Compost")') === true, 'the line, in its map');
    chooseIn($browser, 0, 'this map')->waitUntil(fn (): bool => count(gatheredLines($browser)) === 4, 'this map alone');
    $browser->press('Freeze as it is today')->saved()->waitUntil(fn (): bool => str_starts_with((string) $browser->script('return document.querySelector(".digest .count").textContent'), 'As of '), 'the day');
    $browser->script('document.querySelector(".digest .tick").click()');
    $browser->saved()->waitUntil(fn (): bool => $browser->script('return document.querySelector(".digest .tick").getAttribute("aria-pressed")') === 'true', 'it done');
    expect(gatheredLines($browser))->toHaveCount(4);
    $browser->press('Follow the map again')->saved()->waitUntil(fn (): bool => count(gatheredLines($browser)) === 3, 'what is left');
    // Said otherwise, it gathers otherwise; what cannot be asked is told.
    $browser->script('document.querySelector(".digest input").focus()');
    $browser->keys('Mod+a')->type('kind Meeting')->keys('Enter')->saved()->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".digest").innerText'), '22 September'), 'the meetings');
    $browser->script('document.querySelector(".digest input").focus()');
    $browser->keys('Mod+a')->type('zzzz')->keys('Enter')->saved()->waitUntil(fn (): bool => $browser->script('return document.querySelector(".digest .count").textContent') === 'Nothing is found.', 'that nothing is found');
    $browser->press('No digest')->saved()->waitUntil(fn (): bool => ! $browser->has('.digest'), 'a topic like others');
    expect($browser->complaints())->toBe([]);
});

it('is grouped and ordered by keys alone, from list to list by Tab', function () {
    $browser = gathering();
    $topics = count($browser->outline());
    $at = fn (): string => (string) $browser->script('const e = document.activeElement; return e.closest(".n-select")?.getAttribute("aria-label") ?? e.getAttribute("aria-label") ?? e.textContent');
    for ($i = 0; $i < 12 && $at() !== 'By what it is grouped'; $i++) {
        $browser->keys('Tab');
    }
    expect($at())->toBe('By what it is grouped')->and(count($browser->outline()))->toBe($topics);
    $browser->keys('Enter')->waitFor('.n-base-select-menu');
    for ($i = 0; $i < 20 && $browser->script('return document.querySelector(".n-base-select-option--pending")?.textContent.trim()') !== 'Who'; $i++) {
        $browser->keys('ArrowDown');
    }
    $browser->keys('Enter')->saved()->waitUntil(fn (): bool => $browser->script('return [...document.querySelectorAll(".digest h4")].map((one) => one.firstChild.textContent).join()') === 'Oskar,Tove,Wren,None', 'the heads');
    // What was chosen is taken back from there, and done again.
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => ! $browser->has('.digest h4'), 'no heads')->keys('Mod+Shift+z')->saved()->waitUntil(fn (): bool => $browser->count('.digest h4') === 4, 'the heads again');
    $browser->keys('Tab');
    expect($at())->toBe('By what it is ordered')->and(count($browser->outline()))->toBe($topics)->and($browser->complaints())->toBe([]);
});

it('keeps what one goes on typing in its field while an answer comes', function () {
    $browser = gathering();
    $browser->script('document.querySelector(".digest input").focus()');
    $browser->keys('Mod+a')->type('kind Meeting')->keys('Enter')->saved()->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".digest").innerText'), '22 September'), 'the meetings');
    // The caret stays in the field; the next answer is long on its way.
    $browser->delayed(600)->keys('Enter', 'Mod+a')->type('overdue')->keys('Enter')->type(' or done');
    usleep(1_500_000);
    expect($browser->script('return document.querySelector(".digest input").value'))->toBe('overdue or done');
    $browser->delayed(0)->keys('Enter')->saved()->waitUntil(fn (): bool => count(gatheredLines($browser)) > 5, 'what is overdue or done');
    expect($browser->complaints())->toBe([]);
});

it('shows the first lines on the board, live, each leading to its place by a double click', function () {
    $browser = gathering();
    $shown = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".slip text.gathered")].map((one) => one.textContent)');
    $browser->waitUntil(fn (): bool => count($shown()) >= 4 && str_starts_with($shown()[0], 'Oskar settles the accounts'), 'the lines on the board');
    expect((string) $browser->script('return [...document.querySelectorAll(".slip text.facts")].map((one) => one.textContent).join("|")'))->toContain('≡ gathered here · 4');
    // Ticked off elsewhere, it is gone from the board with the same answer.
    $browser->script('document.querySelector(".digest .tick").click()');
    $browser->saved()->waitUntil(fn (): bool => str_starts_with($shown()[0] ?? '', 'Tove mends'), 'one line less');
    $browser->keys('Escape')->press('Show all');
    usleep(900_000);
    $at = $browser->script('const r = document.querySelectorAll(".slip .gathered-room")[1].getBoundingClientRect(); return [r.x + r.width / 2, r.y + r.height / 2]');
    foreach ([1, 2] as $count) {
        $browser->pointer('mousePressed', ...[...$at, ['clickCount' => $count]])->pointer('mouseReleased', ...[...$at, ['clickCount' => $count]]);
    }
    $browser->waitUntil(fn (): bool => str_starts_with((string) $browser->script('return document.querySelector(".desk h2")?.textContent'), 'Wren asks'), 'its place');
    // The whole was too small to be read; there one is near enough.
    $browser->waitUntil(fn (): bool => (int) $browser->find('.scale')->getText() >= 75, 'it near enough');
    expect($browser->has('.title-editor'))->toBeFalse();
    $browser->press('Back to “not done”')->waitUntil(fn (): bool => $browser->has('.digest') && ! $browser->has('.way-back'), 'the digest again');
    expect($browser->complaints())->toBe([]);
});

it('is copied as a list and sent by letter', function () {
    $browser = gathering();
    $browser->tools('Browser.grantPermissions', ['permissions' => ['clipboardReadWrite', 'clipboardSanitizedWrite']]);
    try {
        $read = fn (): string => (string) $browser->driver->executeAsyncScript('const done = arguments[0]; navigator.clipboard.readText().then(done, () => done(""))');
        $browser->press('Copy the list')->waitUntil(fn (): bool => str_contains($read(), '- ☐ Tove mends the crane lantern · Tove · by Sun 30 May') && str_contains($read(), '· 22 September › To do'), 'the list on the clipboard');
        $browser->press('with the way to each')->press('As Markdown')->waitUntil(fn (): bool => str_contains($read(), '- [ ] Tove mends the crane lantern · Tove'), 'the Markdown on the clipboard');
        expect($read())->not->toContain('22 September');
        $browser->press('Send …')->waitFor("input[aria-label='To whom it is sent']")->type('marit@saltmere.example')->keys('Enter');
        $browser->waitUntil(fn (): bool => str_contains(Studio::server()->artisan('outbox:show'), 'Tove mends the crane lantern'), 'the letter');
    } finally {
        // What others paste is asked for as it is for everyone.
        $browser->tools('Browser.resetPermissions', []);
    }
    expect($browser->complaints())->toBe([]);
});
