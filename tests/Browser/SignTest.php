<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/** The story of a ferry: two groups, and one who is in neither. */
function story(): Browser
{
    $browser = Studio::browser()->newMap();
    $browser->type('The night ferry')->keys('Tab')->type('On board')->keys('Tab')->type('Tove')->keys('Enter')->type('Ines')->keys('Shift+Tab')->saved();
    $browser->type('On the quay')->keys('Tab')->type('Wren')->keys('Enter')->type('Bram')->keys('Mod+Enter')->saved();

    return $browser;
}

/** @return list<string> the stamps of a topic as the board has them */
function stampsOn(Browser $browser, string $title): array
{
    return (array) $browser->script('return [...document.querySelectorAll(`.board [data-topic="${arguments[0]}"] [data-touch^="stamp:"]`)].map((one) => one.dataset.touch)', $browser->topic($title));
}

/** @return list<string> */
function tagsOn(Browser $browser, string $title): array
{
    return (array) $browser->script('return [...document.querySelectorAll(`.board [data-topic="${arguments[0]}"] text.tag`)].map((one) => one.textContent)', $browser->topic($title));
}

/** @return list<string> the titles of the topics that stand back */
function standingBack(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll(".board .slip.dimmed")].map((one) => [...one.querySelectorAll("text.title")].map((line) => line.textContent).join(" ")).sort()');
}

it('puts stamps on by keys, says what they mean, and shows where they are', function () {
    $browser = story();
    $browser->pick('Tove');
    $browser->keys('Alt+6')->waitFor('.stamps .stamp')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.activeElement.className'), 'stamp'), 'the stamps');
    // The fifth and the first, which stand in their own order.
    $browser->keys('5', '1')->saved()->waitUntil(fn (): bool => stampsOn($browser, 'Tove') === ['stamp:done', 'stamp:idea'], 'two stamps');
    expect($browser->script('return document.querySelector(".tray .offer input").placeholder'))->toContain('“done”');
    $browser->script('document.querySelector(".tray .offer input").focus()');
    $browser->type('has crossed before')->keys('Enter')->saved()->waitUntil(fn (): bool => ! $browser->has('.tray .offer'), 'the offer to go');
    // What has a meaning is not asked about again.
    $browser->pick('Wren')->keys('Alt+6');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.activeElement.className'), 'stamp'), 'the stamps');
    $browser->keys('1')->saved()->waitUntil(fn (): bool => stampsOn($browser, 'Wren') === ['stamp:done'], 'a stamp');
    expect($browser->has('.tray .offer'))->toBeFalse();
    $browser->keys('Alt+0')->waitFor('.legend .only');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".legend ul").innerText'), '2'), 'two of them');
    expect($browser->script('return document.querySelector(".legend input[aria-label=\'What done means\']").value'))->toBe('has crossed before');
    // By keys alone: to the line, and the map is narrowed to it.
    $browser->script('document.querySelector(".legend .only").focus()');
    $browser->keys('Enter')->waitUntil(fn (): bool => standingBack($browser) === ['Bram', 'Ines', 'On board', 'On the quay', 'The night ferry'], 'the others to stand back');
    $browser->keys('Enter')->waitUntil(fn (): bool => standingBack($browser) === [], 'all again');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.legend .only'), 'the legend to go');
    // Stamps off again, one by one and all at once.
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => stampsOn($browser, 'Wren') === [], 'undone');
    $browser->pick('Tove')->act('Take all stamps off')->waitUntil(fn (): bool => stampsOn($browser, 'Tove') === [], 'none');
    expect($browser->complaints())->toBe([]);
});

