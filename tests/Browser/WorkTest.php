<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Studio;
use Tests\Support\Browser;

/** A small map typed by keys: Plan with A (A1, A2) and B (B1), arranged rightward. */
function smallMap(): Browser
{
    $browser = Studio::browser();
    $file = sys_get_temp_dir().'/small-'.bin2hex(random_bytes(4)).'.txt';
    file_put_contents($file, "Plan\n\tA\n\t\tA1\n\t\tA2\n\tB\n\t\tB1\n");
    $id = trim(Studio::server()->artisan('map:import', $file));
    Studio::server()->artisan('map:show', $id);
    file_put_contents($file, json_encode([['name' => 'map.arrange', 'arrangement' => 'rightward']]));
    Studio::server()->artisan('map:edit', $id, $file);
    unlink($file);

    return $browser->visit("/maps/{$id}")->ready();
}

function settled(Browser $browser): Browser
{
    $browser->saved();
    usleep(250_000);

    return $browser;
}

/** The point in the middle of a topic, or a part of the way across and down it. */
function at(Browser $browser, string $topic, float $across = 0.5, float $down = 0.5): array
{
    $box = $browser->boxOf($topic);

    return [$box['x'] + $box['w'] * $across, $box['y'] + $box['h'] * $down];
}

it('moves along what is drawn by arrow keys', function () {
    $browser = smallMap();
    $browser->pick('Plan');
    $chosen = fn (): string => $browser->script('return document.querySelector(".outline .chosen .text").innerText');
    foreach ([['ArrowRight', 'A'], ['ArrowRight', 'A1'], ['ArrowDown', 'A2'], ['ArrowDown', 'B1'], ['ArrowLeft', 'B'], ['ArrowUp', 'A'], ['ArrowLeft', 'Plan']] as [$key, $there]) {
        $browser->keys($key);
        $browser->waitUntil(fn (): bool => $chosen() === $there, "{$key} to lead to {$there}, not {$chosen()}");
    }
    expect($browser->count('.slip.chosen'))->toBe(1);
});

it('moves topics by keys: up, down, in, out', function () {
    $browser = smallMap();
    $browser->pick('A2');
    settled($browser->keys('Alt+ArrowUp'));
    expect($browser->outline())->toBe(['Plan', '  A', '    A2', '    A1', '  B', '    B1']);
    settled($browser->keys('Alt+ArrowDown'));
    settled($browser->keys('Alt+ArrowRight'));
    expect($browser->outline())->toBe(['Plan', '  A', '    A1', '      A2', '  B', '    B1']);
    settled($browser->keys('Alt+ArrowLeft'));
    settled($browser->keys('Alt+ArrowLeft'));
    expect($browser->outline())->toBe(['Plan', '  A', '    A1', '  A2', '  B', '    B1']);
});

it('drags a topic onto a parent and between siblings, showing where it would land', function () {
    $browser = smallMap();
    $browser->drag(at($browser, 'B'), at($browser, 'A2', 0.85), release: false);
    $browser->waitFor('.slot');
    expect($browser->script('return document.querySelector(".drag-label + .unseen").textContent'))->toContain('below A2');
    $browser->pointer('mouseReleased', ...at($browser, 'A2', 0.85));
    settled($browser);
    expect($browser->outline())->toBe(['Plan', '  A', '    A1', '    A2', '      B', '        B1']);

    $browser->drag(at($browser, 'B1'), at($browser, 'A1', 0.4, 0.1));
    settled($browser);
    expect($browser->outline())->toBe(['Plan', '  A', '    B1', '    A1', '    A2', '      B']);
});

it('leaves everything in place when a drag ends with Escape', function () {
    $browser = smallMap();
    $browser->drag(at($browser, 'B'), at($browser, 'A2', 0.85), release: false)->waitFor('.slot');
    $browser->keys('Escape')->pointer('mouseReleased', ...at($browser, 'A2', 0.85));
    settled($browser);
    expect($browser->outline())->toBe(['Plan', '  A', '    A1', '    A2', '  B', '    B1'])->and($browser->has('.slot'))->toBeFalse();
});

it('drags lines in the outline', function () {
    $browser = smallMap();
    $line = fn (string $text): array => $browser->script('const r = [...document.querySelectorAll(".line")].find(l => l.querySelector(".text").innerText === arguments[0]).getBoundingClientRect(); return [r.x + 70, r.y, r.height]', $text);
    [$x, $y, $h] = $line('B1');
    [$tx, $ty, $th] = $line('A1');
    $browser->drag([$x, $y + $h / 2], [$tx, $ty + 2], release: false)->waitFor('.landing');
    $browser->pointer('mouseReleased', $tx, $ty + 2);
    settled($browser);
    expect($browser->outline())->toBe(['Plan', '  A', '    B1', '    A1', '    A2', '  B']);
});

