<?php

declare(strict_types=1);

use Tests\Support\Browser;

/* A branch as a table: typed by keys as a spreadsheet is, put in order, under heads, in lanes, out and in as files. */

/** The middle of a cell in the window. */
function cellAt(Browser $browser, int $line, int $column): array
{
    return $browser->script('const r = document.querySelector(`#cell-${arguments[0]}-${arguments[1]}`).getBoundingClientRect(); return [r.x + r.width / 2, r.y + r.height / 2]', $line, $column);
}

/** Adds a field as a column by keys alone. */
function withColumn(Browser $browser, string $name, string $sort = 'Text', string $more = ''): Browser
{
    $browser->keys('Mod+Alt+Enter')->waitFor('[aria-label="Name of the column"]')->type($name);
    if ($sort !== 'Text') {
        $browser->keys('Tab', 'Enter')->waitFor('.n-base-select-menu')->type($sort)->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".n-base-select-option--pending")?.textContent'), $sort), 'the sort')->keys('Enter');
    }
    if ($more !== '') {
        $browser->keys('Tab')->type($more);
        $browser->keys('Enter');
    } else {
        $browser->script('document.querySelector(`[aria-label="Name of the column"]`).focus()');
        $browser->keys('Enter');
    }

    return $browser->waitUntil(fn (): bool => ! $browser->has('[aria-label="Name of the column"]') && str_contains((string) $browser->script('return document.querySelector(".table-grid .heads")?.textContent'), $name), "the column {$name}")->saved();
}

it('is typed by keys as a spreadsheet is, saved, and taken back in steps', function () {
    $browser = tabled("Budget\n\tLanterns\n\tOil");
    rowsAre($browser, ['Lanterns', 'Oil']);
    withColumn($browser, 'Cost', 'Money', '€');
    // Down to the new row: what is typed there makes topics.
    $browser->keys('ArrowLeft', 'ArrowDown', 'ArrowDown')->type('Boats')->keys('Enter')->type('Rope')->keys('Tab');
    rowsAre($browser, ['Lanterns|', 'Oil|', 'Boats|', 'Rope|']);
    $browser->type('80')->keys('Shift+Enter')->type('900')->keys('ArrowUp')->type('35,5')->keys('Shift+Enter')->type('dear')->keys('Enter');
    rowsAre($browser, ['Lanterns|', 'Oil|€35.50', 'Boats|€900', 'Rope|€80']);
    expect($browser->script('return document.querySelector(".n-message")?.textContent'))->toContain('“Cost” wants a number');
    // F2 goes on with what is there; Escape leaves it.
    $browser->keys('F2')->waitFor('.cell-editor input');
    expect($browser->script('return document.querySelector(".cell-editor input").value'))->toBe('35.5');
    $browser->keys('End')->type('0')->keys('Escape')->saved();
    rowsAre($browser, ['Lanterns|', 'Oil|€35.50', 'Boats|€900', 'Rope|€80']);
    $browser->keys('Delete')->saved();
    rowsAre($browser, ['Lanterns|', 'Oil|', 'Boats|€900', 'Rope|€80']);
    $browser->keys('Mod+z')->saved();
    rowsAre($browser, ['Lanterns|', 'Oil|€35.50', 'Boats|€900', 'Rope|€80']);
    // A row between, and the same below what is chosen.
    $browser->keys('Mod+Enter')->waitFor('.cell-editor input')->type('Wicks')->keys('Tab')->type('4')->keys('Enter');
    rowsAre($browser, ['Lanterns|', 'Oil|€35.50', 'Wicks|€4', 'Boats|€900', 'Rope|€80']);
    $browser->keys('ArrowUp', 'Shift+ArrowDown', 'Shift+ArrowDown', 'Alt+Shift+ArrowDown')->saved();
    rowsAre($browser, ['Lanterns|', 'Oil|€35.50', 'Wicks|€4', 'Boats|€4', 'Rope|€4']);
    $browser->keys('Mod+z')->saved();
    rowsAre($browser, ['Lanterns|', 'Oil|€35.50', 'Wicks|€4', 'Boats|€900', 'Rope|€80']);
    // Rows are moved, which moves the topics; and it all survives a reload.
    $browser->keys('Alt+ArrowUp')->saved();
    expect($browser->complaints())->toBe([]);
    $browser->script('location.reload()');
    $browser->waitFor('.table-grid .line')->waitUntil(fn (): bool => count(rowsSeen($browser)) === 5 && str_contains(implode(rowsSeen($browser)), '€900'), 'the table');
    $browser->keys('Alt+2')->waitFor('.board .slip');
    expect($browser->outline())->toContain('  Wicks');
});

