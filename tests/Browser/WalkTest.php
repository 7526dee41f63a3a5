<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

const TOUR = "Harbour\n\tMole\n\t\tLamp\n\t\t\tWick\n\t\tBell\n\tFerry\n\t\tDeck\n\t\tEngine\n\tMarket\n";

/** The topic that a walk is at, as the page tells those who do not see it. */
function walkedTo(Browser $browser): string
{
    return (string) $browser->script('return document.querySelector("p[aria-live=assertive]")?.textContent ?? ""');
}

function isWalkedTo(Browser $browser, string $title): void
{
    $browser->waitUntil(fn (): bool => walkedTo($browser) === $title, "the walk to be at {$title}, not ".walkedTo($browser));
}

/** The titles of the topics that are on the board, whether dimmed or not. */
function onBoard(Browser $browser): array
{
    $titles = (array) $browser->script('return [...document.querySelectorAll(".board g.slip")].map((one) => [...one.querySelectorAll("text")].map((line) => line.textContent).join(" ").trim())');
    sort($titles);

    return $titles;
}

/** How one walks is kept from walk to walk; each test begins anew. */
beforeEach(fn () => Studio::browser()->script('localStorage.removeItem("chalk-walk"); localStorage.removeItem("chalk-aloud")'));

function begunWalk(Browser $browser, string $title): Browser
{
    $browser->pick($title)->keys('F9')->waitFor('.walk');
    isWalkedTo($browser, $title);

    return $browser;
}

function placeInWalk(Browser $browser): string
{
    return (string) $browser->script('return document.querySelector(".walk .place").textContent');
}

function pressInWalk(Browser $browser, string $name): void
{
    $browser->script('[...document.querySelectorAll(".walk button")].find((one) => one.textContent.trim() === arguments[0]).click()', $name);
}

/** A finger over the board, from one point to another, in so many milliseconds. */
function finger(Browser $browser, array $from, array $to, int $moves = 1): void
{
    $touch = fn (string $type, array $points) => $browser->tools('Input.dispatchTouchEvent', ['type' => $type, 'touchPoints' => $points]);
    $touch('touchStart', [['x' => $from[0], 'y' => $from[1]]]);
    for ($i = 1; $from !== $to && $i <= $moves; $i++) {
        $touch('touchMove', [['x' => $from[0] + ($to[0] - $from[0]) * $i / $moves, 'y' => $from[1] + ($to[1] - $from[1]) * $i / $moves]]);
    }
    $touch('touchEnd', []);
}

function clickInWalk(Browser $browser, float $x, float $y): void
{
    $browser->pointer('mousePressed', $x, $y, ['button' => 'left', 'clickCount' => 1])->pointer('mouseReleased', $x, $y, ['button' => 'left', 'clickCount' => 1]);
}

it('walks to a level that is set by a digit, deeper still by a key, and back', function () {
    $browser = begunWalk(Studio::opened(TOUR), 'Harbour');
    $browser->keys('1');
    expect(placeInWalk($browser))->toBe('1 of 4');
    foreach (['PageDown' => 'Mole', 'ArrowRight' => 'Lamp', 'ArrowDown' => 'Ferry'] as $key => $title) {
        $browser->keys($key);
        isWalkedTo($browser, $title);
    }
    $browser->keys('PageUp');
    isWalkedTo($browser, 'Lamp');
    $browser->keys('2')->waitUntil(fn (): bool => placeInWalk($browser) === '3 of 8', 'a level more');
    $browser->keys('0')->waitUntil(fn (): bool => placeInWalk($browser) === '3 of 9', 'all levels');
    $browser->keys('Home');
    isWalkedTo($browser, 'Harbour');
    expect($browser->script('return document.querySelector(".along").getAttribute("aria-valuenow")'))->toBe('1');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.walk'), 'the walk to end');
});

