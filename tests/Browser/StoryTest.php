<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/* A novel that is planned and written, in the browser: sheets at hand, notes that go into the text, threads, shape, the table of scenes. */

it('has at hand whom the section names, and finds a favourite food in mid-sentence in three presses', function () {
    $browser = novel();
    $browser->keys('Mod+Home')->type('At dusk ')->keys('Mod+Alt+a')->waitUntil(fn (): bool => count(atHand($browser)) === 3, 'three at hand, not '.json_encode(atHand($browser)));
    expect(atHand($browser))->toBe(['Ida Marsh, keeper of the lamps | sees, named once', 'The mole | in it, named 2×', 'The lamp book | named once']);
    $browser->keys('f', 'o')->waitUntil(fn (): bool => str_contains(atHand($browser)[0] ?? '', 'Smoked eel on black bread'), 'the food of whoever sees first, not '.json_encode(atHand($browser)));
    // Escape leads back into the sentence.
    $browser->keys('Escape')->type('Ida ')->waitUntil(fn (): bool => str_starts_with(written($browser), 'At dusk Ida There were nine lamps'), 'the name in the sentence');
    expect($browser->saved()->complaints())->toBe([]);
});

it('opens a sheet, changes it there, and goes on in the text', function () {
    $browser = novel();
    $browser->keys('Mod+Alt+a')->waitFor('.at-hand li')->keys('t', 'i', 'l', 'd')->waitUntil(fn (): bool => str_starts_with(atHand($browser)[0] ?? '', 'Tilda Roe'), 'Tilda');
    $browser->keys('Enter')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".at-hand .sheet")?.innerText ?? ""'), 'Permission to have been wrong'), 'her sheet');
    $browser->script('[...document.querySelectorAll(".at-hand .says")].find((one) => one.textContent.startsWith("Sweet things")).click()');
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.tagName') === 'TEXTAREA', 'a field to type in')->keys('Mod+a')->type('Salted liquorice')->keys('Enter')->saved();
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".at-hand .sheet").innerText'), 'Salted liquorice'), 'what was typed');
    $browser->keys('Escape', 'Mod+z')->saved()->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".at-hand .sheet").innerText'), 'Sweet things'), 'what was there before');
    expect($browser->complaints())->toBe([]);
});

it('puts a note into the scene with the way back, by keys, and takes it back as one step', function () {
    $browser = novel('Ribbons');
    $browser->keys('Mod+Alt+a')->waitFor('.at-hand input')->keys('p', 'i', 'l', 'o', 't', 's')->waitUntil(fn (): bool => in_array('Pilots | Old notes', atHand($browser), true), 'the note');
    $browser->keys(...array_fill(0, (int) array_search('Pilots | Old notes', atHand($browser), true), 'ArrowDown'))->keys('Enter')->waitFor('.at-hand .note');
    $browser->keys('Mod+Alt+p')->saved()->waitUntil(fn (): bool => str_contains(written($browser), 'They look at the dark beside it'), 'the note in the scene');
    expect(written($browser))->toEndWith('{{from Pilots}}');
    // The note says where it was used, and is stamped so.
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".at-hand .uses")?.innerText ?? ""'), 'Ribbons'), 'where it was used');
    $used = fn (): int => $browser->script('return fetch("/api/maps/" + location.pathname.split("/")[2]).then((answer) => answer.json()).then(({ rows }) => rows.filter((row) => row.type === "stamps" && row.fields.used === true).length)');
    expect($used())->toBe(3);
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => ! str_contains(written($browser), 'Pilots'), 'nothing of it');
    expect($used())->toBe(2);
});

it('puts one paragraph of a note into the scene by keys alone', function () {
    $browser = novel('Ribbons');
    $browser->keys('Mod+Alt+a')->waitFor('.at-hand input')->type('Eel')->waitUntil(fn (): bool => str_starts_with(atHand($browser)[0] ?? '', 'Eel') || in_array('Eel | Old notes', atHand($browser), true), 'the note');
    $browser->keys(...array_fill(0, (int) array_search('Eel | Old notes', atHand($browser), true), 'ArrowDown'))->keys('Enter')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".at-hand .note")?.innerText ?? ""'), 'Smoked over alder'), 'its note');
    $browser->script('document.querySelector(".at-hand .note").focus()');
    $browser->keys('ArrowDown', 'ArrowDown')->waitUntil(fn (): bool => $browser->script('return document.querySelector(".at-hand .picked")?.textContent') === 'Whoever brings you eel wants to be told something.', 'the second paragraph marked');
    $browser->keys('Enter')->saved()->waitUntil(fn (): bool => written($browser) === 'Whoever brings you eel wants to be told something. {{from Eel}}', 'it alone in the scene, not '.written($browser));
    expect($browser->complaints())->toBe([]);
});

