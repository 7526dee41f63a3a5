<?php

declare(strict_types=1);

use Tests\Support\Browser;

/** Pastes as another program would have put it on the clipboard. */
function pasteInto(Browser $browser, string $text, string $html = '', string $source = ''): Browser
{
    $browser->script(
        'const d = new DataTransfer(); d.setData("text/plain", arguments[0]); if (arguments[1]) d.setData("text/html", arguments[1]); if (arguments[2]) d.setData("text/uri-list", arguments[2]);'
        .'(document.activeElement ?? document.body).dispatchEvent(new ClipboardEvent("paste", {clipboardData: d, bubbles: true, cancelable: true}))',
        $text, $html, $source,
    );

    return $browser;
}

function middleOf(Browser $browser, string $topic, float $across = 0.5, float $down = 0.5): array
{
    $box = $browser->boxOf($topic);

    return [$box['x'] + $box['w'] * $across, $box['y'] + $box['h'] * $down];
}

/** The middle of a line of the outline. */
function lineOf(Browser $browser, string $text, float $down = 0.5): array
{
    return $browser->script('const r = [...document.querySelectorAll(".line")].find(l => l.querySelector(".text")?.innerText === arguments[0]).getBoundingClientRect(); return [r.x + 90, r.y + r.height * arguments[1]]', $text, $down);
}

function isOutline(Browser $browser, array $lines): void
{
    $browser->saved();
    $browser->waitUntil(fn (): bool => $browser->outline() === $lines, 'the outline to be '.json_encode($lines).', not '.json_encode($browser->outline()), 5);
    expect($browser->outline())->toBe($lines);
}

it('lands an ordinary paste at once and lets it be looked at afterwards', function () {
    $browser = openOutline("Plan\n\tA\n");
    $browser->pick('A');
    pasteInto($browser, "Stalls\n\tSoup\n\n\tBread\n");
    isOutline($browser, ['Plan', '  A', '    Stalls', '      Soup', '      Bread']);
    $browser->press('Look at it first')->waitFor('.paste .line');
    isOutline($browser, ['Plan', '  A']);
    $browser->keys('ArrowDown', 'ArrowLeft', 'ArrowDown', 'Delete', 'Enter');
    isOutline($browser, ['Plan', '  A', '    Stalls', '    Soup']);
    $browser->keys('Mod+z');
    isOutline($browser, ['Plan', '  A']);
});

it('shows a paste in doubt line by line, to be put right by keys and by mouse', function () {
    $browser = openOutline("Plan\n");
    $browser->pick('Plan');
    pasteInto($browser, "Day 1\nSoup\nBread\nwith butter\nDay 2\nTea");
    $browser->waitFor('.paste .line');
    expect($browser->script('return [...document.querySelectorAll(".paste .level")].map(l => l.innerText)'))->toBe(['1', '2', '2', '2', '1', '2'])
        ->and($browser->script('return [...document.querySelectorAll(".paste .line small")].map(l => l.innerText)'))->toContain('reads as a heading');
    $browser->waitFor('.paste .picture img');
    // The line that belongs to the one before is joined to it; another is pulled aside by the mouse.
    $browser->keys('ArrowDown', 'ArrowDown', 'ArrowDown', 'j');
    $browser->waitUntil(fn (): bool => $browser->count('.paste .line') === 5, 'the lines to be joined');
    $tea = $browser->script('const r = [...document.querySelectorAll(".paste .line")].at(-1).getBoundingClientRect(); return [r.x + 120, r.y + 12]');
    $browser->drag($tea, [$tea[0] + 22, $tea[1]]);
    $browser->drag([$tea[0], $tea[1]], [$tea[0] - 44, $tea[1]]);
    $browser->press('Lines that read as headings are parents');
    $browser->waitUntil(fn (): bool => $browser->script('return [...document.querySelectorAll(".paste .level")].every(l => l.innerText === "1")'), 'the headings to be lines again');
    // What is landed is what was asked for last, although that has not come yet.
    $browser->script('const real = window.fetch; window.fetch = (what, how) => String(what).endsWith("/clip") ? new Promise((come) => setTimeout(() => come(real(what, how)), 700)) : real(what, how)');
    $browser->press('Lines that read as headings are parents')->press('Land it');
    $browser->waitUntil(fn (): bool => ! $browser->has('.paste .line'), 'the lines to land');
    isOutline($browser, ['Plan', '  Day 1', '    Soup', '    Bread', '    with butter', '  Day 2', '    Tea']);
});

