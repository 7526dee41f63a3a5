<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Studio;
use Tests\Support\Browser;

const LESSON = "Sea\n\tTides\n\t\tMoon\n\t\tSun\n\tWaves\n\t\tWind\n\tSand\n\tShells\n\t\tMussel\n\t\tLimpet\n\tWeed\n\tFish\n\tBoats\n\t\tFerry\n\tBirds\n";

/** @return list<string> the titles of the slides, as the strip has them */
function strip(Browser $browser): array
{
    return (array) $browser->script('return [...document.querySelectorAll(".slide-strip [role=option] .line span")].map((title) => title.textContent)');
}

function isStrip(Browser $browser, array $titles): void
{
    $browser->waitUntil(fn (): bool => strip($browser) === $titles, 'the slides to be '.json_encode($titles));
}

/** What is written on the slide that is shown, of what is bright. */
function onStage(Browser $browser): string
{
    return (string) $browser->script('return [...document.querySelectorAll(".slide-show > .slide-stage > .layer .shown > [data-t]")].filter(one => one.tagName === "g").map((one) => [...one.querySelectorAll("text")].map((line) => line.textContent).join(" ")).join(", ")');
}

function isOnStage(Browser $browser, string $titles): void
{
    $browser->waitUntil(fn (): bool => $browser->count('.slide-show > .slide-stage > .layer') === 1 && onStage($browser) === $titles, "the slide to show {$titles}, not ".onStage($browser));
}

/** Where the element of a topic is on the slide. */
function onSlide(Browser $browser, string $title): array
{
    return $browser->script('const box = [...document.querySelectorAll(".slide-show > .slide-stage > .layer .shown > g[data-t]")].find((one) => one.textContent.trim() === arguments[0]).getBoundingClientRect(); return [box.x + box.width / 2, box.y + box.height / 2]', $title);
}

function clickOnShow(Browser $browser, float $x, float $y): void
{
    $browser->pointer('mousePressed', $x, $y, ['clickCount' => 1])->pointer('mouseReleased', $x, $y, ['clickCount' => 1]);
}

/** A button of the bar, which shows itself for as long as the pointer moves. */
function fromBar(Browser $browser, string $name): Browser
{
    $x = 400;

    return $browser->waitUntil(function () use ($browser, $name, &$x): bool {
        $browser->pointer('mouseMoved', $x++, 300);
        foreach ($browser->driver->findElements(WebDriverBy::cssSelector('.slide-show button')) as $button) {
            if ($button->isDisplayed() && in_array($name, [trim($button->getText()), $button->getAttribute('aria-label')], true)) {
                $button->click();

                return true;
            }
        }

        return false;
    }, "{$name} in the bar of the show");
}

function begunShow(Browser $browser): Browser
{
    return $browser->keys('Shift+F9')->waitFor('.slide-show .slide-stage .layer');
}

