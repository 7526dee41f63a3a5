<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/** The values of a part of the slip that carries a title. */
function drawnOf(Browser $browser, string $title, string $attribute, string $part = '.paper'): ?string
{
    return $browser->script('return [...document.querySelectorAll(".board .slip")].find((slip) => slip.querySelector("text.title")?.textContent === arguments[0])?.querySelector(arguments[1])?.getAttribute(arguments[2])', $title, $part, $attribute);
}

function lessonMap(): Browser
{
    $browser = Studio::browser()->newMap();
    $browser->type('Light')->keys('Tab')->type('Sources')->keys('Tab')->type('Sun')->keys('Enter')->type('Lamp')->keys('Mod+Enter', 'ArrowLeft', 'Enter')->type('Shadows')->keys('Mod+Enter')->saved();

    return $browser;
}

/** Chooses from a list of the desk. */
function choose(Browser $browser, string $field, string $choice): Browser
{
    $browser->script('document.querySelector(`.desk .n-select[aria-label="${arguments[0]}"] .n-base-selection`).scrollIntoView({block: "center"}); document.querySelector(`.desk .n-select[aria-label="${arguments[0]}"] .n-base-selection-label`).click()', $field);
    $browser->waitUntil(fn (): bool => (bool) $browser->script('return [...document.querySelectorAll(".n-base-select-option")].some((option) => option.textContent.trim() === arguments[0])', $choice), "the choice {$choice}");
    $browser->script('[...document.querySelectorAll(".n-base-select-option")].find((option) => option.textContent.trim() === arguments[0]).click()', $choice);

    return $browser->saved();
}

it('gives looks to what is chosen, to its level and to the map, by the desk, and takes each back in one step', function () {
    $browser = lessonMap();
    $size = fn (string $title): float => (float) drawnOf($browser, $title, 'font-size', 'text.title');
    choose($browser, 'Shape', 'Oval');
    $browser->waitUntil(fn (): bool => str_contains((string) drawnOf($browser, 'Shadows', 'd'), 'A') && ! str_contains((string) drawnOf($browser, 'Shadows', 'd'), 'H'), 'the oval');
    $browser->press('Level 1');
    choose($browser, 'Weight', 'Regular');
    choose($browser, 'Typeface', 'Reading serif');
    $family = fn (string $title): string => (string) $browser->script('return getComputedStyle([...document.querySelectorAll(".board text.title")].find((text) => text.textContent === arguments[0])).fontFamily', $title);
    expect($family('Sources'))->toContain('Literata')->and($family('Shadows'))->toContain('Literata')->and($family('Sun'))->toContain('Atkinson');
    $browser->keys('Mod+z')->saved();
    expect($family('Sources'))->toContain('Atkinson');
    // What comes later at that level has its look too.
    $browser->keys('Mod+Shift+z')->saved()->script('document.querySelector(".board").focus()');
    $browser->keys('Enter')->type('Colours')->keys('Mod+Enter')->saved();
    $browser->waitUntil(fn (): bool => str_contains($family('Colours'), 'Literata'), 'the new topic in the look of its level');
    expect($browser->complaints())->toBe([]);
});

it('makes topics larger and wider by keys, copies looks and gives them, and chooses what looks alike', function () {
    $browser = lessonMap();
    $size = fn (string $title): string => (string) drawnOf($browser, $title, 'font-size', 'text.title');
    $browser->keys('Alt+.', 'Alt+.')->saved();
    expect($size('Shadows'))->toBe('21');
    $browser->keys('Alt+Shift+s')->pick('Sources')->keys('Alt+Shift+q')->saved();
    expect($size('Sources'))->toBe('21');
    $wide = $browser->boxOf('Sources')['w'];
    $browser->keys('Alt+Shift+k', 'Alt+Shift+k')->saved();
    $browser->waitUntil(fn (): bool => abs($browser->boxOf('Sources')['w'] - $wide) > 15, 'a wider topic');
    $browser->keys('Mod+z', 'Mod+z')->saved();
    // All siblings larger in one action: take the look for them.
    $browser->keys('Alt+.')->saved();
    $browser->keys('Mod+j')->waitFor('.palette')->type('Take this look for all beside');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".palette li.current span")?.innerText'), 'all beside it'), 'the action');
    $browser->keys('Enter')->saved();
    expect([$size('Sources'), $size('Shadows')])->toBe(['23', '23']);
    $browser->keys('Alt+Shift+a');
    expect($browser->script('return document.querySelectorAll(".line.chosen").length'))->toBe(2);
    $browser->keys('Alt+Shift+z')->saved();
    expect([$size('Sources'), $size('Shadows')])->toBe(['17', '17']);
    $browser->keys('Mod+z')->saved();
    expect([$size('Sources'), $size('Shadows')])->toBe(['23', '23'])->and($browser->complaints())->toBe([]);
});