it('pastes a web page with its formatting and its address, or into the note', function () {
    $browser = openOutline("Plan\n");
    $browser->pick('Plan');
    pasteInto($browser, 'x', '<h2>Paper lantern</h2><ul><li>Fold the <b>paper</b></li><li>Cut<ul><li>slowly</li></ul></li></ul>', 'https://saltmere.example/lantern');
    isOutline($browser, ['Plan', '  Paper lantern', '    Fold the paper', '    Cut', '      slowly']);
    expect($browser->script('return [...document.querySelectorAll(".slip .link")].map(l => l.textContent)'))->toBe(['Paper lantern']);
    $browser->pick('Cut');
    pasteInto($browser, "First one.\n\nThen:\nanother.\nIn the end:\na third");
    $browser->waitFor('.paste .line')->press('Into the note')->press('Land it')->saved();
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".note-text").innerText'), 'First one.'), 'the note');
});

it('makes loose topics by double click, a column by Enter, and closes it up', function () {
    $browser = openOutline("Plan\n\tA\n");
    foreach ([1, 2] as $click) {
        $browser->pointer('mousePressed', 620, 640, ['clickCount' => $click])->pointer('mouseReleased', 620, 640, ['clickCount' => $click]);
    }
    $browser->waitFor('.title-editor')->type('one')->keys('Enter')->type('two')->keys('Enter')->type('three')->keys('Mod+Enter');
    isOutline($browser, ['Plan', '  A', 'one', 'two', 'three']);
    $boxes = fn (): array => array_map(fn (string $title): array => $browser->boxOf($title), ['one', 'two', 'three']);
    usleep(400_000);
    [$one, $two, $three] = $boxes();
    expect(abs($one['x'] - $two['x']))->toBeLessThan(1.0)->and($two['y'])->toBeGreaterThan($one['y'] + $one['h'])->and($three['y'])->toBeGreaterThan($two['y']);
    $gap = $two['y'] - $one['y'];

    $browser->drag(middleOf($browser, 'two'), middleOf($browser, 'A', 0.9));
    isOutline($browser, ['Plan', '  A', '    two', 'one', 'three']);
    usleep(400_000);
    expect(abs($browser->boxOf('three')['y'] - $browser->boxOf('one')['y'] - $gap))->toBeLessThan(2.0);
    // And off the branch again, loose on the open board.
    $browser->drag(middleOf($browser, 'two'), [900, 700]);
    isOutline($browser, ['Plan', '  A', 'one', 'three', 'two']);
});

it('parks topics by key and by dragging, counts them, and brings them back by either', function () {
    $browser = openOutline("Plan\n\tA\n\t\tA1\n\tB\n");
    $browser->pick('B');
    $browser->keys('Alt+p');
    isOutline($browser, ['Plan', '  A', '    A1']);
    expect($browser->script('return document.querySelector("[aria-label^=Parking]").innerText'))->toContain('1');
    $browser->keys('Alt+Shift+p')->waitFor('.lot li');
    $lot = $browser->script('const r = document.querySelector(".lot").getBoundingClientRect(); return [r.x + 100, r.bottom - 60]');
    $browser->drag(middleOf($browser, 'A1'), $lot);
    isOutline($browser, ['Plan', '  A']);
    expect($browser->count('.lot li'))->toBe(2);
    // Whoever comes in over the edge of the board aims at what is on it: the board stays where it is, until one has been within.
    $parked = $browser->script('const r = [...document.querySelectorAll(".lot li")].find(l => l.innerText.startsWith("A1")).querySelector("strong").getBoundingClientRect(); return [r.x + 10, r.y + 8]');
    $edge = $browser->script('const r = document.querySelector(".board").getBoundingClientRect(); return [r.right - 4, r.y + r.height / 2]');
    $plan = $browser->boxOf('Plan');
    $browser->drag($parked, $edge, release: false);
    usleep(300_000);
    expect($browser->boxOf('Plan')['x'])->toBe($plan['x']);
    $browser->pointer('mouseMoved', $edge[0] - 100, $edge[1]);
    $browser->script('return 1');
    usleep(100_000);
    $browser->pointer('mouseMoved', $edge[0], $edge[1]);
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(`.slip[data-topic="${arguments[0]}"] .paper`).getBoundingClientRect().x', $browser->topic('Plan')) < $plan['x'], 'the board to be pulled along');
    $browser->pointer('mouseMoved', $edge[0] - 100, $edge[1]);
    $to = middleOf($browser, 'Plan', 0.9);
    $browser->pointer('mouseMoved', ...$to)->pointer('mouseReleased', ...$to);
    isOutline($browser, ['Plan', '  A', '  A1']);
    $browser->press('Bring back');
    isOutline($browser, ['Plan', '  A', '  A1', '  B']);
    expect($browser->count('.lot li'))->toBe(0);
});

