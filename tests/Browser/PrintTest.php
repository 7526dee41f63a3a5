<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;
use Tests\Browser\Studio;
use Tests\Support\Browser;

/** Opens a list of words of the panel, and takes one, by keys alone. */
function taken(Browser $browser, string $list, int $down): void
{
    $browser->script('const list = document.querySelector(`.hand-over .n-select[aria-label="${arguments[0]}"] .n-base-selection-label`); list.scrollIntoView({ block: "center" }); list.focus()', $list);
    $browser->keys('Enter')->waitFor('.n-base-select-option--pending')->keys(...array_fill(0, $down, 'ArrowDown'))->keys('Enter')
        ->waitUntil(fn (): bool => $browser->script('return [...document.querySelectorAll(".n-base-select-menu")].every((e) => e.getClientRects().length === 0)'), 'the list to close');
}

/** Ticks what is called so in the panel, or takes the tick away. */
function tick(Browser $browser, string $name): void
{
    $browser->waitUntil(fn (): bool => $browser->script('const box = [...document.querySelectorAll(".hand-over .n-checkbox")].find((e) => e.innerText.trim() === arguments[0]); box?.click(); return box !== undefined', $name), "something called {$name} to tick");
}

/** What the line says that tells how large it will be. */
function planned(Browser $browser): string
{
    return (string) $browser->script('return document.querySelector(".hand-over .plan")?.innerText ?? ""');
}

/** Keeps addresses of files that the browser would save, and gives what they hold, as base64. */
function savedFile(Browser $browser, callable $act): string
{
    $browser->script('window.got = []; HTMLAnchorElement.prototype.click = function () { if (this.hasAttribute("download")) { window.got.push(this.href) } }');
    $act();
    $browser->waitUntil(fn (): bool => count((array) $browser->script('return window.got')) === 1, 'the file', 40);

    return base64_decode((string) $browser->driver->executeAsyncScript('const done = arguments[0]; fetch(window.got[0]).then(r => r.arrayBuffer()).then(b => done(btoa(Array.from(new Uint8Array(b), (n) => String.fromCharCode(n)).join(""))))'));
}

/** @return list<string> the text of each page of a PDF */
function pagesOf(string $pdf): array
{
    return explode("\f", rtrim((new Process(['pdftotext', '-layout', '-', '-'], input: $pdf))->mustRun()->getOutput(), "\f"));
}

it('prints a map on one sheet with a name that is on paper alone, and on nine for a wall, by keys', function () {
    $browser = Studio::opened("Harbour\n\tQuay\n\t\tCrane\n\tFerry\n");
    $browser->keys('Mod+p')->waitFor('.hand-over')->waitUntil(fn (): bool => str_starts_with(planned($browser), 'One sheet'), 'how it will be');
    $browser->script('const field = document.querySelector("input[aria-label=\'Name at the foot\']"); field.scrollIntoView(); field.focus()');
    $browser->type('Wren, class 4')->keys('Tab');
    $pages = pagesOf(savedFile($browser, fn () => $browser->press('Save the file')));
    expect($pages)->toHaveCount(1)->and($pages[0])->toContain('Wren, class 4')->toContain('Harbour · ')->toContain('Crane');
    taken($browser, 'Size', 1);
    $browser->waitUntil(fn (): bool => str_starts_with(planned($browser), '9 sheets, 3 across and 3 down'), 'nine sheets');
    $browser->waitUntil(fn (): bool => $browser->count('.hand-over .pages img') === 10, 'the plan and nine sheets', 30);
    // They are drawn one after the other, as the server wants it, those first that are looked at.
    $browser->script('document.querySelector(".hand-over .pages").scrollTo(0, 99999)');
    $drawn = fn (): array => (array) $browser->script('return [...document.querySelectorAll(".hand-over .pages img")].filter((one) => one.naturalWidth > 0).map((one) => Number(one.dataset.page))');
    $browser->waitUntil(fn (): bool => in_array(10, $drawn(), true), 'the last sheet', 30);
    expect($browser->script('const all = performance.getEntriesByType("resource").filter((one) => /pages\\/\\d+$/.test(one.name)).sort((a, b) => a.startTime - b.startTime); return all.length > 1 && all.every((one, n) => n === 0 || one.startTime >= all[n - 1].responseEnd)'))->toBeTrue();
    $pages = pagesOf(savedFile($browser, fn () => $browser->press('Save the file')));
    expect($pages)->toHaveCount(10)->and($pages[0])->toContain('9 sheets, 3 across and 3 down')->and($pages[9])->toMatch('~9 ?/ ?9~')->toContain('Wren, class 4');
    expect($browser->script('return document.querySelector(".board").innerText'))->not->toContain('Wren, class 4');
    expect($browser->complaints())->toBe([]);
});

