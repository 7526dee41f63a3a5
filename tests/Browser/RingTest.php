<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/** A class chart on which everything is in view. */
function classChart(): Browser
{
    $browser = Studio::browser()->newMap();
    $browser->type('Class 7b')->keys('Tab')->type('Sails')->keys('Tab')->type('Ines')->keys('Enter')->type('Bram')->keys('Shift+Tab')->type('Paper')->keys('Tab')->type('Olu')->keys('Shift+Tab')->type('Ferry')->keys('Mod+Enter')->saved();
    $browser->act('Arrange the map rightward')->saved();
    $browser->script('document.querySelector("[data-focus=board]").focus()');

    return $browser->press('Show all')->waitUntil(fn (): bool => ! $browser->has('.moving'), 'all in view');
}

/** @return list<string> the names of the rings on the board */
function ringNames(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll(".board .mark")].filter((mark) => mark.querySelector("[data-touch^=\"ring:\"]")).map((mark) => mark.querySelector("text.name")?.textContent ?? "").sort()');
}

/** @return list<string> below which topics the outline says so of which ring */
function ringLines(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll(".outline .tied")].map((one) => one.textContent.trim())');
}

/** @return array{float, float} a point of the window on the upper line of the ring with this name */
function onRing(Browser $browser, string $name): array
{
    return (array) $browser->script('
        const mark = [...document.querySelectorAll(".board .mark")].find((one) => one.querySelector("text.name")?.textContent === arguments[0])
        const path = mark.querySelector("path.line")
        const all = path.getTotalLength()
        let best = null
        for (let at = 0; at < all; at += 4) {
            const point = path.getPointAtLength(at).matrixTransform(path.getScreenCTM())
            if (document.elementFromPoint(point.x, point.y)?.closest("[data-touch^=\"ring:\"]") && (best === null || point.y > best[1])) best = [point.x, point.y]
        }
        return best', $name);
}

function clickAt(Browser $browser, array $at, int $times = 1): Browser
{
    foreach (range(1, $times) as $count) {
        $browser->pointer('mousePressed', $at[0], $at[1], ['button' => 'left', 'clickCount' => $count])->pointer('mouseReleased', $at[0], $at[1], ['button' => 'left', 'clickCount' => $count]);
    }

    return $browser;
}

it('draws a ring around what is chosen, names it, and chooses, changes and removes it by keys', function () {
    $browser = classChart();
    $browser->pick('Ines')->keys('Shift+ArrowDown', 'Alt+Shift+6')->waitFor('.ring-name')->type('choir')->keys('Enter')->saved();
    $browser->waitUntil(fn (): bool => ringNames($browser) === ['choir'], 'the ring with its name');
    expect(ringLines($browser))->toBe(['○ choir', '○ choir'])->and($browser->count('.mark.chosen'))->toBe(1);
    $browser->keys('Enter')->waitFor('.ring-name')->type('the choir')->keys('Enter')->saved()->waitUntil(fn (): bool => ringNames($browser) === ['the choir'], 'another name');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.mark.chosen'), 'a topic chosen');
    $browser->keys('Alt+Shift+7')->waitFor('.mark.chosen');
    $browser->keys('ArrowDown')->waitUntil(fn (): bool => $browser->script('return document.querySelector(".desk h2").textContent') === '2 topics chosen', 'what is in it');
    $browser->keys('Alt+Shift+7')->waitFor('.mark.chosen')->keys('Delete')->saved()->waitUntil(fn (): bool => ringNames($browser) === [] && ringLines($browser) === [], 'none');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => ringNames($browser) === ['the choir'], 'it again');
    // A letter that is typed in a ring's name is its own; Escape leaves the ring without a name.
    $browser->pick('Ferry')->keys('Alt+Shift+6')->waitFor('.ring-name')->type('no')->keys('Escape')->saved()->waitUntil(fn (): bool => ringNames($browser) === ['', 'the choir'], 'one without a name');
    $browser->visit((string) $browser->script('return location.pathname'))->waitFor('.mark text.name');
    expect(ringNames($browser))->toBe(['', 'the choir'])->and($browser->complaints())->toBe([]);
});

