<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/* A teacher and a pupil in two browsers: coming in, a map given out, worked on, handed in, marked, laid over each other; ideas from a phone. */

/** A class that was just made, by keys, open in the browser; its code. */
function newClass(Browser $browser, string $name): string
{
    $browser->visit('/classes')->waitFor('.classes .new input')->waitUntil(fn (): bool => $browser->script('return document.activeElement?.tagName') === 'INPUT', 'the caret in the field');
    $browser->type($name)->keys('Enter')->waitFor('.class .door');
    $browser->script('document.querySelector(".door .n-switch").click()');
    $browser->waitFor('.door .code');

    return str_replace(' ', '', (string) $browser->script('return document.querySelector(".door .code").textContent'));
}

/** Somebody comes in with a code, by keys alone. */
function comeIn(Browser $browser, string $code, string $name): Browser
{
    $browser->visit("/join/{$code}")->waitFor('.account input')->waitUntil(fn (): bool => $browser->script('return document.activeElement?.getAttribute("aria-label")') === 'First name', 'the caret in the name');

    return $browser->type($name)->keys('Enter')->waitFor('.pupil .word');
}

/** Presses a part of a page that is no button of ours. */
function clickOn(Browser $browser, string $css, string $saying): void
{
    $browser->waitUntil(fn (): bool => (bool) $browser->script('const one = [...document.querySelectorAll(arguments[0])].find((e) => e.innerText.trim().startsWith(arguments[1])); one?.click(); return one !== undefined', $css, $saying), "{$saying} to be clicked");
}

/** A cell of the table, by the name of whose line it is and of its column. */
function classCell(Browser $browser, string $who, string $column): string
{
    return (string) $browser->script('const heads = [...document.querySelectorAll(".class-table thead th")].map((h) => h.innerText.trim().replace(/[▾▴ ]+$/, "")); const row = [...document.querySelectorAll("tr.copy")].find((r) => r.querySelector("th span").textContent === arguments[0]); return row?.children[heads.indexOf(arguments[1])]?.innerText ?? ""', $who, $column);
}

