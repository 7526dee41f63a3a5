<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

function shaped(Browser $browser, array $lines): void
{
    $browser->saved()->waitUntil(fn (): bool => $browser->outline() === $lines, json_encode($lines).', not '.json_encode($browser->outline()), 6);
    expect($browser->outline())->toBe($lines);
}

/** Chooses several topics by the mouse. */
function chooseAll(Browser $browser, string ...$titles): void
{
    // What has just been moved is still on its way.
    usleep(350_000);
    foreach ($titles as $i => $title) {
        $browser->pick($title, $i === 0 ? 0 : 2);
    }
    $browser->waitUntil(fn (): bool => $browser->count('.slip.chosen') === count($titles), 'all to be chosen');
}

it('changes the shape from the menu, without a key', function () {
    $browser = openOutline("Plan\n\tA\n\t\tA1\n\t\tA2\n\tB\n\tC\n");
    chooseAll($browser, 'B', 'C');
    $browser->press('Shape')->press('Put a new parent above each')->saved();
    shaped($browser, ['Plan', '  A', '    A1', '    A2', '  Untitled', '    B', '  Untitled', '    C']);
    $browser->press('Undo');
    shaped($browser, ['Plan', '  A', '    A1', '    A2', '  B', '  C']);
    $browser->pick('A');
    $browser->press('Shape')->press('Lift what is below beside it');
    shaped($browser, ['Plan', '  A', '  A1', '  A2', '  B', '  C']);
    chooseAll($browser, 'A', 'A1');
    expect($browser->script('return document.querySelector(".desk").innerText'))->toContain('2 topics chosen');
    $browser->press('Join into one')->waitFor('.change .items li');
    $browser->press('A comma');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".change .items").innerText'), 'A, A1'), 'the comma');
    $browser->find('.change button[type=submit]')->click();
    shaped($browser, ['Plan', '  A, A1', '  A2', '  B', '  C']);
    $browser->pick('A2');
    $browser->press('Shape')->press('Move below another topic, by name')->waitFor('.move li');
    $browser->script('[...document.querySelectorAll(".move li")].find(l => l.innerText.startsWith("B")).click()');
    shaped($browser, ['Plan', '  A, A1', '  B', '    A2', '  C']);
    $browser->pick('A2')->keys('Tab')->type('Deep')->keys('Mod+Enter')->saved();
    $browser->pick('A2');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".desk").innerText'), 'It stands alone on its level'), 'the word about the level');
    $browser->press('Remove this level');
    shaped($browser, ['Plan', '  A, A1', '  B', '    Deep', '  C']);
    $browser->pick('B');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".note-text")?.innerText.trim()') === 'A2', 'the text of the level in the note');
    expect($browser->complaints())->toBe([]);
});

it('sends text between title, caption and note, and tidies it', function () {
    $browser = openOutline("Plan\n\tlong words here\n\tB\n");
    $browser->pick('long words here');
    $browser->press('Shape')->press('Send text to another place')->waitFor('.change .items li');
    $browser->script('[...document.querySelectorAll(".change .option")][1].querySelectorAll(".n-radio")[1].click()');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".change .items").innerText'), '(empty)'), 'what would be empty');
    $browser->press('Send text to another place')->saved();
    $browser->waitUntil(fn (): bool => $browser->count('.slip text.caption') === 1, 'the caption');
    chooseAll($browser, 'B');
    $browser->press('Shape')->press('Tidy the text')->waitFor('.change');
    $browser->press('all small letters');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".change .items").innerText'), 'b'), 'the small letter');
    $browser->press('Tidy the text');
    shaped($browser, ['Plan', '  Untitled', '  b']);
});

it('numbers a branch with another style for each level, from a number', function () {
    $browser = openOutline("Plan\n\tA\n\t\tA1\n\t\tA2\n\tB\n");
    $browser->pick('Plan');
    $browser->press('Shape')->press('Number what is below')->waitFor('.change');
    $browser->press('Another style for each level');
    $browser->waitFor(".change input[type='text']");
    usleep(400_000);
    $browser->press('Number what is below')->saved();
    $numbers = fn (): string => (string) $browser->script('return [...document.querySelectorAll(".number")].map(n => n.innerText).join(" ")');
    $browser->waitUntil(fn (): bool => $numbers() === 'A. 1. 2. B.', 'the numbers, not '.$numbers());
    $browser->press('Change')->waitFor('.change');
    $browser->press('No numbers');
    usleep(400_000);
    $browser->press('Number what is below')->saved();
    $browser->waitUntil(fn (): bool => $numbers() === '', 'no numbers');
    expect($browser->outline())->toBe(['Plan', '  A', '    A1', '    A2', '  B']);
});

it('folds to a level, folds the others, and unfolds one level more', function () {
    $browser = openOutline("Plan\n\tA\n\t\tA1\n\t\t\tdeep\n\tB\n\t\tB1\n");
    $drawn = fn (int $count) => $browser->waitUntil(fn (): bool => $browser->count('.slip') === $count, "{$count} slips, not {$browser->count('.slip')}");
    $browser->pick('Plan');
    $browser->press('View')->press('Show to level 1')->saved();
    $drawn(3);
    $browser->keys('Alt+Shift+u')->saved();
    $drawn(5);
    $browser->pick('A1');
    $browser->press('View')->press('Show to level 3')->saved();
    $drawn(6);
    $browser->pick('A1');
    $browser->press('View')->press('Fold all others')->saved();
    $drawn(5);
    expect($browser->outline())->toContain('    B1');
});

