<?php

declare(strict_types=1);

use ChalkTree\Map\Ids;
use Tests\Browser\Studio;
use Tests\Support\Browser;
use Tests\Support\Photos;
use Tests\Support\Sends;

/** A tide reader's own map. */
function tides(): Browser
{
    $browser = Studio::browser()->newMap();
    $browser->type('Tides')->keys('Tab')->type('Quay')->keys('Enter')->type('Mole')->keys('Enter')->type('Slipway')->keys('Mod+Enter')->saved();

    return $browser;
}

/**
 * Files of any sort over a point of the window, or pasted.
 *
 * @param  array<string, string>  $files  contents by name
 */
function letFall(Browser $browser, array $files, float $x, float $y, string $type = 'drop'): void
{
    $browser->script(<<<'JS'
        const [files, x, y, type] = arguments
        const data = new DataTransfer()
        for (const [name, contents] of files) {
            data.items.add(new File([Uint8Array.from(atob(contents), (sign) => sign.charCodeAt(0))], name, { lastModified: 1_700_000_000_000 }))
        }
        if (type === 'paste') {
            document.activeElement.dispatchEvent(new ClipboardEvent('paste', { bubbles: true, cancelable: true, clipboardData: data }))
        } else {
            const target = document.elementFromPoint(x, y)
            for (const name of ['dragover', 'drop']) target.dispatchEvent(new DragEvent(name, { bubbles: true, cancelable: true, clientX: x, clientY: y, dataTransfer: data }))
        }
        JS, array_map(fn (string $name): array => [$name, base64_encode($files[$name])], array_keys($files)), $x, $y, $type);
}

/** Files that are chosen on the machine, where a chooser waits for them. */
function chooseFiles(Browser $browser, string ...$paths): void
{
    $browser->waitFor('.file-chooser')->find('.file-chooser')->sendKeys(implode("\n", $paths));
}

function onto(Browser $browser, array $files, string $title): void
{
    $box = $browser->boxOf($title);
    letFall($browser, $files, $box['x'] + $box['w'] / 2, $box['y'] + $box['h'] / 2);
}

/** @return list<string> the names of the files at the desk */
function filesAtDesk(Browser $browser): array
{
    return $browser->script('return [...document.querySelectorAll("[data-focus=desk] .files .name")].map((name) => name.textContent)');
}

/** Bytes a second that go up the line; -1 for as many as there are. */
function lineUp(Browser $browser, int $bytes = -1, bool $offline = false): void
{
    $browser->tools('Network.enable', []);
    $browser->tools('Network.emulateNetworkConditions', ['offline' => $offline, 'latency' => 0, 'downloadThroughput' => -1, 'uploadThroughput' => $bytes]);
}

/** A file on this machine, gone with the run. */
function onDisk(string $name, string $contents): string
{
    $folder = sys_get_temp_dir().'/files-'.bin2hex(random_bytes(4));
    mkdir($folder);
    file_put_contents("{$folder}/{$name}", $contents);

    return "{$folder}/{$name}";
}

it('keeps files that are dropped on a topic, several at once, shows them with their sizes, and undoes', function () {
    $browser = tides();
    $browser->pick('Mole');
    onto($browser, ['Tide table.pdf' => Sends::pdf(), 'Fog.wav' => Sends::wav(), 'soundings.csv' => "place,metres\nquay,4.2\n"], 'Mole');
    $browser->waitUntil(fn (): bool => filesAtDesk($browser) === ['Tide table.pdf', 'Fog.wav', 'soundings.csv'], 'three files');
    $browser->saved();
    expect($browser->has('.slip[data-topic="'.$browser->topic('Mole').'"] .file-sign'))->toBeTrue();
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => count(filesAtDesk($browser)) === 2, 'one undone');
    $browser->keys('Mod+y')->saved()->waitUntil(fn (): bool => count(filesAtDesk($browser)) === 3, 'and redone');
    $browser->driver->navigate()->refresh();
    $browser->ready()->pick('Mole')->waitUntil(fn (): bool => count(filesAtDesk($browser)) === 3, 'after a reload');
    expect($browser->complaints())->toBe([]);
});