it('takes a class from its door to work that is given back, by keys on one side and by mouse on the other', function () {
    $pupil = Studio::beside('Ines');
    $tove = Studio::lent("Floating\n\tForces\n\tThings\n");
    $id = openId($tove);
    $tove->pick('Forces')->keys('Mod+j')->waitFor('.palette')->type('Lock the branch');
    $tove->waitUntil(fn (): bool => str_starts_with((string) $tove->script('return document.querySelector(".palette li.current span")?.innerText'), 'Lock the branch'), 'the action')->keys('Enter')->saved();
    $code = newClass($tove, 'Class '.bin2hex(random_bytes(3)));
    comeIn($pupil, $code, 'Ada')->waitFor('.none');
    // Given out from the map, by mouse.
    $class = basename((string) $tove->script('return location.pathname'));
    $tove->visit("/classes/{$class}?map={$id}")->waitFor('.giving');
    $tove->find('.giving textarea')->sendKeys('What lifts a boat?');
    $tove->press('Give it out to 1')->waitFor('.class-table tr.copy');
    // The pupil looks again, and works, by keys.
    $pupil->press('Look again')->waitFor('.given h2 a');
    $pupil->script('document.querySelector(".given h2 a").focus()');
    $pupil->keys('Enter')->ready()->waitFor('.given-strip');
    expect($pupil->script('return document.querySelector(".given-strip .question").textContent'))->toBe('What lifts a boat?');
    $pupil->pick('Forces')->keys('F2')->type('Pushes')->keys('Mod+Enter');
    $pupil->waitUntil(fn (): bool => str_contains((string) $pupil->script('return document.body.innerText'), 'This part is locked'), 'the refusal')->waitUntil(fn (): bool => in_array('  Forces', $pupil->outline(), true), 'what it was');
    $pupil->pick('Things')->keys('Tab')->type('A cork')->keys('Enter')->type('A stone')->keys('Enter', 'Escape')->saved();
    // The table follows by itself.
    $tove->waitUntil(fn (): bool => classCell($tove, 'Ada', 'Added') === '2', 'what Ada added');
    expect($tove->has('.here.on'))->toBeTrue();
    $pupil->press('Hand in')->waitFor('.reading-desk');
    $tove->waitUntil(fn (): bool => str_starts_with(classCell($tove, 'Ada', 'State'), 'Handed in'), 'what was handed in');
    // Marked and given back, by keys.
    clickOn($tove, '.n-tabs-tab', 'Question, day');
    $tove->press('Another line')->waitFor('[aria-label="Line 1"]');
    $tove->find('[aria-label="Line 1"]')->sendKeys('An example');
    $tove->press('Keep it');
    clickOn($tove, '.n-tabs-tab', 'Table');
    $tove->waitUntil(fn (): bool => classCell($tove, 'Ada', 'Of 3') === '–', 'the points');
    $tove->script('document.querySelector("tr.copy").focus()');
    $tove->keys('Enter')->waitFor('.copy-care');
    expect((string) $tove->script('return document.querySelector(".copy-care dl").innerText'))->toContain('A cork')->toContain('A stone');
    $tove->find('.copy-care [aria-label="An example, of 3"]')->sendKeys('2');
    $tove->find('.copy-care textarea')->sendKeys('And salt water?');
    $tove->press('Keep the marking')->waitUntil(fn (): bool => classCell($tove, 'Ada', 'Of 3') === '2', 'the points');
    $tove->press('Give it back')->waitUntil(fn (): bool => classCell($tove, 'Ada', 'State') === 'Given back', 'the state');
    $pupil->waitUntil(fn (): bool => ! $pupil->has('.reading-desk'), 'the desk for whoever works')->waitFor('.desk');
    // The map is opened anew with what they may do now, and keys are heard in that moment too.
    $pupil->keys('Alt+l')->waitFor('.pupil .marks');
    expect((string) $pupil->script('return document.querySelector(".given").innerText'))->toContain('An example 2 of 3')->toContain('And salt water?');
    // Said to all, and seen in the map.
    $tove->find('[aria-label="Say something to all"]')->sendKeys('Well done.');
    $tove->press('Say it to all');
    $pupil->script('document.querySelector(".given h2 a").click()');
    $pupil->ready()->waitFor('.comment-mark');
    expect($tove->complaints())->toBe([])->and($pupil->complaints())->toBe([]);
});

