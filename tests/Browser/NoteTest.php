<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Studio;
use Tests\Support\Browser;
use Tests\Support\Photos;

/** The editor comes with the first note that there is to read or to write. */
function begunNote(Browser $browser): Browser
{
    return $browser->has('.desk .note-text, .desk .note-source') ? $browser : $browser->press('Write a note')->waitFor('.desk .note-text');
}

/** The note of the chosen topic as it is kept. */
function keptNote(Browser $browser): string
{
    begunNote($browser)->press('Markdown')->waitFor('.desk .note-source textarea');
    $note = (string) $browser->script('return document.querySelector(".desk .note-source textarea").value');
    $browser->press('Formatted');

    return $note;
}

/** Presses a tool of the note, which may be called as something else in the window is. */
function pressTool(Browser $browser, string $name): Browser
{
    $browser->driver->findElement(WebDriverBy::xpath("//*[contains(@class, 'large-note') or contains(@class, 'desk')]//button[normalize-space(.) = '{$name}']"))->click();

    return $browser;
}

it('writes into the note of the topic that was chosen last, however soon one types', function () {
    $browser = Studio::lent("Story\n\tAt the quay\n\tIn the fog");
    $browser->pick('At the quay')->keys('Alt+n')->waitFor('.desk .note-text')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.closest(".note-text") !== null'), 'the caret')->type('Ines waits.')->keys('Escape')->saved();
    // Chosen and begun within one turn of the page, before the editor has come to rest.
    $browser->pick('In the fog');
    $browser->script('document.querySelector(".desk .note-text").focus(); document.execCommand("insertText", false, "Nobody answers.")');
    $browser->keys('Escape')->saved();
    expect(keptNote($browser->pick('In the fog')))->toBe('Nobody answers.')->and(keptNote($browser->pick('At the quay')))->toBe('Ines waits.')->and($browser->complaints())->toBe([]);
});

it('writes a note large, with a table and a formula, and keeps it as Markdown that reads back the same', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Hull speed')->keys('Mod+Enter')->saved();
    $browser->keys('Mod+Shift+e')->waitFor('.large-note .note-text')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.closest(".large-note .note-text") !== null'), 'the caret in the note');
    $browser->type('As fast as its wave: $v = 1.34 \sqrt{L}$, not for $5 or $6.')->keys('Enter');
    $browser->waitFor('.large-note .formula math');
    pressTool($browser, 'Table')->waitFor('.large-note table');
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
    begunNote($browser)->press('Markdown')->waitFor('.desk .note-source textarea');
    $browser->script('const t = document.querySelector(".desk .note-source textarea"); t.focus(); t.value = arguments[0]; t.dispatchEvent(new Event("input", {bubbles: true})); t.blur()', $markdown);
    $browser->saved();
    $browser->script('location.reload()');
    $browser->waitFor('.desk .note-source textarea, .desk .note-text')->waitUntil(fn (): bool => $browser->has('.desk .note-source textarea') && $browser->script('return document.querySelector(".desk .note-source textarea").value') === $markdown, 'the same Markdown');
    expect($browser->complaints())->toBe([]);
})->with([
    'a table that is set otherwise' => ["a | b\n--|--\n1 | 2"],
    'a picture among other signs' => ['![Quay](<https://saltmere.example/the quay.png>)'],
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
    $browser->act('Back to where one was')->waitUntil(fn (): bool => $chosen() === 'Paddle gear', 'back');
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

it('takes pictures into a note, says what is on them, and keeps them as Markdown', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Lanterns')->keys('Mod+Enter')->saved();
    $browser->keys('Alt+n')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.classList.contains("note-text")'), 'the caret in the note')->type('As drawn: ');
    $path = sys_get_temp_dir().'/long-fish.png';
    file_put_contents($path, Photos::png(120, 80));
    $browser->find('.desk .note-pictures')->sendKeys($path);
    $browser->waitUntil(fn (): bool => $browser->script('return (document.querySelector(".desk .note-text img")?.naturalWidth ?? 0) === 120'), 'the picture');
    $at = (array) $browser->script('const b = document.querySelector(".desk .note-text img").getBoundingClientRect(); return [b.x + b.width / 2, b.y + b.height / 2]');
    $browser->pointer('mousePressed', $at[0], $at[1], ['button' => 'left', 'clickCount' => 1])->pointer('mouseReleased', $at[0], $at[1], ['button' => 'left', 'clickCount' => 1]);
    $browser->waitFor('.picture-tools input')->script('document.querySelector(".picture-tools input").select()');
    $browser->find('.picture-tools input')->sendKeys('Nine metres');
    $browser->script('document.querySelector(".desk .note-text").focus(); document.querySelector("[data-region=board]").focus()');
    $browser->saved();
    expect(keptNote($browser))->toMatch('~^As drawn: !\[Nine metres\]\(file:[0-9a-f]{64}\)$~')->and($browser->has('.slip .note-sign'))->toBeTrue();
    $browser->script('location.reload()');
    $browser->waitUntil(fn (): bool => $browser->script('const image = document.querySelector(".desk .note-text img"); return image !== null && image.naturalWidth === 120 && image.alt === "Nine metres"'), 'the same after a reload');
    expect($browser->complaints())->toBe([]);
});

it('finds words inside a note, one after the other, and leaves the caret there', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Log')->keys('Mod+Enter')->saved();
    $browser->keys('Mod+Shift+e')->waitFor('.large-note .note-text')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.closest(".large-note .note-text") !== null'), 'the caret in the note');
    $browser->type('The ferry left. A FERRY came, and no other fer');
    $browser->keys('Mod+b')->type('ry.')->keys('Mod+b', 'Mod+f')->waitFor('.note-find input')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.closest(".note-find") !== null'), 'the field')->type('ferry');
    $said = fn (): string => (string) $browser->script('return document.querySelector(".note-find span").textContent');
    $browser->waitUntil(fn (): bool => $said() === '1 of 3', 'three places');
    expect($browser->script('return [...document.querySelectorAll(".note-hit")].map((one) => one.textContent).join("|")'))->toBe('ferry|FERRY|fer|ry');
    $browser->keys('Enter')->waitUntil(fn (): bool => $said() === '2 of 3', 'the second')->keys('Enter', 'Enter')->waitUntil(fn (): bool => $said() === '1 of 3', 'around')->keys('Shift+Enter')->waitUntil(fn (): bool => $said() === '3 of 3', 'and back');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.note-find') && (bool) $browser->script('return document.activeElement.closest(".large-note .note-text") !== null'), 'the note again');
    expect($browser->script('return document.getSelection().toString()'))->toBe('ferry')->and($browser->script('return document.querySelectorAll(".note-hit").length'))->toBe(0)->and($browser->complaints())->toBe([]);
    $browser->keys('Escape');
});