it('copies cells as text and HTML, and takes them from a spreadsheet, making rows as it needs', function () {
    $browser = tabled("Plan\n\tOne\n\tTwo\n\tThree");
    withColumn($browser, 'Place');
    rowsAre($browser, ['One|', 'Two|', 'Three|']);
    $browser->keys('Mod+ArrowUp')->waitUntil(fn (): bool => $browser->has('#cell-0-1.at'), 'the first row');
    $paste = fn (string $text) => $browser->script('const data = new DataTransfer(); data.setData("text/plain", arguments[0]); document.querySelector(".table-grid").dispatchEvent(new ClipboardEvent("paste", {clipboardData: data, bubbles: true, cancelable: true}))', $text);
    $paste("Quay\r\n\"Net\nloft\"\r\nSlip \"B\"\r\nGreen\r\n");
    rowsAre($browser, ['One|Quay', 'Two|Net loft', 'Three|Slip "B"', '|Green']);
    $browser->saved();
    $copied = $browser->script('const data = new DataTransfer(); document.querySelector(".table-grid").dispatchEvent(new ClipboardEvent("copy", {clipboardData: data, bubbles: true, cancelable: true})); return [data.getData("text/plain"), data.getData("text/html")]');
    expect($copied[0])->toBe("Quay\nNet loft\n\"Slip \"\"B\"\"\"\nGreen")->and($copied[1])->toContain('<td>Slip "B"</td>');
    // One value into all that is chosen.
    $browser->keys('Mod+ArrowUp', 'Shift+ArrowDown', 'Shift+ArrowDown');
    $paste('Pier');
    rowsAre($browser, ['One|Pier', 'Two|Pier', 'Three|Pier', '|Green']);
    $browser->saved()->keys('Mod+z')->saved();
    rowsAre($browser, ['One|Quay', 'Two|Net loft', 'Three|Slip "B"', '|Green']);
    $browser->keys('Mod+z')->saved();
    rowsAre($browser, ['One|', 'Two|', 'Three|']);
});

it('is put in order, under heads and told in totals by the menu of a column, by keys and by mouse', function () {
    $browser = tabled("Budget\n\tLanterns\n\tOil\n\tBoats");
    withColumn($browser, 'Cost', 'Number');
    $browser->keys('Mod+ArrowUp')->type('12')->keys('Enter')->type('3')->keys('Enter')->type('900')->keys('Enter');
    rowsAre($browser, ['Lanterns|12', 'Oil|3', 'Boats|900']);
    $browser->saved()->keys('ArrowUp', 'Alt+Enter')->waitFor('.column-menu')->keys('ArrowDown', 'Enter');
    rowsAre($browser, ['Boats|900', 'Lanterns|12', 'Oil|3']);
    $browser->saved()->press('Column Cost')->waitFor('.column-menu')->press('Sum')->saved();
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".table-grid .foot")?.textContent'), '915'), 'the sum');
    // For good: the map is in this order then.
    $browser->press('Column Cost')->waitFor('.column-menu')->press('Put the map in this order')->saved();
    $browser->press('Column Cost')->waitFor('.column-menu')->press('As in the map')->saved();
    rowsAre($browser, ['Boats|900', 'Lanterns|12', 'Oil|3']);
    withColumn($browser, 'State', 'One of several', 'open, done');
    $browser->keys('ArrowRight', 'ArrowRight', 'Mod+ArrowUp')->type('d')->keys('ArrowDown', 'Enter');
    rowsAre($browser, ['Boats|900|done', 'Lanterns|12|', 'Oil|3|']);
    $browser->saved()->press('Column State')->waitFor('.column-menu')->press('Rows under heads by this')->saved();
    rowsAre($browser, ['# open', '# done', 'Boats|900|done', '# None', 'Lanterns|12|', 'Oil|3|']);
    // A finer look: hidden, and back.
    $browser->press('Column Cost')->waitFor('.column-menu')->press('Hide the column')->saved();
    rowsAre($browser, ['# open', '# done', 'Boats|done', '# None', 'Lanterns|', 'Oil|']);
    $browser->keys('Mod+z')->saved();
    rowsAre($browser, ['# open', '# done', 'Boats|900|done', '# None', 'Lanterns|12|', 'Oil|3|']);
    expect($browser->outline())->toBe(['Budget', '  Boats', '  Lanterns', '  Oil'])->and($browser->complaints())->toBe([]);
});