it('puts stamps on by the mouse: by click on several, by drag, by the menu, and off at the desk', function () {
    $browser = story();
    $browser->press('Stamps');
    $browser->waitFor('.stamps .stamp');
    $browser->pick('Tove')->pick('Ines', 2);
    $browser->press('Stamp likes');
    $browser->saved()->waitUntil(fn (): bool => stampsOn($browser, 'Tove') === ['stamp:likes'] && stampsOn($browser, 'Ines') === ['stamp:likes'], 'hearts');
    $stamp = (array) $browser->script('const { x, y, width, height } = document.querySelector("[aria-label=\'Stamp dislikes\']").getBoundingClientRect(); return [x + width / 2, y + height / 2]');
    $bram = $browser->boxOf('Bram');
    $browser->drag($stamp, [$bram['x'] + $bram['w'] / 2, $bram['y'] + $bram['h'] / 2])->saved();
    $browser->waitUntil(fn (): bool => stampsOn($browser, 'Bram') === ['stamp:dislikes'] && stampsOn($browser, 'Tove') === ['stamp:likes'], 'the dragged one');
    // A menu over a stamp is that of its topic.
    $browser->pick('Wren')->menuOn('Wren')->waitFor('.n-dropdown-menu');
    $browser->press('Put a stamp on');
    $browser->press('Stamp: warning')->saved()->waitUntil(fn (): bool => stampsOn($browser, 'Wren') === ['stamp:warning'], 'from the menu');
    $browser->press('Take the stamp warning off')->saved()->waitUntil(fn (): bool => stampsOn($browser, 'Wren') === [], 'taken off at the desk');
    // Pointing at one tells what it means.
    $heart = (array) $browser->script('const { x, y, width, height } = document.querySelector(`.board [data-topic="${arguments[0]}"] [data-touch="stamp:likes"]`).getBoundingClientRect(); return [x + width / 2, y + height / 2]', $browser->topic('Ines'));
    $browser->pointer('mouseMoved', $heart[0], $heart[1]);
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".stamp-hint")?.innerText') === 'likes', 'what it is');
    expect($browser->complaints())->toBe([]);
});

it('has numbers and letters among the stamps, of which a topic has one each', function () {
    $browser = story();
    $browser->pick('Tove')->press('Stamps');
    $browser->press('Stamp second');
    $browser->saved()->press('Stamp first');
    $browser->saved()->waitUntil(fn (): bool => stampsOn($browser, 'Tove') === ['stamp:1'], 'the first');
    $browser->script('document.querySelector("[aria-label=\'Stamp of a letter\']").focus()');
    $browser->type('k')->keys('Enter')->saved()->waitUntil(fn (): bool => stampsOn($browser, 'Tove') === ['stamp:1', 'stamp:K'], 'a letter');
    expect($browser->script('return [...document.querySelectorAll(`.board [data-topic="${arguments[0]}"] text.stamp`)].at(-1).textContent', $browser->topic('Tove')))->toBe('K')
        ->and($browser->complaints())->toBe([]);
});