it('has the sheets at hand on a narrow window too', function () {
    $browser = novel();
    $browser->size(390, 800)->keys('Mod+Alt+a')->waitUntil(fn (): bool => count(atHand($browser)) === 3, 'three at hand');
    $box = (array) $browser->script('const box = document.querySelector(".at-hand").getBoundingClientRect(); return [box.left, box.right]');
    expect($box[0])->toBeGreaterThanOrEqual(0)->and($box[1])->toBeLessThanOrEqual(391);
    $browser->press('Close')->keys('Mod+Alt+r')->waitFor('.plan .knot');
    expect($browser->script('return document.documentElement.scrollWidth <= innerWidth'))->toBeTrue();
    $browser->size(1280, 800);
});

it('opens the note to which the manuscript leads beside it, by key and by mouse, and one of another map', function () {
    $browser = novel();
    $browser->keys('Mod+Alt+e')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".at-hand .sheet")?.innerText ?? ""'), 'She kept the light at Orrin Point'), 'the note beside the text');
    expect($browser->script('return document.activeElement.closest(".section")?.getAttribute("aria-label")'))->toBe('The dark at the end of the mole');
    $browser->press('Close')->waitUntil(fn (): bool => ! $browser->has('.at-hand'), 'the text alone');
    $browser->script('document.querySelector(".ProseMirror a").scrollIntoView({ block: "center" })');
    // The text is wider now; what is to be clicked has come to rest.
    $place = fn (): array => (array) $browser->script('const box = document.querySelector(".ProseMirror a").getClientRects()[0]; return [box.left, box.top]');
    $browser->waitUntil(function () use ($place): bool {
        $before = $place();
        usleep(200_000);

        return $before === $place();
    }, 'the link at rest');
    $box = $browser->script('const box = document.querySelector(".ProseMirror a").getClientRects()[0]; return [box.left + 12, box.top + 8]');
    $browser->tools('Input.dispatchMouseEvent', ['type' => 'mousePressed', 'x' => $box[0], 'y' => $box[1], 'button' => 'left', 'clickCount' => 1, 'modifiers' => 2]);
    $browser->tools('Input.dispatchMouseEvent', ['type' => 'mouseReleased', 'x' => $box[0], 'y' => $box[1], 'button' => 'left', 'clickCount' => 1, 'modifiers' => 2]);
    $browser->waitFor('.at-hand .sheet');
    // A note of another map is found by its name, read, and put in with the way back.
    $browser->keys('Mod+Alt+a')->type('Write down the post')->waitUntil(fn (): bool => str_contains(atHand($browser)[0] ?? '', 'Write down the post'), 'the topic of another map');
    $browser->keys('Enter')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".at-hand .sheet")?.innerText ?? ""'), 'A lamp is dark'), 'the topic of another map, read');
    // It goes in with the way back, and is stamped there; one step takes both back.
    $stamped = fn (): int => $browser->script('const there = [...document.querySelectorAll(".draft a")].map((one) => one.getAttribute("href")).concat(window.there ?? []).find((one) => !one.includes(location.pathname.split("/")[2])); window.there = there === undefined ? [] : [there]; return there === undefined ? -1 : fetch("/api/maps/" + there.split("/")[2]).then((answer) => answer.json()).then(({ rows }) => rows.filter((row) => row.type === "stamps" && row.fields.used === true).length)');
    $browser->keys('Mod+Alt+p')->saved()->waitUntil(fn (): bool => str_contains(written($browser), '{{from Write down the post'), 'it in the text');
    $browser->waitUntil(fn (): bool => $stamped() === 1, 'the stamp in the other map');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => ! str_contains(written($browser), '{{from Write down the post'), 'it taken back');
    $browser->waitUntil(fn (): bool => $stamped() === 0, 'the stamp gone too');
    expect($browser->complaints())->toBe([]);
});

