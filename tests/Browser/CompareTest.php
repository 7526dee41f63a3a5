<?php

declare(strict_types=1);

use Tests\Support\Browser;

/* Two maps beside each other, in the browser. */

/** What is told to be otherwise, each as its title and what is told of it. */
function otherwiseIn(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll(".beside li[tabindex]")].map((one) => `${one.closest("section").querySelector("h2").textContent.split(" ·")[0].trim()}: ${one.querySelector("b").textContent}`)');
}

/** A map beside which another is laid, which came as a file. */
function laidBeside(string $own, string $other): Browser
{
    $browser = openOutline($own);
    file_put_contents($file = sys_get_temp_dir().'/beside-'.bin2hex(random_bytes(4)).'.txt', $other);
    $browser->keys('Mod+j')->waitFor('[role=dialog] input')->type('Lay another map')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector("[role=dialog]")?.innerText ?? ""'), 'Lay another map beside it'), 'the action');
    $browser->keys('Enter')->waitFor('.beside input[type=file]');
    $browser->driver->findElement(Facebook\WebDriver\WebDriverBy::cssSelector('.beside input[type=file]'))->sendKeys($file);
    $browser->waitFor('.beside .told b')->waitFor('.beside .board img');
    unlink($file);

    return $browser;
}

it('takes over by keys what a copy has otherwise, takes it back, and leaves the rest', function () {
    $browser = laidBeside("Lanterns\n\tPaper\n\t\tTissue\n\tFrames\n\tBoats\n", "Lanterns\n\tPaper from the mill\n\t\tTissue\n\tFrames\n\t\tReed\n\t\tWire\n");
    $all = ['Only there: Reed', 'Only there: Wire', 'Says otherwise there: Paper', 'Only here: Boats'];
    expect(otherwiseIn($browser))->toBe($all);
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.querySelector("b")?.textContent') === 'Reed', 'the first of them')->keys('ArrowDown', 'Delete');
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.querySelector("b")?.textContent') === 'Paper', 'the next');
    expect($browser->script('return document.activeElement.querySelector("ins").textContent'))->toBe(' from the mill');
    $browser->keys('Enter')->waitUntil(fn (): bool => otherwiseIn($browser) === ['Only there: Reed', 'Only here: Boats'], 'it taken over, not '.json_encode(otherwiseIn($browser)));
    $browser->waitUntil(fn (): bool => $browser->script('return !document.querySelector("header button").disabled'), 'it at the server')->keys('Mod+z')->waitUntil(fn (): bool => otherwiseIn($browser) === $all, 'it taken back');
    $browser->press('Take over all that is there (3)')->waitUntil(fn (): bool => otherwiseIn($browser) === ['Only here: Boats'], 'all of it');
    $browser->press('Back to the map')->ready();
    expect($browser->outline())->toBe(['Lanterns', '  Paper from the mill', '    Tissue', '  Frames', '    Reed', '    Wire', '  Boats'])->and($browser->complaints())->toBe([]);
    // It is one step of the map too.
    $browser->pick('Lanterns')->keys('Mod+z')->saved()->waitUntil(fn (): bool => count($browser->outline()) === 5, 'the map as it was');
});

it('lays another map of the library beside it by its name, and removes by the mouse what is only here', function () {
    $other = openOutline("Mole\n\tLamps\n");
    $browser = openOutline("Mole\n\tLamps\n\tFog\n");
    $browser->script('location.assign(location.pathname + "/beside")');
    $browser->waitFor('.beside .n-base-selection')->waitUntil(fn (): bool => $browser->script('return document.activeElement.closest(".n-base-selection") !== null'), 'the caret');
    $browser->type('Mole')->waitFor('.n-base-select-option')->keys('Enter')->waitUntil(fn (): bool => otherwiseIn($browser) === ['Only here: Fog'], 'what is otherwise');
    $browser->press('Remove it here')->waitUntil(fn (): bool => otherwiseIn($browser) === [], 'it gone');
    expect($browser->script('return document.querySelector(".beside .told").innerText'))->toContain('Nothing more to decide');
    $browser->press('Back to the map')->ready();
    expect($browser->outline())->toBe(['Mole', '  Lamps'])->and($browser->complaints())->toBe([]);
});

it('leaves the caret with what was chosen while the maps of the library were still asked for', function () {
    $browser = openOutline("Lanterns\n\tPaper\n\tBoats\n");
    $browser->script('const real = window.fetch; window.fetch = (what, how) => String(what).endsWith("/api/maps") ? new Promise((come) => setTimeout(() => come(real(what, how)), 2500)) : real(what, how)');
    file_put_contents($file = sys_get_temp_dir().'/beside-'.bin2hex(random_bytes(4)).'.txt', "Lanterns\n\tPaper\n\tReed\n");
    $browser->keys('Mod+j')->waitFor('[role=dialog] input')->type('Lay another map')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector("[role=dialog]")?.innerText ?? ""'), 'Lay another map beside it'), 'the action');
    $browser->keys('Enter')->waitFor('.beside input[type=file]');
    $browser->driver->findElement(Facebook\WebDriver\WebDriverBy::cssSelector('.beside input[type=file]'))->sendKeys($file);
    $at = fn (): bool => $browser->script('return document.activeElement.querySelector("b")?.textContent') === 'Reed';
    $browser->waitFor('.beside .told b')->waitUntil($at, 'the first of them');
    usleep(3_000_000);
    expect($at())->toBeTrue();
    unlink($file);
});

