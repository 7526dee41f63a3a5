<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/** @return list<string> the names in the open menu */
function menuLines(Browser $browser): array
{
    $browser->waitFor('.n-dropdown-menu');
    $box = $browser->script('const r = document.querySelector(".n-dropdown-menu").getBoundingClientRect(); return [r.top, r.bottom - innerHeight, r.left, r.right - innerWidth]');
    expect(min($box[0], $box[2]))->toBeGreaterThanOrEqual(0)->and(max($box[1], $box[3]))->toBeLessThanOrEqual(0);

    return (array) $browser->script('return [...document.querySelectorAll(".n-dropdown-option-body:not(.n-dropdown-option-body--disabled)")].map((e) => e.querySelector(".menu-line span")?.textContent ?? e.textContent)');
}

it('opens a menu on topics by the right button, the menu key and a finger held down, on board and outline', function () {
    $browser = Studio::browser()->newMap()->type('Plan')->keys('Tab')->type('Boats')->keys('Enter')->type('Quay')->keys('Mod+Enter')->saved();
    expect(menuLines($browser->menuOn('Boats')))->toContain('Add a subtopic', 'Change the title', 'Cut', 'All actions');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.n-dropdown-menu'), 'the menu to close');
    expect($browser->outline())->toBe(['Plan', '  Boats', '  Quay']);

    // By keys alone: the menu, down to a line, and Enter. The pointer is out of the way, since it chooses lines too.
    $browser->pointer('mouseMoved', 3, 3, ['buttons' => 0]);
    $browser->script('document.querySelector(".board").focus()');
    $browser->keys('Shift+F10');
    expect(menuLines($browser))->toContain('Add a subtopic')->not->toContain('Add a loose topic here');
    $browser->keys('ArrowDown')->waitFor('.n-dropdown-option-body--pending')->keys('Enter')->waitFor('.title-editor')->type('Ferry')->keys('Mod+Enter')->saved();
    expect($browser->outline())->toBe(['Plan', '  Boats', '    Ferry', '  Quay'])->and($browser->has('.n-dropdown-menu'))->toBeFalse();

    $line = $browser->script('const r = [...document.querySelectorAll(".outline [role=treeitem]")].find((e) => e.textContent.includes("Quay")).getBoundingClientRect(); return [r.x + 80, r.y + r.height / 2]');
    expect(menuLines($browser->rightClick($line[0], $line[1])))->toContain('Add a subtopic');
    $browser->press('Remove')->saved();
    expect($browser->outline())->toBe(['Plan', '  Boats', '    Ferry']);

    $browser->waitUntil(fn (): bool => ! $browser->has('.n-dropdown-menu'), 'the menu to be gone');
    $at = $browser->boxOf('Boats');
    $browser->script('const e = document.elementFromPoint(arguments[0], arguments[1]); const to = (type) => e.dispatchEvent(new PointerEvent(type, {bubbles: true, pointerType: "touch", isPrimary: true, clientX: arguments[0], clientY: arguments[1], pointerId: 7})); window.letGo = () => to("pointerup"); e.dispatchEvent(new PointerEvent("pointerdown", {bubbles: true, pointerType: "touch", isPrimary: true, clientX: arguments[0], clientY: arguments[1], pointerId: 7}))', $at['x'] + 20, $at['y'] + 10);
    expect(menuLines($browser))->toContain('Wrap in a new parent');
    $browser->script('window.letGo()');
    $browser->keys('Escape');
});

it('offers on the empty board what belongs there, at the place of the pointer', function () {
    $browser = Studio::browser()->newMap()->type('Plan')->keys('Mod+Enter')->saved();
    $board = $browser->script('const r = document.querySelector(".board").getBoundingClientRect(); return [r.x + 120, r.y + 120]');
    $browser->rightClick($board[0], $board[1]);
    expect(menuLines($browser))->toContain('Add a loose topic here', 'Show all')->not->toContain('Remove');
    $browser->press('Add a loose topic here')->waitFor('.title-editor')->type('Adrift')->keys('Mod+Enter')->saved();
    $box = $browser->boxOf('Adrift');
    expect(abs($box['x'] - $board[0]))->toBeLessThan(40)->and(abs($box['y'] + $box['h'] / 2 - $board[1]))->toBeLessThan(40);
});