it('shows what missed whom on the demo’s class, lays all over each other, and two beside each other, by keys', function () {
    $browser = Studio::browser();
    $browser->visit('/classes')->waitFor('.classes li');
    clickOn($browser, '.classes li a', '7b, Saltmere school');
    $browser->waitFor('.outs li');
    clickOn($browser, '.outs li a', 'Why do boats float?');
    $browser->waitFor('tr.copy');
    expect($browser->count('tr.copy'))->toBe(12)->and(classCell($browser, 'Ivo', 'Added'))->toBe('0')->and(classCell($browser, 'Ivo', 'Found'))->toBe('0')->and(classCell($browser, 'Elin', 'Found'))->toBe('7')->and(classCell($browser, 'Ada', 'Of 10'))->toBe('9');
    // In the order of what was found, the most first.
    clickOn($browser, 'thead button', 'Found');
    expect($browser->script('return [...document.querySelectorAll("tr.copy th span")].slice(0, 2).map((one) => one.textContent)'))->toBe(['Ada', 'Elin']);
    $browser->script('document.querySelector("tr.copy").focus()');
    $browser->keys('Space', 'ArrowDown', 'Space', 'ArrowDown', 'Enter')->waitFor('.copy-care')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".copy-care").innerText'), 'Missing'), 'what is missing');
    clickOn($browser, '.n-tabs-tab', 'Laid over');
    $browser->waitFor('.over li')->waitUntil(fn (): bool => (bool) $browser->script('const img = document.querySelector(".over img"); return img !== null && img.complete && img.naturalWidth > 300'), 'the board');
    expect($browser->script('return document.querySelector(".over li").innerText.replace(/\s+/g, " ")'))->toBe('6 a boat has weight Ada, Bram, Cato, Finn, Greta, Lene');
    clickOn($browser, '.over label, .over .n-radio-button', 'Only one');
    $browser->waitUntil(fn (): bool => (bool) $browser->script('return [...document.querySelectorAll(".over li b")].every((one) => one.innerText === "1") && document.querySelector(".over li") !== null'), 'what only one has');
    clickOn($browser, '.n-tabs-tab', 'Table');
    $browser->press('What differs')->waitFor('.beside .told b');
    expect((string) $browser->script('return document.querySelector(".beside .told").innerText'))->toContain('differences to decide on');
    // Both maps whole, by mouse and by keys.
    foreach (['mouse', 'keys'] as $by) {
        $browser->driver->navigate()->back();
        $browser->waitFor('tr.copy');
        $maps = (array) $browser->script('return [...document.querySelectorAll("tr.copy")].slice(0, 2).map((one) => one.querySelector("th span").textContent)');
        foreach ($by === 'mouse' ? [0, 1] : [] as $line) {
            $browser->script('document.querySelectorAll("tr.copy [role=checkbox]")[arguments[0]].click()', $line);
        }
        if ($by === 'mouse') {
            $browser->press('Lay two beside each other');
        } else {
            $browser->script('document.querySelector("tr.copy").focus()');
            $browser->keys('Space', 'ArrowDown', 'Space', 'b');
        }
        $browser->ready()->waitFor('.second iframe')->waitUntil(fn (): bool => (int) $browser->script('return document.querySelector(".second iframe").contentDocument?.querySelectorAll(".slip, .far-label").length ?? 0') > 5, 'the other board');
        $titles = [$browser->script('return document.title'), $browser->script('return document.querySelector(".second iframe").contentDocument.title')];
        expect($browser->script('return new Set([location.pathname, document.querySelector(".second iframe").contentWindow.location.pathname]).size'))->toBe(2)->and($maps)->toBe(['Ada', 'Bram'])->and($titles)->each->toContain('Why do boats float?');
        $browser->press('Close this view');
    }
    expect($browser->complaints())->toBe([]);
});