it('makes a deck of eight slides of a branch, moves the third first, shows it and goes through it, by keys', function () {
    $browser = Studio::opened(LESSON);
    $browser->pick('Sea')->keys('Alt+5')->waitFor('.slides')->act('Slides: each part of this branch');
    isStrip($browser, ['Tides', 'Waves', 'Sand', 'Shells', 'Weed', 'Fish', 'Boats', 'Birds']);
    $first = fn (): string => (string) $browser->script('return document.querySelector(".slide-strip [role=option]").querySelector(".thumb svg")?.textContent ?? ""');
    $browser->waitUntil(fn (): bool => $browser->count('.slide-strip .thumb svg') >= 3 && $first() !== '', 'true pictures');
    expect($first())->toContain('Tides', 'Moon', 'Sun')->not->toContain('Waves');
    $browser->script('document.querySelector(".slide-strip [role=option]").focus()');
    $browser->keys('ArrowDown', 'ArrowDown', 'Alt+ArrowUp');
    isStrip($browser, ['Tides', 'Sand', 'Waves', 'Shells', 'Weed', 'Fish', 'Boats', 'Birds']);
    $browser->keys('Alt+ArrowUp');
    isStrip($browser, ['Sand', 'Tides', 'Waves', 'Shells', 'Weed', 'Fish', 'Boats', 'Birds']);
    begunShow($browser);
    isOnStage($browser, 'Sand');
    $browser->keys('ArrowRight');
    isOnStage($browser, 'Tides, Moon, Sun');
    $browser->keys('ArrowDown', 'ArrowDown')->waitUntil(fn (): bool => $browser->script('return document.querySelector(".slide-stage g.at")?.textContent.trim() ?? ""') === 'Moon', 'the topic one has gone to');
    $browser->keys('PageDown');
    isOnStage($browser, 'Waves, Wind');
    $browser->keys('PageUp', 'End');
    isOnStage($browser, 'Birds');
    $browser->keys('4', 'Enter');
    isOnStage($browser, 'Shells, Mussel, Limpet');
    $browser->keys('.')->waitFor('.slide-show.black')->keys('.')->waitUntil(fn (): bool => ! $browser->has('.slide-show.black'), 'light again');
    $browser->keys('j')->waitFor('.slide-show .list .at')->keys('ArrowDown', 'Enter');
    isOnStage($browser, 'Weed');
    $browser->keys('Home');
    isOnStage($browser, 'Sand');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.slide-show'), 'the show to end');
    // What is new in the map is a slide, and undoing takes both away.
    $browser->pick('Birds')->keys('Enter')->type('Gulls')->keys('Mod+Enter')->saved();
    isStrip($browser, ['Sand', 'Tides', 'Waves', 'Shells', 'Weed', 'Fish', 'Boats', 'Birds', 'Gulls']);
    expect($browser->complaints())->toBe([]);
});

it('makes slides one by one of what is chosen, changes them, and shows them, by the mouse', function () {
    $browser = Studio::opened(LESSON);
    $browser->press('Slides')->waitFor('.slides')->pick('Tides')->press('A slide of this');
    isStrip($browser, ['Tides']);
    $browser->pick('Shells')->press('Add');
    isStrip($browser, ['Tides', 'Shells']);
    expect($browser->count('[data-on-slide]'))->toBe(3);
    // Another topic is put on it, and one that came with its branch is taken off.
    $browser->pick('Waves')->press('Put the chosen on')->waitUntil(fn (): bool => $browser->count('[data-on-slide]') === 5, 'the branch to be on the slide');
    $browser->pick('Limpet')->press('Take the chosen off')->waitUntil(fn (): bool => $browser->count('[data-on-slide]') === 4, 'the topic to be off the slide');
    // A topic that is dragged onto the first slide is put on it; between the two it makes one of its own.
    $place = fn (int $n, float $down): array => $browser->script('const box = document.querySelectorAll(".slide-strip [role=option]")[arguments[0]].getBoundingClientRect(); return [box.x + box.width / 2, box.y + box.height * arguments[1]]', $n, $down);
    $box = $browser->boxOf('Weed');
    $browser->drag([$box['x'] + $box['w'] / 2, $box['y'] + $box['h'] / 2], $place(0, 0.5));
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".slide-strip .thumb").textContent'), 'Weed'), 'the topic on the first slide');
    $box = $browser->boxOf('Fish');
    $browser->drag([$box['x'] + $box['w'] / 2, $box['y'] + $box['h'] / 2], $place(1, 0.05));
    isStrip($browser, ['Tides', 'Fish', 'Shells']);
    // A menu has what else is done with a slide.
    $browser->rightClick(...$place(1, 0.4))->press('Duplicate the slide');
    isStrip($browser, ['Tides', 'Fish', 'Fish', 'Shells']);
    $browser->rightClick(...$place(1, 0.4))->press('Hide the slide, or show it')->waitFor('.slide-strip .hidden');
    $browser->rightClick(...$place(1, 0.4))->press('Remove the slide');
    isStrip($browser, ['Tides', 'Fish', 'Shells']);
    // Slides are dragged too.
    $browser->drag($place(2, 0.4), $place(0, 0.1));
    isStrip($browser, ['Shells', 'Tides', 'Fish']);
    $browser->press('Show')->press('Show the slides')->waitFor('.slide-show .slide-stage .layer');
    isOnStage($browser, 'Waves, Shells, Mussel, Wind');
    clickOnShow($browser, 400, 40);
    isOnStage($browser, 'Tides, Weed, Moon, Sun');
    fromBar($browser, 'Back');
    isOnStage($browser, 'Waves, Shells, Mussel, Wind');
    fromBar($browser, 'All slides')->waitFor('.slide-show .list')->press('3  Fish');
    isOnStage($browser, 'Fish');
    fromBar($browser, 'End')->waitUntil(fn (): bool => ! $browser->has('.slide-show'), 'the show to end');
    expect($browser->complaints())->toBe([]);
});

