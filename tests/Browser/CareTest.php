<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

function topicOnServer(string $id, string $title): ?array
{
    foreach (onServer($id)['topics'] as $topic) {
        if ($topic['title'] === $title) {
            return $topic;
        }
    }

    return null;
}

/** Lets requests that match be answered by something else: "403" and "404" by a proxy's page, "gone" by ours, "off" by nobody; "slow" after a while. */
function intercept(Browser $browser, string $pattern, string $how): void
{
    $browser->script(<<<'JS'
        window.realFetch ??= window.fetch
        const [pattern, how] = arguments
        window.fetch = async (url, options) => {
            if (!new RegExp(pattern).test(`${options?.method ?? 'GET'} ${url}`)) return window.realFetch(url, options)
            window.intercepted = (window.intercepted ?? 0) + 1
            if (how === 'off') throw new TypeError('no network')
            if (how === 'gone') return new Response(JSON.stringify({code: 'not_found', message: 'There is nothing here, or it is not yours.', field: null}), {status: 404})
            if (how === 'slow') { await new Promise((done) => setTimeout(done, 1200)); return window.realFetch(url, options) }
            return new Response('<html>Please sign in to the network</html>', {status: Number(how), headers: {'Content-Type': 'text/html'}})
        }
        JS, $pattern, $how);
}

function letThrough(Browser $browser): void
{
    $browser->script('if (window.realFetch) window.fetch = window.realFetch');
}

/** Makes edits from elsewhere, as the same person. */
function editElsewhere(string $map, array $edits): void
{
    $file = (string) tempnam(sys_get_temp_dir(), 'edits');
    file_put_contents($file, json_encode($edits));
    Studio::server()->artisan('map:edit', $map, $file);
    unlink($file);
}

function state(Browser $browser): ?string
{
    return $browser->script('return document.querySelector(".saved")?.dataset.state');
}

it('keeps edits through whatever answers in the server’s place, says so, and sends them when it can', function (string $how, string $state, string $says) {
    $browser = Studio::browser()->newMap()->type('Kept')->keys('Mod+Enter')->saved();
    $id = openId($browser);
    intercept($browser, 'POST .*/edits', $how);
    $browser->keys('Tab')->type('Through it')->keys('Mod+Enter');
    $browser->waitUntil(fn (): bool => state($browser) === $state, $state);
    expect($browser->find('.saved')->getText())->toContain($says)->toContain('2 kept')
        ->and($browser->outline())->toBe(['Kept', '  Through it'])
        ->and(topicOnServer($id, 'Through it'))->toBeNull();
    if ($state === 'stuck') {
        $browser->press('Keep as a file')->waitUntil(fn (): bool => $browser->script('return [...document.querySelectorAll(".saved button")].some(b => b.innerText.includes("Go on without"))') === true, 'the third way');
    }
    // Over a reload too, still without the server.
    letThrough($browser);
    // Unless it has tried again by itself by now.
    $browser->waitUntil(function () use ($browser): bool {
        $browser->script('[...document.querySelectorAll(".saved button")].find((one) => one.innerText === "Try again")?.click()');

        return state($browser) === 'saved';
    }, 'everything to be sent');
    expect(topicOnServer($id, 'Through it'))->not->toBeNull();
})->with([
    'a proxy that refuses' => ['403', 'foreign', 'No answer from Chalk Tree'],
    'a page that is not ours' => ['404', 'foreign', 'No answer from Chalk Tree'],
    'no network' => ['off', 'waiting', 'No network'],
    'an answer of ours about everything' => ['gone', 'stuck', 'Not saved'],
]);

it('goes on without what cannot be sent, once it is kept as a file', function () {
    $browser = Studio::browser()->newMap()->type('Whole')->keys('Mod+Enter')->saved();
    $id = openId($browser);
    intercept($browser, 'POST .*/edits', 'gone');
    $browser->keys('Tab')->type('Stuck')->keys('Mod+Enter');
    $browser->waitUntil(fn (): bool => state($browser) === 'stuck', 'the sign');
    $browser->press('Keep as a file')->press('Go on without them');
    letThrough($browser);
    // The map is fetched anew.
    $browser->waitUntil(fn (): bool => $browser->outline() === ['Whole'], 'the map without it')->saved();
    expect(onServer($id)['topics'])->toHaveCount(1);
});