it('puts a picture among dropped files into the topic, and keeps the others at it', function () {
    $browser = tides();
    $browser->pick('Slipway');
    onto($browser, ['steps.png' => Photos::png(80, 60), 'soundings.csv' => 'a,b'], 'Slipway');
    $browser->waitUntil(fn (): bool => filesAtDesk($browser) === ['soundings.csv'] && $browser->has('.slip[data-topic="'.$browser->topic('Slipway').'"] image'), 'a picture and a file');
    expect($browser->saved()->complaints())->toBe([]);
});

it('makes loose topics of files on the empty board, and takes what is pasted on the chosen topic', function () {
    $browser = tides();
    letFall($browser, ['crew list.txt' => 'Bram, Ines', 'wind_rose.txt' => 'NNW'], 700, 600);
    $browser->waitUntil(fn (): bool => in_array('crew list', $browser->outline(), true) && in_array('wind_rose', array_map(fn ($t) => str_replace('\\', '', $t), $browser->outline()), true), 'two loose topics');
    $browser->pick('Quay');
    letFall($browser, ['plan.txt' => 'a plan'], 0, 0, 'paste');
    $browser->waitUntil(fn (): bool => filesAtDesk($browser) === ['plan.txt'], 'the pasted file');
    expect($browser->saved()->complaints())->toBe([]);
});

it('adds, opens, looks at, renames, replaces and removes a file by keys and by mouse', function () {
    $browser = tides();
    $browser->pick('Quay')->keys('Mod+o');
    chooseFiles($browser, onDisk('Tide table.pdf', Sends::pdf('Tide table one')));
    $browser->waitUntil(fn (): bool => filesAtDesk($browser) === ['Tide table.pdf'], 'the file');
    // By key beside the map, and away again.
    $browser->script('document.querySelector("[data-region=board]").focus()');
    $browser->keys('Mod+Shift+o')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".pdf-text")?.textContent ?? ""'), 'Tide table one'), 'the page with its text');
    expect($browser->script('const c = document.querySelector(".file-viewer canvas"); const d = c.getContext("2d").getImageData(0, 0, c.width, c.height).data; let dark = 0; for (let i = 0; i < d.length; i += 4) if (d[i] < 100) dark++; return dark'))->toBeGreaterThan(200, 'letters are drawn');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.file-viewer'), 'closed');
    // Its first page, before it is opened: the worker draws it.
    $browser->press('Look at Tide table.pdf first')->waitUntil(fn (): bool => $browser->script('const image = document.querySelector(".file-look img"); return image !== null && image.naturalWidth > 100'), 'the first page', 20);
    $browser->press('Replace Tide table.pdf by a newer one');
    chooseFiles($browser, onDisk('tides-new.pdf', Sends::pdf('Tide table two')));
    $browser->waitUntil(fn (): bool => $browser->has('.coming'), 'it comes')->waitUntil(fn (): bool => ! $browser->has('.coming'), 'it is there')->saved();
    // The sign on the board opens it by one click.
    $room = $browser->script('const { x, y, width, height } = document.querySelector(".slip .file-room").getBoundingClientRect(); return [x + width / 2, y + height / 2]');
    $browser->pointer('mousePressed', $room[0], $room[1], ['button' => 'left', 'clickCount' => 1])->pointer('mouseReleased', $room[0], $room[1], ['button' => 'left', 'clickCount' => 1]);
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".pdf-text")?.textContent ?? ""'), 'two'), 'the newer one');
    $browser->keys('Escape')->press('Look at Tide table.pdf first');
    // Undo has the older one again.
    $browser->pick('Quay')->keys('Mod+z')->saved()->keys('Mod+Shift+o')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".pdf-text")?.textContent ?? ""'), 'one'), 'the older one');
    $browser->press('Close')->press('Rename');
    $browser->waitFor('input[aria-label="Name of the file"]')->script('document.querySelector(\'input[aria-label="Name of the file"]\').select()');
    $browser->type('High water.pdf')->keys('Enter')->waitUntil(fn (): bool => filesAtDesk($browser) === ['High water.pdf'], 'its new name');
    $browser->press('Remove High water.pdf')->waitUntil(fn (): bool => filesAtDesk($browser) === [], 'removed');
    expect($browser->saved()->complaints())->toBe([]);
});