it('drags between board and outline, copies with a key held, and unfolds what one rests on', function () {
    $browser = openOutline("Plan\n\tA\n\t\tA1\n\tB\n\tC\n");
    $browser->drag(middleOf($browser, 'C'), lineOf($browser, 'A1'));
    isOutline($browser, ['Plan', '  A', '    A1', '      C', '  B']);
    $browser->drag(lineOf($browser, 'B'), middleOf($browser, 'A1', 0.4, 0.1));
    isOutline($browser, ['Plan', '  A', '    B', '    A1', '      C']);
    // Ctrl copies.
    $browser->pointer('mousePressed', ...middleOf($browser, 'C'));
    $to = middleOf($browser, 'Plan', 0.9);
    $browser->pointer('mouseMoved', $to[0] + 30, $to[1] + 30)->pointer('mouseMoved', ...$to, more: ['modifiers' => 2]);
    expect($browser->script('return document.querySelector(".drag-label").innerText'))->toContain('copy');
    $browser->pointer('mouseReleased', ...$to, more: ['modifiers' => 2]);
    isOutline($browser, ['Plan', '  A', '    B', '    A1', '      C', '  C']);
    // A folded topic unfolds when one stays over it.
    $browser->pick('A');
    $browser->keys('Alt+f')->saved()->waitFor('.tally');
    usleep(300_000);
    $browser->pointer('mousePressed', ...middleOf($browser, 'C'));
    $over = middleOf($browser, 'A', 0.85);
    $browser->pointer('mouseMoved', $over[0], $over[1] + 12)->pointer('mouseMoved', ...$over);
    $browser->waitUntil(fn (): bool => ! $browser->has('.tally'), 'the branch to unfold');
    $browser->keys('Escape')->pointer('mouseReleased', ...$over);
    isOutline($browser, ['Plan', '  A', '    B', '    A1', '      C', '  C']);
});

it('chooses many in every way, and says what is chosen', function () {
    $browser = openOutline("Plan\n\tA\n\t\tA1\n\t\tA2\n\tB\n\t\tB1\n\tC\n");
    $chosen = fn (): array => $browser->script('return [...document.querySelectorAll(".outline .chosen .text")].map(l => l.innerText)');
    $is = fn (array $titles) => $browser->waitUntil(fn (): bool => $chosen() === $titles, json_encode($titles).' to be chosen, not '.json_encode($chosen()), 4);
    $browser->pick('A');
    $browser->pick('C', 8);
    $is(['A', 'B', 'C']);
    expect($browser->script('return document.querySelector(".desk").innerText'))->toContain('3 topics chosen')->toContain('3 more below them');
    $browser->pick('B', 2);
    $is(['A', 'C']);
    $browser->keys('Escape');
    $is(['C']);
    $browser->keys('Mod+a');
    $is(['A', 'B', 'C']);
    $browser->pick('A');
    $browser->keys('Alt+Shift+b');
    $is(['A', 'A1', 'A2']);
    $browser->pick('A1');
    $browser->keys('Alt+Shift+l');
    $is(['A1', 'A2', 'B1']);
    $browser->pick('A1');
    $box = $browser->boxOf('A1');
    $end = $browser->boxOf('B1');
    $browser->pointer('mousePressed', $box['x'] - 12, $box['y'] - 14, ['modifiers' => 8])
        ->pointer('mouseMoved', $box['x'] + 40, $box['y'] + 30, ['modifiers' => 8])
        ->pointer('mouseMoved', $end['x'] + $end['w'] + 20, $end['y'] + $end['h'] + 6, ['modifiers' => 8]);
    $browser->waitFor('.lasso');
    $browser->pointer('mouseReleased', $end['x'] + $end['w'] + 20, $end['y'] + $end['h'] + 6, ['modifiers' => 8]);
    $is(['A1', 'A2', 'B1']);
    $browser->keys('Mod+Alt+f')->waitFor("input[aria-label='Find']")->type('1');
    $browser->waitFor('.hit')->press('Choose these topics');
    $is(['A1', 'B1']);
    $from = lineOf($browser, 'A');
    $to = lineOf($browser, 'B');
    $browser->pointer('mousePressed', ...$from)->pointer('mouseReleased', ...$from);
    $browser->pointer('mousePressed', ...$to, more: ['modifiers' => 8])->pointer('mouseReleased', ...$to, more: ['modifiers' => 8]);
    $is(['A', 'B']);
});

