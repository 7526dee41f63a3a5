<?php

declare(strict_types=1);

use Tests\Browser\Studio;

it('keeps the frame of the board still, and what is typed whole in view', function () {
    $browser = Studio::browser()->newMap()->type('Edge')->keys('Mod+Enter');
    for ($i = 0; $i < 9; $i++) {
        $browser->keys('Tab')->type("Step {$i} away from the root")->keys('Mod+Enter');
    }
    $browser->keys('Tab')->type(str_repeat('a long title that goes on and on ', 6));
    usleep(500_000);
    $at = $browser->script('const b = document.querySelector(".board"), e = document.querySelector(".typing-slip").getBoundingClientRect(), f = b.getBoundingClientRect(); b.scrollLeft = 50; return {scroll: b.scrollLeft + b.scrollTop, left: e.left - f.left, top: e.top - f.top, right: f.right - e.right, bottom: f.bottom - e.bottom}');
    expect($at['scroll'])->toBe(0)
        ->and(min($at['left'], $at['top'], $at['right'], $at['bottom']))->toBeGreaterThanOrEqual(0);
    $browser->keys('Mod+Enter')->saved();
});

it('types letters that need AltGr or Option, and does nothing else with them', function (string $key, string $code, bool $isMac) {
    $browser = Studio::browser();
    if ($isMac) {
        $browser->tools('Emulation.setUserAgentOverride', ['userAgent' => $browser->script('return navigator.userAgent'), 'platform' => 'MacIntel']);
    }
    try {
        $browser->visit('/')->waitFor('.library')->newMap()->type('Typing');
        $press = 'const e = new KeyboardEvent("keydown", {key: arguments[0], code: arguments[1], altKey: arguments[2], modifierAltGraph: !arguments[2], bubbles: true, cancelable: true}); (document.activeElement ?? document.body).dispatchEvent(e); return e.defaultPrevented';
        expect($browser->script($press, $key, $code, $isMac))->toBeFalse()
            ->and($browser->has('.title-editor'))->toBeTrue()->and($browser->has('.lot'))->toBeFalse();
        $browser->keys('Mod+Enter');
        usleep(200_000);
        if (! $isMac) {
            // On a topic such a letter begins its title.
            $browser->script($press, $key, $code, false);
            $browser->waitFor('.title-editor');
            expect($browser->find('.title-editor')->getText())->toBe($key);
        }
    } finally {
        if ($isMac) {
            $browser->tools('Emulation.setUserAgentOverride', ['userAgent' => $browser->script('return navigator.userAgent'), 'platform' => 'Linux x86_64']);
            $browser->visit('/');
        }
    }
})->with([['ł', 'KeyL', false], ['@', 'KeyL', true], ['ż', 'KeyZ', false], ['π', 'KeyP', true]]);

it('types a map of twenty topics on three levels with letters, Enter, Tab and Shift+Tab alone', function () {
    $browser = Studio::browser()->newMap()->type('Fair')->keys('Tab');
    $expected = ['Fair'];
    foreach (['Stalls', 'Music', 'Boats'] as $i => $branch) {
        $browser->type($branch);
        $expected[] = "  {$branch}";
        // The first subtopic of one: Tab from the filled one; of another: Enter, and Tab on the empty one.
        $browser->keys(...($i === 1 ? ['Enter', 'Tab'] : ['Tab']));
        foreach (range(1, $i === 2 ? 6 : 5) as $n) {
            $browser->type("{$branch} {$n}");
            $expected[] = "    {$branch} {$n}";
            if ($n < 5 || ($i === 2 && $n === 5)) {
                $browser->keys('Enter');
            }
        }
        if ($i < 2) {
            // Out again: from the filled one, or from an empty one begun by Enter.
            $browser->keys(...($i === 0 ? ['Shift+Tab'] : ['Enter', 'Shift+Tab']));
        }
    }
    $browser->keys('Enter', 'Enter')->saved();
    expect($browser->outline())->toBe($expected)->and($expected)->toHaveCount(20);

    // One key to the parent, on either side, from the outline as from the board.
    foreach (['board', 'outline'] as $region) {
        $browser->script('document.querySelector(`[data-region=${arguments[0]}]`).focus()', $region);
        $browser->keys('Home');
        foreach (['Stalls 3', 'Boats 2'] as $title) {
            $browser->script('const l = [...document.querySelectorAll(".outline [role=treeitem]")].find(l => l.innerText.includes(arguments[0])); l.dispatchEvent(new PointerEvent("pointerdown", {bubbles: true, button: 0})); window.dispatchEvent(new PointerEvent("pointerup"))', $title);
            $browser->script('document.querySelector(`[data-region=${arguments[0]}]`).focus()', $region);
            $browser->keys('Shift+Tab');
            $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".desk h2")?.innerText') === explode(' ', $title)[0], 'the parent');
        }
    }
});