it('takes ideas from a phone into the map, at once or after a look, by keys', function () {
    $phone = Studio::beside('Ines');
    $tove = Studio::lent("Meeting\n\tIdeas\n\tRest\n");
    $tove->pick('Ideas')->keys('Mod+j')->waitFor('.palette')->type('Ideas by code');
    $tove->waitUntil(fn (): bool => str_starts_with((string) $tove->script('return document.querySelector(".palette li.current span")?.innerText'), 'Ideas by code'), 'the action')->keys('Enter')->waitFor('.ideas-panel')
        ->waitUntil(fn (): bool => $tove->script('return document.activeElement?.getAttribute("aria-label")') === 'What is asked', 'the caret in the question');
    $tove->type('What next?')->keys('Enter')->waitFor('.ideas-panel .code');
    $code = str_replace(' ', '', (string) $tove->script('return document.querySelector(".ideas-panel .code").textContent'));
    $phone->size(390, 780)->visit("/ideas/{$code}")->waitFor('textarea')->waitUntil(fn (): bool => $phone->script('return document.activeElement?.tagName') === 'TEXTAREA', 'the caret in the field');
    expect($phone->script('return document.querySelector("h1").textContent'))->toBe('What next?')->and($phone->script('return document.documentElement.scrollWidth <= innerWidth'))->toBeTrue();
    $phone->type('A kite')->keys('Enter')->waitFor('.sent');
    outlineBecomes($tove, ['Meeting', '  Ideas', '    A kite', '  Rest']);
    // From now on somebody looks first.
    $tove->script('document.querySelector(".ideas-panel .n-checkbox").click()');
    $tove->press('Keep that')->waitUntil(fn (): bool => ! $tove->has('.ideas-panel form .n-button--loading'), 'it to be kept');
    foreach (['A raft', 'Nonsense'] as $idea) {
        $phone->type($idea)->keys('Enter')->waitUntil(fn (): bool => str_contains((string) $phone->script('return document.querySelector(".sent").innerText'), $idea), 'it to be sent');
    }
    $tove->waitUntil(fn (): bool => $tove->count('.ideas-panel li') === 2, 'both to wait')->script('document.querySelector(".ideas-panel li").focus()');
    $tove->keys('Enter')->waitUntil(fn (): bool => $tove->count('.ideas-panel li') === 1, 'one to wait')->waitUntil(fn (): bool => $tove->script('return document.activeElement?.tagName') === 'LI', 'the next one')->keys('Delete')->waitUntil(fn (): bool => $tove->count('.ideas-panel li') === 0, 'none to wait');
    outlineBecomes($tove, ['Meeting', '  Ideas', '    A kite', '    A raft', '  Rest']);
    // The same by mouse, and below another topic from now on.
    $tove->pick('Rest')->press('Below “Rest” from now on')->waitUntil(fn (): bool => str_contains((string) $tove->script('return document.querySelector(".ideas-panel .open").innerText'), 'below “Rest”'), 'the other topic');
    foreach (['A song', 'Spam'] as $idea) {
        $phone->type($idea)->keys('Enter')->waitUntil(fn (): bool => str_contains((string) $phone->script('return document.querySelector(".sent").innerText'), $idea), 'it to be sent');
    }
    $tove->waitUntil(fn (): bool => $tove->count('.ideas-panel li') === 2, 'both to wait')->press('Let in')->waitUntil(fn (): bool => $tove->count('.ideas-panel li') === 1, 'one to wait')->press('Put away')->waitUntil(fn (): bool => $tove->count('.ideas-panel li') === 0, 'none to wait');
    outlineBecomes($tove, ['Meeting', '  Ideas', '    A kite', '    A raft', '  Rest', '    A song']);
    $tove->press('Close it')->waitUntil(fn (): bool => ! $tove->has('.ideas-panel .code'), 'it to be closed');
    $phone->type('Late')->keys('Enter')->waitFor('.n-alert');
    $phone->size(1280, 800);
    expect($tove->complaints())->toBe([])->and(array_filter($phone->complaints(), fn (string $one): bool => ! str_contains($one, '404')))->toBe([]);
});

it('keeps what is typed as what is asked, however late it comes what was asked before', function () {
    $tove = Studio::lent("Meeting\n\tIdeas\n");
    $tove->script('const real = window.fetch; window.came = false; window.fetch = (what, how) => String(what).endsWith("/ideas") && (how?.method ?? "GET") === "GET" ? real(what, how).then((answer) => new Promise((come) => setTimeout(() => { come(answer); setTimeout(() => (window.came = true), 100) }, 1500))) : real(what, how)');
    $tove->pick('Ideas')->keys('Mod+j')->waitFor('.palette')->type('Ideas by code');
    $tove->waitUntil(fn (): bool => str_starts_with((string) $tove->script('return document.querySelector(".palette li.current span")?.innerText'), 'Ideas by code'), 'the action')->keys('Enter')
        ->waitUntil(fn (): bool => $tove->script('return document.activeElement?.getAttribute("aria-label")') === 'What is asked', 'the caret in the question');
    $tove->type('Whose lantern?')->waitUntil(fn (): bool => (bool) $tove->script('return window.came'), 'what was asked before');
    expect($tove->script('return document.activeElement.value'))->toBe('Whose lantern?');
    $tove->keys('Enter')->waitFor('.ideas-panel .code')->waitUntil(fn (): bool => $tove->count('.ideas-panel form button:disabled') === 1, 'nothing to be left to keep');
    expect($tove->script('return document.querySelector("[aria-label=\'What is asked\']").value'))->toBe('Whose lantern?')->and($tove->complaints())->toBe([]);
});

