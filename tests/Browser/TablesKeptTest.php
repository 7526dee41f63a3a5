<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/* Tables that a map keeps: by name, with their own rows, columns, order and form; on a phone too. */

/** The heads of the columns as they stand. */
function headsSeen(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll(".table-grid .column-head")].sort((a, b) => a.getBoundingClientRect().x - b.getBoundingClientRect().x).map((head) => head.querySelector("button").textContent.trim().replace(/\s*[↑↓]$/, ""))');
}

/** A place in the head of a column: a share of its width from the left. */
function onHead(Browser $browser, int $column, float $share): array
{
    return $browser->script('const r = document.querySelectorAll(".table-grid .column-head")[arguments[0]].getBoundingClientRect(); return [r.x + r.width * arguments[1], r.y + r.height / 2]', $column, $share);
}

/** Takes one of what is offered in a field of the bar. */
function takeInBar(Browser $browser, string $field, string $option): Browser
{
    $browser->script('document.querySelector(`.table-bar ${arguments[0]} .n-base-selection`).click()', $field);

    return $browser->waitUntil(fn (): bool => (bool) $browser->script('const one = [...document.querySelectorAll(".n-base-select-option")].find((o) => o.textContent.trim() === arguments[0]); one?.click(); return one !== undefined', $option), "“{$option}”")->saved();
}

it('keeps tables by name, each with the rows that are asked for, its columns, their width and their order', function () {
    $browser = Studio::lent("Season\n\tBoats\n\t\tFerry\n\t\tRowing boat\n\tQuay\n\t\tFerry slip")->keys('Alt+3')->waitFor('.table-grid .line:not(.fresh)');
    $browser->press('About this table')->press('New table of “Season”')->saved();
    $browser->press('About this table')->press('Rename this table')->waitFor('[aria-label="Name of the table"]')->keys('Mod+a')->type('Ferries')->keys('Enter')->saved();
    $browser->script('document.querySelector(`[aria-label="Which topics are its rows"]`).focus()');
    $browser->type('text ferry')->keys('Enter')->saved();
    rowsAre($browser, ['Ferry', 'Ferry slip']);
    // A column is taken in, widened by its edge and carried to the front by its head.
    $browser->press('Columns')->waitFor('.columns .n-checkbox');
    $browser->script('[...document.querySelectorAll(".columns .n-checkbox")].find((one) => one.textContent.trim() === "Topic above").click()');
    $browser->waitUntil(fn (): bool => headsSeen($browser) === ['Title', 'Topic above'], 'the columns')->saved()->keys('Escape');
    rowsAre($browser, ['Ferry|Boats', 'Ferry slip|Quay']);
    usleep(600_000);
    $wide = fn (int $column): float => (float) $browser->script('return document.querySelectorAll(".table-grid .column-head")[arguments[0]].getBoundingClientRect().width', $column);
    $before = $wide(1);
    $edge = $browser->script('const r = document.querySelectorAll(".table-grid .column-head")[1].querySelector(".pull").getBoundingClientRect(); return [r.x + r.width / 2, r.y + r.height / 2]');
    $browser->drag($edge, [$edge[0] + 90, $edge[1]])->saved();
    $browser->waitUntil(fn (): bool => abs($wide(1) - $before - 90) < 12, 'the wider column');
    usleep(500_000);
    $browser->drag(onHead($browser, 1, 0.3), onHead($browser, 0, 0.1))->saved();
    $browser->waitUntil(fn (): bool => headsSeen($browser) === ['Topic above', 'Title'], 'the columns in another order');
    // It is there again after another was seen, and after a reload; the map's own table is as it was.
    takeInBar($browser, '.which', 'Of “Season”');
    rowsAre($browser, ['Boats', 'Quay']);
    takeInBar($browser, '.which', 'Ferries');
    rowsAre($browser, ['Boats|Ferry', 'Quay|Ferry slip']);
    $browser->script('location.reload()');
    $browser->waitFor('.table-grid .line');
    rowsAre($browser, ['Boats|Ferry', 'Quay|Ferry slip']);
    expect(abs($wide(0) - $before - 90))->toBeLessThan(12);
    $browser->script('window.got = []; HTMLAnchorElement.prototype.click = function () { window.got.push(this.href) }');
    $browser->press('About this table')->press('Take it out as a file (CSV)');
    $file = (string) $browser->driver->executeAsyncScript('const done = arguments[0]; fetch(window.got[0]).then((answer) => answer.text()).then(done)');
    expect(ltrim($file, "\u{FEFF}"))->toBe("Topic above,Title\r\nBoats,Ferry\r\nQuay,Ferry slip\r\n");
    $browser->press('About this table')->press('Remove this table; its topics stay')->saved();
    rowsAre($browser, ['Boats', 'Quay']);
    $browser->keys('Mod+z')->saved();
    takeInBar($browser, '.which', 'Ferries');
    rowsAre($browser, ['Boats|Ferry', 'Quay|Ferry slip']);
    expect($browser->complaints())->toBe([]);
});