it('pulls a branch apart with Shift, and puts it back', function () {
    $browser = openOutline("Plan\n\tA\n\tB\n\t\tB1\n\tC\n");
    usleep(300_000);
    $before = [$browser->boxOf('B'), $browser->boxOf('B1')];
    $gap = $before[0]['y'] - $browser->boxOf('A')['y'];
    $at = middleOf($browser, 'B');
    $browser->pointer('mousePressed', ...$at, more: ['modifiers' => 8]);
    foreach ([20, 40, 60] as $by) {
        $browser->pointer('mouseMoved', $at[0] + $by, $at[1] + $by, ['modifiers' => 8]);
    }
    $browser->pointer('mouseReleased', $at[0] + 60, $at[1] + 60, ['modifiers' => 8])->saved();
    usleep(500_000);
    expect($browser->boxOf('B')['y'] - $browser->boxOf('A')['y'])->toBeGreaterThan($gap + 40)
        ->and($browser->boxOf('B1')['x'] - $browser->boxOf('B')['x'])->toEqualWithDelta($before[1]['x'] - $before[0]['x'], 1.0);
    $browser->pick('B');
    $browser->press('Put back')->saved();
    usleep(500_000);
    expect($browser->boxOf('B')['y'] - $browser->boxOf('A')['y'])->toEqualWithDelta($gap, 1.0);
});

it('steps into a branch and out again, on the board and in the outline by themselves', function () {
    $browser = openOutline("Plan\n\tA\n\t\tA1\n\t\t\tdeep\n\tB\n");
    $browser->pick('A');
    // Stepping into a folded branch shows it.
    $browser->keys('Alt+f')->saved();
    $browser->keys('Alt+i')->saved()->waitFor('.trail');
    $browser->waitUntil(fn (): bool => $browser->count('.slip') === 3, 'the branch alone');
    expect($browser->count('.slip.level-0'))->toBe(1)->and($browser->outline())->toContain('  B');
    $browser->visit((string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))->ready();
    expect($browser->script('return document.querySelector(".trail").innerText'))->toContain('Plan')->toContain('A');
    $browser->press('Step out')->saved();
    $browser->pick('A');
    $browser->keys('Alt+f')->saved();
    $browser->waitUntil(fn (): bool => $browser->count('.slip') === 5, 'all of it');
    $line = lineOf($browser, 'A1');
    $browser->pointer('mousePressed', ...$line)->pointer('mouseReleased', ...$line);
    $browser->keys('Alt+i')->saved();
    $browser->waitUntil(fn (): bool => $browser->outline() === ['A1', '  deep'], 'the outline of A1');
    expect($browser->count('.slip'))->toBe(5);
    $browser->keys('Alt+Shift+i')->saved();
    $browser->keys('Alt+Shift+1')->saved();
    $browser->waitUntil(fn (): bool => count($browser->outline()) === 2, 'one level', 5);
});

it('opens a second view with folds of its own, and drags between the two', function () {
    $browser = openOutline("Plan\n\tA\n\tB\n");
    $browser->keys('Alt+Shift+v')->waitFor('iframe');
    $inside = 'const d = document.querySelector("iframe").contentDocument;';
    $browser->waitUntil(fn (): bool => $browser->script("{$inside} return d?.querySelectorAll('.slip').length === 3"), 'the second view');
    usleep(600_000);
    $place = $browser->script("{$inside} const f = document.querySelector('iframe').getBoundingClientRect(); const r = [...d.querySelectorAll('.slip')].find(s => s.textContent.trim() === 'B').querySelector('.paper').getBoundingClientRect(); return [f.x + r.x + r.width * 0.85, f.y + r.y + r.height / 2]");
    $browser->drag(middleOf($browser, 'A'), $place, release: false);
    $browser->waitUntil(fn (): bool => $browser->script("{$inside} return d.querySelector('.slot') !== null"), 'the slot in the other view');
    $browser->pointer('mouseReleased', ...$place);
    isOutline($browser, ['Plan', '  B', '    A']);
    $browser->waitUntil(fn (): bool => $browser->script("{$inside} return [...d.querySelectorAll('.slip')].some(s => s.textContent.trim() === 'A')"), 'the other view to follow');
    $browser->press('Close this view');
    expect($browser->has('iframe'))->toBeFalse()->and($browser->complaints())->toBe([]);
});

it('opens a topic by its address, unfolding the way, and says when it has gone', function () {
    $browser = openOutline("Plan\n\tA\n\t\tA1\n\tB\n");
    $browser->pick('A1');
    $id = $browser->topic('A1');
    $map = basename((string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH));
    $browser->pick('A');
    $browser->keys('Alt+f')->saved();
    $browser->visit("/maps/{$map}/topics/{$id}")->ready();
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".outline .chosen .text")?.innerText') === 'A1' && ! $browser->has('.tally'), 'A1 to be chosen and seen');
    $browser->keys('Delete')->saved();
    $browser->visit("/maps/{$map}/topics/{$id}")->ready()->press('Look in the history');
    $browser->waitFor('.history .edits button');
    expect($browser->script('return document.querySelector(".edits").innerText'))->toContain('Removed “A1”');
});