it('changes a table by its buttons, and opens a formula again by a click', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Boats')->keys('Mod+Enter')->saved();
    $browser->keys('Alt+n')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.classList.contains("note-text")'), 'the caret in the note');
    pressTool($browser, 'Table')->waitFor('.desk .note-text table')->type('Boat');
    foreach (['Row below', 'Column after'] as $tool) {
        $browser->press($tool);
    }
    $size = fn (): array => (array) $browser->script('const t = document.querySelector(".desk .note-text table"); return [t.rows.length, t.rows[0].cells.length]');
    $browser->waitUntil(fn (): bool => $size() === [4, 3], 'a row and a column more')->press('Remove row');
    $browser->press('Remove column')->waitUntil(fn (): bool => $size() === [3, 2], 'and gone again');
    $browser->press('Remove table')->waitUntil(fn (): bool => ! $browser->has('.desk .note-text table'), 'no table');
    $browser->type('$a^2$')->waitFor('.desk .formula math');
    $at = (array) $browser->script('const b = document.querySelector(".desk .formula").getBoundingClientRect(); return [b.x + b.width / 2, b.y + b.height / 2]');
    $browser->pointer('mousePressed', $at[0], $at[1], ['button' => 'left', 'clickCount' => 1])->pointer('mouseReleased', $at[0], $at[1], ['button' => 'left', 'clickCount' => 1]);
    $browser->waitUntil(fn (): bool => ! $browser->has('.desk .formula'), 'its text again')->type(' + b$')->waitUntil(fn (): bool => $browser->script('return document.querySelector(".desk .formula")?.getAttribute("aria-label")') === 'Formula a^2 + b', 'the longer one');
    expect($browser->complaints())->toBe([]);
});