it('hands the sheets to the browser, which prints as many', function () {
    $browser = Studio::opened("Harbour\n\tQuay\n\t\tCrane\n\tFerry\n");
    $browser->keys('Mod+p')->waitFor('.hand-over');
    tick($browser, 'Outline');
    $browser->press('Print …');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelectorAll("iframe.to-print").length') === 1 && $browser->script('return document.querySelector("iframe.to-print").contentDocument?.querySelectorAll(".sheet").length ?? 0') === 1, 'the sheets', 40);
    $page = (string) $browser->script('return document.querySelector("iframe.to-print").srcdoc');
    file_put_contents($file = sys_get_temp_dir().'/to-print-'.getmypid().'.html', $page);
    $pdf = preg_replace('/\.html$/', '.pdf', $file);
    (new Process(['chromium', '--headless', '--no-sandbox', '--disable-gpu', '--no-pdf-header-footer', "--print-to-pdf={$pdf}", "file://{$file}"]))->mustRun();
    $pages = pagesOf((string) file_get_contents((string) $pdf));
    expect($pages)->toHaveCount(2)->and($pages[0])->toContain('Crane')->and($pages[1])->toContain('Quay');
    array_map(unlink(...), [$file, (string) $pdf]);
});

it('makes a worksheet of what is chosen, with its key, by the mouse', function () {
    $browser = Studio::opened("Boats\n\tHull\n\tKeel\n\tMast\n");
    $browser->pick('Keel')->press('Hand over')->press('Print …')->waitFor('.hand-over');
    tick($browser, 'The chosen topic');
    $browser->waitUntil(fn (): bool => str_contains(planned($browser), 'One gap'), 'the gap');
    $pages = pagesOf(savedFile($browser, fn () => $browser->press('Save the file')));
    expect($pages)->toHaveCount(2)->and($pages[0])->toContain('Hull')->toContain('1 ____')->not->toContain('Keel')->and($pages[1])->toContain('Key: Boats')->toContain('Keel');
});

it('makes a picture of an area that is marked out by keys, and of another by the hand', function () {
    $browser = Studio::opened("Harbour\n\tQuay\n\tFerry\n");
    $browser->keys('F4')->waitFor('.hand-over')->press('PNG')->press('Mark out an area')->waitFor('.marking');
    $browser->keys('ArrowRight', 'Shift+ArrowLeft', 'Shift+ArrowUp', 'Enter')->waitFor('.hand-over');
    $browser->waitUntil(fn (): bool => preg_match('/^([\d,]+) × ([\d,]+) pixels/', planned($browser)) === 1, 'the size');
    preg_match('/^([\d,]+) × ([\d,]+) pixels/', planned($browser), $m);
    $picture = savedFile($browser, fn () => $browser->press('Save the file'));
    expect(array_slice((array) getimagesizefromstring($picture), 0, 2))->toBe([(int) str_replace(',', '', $m[1]), (int) str_replace(',', '', $m[2])]);
    // Nothing was done to the map meanwhile.
    expect($browser->outline())->toHaveCount(3);
    $browser->press('Mark out an area')->waitFor('.marking')->drag([400, 300], [520, 380])->waitUntil(fn (): bool => $browser->script('return document.querySelector(".marking .area").getBoundingClientRect().width') == 120, 'the area');
    $browser->press('Take this area')->waitFor('.hand-over')->waitUntil(fn (): bool => ($now = planned($browser)) !== '' && ! str_starts_with($now, $m[0]), 'another size');
    $browser->press('As in the window now')->waitUntil(fn (): bool => $browser->has('.hand-over .picture img'), 'the picture');
    $browser->press('Mark out an area')->waitFor('.marking')->keys('Escape')->waitFor('.hand-over');
    expect($browser->complaints())->toBe([]);
});

it('warns of type that cannot be read, in pixels and on paper', function () {
    $browser = Studio::opened("Harbour\n".implode('', array_map(fn (int $n): string => "\tTopic {$n}\n", range(1, 60))));
    $browser->keys('F4')->waitFor('.hand-over')->press('JPEG');
    $browser->waitUntil(fn (): bool => str_contains(planned($browser), 'px'), 'the size');
    expect(planned($browser))->not->toContain('hardly');
    $browser->script('document.querySelector("input[aria-label=\'Width, pixels\']").focus()');
    $browser->type('120')->keys('Tab')->waitUntil(fn (): bool => str_contains(planned($browser), 'can hardly be read'), 'the warning');
    taken($browser, 'Measured in', 1);
    $browser->waitUntil(fn (): bool => str_contains(planned($browser), ' pt'), 'points');
    $browser->script('document.querySelector("input[aria-label=\'Width, millimetres\']").focus()');
    $browser->keys('Mod+a')->type('20')->keys('Tab')->waitUntil(fn (): bool => str_contains(planned($browser), 'can hardly be read'), 'the warning');
});

it('copies a picture to the clipboard', function () {
    $browser = Studio::opened("Harbour\n\tQuay\n");
    $browser->script('window.clipped = null; navigator.clipboard.write = async (items) => { window.clipped = [items[0].types[0], (await items[0].getType(items[0].types[0])).size] }');
    $browser->act('Copy as a picture')->waitUntil(fn (): bool => $browser->script('return window.clipped') !== null, 'the picture', 30);
    expect($browser->script('return window.clipped[0]'))->toBe('image/png')->and($browser->script('return window.clipped[1]'))->toBeGreaterThan(1_000);
});
