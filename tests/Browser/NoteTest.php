<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/** The note of the chosen topic as it is kept. */
function keptNote(Browser $browser): string
{
    $browser->press('Markdown')->waitFor('.desk .note-source textarea');
    $note = (string) $browser->script('return document.querySelector(".desk .note-source textarea").value');
    $browser->press('Formatted');

    return $note;
}

it('writes a note large, with a table and a formula, and keeps it as Markdown that reads back the same', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Hull speed')->keys('Mod+Enter')->saved();
    $browser->keys('Mod+Shift+e')->waitFor('.large-note .note-text')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.closest(".large-note .note-text") !== null'), 'the caret in the note');
    $browser->type('As fast as its wave: $v = 1.34 \sqrt{L}$, not for $5 or $6.')->keys('Enter');
    $browser->waitFor('.large-note .formula math');
    $browser->press('Table')->waitFor('.large-note table');
    $browser->type('Boat | ship')->keys('Tab')->type('Length')->keys('Tab')->type('Ferry')->keys('Tab')->type('12 m')->keys('Tab')->type('Skiff')->keys('Tab')->type('5 m')->keys('Tab')->type('Raft');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.large-note'), 'the note to close')->saved();
    $browser->waitFor('.slip .note-sign')->waitFor('.desk .note-text table');
    $markdown = "As fast as its wave: \$v = 1.34 \\sqrt{L}\$, not for \$5 or \$6.\n\n| Boat \\| ship | Length |\n| --- | --- |\n| Ferry | 12 m |\n| Skiff | 5 m |\n| Raft |  |";
    expect(keptNote($browser))->toBe($markdown);
    // Formatted again it is the same, over a reload too, and the sign tells that there is a table.
    $browser->script('location.reload()');
    $browser->waitFor('.desk .note-text table')->waitFor('.desk .formula math');
    expect(keptNote($browser))->toBe($markdown)
        ->and((string) $browser->script('return document.querySelector(".slip .note-sign").getAttribute("d")'))->toContain('h11v10h-11v-10m0 3.5');
    expect($browser->complaints())->toBe([]);
});

it('keeps what the formatted editor cannot as it was written', function (string $markdown) {
    $browser = Studio::browser()->newMap();
    $browser->type('Tides')->keys('Mod+Enter')->saved();
    $browser->press('Markdown')->waitFor('.desk .note-source textarea');
    $browser->script('const t = document.querySelector(".desk .note-source textarea"); t.focus(); t.value = arguments[0]; t.dispatchEvent(new Event("input", {bubbles: true})); t.blur()', $markdown);
    $browser->saved();
    $browser->script('location.reload()');
    $browser->waitFor('.desk .note-source textarea, .desk .note-text')->waitUntil(fn (): bool => $browser->has('.desk .note-source textarea') && $browser->script('return document.querySelector(".desk .note-source textarea").value') === $markdown, 'the same Markdown');
    expect($browser->complaints())->toBe([]);
})->with([
    'a table that is set otherwise' => ["a | b\n--|--\n1 | 2"],
    'a picture' => ['![Quay](https://saltmere.example/quay.png)'],
]);

it('links a note to a topic by typing its name, and goes there and back', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Lockside')->keys('Tab')->type('Paddle gear')->keys('Enter')->type('Windlass store')->keys('Mod+Enter')->saved();
    $browser->pick('Paddle gear')->keys('Alt+n')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.classList.contains("note-text")'), 'the caret in the note');
    $browser->type('Wound with the one in ')->press('Link to a topic');
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.ariaLabel') === 'Name of the topic to link to', 'the field')->type('Windlass')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".picker li.on")?.textContent ?? ""'), 'Windlass store'), 'the topic');
    $browser->keys('Enter')->waitFor('.desk .note-text a');
    $at = (array) $browser->script('const b = document.querySelector(".desk .note-text a").getBoundingClientRect(); return [b.x + b.width / 2, b.y + b.height / 2]');
    $browser->pointer('mousePressed', $at[0], $at[1], ['button' => 'left', 'clickCount' => 1, 'modifiers' => 2])->pointer('mouseReleased', $at[0], $at[1], ['button' => 'left', 'clickCount' => 1, 'modifiers' => 2]);
    $chosen = fn (): string => (string) $browser->script('return document.querySelector(".outline .line.chosen .text")?.textContent.trim() ?? ""');
    $browser->waitUntil(fn (): bool => $chosen() === 'Windlass store', 'where it leads');
    $browser->act('Back to where one was before a link')->waitUntil(fn (): bool => $chosen() === 'Paddle gear', 'back');
    expect(keptNote($browser))->toMatch('~^Wound with the one in \[Windlass store\]\(/maps/[0-9a-z]{26}/topics/[0-9a-z]{26}\)$~');
});

it('sets letters of a title lower and higher, as they are typed and as they are drawn', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('H')->keys('Mod+,')->type('2')->keys('Mod+,')->type('O at 10 m')->keys('Mod+.')->type('2')->keys('Mod+.', 'Mod+Enter')->saved();
    $spans = (array) $browser->script('return [...document.querySelectorAll(".slip text.title tspan")].map((one) => [one.textContent, Number(one.getAttribute("y") ?? 0), one.getAttribute("font-size")])');
    [$h, $two, $rest, $square] = $spans;
    expect(array_column($spans, 0))->toBe(['H', '2', 'O at 10 m', '2'])
        ->and($two[1])->toBeGreaterThan($h[1])->and($rest[1])->toBe($h[1])->and($square[1])->toBeLessThan($h[1])
        ->and([$h[2], $two[2] !== null, $square[2] !== null])->toBe([null, true, true]);
    $kept = json_decode(Studio::server()->artisan('map:show', basename((string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))), true);
    expect(array_column($kept['topics'], 'title'))->toBe(['H<sub>2</sub>O at 10 m<sup>2</sup>']);
});
