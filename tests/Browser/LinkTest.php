<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/** The library's map with this title, at one of its topics, found by its name. */
function standAt(Browser $browser, string $topic): Browser
{
    $browser->keys('Mod+j')->waitFor('.palette input')->type($topic);
    $browser->waitUntil(fn (): bool => str_starts_with((string) $browser->script('return document.querySelector(".palette [aria-selected=true] span")?.textContent ?? ""'), $topic), $topic);

    return $browser->keys('Enter')->waitUntil(fn (): bool => chosenTitle($browser) === $topic, "{$topic} to be chosen");
}

function chosenTitle(Browser $browser): string
{
    return (string) $browser->script('return document.querySelector(".outline .line.chosen .text")?.textContent.trim() ?? ""');
}

/** @return list<string> the links at the desk, as "name (kind)" */
function linksAtDesk(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll(".desk .outs .way")].map((one) => `${one.querySelector(".name").textContent} (${one.querySelector("small").textContent})`)');
}

it('ties topics of two maps by keys, goes there and comes back over both', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Crossing')->keys('Tab')->type('Lantern boats')->keys('Enter')->type('Spare oars')->keys('Mod+Enter')->saved();
    standAt($browser, 'Lantern boats')->keys('Mod+Shift+l')->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.ariaLabel === "Add a link"'), 'the field for a link');
    // A topic here, both ways; then one of another map.
    $browser->type('Spare oars')->waitFor('.hits li.on')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".hits li.on").textContent'), 'Spare oars'), 'the topic')->keys('Enter')->saved();
    $browser->type('Boat parade at')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".hits li.on")?.textContent ?? ""'), 'Boat parade'), 'the topic of the other map')->keys('Enter')->saved();
    $browser->waitUntil(fn (): bool => linksAtDesk($browser) === ['Spare oars (topic, both ways)', 'Boat parade at 21:00 (other map)'], 'two links');
    $own = (string) $browser->script('return location.pathname');
    // There is one way out of the other end, and the key goes it.
    standAt($browser, 'Spare oars')->keys('Alt+End')->waitUntil(fn (): bool => chosenTitle($browser) === 'Lantern boats', 'the other end');
    $browser->keys('Alt+Backspace')->waitUntil(fn (): bool => chosenTitle($browser) === 'Spare oars', 'back');
    standAt($browser, 'Lantern boats');
    $browser->script('[...document.querySelectorAll(".desk .outs .way")].at(-1).click()');
    $browser->waitUntil(fn (): bool => chosenTitle($browser) === 'Boat parade at 21:00', 'the topic of the other map');
    // What points here is told there, and is a way back too.
    $browser->waitUntil(fn (): bool => (bool) $browser->script('return [...document.querySelectorAll(".desk .pointing button")].some((one) => one.textContent.includes("Lantern boats"))'), 'what leads here');
    $browser->keys('Escape')->script('document.querySelector("[data-focus=board]").focus()');
    $browser->keys('Alt+Backspace')->waitUntil(fn (): bool => str_starts_with((string) $browser->script('return location.pathname'), $own), 'the map where one was');
    expect($browser->complaints())->toBe([]);
});