it('plays film and sound in place, steps through the files of a topic, and lets what it cannot show be saved', function () {
    $browser = tides();
    $browser->pick('Mole');
    onto($browser, ['shadow.webm' => (string) file_get_contents(dirname(__DIR__, 2).'/database/demo/files/A shadow grows.webm'), 'fog.wav' => Sends::wav(900), 'plan.dwg' => 'AC1027 and so on'], 'Mole');
    $browser->waitUntil(fn (): bool => count(filesAtDesk($browser)) === 3, 'three files')->press('Open shadow.webm')->waitFor('.file-viewer video');
    $browser->script('const film = document.querySelector(".file-viewer video"); film.muted = true; film.play()');
    $browser->waitUntil(fn (): bool => $browser->script('const film = document.querySelector(".file-viewer video"); return film.videoWidth === 480 && film.currentTime > 0.3'), 'the film plays');
    $browser->press('Next')->waitUntil(fn (): bool => $browser->script('return (document.querySelector(".file-viewer audio")?.duration ?? 0) > 0.8'), 'the sound');
    $browser->press('Next')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".file-viewer")?.textContent ?? ""'), 'does not open here'), 'what cannot be shown');
    expect($browser->script('return document.querySelector(".file-viewer .words a").getAttribute("href")'))->toContain('as=saved')->and($browser->complaints())->toBe([]);
    $browser->press('Large');
    expect($browser->script('return document.querySelector(".file-viewer").getBoundingClientRect().width'))->toBeGreaterThan(1200);
    $browser->keys('Escape');
});

it('goes on where it broke off when the line is back, shows how far it is, and stops when it is told to', function () {
    $browser = tides();
    $browser->pick('Quay');
    $path = onDisk('survey.bin', random_bytes(9_000_000));
    lineUp($browser, 2_000_000);
    $browser->keys('Mod+o');
    chooseFiles($browser, $path);
    $browser->waitUntil(fn (): bool => preg_match('/[1-9][.\d]* MB of 8\.6 MB/', (string) $browser->script('return document.querySelector(".coming small")?.textContent ?? ""')) === 1, 'some of it has come', 20);
    lineUp($browser, -1, true);
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".coming small")?.textContent ?? ""'), 'goes on by itself'), 'it waits');
    lineUp($browser, -1);
    $browser->waitUntil(fn (): bool => filesAtDesk($browser) === ['survey.bin'], 'it is there', 30);
    // It has come whole.
    $sum = $browser->script('const link = document.querySelector("[data-focus=desk] .files a").getAttribute("href"); const request = new XMLHttpRequest(); request.open("GET", link, false); request.overrideMimeType("text/plain; charset=x-user-defined"); request.send(); return request.responseText.length');
    expect($sum)->toBe(9_000_000);

    lineUp($browser, 300_000);
    $browser->keys('Escape')->pick('Mole')->keys('Mod+o');
    chooseFiles($browser, onDisk('film.bin', random_bytes(6_000_000)));
    $browser->waitFor('.coming')->press('Stop film.bin')->waitUntil(fn (): bool => ! $browser->has('.coming'), 'stopped');
    lineUp($browser, -1);
    usleep(600_000);
    expect(filesAtDesk($browser))->toBe([]);
});

it('goes on with what came before, when the same file is chosen again after the page was gone', function () {
    $browser = tides();
    $browser->pick('Quay');
    $bytes = random_bytes(3_000_000);
    // So much had come when the page went.
    $id = Ids::next();
    $browser->script(<<<'JS'
        const [id, contents, name] = arguments
        const bytes = Uint8Array.from(atob(contents), (sign) => sign.charCodeAt(0))
        const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)[1])
        window.begun = fetch('/api/uploads', { method: 'POST', headers: { 'X-XSRF-TOKEN': token, 'Content-Type': 'application/json', Accept: 'application/json' }, body: JSON.stringify({ id, name, bytes: 3_000_000 }) })
            .then(() => fetch(`/api/uploads/${id}/0`, { method: 'PUT', headers: { 'X-XSRF-TOKEN': decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)[1]), Accept: 'application/json' }, body: bytes }))
            .then((answer) => answer.json()).then((answer) => { window.received = answer.received })
        localStorage.setItem('chalk-tree.uploads', JSON.stringify({ [`file ${name} 3000000 1700000000000`]: id }))
        JS, $id, base64_encode(substr($bytes, 0, 2_500_000)), 'survey.bin');
    $browser->waitUntil(fn (): bool => $browser->script('return window.received') === 2_500_000, 'the first pieces');
    $browser->script('performance.clearResourceTimings()');
    onto($browser, ['survey.bin' => $bytes], 'Quay');
    $browser->waitUntil(fn (): bool => filesAtDesk($browser) === ['survey.bin'], 'the file', 20);
    $sent = $browser->script('return performance.getEntriesByType("resource").map((one) => new URL(one.name).pathname).filter((path) => /uploads\\/.+\\/\\d+$/.test(path))');
    expect($sent)->toBe(["/api/uploads/{$id}/2500000"])->and($browser->script('return localStorage.getItem("chalk-tree.uploads")'))->toBe('{}')->and($browser->complaints())->toBe([]);
});