it('shows the rest dimmed as much as wanted, in another colour, or not at all, while showing', function () {
    $browser = Studio::opened(LESSON);
    $browser->keys('Alt+5')->waitFor('.slides')->pick('Tides')->keys('Shift+F8');
    isStrip($browser, ['Tides']);
    begunShow($browser);
    isOnStage($browser, 'Tides, Moon, Sun');
    $veil = fn (): ?string => $browser->script('return document.querySelector(".slide-show > .slide-stage > .layer .veil")?.getAttribute("fill-opacity") ?? null');
    expect($veil())->toBeNull();
    $browser->keys('r');
    isOnStage($browser, 'Sea, Tides, Moon, Sun');
    $browser->keys('r')->waitUntil(fn (): bool => $veil() === '0.75', 'the rest, dimmed');
    isOnStage($browser, 'Tides, Moon, Sun');
    expect($browser->script('return document.querySelector(".slide-show .layer .rest").textContent'))->toContain('Waves', 'Boats');
    $browser->keys('d', 'd', 'l')->waitUntil(fn (): bool => $veil() === '0.85', 'dimmed more');
    $browser->keys('v')->waitUntil(fn (): bool => $browser->script('return document.querySelector(".slide-show .layer .veil").getAttribute("fill")') === '#000000', 'black');
    // What the slide says of itself is as it was.
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.slide-show'), 'the show to end');
    begunShow($browser);
    isOnStage($browser, 'Tides, Moon, Sun');
    $browser->keys('Escape');
    expect($browser->complaints())->toBe([]);
});

it('has a window for the speaker that follows and leads, with what is said, the next slide and the time left', function () {
    $browser = Studio::opened(LESSON);
    $browser->pick('Sea')->keys('Alt+5')->waitFor('.slides')->act('Slides: each part of this branch');
    isStrip($browser, ['Tides', 'Waves', 'Sand', 'Shells', 'Weed', 'Fish', 'Boats', 'Birds']);
    $browser->script('document.querySelector("[aria-label=\'What you say\']").focus()');
    $browser->type('Twice a day the water comes. Ask who has seen it.')->script('document.activeElement.blur()');
    $browser->saved()->script('document.querySelector("[aria-label=Minutes]").focus()');
    $browser->type('2')->keys('Tab')->saved();
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".slide-strip [role=option] .line i").textContent') === '2:00', 'the minutes in the strip');
    begunShow($browser);
    isOnStage($browser, 'Tides, Moon, Sun');
    $browser->keys('s');
    [$first, $second] = [$browser->driver->getWindowHandle(), null];
    $browser->waitUntil(fn (): bool => count($browser->driver->getWindowHandles()) === 2, 'the window of the speaker');
    $second = current(array_diff($browser->driver->getWindowHandles(), [$first]));
    $seen = fn (string $css): string => (string) $browser->script('return document.querySelector(arguments[0])?.textContent ?? ""', $css);
    try {
        $browser->driver->switchTo()->window($second);
        // With no network at all, it goes on.
        $browser->waitUntil(fn (): bool => str_contains($seen('.notes'), 'Ask who has seen it.'), 'what is said');
        expect($seen('h1'))->toContain('1 of 8', 'Tides')->and($seen('.next h2'))->toBe('Next: Waves')->and($seen('.clocks'))->toContain('Left of this slide');
        $browser->waitUntil(fn (): bool => str_contains($seen('.now .shown'), 'Moon') && str_contains($seen('.next .shown'), 'Wind'), 'both drawings');
        $browser->keys('ArrowRight')->waitUntil(fn (): bool => str_contains($seen('h1'), '2 of 8'), 'the speaker to lead');
        expect($seen('.notes'))->toContain('Nothing is noted');
        $browser->driver->switchTo()->window($first);
        isOnStage($browser, 'Waves, Wind');
        $browser->keys('ArrowRight');
        isOnStage($browser, 'Sand');
        $browser->driver->switchTo()->window($second);
        $browser->waitUntil(fn (): bool => str_contains($seen('h1'), '3 of 8'), 'the speaker to follow');
        $browser->press('Black');
        $browser->driver->switchTo()->window($first);
        $browser->waitFor('.slide-show.black')->keys('.', 'Escape')->waitUntil(fn (): bool => count($browser->driver->getWindowHandles()) === 1, 'both to end');
    } finally {
        foreach (array_diff($browser->driver->getWindowHandles(), [$first]) as $left) {
            $browser->driver->switchTo()->window($left)->close();
        }
        $browser->driver->switchTo()->window($first);
    }
    expect($browser->complaints())->toBe([]);
});