it('sends from the library what other maps still have to send', function () {
    $browser = Studio::browser()->newMap()->type('Left behind')->keys('Mod+Enter')->saved();
    $id = openId($browser);
    intercept($browser, '(POST|PUT) .*/maps/', 'off');
    $browser->keys('Tab')->type('Sent later')->keys('Mod+Enter');
    $browser->waitUntil(fn (): bool => state($browser) === 'waiting', 'the sign');
    $browser->keys('Alt+l')->waitFor('.library .left');
    expect($browser->find('.left')->getText())->toContain('2 edits wait');
    letThrough($browser);
    // It may also have tried again by itself in the meantime.
    $again = fn (): ?bool => $browser->script('return [...document.querySelectorAll(".left button")].find((one) => one.textContent.includes("Try again"))?.click()');
    $browser->waitUntil(fn (): bool => $again() === null && ! $browser->has('.left'), 'the edits to go');
    expect(topicOnServer($id, 'Sent later'))->not->toBeNull();
});

it('keeps what was typed last, however one leaves', function (string $field, Closure $leaves) {
    $browser = Studio::browser()->newMap()->type('Last words')->keys('Tab')->type('Other')->keys('Mod+Enter', 'Home')->saved();
    $id = openId($browser);
    if ($field === 'title') {
        $browser->keys('F2', 'End')->type(' and more');
    } else {
        $browser->keys($field === 'note' ? 'Alt+n' : 'Alt+k');
        $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement?.matches(".note-text, input[aria-label=Caption]")') === true, 'the field');
        $browser->type('the very last word');
    }
    $leaves($browser, $id);
    $wanted = $field === 'title' ? 'Last words and more' : 'the very last word';
    $found = null;
    for ($i = 0; $i < 60 && $found !== $wanted; $i++) {
        usleep(100_000);
        $found = onServer($id)['topics'][0][$field] ?? '';
    }
    expect($found)->toBe($wanted);
})->with([
    'a note, then the library' => ['note', fn (Browser $browser) => $browser->script('document.querySelector("header a.home").click()')],
    'a note, then another topic' => ['note', fn (Browser $browser) => $browser->script('const l = [...document.querySelectorAll(".outline [role=treeitem]")].at(-1); l.dispatchEvent(new PointerEvent("pointerdown", {bubbles: true, button: 0})); window.dispatchEvent(new PointerEvent("pointerup"))')],
    'a note, then the window closed' => ['note', function (Browser $browser) {
        $browser->script('window.open("/mark.svg")');
        $handles = $browser->driver->getWindowHandles();
        $browser->driver->close();
        $browser->driver->switchTo()->window($handles[1]);
        // Whatever the network did: what was left is sent when the library is opened again.
        $browser->visit('/')->waitFor('.library');
    }],
    'a caption, then a reload' => ['caption', fn (Browser $browser) => $browser->script('location.reload()')],
    'a caption, then Back' => ['caption', fn (Browser $browser) => $browser->script('history.back()')],
    'a title, then a reload' => ['title', fn (Browser $browser) => $browser->script('location.reload()')],
    'a title, then the library' => ['title', fn (Browser $browser) => $browser->script('document.querySelector("header a.home").click()')],
]);

it('shows the map that was asked for last, however late the other comes', function () {
    $browser = Studio::browser();
    $browser->bringCard('Saltmere archive');
    $slow = (string) $browser->script('return [...document.querySelectorAll("a.picture")].find(a => a.ariaLabel.includes("archive")).getAttribute("href")');
    intercept($browser, "GET /api{$slow}", 'slow');
    $browser->script('document.querySelector(`a.picture[href="${arguments[0]}"]`).click()', $slow);
    $isThere = fn (): bool => $browser->script('return location.pathname') === $slow;
    $browser->waitUntil($isThere, 'the way to the map');
    $browser->script('history.back()');
    $browser->waitFor('.library')->openMap('Volunteers');
    sleep(2);
    expect($browser->outline()[0])->toBe("Volunteers' meeting log")
        ->and(openId($browser))->not->toBe(basename($slow));

    // In the library the keys are the library's, whatever map is still on its way.
    $browser->script('history.back()');
    $browser->waitFor('.library')->bringCard('Saltmere archive');
    $browser->script('document.querySelector(`a.picture[href="${arguments[0]}"]`).click()', $slow);
    $browser->waitUntil($isThere, 'the way to the map once more');
    $browser->script('history.back()');
    $browser->waitFor('.library');
    sleep(2);
    $browser->keys('Tab')->type('x')->keys('Delete');
    expect($browser->has('.library'))->toBeTrue()
        ->and(onServer(basename($slow))['topics'])->toHaveCount(3000);
});

it('takes back an empty topic only, not what was done meanwhile', function () {
    $browser = Studio::browser()->newMap()->type('Mine')->keys('Mod+Enter')->saved();
    $id = openId($browser);
    $browser->keys('Tab')->saved();
    $root = onServer($id)['root'];
    editElsewhere($id, [['name' => 'topic.add', 'parent' => $root, 'topic' => ['title' => 'From elsewhere']]]);
    $browser->keys('Escape')->saved();
    $browser->waitUntil(fn (): bool => $browser->outline() === ['Mine', '  From elsewhere'], 'only the empty one to go');
    expect(array_column(onServer($id)['topics'], 'title'))->toBe(['Mine', 'From elsewhere']);
});