it('types tags with completion, and changes them for the whole map', function () {
    $browser = story();
    $browser->pick('Tove')->pick('Bram', 2);
    $browser->keys('Alt+7')->waitUntil(fn (): bool => $browser->script('return document.activeElement.ariaLabel ?? document.activeElement.getAttribute("aria-label")') === 'Tag', 'the field');
    $browser->type('can row')->keys('Enter')->saved()->waitUntil(fn (): bool => tagsOn($browser, 'Tove') === ['can row'] && tagsOn($browser, 'Bram') === ['can row'], 'a tag on both');
    $browser->pick('Wren')->keys('Alt+7');
    usleep(300_000);
    // What is known is offered, and taken by the arrow.
    $browser->type('row')->waitUntil(fn (): bool => $browser->has('.n-base-select-option'), 'what is known');
    $browser->keys('ArrowDown', 'Enter')->saved()->waitUntil(fn (): bool => tagsOn($browser, 'Wren') === ['can row'], 'the tag that is known');
    expect($browser->count('.tray .one'))->toBe(1);
    $browser->pick('Wren');
    $browser->script('document.querySelector(".desk input[aria-label=\'Add a tag\']").focus()');
    $browser->type('rows')->keys('Enter')->saved()->waitUntil(fn (): bool => tagsOn($browser, 'Wren') === ['can row', 'rows'], 'another tag');
    // Renamed to the name of the other, the two are one.
    $browser->press('Change the tag rows');
    $browser->script('const field = document.querySelector("[aria-label=\'Name of the tag\']"); field.focus(); field.select()');
    $browser->type('Can row')->keys('Enter')->saved()->waitUntil(fn (): bool => tagsOn($browser, 'Wren') === ['can row'] && $browser->count('.tray .one') === 1, 'one tag');
    $browser->press('Change the tag can row');
    $browser->script('const field = document.querySelector("[aria-label=\'Name of the tag\']"); field.focus(); field.select()');
    $browser->type('at the oars')->keys('Enter')->saved()->waitUntil(fn (): bool => tagsOn($browser, 'Tove') === ['at the oars'] && tagsOn($browser, 'Bram') === ['at the oars'], 'its new name everywhere');
    $browser->press('Shown on topics');
    $browser->saved()->waitUntil(fn (): bool => tagsOn($browser, 'Tove') === [], 'hidden');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => tagsOn($browser, 'Tove') === ['at the oars'], 'shown again');
    $browser->press('Take the tag at the oars off');
    $browser->saved()->waitUntil(fn (): bool => tagsOn($browser, 'Wren') === [], 'off');
    expect($browser->complaints())->toBe([]);
});

it('lets the legend stand on the board, be moved, and be clicked, and keeps it over a reload', function () {
    $browser = story();
    $browser->pick('Tove')->press('Stamps');
    $browser->press('Stamp idea')->saved();
    $browser->keys('Alt+0')->waitFor('.legend .only');
    $browser->press('Stands on the board and in what is handed over');
    $browser->saved()->waitUntil(fn (): bool => $browser->has('.board .mark [data-touch="stamp:idea"]'), 'the legend on the board');
    $browser->press('Close')->press('Show all');
    usleep(500_000);
    $line = (array) $browser->script('const { x, y, width, height } = document.querySelector(".board .mark [data-touch=\'stamp:idea\'] path").getBoundingClientRect(); return [x + width / 2, y + height / 2]');
    $browser->drag($line, $line)->waitUntil(fn (): bool => count(standingBack($browser)) === 6, 'the others to stand back');
    expect($browser->script('return document.querySelector(".narrowed").innerText'))->toContain('on 1 topic');
    $browser->press('Show everything again')->waitUntil(fn (): bool => standingBack($browser) === [], 'all again');
    $head = fn (): array => (array) $browser->script('const { x, y, width, height } = document.querySelector(".legend-handle .head").getBoundingClientRect(); return [x + width / 2, y + height / 2]');
    [$x, $y] = $head();
    $browser->drag([$x, $y], [$x + 120, $y - 60])->saved()->waitUntil(fn (): bool => abs($head()[0] - $x - 120) < 3 && abs($head()[1] - $y + 60) < 3, 'the legend where it was put');
    $browser->visit((string) $browser->script('return location.pathname'))->ready()->waitFor('.board .mark [data-touch="stamp:idea"]');
    expect($browser->complaints())->toBe([]);
});

it('gives chalks and shapes a meaning too', function () {
    $browser = story();
    $browser->keys('Alt+0')->waitFor('.legend');
    $browser->script('document.querySelector(".legend .add .n-base-selection").click()');
    $browser->waitFor('.n-base-select-option');
    $browser->script('[...document.querySelectorAll(".n-base-select-option")].find((one) => one.innerText === "Chalk: tide").click()');
    $browser->script('document.querySelector(".legend [aria-label=\'What it means\']").focus()');
    $browser->type('on the water')->keys('Enter')->saved();
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".legend ul").innerText'), '3'), 'three topics of that chalk');
    $browser->press('Show only on the water, 3')->waitUntil(fn (): bool => standingBack($browser) === ['Bram', 'On the quay', 'The night ferry', 'Wren'], 'the other branch to stand back');
    expect($browser->complaints())->toBe([]);
});