it('opens a film in a slide and closes it without leaving, by keys and by the mouse', function () {
    $browser = Studio::browser();
    $browser->openMap('Light and shadow');
    $copy = $browser->driver->executeAsyncScript('const done = arguments[0]; const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)[1]); fetch(`/api${location.pathname}/duplicate`, { method: "POST", headers: { Accept: "application/json", "X-XSRF-TOKEN": token, "Content-Type": "application/json" }, body: "{}" }).then((answer) => answer.json()).then((answer) => done(answer.id))');
    $browser->visit("/maps/{$copy}")->ready();
    $browser->keys('Alt+5')->waitFor('.slides')->pick('Light and shadow')->act('Slides: each part of this branch');
    $browser->waitUntil(fn (): bool => count(strip($browser)) === 5, 'five slides');
    $browser->script('document.querySelector(".slide-strip [role=option]").focus()');
    $browser->keys('ArrowDown', 'ArrowDown');
    begunShow($browser)->waitUntil(fn (): bool => str_starts_with(onStage($browser), 'Shadows'), 'the slide with the film');
    $browser->keys('o')->waitFor('.slide-show .opened video');
    $browser->script('const film = document.querySelector(".opened video"); film.muted = true; film.play()');
    $browser->waitUntil(fn (): bool => $browser->script('const film = document.querySelector(".opened video"); return film.videoWidth === 480 && film.currentTime > 0.2'), 'the film to play');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.slide-show .opened'), 'the film to close');
    expect($browser->has('.slide-show'))->toBeTrue();
    fromBar($browser, 'A shadow grows.webm')->waitFor('.slide-show .opened video')->press('Close')->waitUntil(fn (): bool => ! $browser->has('.slide-show .opened'), 'the film to close again');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.slide-show'), 'the show to end');
    expect($browser->complaints())->toBe([]);
});

it('is a board with gaps for a class, which a click fills', function () {
    $browser = Studio::opened(LESSON);
    $browser->keys('Alt+5')->waitFor('.slides')->pick('Tides')->keys('Shift+F8');
    isStrip($browser, ['Tides']);
    $browser->pick('Moon')->press('Cover until clicked')->waitFor('[data-on-slide].covered');
    $browser->pick('Sun')->keys('Shift+F2')->waitUntil(fn (): bool => $browser->count('[data-on-slide].covered') === 2, 'two gaps');
    begunShow($browser);
    isOnStage($browser, 'Tides, Moon, Sun');
    $gaps = fn (): int => $browser->count('.slide-show [data-c]:not(.gone)');
    expect($gaps())->toBe(2);
    clickOnShow($browser, ...onSlide($browser, 'Sun'));
    $browser->waitUntil(fn (): bool => $gaps() === 1, 'one gap');
    $browser->keys('u')->waitUntil(fn (): bool => $gaps() === 0, 'no gap')->keys('Shift+u')->waitUntil(fn (): bool => $gaps() === 2, 'both again');
    $browser->keys('Escape');
    expect($browser->complaints())->toBe([]);
});