it('jumps to what is typed, or to a number, and nowhere where nothing fits', function () {
    $browser = begunWalk(Studio::opened(TOUR), 'Harbour');
    $browser->keys('j')->waitFor('.jump input')->type('eng')->keys('Enter');
    isWalkedTo($browser, 'Engine');
    $browser->keys('/')->waitFor('.jump input')->type('5')->keys('Enter');
    isWalkedTo($browser, 'Bell');
    $browser->keys('j')->waitFor('.jump input')->type('no such topic')->waitFor('.jump .none')->keys('Enter');
    expect(walkedTo($browser))->toBe('Bell');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.jump'), 'the list to close');
    isWalkedTo($browser, 'Bell');
    // By mouse; the keys are those of the walk again.
    pressInWalk($browser, 'Jump');
    $browser->waitFor('.jump li');
    $browser->script('[...document.querySelectorAll(".jump li")].find((one) => one.textContent.includes("Market")).click()');
    isWalkedTo($browser, 'Market');
    $browser->keys('Backspace');
    isWalkedTo($browser, 'Bell');
    $browser->keys('Escape');
});

it('shows all dimmed so that it is still recognised, only what was shown, or nothing but the topic', function () {
    $contrast = <<<'JS'
        const part = (v) => (v / 255 <= 0.04045 ? v / 255 / 12.92 : ((v / 255 + 0.055) / 1.055) ** 2.4)
        const light = ([r, g, b]) => 0.2126 * part(r) + 0.7152 * part(g) + 0.0722 * part(b)
        const slip = [...document.querySelectorAll('.board g.slip.dimmed')].find((one) => one.textContent.includes('Ferry'))
        const rest = Number(getComputedStyle(slip).opacity)
        const colour = (value) => value.match(/[\d.]+/g).slice(0, 3).map(Number)
        const board = colour(getComputedStyle(document.querySelector('.board')).backgroundColor)
        const ink = colour(getComputedStyle(slip.querySelector('text')).fill)
        const seen = ink.map((v, i) => v * rest + board[i] * (1 - rest))
        const [high, low] = [light(seen), light(board)].sort((a, b) => b - a)
        return (high + 0.05) / (low + 0.05)
        JS;
    $browser = begunWalk(Studio::opened(TOUR), 'Mole');
    $browser->keys(...array_fill(0, 10, 'd'));
    usleep(400_000);
    expect($browser->script($contrast))->toBeGreaterThan(2.95)->toBeLessThan(3.6);
    $browser->keys(...array_fill(0, 10, 'l'));
    usleep(400_000);
    expect($browser->script($contrast))->toBeGreaterThan(9.0);
    $browser->keys('r')->waitUntil(fn (): bool => onBoard($browser) === ['Harbour', 'Mole'], 'only what was shown and what is above it');
    $browser->keys('ArrowDown');
    isWalkedTo($browser, 'Lamp');
    $browser->waitUntil(fn (): bool => onBoard($browser) === ['Harbour', 'Lamp', 'Mole'], 'one topic more');
    $browser->keys('r')->waitUntil(fn (): bool => onBoard($browser) === ['Lamp'], 'nothing but the topic');
    expect($browser->count('.board .connector'))->toBe(0);
    $browser->keys('r')->waitUntil(fn (): bool => count(onBoard($browser)) > 5, 'all again');
    $browser->keys('Escape');
});