it('asks for a sheet question by question, and keeps what is answered', function () {
    $browser = Studio::copyOf('ninth-lamp');
    gone($browser, 'Henrik Sand, chandler')->keys('Mod+Alt+i')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".interview .question")?.textContent ?? ""'), 'Henrik Sand'), 'a question of him');
    // What is empty is asked first: what else he is called.
    expect($browser->script('return document.querySelector(".interview .question").textContent'))->toBe('What else is Henrik Sand called, and by whom?');
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.tagName') === 'INPUT', 'the caret')->type('Old Sand')->keys('Enter');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".interview [aria-current]").textContent') === 'Part in the story', 'the next question');
    $browser->keys('PageDown', 'PageDown')->waitUntil(fn (): bool => str_starts_with((string) $browser->script('return document.querySelector(".interview .question").textContent'), 'What keeps Henrik Sand going'), 'a long question');
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.tagName') === 'TEXTAREA', 'the caret in it')->type('Order.')->keys('Enter')->saved();
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".interview .how").textContent'), '6 of 14 answered'), 'six answers, not '.$browser->script('return document.querySelector(".interview .how").textContent'));
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.interview'), 'the map again');
    $browser->keys('Mod+z')->saved();
    expect($browser->complaints())->toBe([]);
});

/** What is told of the cell at which one is. */
function cell(Browser $browser): string
{
    return (string) $browser->script('return document.querySelector(".plan .spoken")?.textContent ?? ""');
}

it('shows who is where, puts somebody into a scene by key and by hand, and leads into the text', function () {
    $browser = novel();
    $browser->keys('Mod+Alt+r')->waitUntil(fn (): bool => cell($browser) === 'Ida Marsh, keeper of the lamps, The dark at the end of the mole: sees, said by a field, linked, named once', 'the first cell, not '.cell($browser));
    $browser->keys('ArrowDown', 'ArrowRight')->waitUntil(fn (): bool => cell($browser) === 'Jonas Brill, pilot, What the lamp book says: not there', 'the next');
    $browser->keys(' ')->saved()->waitUntil(fn (): bool => str_ends_with(cell($browser), ': said by a field'), 'him put in');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => str_ends_with(cell($browser), ': not there'), 'him out again');
    // By hand: his name is dragged over the second scene.
    [$from, $to] = $browser->script('const mid = (one) => { const box = one.getBoundingClientRect(); return [box.left + box.width / 2, box.top + box.height / 2] }; return [mid([...document.querySelectorAll(".plan .names button")].find((one) => one.innerText.includes("Jonas"))), mid(document.querySelectorAll(".plan .heads button")[1])]');
    $browser->drag($from, [$to[0], $from[1]])->saved()->waitUntil(fn (): bool => str_ends_with(cell($browser), ': said by a field'), 'him put in by hand');
    $browser->keys('ArrowLeft', 'ArrowUp', 'Enter')->waitUntil(fn (): bool => $browser->script('return getSelection().toString()') === 'Ida Marsh', 'her name chosen in the text');
    expect($browser->complaints())->toBe([]);
});

it('keeps the line in which one writes at one height, if one wants', function () {
    $browser = novel('The dark at the end of the mole');
    $height = fn (): float => (float) $browser->script('const at = getSelection().getRangeAt(0).cloneRange(); const box = at.getClientRects()[0] ?? at.startContainer.getBoundingClientRect?.() ?? at.startContainer.parentElement.getBoundingClientRect(); const frame = document.querySelector(".draft .frame").getBoundingClientRect(); return (box.top + box.bottom) / 2 - frame.top - 0.42 * frame.height');
    $browser->keys('Mod+Alt+t', 'Mod+End');
    foreach (['One line.', 'And another.', 'And a third.'] as $line) {
        $browser->keys('Enter')->type($line)->waitUntil(fn (): bool => abs($height()) < 30, "the line at its height, not {$height()} off");
    }
    $browser->keys('Mod+Alt+t')->saved();
    expect(written($browser))->toEndWith("One line.\n\nAnd another.\n\nAnd a third.");
    expect($browser->complaints())->toBe([]);
});

it('has all characters as a table, in which their sheets are filled in', function () {
    $browser = novel();
    fromWriting($browser, 'Table of all characters')->saved()->waitFor('.table-grid')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".table-grid").innerText'), 'Peer Brill'), 'them as rows');
    expect((string) $browser->script('return document.querySelector(".table-grid").innerText'))->not->toContain('The mole')->not->toContain('Low water');
    expect($browser->complaints())->toBe([]);
});

