<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/* Two people in two browsers: letting in, working in one map, only looking, asking, leaving, handing on. */

/** Opens the tab of what others share. */
function sharedTab(Browser $browser): Browser
{
    $browser->visit('/')->waitFor('.n-tabs-tab, .first')->waitUntil(fn (): bool => (bool) $browser->script('const tab = [...document.querySelectorAll(".n-tabs-tab")].find((one) => one.textContent.startsWith("Shared with you")); tab?.click(); return tab !== undefined'), 'the tab of what is shared');

    return $browser->waitFor('.shared');
}

/** What the share panel says of people, a line each. */
function sharers(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll(".share-body ul > li")].map((one) => one.querySelector("strong").textContent)');
}

it('lets somebody in by keys, who works in the map at once, until they may only look, and then no more', function () {
    $ines = Studio::beside('Ines');
    $tove = Studio::lent("Plan\n\tBoats\n\tMusic\n");
    $id = openId($tove);
    $tove->keys('Mod+Shift+F4')->type('ines@beside.saltmere.example')->keys('Enter');
    $tove->waitUntil(fn (): bool => sharers($tove) === ['Wren', 'Ines'], 'Ines among those who may open it');
    // From the library, by mouse.
    sharedTab($ines)->waitUntil(fn (): bool => (bool) $ines->script('const one = document.querySelector(`.shared a[href="/maps/${arguments[0]}"]`); one?.click(); return one !== null', $id), 'the map among what is shared');
    $ines->ready()->pick('Boats')->keys('Enter')->type('Lanterns')->keys('Enter', 'Escape')->saved();
    outlineBecomes($tove, ['Plan', '  Boats', '  Lanterns', '  Music']);
    $tove->keys('Escape')->pick('Music')->keys('Tab')->type('Drums')->keys('Enter', 'Escape')->saved();
    outlineBecomes($ines, ['Plan', '  Boats', '  Lanterns', '  Music', '    Drums']);
    // Each takes back their own.
    $ines->keys('Mod+z')->saved();
    outlineBecomes($ines, ['Plan', '  Boats', '  Music', '    Drums']);
    outlineBecomes($tove, ['Plan', '  Boats', '  Music', '    Drums']);
    // Less, by mouse, and the open window follows by itself.
    $tove->press('Shared')->waitFor('.share-body .role');
    expect((string) $tove->script('return document.querySelectorAll(".share-body li")[1].innerText'))->toContain('here now');
    $tove->script('document.querySelector(".share-body .role .n-base-selection").click()');
    $tove->waitUntil(fn (): bool => (bool) $tove->script('const one = [...document.querySelectorAll(".n-base-select-option")].find((o) => o.textContent.trim() === "may look"); one?.click(); return one !== undefined'), 'may look');
    $ines->waitFor('.reading-desk')->waitUntil(fn (): bool => ! $ines->has('.tray'), 'the tray to go');
    $tove->press('Take back what Ines may')->waitUntil(fn (): bool => sharers($tove) === ['Wren'], 'her to be gone');
    $ines->waitFor('.closed');
    expect($tove->complaints())->toBe([])->and(sharedTab($ines)->script('return document.querySelector(`.shared a[href="/maps/${arguments[0]}"]`)', $id))->toBeNull();
});