it('edits in the outline with the same keys and keeps one selection with the board', function () {
    $browser = smallMap();
    $browser->driver->findElement(WebDriverBy::xpath("//*[@role='treeitem'][.//span[normalize-space(.)='A1']]"))->click();
    expect($browser->script('return document.querySelector(".slip.chosen").dataset.topic'))->toBe($browser->topic('A1'));
    $browser->keys('Enter')->waitFor('.outline .title-editor')->type('Between')->keys('Tab')->waitFor('.outline .title-editor')->type('Below it')->keys('Mod+Enter');
    settled($browser);
    expect($browser->outline())->toBe(['Plan', '  A', '    A1', '    Between', '      Below it', '    A2', '  B', '    B1']);
    $browser->topic('Below it');
});

it('is a tree for assistive technology, with folds of its own', function () {
    $browser = smallMap();
    $tree = fn (): array => $browser->script('return [...document.querySelectorAll("[role=tree] [role=treeitem]")].map(l => [l.ariaLevel, l.ariaExpanded, l.ariaPosInSet, l.ariaSetSize, l.ariaSelected])');
    expect($tree()[0])->toBe(['1', 'true', '1', '1', 'true'])->and($tree()[1])->toBe(['2', 'true', '1', '2', 'false'])->and($tree()[2][1])->toBeNull();
    $browser->driver->findElement(WebDriverBy::xpath("//*[@role='treeitem'][.//span[normalize-space(.)='A']]"))->click();
    $browser->keys('ArrowLeft')->waitUntil(fn (): bool => count($browser->outline()) === 4, 'the outline to fold');
    settled($browser);
    expect($browser->count('.slip'))->toBe(6);
});

it('folds on the board, shows tally marks, and remembers it over a reload', function () {
    $browser = smallMap();
    $browser->pick('A');
    settled($browser->keys('Alt+f'));
    $browser->waitUntil(fn (): bool => $browser->count('.slip') === 4, 'the branch to fold');
    expect($browser->count('.tally'))->toBe(1)->and(count($browser->outline()))->toBe(6);
    $browser->visit(parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))->ready();
    $browser->waitUntil(fn (): bool => $browser->count('.tally') === 1, 'the fold to be remembered');
    $browser->find('.tally')->click();
    $browser->waitUntil(fn (): bool => $browser->count('.slip') === 6, 'the branch to unfold');
});

it('undoes and redoes step by step, over a reload too', function () {
    $browser = smallMap();
    $browser->pick('A');
    $browser->keys('Delete');
    settled($browser);
    $browser->pick('B');
    $browser->type('Renamed')->keys('Mod+Enter');
    settled($browser);
    expect($browser->outline())->toBe(['Plan', '  Renamed', '    B1']);
    $browser->visit(parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))->ready();
    $browser->press('Undo');
    $browser->waitUntil(fn (): bool => in_array('  B', $browser->outline(), true), 'the title to come back');
    $browser->find('.board')->click();
    settled($browser->keys('Mod+z'));
    expect($browser->outline())->toBe(['Plan', '  A', '    A1', '    A2', '  B', '    B1']);
    settled($browser->keys('Mod+Shift+z'));
    settled($browser->keys('Mod+y'));
    expect($browser->outline())->toBe(['Plan', '  Renamed', '    B1']);
});

it('gives the map as it is now a name, by keys alone', function () {
    $browser = smallMap();
    settled($browser->pick('A')->keys('Delete'));
    $browser->keys('Mod+Alt+h')->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Name of this version', 'the field of its name');
    $browser->type('Without A')->keys('Enter')->waitUntil(fn (): bool => $browser->script('return document.querySelector(".versions button")?.innerText.split("\n")[0]') === 'Without A', 'the version by its name');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".differences").innerText'), 'just as it was'), 'nothing different');
    expect($browser->complaints())->toBe([]);
});