it('begins chalks by the digits of the tray, and by dragging one onto a topic', function () {
    $browser = lessonMap();
    $spine = fn (string $title): string => (string) $browser->script('return [...document.querySelectorAll(".board .slip")].find((slip) => slip.querySelector("text.title")?.textContent === arguments[0]).querySelector(".spine").style.fill', $title);
    $browser->pick('Sources')->keys('Alt+Shift+e')->waitFor('.chalks')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.matches(".chalk")'), 'the focus on the tray');
    $browser->keys('6')->saved();
    expect($spine('Sources'))->toBe('var(--coral)')->and($spine('Sun'))->toBe('var(--coral)')->and($spine('Shadows'))->not->toBe('var(--coral)');
    [$from, $to] = $browser->script('const middle = (box) => [box.x + box.width / 2, box.y + box.height / 2]; return [middle(document.querySelector("[aria-label=\'Chalk Kelp\']").getBoundingClientRect()), middle([...document.querySelectorAll(".board .slip")].find((slip) => slip.querySelector("text.title")?.textContent === "Lamp").querySelector(".paper").getBoundingClientRect())]');
    $browser->pointer('mousePressed', (int) $from[0], (int) $from[1]);
    $browser->pointer('mouseMoved', (int) $to[0], (int) $to[1]);
    $browser->pointer('mouseReleased', (int) $to[0], (int) $to[1]);
    $browser->saved();
    expect($spine('Lamp'))->toBe('var(--kelp)')->and($spine('Sources'))->toBe('var(--coral)');
    $browser->press('One for all')->saved();
    expect($spine('Shadows'))->toBe('var(--tide)')->and($spine('Lamp'))->toBe('var(--kelp)')->and($browser->complaints())->toBe([]);
});

it('tries whole-map looks by pointing, takes one by a click, and says why a topic looks so', function () {
    $browser = lessonMap();
    $text = fn (): string => (string) drawnOf($browser, 'Light', 'font-size', 'text.title');
    $browser->keys('Alt+Shift+d')->waitFor('.wholes .mini');
    expect($browser->script('return document.querySelectorAll(".wholes .mini").length'))->toBe(7);
    $browser->keys('ArrowDown', 'ArrowDown')->waitUntil(fn (): bool => $text() === '40', 'the wall sheet, tried');
    $browser->keys('Escape')->waitUntil(fn (): bool => $text() === '22', 'the board as it was');
    $browser->keys('Alt+Shift+d')->waitFor('.wholes .mini')->press('Wall sheet')->saved();
    $browser->waitUntil(fn (): bool => $text() === '40', 'the wall sheet');
    $browser->keys('Alt+.')->saved()->keys('Alt+Shift+h')->waitFor('.why tbody tr');
    expect($browser->script('return document.querySelector(".why").innerText'))->toContain('Type size')->toContain('30')->toContain('the topic itself')->toContain('Wall sheet');
    // It is gone through by keys.
    $browser->keys('Tab')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.closest(".why") !== null'), 'the focus in it');
    $browser->keys('Escape')->waitUntil(fn (): bool => $browser->count('.why') === 0, 'the reasons gone');
    // From the tray as well.
    $browser->keys('Alt+Shift+e')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.matches(".chalk")'), 'the focus on the tray');
    $browser->keys('Alt+Shift+h')->waitFor('.why tbody tr');
    $browser->keys('Escape')->waitUntil(fn (): bool => $browser->count('.why') === 0, 'the reasons gone again');
    $browser->pick('Shadows')->keys('Alt+Shift+h')->waitFor('.why tbody tr');
    $browser->press('the topic itself')->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Type size', 'the value in the desk');
    $browser->script('document.activeElement.blur(); document.querySelector(".board").focus()');
    $browser->keys('Mod+z', 'Mod+z')->saved()->waitUntil(fn (): bool => $text() === '22', 'both undone');
    expect($browser->complaints())->toBe([]);
});

it('keeps looks under names, for this map and for others', function () {
    $browser = lessonMap();
    $browser->keys('Alt+.')->saved()->press('Keep this look under a name')->waitFor("input[aria-label='Name of the look']")->type('Loud')->keys('Enter')->saved();
    $browser->script('document.querySelector(".board").focus()');
    $browser->pick('Sources');
    choose($browser, 'Look by name', 'Loud');
    expect(drawnOf($browser, 'Sources', 'font-size', 'text.title'))->toBe('19');
    $other = lessonMap();
    choose($other, 'Look by name', 'Loud');
    $other->waitUntil(fn (): bool => drawnOf($other, 'Shadows', 'font-size', 'text.title') === '19', 'the look from the other map');
    expect($other->complaints())->toBe([]);
});