it('replaces only what belongs to the question that is shown, and tells how much it was', function () {
    $browser = Studio::browser()->newMap()->type('boat and ship')->keys('Mod+Enter')->saved();
    $id = openId($browser);
    $browser->keys('Mod+Alt+f')->waitFor("input[aria-label='Find']")->type('boat');
    $browser->waitFor('.hit');
    $browser->find("input[aria-label='Replace with']")->sendKeys('raft');
    intercept($browser, 'POST .*/find', 'slow');
    $browser->find("input[aria-label='Find']")->click();
    $browser->keys('Mod+a')->type('ship');
    expect($browser->script('return [...document.querySelectorAll("button")].find(b => b.innerText.startsWith("Replace")).disabled'))->toBeTrue();
    letThrough($browser);
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".hit mark")?.innerText') === 'ship', 'the hits of the new question');
    // Nothing is heard of it here before that.
    intercept($browser, 'GET .*/edits', 'off');
    editElsewhere($id, [['name' => 'topic.retitle', 'topic' => onServer($id)['root'], 'title' => 'boat only']]);
    $browser->press('Replace 1');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.body.innerText'), 'nothing was replaced'), 'what became of it');
    expect(onServer($id)['topics'][0]['title'])->toBe('boat only');
});

it('keeps a note to the letter while it is edited formatted, and shows as Markdown what it would change', function (string $note, bool $isFormatted) {
    $browser = Studio::browser()->newMap()->type('Noted')->keys('Mod+Enter')->saved();
    $id = openId($browser);
    editElsewhere($id, [['name' => 'topic.note', 'topics' => [onServer($id)['root']], 'note' => $note]]);
    $browser->visit("/maps/{$id}")->ready()->keys('Alt+n');
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement?.matches(".note-text, .note-source textarea")') === true, 'the note');
    expect($browser->has('.note-source'))->toBe(! $isFormatted);
    $browser->keys('Mod+End')->type('!')->keys('Escape')->saved();
    expect(topicOnServer($id, 'Noted')['note'])->toBe("{$note}!");
})->with([
    'soft line breaks' => ["One line\nand another\nof one paragraph", true],
    'hard ones' => ["One line\\\nand another  \nand a third", true],
    'tasks' => ["To do:\n\n- [ ] willow\n- [x] paper\n\nend", true],
    'underline and tags' => ['<u>under</u> and **bold** and *slanted* ~~struck~~ x', true],
    'a link with a title' => ['See [the quay](https://saltmere.example/quay "Where boats lie") now', true],
    'lists of other signs' => ["* a\n* b\n\n1) one\n2) two\n\nend", true],
    'nested lists and code' => ["- a\n  - b\n\n> said\n\n```php\necho 1;\n```\n\nend", true],
    'a table and a formula' => ["| a | b |\n| --- | ---: |\n| 1 | \$x^2\$ |\n\nend", true],
    'a table set otherwise' => ["a | b\n--|--\n1 | 2", false],
    'a picture elsewhere' => ['![lantern](https://saltmere.example/l.png) x', true],
    'a picture of the map' => ['As drawn: ![the *quay*](file:'.str_repeat('ab', 32).' "Quay") x', false],
    'one with words' => ['As drawn: ![the quay](file:'.str_repeat('ab', 32).' "Quay") x', true],
    'other emphasis' => ['_slanted_ and __bold__', false],
]);

