<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Studio;
use Tests\Support\Browser;

function mapId(Browser $browser): string
{
    return basename((string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH));
}

it('has a name for every control, in the library, on a map and in a walk', function () {
    $nameless = <<<'JS'
        return [...document.querySelectorAll('button, a[href], input, [role=button], [role=slider], [role=separator], [tabindex="0"]')]
            .filter((e) => e.offsetParent !== null || e instanceof SVGElement)
            .filter((e) => e.closest('.n-base-selection, .n-input__suffix, .n-input-number-suffix, .n-slider-handles') === null)
            .filter((e) => !(e.innerText?.trim() || e.getAttribute('aria-label') || e.textContent.trim() || e.title || e.labels?.length || e.getAttribute('aria-labelledby')))
            .filter((e) => !e.hidden)
            .map((e) => e.outerHTML.slice(0, 160))
        JS;
    $browser = Studio::browser();
    expect($browser->script($nameless))->toBe([]);
    $browser->enterDemo('Saltmere lantern');
    expect($browser->script($nameless))->toBe([]);
    $browser->keys('F9')->waitFor('.walk');
    expect($browser->script($nameless))->toBe([]);
    $browser->keys('Escape');
});

it('goes round the parts of the window by one key, and shows where the focus is', function () {
    $browser = Studio::opened("Plan\n\tA\n");
    $part = fn (): ?string => $browser->script('return document.activeElement.closest("[data-focus]")?.dataset.focus ?? null');
    $seen = [];
    for ($i = 0; $i < 5; $i++) {
        $browser->keys('F6');
        $seen[] = $part();
    }
    expect($seen)->toEqualCanonicalizing(['outline', 'board', 'tray', 'desk', 'top']);
    $browser->find('.board');
    $browser->script('document.querySelector(".outline").focus()');
    $browser->keys('F6');
    expect($part())->toBe('board')
        ->and($browser->script('return getComputedStyle(document.querySelector(".board"), "::after").borderTopWidth'))->toBe('2px');
});

it('shows markup in titles, captions and notes as text and runs none of it', function () {
    $browser = Studio::opened("<img src=x onerror=window.hacked=1>\n\t<script>hacked=1</script>\n\t[x](javascript:window.hacked=1)\n");
    $browser->pick('<script>hacked=1</script>');
    $browser->keys('Alt+k')->type('<b onmouseover=window.hacked=1>c</b>')->waitUntil(fn (): bool => $browser->count('.slip text.caption') === 1, 'the caption');
    $browser->press('Write a note')->waitUntil(fn (): bool => $browser->script('return document.activeElement.classList.contains("note-text")'), 'the note to take the focus');
    $browser->type('<img src=x onerror=window.hacked=1>');
    usleep(900_000);
    $browser->saved();
    $browser->visit('/maps/'.mapId($browser))->ready();
    usleep(300_000);
    expect($browser->script('return window.hacked ?? null'))->toBeNull()
        ->and($browser->script('return document.querySelectorAll("#app img, #app script").length'))->toBe(0)
        ->and($browser->script('return [...document.querySelectorAll("a[href], .link")].filter(a => (a.getAttribute("href") ?? "").startsWith("javascript")).length'))->toBe(0);
});

it('remembers the board, the panels and their widths over a reload', function () {
    $browser = Studio::opened("Plan\n\tA\n");
    $browser->find('.board')->click();
    $browser->keys('Alt+b')->waitUntil(fn (): bool => $browser->script('return document.documentElement.dataset.board') === 'slate', 'the Slate board');
    $browser->keys('F8')->waitUntil(fn (): bool => ! $browser->has('.desk'), 'the desk to close');
    $edge = $browser->script('const r = document.querySelector(".edge").getBoundingClientRect(); return [r.x + 2, r.y + 200]');
    $browser->drag($edge, [$edge[0] + 60, $edge[1]]);
    $width = (int) $browser->script('return document.querySelector(".left").getBoundingClientRect().width');
    expect($width)->toBeGreaterThan(290)->toBeLessThan(320);
    $browser->visit('/maps/'.mapId($browser))->ready();
    expect($browser->script('return document.documentElement.dataset.board'))->toBe('slate')
        ->and($browser->has('.desk'))->toBeFalse()
        ->and((int) $browser->script('return document.querySelector(".left").getBoundingClientRect().width'))->toBe($width);
});