it('opens the menu of a map and of a folder in the library by the right button', function () {
    $browser = Studio::browser()->waitFor('.library .card');
    $at = $browser->script('const r = document.querySelector(".library .card .words").getBoundingClientRect(); return [r.x + 10, r.y + 10]');
    $browser->rightClick($at[0], $at[1]);
    expect(menuLines($browser))->toContain('Open', 'Rename', 'Duplicate', 'Move to trash');
    $browser->keys('Escape');
});

it('has a sentence for everything there is to do, and no key twice', function () {
    $browser = Studio::browser()->newMap()->type('Plan')->keys('Mod+Enter')->saved();
    $browser->keys('F1')->waitFor('.key-list li');
    $silent = $browser->script('return [...document.querySelectorAll(".key-list li")].filter((li) => li.querySelector("small").textContent.trim() === "").map((li) => li.dataset.action)');
    expect($silent)->toBe([])->and($browser->count('.key-list li'))->toBeGreaterThan(110)->and($browser->count('.key-list .clash'))->toBe(0);
});

it('changes keys, says where they clash, keeps them for the person and puts them back', function () {
    $browser = Studio::browser()->newMap()->type('Plan')->keys('Mod+Enter')->saved();
    try {
        $browser->keys('F1')->waitFor('.key-list li')->press('Change the key of Add a subtopic');
        $browser->keys('k')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".key-list em").textContent'), 'begins a title'), 'why a letter is none');
        $browser->keys('F10')->waitUntil(fn (): bool => $browser->script('return document.querySelector(`[data-action="topic.subtopic"] kbd`)?.textContent') === 'F10', 'the new key');
        $browser->press('Change the key of Add a topic after this one')->keys('F10')->waitFor('.clash')->press('Take it away there');
        $browser->waitUntil(fn (): bool => ! $browser->has('.clash'), 'the clash to be gone');
        $browser->press('Put all keys back');
        $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(`[data-action="topic.subtopic"] kbd`)?.textContent') === 'Tab', 'the old key');
        $browser->press('Change the key of Add a subtopic')->keys('F10')->waitUntil(fn (): bool => $browser->script('return document.querySelector(`[data-action="topic.subtopic"] kbd`)?.textContent') === 'F10', 'the new key');
        usleep(300_000);
        $browser->script('location.reload()');
        $browser->ready()->saved()->keys('F10')->waitFor('.title-editor')->type('By the new key')->keys('Mod+Enter')->saved();
        expect($browser->outline())->toBe(['Plan', '  By the new key']);
        $browser->keys('F1')->waitFor('.key-list li')->press('Put back the key of Add a subtopic');
        $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(`[data-action="topic.subtopic"] kbd`)?.textContent') === 'Tab', 'the old key');
    } finally {
        // The person is shared with other tests.
        $browser->script('return fetch("/api/me/keys", {method: "PUT", headers: {"Content-Type": "application/json", Accept: "application/json", "X-XSRF-TOKEN": decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1])}, body: "{\\"keys\\": {}}"})');
    }
});