it('peeks, small and for the speaker, and shows the note large', function () {
    $browser = Studio::opened(TOUR);
    $browser->pick('Mole')->keys('Mod+Enter', 'Alt+n')->waitUntil(fn (): bool => $browser->script('return document.activeElement.classList.contains("note-text")'), 'the caret in the note');
    $browser->type('A wall against the **sea**.')->saved();
    begunWalk($browser, 'Mole');
    $browser->keys('p')->waitUntil(fn (): bool => $browser->script('return document.querySelector(".hint")?.textContent') === 'Lamp  ·  Bell', 'what is below');
    $browser->keys('ArrowDown', 'ArrowDown')->waitUntil(fn (): bool => $browser->script('return document.querySelector(".hint")?.textContent') === '→ Bell', 'what comes, where nothing is below')->keys('PageUp', 'PageUp');
    isWalkedTo($browser, 'Mole');
    $browser->keys('Shift+P')->waitUntil(fn (): bool => str_starts_with((string) $browser->script('return document.querySelector(".hint")?.textContent'), 'A wall against the'), 'the note');
    $browser->keys('Shift+P')->waitUntil(fn (): bool => ! $browser->has('.hint'), 'no peek');
    $browser->keys('n')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".walk-note")?.textContent'), 'A wall against the'), 'the note');
    expect((float) $browser->script('return parseFloat(getComputedStyle(document.querySelector(".walk-note")).fontSize)'))->toBeGreaterThanOrEqual(20.0);
    // The topic is in the middle of what is left of the board.
    $middle = 'const slip = document.querySelector(".board g.slip:not(.dimmed)").getBoundingClientRect(); const board = document.querySelector(".board").getBoundingClientRect(); return Math.abs(slip.x + slip.width / 2 - board.x - board.width / 2) + Math.abs(slip.y + slip.height / 2 - board.y - board.height / 2)';
    $browser->waitUntil(fn (): bool => $browser->script($middle) < 12, 'the topic to be in the middle');
    // Where there is none, the board has all the room.
    $browser->keys('ArrowDown')->waitUntil(fn (): bool => ! $browser->has('.walk-note') && $browser->script('return document.querySelector(".board").clientWidth === innerWidth'), 'no note of the next');
    $browser->keys('PageUp')->waitFor('.walk-note')->keys('n', 'Escape');
    expect($browser->complaints())->toBe([]);
});

it('goes on by itself at a pace, waits while something is open, and stops at the end', function () {
    $browser = begunWalk(Studio::opened(TOUR), 'Ferry');
    $browser->keys('h')->waitFor('[aria-label="Seconds for each topic"]');
    $browser->script('const field = document.querySelector("[aria-label=\"Seconds for each topic\"]"); field.focus(); field.select()');
    $browser->type('1')->keys('Tab', 'Escape')->waitUntil(fn (): bool => ! $browser->has('[aria-label="Seconds for each topic"]'), 'the settings to close');
    $browser->keys('t');
    isWalkedTo($browser, 'Deck');
    $browser->keys('j')->waitFor('.jump');
    $at = walkedTo($browser);
    sleep(2);
    expect(walkedTo($browser))->toBe($at);
    $browser->keys('Escape');
    isWalkedTo($browser, 'Engine');
    $browser->waitUntil(fn (): bool => ! str_contains(placeInWalk($browser), ' s'), 'the pace to end with the walk');
    $browser->keys('Escape');
});