it('keeps most of the window for the board', function (int $width, int $height, float $least) {
    $browser = Studio::browser()->enterDemo('Saltmere lantern')->size($width, $height);
    usleep(300_000);
    $part = $browser->script('return document.querySelector(".board").getBoundingClientRect().width / innerWidth');
    expect($part)->toBeGreaterThanOrEqual($least)
        ->and($browser->script('return document.documentElement.scrollWidth <= innerWidth && document.documentElement.scrollHeight <= innerHeight'))->toBeTrue();
})->with([
    'at 1280 by 800' => [1280, 800, 0.6],
    'at 1920 by 1080' => [1920, 1080, 0.7],
]);

it('shows what was done in one window in another', function () {
    $browser = Studio::opened("Plan\n\tA\n");
    $first = $browser->driver->getWindowHandle();
    $address = $browser->driver->getCurrentURL();
    $browser->driver->switchTo()->newWindow();
    $browser->driver->get($address);
    $browser->ready()->pick('A');
    $browser->type('Changed elsewhere')->keys('Mod+Enter')->saved();
    $browser->driver->close();
    $browser->driver->switchTo()->window($first);
    $browser->script('window.dispatchEvent(new Event("focus"))');
    $browser->waitUntil(fn (): bool => $browser->outline() === ['Plan', '  Changed elsewhere'], 'the change to arrive');
    expect($browser->topic('Changed elsewhere'))->toHaveLength(26);
});

it('renames a map at the top, and goes by its root until then', function () {
    $browser = Studio::opened("Plan\n\tA\n");
    expect($browser->find('.name')->getText())->toBe('Plan');
    $browser->find('.name')->click();
    $browser->press('Rename the map');
    $browser->waitFor('.naming');
    $browser->keys('Mod+a')->type('Another name')->keys('Enter');
    $browser->waitUntil(fn (): bool => $browser->find('.name')->getText() === 'Another name', 'the new name');
    $browser->saved()->press('Undo');
    $browser->waitUntil(fn (): bool => $browser->find('.name')->getText() === 'Plan', 'the old name');
});

it('keeps a note that is still being typed when another topic is chosen', function () {
    $browser = Studio::opened("Plan\n\tA\n\tB\n");
    $browser->pick('A');
    $browser->keys('Alt+n')->waitUntil(fn (): bool => $browser->script('return document.activeElement.classList.contains("note-text")'), 'the note to take the focus');
    $browser->type('Belongs to A');
    $browser->pick('B');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".note-text").innerText.trim()') === '', 'the note of B');
    $browser->find('.note-text')->click();
    $browser->type('Belongs to B');
    $browser->pick('A');
    $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".note-text").innerText.trim()') === 'Belongs to A', 'the note of A');
    $browser->saved();
    $notes = array_column(json_decode(Studio::server()->artisan('map:show', mapId($browser)), true)['topics'], 'note', 'title');
    expect($notes)->toBe(['A' => 'Belongs to A', 'B' => 'Belongs to B']);
});

it('edits as Markdown a note that the formatted editor could not keep', function () {
    $browser = Studio::opened("Plan\n\tA\n");
    $file = sys_get_temp_dir().'/note-'.bin2hex(random_bytes(4)).'.json';
    $topics = json_decode(Studio::server()->artisan('map:show', mapId($browser)), true)['topics'];
    file_put_contents($file, json_encode([['name' => 'topic.note', 'topics' => [$topics[1]['id']], 'note' => "| a | b |\n| - | - |\n| 1 | 2 |"]]));
    Studio::server()->artisan('map:edit', mapId($browser), $file);
    unlink($file);
    $browser->visit('/maps/'.mapId($browser))->ready()->pick('A');
    expect($browser->find('.note-source textarea')->getAttribute('value'))->toBe("| a | b |\n| - | - |\n| 1 | 2 |");
    $browser->find('.note-source textarea')->click();
    $browser->keys('Mod+End')->type(' and more');
    usleep(900_000);
    $browser->saved();
    expect(Studio::server()->artisan('map:show', mapId($browser)))->toContain('| 1 | 2 | and more');
});