it('says what a control does, and its key, when it has the focus for a moment or the mouse stands on it', function () {
    $browser = Studio::browser()->newMap()->type('Plan')->keys('Mod+Enter')->saved();
    $hint = fn (): string => (string) $browser->script('return [...document.querySelectorAll(".n-tooltip")].map((one) => one.innerText).join()');
    $browser->script('document.querySelector(".home").focus()');
    for ($i = 0; $i < 12 && $browser->script('return document.activeElement.textContent.trim()') !== 'Find'; $i++) {
        $browser->keys('Tab');
    }
    $browser->waitUntil(fn (): bool => str_contains($hint(), 'Narrows the map to what is meant') && str_contains($hint(), 'Ctrl+F'), 'the hint of the control with the focus');
    $browser->keys('Tab')->waitUntil(fn (): bool => ! str_contains($hint(), 'Narrows the map to what is meant'), 'the hint to go with the focus');
    $at = $browser->script('const r = [...document.querySelectorAll(".ways button")].find((one) => one.textContent === "Outline").getBoundingClientRect(); return {x: r.x + r.width / 2, y: r.y + r.height / 2}');
    $browser->pointer('mouseMoved', $at['x'], $at['y'])->waitUntil(fn (): bool => str_contains($hint(), 'Shows the map as an indented list alone'), 'the hint of the control under the mouse');
    expect($hint())->toContain('Alt+1');
});

it('turns between outline and board with what is chosen in view', function () {
    $browser = Studio::browser()->newMap()->type('Plan')->keys('Tab')->type('Boats')->keys('Enter')->type('Quay')->keys('Mod+Enter')->saved();
    $browser->keys('Alt+1')->waitUntil(fn (): bool => ! $browser->has('.board'), 'the outline alone');
    expect($browser->script('return document.querySelector(".left").getBoundingClientRect().width'))->toBeGreaterThan(700);
    $browser->keys('ArrowUp', 'Tab')->waitFor('.title-editor')->type('Ferry')->keys('Mod+Enter')->saved();
    expect($browser->outline())->toBe(['Plan', '  Boats', '    Ferry', '  Quay']);
    $browser->press('Board')->waitFor('.slip');
    $browser->waitUntil(function () use ($browser): bool {
        [$box, $frame] = [$browser->boxOf('Ferry'), $browser->script('const r = document.querySelector(".board").getBoundingClientRect(); return {x: r.x, y: r.y, w: r.width, h: r.height}')];

        return $box['x'] >= $frame['x'] && $box['x'] + $box['w'] <= $frame['x'] + $frame['w'];
    }, 'the chosen topic to be in view');
    $browser->keys('ArrowLeft', 'Enter')->waitFor('.title-editor')->type('By the board')->keys('Mod+Enter')->saved();
    expect($browser->outline())->toBe(['Plan', '  Boats', '    Ferry', '  By the board', '  Quay']);
});

it('opens a map where it was left', function () {
    $browser = Studio::browser()->newMap()->type('Plan')->keys('Tab')->type('Boats')->keys('Mod+Enter')->saved();
    $id = basename((string) $browser->script('return location.pathname'));
    $browser->keys('Alt+=', 'Alt+=');
    usleep(600_000);
    $scale = $browser->script('return document.querySelector(".controls .scale").textContent');
    $before = $browser->boxOf('Boats');
    $browser->script('document.querySelector("header a.home").click()');
    $browser->waitFor('.library');
    usleep(300_000);
    $browser->visit("/maps/{$id}")->ready()->saved();
    usleep(600_000);
    $after = $browser->boxOf('Boats');
    expect($browser->script('return document.querySelector(".controls .scale").textContent'))->toBe($scale)
        ->and(abs($after['x'] - $before['x']))->toBeLessThan(3)->and(abs($after['y'] - $before['y']))->toBeLessThan(3);
});