it('shows the map to who only looks, and lets nothing they do change it', function () {
    $ines = Studio::beside('Ines');
    $tove = Studio::lent("Plan\n\tBoats\n\t\tFerry\n\tMusic\n\tSecret\n");
    $id = openId($tove);
    $tove->pick('Boats')->keys('Alt+n')->waitFor('.desk .note-text')->waitUntil(fn (): bool => (bool) $tove->script('return document.activeElement.closest(".note-text") !== null'), 'the caret in the note')->type('All are **moored**.')->keys('Escape')->saved();
    $tove->pick('Secret');
    $tove->keys('Mod+j')->waitFor('[role=dialog] input')->type('leave it out of all')->keys('Enter')->saved();
    Studio::server()->artisan('map:share', $id, 'ines@beside.saltmere.example', '--role=view');
    $ines->visit("/maps/{$id}")->ready()->waitFor('.reading-desk');
    $there = ['Plan', '  Boats', '    Ferry', '  Music'];
    outlineBecomes($ines, $there);
    $ines->pick('Boats')->waitUntil(fn (): bool => str_contains((string) $ines->script('return document.querySelector(".reading-desk")?.innerText'), 'All are moored.'), 'the note');
    foreach (['Enter', 'Tab', 'Delete', 'F2', 'Mod+x', 'Mod+v', 'Mod+Shift+d', 'Alt+ArrowDown', 'Mod+z', 'Alt+p'] as $key) {
        $ines->keys($key);
    }
    $ines->type('Words')->keys('Escape');
    [$boats, $music] = [$ines->boxOf('Boats'), $ines->boxOf('Music')];
    $ines->drag([$boats['x'] + 10, $boats['y'] + 8], [$music['x'] + 20, $music['y'] + $music['h'] - 3]);
    $ines->script('document.querySelector(".board").dispatchEvent(new MouseEvent("dblclick", { bubbles: true, clientX: 420, clientY: 640 }))');
    usleep(500_000);
    expect($ines->has('.title-editor, .typing'))->toBeFalse()->and($ines->outline())->toBe($there)->and(trim(Studio::server()->artisan('map:export', $id, '--to=txt')))->toBe("Plan\n\tBoats\n\t\tFerry\n\tMusic");
    // No handle is for a hand that may not, and what is left of the bar is what they may do.
    $ines->pick('Boats');
    usleep(300_000);
    expect($ines->count('.board .handle, .board .grip, .board .tie-grip'))->toBe(0);
    expect($ines->script('return [...document.querySelectorAll("header.bar button")].map((one) => one.innerText.trim()).filter((one) => ["Undo", "Shape", "Look", "Table", "Draft", "Slides"].includes(one))'))->toBe([]);
    // They fold, narrow, walk and hand over.
    $ines->pick('Boats')->keys('Alt+f')->waitUntil(fn (): bool => ! in_array('Ferry', (array) $ines->script('return [...document.querySelectorAll(".slip text")].map((one) => one.textContent)'), true), 'Boats to be folded');
    $ines->keys('Alt+f')->keys('Mod+f')->type('mus')->waitUntil(fn (): bool => $ines->outline() === ['Plan', '  Music'], 'the map narrowed');
    $ines->keys('Escape', 'Escape');
    outlineBecomes($ines, $there);
    $ines->keys('F4')->waitFor('.hand-over');
    expect((string) $ines->script('return document.querySelector(".hand-over").innerText'))->not->toContain('Chalk Tree file')->not->toContain('Archive');
    $ines->waitUntil(fn (): bool => (bool) $ines->script('return document.activeElement.closest(".hand-over") !== null'), 'the focus in the dialog')->keys('Escape')->waitUntil(fn (): bool => ! $ines->has('.hand-over'), 'the dialog to close');
    // What the owner does appears by itself.
    $tove->pick('Music')->keys('Enter')->type('Food')->keys('Enter', 'Escape')->saved();
    outlineBecomes($ines, ['Plan', '  Boats', '    Ferry', '  Music', '  Food']);
    expect($ines->complaints())->toBe([])->and($tove->complaints())->toBe([]);
});

