<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/** A map from our own JSON, open in the browser. */
function openedJson(array $topics): Browser
{
    $browser = Studio::browser();
    $ids = [];
    foreach ($topics as $name => $topic) {
        $ids[$name] = strtolower((string) new Symfony\Component\Uid\Ulid);
    }
    $rows = [];
    foreach ($topics as $name => $topic) {
        $rows[] = ['id' => $ids[$name], 'parent' => isset($topic['parent']) ? $ids[$topic['parent']] : null] + $topic + ['title' => $name];
    }
    file_put_contents($file = sys_get_temp_dir().'/json-'.bin2hex(random_bytes(4)).'.json', json_encode(['format' => 'chalk-tree-map', 'version' => 1, 'title' => null, 'arrangement' => 'rightward', 'root' => $rows[0]['id'], 'topics' => $rows]));
    $id = trim(Studio::server()->artisan('map:import', $file));
    unlink($file);

    return $browser->visit("/maps/{$id}")->ready();
}

it('copies a branch as text, Markdown and HTML, and pastes it elsewhere with all that is in it', function () {
    $browser = openedJson([
        'Root' => [],
        'Lamp' => ['parent' => 'Root', 'title' => 'Lamp **oil**', 'caption' => 'two litres', 'note' => "Ask Marit.\n\n- in tins"],
        'Wick' => ['parent' => 'Lamp'],
    ]);
    Studio::listenForCopy($browser);
    $browser->pick('Lamp oil');
    $browser->keys('Mod+c');
    $browser->waitUntil(fn (): bool => $browser->script('return window.copied !== null'), 'the copy');
    $copied = $browser->script('return window.copied');
    expect($copied['text/plain'])->toBe("Lamp oil\n\tWick\n")
        ->and($copied['text/markdown'])->toContain('- Lamp **oil**')->toContain('  - Wick')
        ->and($copied['text/html'])->toContain('<strong>oil</strong>')->toContain('data-chalk-tree=');

    // In another map, by the HTML alone, as it comes back from a program that keeps no other type.
    $browser->enterDemo()->newMap()->type('Other')->keys('Mod+Enter')->saved();
    $browser->script('const d = new DataTransfer(); d.setData("text/html", arguments[0]); d.setData("text/plain", "x"); document.activeElement.dispatchEvent(new ClipboardEvent("paste", {clipboardData: d, bubbles: true, cancelable: true}))', $copied['text/html']);
    $browser->saved()->waitUntil(fn (): bool => $browser->outline() === ['Other', '  Lamp oil', '    Wick'], 'the branch');
    $browser->pick('Lamp oil');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector("input[aria-label=Caption]").value') === 'two litres', 'the caption');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".note-text")?.innerText.includes("in tins")'), 'the note');
    $browser->keys('Mod+z')->saved();
    $browser->waitUntil(fn (): bool => $browser->outline() === ['Other'], 'the undo');
});

it('copies one topic without its branch, and cuts', function () {
    $browser = openedJson(['Root' => [], 'A' => ['parent' => 'Root'], 'A1' => ['parent' => 'A'], 'B' => ['parent' => 'Root']]);
    $browser->pick('A');
    $browser->keys('Mod+Shift+c');
    usleep(600_000);
    $browser->pick('B');
    $browser->keys('Mod+v')->saved();
    $browser->waitUntil(fn (): bool => $browser->outline() === ['Root', '  A', '    A1', '  B', '    A'], 'A alone below B');
    $browser->pick('A1');
    $browser->keys('Mod+x')->saved();
    $browser->waitUntil(fn (): bool => ! in_array('    A1', $browser->outline(), true), 'A1 to go');
    $browser->pick('Root');
    $browser->keys('Mod+v')->saved();
    $browser->waitUntil(fn (): bool => $browser->outline() === ['Root', '  A', '  B', '    A', '  A1'], 'A1 below the root');
    expect($browser->complaints())->toBe([]);
});

it('copies the address of a topic', function () {
    $browser = openedJson(['Root' => [], 'A' => ['parent' => 'Root']]);
    $id = $browser->topic('A');
    $browser->pick('A');
    $browser->keys('Alt+Shift+c');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.body.innerText'), 'The address is on the clipboard') || str_contains((string) $browser->script('return document.body.innerText'), 'does not allow'), 'the word about it');
    $map = basename((string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH));
    $browser->visit("/maps/{$map}/topics/{$id}")->ready();
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".outline .chosen .text")?.innerText') === 'A', 'the topic of the address');
    expect($browser->complaints())->toBe([]);
});