it('sets text as wide as it was measured, in every face', function () {
    $browser = lessonMap();
    foreach (['Reading serif', 'Hand', 'Mono', 'Spacious, for easy reading', 'Weighted, for easy reading'] as $face) {
        choose($browser, 'Typeface', $face);
        $browser->script('return document.fonts.ready.then(() => 1)');
        usleep(200_000);
        $found = $browser->script('const text = [...document.querySelectorAll(".board text.title")].find((one) => one.textContent === "Shadows"); const slip = text.closest(".slip"); return [text.querySelector("tspan").getComputedTextLength(), slip.querySelector(".paper").getBBox().width, getComputedStyle(text).fontFamily]');
        // Padding 16 at either side and a spine of 6; boxes are whole and even.
        expect($found[1] - 38 - $found[0])->toBeGreaterThanOrEqual(-0.1)->toBeLessThan(2.2, "{$face}, {$found[2]}");
    }
    expect($browser->complaints())->toBe([]);
});

it('is made wider by its side and larger by its corner, by hand, also on the left', function () {
    $browser = lessonMap();
    foreach (['Sources' => 1, 'Shadows' => -1] as $title => $sign) {
        $browser->pick($title)->waitFor('.sizes .side');
        $before = $browser->boxOf($title);
        $grip = fn (string $which): array => $browser->script('const box = document.querySelector(`.sizes .${arguments[0]} .grip`).getBoundingClientRect(); return [box.x + box.width / 2, box.y + box.height / 2]', $which);
        [$x, $y] = $grip('side');
        $browser->drag([$x, $y], [$x + $sign * 60, $y])->saved();
        $browser->waitUntil(fn (): bool => abs($browser->boxOf($title)['w'] - $before['w'] - 60) < 4, "{$title}, wider");
        [$x, $y] = $grip('corner');
        $browser->drag([$x, $y], [$x + $sign * $browser->boxOf($title)['w'] / 2, $y + 20])->saved();
        $browser->waitUntil(fn (): bool => (float) drawnOf($browser, $title, 'font-size', 'text.title') > 23, "{$title}, larger");
        $browser->keys('Mod+z', 'Mod+z')->saved()->waitUntil(fn (): bool => abs($browser->boxOf($title)['w'] - $before['w']) < 1, "{$title} as before");
    }
    expect($browser->complaints())->toBe([]);
});

it('shows the board on while the map comes in another face, with what is typed meanwhile', function () {
    $browser = lessonMap();
    $id = openId($browser);
    $browser->script('window.empty = 0; const real = window.fetch; window.fetch = (what, how) => String(what).endsWith(`/api/maps/${arguments[0]}`) ? real(what, how).then((answer) => new Promise((come) => setTimeout(() => come(answer), 1200))) : real(what, how); window.watched = setInterval(() => window.empty += document.querySelectorAll(".board .slip, .board .far-label").length === 0, 10)', $id);
    $browser->keys('Mod+j')->waitFor('.palette')->type('See every map in the weighted face');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".palette li.current span")?.innerText') === 'See every map in the weighted face', 'the action');
    $browser->keys('Enter')->waitUntil(fn (): bool => ! $browser->has('.palette'), 'the palette to close')->keys('Tab')->type('Typed meanwhile')->keys('Enter', 'Escape');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('const text = document.querySelector(".board text.title"); return text === null ? "" : getComputedStyle(text).fontFamily'), 'OpenDyslexic'), 'the face')->saved();
    expect(array_filter($browser->outline(), fn (string $line): bool => trim($line) === 'Typed meanwhile'))->toHaveCount(1)->and($browser->script('clearInterval(window.watched); return window.empty'))->toBe(0)->and($browser->complaints())->toBe([]);
    expect(json_encode(onServer($id)))->toContain('Typed meanwhile');
});

it('lets a person see every map in an easy-reading face', function () {
    $browser = lessonMap();
    $family = fn (): string => (string) $browser->script('const text = document.querySelector(".board text.title"); return text === null ? "" : getComputedStyle(text).fontFamily');
    foreach (['See every map in the weighted face' => 'OpenDyslexic', 'See every map in its own faces' => 'Atkinson'] as $action => $face) {
        $browser->keys('Mod+j')->waitFor('.palette')->type($action);
        $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".palette li.current span")?.innerText') === $action, $action);
        $browser->keys('Enter')->waitUntil(fn (): bool => str_contains($family(), $face), $face);
    }
    expect($browser->complaints())->toBe([]);
});