it('says what is wrong with a file, and keeps everything as it is', function () {
    $browser = laidBeside("Lanterns\n\tPaper\n", "Lanterns\n\tPaper\n");
    expect($browser->script('return document.querySelector(".beside .told").innerText'))->toContain('Nothing is otherwise');
    file_put_contents($file = sys_get_temp_dir().'/beside-'.bin2hex(random_bytes(4)).'.json', '{');
    $browser->driver->findElement(Facebook\WebDriver\WebDriverBy::cssSelector('.beside input[type=file]'))->sendKeys($file);
    $browser->waitFor('.beside [role=alert]');
    unlink($file);
    expect($browser->script('return document.querySelector(".beside [role=alert]").innerText'))->not->toBe('');
});

it('lays two moments of one map beside each other, and takes back from the past what is wanted', function () {
    $browser = openOutline("Mole\n\tLamps\n\tFog\n");
    $browser->pick('Fog')->keys('Delete')->saved()->pick('Lamps')->keys('F2')->type('Nine lamps')->keys('Mod+Enter')->saved();
    $browser->script('location.assign(location.pathname + "/beside")');
    $browser->waitFor('.beside .n-base-selection')->waitUntil(fn (): bool => $browser->script('return document.activeElement.closest(".n-base-selection") !== null'), 'the caret');
    $browser->type('This map')->waitFor('.n-base-select-option')->keys('Enter');
    // At once against how it was before the latest edit.
    $browser->waitUntil(fn (): bool => otherwiseIn($browser) === ['Says otherwise there: Nine lamps'], 'what the latest edit did');
    $moment = function (string $of, string $starts) use ($browser): void {
        // The list before is gone by then.
        usleep(600_000);
        $browser->script('document.querySelector(`.moments input[aria-label="${arguments[0]}"]`).closest(".n-base-selection").click()', $of);
        $browser->waitUntil(fn (): bool => (bool) $browser->script('const one = [...document.querySelectorAll(".n-base-select-option")].filter((o) => o.offsetParent !== null).find((o) => o.textContent.trim().startsWith(arguments[0])); one?.click(); return one !== undefined', $starts), "{$starts} to be chosen");
    };
    $moment('Moment of the other', 'Before “Removed');
    $browser->waitUntil(fn (): bool => otherwiseIn($browser) === ['Only there: Fog', 'Says otherwise there: Nine lamps'], 'what both edits did');
    $browser->press('Take over')->waitUntil(fn (): bool => otherwiseIn($browser) === ['Says otherwise there: Nine lamps'], 'the fog to be back');
    // Both in the past: to be looked at.
    $moment('Moment of this map', 'Before “Removed');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".beside .list").innerText'), 'Nothing is otherwise'), 'nothing otherwise, not '.$browser->script('return document.querySelector(".beside .list").innerText'));
    expect((string) $browser->script('return document.querySelector(".beside .list").innerText'))->toContain('nothing can be taken over into what is past');
    $browser->press('Back to the map')->ready();
    expect($browser->outline())->toBe(['Mole', '  Nine lamps', '  Fog'])->and($browser->complaints())->toBe([]);
});

it('brings a copy that was mailed back together with a map that went on meanwhile', function () {
    $browser = openOutline("Mole\n\tLamps\n\tFog\n\tBoats\n");
    $id = openId($browser);
    // As it left, and what somebody made of it elsewhere.
    $copy = (string) $browser->driver->executeAsyncScript('fetch(`/api/maps/${arguments[0]}/export?to=json`).then((answer) => answer.text()).then(arguments[1])', [$id]);
    file_put_contents($file = sys_get_temp_dir().'/mailed-'.bin2hex(random_bytes(4)).'.json', strtr($copy, ['"Lamps"' => '"Nine lamps"']));
    $browser->pick('Fog')->keys('Delete')->saved()->pick('Boats')->keys('Tab')->type('Ferry')->keys('Mod+Enter')->saved();
    $browser->script('location.assign(location.pathname + "/beside")');
    $browser->waitFor('.beside input[type=file]')->driver->findElement(Facebook\WebDriver\WebDriverBy::cssSelector('.beside input[type=file]'))->sendKeys($file);
    // What was done here since is no difference.
    $browser->waitFor('.beside .told b')->waitUntil(fn (): bool => otherwiseIn($browser) === ['Says otherwise there: Lamps'], 'what was done there, not '.json_encode(otherwiseIn($browser)));
    expect((string) $browser->script('return document.querySelector(".beside .list").innerText'))->toContain('It is known of which moment it is a copy');
    unlink($file);
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.querySelector("b")?.textContent') === 'Lamps', 'the line')->keys('Enter')->waitUntil(fn (): bool => otherwiseIn($browser) === [], 'it taken over');
    $browser->press('Back to the map')->ready();
    expect($browser->outline())->toBe(['Mole', '  Nine lamps', '  Boats', '    Ferry'])->and($browser->complaints())->toBe([]);
});