it('says how far scenes are, and shows those alone to which the map is narrowed', function () {
    $browser = novel('Henrik’s back room');
    $states = fn (): array => (array) $browser->script('return [...document.activeElement.closest(".section").querySelectorAll(".state")].map((one) => one.textContent)');
    expect($states())->toBe([]);
    foreach (['idea', 'drafted', 'revised'] as $state) {
        fromWriting($browser, 'How far it is')->saved()->waitUntil(fn (): bool => $states() === [$state], "it {$state}");
    }
    fromWriting($browser, 'How far it is')->saved()->waitUntil(fn (): bool => $states() === [], 'nothing said');
    $browser->keys('Escape', 'Mod+f')->waitFor("input[aria-label='Which topics']")->type('stamp drafted')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".filter .count")?.textContent ?? ""'), '4'), 'four of them')->keys('Enter');
    $headings = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".draft .heading input")].map((one) => one.value)');
    $browser->waitUntil(fn (): bool => in_array('A lesson in knots', $headings(), true) && ! in_array('Low water', $headings(), true) && ! in_array('Ribbons', $headings(), true), 'what is drafted alone, not '.json_encode($headings()));
    expect($browser->complaints())->toBe([]);
});

it('shows the gap that a chapter leaves when it is moved, and what does not fit', function () {
    $browser = novel();
    $browser->keys('Mod+Alt+r')->waitFor('.plan .knot');
    $away = fn (): string => (string) $browser->script('return [...document.querySelectorAll(".plan .names button")].find((one) => one.innerText.includes("Peer"))?.querySelector("small").textContent');
    expect($away())->toBe('in 5, away for 6');
    // “Springs”, the only scene of his between, goes to the end.
    gone($browser, 'Springs')->keys(...array_fill(0, 7, 'Alt+ArrowDown'))->saved();
    $browser->waitUntil(fn (): bool => $away() === 'in 5, away for 9', 'a longer gap, not '.$away());
    $browser->script('[...document.querySelectorAll(".plan .tools button")].find((one) => one.textContent.includes("to look at")).click()');
    $browser->waitUntil(fn (): bool => $browser->count('.plan .found li') >= 4, 'what is to be looked at');
    $browser->script('[...document.querySelectorAll(".plan .found button")].find((one) => one.textContent.includes("has no viewpoint")).click()');
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.closest(".section")?.getAttribute("aria-label")') === 'Under the stones', 'the scene without one');
});

it('draws the shape of it, of which each column leads to its scene', function () {
    $browser = novel();
    $browser->keys('Mod+Alt+w')->waitFor('.shape svg [data-touch]')->keys('ArrowRight', 'ArrowRight');
    $browser->waitUntil(fn (): bool => preg_match('/^A lesson in knots: 2\d\d words, tension 2$/', (string) $browser->script('return document.querySelector(".shape .told").textContent')) === 1, 'the third scene');
    $browser->script('document.querySelectorAll(".shape svg .bar")[3].dispatchEvent(new MouseEvent("click", { bubbles: true }))');
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.closest(".section")?.getAttribute("aria-label")') === 'The pilot comes ashore', 'the fourth scene');
    expect($browser->complaints())->toBe([]);
});

it('makes a table of scenes of an idea map, of which rows are dragged', function () {
    $browser = Studio::lent("Harbour story\n".implode("\n", array_map(fn (int $n): string => "\tChapter idea {$n}\n\t\tFirst of {$n}\n\t\tSecond of {$n}", range(1, 12))));
    $browser->keys('Mod+Alt+c')->saved()->waitFor('.table-grid')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".table-grid").innerText'), 'First of 1'), 'the scenes as rows');
    $heads = (array) $browser->script('return [...document.querySelectorAll(".table-grid .column-head button span")].map((one) => one.textContent)');
    expect(array_slice($heads, 0, 4))->toBe(['Topic above', 'Title', 'Viewpoint', 'Place']);
    // The second scene of the first chapter is dragged before the first, in the outline too.
    $at = fn (int $line): array => $browser->script('const r = document.querySelectorAll(".table-grid .number")[arguments[0]].getBoundingClientRect(); return [r.x + 20, r.y + r.height / 2]', $line);
    [$from, $to] = [$at(1), $at(0)];
    $browser->drag($from, [$to[0], $to[1] - 12])->saved()->waitUntil(fn (): bool => array_slice($browser->outline(), 1, 3) === ['  Chapter idea 1', '    Second of 1', '    First of 1'], 'the order of the two, not '.json_encode(array_slice($browser->outline(), 0, 4)));
    $browser->keys('Mod+z')->saved();
    // One step takes the kinds and the table back.
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => ! str_contains((string) $browser->script('return document.querySelector(".table-grid")?.innerText ?? ""'), 'Viewpoint'), 'no plan any more');
    expect($browser->complaints())->toBe([]);
});