it('has lanes, where a card goes to another by mouse and by keys', function () {
    $browser = tabled("Plan\n\tOne\n\tTwo");
    withColumn($browser, 'State', 'One of several', 'open, done');
    $browser->press('Column State')->waitFor('.column-menu')->press('Rows under heads by this')->saved();
    inForm($browser, 'Lanes')->waitFor('.lane');
    $lanes = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".lane")].map((lane) => `${lane.querySelector("header strong").textContent}: ${[...lane.querySelectorAll(".card > strong")].map((one) => one.textContent).join(", ")}`)');
    $browser->waitUntil(fn (): bool => $lanes() === ['open: ', 'done: ', 'None: One, Two'], 'the lanes');
    $from = $browser->script('const r = [...document.querySelectorAll(".card")].find((e) => e.textContent.startsWith("One")).getBoundingClientRect(); return [r.x + 30, r.y + 10]');
    $to = $browser->script('const r = document.querySelector(".lane").getBoundingClientRect(); return [r.x + 60, r.y + 120]');
    $browser->drag($from, $to);
    $browser->waitUntil(fn (): bool => $lanes() === ['open: One', 'done: ', 'None: Two'], 'the card in its lane')->saved();
    $browser->keys('Mod+ArrowRight')->waitUntil(fn (): bool => $lanes() === ['open: ', 'done: One', 'None: Two'], 'the card in the next')->saved();
    $browser->keys('ArrowRight', 'Mod+ArrowLeft')->waitUntil(fn (): bool => $lanes() === ['open: ', 'done: One, Two', 'None: '], 'the other too')->saved();
    $browser->keys('Mod+z')->waitUntil(fn (): bool => $lanes() === ['open: ', 'done: One', 'None: Two'], 'it back');
    expect($browser->complaints())->toBe([]);
});

it('has a calendar, where what is dragged or pushed by keys is on other days then', function () {
    $day = fn (int $by): string => date('Y-m-d', strtotime("monday this week {$by} days"));
    $browser = tabled("Plan\n\tBoats\n\tQuay");
    $browser->press('Columns')->waitFor('.columns .n-checkbox');
    foreach (['Begins', 'By when'] as $column) {
        $browser->script('[...document.querySelectorAll(".columns .n-checkbox")].find((one) => one.textContent.trim() === arguments[0]).click()', $column);
        $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".table-grid .heads").textContent'), $column), "the column {$column}")->saved();
    }
    $browser->script('document.querySelector(".table-grid").focus()');
    $browser->keys('Mod+ArrowUp', 'Home', 'ArrowRight')->type($day(1))->keys('Tab')->type($day(2))->keys('Enter')->type($day(4))->keys('Enter')->saved();
    inForm($browser, 'Week')->waitFor('.calendar .item');
    // What is on each day of the week, from its Monday: first and last column, and title.
    $items = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".calendar .item")].map((one) => `${one.textContent} ${one.style.gridColumn.replace(/\\s/g, "")}`).sort()');
    $are = fn (array $wanted) => $browser->waitUntil(fn (): bool => $items() === $wanted, 'the days '.implode(', ', $wanted).', which are '.implode(', ', $items()), 15);
    $are(['Boats 2/4', 'Quay 5/6']);
    $at = fn (string $css): array => $browser->script('const r = document.querySelector(arguments[0]).getBoundingClientRect(); return [r.x + Math.min(20, r.width / 2), r.y + r.height / 2]', $css);
    // By mouse: a day on, and longer by its edge.
    $from = $at('.calendar .item[aria-label^="Boats"]');
    $browser->drag($from, [$at("[data-day='{$day(2)}']")[0], $from[1]])->saved();
    $are(['Boats 3/5', 'Quay 5/6']);
    usleep(500_000);
    $from = $at('.calendar .item[aria-label^="Boats"] .pull');
    $browser->drag($from, [$at("[data-day='{$day(5)}']")[0], $from[1]])->saved();
    $are(['Boats 3/7', 'Quay 5/6']);
    // By keys: from one to the next, days and weeks on, shorter, and back.
    usleep(500_000);
    $browser->keys('ArrowRight', 'Mod+ArrowLeft')->saved();
    $are(['Boats 3/7', 'Quay 4/5']);
    $browser->keys('Mod+ArrowDown')->saved();
    $are(['Boats 3/7']);
    $browser->keys('Mod+z')->saved();
    $are(['Boats 3/7', 'Quay 4/5']);
    $browser->keys('ArrowLeft', 'Shift+ArrowLeft')->saved();
    $are(['Boats 3/6', 'Quay 4/5']);
    // Something more to do, on the day of what is chosen; it is a topic of the branch.
    $browser->keys('Mod+Enter')->waitFor('.adding')->type('Ropes')->keys('Enter')->saved();
    $are(['Boats 3/6', 'Quay 4/5', 'Ropes 3/4']);
    inForm($browser, 'Month')->waitFor('.of-month .item');
    inForm($browser, 'Spans')->waitFor('.of-spans .item');
    expect($browser->count('.of-spans .item'))->toBe(3)->and($browser->complaints())->toBe([]);
    $browser->keys('Alt+1');
    expect($browser->outline())->toBe(['Plan', '  Boats', '  Quay', '  Ropes']);
});