it('shows what a page is before it is followed, and opens it beside the map if it may be', function () {
    $site = Studio::server()->site;
    $browser = Studio::browser()->newMap();
    $browser->type('Crossing')->keys('Mod+Enter')->saved();
    // Pasted on a topic, an address is a link of it.
    $browser->script('const d = new DataTransfer(); d.setData("text/plain", arguments[0]); document.activeElement.dispatchEvent(new ClipboardEvent("paste", {clipboardData: d, bubbles: true, cancelable: true}))', "{$site}/tide-table");
    $browser->saved()->waitFor('.slip [data-touch^="out:"]')->waitFor('.desk .outs .way');
    $browser->press('Look first')->press('See what it is')->waitFor('.card img');
    expect($browser->script('return document.querySelector(".card .title").textContent'))->toBe('Tides of the festival week · Saltmere harbour office');
    $browser->saved()->waitUntil(fn (): bool => linksAtDesk($browser) === ['Tides of the festival week · Saltmere harbour office (page)'], 'its title');
    $browser->press('Open it beside the map')->waitFor('aside.page iframe');
    expect($browser->script('return [document.querySelector("aside.page iframe").src, document.querySelector("aside.page iframe").getAttribute("sandbox")]'))->toBe(["{$site}/tides.html", 'allow-scripts allow-forms allow-popups']);
    $browser->script('document.querySelector("aside.page header button").click()');
    // One that does not let itself be framed is not offered so.
    $browser->script('document.querySelector(".desk .new input").focus()');
    $browser->type("{$site}/permits.html")->keys('Enter')->saved()->waitUntil(fn (): bool => count(linksAtDesk($browser)) === 2, 'two links');
    $browser->script('[...document.querySelectorAll(".desk .outs li:last-child .tools button")][0].click()');
    $browser->press('See what it is')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".outs li:last-child .card .title")?.textContent ?? ""'), 'Permits'), 'the page');
    expect($browser->script('return document.querySelector(".outs li:last-child .card").textContent.includes("beside the map")'))->toBeFalse();
    // What cannot be had says why, and takes nothing away.
    $browser->script('document.querySelector(".desk .new input").focus()');
    $browser->type('http://10.1.2.3/secret')->keys('Enter')->saved()->waitUntil(fn (): bool => count(linksAtDesk($browser)) === 3, 'three links');
    $browser->script('[...document.querySelectorAll(".desk .outs li:last-child .tools button")][0].click()');
    $browser->press('See what it is')->waitFor('.card .problem');
    expect($browser->script('return document.querySelector(".card .problem").textContent'))->toContain('not open to everyone');
});

it('goes by one click on the sign, lists where several ways lead, and undoes', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Crossing')->keys('Tab')->type('Rowboat seven')->keys('Enter')->type('Paddles')->keys('Mod+Enter')->saved();
    standAt($browser, 'Rowboat seven');
    $browser->script('document.querySelector(".desk .new input").focus()');
    $browser->type('Paddles')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".hits li.on")?.textContent ?? ""'), 'see also'), 'the topic')->keys('Enter')->saved()->waitFor('.slip [data-touch^="out:"]');
    $sign = fn (): array => (array) $browser->script('const b = document.querySelector(`.slip[data-topic="${arguments[0]}"] [data-touch^="out:"]`).getBoundingClientRect(); return [b.x + b.width / 2, b.y + b.height / 2]', $browser->topic('Rowboat seven'));
    $click = fn (array $at): Browser => $browser->pointer('mousePressed', $at[0], $at[1], ['button' => 'left', 'clickCount' => 1])->pointer('mouseReleased', $at[0], $at[1], ['button' => 'left', 'clickCount' => 1]);
    $click($sign())->waitUntil(fn (): bool => chosenTitle($browser) === 'Paddles', 'where it leads');
    $browser->act('Back to where one was')->waitUntil(fn (): bool => chosenTitle($browser) === 'Rowboat seven', 'back');
    $browser->script('document.querySelector(".desk .new input").focus()');
    $browser->type('office@harbour.saltmere.example')->keys('Enter')->saved()->waitUntil(fn (): bool => count(linksAtDesk($browser)) === 2, 'two links');
    $click($sign())->waitFor('.out-list .way');
    expect($browser->count('.out-list .way'))->toBe(2);
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.out-list'), 'the list to go');
    // An address that is typed in a title is a link too.
    $browser->pick('Paddles')->keys('F2', 'End')->type(' https://saltmere.example/oars.')->keys('Mod+Enter')->saved();
    $browser->waitUntil(fn (): bool => in_array('saltmere.example/oars (page)', linksAtDesk($browser), true), 'the typed address');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => ! in_array('saltmere.example/oars (page)', linksAtDesk($browser), true), 'the link gone');
});

