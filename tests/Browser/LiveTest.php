<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;
use Tests\Support\TestServer;

/* What others do in a shared map is there without being asked for, and what two write into one text stays. */

/** A map that two have open in two browsers, the note of “Boats” at hand in both. */
function together(string $text = "Plan\n\tBoats\n\tMusic\n"): array
{
    $ines = Studio::beside('Ines');
    $tove = Studio::lent($text);
    $id = openId($tove);
    Studio::server()->artisan('map:share', $id, 'ines@beside.saltmere.example');
    $tove->visit("/maps/{$id}")->ready();
    $ines->visit("/maps/{$id}")->ready();
    foreach ([$tove, $ines] as $one) {
        $one->waitUntil(fn (): bool => $one->has('.present button'), 'the other to be there')->pick('Boats');
    }

    return [$tove, $ines, $id];
}

/** Into the note of the topic that is chosen. */
function intoNote(Browser $browser): Browser
{
    $browser->keys('Alt+n')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement?.closest(".note-text") !== null'), 'the caret in the note');
    // The editor sets its caret once more when it has got the focus; nobody presses a key before that.
    $browser->driver->executeAsyncScript('setTimeout(arguments[0], 600)');

    return $browser;
}

function note(Browser $browser): string
{
    return (string) $browser->script('return document.querySelector(".desk .note-text")?.innerText ?? ""');
}

/** Waits until the note reads so. */
function reads(Browser $browser, string $whole): void
{
    for ($i = 0; $i < 200 && trim(note($browser)) !== $whole; $i++) {
        usleep(50_000);
    }
    expect(trim(note($browser)))->toBe($whole);
}

it('is told what others do, without asking', function () {
    [$tove, $ines] = together();
    // The clock that asks every two seconds would have asked five times.
    $asked = fn (): int => $tove->script('return performance.getEntriesByType("resource").filter((entry) => /edits\?since/.test(entry.name)).length');
    $tove->driver->executeAsyncScript('setTimeout(arguments[0], 1500)');
    $before = $asked();
    $ines->keys('Enter')->type('Lanterns')->keys('Enter', 'Escape')->saved();
    $tove->waitUntil(fn (): bool => $tove->outline() === ['Plan', '  Boats', '  Lanterns', '  Music'], 'what she made');
    $tove->driver->executeAsyncScript('setTimeout(arguments[0], 5000)');
    expect($asked() - $before)->toBeLessThanOrEqual(1);
    // In another view it goes on as well: folded here, a topic below is told and not drawn.
    $tove->pick('Boats')->keys('Tab')->type('Ferry')->keys('Enter', 'Escape')->saved()->pick('Boats')->keys('Alt+f')->saved();
    $ines->waitUntil(fn (): bool => in_array('    Ferry', $ines->outline(), true), 'the ferry')->pick('Ferry')->keys('F2', 'End')->type(' at six')->keys('Mod+Enter')->saved();
    $tove->waitUntil(fn (): bool => in_array('    Ferry at six', $tove->outline(), true), 'what it is called now');
    expect($tove->script('return [...document.querySelectorAll(".slip text")].some((one) => one.textContent.startsWith("Ferry"))'))->toBeFalse()
        ->and($tove->complaints())->toBe([])->and($ines->complaints())->toBe([]);
});

it('is told by every stream that it begins, in whichever process of the web server that is', function () {
    [$tove, $ines] = together("Plan\n\tBoats\n\t\tFerry\n\tMusic\n");
    foreach (range(1, 10) as $round) {
        // Each is another view, and so another stream.
        $ines->keys('Alt+f')->saved();
        $ines->driver->executeAsyncScript('setTimeout(arguments[0], 400)');
        $tove->pick('Music')->keys('F2')->type("Music {$round}")->keys('Mod+Enter')->saved();
        // Asking now and then would bring it too, half a minute later.
        $ines->waitUntil(fn (): bool => in_array("  Music {$round}", $ines->outline(), true), "what is new in round {$round}", 5);
        $tove->keys('F2')->type('Music')->keys('Mod+Enter')->saved();
    }
    expect($tove->complaints())->toBe([])->and($ines->complaints())->toBe([]);
});