it('keeps titles, copies, hides, removes and undoes slides, and several decks', function () {
    $browser = Studio::opened(LESSON);
    $browser->keys('Alt+5')->waitFor('.slides')->pick('Tides')->keys('Shift+F8');
    isStrip($browser, ['Tides']);
    $browser->script('document.querySelector(".slide-strip [role=option]").focus()');
    $browser->keys('Mod+d');
    isStrip($browser, ['Tides', 'Tides']);
    $browser->keys('F2')->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Title above the slide', 'the field for the title');
    $browser->type('Why twice?')->keys('Enter');
    isStrip($browser, ['Tides', 'Why twice?']);
    $browser->script('document.querySelector(".slide-strip [aria-selected=true]").focus()');
    $browser->keys('h')->waitFor('.slide-strip .hidden')->keys('h')->waitUntil(fn (): bool => ! $browser->has('.slide-strip .hidden'), 'it to be shown again');
    $browser->keys('Delete');
    isStrip($browser, ['Tides']);
    // Undoing works where one is.
    expect($browser->script('return document.activeElement.closest(".slide-strip") !== null'))->toBeTrue();
    $browser->keys('Mod+z');
    isStrip($browser, ['Tides', 'Why twice?']);
    $browser->pick('Shells')->act('Slides: each topic of this branch');
    isStrip($browser, ['Shells', 'Mussel', 'Limpet']);
    // After a reload all is as it was left.
    $browser->saved()->visit((string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))->ready()->waitFor('.slide-strip');
    isStrip($browser, ['Shells', 'Mussel', 'Limpet']);
    $browser->press('Remove');
    isStrip($browser, ['Tides', 'Why twice?']);
    expect($browser->complaints())->toBe([]);
});

it('frames a slide as the board is, on the board itself, and takes it out in every format by the panel', function () {
    $browser = Studio::opened(LESSON);
    $browser->keys('Alt+5')->waitFor('.slides')->pick('Tides')->keys('Shift+F8');
    isStrip($browser, ['Tides']);
    $browser->waitFor('.slide-strip .thumb svg svg');
    $before = $browser->script('return document.querySelector(".slide-strip .thumb svg svg").getAttribute("viewBox")');
    $browser->press('As on the board')->waitUntil(fn (): bool => $browser->script('return document.querySelector(".slide-strip .thumb svg svg").getAttribute("viewBox")') !== $before, 'another frame');
    $browser->press('Fitted again')->waitUntil(fn (): bool => $browser->script('return document.querySelector(".slide-strip .thumb svg svg").getAttribute("viewBox")') === $before, 'the frame to fit again');
    $browser->script('window.saved = []; HTMLAnchorElement.prototype.click = function () { window.saved.push(this.href) }');
    $browser->press('File')->waitFor('.hand-over [aria-label=Deck]');
    $browser->waitUntil(fn (): bool => $browser->count('.hand-over .pages img') === 1, 'the slide as it will be');
    foreach (['PPTX' => "PK\x03\x04", 'PDF slides' => '%PDF-', 'HTML show' => '<!DOCTYPE', 'PNG set' => "PK\x03\x04"] as $format => $begins) {
        $browser->press($format)->press('Save the file')->waitUntil(fn (): bool => $browser->script('return window.saved.length > 0'), "{$format} to be made", 40);
        $first = $browser->driver->executeAsyncScript('const done = arguments[0]; fetch(window.saved.pop()).then((answer) => answer.arrayBuffer()).then((bytes) => done([...new Uint8Array(bytes.slice(0, 9))]))');
        expect(substr(implode('', array_map(chr(...), $first)), 0, strlen($begins)))->toBe($begins, $format);
    }
    expect($browser->complaints())->toBe([]);
});