it('leaves the caret where one clicks in a note, and at its end below it', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Log')->keys('Mod+Enter')->saved();
    $browser->keys('Alt+n')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.classList.contains("note-text")'), 'the caret in the note')->type('The ferry left.');
    $click = fn (float $x, float $y): Browser => $browser->pointer('mousePressed', $x, $y, ['button' => 'left', 'clickCount' => 1])->pointer('mouseReleased', $x, $y, ['button' => 'left', 'clickCount' => 1]);
    $at = (array) $browser->script('const range = document.createRange(); range.setStart(document.querySelector(".desk .note-text p").firstChild, 4); range.collapse(true); const b = range.getBoundingClientRect(); return [b.x, b.y + b.height / 2]');
    $click($at[0] + 0.5, $at[1])->type('old ');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".desk .note-text").textContent') === 'The old ferry left.', 'the word in the middle');
    $sheet = (array) $browser->script('const b = document.querySelector(".desk .sheet").getBoundingClientRect(); return [b.x + b.width / 2, b.bottom - 8]');
    $browser->script('document.activeElement.blur()');
    $click(...$sheet)->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.classList.contains("note-text")'), 'the caret in the note')->type(' Late.');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".desk .note-text").textContent') === 'The old ferry left. Late.', 'the word at the end');
    expect($browser->saved()->complaints())->toBe([]);
});

it('takes pictures that are pasted and dropped into a note, and leaves other files to the map', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Lanterns')->keys('Mod+Enter')->saved();
    $browser->keys('Alt+n')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.classList.contains("note-text")'), 'the caret in the note');
    $let = fn (string $type, string $name) => $browser->script(<<<'JS'
        const [contents, type, name] = arguments
        const data = new DataTransfer()
        data.items.add(new File([Uint8Array.from(atob(contents), (sign) => sign.charCodeAt(0))], name, { type: 'image/png' }))
        const note = document.querySelector('.desk .note-text')
        const { x, y, width, height } = note.getBoundingClientRect()
        const at = { bubbles: true, cancelable: true, clientX: x + width / 2, clientY: y + height / 2 }
        if (type === 'paste') note.dispatchEvent(new ClipboardEvent('paste', { ...at, clipboardData: data }))
        else for (const one of ['dragover', 'drop']) note.dispatchEvent(new DragEvent(one, { ...at, dataTransfer: data }))
        JS, base64_encode(Photos::png(80, 60)), $type, $name);
    $let('paste', 'first-one.png');
    $browser->waitUntil(fn (): bool => $browser->count('.desk .note-text img.note-picture') === 1, 'the pasted picture');
    $let('drop', 'second.png');
    $browser->waitUntil(fn (): bool => $browser->count('.desk .note-text img.note-picture') === 2, 'the dropped picture');
    // None of them came to the topic itself.
    expect($browser->has('.slip image'))->toBeFalse();
    $browser->script('document.querySelector("[data-region=board]").focus()');
    expect(keptNote($browser->saved()))->toContain('![first one](file:', '![second](file:')->and($browser->complaints())->toBe([]);
});

it('makes links of addresses that are typed in notes and titles, and of nothing that could run', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Lockside')->keys('Mod+Enter')->saved();
    $browser->keys('Alt+n')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.classList.contains("note-text")'), 'the caret in the note')
        ->type('See https://saltmere.example/oars. And javascript:alert(1) or (https://saltmere.example/a) x');
    $links = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".desk .note-text a")].map((one) => [one.textContent, one.getAttribute("href")])');
    $browser->waitUntil(fn (): bool => $links() === [['https://saltmere.example/oars', 'https://saltmere.example/oars']], 'the link');
    $browser->script('document.querySelector("[data-region=board]").focus()');
    expect(keptNote($browser->saved()))->toContain('(https://saltmere.example/oars).')->toContain('javascript:alert(1)');
    // What Markdown says of a link stays as it is written, and leads nowhere if it could run.
    begunNote($browser)->press('Markdown')->waitFor('.desk .note-source textarea');
    $markdown = 'A [trap](https://saltmere.example/trap "Do not") and [home](/maps/x)';
    $browser->script('const t = document.querySelector(".desk .note-source textarea"); t.focus(); t.value = arguments[0]; t.dispatchEvent(new Event("input", {bubbles: true})); t.blur()', $markdown);
    $browser->saved()->press('Formatted')->waitUntil(fn (): bool => $links() === [['trap', 'https://saltmere.example/trap'], ['home', '/maps/x']], 'both links');
    expect(keptNote($browser))->toBe($markdown)->and($browser->complaints())->toBe([]);
});