it('loses nothing of what is done while the map is fetched anew because more may be done in it', function () {
    $ines = Studio::beside('Ines');
    $tove = Studio::lent("Plan\n\tBoats\n\tMusic\n");
    $id = openId($tove);
    Studio::server()->artisan('map:share', $id, 'ines@beside.saltmere.example', '--role=view');
    $ines->visit("/maps/{$id}")->ready()->waitFor('.reading-desk')->pick('Boats');
    // The map as it then is comes late, after what was done meanwhile has long been answered.
    $ines->script('window.empty = 0; const real = window.fetch; window.fetch = (what, how) => String(what).endsWith(`/api/maps/${arguments[0]}`) ? real(what, how).then((answer) => new Promise((come) => setTimeout(() => come(answer), 1500))) : real(what, how); window.watched = setInterval(() => window.empty += document.querySelectorAll(".outline [role=treeitem]").length === 0, 10)', $id);
    Studio::server()->artisan('map:share', $id, 'ines@beside.saltmere.example', '--role=edit');
    $ines->waitUntil(fn (): bool => str_contains((string) $ines->script('return document.body.innerText'), 'From now on you may work in this map.'), 'to be told');
    $ines->keys('Tab')->type('Ferry')->keys('Enter')->type('Raft');
    usleep(2_500_000);
    $ines->type('s')->keys('Enter', 'Escape')->saved();
    outlineBecomes($ines, ['Plan', '  Boats', '    Ferry', '    Rafts', '  Music']);
    expect(trim(Studio::server()->artisan('map:export', $id, '--to=txt')))->toBe("Plan\n\tBoats\n\t\tFerry\n\t\tRafts\n\tMusic");
    expect($ines->script('clearInterval(window.watched); return window.empty'))->toBe(0)->and($ines->complaints())->toBe([]);
});

it('takes up who asks, by mouse on both sides', function () {
    $ines = Studio::beside('Ines');
    $tove = Studio::lent("Plan\n\tBoats\n");
    $id = openId($tove);
    $ines->visit("/maps/{$id}")->waitFor('.closed');
    $ines->find('input')->sendKeys('I bring the ferry.');
    $ines->press('Ask whoever keeps it to let you in')->waitUntil(fn (): bool => str_contains((string) $ines->script('return document.body.innerText'), 'has been told that you ask'), 'what was said');
    // Whoever keeps it sees so above all maps, and goes on from there to the answer.
    $tove->visit('/')->waitFor('[aria-label="Said to you"] a');
    $tove->script('[...document.querySelectorAll(`[aria-label="Said to you"] a`)].find((one) => one.innerText.includes("Ines asks to be let into")).click()');
    $tove->ready()->waitFor('.asking');
    expect((string) $tove->script('return document.querySelector(".asking").innerText'))->toContain('Ines')->toContain('I bring the ferry.');
    $tove->press('Let edit')->waitUntil(fn (): bool => sharers($tove) === ['Wren', 'Ines'], 'Ines among those who may open it');
    $ines->visit("/maps/{$id}")->ready()->pick('Boats')->keys('Tab')->type('Ferry')->keys('Enter', 'Escape')->saved();
    outlineBecomes($tove, ['Plan', '  Boats', '    Ferry']);
    // She leaves by herself.
    $ines->press('Shared')->press('Leave this map')->waitFor('.library');
    $tove->press('Close')->press('Share')->waitUntil(fn (): bool => sharers($tove) === ['Wren'], 'her to have left');
    expect($tove->complaints())->toBe([]);
});

it('hands a map on, which is the other’s once they take it', function () {
    $ines = Studio::beside('Ines');
    $tove = Studio::lent("Plan\n\tBoats\n");
    $id = openId($tove);
    Studio::server()->artisan('map:share', $id, 'ines@beside.saltmere.example');
    $tove->press('Share')->waitFor('.onward');
    $tove->script('document.querySelector(".onward .n-base-selection").click()');
    $tove->waitUntil(fn (): bool => (bool) $tove->script('const one = [...document.querySelectorAll(".n-base-select-option")].find((o) => o.textContent.trim() === "Ines"); one?.click(); return one !== undefined'), 'Ines to be offered it');
    $tove->press('Offer it')->waitUntil(fn (): bool => str_contains((string) $tove->script('return document.querySelector(".share-body").innerText'), 'It is yours until they take it'), 'the offer');
    $ines->visit("/maps/{$id}")->ready()->press('Shared')->press('Take this map')->waitUntil(fn (): bool => sharers($ines) === ['Ines', 'Wren'], 'the map to be hers');
    $ines->visit('/')->waitUntil(fn (): bool => (bool) $ines->script('return document.querySelector(`a.picture[href="/maps/${arguments[0]}"]`) !== null', $id), 'it among her maps');
    expect($tove->complaints())->toBe([])->and($ines->complaints())->toBe([]);
});