it('is never without its slide, however quickly one goes on and back', function () {
    $browser = Studio::opened(LESSON);
    $browser->pick('Sea')->keys('Alt+5')->waitFor('.slides')->act('Slides: each part of this branch');
    isStrip($browser, ['Tides', 'Waves', 'Sand', 'Shells', 'Weed', 'Fish', 'Boats', 'Birds']);
    begunShow($browser);
    isOnStage($browser, 'Tides, Moon, Sun');
    $titles = ['Tides, Moon, Sun', 'Waves, Wind', 'Sand', 'Shells, Mussel, Limpet', 'Weed', 'Fish', 'Boats, Ferry', 'Birds'];
    $at = 0;
    // The pauses are about as long as a glide, so that keys fall on its beginning, its end and in between.
    foreach ([[1, 1, -1], [1, -1, 1], [1, 1, 1, -1, -1], [-1, 1, -1, 1]] as $n => $steps) {
        foreach ($steps as $by) {
            $browser->keys($by === 1 ? 'ArrowRight' : 'ArrowLeft');
            $at += $by;
            usleep(70_000 + 115_000 * $n);
        }
        isOnStage($browser, $titles[$at]);
        expect($browser->script('const one = document.querySelector(".slide-show > .slide-stage > .layer"); return [getComputedStyle(one).opacity, one.getBoundingClientRect().width > 0]'))->toBe(['1', true]);
    }
    $browser->keys('Escape');
    expect($browser->complaints())->toBe([]);
});

it('is a page that shows itself from a file, with keys, without any server', function () {
    $browser = Studio::opened(LESSON);
    $map = basename((string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH));
    $file = sys_get_temp_dir().'/show-'.bin2hex(random_bytes(4)).'.html';
    Studio::server()->artisan('map:export', $map, '--to=slides-html', "--out={$file}");
    $other = new Browser(Studio::server()->address);
    try {
        $other->driver->get("file://{$file}");
        $other->waitFor('#slides li:nth-child(8)')->press('Show the slides')->waitFor('.slide-show .slide-stage .layer');
        isOnStage($other, 'Tides, Moon, Sun');
        $other->keys('ArrowRight');
        isOnStage($other, 'Waves, Wind');
        $other->keys('8', 'Enter');
        isOnStage($other, 'Birds');
        // The speaker's window needs no server.
        $first = $other->driver->getWindowHandle();
        $other->keys('s')->waitUntil(fn (): bool => count($other->driver->getWindowHandles()) === 2, 'the window of the speaker');
        $other->driver->switchTo()->window(current(array_diff($other->driver->getWindowHandles(), [$first])));
        $other->waitUntil(fn (): bool => str_contains((string) $other->script('return document.querySelector("h1")?.textContent ?? ""'), '8 of 8') && str_contains((string) $other->script('return document.querySelector(".now .shown")?.textContent ?? ""'), 'Birds'), 'the slide, and its drawing');
        $other->keys('ArrowLeft');
        $other->driver->switchTo()->window($first);
        isOnStage($other, 'Boats, Ferry');
        $other->keys('Escape')->waitUntil(fn (): bool => ! $other->has('.slide-show'), 'the show to end');
        expect($other->script('return document.querySelector("#first").hidden'))->toBeFalse()->and($other->complaints())->toBe([]);
    } finally {
        $other->quit();
        unlink($file);
    }
});