it('takes files out by the menu', function () {
    $browser = Studio::opened("Plan\n\tA\n");
    $browser->script('window.taken = []; HTMLAnchorElement.prototype.click = function () { window.taken.push(this.getAttribute("href")) }');
    foreach (['as Markdown', 'as text', 'as OPML', 'a complete copy (JSON)', 'as SVG picture', 'as PNG picture'] as $form) {
        $browser->press('Hand over')->press("Take out {$form}");
        usleep(250_000);
    }
    $taken = $browser->script('return window.taken');
    expect(array_map(fn (string $address): string => preg_replace('/.*[?&]to=(\w+).*/', '$1', $address), $taken))->toBe(['md', 'txt', 'opml', 'json', 'svg', 'png']);
    foreach ($taken as $address) {
        expect($browser->driver->executeAsyncScript('const done = arguments[1]; fetch(arguments[0]).then((a) => a.blob().then((b) => done([a.status, b.size])))', [$address]))
            ->{0}->toBe(200);
    }
});

it('says so when a map is not there, and leads back', function () {
    $browser = Studio::browser()->visit('/maps/01m00000000000000000000000');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.body.innerText'), 'This map does not open'), 'the sentence');
    $browser->press('Back to the library')->waitFor('.card');
    expect($browser->count('.card'))->toBeGreaterThan(3);
});

it('searches the list of keys', function () {
    $browser = Studio::opened("Plan\n");
    $browser->keys('F1')->waitFor('.key-list');
    $all = $browser->count('.key-list li');
    $browser->find("input[aria-label='Search the keys']")->sendKeys('fold');
    $browser->waitUntil(fn (): bool => $browser->count('.key-list li') < $all, 'the list to shrink');
    expect($all)->toBeGreaterThan(35)
        ->and($browser->script('return [...document.querySelectorAll(".key-list li")].every((d) => d.innerText.toLowerCase().includes("fold"))'))->toBeTrue();
});

it('goes without movement where the system asks for that', function () {
    $browser = Studio::browser();
    $browser->tools('Emulation.setEmulatedMedia', ['features' => [['name' => 'prefers-reduced-motion', 'value' => 'reduce']]]);
    $browser->enterDemo('A lamp is dark');
    expect($browser->script('return getComputedStyle(document.querySelector(".slip")).transitionDuration'))->toBe('0s');
    $browser->tools('Emulation.setEmulatedMedia', ['features' => []]);
});

it('ends a movement of the board where it was to end, whatever comes in between', function () {
    $browser = Studio::browser()->openMap('Saltmere');
    $scale = fn (): int => (int) $browser->script('return parseInt(document.querySelector(".scale").textContent)');
    $browser->press('Show all');
    usleep(700_000);
    $all = $scale();
    $browser->script('document.querySelector(".board").focus()');
    $browser->keys('Alt+=', 'Alt+=', 'Alt+=');
    usleep(700_000);
    expect($scale())->toBeGreaterThanOrEqual((int) floor($all * 1.9));
    // A panel that opens meanwhile makes the board narrower.
    $browser->keys('Alt+a', 'Mod+Alt+f')->waitFor("input[aria-label='Find']");
    usleep(700_000);
    expect($scale())->toBeLessThanOrEqual($all);
});

it('shows all of a map clear of the controls', function () {
    $browser = Studio::browser()->enterDemo('Volunteers');
    $browser->press('Show all');
    usleep(600_000);
    $under = $browser->script(<<<'JS'
        const controls = document.querySelector('.controls').getBoundingClientRect()
        return [...document.querySelectorAll('.slip .paper, .far-label .chip')].map((e) => e.getBoundingClientRect())
            .filter((r) => r.right > controls.left && r.left < controls.right && r.bottom > controls.top && r.top < controls.bottom).length
        JS);
    expect($under)->toBe(0)
        ->and($browser->count('.slip, .far-label'))->toBeGreaterThan(15);
});