it('keeps every letter that two type into one note, and each sees those of the other', function () {
    [$tove, $ines, $id] = together();
    intoNote($tove)->type('Boats come in.')->saved();
    $ines->waitUntil(fn (): bool => trim(note($ines)) === 'Boats come in.', 'the note beside');
    intoNote($ines)->keys('Mod+Home')->waitUntil(fn (): bool => $ines->script('return getSelection().anchorOffset') === 0, 'the caret at the beginning');
    $tove->keys('Mod+End');
    // By turns, letter by letter, without waiting for each other.
    foreach (range(0, 7) as $n) {
        $ines->type(substr('Red and ', $n, 1));
        $tove->type(substr(' At six.', $n, 1));
    }
    $whole = 'Red and Boats come in. At six.';
    foreach ([$tove, $ines] as $one) {
        reads($one, $whole);
    }
    // The caret has stayed where one writes.
    $ines->type('blue ');
    $tove->type(' Or later.');
    $whole = 'Red and blue Boats come in. At six. Or later.';
    foreach ([$tove, $ines] as $one) {
        reads($one, $whole);
    }
    expect(array_column(onServer($id)['topics'], 'note', 'title')['Boats'] ?? null)->toBe($whole)->and($tove->complaints())->toBe([])->and($ines->complaints())->toBe([]);
});

it('shows where within a note the other writes, and that they write a title', function () {
    [$tove, $ines] = together();
    intoNote($tove)->type('Boats come in at six.')->saved();
    $ines->waitUntil(fn (): bool => trim(note($ines)) === 'Boats come in at six.', 'the note beside');
    $before = fn (): string => (string) $ines->script('const caret = document.querySelector(`.desk .note-text .caret-of[data-name="Wren"]`); if (caret === null) return "none"; const range = document.createRange(); range.setStart(document.querySelector(".desk .note-text"), 0); range.setEndBefore(caret); return range.toString()');
    $ines->waitUntil(fn (): bool => $before() === 'Boats come in at six.', 'her caret at the end');
    $tove->keys('Mod+Home', 'ArrowRight', 'ArrowRight');
    $ines->waitUntil(fn (): bool => $before() === 'Bo', 'her caret behind two letters');
    $tove->keys('Escape');
    $ines->waitUntil(fn (): bool => $before() === 'none', 'no caret');
    $tove->pick('Boats')->keys('F2');
    $ines->waitUntil(fn (): bool => (bool) $ines->script('return [...document.querySelectorAll(".present-mark text")].some((one) => one.textContent === "Wren writes")'), 'that she writes');
    $tove->keys('Escape');
    $ines->waitUntil(fn (): bool => (bool) $ines->script('return [...document.querySelectorAll(".present-mark text")].some((one) => one.textContent === "Wren")'), 'that she does no more');
    expect($tove->complaints())->toBe([])->and($ines->complaints())->toBe([]);
});

it('keeps both titles where two typed over one, and says so; a title that was only opened is left as the other made it', function () {
    [$tove, $ines] = together();
    $tove->keys('F2', 'Mod+a')->type('Ferries');
    $ines->keys('F2', 'Mod+a')->type('Ships')->keys('Mod+Enter')->saved();
    $tove->keys('Mod+Enter')->saved();
    foreach ([$tove, $ines] as $one) {
        $one->waitUntil(fn (): bool => in_array('  Ships / Ferries', $one->outline(), true), 'both titles, not '.implode(' | ', $one->outline()));
    }
    expect((string) $tove->script('return document.querySelector(".n-message")?.innerText'))->toContain('Both stand there now');
    $tove->pick('Music')->keys('F2');
    $ines->pick('Music')->keys('F2', 'Mod+a')->type('Drums')->keys('Mod+Enter')->saved();
    $tove->waitUntil(fn (): bool => in_array('  Drums', $tove->outline(), true), 'her title')->keys('Mod+Enter')->saved();
    expect($tove->outline())->toContain('  Drums')->and($tove->complaints())->toBe([])->and($ines->complaints())->toBe([]);
});

it('asks every two seconds where the web server cannot tell', function () {
    $server = new TestServer(['CHALK_LIVE' => 'off']);
    $browser = new Browser($server->address);
    try {
        $browser->enterDemo('Festival week');
        $browser->ready();
        $id = openId($browser);
        $server->artisan('map:share', $id, 'ines@boathouse.saltmere.example');
        $browser->visit("/maps/{$id}")->ready();
        $root = (string) $browser->script('return document.querySelector(".outline [role=treeitem]").dataset.topic ?? ""');
        $edits = sys_get_temp_dir().'/edits-'.bin2hex(random_bytes(4)).'.json';
        file_put_contents($edits, json_encode([['name' => 'topic.add', 'parent' => json_decode($server->artisan('map:show', $id), true)['root'] ?? $root, 'topic' => ['title' => 'From elsewhere']]]));
        $server->artisan('map:edit', $id, $edits);
        unlink($edits);
        $browser->waitUntil(fn (): bool => (bool) array_filter($browser->outline(), fn (string $line): bool => str_contains($line, 'From elsewhere')), 'what was made elsewhere');
        expect($browser->complaints())->toBe([]);
    } finally {
        $browser->quit();
        $server->stop();
    }
});