it('opens a map by its name, walks with its tools in one row, and speaks of single levels only where there is something to gain', function () {
    $browser = Studio::browser();
    $browser->bringCard("Volunteers' meeting log")->script('[...document.querySelectorAll(".card a.name")].find(a => a.innerText.includes("Volunteers")).click()');
    $browser->ready()->keys('F9')->waitFor('.walk');
    expect($browser->script('return document.querySelector(".walk").getBoundingClientRect().height'))->toBeLessThan(60);
    $browser->keys('Escape', 'Alt+l')->waitFor('.library')->newMap()->type('Levels')->keys('Tab')->type('Only one');
    expect($browser->script('return document.querySelector(".desk").innerText'))->not->toContain('stands alone');
    $browser->keys('Mod+Enter');
    expect($browser->script('return document.querySelector(".desk").innerText'))->not->toContain('stands alone');
    $browser->keys('Tab')->type('Below');
    expect($browser->script('return document.querySelector(".desk").innerText'))->not->toContain('level');
    $browser->keys('Mod+Enter', 'Shift+Tab');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".desk").innerText'), 'stands alone'), 'the hint');
    $browser->press('Leave it so in this map');
    $browser->waitUntil(fn (): bool => ! str_contains((string) $browser->script('return document.querySelector(".desk").innerText'), 'stands alone'), 'no hint');
});

it('says to those who listen what others see', function () {
    $browser = Studio::browser()->newMap()->type('Heard')->keys('Tab')->type('First')->keys('Enter')->type('Second')->keys('Mod+Enter')->saved();
    $said = fn (): string => (string) $browser->script('return [...document.querySelectorAll("[role=status]")].map(e => e.textContent).join("|")');
    $browser->waitUntil(fn (): bool => str_contains($said(), 'Second, 2 of 2 below Heard'), 'where one is');
    $browser->keys('Shift+Tab');
    $browser->waitUntil(fn (): bool => str_contains($said(), 'Heard, root, 2 subtopics'), 'the next one');
    $browser->keys('Mod+c');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.getElementById("polite").textContent'), 'Copied'), 'the message');
    expect($browser->script('return [...document.querySelectorAll("[aria-hidden=true] [role]")].length'))->toBe(0);
});

it('draws fields and what cannot be used now with contrast enough', function (string $board) {
    $browser = Studio::browser();
    $browser->script('localStorage.setItem("chalk-board", arguments[0])', $board);
    $browser->visit('/')->waitFor('.library')->newMap()->type('Contrast')->keys('Mod+Enter')->press('Write a note')->waitFor('.desk .sheet');
    $found = $browser->script(<<<'JS'
        const parse = (c) => c.match(/[\d.]+/g).map(Number)
        const light = ([r, g, b]) => [r, g, b].map((v) => (v /= 255) <= 0.03928 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4).reduce((sum, v, i) => sum + v * [0.2126, 0.7152, 0.0722][i], 0)
        const ratio = (a, b) => { const [x, y] = [light(a), light(b)].sort((p, q) => q - p); return (x + 0.05) / (y + 0.05) }
        const paper = parse(getComputedStyle(document.querySelector('.right')).backgroundColor)
        const border = parse(getComputedStyle(document.querySelector('.desk .n-input__border')).borderTopColor)
        const radio = getComputedStyle(document.querySelector('.desk .sheet')).borderTopColor
        const off = [...document.querySelectorAll('.bar .n-button')].find((b) => b.disabled)
        const style = getComputedStyle(off)
        const mix = parse(style.color).map((v, i) => v * Number(style.opacity) + paper[i] * (1 - Number(style.opacity)))
        return {border: ratio(border, paper), sheet: ratio(parse(radio), paper), off: ratio(mix, paper), soft: ratio(parse(getComputedStyle(document.querySelector('.desk header p')).color), paper)}
        JS);
    $browser->script('localStorage.removeItem("chalk-board")');
    expect($found['border'])->toBeGreaterThan(3.0)->and($found['sheet'])->toBeGreaterThan(3.0)
        ->and($found['off'])->toBeGreaterThan(4.5)->and($found['soft'])->toBeGreaterThan(4.5);
})->with(['day', 'slate', 'mint', 'contrast']);

it('ends a drag that the system takes away, with everything where it was', function () {
    $browser = Studio::browser()->newMap()->type('Root')->keys('Tab')->type('Dragged')->keys('Enter')->type('Target')->keys('Mod+Enter')->saved();
    $from = $browser->boxOf('Dragged');
    $to = $browser->boxOf('Target');
    $browser->drag([$from['x'] + 10, $from['y'] + 10], [$to['x'] + $to['w'] + 30, $to['y'] + 10], release: false);
    $browser->waitFor('.board.dragging');
    $browser->script('window.dispatchEvent(new PointerEvent("pointercancel", {bubbles: true}))');
    $browser->waitUntil(fn (): bool => ! $browser->has('.board.dragging'), 'the drag to end');
    $browser->pointer('mouseReleased', $to['x'] + $to['w'] + 30, $to['y'] + 10);
    expect($browser->outline())->toBe(['Root', '  Dragged', '  Target']);
});

it('keeps formatting that stands where no sign of Markdown could', function () {
    $browser = Studio::browser()->newMap()->keys('Mod+i')->type('Note:')->keys('Mod+i')->type('see')->keys('Mod+Enter')->saved();
    $id = openId($browser);
    expect(onServer($id)['topics'][0]['title'])->toBe('<i>Note:</i>see');
    $browser->visit("/maps/{$id}")->ready();
    expect($browser->script('return [...document.querySelectorAll(".slip tspan")].map(t => [t.textContent, getComputedStyle(t).fontStyle])'))->toBe([['Note:', 'italic'], ['see', 'normal']]);
    $browser->keys('F2', 'End')->type('!')->keys('Mod+Enter')->saved();
    expect(onServer($id)['topics'][0]['title'])->toBe('<i>Note:</i>see!')
        ->and($browser->outline())->toBe(['Note:see!']);
});