it('leaves topics where they are until the other map has them', function () {
    $browser = Studio::browser()->newMap()->type('To')->keys('Tab')->type('Quay')->keys('Enter')->type('Slipway')->keys('Enter')->type('Net loft')->keys('Mod+Enter')->saved();
    $other = openId($browser);
    $browser->visit('/')->waitFor('.library')->newMap()->type('From')->keys('Tab')->type('Wanderer')->keys('Mod+Enter')->saved();
    $id = openId($browser);
    $browser->script('localStorage.setItem("chalk-second", arguments[0])', $other);
    $browser->visit("/maps/{$id}")->ready()->waitFor('iframe');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector("iframe").contentDocument?.querySelectorAll(".slip").length > 3') === true, 'the second view');
    $browser->script(<<<'JS'
        const frame = document.querySelector('iframe').contentWindow
        const real = frame.fetch
        frame.fetch = async (url, options) => {
            if ((options?.method ?? 'GET') !== 'POST' || !String(url).includes('/edits')) return real(url, options)
            const edits = JSON.parse(options.body).edits
            const answer = await (await real(String(url).replace('/edits?', '/edits?since=0&'), {headers: options.headers})).json()
            return new Response(JSON.stringify({...answer, edits: edits.map(({id}) => ({id, status: 'refused', refusal: {code: 'invalid_edit', message: 'Not here.', field: null}}))}))
        }
        JS);
    usleep(600_000);
    $from = $browser->boxOf('Wanderer');
    $frame = $browser->script('const r = document.querySelector("iframe").getBoundingClientRect(); return {x: r.x, y: r.y, w: r.width, h: r.height}');
    $target = $browser->script('const f = document.querySelector("iframe"), r = f.getBoundingClientRect(), s = f.contentDocument.querySelector(".slip.level-1 .paper").getBoundingClientRect(); return [r.x + s.x + s.width / 2, r.y + s.y + s.height / 2]');
    $browser->drag([$from['x'] + $from['w'] / 2, $from['y'] + $from['h'] / 2], $target);
    sleep(1);
    expect($browser->outline())->toBe(['From', '  Wanderer'])->and(topicOnServer($id, 'Wanderer'))->not->toBeNull()->and($frame['w'])->toBeGreaterThan(100);
    $browser->script('localStorage.removeItem("chalk-second")');
});

/** Takes the session away for good: an answer that was still on its way would bring it back. */
function endSession(Browser $browser): void
{
    usleep(700_000);
    do {
        $browser->driver->manage()->deleteAllCookies();
        usleep(500_000);
    } while ($browser->driver->manage()->getCookies() !== [] && ! $browser->has('.account .ended'));
}

it('leads from a session that has ended to the sign-in and back, with nothing lost, not even what is being typed', function () {
    $browser = new Browser(Studio::server()->address);
    try {
        $browser->enterDemo()->newMap()->type('Interrupted')->keys('Mod+Enter')->saved();
        $id = openId($browser);
        $browser->keys('F2', 'End')->type(' and');
        endSession($browser);
        // Coming back to the window asks for news, and so the page learns of it while a title is being typed.
        $browser->script('window.dispatchEvent(new Event("focus"))');
        $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".saved")?.dataset.state') === 'signed-out', 'the end of the session to be noticed');
        $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.body.innerText'), 'Finish what you are typing'), 'a word about it');
        $browser->type(' finished')->keys('Mod+Enter');
        $browser->waitFor('.account .ended');
        $browser->press('Open the demo library')->ready()->saved();
        expect(openId($browser))->toBe($id)
            ->and($browser->outline())->toBe(['Interrupted and finished'])
            ->and(topicOnServer($id, 'Interrupted and finished'))->not->toBeNull();
        foreach ([['Alt+h', '.history .edits button'], ['back', '.outline'], ['home', '.library .card']] as [$way, $there]) {
            endSession($browser);
            if (! $browser->has('.account .ended')) {
                match ($way) {
                    'Alt+h' => $browser->keys('Alt+h'),
                    'back' => $browser->press('Back to the map'),
                    'home' => $browser->script('document.querySelector("header a.home").click()'),
                };
            }
            $browser->waitFor('.account .ended')->press('Open the demo library')->waitFor($there);
        }
    } finally {
        $browser->quit();
    }
});

it('shows the next person nothing of the one before', function () {
    $browser = new Browser(Studio::server()->address);
    try {
        $browser->enterDemo('Saltmere lantern')->keys('Alt+Shift+v')->waitFor('iframe');
        expect($browser->script('return localStorage.getItem("chalk-second")'))->not->toBeEmpty();
        $browser->script('document.querySelector("header a.home").click()');
        $browser->waitFor('.library')->press('Wren')->press('Sign out')->waitFor('.account');
        expect((string) $browser->script('return localStorage.getItem("chalk-second") ?? ""'))->toBeIn(['', 'null']);
        $browser->visit('/register');
        $browser->find("input[name='name']")->sendKeys('Bram');
        $browser->find("input[name='email']")->sendKeys('bram@saltmere.example');
        $browser->press('Send me a letter to begin')->press('Open the link')->waitFor("input[name='password']");
        $browser->find("input[name='password']")->sendKeys('a long enough password');
        $browser->press('Begin')->waitFor('.library');
        $browser->script('window.seen = ""; new MutationObserver(() => window.seen += document.body.textContent).observe(document.body, {childList: true, subtree: true, characterData: true})');
        $browser->newMap()->type('Bram’s own')->keys('Mod+Enter')->saved();
        expect($browser->has('iframe'))->toBeFalse()
            ->and((string) $browser->script('return window.seen'))->not->toContain('Saltmere lantern');
    } finally {
        $browser->quit();
    }
});