it('stops only where it is told to, in the order of the map or in one’s own, which is made by key and by mouse', function () {
    $browser = Studio::opened(TOUR);
    $stops = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".stops [role=option] > span")].map((one) => one.firstChild.textContent)');
    foreach (['Market', 'Lamp', 'Deck'] as $i => $title) {
        $browser->pick($title)->keys('Mod+F9')->waitUntil(fn (): bool => count($stops()) === $i + 1, "{$title} to be a stop");
    }
    expect($stops())->toBe(['Market', 'Lamp', 'Deck']);
    $browser->waitUntil(fn (): bool => $browser->script('return [...document.querySelectorAll(".walk-flags text")].map((one) => one.textContent).join()') === '1,2,3', 'numbers on the board');
    // By keys: the last before all.
    $browser->script('document.querySelectorAll(".stops [role=option]")[2].focus()');
    $browser->keys('Alt+ArrowUp')->waitUntil(fn (): bool => $stops() === ['Market', 'Deck', 'Lamp'], 'one up')->waitUntil(fn (): bool => $browser->script('return document.activeElement?.dataset.stop !== undefined && document.activeElement.textContent.includes("Deck")') === true, 'the focus to go along');
    $browser->keys('Mod+z')->waitUntil(fn (): bool => $stops() === ['Market', 'Lamp', 'Deck'], 'that to be undone');
    // By mouse: the first to the end, and a topic from the board between two.
    [$x, $y, $end] = $browser->script('const all = [...document.querySelectorAll(".stops [role=option]")]; return [all[0].getBoundingClientRect().x, all[0].getBoundingClientRect().y, all.at(-1).getBoundingClientRect().bottom]');
    $browser->pointer('mousePressed', $x + 40, $y + 10, ['button' => 'left', 'clickCount' => 1])->pointer('mouseMoved', $x + 40, $y + 30, ['buttons' => 1])->pointer('mouseMoved', $x + 40, $end + 4, ['buttons' => 1])->pointer('mouseReleased', $x + 40, $end + 4, ['button' => 'left']);
    $browser->waitUntil(fn (): bool => $stops() === ['Lamp', 'Deck', 'Market'], 'the first to be the last');
    $browser->press('Mark what is chosen')->waitUntil(fn (): bool => count($stops()) === 2, 'the chosen one to be off');
    $browser->keys('Mod+z')->waitUntil(fn (): bool => count($stops()) === 3, 'that to be undone');
    // Walked in one's own order.
    $browser->script('[...document.querySelectorAll(".how .n-radio-button")].find((one) => one.textContent.trim() === "My own order").click()');
    $browser->pick('Lamp')->keys('F9')->waitFor('.walk');
    isWalkedTo($browser, 'Lamp');
    expect(placeInWalk($browser))->toEndWith('of 3');
    $browser->keys('PageDown');
    isWalkedTo($browser, 'Deck');
    $browser->keys('PageDown');
    isWalkedTo($browser, 'Market');
    // In the order of the map.
    $browser->keys('Home', 'v', 'v');
    isWalkedTo($browser, 'Lamp');
    $browser->keys('v')->waitUntil(fn (): bool => str_ends_with(placeInWalk($browser), 'of 3'), 'the marked ones');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.walk'), 'the end');
});

it('is led from the speaker’s window, which shows what comes before anyone sees it', function () {
    $browser = Studio::opened(TOUR);
    $browser->pick('Mole')->keys('Mod+Enter', 'Alt+n')->waitUntil(fn (): bool => $browser->script('return document.activeElement.classList.contains("note-text")'), 'the caret in the note');
    $browser->type('Say why it was built.')->saved();
    begunWalk($browser, 'Harbour')->keys('PageDown', 'w');
    $windows = fn (): array => $browser->driver->getWindowHandles();
    $browser->waitUntil(fn (): bool => count($windows()) === 2, 'the window');
    [$own, $speaker] = $windows();
    $browser->driver->switchTo()->window($speaker);
    $text = fn (): string => (string) $browser->script('return document.body.innerText');
    $browser->waitUntil(fn (): bool => str_contains($text(), 'Say why it was built.') && str_contains($text(), 'Bell') && str_contains($text(), 'Next'), 'note, what is below and what is next');
    expect($text())->toContain('Harbour')->toContain('Skipping')->toContain('Ferry');
    $browser->keys('PageDown')->waitUntil(fn (): bool => $browser->script('return document.querySelector(".topic").textContent') === 'Lamp', 'the next');
    $browser->keys('j')->waitFor('.list .at');
    $browser->script('[...document.querySelectorAll(".list button")].find((one) => one.textContent.includes("Bell")).click()');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".topic").textContent') === 'Bell', 'the jump');
    $browser->driver->switchTo()->window($own);
    isWalkedTo($browser, 'Bell');
    $browser->keys('Escape')->waitUntil(fn (): bool => count($windows()) === 1, 'the window to go with the walk');
});