it('shares a folder with what comes into it, and blocks whoever shares what is not wanted', function () {
    $ines = Studio::beside('Ines');
    $tove = Studio::browser();
    $tove->press('New folder')->waitFor("input[aria-label='Name of the folder']")->type('Boathouse')->keys('Enter')->waitFor('.folder');
    $tove->script('[...document.querySelectorAll(".folder")].find((one) => one.innerText.includes("Boathouse")).dispatchEvent(new MouseEvent("contextmenu", { bubbles: true, cancelable: true, clientX: 300, clientY: 200 }))');
    $tove->waitUntil(fn (): bool => (bool) $tove->script('const one = [...document.querySelectorAll(".n-dropdown-option-body")].find((o) => o.textContent.trim() === "Share"); one?.click(); return one !== undefined'), 'Share in the menu');
    $tove->waitFor('[role=dialog] .share-body')->waitUntil(fn (): bool => (bool) $tove->script('return document.activeElement.matches(".share-body input")'), 'the field')->type('ines@beside.saltmere.example')->keys('Enter')->waitUntil(fn (): bool => in_array('Ines', sharers($tove), true), 'Ines in the folder');
    $tove->keys('Escape')->waitUntil(fn (): bool => ! $tove->has('[role=dialog]'), 'the dialog to close');
    $tove->press('Open the folder Boathouse');
    $tove->press('New map')->ready()->waitFor('.title-editor')->type('Supper list')->keys('Enter', 'Escape')->saved();
    sharedTab($ines)->waitUntil(fn (): bool => str_contains((string) $ines->script('return document.querySelector(".shared ul")?.innerText ?? ""'), 'Supper list'), 'the map of the folder');
    expect((string) $ines->script('return document.querySelector(".shared ul").innerText'))->toContain('in the folder “Boathouse”');
    // Its picture has come by then.
    $ines->waitUntil(fn (): bool => (bool) $ines->script('return [...document.querySelectorAll(".shared .picture img")].every((one) => one.complete && one.naturalWidth > 0)'), 'its picture')->press('More about Supper list');
    $ines->waitUntil(fn (): bool => (bool) $ines->script('const one = [...document.querySelectorAll(".n-dropdown-option-body")].find((o) => o.textContent.includes("block Wren")); one?.click(); return one !== undefined'), 'to block');
    $ines->waitUntil(fn (): bool => $ines->has('.blocks li') && $ines->has('.shared .none'), 'nothing to be shared any more');
    $ines->script('document.querySelector(".blocks li button").click()');
    $ines->waitUntil(fn (): bool => ! $ines->has('.blocks li'), 'nobody to be blocked');
    // No other test meets the folder.
    $tove->visit('/')->waitFor('.folder')->press('More about the folder Boathouse')->press('Dissolve: what is in it stays')->waitUntil(fn (): bool => ! $tove->has('.folder'), 'the folder to go');
    expect($ines->complaints())->toBe([])->and($tove->complaints())->toBe([]);
});