it('brings a file to its topic though one has gone to another map meanwhile', function () {
    $browser = tides();
    $map = (string) $browser->script('return location.pathname');
    $browser->pick('Quay');
    lineUp($browser, 1_500_000);
    $browser->keys('Mod+o');
    chooseFiles($browser, onDisk('survey.bin', random_bytes(4_500_000)));
    $browser->waitFor('.coming')->script('document.querySelector("a.home").click()');
    $browser->waitUntil(fn (): bool => ! $browser->has('.board'), 'the library');
    sleep(5);
    lineUp($browser);
    $browser->script('history.back()');
    $browser->ready();
    expect($browser->script('return location.pathname'))->toBe($map);
    $browser->pick('Quay')->waitUntil(fn (): bool => filesAtDesk($browser) === ['survey.bin'], 'the file');
    expect($browser->complaints())->toBe([]);
});

it('lists the files of a topic where its sign is clicked, and opens one from there', function () {
    $browser = tides();
    $browser->pick('Mole');
    onto($browser, ['Tide table.pdf' => Sends::pdf(), 'fog.wav' => Sends::wav()], 'Mole');
    $browser->waitUntil(fn (): bool => count(filesAtDesk($browser)) === 2, 'the files')->saved();
    usleep(400_000);
    $room = $browser->script('const { x, y, width, height } = document.querySelector(".slip .file-room").getBoundingClientRect(); return [x + width / 2, y + height / 2]');
    $browser->pointer('mousePressed', $room[0], $room[1], ['button' => 'left', 'clickCount' => 1])->pointer('mouseReleased', $room[0], $room[1], ['button' => 'left', 'clickCount' => 1]);
    $browser->waitFor('.file-list .open');
    expect($browser->script('return [...document.querySelectorAll(".file-list .name")].map((one) => one.textContent)'))->toBe(['Tide table.pdf', 'fog.wav']);
    $browser->script('document.querySelectorAll(".file-list .open")[1].click()');
    $browser->waitFor('.file-viewer audio')->press('Before')->waitFor('.file-viewer canvas');
    $width = fn (): float => (float) $browser->script('return document.querySelector(".file-viewer .page").getBoundingClientRect().width');
    [$before, $tool] = [$width(), fn (string $name) => $browser->script('[...document.querySelectorAll(".file-viewer .tools button")].find((one) => one.textContent === arguments[0]).click()', $name)];
    $tool('Closer');
    $browser->waitUntil(fn (): bool => $width() > $before * 1.2, 'closer');
    $tool('Whole width');
    $browser->waitUntil(fn (): bool => abs($width() - $before) < 1, 'the whole width');
    expect($browser->has('.file-list'))->toBeFalse();
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.file-viewer'), 'closed');
    expect($browser->complaints())->toBe([]);
});