it('is walked by mouse alone', function () {
    $browser = begunWalk(Studio::opened(TOUR), 'Harbour');
    $size = $browser->script('return [innerWidth, innerHeight]');
    clickInWalk($browser, $size[0] - 30, 60);
    isWalkedTo($browser, 'Mole');
    clickInWalk($browser, 14, 60);
    isWalkedTo($browser, 'Harbour');
    pressInWalk($browser, 'Deeper');
    isWalkedTo($browser, 'Mole');
    pressInWalk($browser, 'Skip');
    isWalkedTo($browser, 'Ferry');
    $browser->pointer('mousePressed', $size[0] - 30, 60, ['button' => 'right', 'clickCount' => 1])->pointer('mouseReleased', $size[0] - 30, 60, ['button' => 'right', 'clickCount' => 1]);
    isWalkedTo($browser, 'Mole');
    pressInWalk($browser, 'End');
    $browser->waitUntil(fn (): bool => ! $browser->has('.walk'), 'the end');
    expect($browser->complaints())->toBe([]);
});

it('is walked by one finger on a screen of 1920, from a branch that was stepped into, with a peek', function () {
    $browser = Studio::opened(TOUR);
    $address = (string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH);
    $browser->pick('Mole')->keys('Alt+i')->waitFor('.trail')->saved();
    usleep(1_700_000);
    $other = new Browser(Studio::server()->address, 1920, 1080, touch: true);
    try {
        $other->enterDemo()->visit($address)->ready();
        // The view was kept: still within the branch.
        $other->waitFor('.trail')->press('Show')->press('Walk through the map from here')->waitFor('.walk');
        isWalkedTo($other, 'Mole');
        $swipe = fn (int $dx, int $dy) => finger($other, [960, 200], [960 + $dx, 200 + $dy]);
        foreach ([[-160, 0, 'Lamp'], [0, -110, 'Wick'], [-200, 20, 'Bell'], [170, 10, 'Wick'], [170, 0, 'Lamp'], [0, 110, 'Bell']] as [$dx, $dy, $title]) {
            usleep(800_000);
            $swipe($dx, $dy);
            isWalkedTo($other, $title);
        }
        usleep(700_000);
        $box = $other->script('const box = [...document.querySelectorAll(".board g.slip.dimmed")].find((one) => one.textContent.trim() === "Lamp").getBoundingClientRect(); return [box.x + box.width / 2, box.y + box.height / 2]');
        finger($other, $box, $box);
        isWalkedTo($other, 'Lamp');
        finger($other, [1880, 60], [1880, 60]);
        isWalkedTo($other, 'Wick');
        $other->press('How')->press('Topics below')->waitUntil(fn (): bool => $other->count('.walk') === 1, 'the walk');
        // Chromium says so of moves that come faster than fingers are.
        expect(array_values(array_filter($other->complaints(), fn (string $one): bool => ! str_contains($one, 'cancel a touchmove'))))->toBe([]);
    } finally {
        $other->quit();
    }
});

it('walks from where one has stepped in, and never moves a topic', function () {
    $browser = Studio::opened(TOUR);
    $browser->pick('Mole')->keys('Alt+i')->waitFor('.trail');
    $browser->keys('F9')->waitFor('.walk');
    isWalkedTo($browser, 'Mole');
    expect(placeInWalk($browser))->toBe('1 of 4');
    $browser->waitUntil(fn (): bool => onBoard($browser) === ['Bell', 'Lamp', 'Mole', 'Wick'], 'only the branch');
    $browser->keys('ArrowDown', 'ArrowDown');
    isWalkedTo($browser, 'Wick');
    $middle = fn (string $title): array => $browser->script('const box = [...document.querySelectorAll(".board g.slip")].find((one) => one.textContent.trim() === arguments[0]).getBoundingClientRect(); return [box.x + box.width / 2, box.y + box.height / 2]', $title);
    $browser->drag($middle('Bell'), $middle('Wick'));
    usleep(300_000);
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.walk'), 'the end');
    expect(Studio::server()->artisan('map:export', basename((string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH)), '--to=txt'))->toContain("\t\tBell");
});