it('draws no type under nine pixels, and titles over their branches instead', function () {
    $browser = new Browser(Studio::server()->address);
    try {
        $browser->size(1280, 800)->enterDemo('Saltmere lantern')->ready()->press('Show all');
        usleep(900_000);
        $seen = $browser->script(<<<'JS'
            const frame = document.querySelector('.board').getBoundingClientRect()
            const labels = [...document.querySelectorAll('.far-label')].map((g) => ({text: g.textContent.trim(), box: g.querySelector('.chip').getBoundingClientRect().toJSON(), size: parseFloat(getComputedStyle(g.querySelector('text')).fontSize) * g.getCTM().a}))
            const small = [...document.querySelectorAll('.board svg text')].filter((t) => t.textContent.trim() !== '' && t.getBoundingClientRect().height < 9).length
            return {labels, small, frame: frame.toJSON()}
            JS);
        $texts = array_column($seen['labels'], 'text');
        expect($seen['small'])->toBe(0)
            ->and($texts)->toContain('Saltmere lantern festival', 'Procession', 'Lanterns', 'Harbour', 'Food and music', 'People', 'Money', 'Telling people', 'Route', 'Workshops')
            ->and(count($texts))->toBeGreaterThan(25)
            ->and(min(array_column($seen['labels'], 'size')))->toBeGreaterThanOrEqual(10.9);
        foreach ($seen['labels'] as $i => $a) {
            foreach (array_slice($seen['labels'], $i + 1) as $b) {
                $isOver = $a['box']['left'] < $b['box']['right'] - 0.5 && $b['box']['left'] < $a['box']['right'] - 0.5 && $a['box']['top'] < $b['box']['bottom'] - 0.5 && $b['box']['top'] < $a['box']['bottom'] - 0.5;
                expect($isOver)->toBeFalse("{$a['text']} over {$b['text']}");
            }
        }
    } finally {
        $browser->quit();
    }
});

it('begins with the starters and a way to bring something in, and says the keys until one has begun', function () {
    $browser = new Browser(Studio::server()->address);
    try {
        $browser->visit('/register');
        $browser->find("input[name='name']")->sendKeys('Ebba');
        $browser->find("input[name='email']")->sendKeys('ebba@saltmere.example');
        $browser->press('Send me a letter to begin')->press('Open the link')->waitFor("input[name='password']");
        $browser->find("input[name='password']")->sendKeys('a long enough password');
        $browser->press('Begin')->waitFor('.library .first .starter');
        expect($browser->count('.library .first .starter'))->toBeGreaterThan(8);
        $browser->press('An empty map')->waitFor('.title-editor');
        expect($browser->find('.first-words')->getText())->toContain('What is this map about?', 'Tab', 'Enter', 'Shift+Tab');
        $browser->type('Harbour')->keys('Tab')->type('Quay')->keys('Enter')->type('Ferry')->keys('Mod+Enter')->saved();
        expect($browser->has('.first-words'))->toBeFalse()->and($browser->outline())->toBe(['Harbour', '  Quay', '  Ferry']);
    } finally {
        $browser->quit();
    }
});

it('opens with what was chosen last, however soon it is left', function (Closure $leave) {
    $browser = Studio::browser()->newMap()->type('Plan')->keys('Tab')->type('Boats')->keys('Enter')->type('Quay')->keys('Mod+Enter')->saved();
    $browser->pick('Boats');
    $leave($browser);
    $browser->waitFor('.outline [aria-selected=true]');
    expect($browser->script('return document.querySelector(".outline [aria-selected=true]").textContent.trim()'))->toBe('Boats');
})->with([
    'a reload' => [fn (Browser $browser) => $browser->script('location.reload()')],
    'the library' => [fn (Browser $browser) => $browser->script('history.back()') ?? $browser->waitFor('.card')->openMap('Plan')],
]);

it('keeps the line of what is typed on the board in view in the outline', function () {
    $browser = Studio::browser()->openMap('Saltmere archive');
    $browser->keys('Tab')->type('New series')->keys('Tab')->type('New shelf')->keys('Mod+Enter')->saved();
    $browser->waitUntil(fn (): bool => (bool) $browser->script('const r = document.querySelector(".outline [aria-selected=true]")?.getBoundingClientRect(); return r !== undefined && r.top > 50 && r.bottom < innerHeight'), 'the line to be in view');
    expect($browser->script('return document.querySelector(".outline [aria-selected=true]").textContent'))->toContain('New shelf');
    $browser->keys('Mod+z', 'Mod+z')->saved();
});