it('lets a branch be a map of its own, with a way there and back, and brings it back', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Regatta')->keys('Tab')->type('Skiffs of the yard')->keys('Tab')->type('Varnish')->keys('Enter')->type('Ribs')->keys('Mod+Enter')->saved();
    $outline = $browser->outline();
    $browser->pick('Skiffs of the yard')->act('Let this branch be a map of its own')->waitUntil(fn (): bool => count($browser->outline()) === 2, 'the branch to go');
    $browser->saved()->waitUntil(fn (): bool => linksAtDesk($browser) === ['Skiffs of the yard (other map)'], 'the way there');
    $browser->keys('Alt+End')->waitUntil(fn (): bool => $browser->outline() === ['Skiffs of the yard', '  Varnish', '  Ribs'], 'the new map');
    $browser->keys('Tab')->type('Oakum')->keys('Mod+Enter')->saved();
    $browser->keys('Alt+Backspace')->waitUntil(fn (): bool => chosenTitle($browser) === 'Skiffs of the yard' && count($browser->outline()) === 2, 'back');
    $browser->press('Bring it back')->waitUntil(fn (): bool => count($browser->outline()) === 5, 'the branch')->saved();
    expect($browser->outline())->toContain('    Varnish', '    Ribs', '    Oakum')->and(linksAtDesk($browser))->toBe([]);
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => count($browser->outline()) === 2, 'one step to be undone');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => $browser->outline() === $outline, 'all as it was');
});

it('shows on the topic how far the other map is, and anew when that has gone on', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Regatta')->keys('Tab')->type('Skiffs of the yard')->keys('Tab')->type('Varnish')->keys('Enter')->type('Ribs')->keys('Mod+Enter')->saved();
    $browser->pick('Skiffs of the yard')->act('Let this branch be a map of its own')->waitUntil(fn (): bool => linksAtDesk($browser) === ['Skiffs of the yard (other map)'], 'the way there')->saved();
    $said = fn (): string => (string) $browser->script('return document.querySelector(".slip text.how-far")?.textContent ?? ""');
    $browser->press('Show how far')->waitUntil(fn (): bool => $said() === '2 topics', 'how far it is');
    $browser->pick('Skiffs of the yard')->keys('Alt+End')->waitUntil(fn (): bool => count($browser->outline()) === 3, 'the other map');
    $browser->pick('Skiffs of the yard')->keys('Tab')->type('Oakum')->keys('Mod+Enter')->saved()->keys('Alt+Backspace');
    $browser->waitUntil(fn (): bool => $said() === '3 topics', 'how far it is now')->saved();
    // It is nobody's step: undo takes back what the person did.
    $browser->press('Hide how far')->waitUntil(fn (): bool => $said() === '', 'no more')->saved();
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => $said() === '3 topics', 'undone');
    expect($browser->complaints())->toBe([]);
});

it('makes a link with its title of an address of ours that is pasted on a topic, renames it, and gives a topic instead if that was meant', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Crossing')->keys('Tab')->type('Rowboat seven')->keys('Mod+Enter')->saved();
    $address = $browser->driver->getCurrentURL().'/topics/'.$browser->topic('Rowboat seven');
    $browser->visit('/')->newMap();
    $browser->type('Rota')->keys('Mod+Enter')->saved();
    $paste = fn (string $text) => $browser->script('const data = new DataTransfer(); data.setData("text/plain", arguments[0]); document.querySelector("[data-region=board]").dispatchEvent(new ClipboardEvent("paste", { bubbles: true, cancelable: true, clipboardData: data }))', $text);
    standAt($browser, 'Rota');
    $paste($address);
    $browser->waitUntil(fn (): bool => linksAtDesk($browser) === ['Rowboat seven (other map)'], 'the link with its title')->saved();
    $browser->press('Rename')->waitFor('input[aria-label="Title of the link"]')->script('document.querySelector(\'input[aria-label="Title of the link"]\').select()');
    $browser->type('The old boat')->keys('Enter')->waitUntil(fn (): bool => linksAtDesk($browser) === ['The old boat (other map)'], 'its new title')->saved();
    $paste('https://saltmere.example/oars');
    $browser->waitUntil(fn (): bool => count(linksAtDesk($browser)) === 2, 'a second link')->script('[...document.querySelectorAll("button")].filter((one) => one.textContent === "Paste it as a topic instead").at(-1).click()');
    $browser->waitUntil(fn (): bool => count($browser->outline()) === 2, 'a topic instead')->saved();
    standAt($browser, 'Rota');
    $browser->waitUntil(fn (): bool => linksAtDesk($browser) === ['The old boat (other map)'], 'the one link again');
    expect($browser->saved()->complaints())->toBe([]);
});
