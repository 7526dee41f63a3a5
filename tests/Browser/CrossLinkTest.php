<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/** A small map on which everything is in view. */
function festivalBoard(): Browser
{
    $browser = Studio::browser()->newMap();
    $browser->type('Festival')->keys('Tab')->type('Route')->keys('Tab')->type('Dusk')->keys('Shift+Tab')->type('Harbour')->keys('Tab')->type('Ferries')->keys('Enter')->type('Guard')->keys('Mod+Enter')->saved();

    return $browser;
}

/** @return list<string> the cross-links as the outline has them below their topics */
function tiedLines(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll(".outline .tied")].map((one) => one.textContent.trim())');
}

/** @return list<string> the phrases on the board */
function phrasesOnBoard(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll(".board .mark")].map((mark) => [...mark.querySelectorAll("text.phrase")].map((one) => one.textContent).join(" "))');
}

/** @return array{float, float} a point of the window a part of the way along the line of the only cross-link with this phrase */
function pointOfLine(Browser $browser, float $part, int $nth = 0): array
{
    return (array) $browser->script('
        const path = document.querySelectorAll(".board .mark path.line")[arguments[1]]
        const at = path.getPointAtLength(path.getTotalLength() * arguments[0]).matrixTransform(path.getScreenCTM())
        return [at.x, at.y]', $part, $nth);
}

/** @return array{float, float} */
function middleOnBoard(Browser $browser, string $title): array
{
    $box = $browser->boxOf($title);

    return [$box['x'] + $box['w'] / 2, $box['y'] + $box['h'] / 2];
}

function doubleClickAt(Browser $browser, array $at): void
{
    foreach ([1, 2] as $count) {
        $browser->pointer('mousePressed', ...$at, more: ['clickCount' => $count])->pointer('mouseReleased', ...$at, more: ['clickCount' => $count]);
    }
}

it('draws, says, turns and removes a cross-link by keys alone', function () {
    $browser = festivalBoard();
    $browser->pick('Dusk');
    $browser->keys('Alt+d')->waitFor('.tying');
    expect($browser->count('.board .can-end'))->toBe(5);
    $browser->type('ferr')->waitFor('.board .target');
    $browser->keys('Enter')->waitFor('.phrase-field');
    $browser->type('waits for')->keys('Enter')->saved()->waitUntil(fn (): bool => phrasesOnBoard($browser) === ['waits for'], 'the phrase');
    expect(tiedLines($browser))->toBe(['→ waits for: Ferries'])
        ->and($browser->script('return document.querySelector(".desk h2").textContent'))->toBe('Cross-link');
    // With the arrows, from another topic.
    $browser->keys('ArrowRight')->waitUntil(fn (): bool => $browser->script('return document.querySelector(".desk h2").textContent') === 'Ferries', 'the topic at its end');
    $browser->keys('Alt+d')->waitFor('.tying');
    $browser->keys('ArrowRight', 'ArrowRight')->waitFor('.board .target');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.tying') && ! $browser->has('.can-end'), 'nothing to come of it');
    expect(tiedLines($browser))->toBe(['→ waits for: Ferries']);
    $browser->keys('Alt+e')->waitFor('.mark.chosen');
    $browser->keys('Alt+r')->saved()->waitUntil(fn (): bool => tiedLines($browser) === ['→ waits for: Dusk'], 'the other way round');
    // The other end elsewhere.
    $browser->keys('Alt+d')->waitFor('.tying');
    $browser->type('Guard')->waitFor('.board .target');
    $browser->keys('Enter')->saved()->waitUntil(fn (): bool => tiedLines($browser) === ['→ waits for: Guard'], 'another end');
    // Bent by keys, and put back.
    $line = fn (): string => (string) $browser->script('return document.querySelector(".mark path.line").getAttribute("d")');
    $browser->waitFor('.mark.chosen');
    $before = $line();
    $browser->keys('Alt+ArrowDown', 'Alt+ArrowDown')->saved()->waitUntil(fn (): bool => $line() !== $before, 'a bend');
    $browser->keys('Alt+Shift+0')->saved()->waitUntil(fn (): bool => $line() === $before, 'no bend');
    $browser->keys('Enter')->waitFor('.phrase-field');
    $browser->type('hails')->keys('Enter')->saved()->waitUntil(fn (): bool => phrasesOnBoard($browser) === ['hails'], 'another phrase');
    $browser->keys('Delete')->saved()->waitUntil(fn (): bool => phrasesOnBoard($browser) === [], 'none');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => phrasesOnBoard($browser) === ['hails'], 'it again');
    expect($browser->complaints())->toBe([]);
});