it('carries in the page of a map the picture of what the board will show, where it will show it', function () {
    $browser = Studio::browser()->openMap('Saltmere lantern festival');
    $browser->pick('Money')->press('To the chosen');
    $scale = (int) $browser->script('return parseFloat(document.querySelector(".controls").textContent)');
    for ($i = 0; $i < 5 && $scale < 70; $i++) {
        $browser->press('+');
        usleep(350_000);
        $scale = (int) $browser->script('return parseFloat(document.querySelector(".controls").textContent)');
    }
    // The place is kept when the board has rested.
    usleep(2_600_000);
    $at = fn (int $beyond): string => "return Object.fromEntries([...document.querySelectorAll('.slip text')].map((text) => [text.textContent, text.getBoundingClientRect()]).filter(([name, r]) => r.width > 0 && r.x > 260 - {$beyond} && r.right < 1000 + {$beyond} && r.y > 60 - {$beyond} && r.bottom < 780 + {$beyond}).map(([name, r]) => [name, [Math.round(r.x), Math.round(r.y)]]))";
    $board = $browser->script($at(0));
    expect($board)->toHaveKey('Money');
    $browser->tools('Emulation.setScriptExecutionDisabled', ['value' => true]);
    try {
        $browser->visit(parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH));
        $rects = [];
        foreach ($browser->driver->findElements(WebDriverBy::cssSelector('#first-picture text')) as $text) {
            $rects[$text->getText()] = $text->getLocation();
        }
    } finally {
        $browser->tools('Emulation.setScriptExecutionDisabled', ['value' => false]);
    }
    foreach ($board as $name => [$x, $y]) {
        expect($rects)->toHaveKey($name);
        expect(abs($rects[$name]->getX() - $x))->toBeLessThan(3)->and(abs($rects[$name]->getY() - $y))->toBeLessThan(3);
    }
    // Then the board stands there instead.
    $browser->visit(parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))->ready()->waitUntil(fn (): bool => ! $browser->has('#first-picture'), 'the board to take over');
    $after = $browser->script($at(5));
    foreach ($board as $name => [$x, $y]) {
        // Places are kept in tenths of a pixel.
        expect(abs($after[$name][0] - $x))->toBeLessThan(3, $name)->and(abs($after[$name][1] - $y))->toBeLessThan(3, $name);
    }
});

it('lets one choose for one’s eyes, by keys and by mouse, and knows it wherever one signs in', function () {
    $browser = Studio::opened("Plan\n\tA\n");
    $root = fn (string $what): string => (string) $browser->script('return document.documentElement.dataset[arguments[0]]', $what);
    $browser->keys('Alt+Shift+9')->waitFor('.eyes');
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.ariaLabel') === 'Board Day', 'the board that is');
    $browser->keys('ArrowRight', 'ArrowRight', 'Enter')->waitUntil(fn (): bool => $root('board') === 'mint', 'the mint board');
    expect($browser->script('return getComputedStyle(document.querySelector(".eyes")).backgroundColor'))->toBe('rgb(242, 250, 244)');
    $browser->press('Larger')->press('None');
    expect($root('size'))->toBe('larger')->and($root('motion'))->toBe('less')
        ->and($browser->script('return getComputedStyle(document.querySelector(".slip")).transitionDuration'))->toBe('0s');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.eyes'), 'the dialog gone');
    // Everything stays within the window, and menus open where they belong.
    expect($browser->script('return document.documentElement.scrollWidth <= innerWidth && document.documentElement.scrollHeight <= innerHeight'))->toBeTrue()
        ->and($browser->script('const desk = document.querySelector(".desk"); return desk.scrollWidth <= desk.clientWidth'))->toBeTrue();
    $browser->press('Shape');
    $off = $browser->script('const menu = [...document.querySelectorAll(".n-dropdown-menu")].at(-1).getBoundingClientRect(); const button = [...document.querySelectorAll(".bar button")].find((one) => one.innerText === "Shape").getBoundingClientRect(); return [menu.left < button.right && button.left < menu.right, Math.abs(menu.top - button.bottom), menu.bottom <= innerHeight]');
    expect($off[0])->toBeTrue()->and($off[1])->toBeLessThan(14)->and($off[2])->toBeTrue();
    $browser->keys('Escape')->waitUntil(fn (): bool => $browser->count('.n-dropdown-menu') === 0, 'the menu gone');
    // Another browser of the same person.
    usleep(600_000);
    $browser->script('localStorage.clear()');
    $browser->visit('/maps/'.mapId($browser))->ready()->waitUntil(fn (): bool => $root('board') === 'mint' && $root('size') === 'larger', 'what was chosen');
    $browser->keys('Alt+b')->waitUntil(fn (): bool => $root('board') === 'slate', 'the Slate board');
    $browser->keys('Alt+b')->waitUntil(fn (): bool => $root('board') === 'mint', 'the light board chosen last');
    $browser->keys('Alt+Shift+9')->waitFor('.eyes')->press('Board Day')->press('Usual')->press('As the system asks');
    usleep(800_000);
    expect($browser->complaints())->toBe([]);
});