it('drags a branch from one map into another beside it', function () {
    $browser = openedJson(['Here' => [], 'Lamp' => ['parent' => 'Here', 'note' => 'bright'], 'Wick' => ['parent' => 'Lamp'], 'Stay' => ['parent' => 'Here']]);
    file_put_contents($file = sys_get_temp_dir().'/there.txt', "There\n\tShelf\n");
    $other = trim(Studio::server()->artisan('map:import', $file));
    $browser->script('localStorage.setItem("chalk-second", arguments[0])', $other);
    $browser->visit((string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))->ready()->waitFor('iframe');
    $inside = 'const d = document.querySelector("iframe").contentDocument;';
    $place = function (string $title, float $across) use ($browser, $inside): array {
        $browser->waitUntil(fn (): bool => $browser->script("{$inside} return [...(d?.querySelectorAll('.slip') ?? [])].some(s => [...s.querySelectorAll('text')].map(t => t.textContent).join(' ') === arguments[0])", $title), "{$title} in the other view");
        usleep(500_000);

        return $browser->script("{$inside} const f = document.querySelector('iframe').getBoundingClientRect(); const r = [...d.querySelectorAll('.slip')].find(s => [...s.querySelectorAll('text')].map(t => t.textContent).join(' ') === arguments[0]).querySelector('.paper').getBoundingClientRect(); return [f.x + r.x + r.width * arguments[1], f.y + r.y + r.height / 2]", $title, $across);
    };
    $to = $place('Shelf', 0.85);
    $box = $browser->boxOf('Lamp');
    $browser->drag([$box['x'] + $box['w'] / 2, $box['y'] + $box['h'] / 2], $to);
    $browser->waitUntil(fn (): bool => $browser->outline() === ['Here', '  Stay'], 'the branch to leave');
    $browser->waitUntil(fn (): bool => Studio::server()->artisan('map:export', $other, '--to=txt') === "There\n\tShelf\n\t\tLamp\n\t\t\tWick\n", 'the branch to arrive');
    expect(Studio::server()->artisan('map:show', $other))->toContain('"note": "bright"');

    // And back again, out of the frame.
    $from = $place('Lamp', 0.5);
    $box = $browser->boxOf('Stay');
    $browser->drag($from, [$box['x'] + $box['w'] * 0.85, $box['y'] + $box['h'] / 2]);
    $browser->waitUntil(fn (): bool => $browser->outline() === ['Here', '  Stay', '    Lamp', '      Wick'], 'the branch to come back');
    $browser->press('Close this view');
});

it('shows what a change would do before it does it, and does nothing when left', function () {
    $browser = openedJson(['Root' => [], 'b10' => ['parent' => 'Root'], 'b2' => ['parent' => 'Root'], 'a' => ['parent' => 'Root']]);
    $browser->pick('Root');
    $browser->press('Shape')->press('Sort')->waitFor('.change .items li');
    expect($browser->script('return document.querySelector(".change .items").innerText'))->toContain('3. a')->toContain('1. b10');
    $browser->press('Shuffle')->press('Turn round');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".change .items").innerText'), 'b10'), 'what turning round would do');
    $browser->press('Cancel');
    expect($browser->outline())->toBe(['Root', '  b10', '  b2', '  a']);
    $browser->press('Shape')->press('Sort')->waitFor('.change .items li');
    $browser->press('From most to least');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".change .items").innerText'), 'Nothing would change'), 'that nothing would change');
    $browser->press('Cancel');
    $browser->press('Shape')->press('Break into several');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".change .items").innerText'), 'There is nothing here'), 'why it cannot be broken');
    $browser->press('Cancel')->press('Shape')->press('Number what is below')->waitFor('.change');
    $browser->press('A. B. C.');
    usleep(300_000);
    $browser->press('Number what is below')->saved();
    $browser->waitUntil(fn (): bool => $browser->script('return [...document.querySelectorAll(".number")].map(n => n.innerText).join(" ")') === 'A. B. C.', 'the letters in the outline');
    expect($browser->topic('A. b10'))->not->toBeEmpty();
    $browser->pick('C. a');
    $browser->keys('Alt+ArrowUp')->saved();
    $browser->waitUntil(fn (): bool => $browser->outline()[2] === '  B.a' || str_starts_with($browser->outline()[2], '  B.'), 'the letters to follow');
});

it('walks the history by keys and brings back a branch as it was', function () {
    $browser = openedJson(['Root' => [], 'Lamp' => ['parent' => 'Root'], 'Wick' => ['parent' => 'Lamp']]);
    $browser->pick('Lamp');
    $browser->keys('F2', 'End')->type('s')->keys('Mod+Enter')->saved();
    $browser->keys('Delete')->saved();
    $browser->keys('Alt+h')->waitFor('.history .edits button');
    expect($browser->script('return document.querySelector(".edits").innerText'))->toContain('Removed “Lamps”')->toContain('Titled “Lamps”')->toContain('How the map began');
    $browser->script('document.querySelector(".edits button").focus()');
    $browser->keys('ArrowDown', 'ArrowDown');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".differences").innerText'), 'Removed since'), 'what is different');
    $browser->press('As it is now')->press('As it was then');
    $browser->waitUntil(fn (): bool => $browser->script('const i = document.querySelector(".drawing img"); return i.complete && i.naturalWidth > 0'), 'the drawing');
    $browser->press('Copy as it was');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.body.innerText'), 'hangs on the root now'), 'the word about it');
    $browser->press('Back to the map')->ready();
    $browser->waitUntil(fn (): bool => $browser->outline() === ['Root', '  Lamp', '    Wick'] || $browser->outline() === ['Root', '  Lamps', '    Wick'], 'the branch as it was');
    expect($browser->complaints())->toBe([]);
});