it('works at a phone’s width, for who shares and for who looks', function () {
    $ines = Studio::beside('Ines');
    $tove = Studio::lent("Plan\n\tBoats\n");
    $id = openId($tove);
    $tove->size(420, 800);
    $ines->size(420, 800);
    try {
        $tove->visit("/maps/{$id}")->waitFor('footer.switch')->press('More')->waitUntil(fn (): bool => (bool) $tove->script('const one = [...document.querySelectorAll(".n-dropdown-option-body")].find((o) => o.textContent.startsWith("Share")); one?.click(); return one !== undefined'), 'Share in the menu');
        $tove->waitFor('.share-body input')->find('.share-body input')->sendKeys('ines@beside.saltmere.example');
        $tove->press('Share this map')->waitUntil(fn (): bool => sharers($tove) === ['Wren', 'Ines'], 'Ines among those who may open it');
        expect($tove->script('return document.documentElement.scrollWidth <= innerWidth && [...document.querySelectorAll(".share-body *")].every((one) => one.getBoundingClientRect().right <= innerWidth + 1)'))->toBeTrue();
        Studio::server()->artisan('map:share', $id, 'ines@beside.saltmere.example', '--role=view');
        $ines->visit("/maps/{$id}")->waitFor('footer.switch');
        expect($ines->has('footer.switch .tools'))->toBeFalse()->and($ines->script('return [...document.querySelectorAll("footer.switch nav button")].map((one) => one.innerText.trim())'))->toBe(['Outline', 'Board', 'Desk']);
        $ines->press('Desk')->waitFor('.reading-desk');
        expect($ines->script('return document.documentElement.scrollWidth <= innerWidth'))->toBeTrue()->and($ines->complaints())->toBe([]);
    } finally {
        $tove->size(1280, 800);
        $ines->size(1280, 800);
    }
});

it('shows a map by a viewing link to who has no account, in a letter too, until it is withdrawn', function () {
    $tove = Studio::lent("Plan\n\tBoats\n\t\tFerry\n\tMusic\n");
    $id = openId($tove);
    $tove->pick('Boats')->press('Share')->press('Make a viewing link')->press('The branch “Boats”');
    $tove->find('input[aria-label="Password of the link"]')->sendKeys('mole and lamp');
    $tove->press('Make the link')->waitUntil(fn (): bool => $tove->count('.viewing li') === 1, 'the link');
    expect((string) $tove->script('return document.querySelector(".viewing li").innerText'))->toContain('Boats')->toContain('with a password')->toContain('not opened yet');
    $url = (string) $tove->script('return document.querySelector(".viewing li a").href');
    $tove->press('By letter')->waitFor('input[aria-label="Address of the letter"]')->find('input[aria-label="Address of the letter"]')->sendKeys('friend@saltmere.example');
    $tove->press('Send the letter')->waitUntil(fn (): bool => ! $tove->has('input[aria-label="Address of the letter"]'), 'the letter to go');
    expect(Studio::server()->artisan('outbox:show'))->toContain((string) parse_url($url, PHP_URL_PATH));
    // Somebody signed in nowhere.
    $friend = new Browser(Studio::server()->address);
    try {
        $friend->visit((string) parse_url($url, PHP_URL_PATH))->waitFor('#password');
        $friend->find('#password')->sendKeys('lamp');
        $friend->keys('Enter')->waitFor('.problem');
        $friend->find('#password')->sendKeys('mole and lamp');
        $friend->keys('Enter')->waitUntil(fn (): bool => str_contains((string) $friend->script('return document.body.innerText'), 'Ferry'), 'the branch');
        expect((string) $friend->script('return document.body.innerText'))->not->toContain('Music')->and((string) $friend->script('return document.title'))->toBe('Boats');
        $tove->press('Close')->press('Share')->waitUntil(fn (): bool => str_contains((string) $tove->script('return document.querySelector(".viewing li")?.innerText ?? ""'), 'opened once'), 'it to be counted');
        $tove->press('Withdraw')->waitUntil(fn (): bool => ! $tove->has('.viewing li'), 'the link to go');
        $friend->visit((string) parse_url($url, PHP_URL_PATH))->waitUntil(fn (): bool => str_contains((string) $friend->script('return document.body.innerText'), 'nothing at this address'), 'nothing there');
    } finally {
        $friend->quit();
    }
    expect($tove->complaints())->toBe([])->and($id)->not->toBe('');
});

