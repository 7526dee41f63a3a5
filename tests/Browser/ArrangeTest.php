<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

function harbourMap(): Browser
{
    return Studio::browser()->newMap()->type('Harbour')->keys('Tab')->type('Quay')->keys('Tab')->type('Crane')->keys('Enter')->type('Rope')
        ->keys('Shift+Tab')->type('Ferry')->keys('Mod+Enter')->saved();
}

/** Waits until one topic stands somewhere in relation to another. */
function stands(Browser $browser, string $what, string $topic, string $of): void
{
    $browser->waitUntil(function () use ($browser, $what, $topic, $of): bool {
        [$a, $b] = [$browser->boxOf($topic), $browser->boxOf($of)];

        return match ($what) {
            'below' => $a['y'] > $b['y'] + $b['h'] - 1,
            'beside' => abs($a['y'] - $b['y']) < 4 && $a['x'] > $b['x'] + $b['w'] - 1,
            default => $a['x'] + $a['w'] < $b['x'] + 1,
        };
    }, "{$topic} {$what} {$of}");
}

it('arranges the map by the menu under its name, and a branch at the desk, by mouse', function () {
    $browser = harbourMap();
    expect($browser->outline())->toBe(['Harbour', '  Quay', '    Crane', '    Rope', '  Ferry']);
    $browser->menuOfMap('Arrangement', 'Arrange the map top-down')->saved();
    stands($browser, 'below', 'Quay', 'Harbour');
    stands($browser, 'beside', 'Ferry', 'Quay');
    $browser->pick('Quay');
    $browser->script('document.querySelector(`.desk [aria-label^="Arrangement of the branch"]`).scrollIntoView({block: "center"})');
    $browser->find('.desk [aria-label^="Arrangement of the branch"]')->click();
    $browser->waitFor('.arrangements')->press('Leftward')->saved();
    stands($browser, 'left of', 'Crane', 'Quay');
    stands($browser, 'below', 'Rope', 'Crane');
    $browser->press('Undo')->saved();
    stands($browser, 'beside', 'Rope', 'Crane');
});

it('arranges a branch by keys, goes about in it as it is drawn, and keeps it over a reload', function () {
    $browser = harbourMap();
    $browser->menuOfMap('Arrangement', 'Arrange the map top-down')->saved();
    stands($browser, 'beside', 'Ferry', 'Quay');
    $browser->keys('Home', 'ArrowDown', 'ArrowRight');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".outline .chosen .text")?.innerText') === 'Ferry', 'the way by arrows');
    $browser->keys('ArrowUp');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".outline .chosen .text")?.innerText') === 'Harbour', 'the way back up');
    $browser->pick('Ferry');
    $browser->keys('Alt+ArrowLeft')->saved();
    expect($browser->outline())->toBe(['Harbour', '  Ferry', '  Quay', '    Crane', '    Rope']);
    stands($browser, 'beside', 'Quay', 'Ferry');
    $browser->pick('Quay');
    $browser->keys('Mod+j')->waitFor('.palette')->type('branch as a stepped list');
    usleep(300_000);
    $browser->keys('Enter')->saved();
    stands($browser, 'below', 'Crane', 'Quay');
    stands($browser, 'below', 'Rope', 'Crane');
    $browser->script('location.reload()');
    $browser->ready()->saved();
    stands($browser, 'below', 'Rope', 'Crane');
    $browser->pick('Rope');
    $browser->keys('Enter')->waitFor('.title-editor')->type('Winch')->keys('Mod+Enter')->saved();
    stands($browser, 'below', 'Winch', 'Rope');
    expect($browser->complaints())->toBe([]);
});

it('adds rows and columns to a grid by one key each, and moves a column', function () {
    $browser = harbourMap();
    $browser->menuOfMap('Arrangement', 'Arrange the map as a grid')->saved();
    $browser->pick('Crane')->keys('Mod+Shift+ArrowRight')->saved()->waitFor('.title-editor')->type('Winch')->keys('Mod+Enter')->saved();
    expect($browser->outline())->toBe(['Harbour', '  Quay', '    Crane', '    Winch', '    Rope', '  Ferry']);
    stands($browser, 'beside', 'Winch', 'Crane');
    $browser->keys('Mod+Shift+ArrowLeft')->saved();
    expect($browser->outline())->toBe(['Harbour', '  Quay', '    Winch', '    Crane', '    Rope', '  Ferry']);
    $browser->keys('Mod+Shift+ArrowDown')->waitFor('.title-editor')->type('Slipway')->keys('Mod+Enter')->saved();
    expect($browser->outline())->toBe(['Harbour', '  Quay', '    Winch', '    Crane', '    Rope', '  Slipway', '  Ferry'])->and($browser->complaints())->toBe([]);
    $browser->keys('Mod+z', 'Mod+z', 'Mod+z')->saved();
    expect($browser->outline())->toBe(['Harbour', '  Quay', '    Crane', '    Rope', '  Ferry']);
});