it('lets what a hint lies over be clicked', function () {
    $browser = Studio::lent("Season\n\tBoats")->keys('Alt+3')->waitFor('.table-grid .line:not(.fresh)');
    $at = $browser->script('const r = [...document.querySelectorAll(".table-bar button")].find((one) => one.textContent.trim() === "Add a row").getBoundingClientRect(); return [r.x + r.width / 2, r.y + r.height / 2]');
    $browser->pointer('mouseMoved', ...$at)->waitFor('.n-tooltip');
    $hint = $browser->waitUntil(fn (): bool => (float) $browser->script('return document.querySelector(".n-tooltip").getBoundingClientRect().height') > 20, 'the hint')->script('const r = document.querySelector(".n-tooltip").getBoundingClientRect(); return [r.x + r.width / 2, r.bottom - 12]');
    expect($browser->script('return document.elementFromPoint(...arguments[0]).closest(".table-bar") !== null', $hint))->toBeTrue();
});

it('says what is too long of the rows that are asked for, and leaves the table as it is', function () {
    $browser = Studio::lent("Season\n\tBoats\n\tQuay")->keys('Alt+3')->waitFor('.table-grid .line:not(.fresh)');
    $browser->press('About this table')->press('New table of “Season”')->saved();
    $asked = fn (string $words): Browser => $browser->waitUntil(fn (): bool => (bool) $browser->script('const field = document.querySelector(`[aria-label="Which topics are its rows"]`); field.focus(); field.select(); return document.activeElement === field'), 'the field')->type($words)->keys('Enter');
    $asked(implode(' or ', array_fill(0, 70, 'text a')))->waitFor('.table-bar .wrong');
    expect((string) $browser->script('return document.querySelector(".table-bar .wrong").textContent'))->toContain('at most');
    rowsAre($browser, ['Boats', 'Quay']);
    $asked('text quay')->saved();
    rowsAre($browser, ['Quay']);
    expect($browser->has('.table-bar .wrong'))->toBeFalse();
});

it('lets a to-do go on from lane to lane by how far it is', function () {
    $browser = Studio::lent("Plan\n\tMend nets\n\tTar hull");
    foreach (['Mend nets', 'Tar hull'] as $title) {
        $browser->pick($title)->keys('Mod+Shift+d')->saved()->keys('Mod+Shift+d')->saved();
    }
    $browser->keys('Alt+3')->waitFor('.table-grid .line:not(.fresh)');
    takeInBar($browser, '.by', 'How far');
    inForm($browser, 'Lanes')->waitFor('.lane');
    $lanes = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".lane")].map((lane) => `${lane.querySelector("header strong").textContent}: ${[...lane.querySelectorAll(".card > strong")].map((one) => one.textContent).join(", ")}`)');
    $browser->waitUntil(fn (): bool => array_slice($lanes(), 0, 3) === ['Open: Mend nets, Tar hull', 'Under way: ', 'Done: '], 'the lanes: '.implode(' / ', $lanes()));
    $browser->keys('ArrowDown', 'Mod+ArrowRight')->saved()->waitUntil(fn (): bool => array_slice($lanes(), 0, 3) === ['Open: Mend nets', 'Under way: Tar hull', 'Done: '], 'one under way');
    $browser->keys('Mod+ArrowRight')->saved()->waitUntil(fn (): bool => array_slice($lanes(), 0, 3) === ['Open: Mend nets', 'Under way: ', 'Done: Tar hull'], 'it done');
    expect($browser->complaints())->toBe([]);
});

it('is there at the foot of a phone, and leads back to the outline', function () {
    $browser = Studio::lent("Season\n\tBoats\n\tQuay");
    $browser->size(420, 800);
    try {
        $browser->waitFor('footer.switch')->press('Table')->waitFor('.table-grid .line:not(.fresh)');
        rowsAre($browser, ['Boats', 'Quay']);
        $browser->press('Outline')->waitFor('.outline [aria-selected]');
        expect($browser->has('.table-grid'))->toBeFalse()->and($browser->complaints())->toBe([]);
    } finally {
        $browser->size(1280, 800);
    }
});