it('restores a removed branch and returns to an earlier moment', function () {
    $browser = smallMap();
    $browser->pick('A');
    settled($browser->keys('Delete'));
    $browser->menuOfMap('Removed branches')->press('Restore');
    $browser->waitUntil(fn (): bool => count($browser->outline()) === 6, 'the branch to come back');
    settled($browser->press('Close'));
    $browser->menuOfMap('History');
    $browser->waitUntil(fn (): bool => $browser->count('.edits button[id]') === 4, 'the history');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".differences").innerText'), 'Added since'), 'what is different');
    // A name leads back to it.
    $browser->script('document.querySelector("[aria-label=\"Name of this version\"]").focus()');
    $browser->type('Before it came back')->keys('Enter')->waitUntil(fn (): bool => $browser->script('return document.querySelector(".versions button")?.innerText.split("\n")[0]') === 'Before it came back', 'the version by its name');
    $browser->script('document.getElementById("edit-0")?.click()');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector("[aria-label=\"Name of this version\"]").value') === '', 'another version');
    $browser->script('document.querySelector(".versions button").click()');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector("[aria-label=\"Name of this version\"]").value') === 'Before it came back', 'the version by its name again');
    $browser->press('Return to this');
    $browser->waitUntil(fn (): bool => $browser->has('.outline') && count($browser->outline()) === 3, 'the earlier moment');
    expect($browser->outline())->toBe(['Plan', '  B', '    B1']);
});

it('writes caption, note, width and side at the desk', function () {
    $browser = smallMap();
    $browser->pick('B');
    $browser->keys('Alt+k')->waitUntil(fn (): bool => $browser->script('return document.activeElement.ariaLabel') === 'Caption', 'the caption to take the focus');
    $browser->type('second line');
    $browser->waitUntil(fn (): bool => $browser->count('.slip text.caption') === 1, 'the caption to be drawn');
    $browser->press('Write a note')->waitUntil(fn (): bool => $browser->script('return document.activeElement.classList.contains("note-text")'), 'the caret in the note');
    $browser->type('A note with ')->keys('Mod+b')->type('weight')->keys('Mod+b', 'Enter')->type('- one')->keys('Enter')->type('two');
    $browser->waitFor('.note-sign');
    settled($browser);
    usleep(900_000);
    settled($browser);
    $width = $browser->find("input[aria-label='Width']");
    $width->click();
    $width->sendKeys('200');
    $browser->keys('Tab');
    settled($browser);
    $id = basename(parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH));
    $kept = json_decode(Studio::server()->artisan('map:show', $id), true);
    $topics = array_column($kept['topics'], null, 'title');
    expect($topics['B'])->toMatchArray(['caption' => 'second line', 'note' => "A note with **weight**\n\n- one\n- two"])
        ->and($kept['rows'])->toBe([['type' => 'look', 'id' => $topics['B']['id'], 'fields' => ['width' => 200]]]);
});

it('chooses several topics and removes them together', function () {
    $browser = smallMap();
    $browser->pick('A1');
    $browser->pick('B1', modifiers: 2);
    expect($browser->count('.slip.chosen'))->toBe(2);
    settled($browser->keys('Delete'));
    expect($browser->outline())->toBe(['Plan', '  A', '    A2', '  B']);
});

it('pans and zooms, shows all, and finds back to the chosen topic', function () {
    $browser = smallMap();
    $scale = fn (): int => (int) $browser->script('return document.querySelector(".scale").innerText');
    $before = $scale();
    $browser->press('Closer');
    $browser->waitUntil(fn (): bool => $scale() > $before, 'the board to come closer');
    $box = $browser->boxOf('Plan');
    $browser->drag([900, 700], [500, 300]);
    $browser->waitUntil(fn (): bool => abs($browser->boxOf('Plan')['x'] - $box['x'] + 400) < 3, 'the board to be panned');
    $browser->pick('Plan');
    $browser->pointer('mouseWheel', 700, 400, ['deltaX' => 0, 'deltaY' => -240]);
    $browser->press('To the chosen');
    $browser->waitUntil(fn (): bool => abs($browser->boxOf('Plan')['x'] + $browser->boxOf('Plan')['w'] / 2 - (249 + 388)) < 6, 'the chosen topic to be in the middle');
    $browser->press('Show all');
    usleep(500_000);
    expect($browser->count('.slip'))->toBe(6);
});