it('lists every file of the map with where it is used, and throws away for good what only the history has', function () {
    $browser = tides();
    $browser->pick('Quay');
    onto($browser, ['soundings.csv' => 'a,b'], 'Quay');
    $browser->waitUntil(fn (): bool => filesAtDesk($browser) === ['soundings.csv'], 'the file')->act('Files of this map');
    $panel = fn (): string => (string) $browser->script('return document.querySelector("section[aria-label=\"Files of this map\"]")?.textContent ?? ""');
    $browser->waitUntil(fn (): bool => str_contains($panel(), 'soundings.csv') && str_contains($panel(), 'Quay'), 'the file and its topic');
    $browser->script('[...document.querySelectorAll(".at button")].find((one) => one.textContent === "Quay").click()');
    $browser->press('Close')->waitUntil(fn (): bool => filesAtDesk($browser) === ['soundings.csv'], 'the desk')->press('Remove soundings.csv')->saved()->act('Files of this map')
        ->waitUntil(fn (): bool => str_contains($panel(), 'Only in the history'), 'the history')->press('Throw soundings.csv away for good')
        ->waitUntil(fn (): bool => str_contains($panel(), 'No files yet'), 'gone');
    $browser->press('Close');
    expect($browser->complaints())->toBe([]);
});

it('leads to a file of the map by a link, with a look at it first, and comes there from another topic', function () {
    $browser = tides();
    $browser->pick('Quay');
    onto($browser, ['Tide table.pdf' => Sends::pdf()], 'Quay');
    $browser->waitUntil(fn (): bool => filesAtDesk($browser) !== [], 'the file')->pick('Slipway')->keys('Mod+Shift+l')->waitFor('input[aria-label="Add a link"]')->type('tide table');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".hits")?.textContent ?? ""'), 'Tide table.pdffile'), 'the file among the hits')->keys('Enter');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".outs")?.textContent ?? ""'), 'Tide table.pdf'), 'the link')->saved()
        ->press('Look at Tide table.pdf first')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".card .file-look")?.textContent ?? ""'), 'bytes'), 'its size');
    $browser->pick('Slipway')->keys('Alt+End')->waitUntil(fn (): bool => $browser->has('.file-viewer canvas'), 'the file opens')->keys('Escape');
    expect($browser->complaints())->toBe([]);
});

it('takes a map out with its files and brings it in again', function () {
    $browser = tides();
    $browser->pick('Quay');
    onto($browser, ['Tide table.pdf' => Sends::pdf(), 'fog.wav' => Sends::wav()], 'Quay');
    $browser->waitUntil(fn (): bool => count(filesAtDesk($browser)) === 2, 'the files')->saved();
    $id = basename((string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH));
    $path = onDisk('Tides.zip', '');
    Studio::server()->artisan('map:export', $id, '--to=zip', "--out={$path}");
    $browser->visit('/')->waitFor('.library, main');
    $browser->find('input[type=file]')->sendKeys($path);
    $browser->waitUntil(fn (): bool => str_contains($browser->driver->getCurrentURL(), '/maps/') && ! str_contains($browser->driver->getCurrentURL(), $id), 'the map that came')->ready();
    $browser->pick('Quay')->waitUntil(fn (): bool => filesAtDesk($browser) === ['Tide table.pdf', 'fog.wav'], 'its files')->press('Open Tide table.pdf')->waitFor('.file-viewer canvas')->keys('Escape');
    expect($browser->complaints())->toBe([]);
});

it('draws only the pages of a long PDF that are looked at, and says which one that is', function () {
    $browser = tides();
    $browser->pick('Quay');
    onto($browser, ['Log.pdf' => Sends::pdf(...array_map(fn (int $n): string => "Page {$n}", range(1, 60)))], 'Quay');
    $browser->waitUntil(fn (): bool => filesAtDesk($browser) === ['Log.pdf'], 'the file')->press('Open Log.pdf')->waitFor('.file-viewer canvas');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".file-viewer .tools span").textContent'), 'Page 1 of 60'), 'the first page');
    expect($browser->count('.file-viewer .page'))->toBe(60)->and($browser->count('.file-viewer canvas'))->toBeLessThan(6);
    $browser->script('const view = document.querySelector(".file-viewer .scroll"); view.scrollTop = document.querySelector(".file-viewer .page[data-page=\'42\']").offsetTop');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".file-viewer .page[data-page=\'42\'] .pdf-text")?.textContent ?? ""'), 'Page 42'), 'the page that is looked at');
    expect($browser->script('return document.querySelector(".file-viewer .tools span").textContent'))->toMatch('/Page 4[123] of 60/')->and($browser->count('.file-viewer canvas'))->toBeLessThan(12)->and($browser->complaints())->toBe([]);
    $browser->keys('Escape');
});