it('brings rows of a file in, to new topics and to those that are there, and takes the table out', function () {
    $browser = tabled("Stores\n\tLanterns\n\tOil");
    withColumn($browser, 'Cost', 'Number');
    $file = tempnam(sys_get_temp_dir(), 'rows').'.csv';
    file_put_contents($file, mb_convert_encoding("Thing;Cost;Since;Läge\r\nOil;3,50;2026-03-01;Quay\r\nRope;1.004,25;2026-04-01;Loft\r\n", 'Windows-1252', 'UTF-8'));
    $browser->press('About this table')->press('Bring in a file (CSV) …')->waitFor('.bring input[type=file]');
    $browser->find('.bring input[type=file]')->setFileDetector(new Facebook\WebDriver\Remote\LocalFileDetector)->sendKeys($file);
    $browser->waitFor('.bring table');
    expect($browser->script('return document.querySelector(".bring").textContent'))->toContain('2 rows, semicolons between the cells, Windows-1252, decimal commas')->toContain('1004.25')->toContain('Läge');
    $browser->script('document.querySelector(".bring .key .n-base-selection").dispatchEvent(new MouseEvent("click", {bubbles: true}))');
    $browser->waitFor('.n-base-select-option')->script('[...document.querySelectorAll(".n-base-select-option")].find((one) => one.textContent.includes("the same “Thing” changes it")).click()');
    $browser->press('Bring in 2 rows');
    rowsAre($browser, ['Lanterns|||', 'Oil|3.5|Sun 1 Mar|Quay', 'Rope|1,004.25|Wed 1 Apr|Loft']);
    $browser->saved()->keys('Mod+z')->saved();
    $browser->waitUntil(fn (): bool => ! str_contains(implode(rowsSeen($browser)), 'Rope'), 'it taken back');
    unlink($file);
});

it('gives the map an address for other calendars, and withdraws it', function () {
    $browser = tabled("Plan\n\tOne");
    $browser->press('About this table')->press('Address for other calendars …')->press('Make an address')->waitFor('[aria-label="Address of the calendar"]');
    $address = (string) $browser->script('return document.querySelector(`[aria-label="Address of the calendar"]`).value');
    $status = fn (): int => (int) $browser->driver->executeAsyncScript('const done = arguments[1]; fetch(arguments[0], {credentials: "omit"}).then((answer) => done(answer.status))', [$address]);
    expect($address)->toContain('/api/calendars/')->and($status())->toBe(200);
    $browser->press('Withdraw it')->waitUntil(fn (): bool => ! $browser->has('[aria-label="Address of the calendar"]'), 'it withdrawn');
    expect($status())->toBe(404);
});