it('counts the words of notes at the desk, in a column and on topics', function () {
    $browser = Studio::lent("Story\n\tAt the quay\n\tIn the fog");
    foreach (['At the quay' => 'Ines waits for the boat.', 'In the fog' => 'Nobody answers.'] as $title => $note) {
        $browser->pick($title)->keys('Alt+n')->waitFor('.desk .note-text')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.closest(".note-text") !== null'), 'the caret in the note')->type($note)->keys('Escape')->saved();
    }
    $browser->pick('Story')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".desk .count")?.textContent'), '7 words in notes below'), 'the words below');
    $browser->script('[...document.querySelectorAll(".desk .count .n-checkbox")].at(-1).click()');
    $browser->saved()->waitUntil(fn (): bool => str_contains((string) $browser->script('return [...document.querySelectorAll(".slip")].map((slip) => slip.textContent).join("|")'), '7 words below'), 'the words on the topic above');
    expect((string) $browser->script('return [...document.querySelectorAll(".slip")].map((slip) => slip.textContent).join("|")'))->toContain('5 words')->toContain('2 words');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => ! str_contains((string) $browser->script('return [...document.querySelectorAll(".slip")].map((slip) => slip.textContent).join("|")'), 'words'), 'them gone');
    expect($browser->complaints())->toBe([]);
});

it('follows what is done in another window, in a digest and in the rows', function () {
    $browser = Studio::lent("Season\n\tMend nets\n\tTar hull\n\tOpen");
    $browser->pick('Open')->keys('Mod+Shift+F3')->waitFor('.digest input')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.matches(".digest input")'), 'the field');
    $lines = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".digest .lines li > span")].map((one) => one.firstChild.textContent.trim())');
    $browser->type('text hull')->keys('Enter')->saved()->waitUntil(fn (): bool => $lines() === ['Tar hull'], 'the line');
    $first = $browser->driver->getWindowHandle();
    $address = $browser->driver->getCurrentURL();
    $browser->driver->switchTo()->newWindow();
    $browser->driver->get($address);
    $browser->ready()->keys('Alt+3')->waitFor('.table-grid .line:not(.fresh)');
    rowsAre($browser, ['Mend nets', 'Tar hull', 'Open']);
    $browser->keys('Mod+ArrowUp')->waitUntil(fn (): bool => $browser->has('#cell-0-0.at'), 'the first row')->type('Paint hull')->keys('Enter')->saved();
    rowsAre($browser, ['Paint hull', 'Tar hull', 'Open']);
    $browser->driver->close();
    $browser->driver->switchTo()->window($first);
    $browser->script('window.dispatchEvent(new Event("focus"))');
    $browser->waitUntil(fn (): bool => $lines() === ['Paint hull', 'Tar hull'], 'the other line as well');
    $shown = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".slip text.gathered")].map((one) => one.textContent)');
    $browser->waitUntil(fn (): bool => $shown() === ['Paint hull', 'Tar hull'], 'both on the board: '.implode('|', $shown()), 10);
    $browser->keys('Alt+3')->waitFor('.table-grid .line:not(.fresh)');
    rowsAre($browser, ['Paint hull', 'Tar hull', 'Open']);
    expect($browser->complaints())->toBe([]);
});

it('lets one find and replace in the rows, which follow at once', function () {
    $browser = Studio::lent("Season\n\tFerry\n\tQuay\n\tFerry slip")->keys('Alt+3')->waitFor('.table-grid .line:not(.fresh)');
    rowsAre($browser, ['Ferry', 'Quay', 'Ferry slip']);
    $browser->keys('Mod+Alt+f')->waitFor("input[aria-label='Find']")->type('Ferry');
    $browser->waitUntil(fn (): bool => $browser->count('.hit') === 2, 'both hits');
    $browser->find("input[aria-label='Replace with']")->sendKeys('Boat');
    $browser->press('Replace 2')->saved();
    rowsAre($browser, ['Boat', 'Quay', 'Boat slip']);
    $browser->script('document.querySelector(".table-grid").focus()');
    $browser->keys('Mod+z')->saved();
    rowsAre($browser, ['Ferry', 'Quay', 'Ferry slip']);
    expect($browser->complaints())->toBe([]);
});