it('opens what is at a topic large, closes it and goes on', function () {
    $browser = Studio::browser()->enterDemo('Light and shadow');
    $browser->keys('F9')->waitFor('.walk');
    $browser->keys('j')->waitFor('.jump input')->type('lamp')->keys('Enter');
    isWalkedTo($browser, 'lamp');
    $browser->keys('o')->waitFor('[role=dialog] img');
    $browser->keys('o')->waitUntil(fn (): bool => ! $browser->has('[role=dialog]'), 'it to close');
    $browser->keys('PageDown');
    isWalkedTo($browser, 'candle');
    // A remote goes on from what is open, too.
    pressInWalk($browser, 'Open');
    $browser->waitFor('[role=dialog] img')->keys('PageDown');
    isWalkedTo($browser, 'lightning');
    expect($browser->has('[role=dialog]'))->toBeFalse();
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.walk'), 'the end');
});

it('keeps the zoom however fast one goes, and what wheel or keys have made of it', function () {
    $browser = begunWalk(Studio::opened(TOUR), 'Harbour');
    $scale = fn (): float => round((float) $browser->script('return document.querySelector(".layer > svg").getScreenCTM().a'), 2);
    usleep(700_000);
    $browser->keys('PageDown', 'PageDown', 'PageDown', 'PageUp', 'PageDown', 'PageDown');
    usleep(700_000);
    $first = $scale();
    $browser->keys('PageDown', 'PageDown');
    usleep(700_000);
    expect($scale())->toBe($first)->toBeGreaterThan(1.0);
    $browser->keys('+', 'PageUp');
    usleep(700_000);
    expect($scale())->toBeGreaterThan($first * 1.1);
    [$w, $h] = $browser->script('return [innerWidth, innerHeight]');
    $browser->pointer('mouseWheel', $w / 2, $h / 2, ['deltaX' => 0, 'deltaY' => 240]);
    usleep(700_000);
    $wheeled = $scale();
    $browser->keys('PageUp');
    usleep(700_000);
    expect($wheeled)->toBeLessThan($first * 1.1)->and(abs($scale() - $wheeled))->toBeLessThan(0.03);
    $browser->keys('Escape');
});

it('presses the tool that was come to by Tab, and goes on after one was clicked', function () {
    $browser = begunWalk(Studio::opened(TOUR), 'Harbour');
    for ($i = 0; $i < 20 && $browser->script('return document.activeElement?.textContent.trim()') !== 'How'; $i++) {
        $browser->keys('Tab');
    }
    $browser->keys('Enter')->waitFor('.how');
    expect(walkedTo($browser))->toBe('Harbour');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.how'), 'the settings to close');
    [$x, $y] = $browser->script('const box = [...document.querySelectorAll(".walk button")].find((one) => one.textContent.trim() === "On").getBoundingClientRect(); return [box.x + 8, box.y + 8]');
    clickInWalk($browser, $x, $y);
    isWalkedTo($browser, 'Mole');
    $browser->keys(' ');
    isWalkedTo($browser, 'Lamp');
    $browser->keys('Escape');
});

it('goes back past what has gone meanwhile, and stays in the map where the topic itself goes', function () {
    $browser = Studio::opened(TOUR);
    $id = basename((string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH));
    $browser->pick('Ferry')->keys('Enter')->type('Quay')->keys('Mod+Enter')->saved();
    begunWalk($browser, 'Harbour');
    foreach (['Quay', 'Market', 'Quay'] as $title) {
        $browser->keys('j')->waitFor('.jump input')->type($title)->keys('Enter');
        isWalkedTo($browser, $title);
    }
    $browser->keys('PageUp');
    isWalkedTo($browser, 'Market');
    // In another window that topic is undone.
    Studio::server()->artisan('map:undo', $id);
    $browser->script('window.dispatchEvent(new Event("focus"))');
    $browser->waitUntil(fn (): bool => ! in_array('Quay', onBoard($browser), true), 'the topic to go');
    $browser->keys('PageUp');
    isWalkedTo($browser, 'Harbour');
    $browser->keys('j')->waitFor('.jump input')->type('Market')->keys('Enter');
    isWalkedTo($browser, 'Market');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.walk'), 'the end');
    expect($browser->complaints())->toBe([]);
});