it('chooses a ring by a click, names it by two, and has topics put in and taken out by the hand', function () {
    $browser = classChart();
    $browser->pick('Ines')->pick('Bram', 2)->press('Draw a ring around it')->waitFor('.ring-name')->type('choir')->keys('Enter')->saved()->waitUntil(fn (): bool => ringNames($browser) === ['choir'], 'the ring');
    $browser->pick('Paper')->waitUntil(fn (): bool => ! $browser->has('.mark.chosen'), 'a topic chosen');
    clickAt($browser, onRing($browser, 'choir'))->waitFor('.mark.chosen');
    expect($browser->script('return document.querySelector(".desk h2").textContent'))->toBe('Ring');
    $browser->press('Tint')->saved()->waitFor('.mark path.fill');
    $browser->press('Dots')->saved()->waitUntil(fn (): bool => $browser->script('return document.querySelector(".mark path.line").style.strokeDasharray') !== 'none', 'dots');
    clickAt($browser, onRing($browser, 'choir'), 2)->waitFor('.ring-name')->type('singers')->keys('Enter')->saved()->waitUntil(fn (): bool => ringNames($browser) === ['singers'], 'its other name');
    // Dropped on its line a topic is in it; the desk takes it out again.
    $box = $browser->boxOf('Olu');
    $browser->drag([$box['x'] + 20, $box['y'] + $box['h'] / 2], onRing($browser, 'singers'))->saved();
    $browser->waitUntil(fn (): bool => ringLines($browser) === ['○ singers', '○ singers', '○ singers'], 'three in it');
    $browser->pick('Olu')->waitFor('.desk [aria-label="In ring singers"]');
    $browser->script('document.querySelector(".desk [aria-label=\"In ring singers\"]").click()');
    $browser->saved()->waitUntil(fn (): bool => ringLines($browser) === ['○ singers', '○ singers'], 'two in it');
    $browser->script('[...document.querySelectorAll(".outline .tied")][0].click()');
    $browser->waitFor('.mark.chosen')->press('Remove')->saved()->waitUntil(fn (): bool => ringNames($browser) === [], 'none');
    expect($browser->complaints())->toBe([]);
});

it('draws a brace whose topic is typed at once, branches on, and is dragged over more', function () {
    $browser = classChart();
    $ends = fn (): string => (string) $browser->script('return [...document.querySelectorAll(".outline .line")].find((line) => line.querySelector(".brace-sign"))?.querySelector("title").textContent ?? ""');
    $browser->pick('Sails')->keys('Shift+ArrowDown', 'Mod+Shift+b')->waitFor('.title-editor')->type('The two')->keys('Tab')->type('build')->keys('Mod+Enter')->saved();
    expect($browser->outline())->toBe(['Class 7b', '  Sails', '    Ines', '    Bram', '  Paper', '    Olu', '  The two', '    build', '  Ferry'])
        ->and($ends())->toBe('brace from Sails to Paper');
    // Beyond all that it spans.
    [$brace, $ines] = [$browser->boxOf('The two'), $browser->boxOf('Ines')];
    expect($brace['x'])->toBeGreaterThan($ines['x'] + $ines['w']);
    $browser->pick('The two')->waitFor('.brace-end');
    $end = (array) $browser->script('const box = document.querySelectorAll(".brace-end")[1].getBoundingClientRect(); return [box.x + box.width / 2, box.y + box.height / 2]');
    $ferry = $browser->boxOf('Ferry');
    $browser->drag($end, [$end[0], $ferry['y'] + $ferry['h'] / 2])->saved()->waitUntil(fn (): bool => $ends() === 'brace from Sails to Ferry', 'all three');
    $browser->act('Brace: one fewer at its beginning')->saved()->waitUntil(fn (): bool => $ends() === 'brace from Paper to Ferry', 'two of them');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => $ends() === 'brace from Sails to Ferry', 'all three again');
    // Its line is clicked like its topic.
    $browser->pick('Olu')->waitUntil(fn (): bool => ! $browser->has('.brace-end'), 'another topic');
    $at = (array) $browser->script('const path = document.querySelector(".brace-line"); const at = path.getPointAtLength(path.getTotalLength() * 0.2).matrixTransform(path.getScreenCTM()); return [at.x, at.y]');
    clickAt($browser, $at)->waitFor('.brace-end');
    $browser->act('Take the brace away, keep its topic')->saved()->waitUntil(fn (): bool => $ends() === '' && in_array('  The two', $browser->outline(), true), 'a topic as any other');
    // Given no title it never was.
    $browser->pick('Sails')->keys('Mod+Shift+b')->waitFor('.title-editor')->keys('Escape')->saved()->waitUntil(fn (): bool => $ends() === '' && count($browser->outline()) === 9, 'no brace');
    expect($browser->complaints())->toBe([]);
});