it('follows what is chosen elsewhere, is narrowed by what is sought, and leads to the board', function () {
    $browser = tabled("Plan\n\tBoats\n\t\tFerry\n\tQuay\n\t\tFerry slip");
    $browser->press('All levels')->saved();
    rowsAre($browser, ['Boats', 'Ferry', 'Quay', 'Ferry slip']);
    $browser->keys('Mod+f')->waitFor('[data-focus=filter] input')->type('slip');
    rowsAre($browser, ['Ferry slip']);
    $browser->keys('Escape')->keys('Escape');
    rowsAre($browser, ['Boats', 'Ferry', 'Quay', 'Ferry slip']);
    $at = cellAt($browser, 2, 0);
    $browser->pointer('mousePressed', ...$at)->pointer('mouseReleased', ...$at)->waitUntil(fn (): bool => $browser->has('#cell-2-0.at'), 'the cell');
    $browser->keys('Alt+Backspace')->waitFor('.board .slip.chosen, .board [data-topic]');
    expect($browser->script('return document.querySelector(".outline [aria-selected=true]")?.textContent'))->toContain('Quay');
    // A table that nobody sees is asked for no more, and what is done in it is not offered.
    $asked = fn (): int => (int) $browser->script('return performance.getEntriesByType("resource").filter((one) => one.name.endsWith("/table")).length');
    $before = $asked();
    $browser->waitUntil(fn (): bool => (bool) $browser->script('return document.activeElement.closest(".board") !== null'), 'the board to have the keys');
    $browser->keys('Enter')->waitFor('.title-editor')->type('Pier')->keys('Mod+Enter')->saved();
    usleep(400_000);
    expect($asked())->toBe($before);
    $browser->keys('Mod+j')->waitFor('.palette')->type('Fill down');
    usleep(300_000);
    expect($browser->script('return document.querySelector(".palette").textContent'))->not->toContain('Fill down');
});

it('lets nothing that comes late end what is typed on the board', function () {
    $browser = tabled("Plan\n\tBoats\n\tQuay");
    $browser->script('document.querySelector(".table-grid").focus(); window.setTimeout = ((later) => (run, wait) => later(run, wait === 60 ? 900 : wait))(window.setTimeout)');
    $browser->keys('Alt+Backspace')->waitFor('.board .slip');
    $browser->script('document.querySelector(".board").focus()');
    $browser->keys('Enter')->waitFor('.title-editor');
    usleep(1_300_000);
    $browser->type('Pier')->keys('Mod+Enter')->saved();
    expect($browser->outline())->toBe(['Plan', '  Boats', '  Quay', '  Pier'])->and($browser->complaints())->toBe([]);
});

it('hangs a card elsewhere where the lanes are what stands above', function () {
    $browser = tabled("Plan\n\tA\n\t\tOne\n\tB\n\t\tTwo");
    $browser->press('All levels')->saved();
    $browser->script('document.querySelector(".table-bar .by .n-base-selection").click()');
    $browser->waitUntil(fn (): bool => (bool) $browser->script('const one = [...document.querySelectorAll(".n-base-select-option")].find((o) => o.textContent === "Topic above"); one?.click(); return one !== undefined'), 'what stands above')->saved();
    inForm($browser, 'Lanes')->waitFor('.lane');
    // The lanes stand as the topics do in the map.
    expect($browser->script('return [...document.querySelectorAll(".lane header strong")].map((one) => one.textContent).slice(0, 3)'))->toBe(['Plan', 'A', 'B']);
    $at = $browser->script('const r = [...document.querySelectorAll(".card")].find((one) => one.textContent.startsWith("One")).getBoundingClientRect(); return [r.x + 30, r.y + 10]');
    $browser->pointer('mousePressed', ...$at)->pointer('mouseReleased', ...$at)->keys('Mod+ArrowRight')->saved();
    expect($browser->outline())->toBe(['Plan', '  A', '  B', '    Two', '    One']);
});

it('moves a row by dragging its number, and by keys', function () {
    $browser = tabled("Plan\n\tOne\n\tTwo\n\tThree");
    $at = fn (int $line): array => $browser->script('const r = document.querySelectorAll(".table-grid .number")[arguments[0]].getBoundingClientRect(); return [r.x + 20, r.y + r.height / 2]', $line);
    [$from, $to] = [$at(0), $at(2)];
    $browser->drag($from, [$to[0], $to[1] + 12])->saved();
    rowsAre($browser, ['Two', 'Three', 'One']);
    expect($browser->outline())->toBe(['Plan', '  Two', '  Three', '  One']);
    $browser->keys('Alt+ArrowUp')->saved();
    rowsAre($browser, ['Two', 'One', 'Three']);
    expect($browser->outline())->toBe(['Plan', '  Two', '  One', '  Three']);
});