it('hears in the speaker’s window the keys that a person has chosen', function () {
    $browser = Studio::opened(TOUR);
    $set = fn (array $keys) => $browser->script('return fetch("/api/me/keys", { method: "PUT", headers: { "Content-Type": "application/json", Accept: "application/json", "X-XSRF-TOKEN": decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1]) }, body: JSON.stringify({ keys: arguments[0] }) }).then((answer) => answer.status)', $keys === [] ? new stdClass : $keys);
    expect($set(['walk.on' => ['X'], 'show.on' => ['X']]))->toBe(200);
    try {
        $browser->script('location.reload()');
        $browser->ready();
        begunWalk($browser, 'Harbour')->keys('w');
        $browser->waitUntil(fn (): bool => count($browser->driver->getWindowHandles()) === 2, 'the window');
        [$own, $speaker] = $browser->driver->getWindowHandles();
        $browser->driver->switchTo()->window($speaker);
        $browser->waitFor('.topic')->keys('x')->waitUntil(fn (): bool => $browser->script('return document.querySelector(".topic").textContent') === 'Mole', 'the next');
        $browser->driver->switchTo()->window($own);
        $browser->keys('Escape')->waitUntil(fn (): bool => count($browser->driver->getWindowHandles()) === 1, 'the window to go');
        // The same in a show of slides.
        $browser->pick('Harbour')->act('Slides: each part of this branch')->waitFor('.slides')->keys('Shift+F9')->waitFor('.slide-show .layer')->keys('s');
        $browser->waitUntil(fn (): bool => count($browser->driver->getWindowHandles()) === 2, 'the window');
        $browser->driver->switchTo()->window($browser->driver->getWindowHandles()[1]);
        $browser->waitFor('.now h1')->keys('x')->waitUntil(fn (): bool => str_starts_with((string) $browser->script('return document.querySelector(".now h1").textContent'), '2 of'), 'the next slide');
        $browser->driver->switchTo()->window($own);
        $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.slide-show'), 'the show to end');
    } finally {
        $set([]);
        $browser->script('location.reload()');
        $browser->ready()->keys('Alt+2');
    }
});

it('is set up and walked on a narrow window', function () {
    $browser = Studio::opened(TOUR);
    $address = (string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH);
    $browser->saved();
    $other = new Browser(Studio::server()->address, 400, 780, touch: true);
    try {
        $other->enterDemo()->visit($address)->ready();
        $other->press('More')->press('Stops of the walk')->waitFor('.stops');
        $other->press('Mark what is chosen')->waitUntil(fn (): bool => $other->count('.stops [role=option]') === 1, 'the stop');
        expect($other->script('return document.documentElement.scrollWidth <= innerWidth && document.querySelector(".how").scrollWidth <= document.querySelector(".how").clientWidth'))->toBeTrue();
        $other->press('Walk from here')->waitFor('.walk');
        isWalkedTo($other, 'Harbour');
        // The topic fills the narrow window, and the tools are within it.
        $other->waitUntil(fn (): bool => $other->script('const box = document.querySelector(".board g.slip:not(.dimmed)")?.getBoundingClientRect(); return box !== undefined && Math.abs(box.x + box.width / 2 - innerWidth / 2) < 12'), 'the topic in the middle');
        $box = $other->script('const box = document.querySelector(".walk").getBoundingClientRect(); return [box.left, innerWidth - box.right, box.height]');
        expect(min($box))->toBeGreaterThanOrEqual(0)->and($box[2])->toBeLessThan(110);
        $other->press('How')->waitFor('.how')->press('Speaker')->press('End')->waitUntil(fn (): bool => ! $other->has('.walk'), 'the end');
    } finally {
        $other->quit();
    }
});