it('walks through a map by keys and by buttons, and stays where it ends', function () {
    $browser = smallMap();
    $browser->pick('Plan');
    $browser->keys('F9')->waitFor('.walk');
    $here = fn (): string => trim($browser->script('return document.querySelector(".unseen[aria-live=assertive]").innerText'));
    foreach ([[' ', 'A'], ['ArrowRight', 'A1'], ['s', 'A2'], [' ', 'B'], ['ArrowUp', 'A2'], ['End', 'B']] as [$key, $there]) {
        $browser->keys($key)->waitUntil(fn (): bool => $here() === $there, "the walk to be at {$there}, not {$here()}");
    }
    usleep(400_000);
    $big = $browser->boxOf('B');
    expect($big['h'])->toBeGreaterThan(50)->and(abs($big['x'] + $big['w'] / 2 - $browser->script('return innerWidth / 2')))->toBeLessThan(8)
        ->and((float) $browser->script('return getComputedStyle(document.querySelector(`.slip[data-topic="${arguments[0]}"]`)).opacity', $browser->topic('A')))->toBeLessThan(0.7);
    $browser->keys('+');
    usleep(400_000);
    $bigger = $browser->boxOf('B')['h'];
    expect($bigger)->toBeGreaterThan($big['h'] * 1.1);
    $browser->press('Deeper')->waitUntil(fn (): bool => $here() === 'B1', 'the walk to be at B1');
    $browser->press('Back')->press('Jump')->waitFor('.jump li')->script('[...document.querySelectorAll(".jump li")].find((one) => one.textContent.includes("A1")).click()');
    $browser->waitUntil(fn (): bool => $here() === 'A1', 'the walk to be at A1');
    usleep(400_000);
    $browser->press('End')->waitUntil(fn (): bool => ! $browser->has('.walk'), 'the walk to end');
    expect($browser->script('return document.querySelector(".slip.chosen").dataset.topic'))->toBe($browser->topic('A1'));
});

it('runs any action by name and lists all keys', function () {
    $browser = smallMap();
    $browser->pick('A');
    $browser->keys('Mod+j')->waitFor('.palette')->type('both sides')->keys('Enter');
    settled($browser);
    expect($browser->has('.palette'))->toBeFalse();
    $browser->waitUntil(fn (): bool => $browser->boxOf('A')['x'] < $browser->boxOf('Plan')['x'] || $browser->boxOf('B')['x'] < $browser->boxOf('Plan')['x'], 'the map to be arranged on both sides');
    $browser->keys('F1')->waitFor('.key-list');
    expect($browser->script('return document.querySelector(".key-list").innerText'))->toContain('Add a subtopic')->toContain('Alt+↑');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.key-list'), 'the list to close');
});

it('does everything by mouse alone: a new map, titles, a drag, a fold, undo, a walk, taking out', function () {
    $browser = smallMap();
    $twice = function (string $topic) use ($browser): void {
        [$x, $y] = at($browser, $topic);
        foreach ([1, 2] as $count) {
            $browser->pointer('mousePressed', $x, $y, ['clickCount' => $count])->pointer('mouseReleased', $x, $y, ['clickCount' => $count]);
        }
    };
    $twice('A1');
    $browser->waitFor('.board .title-editor')->keys('Mod+a')->type('By mouse');
    $browser->drag([700, 740], [701, 740]);
    settled($browser);
    expect($browser->outline())->toBe(['Plan', '  A', '    By mouse', '    A2', '  B', '    B1']);

    $browser->drag(at($browser, 'By mouse'), at($browser, 'B', 0.9));
    settled($browser);
    expect($browser->outline())->toBe(['Plan', '  A', '    A2', '  B', '    B1', '    By mouse']);

    $browser->pick('B');
    $browser->script('document.querySelector(".slip.chosen .fold-handle").dispatchEvent(new MouseEvent("click", {bubbles: true}))');
    $browser->waitUntil(fn (): bool => $browser->count('.tally') === 1, 'the tally marks');
    $browser->press('Undo');
    $browser->waitUntil(fn (): bool => $browser->outline() === ['Plan', '  A', '    By mouse', '    A2', '  B', '    B1'], 'the drag to be undone');
    $browser->press('Change the title')->waitFor('.title-editor');
    $browser->drag([700, 740], [701, 740]);
    $browser->menuOfMap('Arrangement', 'Arrange the map on both sides');
    settled($browser);
    $browser->press('Show')->press('Walk through the map from here')->waitFor('.walk')->press('On')->press('End');
    $browser->waitUntil(fn (): bool => ! $browser->has('.walk'), 'the walk to end');
    $browser->press('Actions')->waitFor('.palette');
    expect($browser->script('const i = [...document.querySelectorAll(".palette li")].find(l => l.innerText.includes("Balance")); i.click(); return true'))->toBeTrue();
    settled($browser);
});