it('keeps what a pupil typed apart from whoever comes in after them on the same device', function () {
    $pupil = Studio::beside('Ines');
    $tove = Studio::browser();
    $code = newClass($tove, 'Class '.bin2hex(random_bytes(3)));
    comeIn($pupil, $code, 'Ada');
    $word = str_replace(' ', '', (string) $pupil->script('return document.querySelector(".code").textContent'));
    comeIn($pupil, $code, 'Bo');
    expect((string) $pupil->script('return document.querySelector(".pupil .word").textContent'))->toContain('You are Bo')->and($pupil->script('return localStorage.getItem("chalk-tree:pending") ?? ""'))->not->toContain('Ada');
    // Back in by her own word, by mouse.
    $pupil->visit('/join')->waitFor('.account')->press('I have a word of my own')->waitFor('[aria-label="Your own word"]');
    $pupil->find('[aria-label="Your own word"]')->sendKeys($word);
    $pupil->press('Come in')->waitUntil(fn (): bool => str_contains((string) $pupil->script('return document.querySelector(".pupil .word")?.textContent ?? ""'), 'You are Ada'), 'her desk');
    // There is no library for her, wherever she asks.
    $pupil->visit('/')->waitFor('.pupil .word')->visit('/classes')->waitFor('.n-alert');
    expect($pupil->has('.library'))->toBeFalse();
});