it('lays a branch out as the picture of it that one takes, after trying others', function () {
    $browser = lessonMap();
    $browser->pick('Light');
    $browser->script('document.querySelector(`[aria-label^="Arrangement of the branch"]`).scrollIntoView({block: "center"})');
    $browser->find('[aria-label^="Arrangement of the branch"]')->click();
    $browser->waitFor('.arrangements .mini')->waitUntil(fn (): bool => $browser->count('.arrangements .mini') === 13, 'a picture of each');
    // By keys: the first is there at once, and arrows go over them as they lie, three in a row.
    $browser->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.closest(".arrangements") !== null'), 'the focus on the pictures');
    $names = fn (): string => (string) $browser->script('return document.activeElement.getAttribute("aria-label")');
    $browser->keys('ArrowRight', 'ArrowDown', 'ArrowDown');
    expect($names())->toBe('Fishbone');
    $browser->waitUntil(fn (): bool => $browser->has('.board .axis'), 'the fishbone, tried');
    $browser->press('Timeline')->saved()->waitUntil(fn (): bool => $browser->has('.board .axis') && $browser->boxOf('Sources')['x'] > $browser->boxOf('Light')['x'], 'the timeline');
    $browser->script('document.querySelector(".board").focus()');
    // Arrow keys and dragging go by what is drawn.
    $browser->pick('Light')->keys('ArrowRight');
    expect($browser->script('return document.querySelector(".line.chosen .text").textContent'))->toBe('Sources');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => ! $browser->has('.board .axis'), 'both sides again');
    expect($browser->complaints())->toBe([]);
});

it('mixes a chalk by keys, offers the next colour that passes, and puts it on; a value is inherited again by one press', function () {
    $browser = lessonMap();
    $browser->keys('Alt+Shift+e')->waitFor('.chalks')->press('Mix a chalk')->waitFor('.mixer')->type('Signal')->keys('Tab', 'Tab', 'Mod+a')->type('#FFD84D');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".mixer").innerText'), 'Hard to see'), 'the warning for the day');
    expect($browser->count('.mixer .on'))->toBe(2)->and($browser->count('.mixer .on.weak'))->toBe(1);
    $browser->press('Take the next that passes')->waitUntil(fn (): bool => $browser->count('.mixer .on.weak') === 0, 'a colour that passes');
    $browser->press('Keep the chalk')->saved();
    $browser->press('Chalk Signal')->saved();
    $colour = fn (string $board): string => (string) $browser->script('document.documentElement.dataset.board = arguments[0]; return getComputedStyle([...document.querySelectorAll(".board .slip")].find((slip) => slip.querySelector("text.title")?.textContent === "Shadows").querySelector(".spine")).fill', $board);
    expect($colour('slate'))->toBe('rgb(255, 216, 77)')->and($colour('day'))->not->toBe('rgb(255, 216, 77)')->not->toBe('rgb(43, 127, 134)');
    $browser->script('location.reload()');
    $browser->ready()->saved();
    expect($colour('slate'))->toBe('rgb(255, 216, 77)');
    $browser->script('document.documentElement.dataset.board = "day"');
    $browser->pick('Shadows')->keys('Alt+.')->saved();
    expect((string) drawnOf($browser, 'Shadows', 'font-size', 'text.title'))->toBe('19');
    $browser->press('Inherit again: Type size')->saved();
    expect((string) drawnOf($browser, 'Shadows', 'font-size', 'text.title'))->toBe('17')->and($browser->count('.reset'))->toBe(0)->and($browser->complaints())->toBe([]);
});

it('writes titles from right to left where their script does', function () {
    $browser = lessonMap();
    $browser->pick('Shadows')->keys('F2')->waitFor('.title-editor')->keys('Mod+a')->type('צללים, 3');
    expect($browser->script('return getComputedStyle(document.querySelector(".title-editor")).direction'))->toBe('rtl');
    $browser->keys('Mod+Enter')->saved();
    $text = 'return [...document.querySelectorAll(".board text.title")].find((text) => text.textContent === "צללים, 3")';
    $browser->waitUntil(fn (): bool => $browser->script("{$text}?.getAttribute('direction')") === 'rtl', 'the title from right to left');
    // It stays within its slip.
    [$text, $paper] = $browser->script("const text = (() => { {$text} })(); const r = (e) => { const { left, right } = e.getBoundingClientRect(); return [left, right] }; return [r(text), r(text.closest('.slip').querySelector('.paper'))]");
    expect($text[0])->toBeGreaterThan($paper[0])->and($text[1])->toBeLessThan($paper[1])->and($browser->outline())->toContain('  צללים, 3')->and($browser->complaints())->toBe([]);
});