it('has no grip over titles that are drawn large from afar', function () {
    $browser = festivalBoard();
    $browser->pick('Dusk')->waitFor('.tie-grip');
    for ($step = 0; $step < 12 && ! $browser->has('.far-label[data-topic].chosen'); $step++) {
        $browser->press('Farther');
        usleep(300_000);
    }
    expect($browser->has('.far-label.chosen'))->toBeTrue()->and($browser->has('.tie-grip'))->toBeFalse();
    for ($step = 0; $step < 12 && $browser->has('.far-label.chosen'); $step++) {
        $browser->press('Closer');
        usleep(300_000);
    }
    $browser->waitFor('.tie-grip');
});

it('draws one with the mouse from the edge of a topic, and unties by dropping again', function () {
    $browser = festivalBoard();
    $browser->pick('Dusk')->waitFor('.tie-grip');
    $grip = (array) $browser->script('const r = document.querySelector(".tie-grip circle").getBoundingClientRect(); return [r.x + r.width / 2, r.y + r.height / 2]');
    $browser->drag($grip, middleOnBoard($browser, 'Guard'))->waitFor('.phrase-field');
    $browser->keys('Escape')->saved()->waitUntil(fn (): bool => tiedLines($browser) === ['→ Guard'], 'a cross-link');
    // Dropped on another with Shift.
    $to = middleOnBoard($browser, 'Ferries');
    $drop = function () use ($browser, $to): void {
        [$x, $y] = middleOnBoard($browser, 'Dusk');
        $browser->pointer('mousePressed', $x, $y)->pointer('mouseMoved', $x + 8, $y + 8);
        foreach ([0.5, 0.9, 1.0] as $part) {
            $browser->pointer('mouseMoved', $x + ($to[0] - $x) * $part, $y + ($to[1] - $y) * $part, ['modifiers' => 8]);
        }
        $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".drag-label")?.textContent'), 'tied to Ferries'), 'the words');
        $browser->pointer('mouseReleased', ...$to, more: ['modifiers' => 8]);
    };
    $drop();
    $browser->waitFor('.phrase-field')->keys('Enter')->saved()->waitUntil(fn (): bool => tiedLines($browser) === ['→ Guard', '→ Ferries'], 'two');
    $drop();
    $browser->saved()->waitUntil(fn (): bool => tiedLines($browser) === ['→ Guard'], 'one again');
    // By the menu, and a click on the other end.
    $browser->menuOn('Guard')->press('Draw a cross-link from here')->waitFor('.tying');
    $browser->pick('Route')->waitFor('.phrase-field')->keys('Enter')->saved()->waitUntil(fn (): bool => tiedLines($browser) === ['→ Guard', '→ Route'], 'a third');
    expect($browser->complaints())->toBe([]);
});