it('puts pupils into teams, gives a part later, shows one copy to all, and takes the class away, by mouse', function () {
    $pupil = Studio::beside('Ines');
    $tove = Studio::lent("Tides\n\tMoon\n\tLater\n\t\tSun\n");
    $id = openId($tove);
    $tove->pick('Later')->keys('Mod+j')->waitFor('.palette')->type('Give the branch to a class later');
    $tove->waitUntil(fn (): bool => str_starts_with((string) $tove->script('return document.querySelector(".palette li.current span")?.innerText'), 'Give the branch'), 'the action')->keys('Enter')->saved();
    expect((string) $tove->script('return document.querySelector(".outline .lock")?.getAttribute("aria-label")'))->toBe('comes later');
    newClass($tove, $name = 'Class '.bin2hex(random_bytes(3)));
    $class = basename((string) $tove->script('return location.pathname'));
    // Names, a line each, and teams.
    $tove->press('Add names')->waitFor('.adding textarea');
    $tove->find('.adding textarea')->sendKeys("Ada\nBo\nCy");
    $tove->press('Add them')->waitUntil(fn (): bool => $tove->count('.pupils li') === 3, 'three pupils');
    foreach (['Ada' => 'Port', 'Bo' => 'Port', 'Cy' => 'Lee'] as $who => $team) {
        $tove->script('[...document.querySelectorAll(".pupils button")].find((one) => one.getAttribute("aria-label") === `Change ${arguments[0]}`).click()', $who);
        $tove->waitFor('.changing [aria-label=Team]');
        $tove->find('.changing [aria-label=Team]')->sendKeys($team);
        $tove->press('Keep')->waitUntil(fn (): bool => ! $tove->has('.changing'), 'it to be kept');
    }
    expect($tove->script('return [...document.querySelectorAll(".pupils li .who")].map((one) => one.innerText.replace(/\s+/g, " ").trim())'))->toBe(['Ada Port', 'Bo Port', 'Cy Lee']);
    $word = str_replace(' ', '', (string) $tove->script('return document.querySelector(".pupils li .word").textContent'));
    $tove->visit("/classes/{$class}?map={$id}")->waitFor('.giving');
    clickOn($tove, '.giving .n-radio', 'One for each team');
    $tove->press('Give it out to 3')->waitFor('.class-table tr.copy');
    expect($tove->script('return [...document.querySelectorAll("tr.copy th")].map((one) => one.innerText.replace(/\s+/g, " ").trim())'))->toBe(['Lee Cy', 'Port Ada, Bo']);
    $pupil->visit('/join')->waitFor('.account')->press('I have a word of my own')->waitFor('[aria-label="Your own word"]');
    $pupil->find('[aria-label="Your own word"]')->sendKeys($word);
    $pupil->press('Come in')->waitFor('.given h2 a');
    expect((string) $pupil->script('return document.querySelector(".given").innerText'))->toContain('with Bo');
    $pupil->script('document.querySelector(".given h2 a").click()');
    $pupil->ready();
    expect($pupil->outline())->toBe(['Tides', '  Moon']);
    // The part comes into the open window by itself.
    $tove->press('Give “Later” now');
    outlineBecomes($pupil, ['Tides', '  Moon', '  Later', '    Sun']);
    clickOn($tove, 'tr.copy', 'Lee');
    $tove->press('Show without the name')->waitFor('.shown');
    $pupil->visit('/')->waitFor('.shown a');
    expect((string) $pupil->script('return document.querySelector("section.shown").innerText'))->toContain('by one of you')->not->toContain('Lee')->not->toContain('Cy');
    $tove->press('Show to all, with the name')->waitUntil(fn (): bool => $tove->script('return document.querySelector("tr.copy small.shown")?.textContent') === 'shown', 'it to be shown with the name');
    $pupil->visit('/')->waitFor('.shown a');
    expect((string) $pupil->script('return document.querySelector("section.shown").innerText'))->toContain('by Lee')->not->toContain('by one of you');
    $tove->press('Show it no longer')->waitUntil(fn (): bool => ! $tove->has('tr.copy small.shown'), 'it to be shown no longer');
    $pupil->visit('/')->waitFor('.given');
    expect($pupil->has('section.shown a'))->toBeFalse();
    // All of it can be taken along: a map for each, and the table.
    $tove->visit("/classes/{$class}")->waitFor('.whole');
    $zip = $tove->driver->executeAsyncScript('const done = arguments[0]; const link = [...document.querySelectorAll(".whole a")].find((one) => one.innerText.startsWith("Take it along")); fetch(link.href).then((answer) => answer.arrayBuffer()).then((bytes) => done(btoa(String.fromCharCode(...new Uint8Array(bytes)))))');
    file_put_contents($file = sys_get_temp_dir().'/class-'.bin2hex(random_bytes(4)).'.zip', base64_decode((string) $zip));
    $archive = new ZipArchive;
    expect($archive->open($file))->toBeTrue();
    $names = array_map(fn (int $n): string => (string) $archive->getNameIndex($n), range(0, $archive->numFiles - 1));
    unlink($file);
    expect(implode("\n", $names))->toContain('Lee')->toContain('Port')->toContain('.csv');
    // All of it goes, after one is told what that is.
    $tove->visit("/classes/{$class}")->waitFor('.whole');
    $tove->press('Take the class away')->waitFor('.leaving');
    expect((string) $tove->script('return document.querySelector(".leaving").innerText'))->toContain('3 pupils, 1 hand-outs and 2 copies');
    $tove->press('Take it away for good')->waitFor('.classes .new');
    expect((string) $tove->script('return document.body.innerText'))->not->toContain($name);
    $pupil->visit('/')->waitFor('.account');
    expect($tove->complaints())->toBe([]);
});

it('has room for all of it on a narrow window', function (string $address, string $shown) {
    $browser = Studio::browser();
    $browser->visit('/classes')->waitFor('.classes li');
    clickOn($browser, '.classes li a', '7b, Saltmere school');
    $browser->waitFor('.outs li a');
    $address === 'table' ? clickOn($browser, '.outs li a', 'Why do boats float?') : null;
    $browser->size(390, 800)->waitFor($shown);
    // What is wider scrolls within itself.
    expect($browser->script('return document.documentElement.scrollWidth <= innerWidth'))->toBeTrue();
    if ($address === 'table') {
        clickOn($browser, 'tr.copy', 'Ada');
        $browser->waitFor('.copy-care');
        expect($browser->script('return document.documentElement.scrollWidth <= innerWidth'))->toBeTrue();
    }
    $browser->size(1280, 800);
})->with([['class', '.pupils li'], ['table', 'tr.copy']]);