it('is there on a narrow window, and is shown by touch', function () {
    $browser = Studio::opened(LESSON);
    $address = (string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH);
    $browser->pick('Sea')->act('Slides: each part of this branch')->waitFor('.slides')->saved();
    $other = new Browser(Studio::server()->address, 420, 800, touch: true);
    try {
        $other->enterDemo()->visit($address)->ready();
        $other->press('More')->press('Slides')->waitFor('.slide-strip [role=option]');
        expect($other->script('return document.documentElement.scrollWidth <= innerWidth'))->toBeTrue()->and($other->has('[aria-label="What you say"]'))->toBeTrue();
        $other->press('Show')->waitFor('.slide-show .slide-stage .layer');
        isOnStage($other, 'Tides, Moon, Sun');
        $swipe = function (int $from, int $to) use ($other): void {
            $other->tools('Input.dispatchTouchEvent', ['type' => 'touchStart', 'touchPoints' => [['x' => $from, 'y' => 300]]]);
            $other->tools('Input.dispatchTouchEvent', ['type' => 'touchMove', 'touchPoints' => [['x' => $to, 'y' => 300]]]);
            $other->tools('Input.dispatchTouchEvent', ['type' => 'touchEnd', 'touchPoints' => []]);
        };
        $swipe(320, 120);
        isOnStage($other, 'Waves, Wind');
        $swipe(120, 320);
        isOnStage($other, 'Tides, Moon, Sun');
        // Two fingers come closer, and one then moves what is seen instead of going on.
        $pinch = function (int $from, int $to) use ($other): void {
            $points = fn (int $apart): array => [['x' => 210 - $apart / 2, 'y' => 400, 'id' => 1], ['x' => 210 + $apart / 2, 'y' => 400, 'id' => 2]];
            $other->tools('Input.dispatchTouchEvent', ['type' => 'touchStart', 'touchPoints' => $points($from)]);
            foreach ([0.25, 0.5, 0.75, 1.0] as $part) {
                $other->tools('Input.dispatchTouchEvent', ['type' => 'touchMove', 'touchPoints' => $points((int) ($from + ($to - $from) * $part))]);
            }
            $other->tools('Input.dispatchTouchEvent', ['type' => 'touchEnd', 'touchPoints' => []]);
        };
        $wide = fn (): float => (float) $other->script('return document.querySelector(".slide-show > .slide-stage > .layer svg").getBoundingClientRect().width');
        $left = fn (): float => (float) $other->script('return document.querySelector(".slide-show > .slide-stage > .layer svg").getBoundingClientRect().x');
        usleep(900_000);
        $before = $wide();
        $pinch(80, 240);
        $other->waitUntil(fn (): bool => abs($wide() / $before - 3) < 0.25, 'it to be three times as large');
        $at = $left();
        $swipe(300, 200);
        $other->waitUntil(fn (): bool => abs($left() - $at + 100) < 15, 'it to be moved by one finger');
        isOnStage($other, 'Tides, Moon, Sun');
        $pinch(240, 80);
        $other->waitUntil(fn (): bool => abs($wide() / $before - 1) < 0.1, 'it to be as large as before');
        $swipe(320, 120);
        isOnStage($other, 'Waves, Wind');
        expect($other->complaints())->toBe([]);
    } finally {
        $other->quit();
    }
});

it('opens the page a topic leads to over the slide, and closes it, by key and by mouse', function () {
    $browser = Studio::opened("Sea\n\tTides\n\t\tTables of tides\n\tWaves\n");
    $browser->pick('Tables of tides')->keys('Mod+Shift+l')->waitFor('.desk .new input')->type('https://tides.example/tables')->keys('Enter')->saved();
    $browser->pick('Sea')->act('Slides: each part of this branch')->waitFor('.slides')->saved();
    begunShow($browser);
    isOnStage($browser, 'Tides, Tables of tides');
    $browser->keys('o')->waitFor('.slide-show .opened iframe');
    expect($browser->script('const frame = document.querySelector(".opened iframe"); return [frame.src, frame.getAttribute("sandbox"), frame.referrerPolicy]'))->toBe(['https://tides.example/tables', 'allow-scripts allow-popups', 'no-referrer']);
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.slide-show .opened'), 'it to close');
    // By mouse: the tool, and then the button that closes.
    $browser->script('document.querySelector(".show-bar .opens button").click()');
    $browser->waitFor('.slide-show .opened iframe')->script('document.querySelector(".slide-show .opened header button:last-of-type").click()');
    $browser->waitUntil(fn (): bool => ! $browser->has('.slide-show .opened'), 'it to close');
    $browser->keys('PageDown');
    isOnStage($browser, 'Waves');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.slide-show'), 'the show to end');
    $browser->keys('Alt+2');
});