it('shows pages that were scanned, without anything that our policy would not let run', function () {
    $browser = tides();
    $browser->pick('Quay');
    onto($browser, ['scan.pdf' => Sends::scan()], 'Quay');
    $browser->waitUntil(fn (): bool => filesAtDesk($browser) === ['scan.pdf'], 'the file')->press('Open scan.pdf')->waitFor('.file-viewer canvas');
    $coloured = 'const c = document.querySelector(".file-viewer canvas"); const d = c.getContext("2d").getImageData(0, 0, c.width, c.height).data; let found = 0; for (let i = 0; i < d.length; i += 4) if (Math.abs(d[i] - d[i + 2]) > 60) found++; return found / (d.length / 4)';
    $browser->waitUntil(fn (): bool => $browser->script($coloured) > 0.2, 'the picture');
    $browser->keys('Escape');
    expect($browser->complaints())->toBe([]);
});

it('says of a PDF that is damaged what can be done, and of a file that is not here any more why', function () {
    $browser = tides();
    $browser->pick('Quay');
    onto($browser, ['broken.pdf' => '%PDF-1.7 and nothing else', 'gone.csv' => 'a,b'], 'Quay');
    $browser->waitUntil(fn (): bool => count(filesAtDesk($browser)) === 2, 'the files')->saved()->press('Open broken.pdf')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".file-viewer [role=alert]")?.textContent ?? ""'), 'cannot be shown'), 'what is wrong');
    $browser->keys('Escape')->press('Remove gone.csv')->saved()->act('Files of this map')->press('Throw gone.csv away for good');
    $browser->waitUntil(fn (): bool => ! str_contains((string) $browser->script('return document.querySelector("section[aria-label=\'Files of this map\']").textContent'), 'gone.csv'), 'gone')->press('Close');
    $browser->pick('Quay')->keys('Mod+z')->saved()->waitUntil(fn (): bool => count(filesAtDesk($browser)) === 2, 'its name is back')->press('Open gone.csv');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".file-viewer [role=alert]")?.textContent ?? ""'), 'thrown away for good'), 'why it is not here');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.file-viewer'), 'closed');
    expect(filesAtDesk($browser))->toBe(['broken.pdf', 'gone.csv']);
});

it('opens a picture that was attached as a file, and shows it reduced in the list of files', function () {
    $browser = tides();
    $browser->pick('Mole')->keys('Mod+o');
    chooseFiles($browser, onDisk('steps at low water.png', Photos::png(900, 500)));
    $browser->waitUntil(fn (): bool => filesAtDesk($browser) === ['steps at low water.png'], 'the file')->press('Look at steps at low water.png first')->waitUntil(fn (): bool => $browser->script('const image = document.querySelector(".file-look img"); return image !== null && image.naturalWidth === 640'), 'it reduced', 20);
    $browser->press('Open steps at low water.png')->waitUntil(fn (): bool => $browser->script('return (document.querySelector(".file-viewer .room img")?.naturalWidth ?? 0) === 900'), 'all of it');
    expect($browser->has('.slip image'))->toBeFalse()->and($browser->complaints())->toBe([]);
    $browser->keys('Escape');
});

it('is all there on a narrow window: files at the desk, one opened over it, and the list', function () {
    $browser = tides();
    $browser->pick('Quay');
    onto($browser, ['Tide table.pdf' => Sends::pdf()], 'Quay');
    $browser->waitUntil(fn (): bool => filesAtDesk($browser) !== [], 'the file')->saved()->size(420, 800);
    $browser->waitFor('.outline [role=treeitem]')->script('[...document.querySelectorAll(".outline [role=treeitem]")].find((line) => line.textContent.includes("Quay")).click()');
    $browser->press('Desk')->waitFor('[data-focus=desk] .files .open')->script('document.querySelector("[data-focus=desk] .files .open").click()');
    $browser->waitFor('.file-viewer canvas');
    $box = (array) $browser->script('const b = document.querySelector(".file-viewer").getBoundingClientRect(); return [b.x, b.right]');
    expect($box[0])->toBeGreaterThanOrEqual(0)->and($box[1])->toBeLessThanOrEqual(420)->and($browser->script('return document.documentElement.scrollWidth'))->toBeLessThanOrEqual(420);
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.file-viewer'), 'closed');
    $browser->size(1280, 800);
    expect($browser->complaints())->toBe([]);
});
