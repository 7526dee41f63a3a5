<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/** A map of a root and three topics around it, let free. */
function freePaper(): Browser
{
    $browser = Studio::browser()->newMap();
    $browser->type('Why boats float')->keys('Tab')->type('Water')->keys('Enter')->type('Hull')->keys('Enter')->type('Cargo')->keys('Mod+Enter')->saved();
    $browser->menuOfMap('Arrangement', 'Arrange the map freely')->saved();

    return $browser;
}

it('lets topics stand where one puts them, in line with others, and moves no other', function () {
    $browser = freePaper();
    $middle = function (string $title) use ($browser): array {
        $box = $browser->boxOf($title);

        return [$box['x'] + $box['w'] / 2, $box['y'] + $box['h'] / 2];
    };
    [$hull, $cargo, $water] = [$middle('Hull'), $middle('Cargo'), $middle('Water')];
    // Near to the line of another it comes to stand on it.
    $browser->drag($cargo, [$water[0] + 4, 520], release: false);
    expect($browser->count('.guide'))->toBeGreaterThan(0);
    $browser->pointer('mouseReleased', $water[0] + 4, 520);
    $browser->saved()->waitUntil(fn (): bool => abs($middle('Cargo')[1] - 520) < 12 && abs($middle('Cargo')[0] - $water[0]) < 1.5, 'the topic where it was put');
    expect($middle('Hull'))->toBe($hull)->and($middle('Water'))->toBe($water);
    $browser->keys('Mod+ArrowDown', 'Mod+ArrowDown')->saved()->waitUntil(fn (): bool => $middle('Cargo')[1] > 530, 'a little lower');
    usleep(400_000);
    // A new one stands free of all and moves none.
    $cargo = $middle('Cargo');
    $browser->keys('Enter')->type('Lead')->keys('Mod+Enter')->saved();
    expect($middle('Cargo'))->toBe($cargo)->and($middle('Hull'))->toBe($hull);
    $browser->keys('Mod+z', 'Mod+z')->saved();
    // Dropped on another it hangs there.
    $browser->drag($middle('Cargo'), $middle('Hull'))->saved();
    expect($browser->outline())->toBe(['Why boats float', '  Water', '  Hull', '    Cargo'])->and($browser->complaints())->toBe([]);
});

it('aligns and spreads by the menus', function () {
    $browser = freePaper();
    $browser->pick('Hull')->keys('Mod+a');
    $browser->menuOn('Cargo')->press('Align at the left')->saved();
    $lefts = fn (): array => array_map(fn (string $title): float => round($browser->boxOf($title)['x']), ['Water', 'Hull', 'Cargo']);
    $browser->waitUntil(fn (): bool => count(array_unique($lefts())) === 1, 'one line at the left');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => count(array_unique($lefts())) > 1, 'as it was');
    expect($browser->complaints())->toBe([]);
});

it('tells when one lies over another, and finds it room', function () {
    $browser = freePaper();
    $box = fn (string $title): array => $browser->boxOf($title);
    [$hull, $cargo] = [$box('Hull'), $box('Cargo')];
    // Beside the other, but not so far that both have room.
    $browser->drag([$cargo['x'] + $cargo['w'] / 2, $cargo['y'] + $cargo['h'] / 2], [$hull['x'] - 12, $hull['y'] + $hull['h'] / 2 + 4], release: false);
    expect($browser->script('return document.querySelector(".drag-label")?.innerText ?? document.body.innerText'))->toContain('over Hull');
    $browser->pointer('mouseReleased', $hull['x'] - 12, $hull['y'] + $hull['h'] / 2 + 4)->saved();
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".desk").innerText'), 'Lies over “Hull”'), 'being told');
    $browser->press('Find room')->saved();
    $browser->waitUntil(fn (): bool => ! str_contains((string) $browser->script('return document.querySelector(".desk").innerText'), 'Lies over'), 'room');
    // It glides there.
    $browser->waitUntil(function () use ($box): bool {
        [$a, $b] = [$box('Cargo'), $box('Hull')];

        return ! ($a['x'] < $b['x'] + $b['w'] && $b['x'] < $a['x'] + $a['w'] && $a['y'] < $b['y'] + $b['h'] && $b['y'] < $a['y'] + $a['h']);
    }, 'the two apart');
    expect($browser->outline())->toBe(['Why boats float', '  Water', '  Hull', '  Cargo'])->and($browser->complaints())->toBe([]);
});