it('brings texts in by hundreds with a report, takes them back, and lifts marked passages out', function () {
    $browser = Studio::lent("Old notes\n\tDiary");
    $folder = sys_get_temp_dir().'/old-notes-'.bin2hex(random_bytes(4));
    mkdir($folder);
    $files = [];
    foreach (range(1, 120) as $n) {
        file_put_contents($files[] = sprintf('%s/1999-03-%02d Fog %d.txt', $folder, 1 + $n % 28, $n), $n % 40 === 0 ? "LAMP: The bell was heard {$n} times.\n\nNothing of it." : "One hears the bell, {$n}.");
    }
    file_put_contents($files[] = "{$folder}/picture.txt", "a\0b");
    $browser->keys('Mod+Alt+q')->waitFor('.bring');
    $browser->driver->findElement(Facebook\WebDriver\WebDriverBy::cssSelector('.bring input[aria-label="Text files"]'))->sendKeys(implode("\n", $files));
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".bring .done")?.textContent ?? ""'), '120 texts are in the map; 1 stayed behind'), 'the report');
    expect($browser->script('return document.querySelector(".bring li").textContent'))->toBe('picture.txt It is no text.');
    $browser->press('Good')->saved()->waitUntil(fn (): bool => $browser->has('.left [role=treeitem]') && str_contains(implode(' ', (array) $browser->script('return [...document.querySelectorAll(".left [role=treeitem]")].map((one) => one.innerText)')), 'Fog 1'), 'the notes in the outline');
    // Three of them are marked.
    $browser->keys('Mod+Alt+z')->waitFor('.lift input')->type('lamp')->keys('Enter')->waitUntil(fn (): bool => $browser->count('.lift li') === 3, 'three passages');
    expect((array) $browser->script('return [...document.querySelectorAll(".lift li p")].map((one) => one.textContent)'))->toBe(['The bell was heard 120 times.', 'The bell was heard 40 times.', 'The bell was heard 80 times.']);
    $browser->press('Lift out 3')->saved()->keys('Mod+Alt+z')->waitFor('.lift input')->keys('Enter')->waitUntil(fn (): bool => $browser->count('.lift li.lifted') === 3, 'all of them known as lifted');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.lift'), 'the map')->keys('Mod+z')->saved()->keys('Mod+z')->saved();
    $browser->waitUntil(fn (): bool => ! str_contains(implode(' ', (array) $browser->script('return [...document.querySelectorAll(".left [role=treeitem]")].map((one) => one.innerText)')), 'Fog'), 'none of them any more');
    array_map(unlink(...), $files);
    rmdir($folder);
    // The one that is no text is refused, and nothing else.
    expect($browser->complaints())->toHaveCount(1);
});

it('sends the manuscript out as one document, and takes over what an editor changed in it, piece by piece', function () {
    $browser = novel('Ida lights eight');
    $id = explode('/', (string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))[2];
    $docx = base64_decode((string) $browser->script('return fetch("/api/maps/" + arguments[0] + "/export?to=docx&form=manuscript&byline=Tove").then((answer) => answer.arrayBuffer()).then((bytes) => btoa(Array.from(new Uint8Array(bytes), (one) => String.fromCharCode(one)).join("")))', $id), true);
    $file = sys_get_temp_dir().'/returned-'.bin2hex(random_bytes(4)).'.docx';
    file_put_contents($file, edited(edited((string) $docx, 'boat', 'ship', 'Which boat?'), 'Nothing moved', 'Little moved', 'More?'));
    fromWriting($browser, 'An editor');
    $browser->waitFor('.returned');
    $browser->driver->findElement(Facebook\WebDriver\WebDriverBy::cssSelector('.returned input[type=file]'))->sendKeys($file);
    $browser->waitUntil(fn (): bool => $browser->count('.returned li') === 2, 'two changes, not '.$browser->script('return document.querySelector(".returned")?.innerText'));
    expect($browser->script('return [...document.querySelectorAll(".returned li")].map((one) => [one.querySelector("header b").textContent, one.querySelector("del")?.textContent, one.querySelector("ins")?.textContent, one.querySelector(".remark")?.textContent])'))
        ->toMatchArray([1 => ['Ida lights eight', 'Nothing', 'Little', 'Ines Aske More?']]);
    // The first is left, the second taken over, by keys.
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.tagName') === 'LI', 'the first of them')->keys('Delete')->waitUntil(fn (): bool => $browser->count('.returned li') === 1, 'one left');
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.tagName') === 'LI', 'the second')->keys('Enter')->saved()->waitUntil(fn (): bool => $browser->count('.returned li') === 0, 'none left');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.returned') && str_contains(written($browser), 'Little moved but the boat'), 'it in the text');
    unlink($file);
    expect($browser->complaints())->toBe([]);
});