it('pastes as paragraphs, as one topic, or into the caption', function () {
    $browser = openOutline("Plan\n\tA\n");
    $text = "One line\nand its rest.\n\nAnother:\nwith more\nDone:\nat last";
    $paste = function (string $on, string $as) use ($browser, $text): void {
        $browser->pick($on);
        $browser->script('const d = new DataTransfer(); d.setData("text/plain", arguments[0]); document.activeElement.dispatchEvent(new ClipboardEvent("paste", {clipboardData: d, bubbles: true, cancelable: true}))', $text);
        $browser->waitFor('.paste .line')->press($as)->press('Land it')->saved();
        usleep(250_000);
    };
    $paste('A', 'One topic a paragraph');
    shaped($browser, ['Plan', '  A', '    One line and its rest.', '    Another: with more Done: at last']);
    $browser->press('Undo')->saved();
    shaped($browser, ['Plan', '  A']);
    $paste('A', 'One topic');
    shaped($browser, ['Plan', '  A', '    One line and its rest. Another: with more Done: at last']);
    $browser->press('Undo')->saved();
    shaped($browser, ['Plan', '  A']);
    $paste('A', 'Into the caption');
    $browser->waitUntil(fn (): bool => str_starts_with((string) $browser->script('return document.querySelector("input[aria-label=Caption]").value'), 'One line and its rest.'), 'the caption');
});

it('parks, moves out of the lot and removes by its buttons, and keeps the count right', function () {
    $browser = openOutline("Plan\n\tA\n\t\tA1\n\tB\n");
    chooseAll($browser, 'A1', 'B');
    $browser->press('Park for another time');
    shaped($browser, ['Plan', '  A']);
    $count = fn (): string => (string) $browser->script('return document.querySelector(".bar [aria-label^=Parking]")?.innerText.replace(/\D/g, "") ?? ""');
    expect($count())->toBe('2');
    $browser->press('Parking lot, 2 parked')->waitFor('.lot li');
    $browser->pick('A');
    $browser->script('[...document.querySelectorAll(".lot li")].find(l => l.innerText.startsWith("B")).querySelectorAll("button")[1].click()');
    shaped($browser, ['Plan', '  A', '    B']);
    $browser->script('document.querySelector(".lot li").querySelectorAll("button")[2].click()');
    $browser->waitUntil(fn (): bool => $browser->count('.lot li') === 0 && $count() === '', 'an empty lot');
    $browser->press('Undo')->saved();
    $browser->waitUntil(fn (): bool => $browser->count('.lot li') === 1 && $count() === '1', 'what was removed to be back in the lot');
    $browser->press('Close');
    expect(Studio::server()->artisan('map:export', explode('/', (string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))[2], '--to=txt'))->toBe("Plan\n\tA\n\t\tB\n");
});

it('breaks a title at the caret by the mouse, while it is typed', function () {
    $browser = openOutline("Plan\n\tonetwo\n");
    $browser->pick('onetwo');
    $browser->press('Change the title')->waitFor('.title-editor');
    // The editor sets its selection once more when it has just come up.
    usleep(150_000);
    $browser->keys('Home', 'ArrowRight', 'ArrowRight', 'ArrowRight');
    $browser->press('Break in two at the caret');
    $browser->waitFor('.title-editor')->keys('Mod+Enter');
    shaped($browser, ['Plan', '  one', '  two']);
});

it('copies and cuts from the context menu', function () {
    $browser = openOutline("Plan\n\tA\n\tB\n");
    $browser->pick('A');
    $browser->menuOn('A')->press('Cut');
    shaped($browser, ['Plan', '  B']);
    $browser->pick('B');
    $browser->keys('Mod+v');
    shaped($browser, ['Plan', '  B', '    A']);
});

it('goes into the second view and out again by F6, and pastes there', function () {
    $browser = openOutline("Plan\n\tA\n\tB\n");
    $browser->pick('A');
    $browser->keys('Mod+c');
    usleep(600_000);
    $browser->keys('Alt+Shift+v')->waitFor('iframe');
    $inside = 'const d = document.querySelector("iframe").contentDocument;';
    $browser->waitUntil(fn (): bool => $browser->script("{$inside} return d?.querySelectorAll('.slip').length === 3"), 'the second view');
    $browser->pick('B');
    $at = fn (): string => (string) $browser->script('return document.activeElement.dataset.focus ?? document.activeElement.tagName');
    $browser->keys('F6');
    expect($at())->toBe('second')->and($browser->script("{$inside} return d.activeElement.dataset.focus"))->toBe('board');
    $browser->driver->switchTo()->frame(0);
    $browser->keys('Home', 'Mod+v', 'F6');
    $browser->driver->switchTo()->defaultContent();
    expect($at())->toBe('outline');
    shaped($browser, ['Plan', '  A', '  B', '  A']);
    $browser->press('Close this view');
});
