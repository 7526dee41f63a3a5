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
    $browser->pick('Crane')->keys('Mod+Shift+Enter')->saved()->waitFor('.title-editor')->type('Winch')->keys('Mod+Enter')->saved();
    expect($browser->outline())->toBe(['Harbour', '  Quay', '    Crane', '    Winch', '    Rope', '  Ferry']);
    stands($browser, 'beside', 'Winch', 'Crane');
    $browser->keys('Mod+Shift+ArrowLeft')->saved();
    expect($browser->outline())->toBe(['Harbour', '  Quay', '    Winch', '    Crane', '    Rope', '  Ferry']);
    $browser->keys('Mod+Shift+ArrowDown')->saved();
    expect($browser->outline())->toBe(['Harbour', '  Ferry', '  Quay', '    Winch', '    Crane', '    Rope']);
    $browser->keys('Mod+Shift+ArrowUp', 'Alt+Shift+Enter')->waitFor('.title-editor')->type('Slipway')->keys('Mod+Enter')->saved();
    expect($browser->outline())->toBe(['Harbour', '  Quay', '    Winch', '    Crane', '    Rope', '  Slipway', '  Ferry'])->and($browser->complaints())->toBe([]);
    $browser->keys('Mod+z', 'Mod+z', 'Mod+z', 'Mod+z', 'Mod+z')->saved();
    expect($browser->outline())->toBe(['Harbour', '  Quay', '    Crane', '    Rope', '  Ferry']);
});

/** The middle of a topic, or a point of it at a part of its width and height. */
function pointOn(Browser $browser, string $title, float $across = 0.5, float $down = 0.5): array
{
    $box = $browser->boxOf($title);

    return [$box['x'] + $across * $box['w'], $box['y'] + $down * $box['h']];
}

it('moves a column by its grip, and a cell before another by where it is let go', function () {
    $browser = harbourMap();
    $browser->menuOfMap('Arrangement', 'Arrange the map as a grid')->saved();
    $browser->pick('Ferry')->keys('Tab')->type('Bow')->keys('Enter')->type('Stern')->keys('Enter')->type('Deck')->keys('Mod+Enter')->saved();
    $browser->waitUntil(fn (): bool => $browser->count('.columns .bar') === 3, 'a grip for each column');
    $grip = fn (int $n): array => $browser->script('const r = document.querySelectorAll(".columns .bar")[arguments[0]].getBoundingClientRect(); return [r.x + r.width / 2, r.y + r.height / 2]', $n);
    usleep(300_000);
    $browser->drag($grip(0), [$grip(2)[0] + 30, $grip(2)[1]], release: false);
    expect($browser->count('.columns .slot'))->toBe(1);
    $browser->pointer('mouseReleased', $grip(2)[0] + 30, $grip(2)[1])->saved();
    expect($browser->outline())->toBe(['Harbour', '  Quay', '    Rope', '    Untitled', '    Crane', '  Ferry', '    Stern', '    Deck', '    Bow']);
    $browser->keys('Mod+z')->saved();
    expect($browser->outline())->toBe(['Harbour', '  Quay', '    Crane', '    Rope', '  Ferry', '    Bow', '    Stern', '    Deck']);
    usleep(400_000);
    $browser->drag(pointOn($browser, 'Deck'), pointOn($browser, 'Bow', 0.1))->saved();
    expect($browser->outline())->toBe(['Harbour', '  Quay', '    Crane', '    Rope', '  Ferry', '    Deck', '    Bow', '    Stern'])->and($browser->complaints())->toBe([]);
});

it('lands beside what stands along a line, on the side where it is let go', function (string $arrangement, string $after, string $before) {
    $browser = Studio::browser()->newMap()->type('Week')->keys('Tab')->type('Monday')->keys('Enter')->type('Tuesday')->keys('Enter')->type('Friday')->keys('Mod+Enter')->saved();
    $browser->menuOfMap('Arrangement', "Arrange the map as a {$arrangement}")->saved();
    usleep(500_000);
    // The first is let go at either side of the second.
    $browser->drag(pointOn($browser, 'Friday'), pointOn($browser, 'Monday', 0.9))->saved();
    expect($browser->outline())->toBe(['Week', ...explode(',', $after)]);
    $browser->keys('Mod+z')->saved();
    usleep(500_000);
    $browser->drag(pointOn($browser, 'Friday'), pointOn($browser, 'Monday', 0.1))->saved();
    expect($browser->outline())->toBe(['Week', ...explode(',', $before)])->and($browser->complaints())->toBe([]);
})->with([
    ['timeline', '  Monday,  Friday,  Tuesday', '  Friday,  Monday,  Tuesday'],
    // The first is nearest to the head, which is at the right.
    ['fishbone', '  Friday,  Monday,  Tuesday', '  Monday,  Friday,  Tuesday'],
]);

it('turns fishbones, keeps timelines to one side, and mirrors the map, by mouse', function () {
    $browser = harbourMap();
    $browser->pick('Harbour')->menuOfMap('Arrangement', 'Arrange the map as a fishbone')->saved();
    stands($browser, 'before', 'Ferry', 'Harbour');
    $browser->press('At the left')->saved();
    $browser->waitUntil(fn (): bool => pointOn($browser, 'Ferry')[0] > pointOn($browser, 'Harbour')[0], 'the head at the left');
    $browser->menuOfMap('Arrangement', 'Arrange the map as a timeline')->saved();
    $browser->press('Below')->saved();
    foreach (['Quay', 'Ferry'] as $title) {
        $browser->waitUntil(fn (): bool => pointOn($browser, $title, 0.5, 0)[1] > pointOn($browser, 'Harbour')[1], "{$title} below the line");
    }
    $browser->menuOfMap('Arrangement', 'Mirror the map: right to left, or back')->saved();
    $browser->waitUntil(fn (): bool => pointOn($browser, 'Ferry')[0] < pointOn($browser, 'Harbour')[0], 'the map from right to left');
    // What is called rightward goes right in a mirrored map too.
    $browser->menuOfMap('Arrangement', 'Arrange the map rightward')->saved();
    $browser->waitUntil(fn (): bool => pointOn($browser, 'Ferry')[0] > pointOn($browser, 'Harbour')[0], 'rightward');
    $browser->menuOfMap('Arrangement', 'Arrange the map on both sides')->saved();
    $browser->waitUntil(fn (): bool => pointOn($browser, 'Quay')[0] < pointOn($browser, 'Harbour')[0], 'the first branch at the left');
    usleep(400_000);
    // A new branch is guessed where it then stands, and a branch goes to the side to which it is dragged.
    $browser->pick('Ferry')->keys('Alt+s')->saved();
    $browser->waitUntil(fn (): bool => pointOn($browser, 'Ferry')[0] < pointOn($browser, 'Harbour')[0], 'the other side');
    $browser->keys('ArrowRight');
    expect($browser->script('return document.querySelector(".line.chosen .text").innerText'))->toBe('Harbour');
    $browser->pick('Ferry')->press('Right')->saved();
    $browser->waitUntil(fn (): bool => pointOn($browser, 'Ferry')[0] > pointOn($browser, 'Harbour')[0], 'held at the right');
    expect($browser->complaints())->toBe([]);
});