it('bends a line where it is dragged, drags its end, and puts topics in between', function () {
    $browser = festivalBoard();
    $browser->pick('Dusk')->keys('Alt+d')->waitFor('.tying');
    $browser->pick('Guard')->waitFor('.phrase-field');
    $browser->type('calls')->keys('Enter')->saved()->waitUntil(fn (): bool => phrasesOnBoard($browser) === ['calls'], 'the phrase');
    [$x, $y] = pointOfLine($browser, 0.3);
    $browser->drag([$x, $y], [$x, $y + 110])->saved()->waitUntil(function () use ($browser, $y): bool {
        return max(array_map(fn (int $n): float => pointOfLine($browser, $n / 20)[1], range(0, 20))) > $y + 80;
    }, 'the line to go lower');
    $browser->press('Put the bend back')->saved()->waitUntil(fn (): bool => max(array_map(fn (int $n): float => pointOfLine($browser, $n / 20)[1], range(0, 20))) < $y + 80, 'the line as it was');
    // Escape while it is dragged.
    $before = pointOfLine($browser, 0.5);
    $browser->drag([$x, $y], [$x, $y + 110], release: false)->waitFor('.board .trial')->keys('Escape');
    $browser->pointer('mouseReleased', $x, $y + 110);
    expect(pointOfLine($browser, 0.5))->toBe($before);
    $end = (array) $browser->script('const r = document.querySelectorAll(".ends .handle")[1].getBoundingClientRect(); return [r.x + r.width / 2, r.y + r.height / 2]');
    $browser->drag($end, middleOnBoard($browser, 'Ferries'))->saved()->waitUntil(fn (): bool => tiedLines($browser) === ['→ calls: Ferries'], 'another end');
    // A double click on the line, away from its words: a new topic in between.
    $browser->waitFor('.mark.chosen');
    doubleClickAt($browser, pointOfLine($browser, 0.12));
    $browser->waitFor('.title-editor')->type('Signal')->keys('Mod+Enter')->saved()->waitUntil(fn (): bool => tiedLines($browser) === ['→ calls: Signal', '→ Ferries'], 'it in between');
    // One that is there is dropped on the second part.
    $browser->keys('Alt+Shift+n');
    $browser->waitFor('.title-editor')->type('Flag')->keys('Mod+Enter')->saved();
    [$x, $y] = pointOfLine($browser, 0.5, 1);
    $browser->drag(middleOnBoard($browser, 'Flag'), [$x, $y])->saved()->waitUntil(fn (): bool => tiedLines($browser) === ['→ calls: Signal', '→ Flag', '→ Ferries'], 'that in between too');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => tiedLines($browser) === ['→ calls: Signal', '→ Ferries'], 'undone in one');
    expect($browser->complaints())->toBe([]);
});

it('reads the map out as sentences, where phrases are typed and topics gone to', function () {
    $browser = festivalBoard();
    foreach (['Dusk' => 'ferr', 'Guard' => 'dusk'] as $from => $to) {
        $browser->pick($from)->keys('Alt+d')->waitFor('.tying');
        $browser->type($to)->waitFor('.board .target');
        $browser->keys('Enter')->waitFor('.phrase-field')->keys('Enter')->saved();
    }
    $browser->keys('Alt+9')->waitFor('.sentences li');
    $read = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".sentences ol .text")].map((one) => one.textContent)');
    $browser->waitUntil(fn (): bool => $read() === ['Dusk … Ferries.', 'Guard … Dusk.'], 'two sentences');
    expect($browser->script('return document.querySelector(".sentences").innerText'))->toContain('2 without a phrase');
    // Phrase after phrase by Enter alone.
    $browser->script('document.querySelector(".sentences .phrase input").focus()');
    $browser->type('holds up the')->keys('Enter')->type('waits for')->keys('Enter')->saved()->waitUntil(fn (): bool => $read() === ['Dusk holds up the Ferries.', 'Guard waits for Dusk.'], 'both said');
    expect(phrasesOnBoard($browser))->toBe(['holds up the', 'waits for']);
    $browser->script('document.querySelectorAll(".sentences ol .text")[0].click()');
    $browser->waitUntil(fn (): bool => $browser->count('.mark.chosen') === 1 && $browser->script('return document.querySelector(".mark.chosen").textContent') === 'holds up the', 'the cross-link chosen');
    // What the teacher marks wrong does not count.
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".sentences table").innerText'), '2 valid propositions'), 'the score');
    $browser->press('Mark the propositions')->press('Wrong')->saved()->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".sentences table").innerText'), '1 valid proposition'), 'one that counts');
    // What is tied to nothing.
    $browser->script('document.querySelector(".sentences header button").focus()');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.sentences'), 'the panel closed');
    $browser->keys('Alt+Shift+n')->waitFor('.title-editor')->type('Rain')->keys('Mod+Enter')->saved();
    $browser->keys('Alt+9')->waitFor('.sentences ul .text');
    $browser->press('Rain')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".board [role=status]").textContent'), 'Rain'), 'the loose topic chosen');
    expect($browser->complaints())->toBe([]);
});