it('offers whoever edits all but what its owner alone may do', function () {
    $ines = Studio::beside('Ines');
    $id = openId(Studio::lent("Plan\n\tBoats\n\tMusic\n"));
    Studio::server()->artisan('map:share', $id, 'ines@beside.saltmere.example');
    $ines->visit("/maps/{$id}")->ready()->keys('F4')->waitFor('.hand-over');
    $offered = (array) $ines->script('return [...document.querySelectorAll(".hand-over [role=radio]")].map((one) => one.innerText.trim())');
    expect($offered)->toContain('Chalk Tree file')->toContain('DOCX')->not->toContain('Page for everyone');
    $ines->keys('Escape')->waitUntil(fn (): bool => ! $ines->has('.hand-over'), 'the dialog to close');
    // What is removed comes back by whoever edits, and is not cleared for good.
    $ines->pick('Music')->keys('Delete')->saved()->keys('Mod+j')->waitFor('.palette')->type('Removed branches')->keys('Enter')->waitUntil(fn (): bool => str_contains((string) $ines->script('return document.querySelector(".panel")?.innerText ?? ""'), 'Music'), 'what was removed');
    expect((string) $ines->script('return document.querySelector(".panel").innerText'))->toContain('Restore')->not->toContain('Empty for good');
    $ines->press('Restore')->saved()->waitUntil(fn (): bool => in_array('  Music', $ines->outline(), true), 'it to be back');
    $ines->keys('Mod+j')->waitFor('.palette')->type('Publish');
    usleep(300_000);
    expect((string) $ines->script('return document.querySelector(".palette").textContent'))->not->toContain('Publish …')->and($ines->complaints())->toBe([]);
});

it('shows who is there and where, goes along with them, and stops when they have gone', function () {
    $ines = Studio::beside('Ines');
    $tove = Studio::lent("Plan\n\tBoats\n\t\tFerry\n\tMusic\n");
    $id = openId($tove);
    Studio::server()->artisan('map:share', $id, 'ines@beside.saltmere.example');
    $tove->visit("/maps/{$id}")->ready()->pick('Music');
    $ines->visit("/maps/{$id}")->ready()->pick('Ferry');
    $marked = fn (Browser $browser): array => (array) $browser->script('return [...document.querySelectorAll(".present-mark")].map((one) => one.dataset.name)');
    $tove->waitUntil(fn (): bool => $marked($tove) === ['Ines'] && $tove->has('.outline .here'), 'Ines on the board and in the outline', 20);
    $ines->waitUntil(fn (): bool => $marked($ines) === ['Wren'], 'Wren on the board', 20);
    $around = fn (): string => (string) $tove->script('const r = document.querySelector(".present-mark .around").getBoundingClientRect(); return document.elementFromPoint(r.x + r.width / 2, r.y + r.height / 2).closest("[data-topic]")?.textContent ?? ""');
    $tove->waitUntil(fn (): bool => str_contains($around(), 'Ferry'), 'the mark around the ferry', 20);
    // She goes along with him: what was folded opens.
    $ines->pick('Boats')->keys('Alt+f');
    $tove->pick('Plan');
    $ines->press('Wren is here, follow');
    $tove->pick('Ferry');
    $ines->waitUntil(fn (): bool => in_array('Ferry', (array) $ines->script('return [...document.querySelectorAll(".slip text")].map((one) => one.textContent)'), true), 'the branch to open', 20);
    $tove->visit('/')->waitFor('.library');
    $ines->waitUntil(fn (): bool => ! $ines->has('.present button') && $marked($ines) === [], 'nobody else to be there', 25);
    expect($ines->complaints())->toBe([])->and($tove->complaints())->toBe([]);
});