it('ties and says it where there is no board', function () {
    $browser = festivalBoard();
    $browser->press('Outline')->waitUntil(fn (): bool => ! $browser->has('.board'), 'the outline alone');
    $browser->script('document.querySelector(".outline").focus()');
    $browser->keys('Alt+d')->waitFor('.tying');
    $browser->type('dusk')->waitUntil(fn (): bool => $browser->has('.tying li.on'), 'a hit');
    $browser->keys('Enter')->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Linking phrase', 'the field at the desk');
    $browser->type('waits for')->keys('Enter')->saved()->waitUntil(fn (): bool => tiedLines($browser) === ['→ waits for: Dusk'], 'it below its topic');
    $browser->press('Board');
    expect($browser->complaints())->toBe([]);
});

it('keeps what is typed at the desk while answers come in', function () {
    $browser = festivalBoard();
    $browser->press('Outline')->waitUntil(fn (): bool => ! $browser->has('.board'), 'the outline alone');
    $browser->script('document.querySelector(".outline").focus()');
    $browser->keys('Alt+d')->waitFor('.tying')->type('dusk')->waitUntil(fn (): bool => $browser->has('.tying li.on'), 'a hit');
    $browser->delayed(600)->keys('Enter')->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Linking phrase', 'the field at the desk');
    // The answer to the cross-link comes between two words, the list of cross-links with it.
    $browser->type('waits ')->saved()->type('for')->keys('Enter')->delayed(0)->saved();
    expect(tiedLines($browser))->toBe(['→ waits for: Dusk']);
});

it('ties new topics in four directions, title and phrase one after the other', function () {
    $browser = festivalBoard();
    $browser->pick('Guard');
    foreach (['Mod+Alt+ArrowDown' => 'Lamp', 'Mod+Alt+ArrowLeft' => 'Rope', 'Mod+Alt+ArrowRight' => 'Bell', 'Mod+Alt+ArrowUp' => 'Flag'] as $keys => $title) {
        $from = $browser->script('return document.querySelector(".desk h2").textContent');
        $browser->keys($keys)->waitFor('.title-editor')->type($title)->keys('Mod+Enter')->waitFor('.phrase-field');
        $browser->type('holds')->keys('Enter')->saved()->waitUntil(fn (): bool => in_array("→ holds: {$title}", tiedLines($browser), true), "{$title} tied to {$from}");
        $browser->keys('ArrowLeft');
    }
    $lines = tiedLines($browser);
    sort($lines);
    expect($lines)->toBe(['→ holds: Bell', '→ holds: Flag', '→ holds: Lamp', '→ holds: Rope']);
    // Left without a title it never was.
    $browser->keys('Mod+Alt+ArrowDown')->waitFor('.title-editor')->keys('Escape')->saved();
    $browser->waitUntil(fn (): bool => count(tiedLines($browser)) === 4 && ! $browser->has('.phrase-field'), 'four as before');
    // Many changed at once, at the desk.
    $browser->pick('Guard')->press('Choose them all')->waitUntil(fn (): bool => $browser->count('.mark.chosen') === 4, 'all four');
    $browser->press('Both')->saved()->waitUntil(fn (): bool => $browser->count('.mark path.head') === 8, 'heads at both ends');
    $browser->press('Dashed')->saved()->waitUntil(fn (): bool => $browser->script('return [...document.querySelectorAll(".mark path.line")].every((one) => one.style.strokeDasharray !== "none")') === true, 'dashes');
    $browser->visit((string) $browser->script('return location.pathname'))->waitFor('.mark path.head')->waitUntil(fn (): bool => $browser->count('.mark path.head') === 8, 'the same after a reload');
    expect($browser->complaints())->toBe([]);
});
