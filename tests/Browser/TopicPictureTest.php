<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;
use Tests\Support\Photos;

/** A pupil's own map: subjects around the name. */
function pupil(): Browser
{
    $browser = Studio::browser()->newMap();
    $browser->type('Nele')->keys('Tab')->type('Sums')->keys('Enter')->type('Nature')->keys('Enter')->type('Swimming')->keys('Mod+Enter')->saved();

    return $browser;
}

/**
 * Lets files go over a point of the window, as if they came from a folder.
 *
 * @param  array<string, string>  $files  contents by name
 * @param  array{float, float}  $at
 */
function dropFiles(Browser $browser, array $files, array $at, string $type = 'drop'): void
{
    $browser->script(<<<'JS'
        const [files, [x, y], type] = arguments
        const data = new DataTransfer()
        for (const [name, contents] of Object.entries(files)) {
            const mime = { png: 'image/png', jpg: 'image/jpeg', svg: 'image/svg+xml', txt: 'text/plain' }[name.split('.').at(-1)]
            data.items.add(new File([Uint8Array.from(atob(contents), (sign) => sign.charCodeAt(0))], name, { type: mime }))
        }
        if (type === 'paste') {
            document.activeElement.dispatchEvent(new ClipboardEvent('paste', { bubbles: true, cancelable: true, clipboardData: data }))
        } else {
            const target = document.elementFromPoint(x, y)
            for (const name of ['dragover', 'drop']) target.dispatchEvent(new DragEvent(name, { bubbles: true, cancelable: true, clientX: x, clientY: y, dataTransfer: data }))
        }
        JS, array_map(base64_encode(...), $files), $at, $type);
}

/** @return array{float, float} */
function middleOfTopic(Browser $browser, string $title): array
{
    $box = $browser->boxOf($title);

    return [$box['x'] + $box['w'] / 2, $box['y'] + $box['h'] / 2];
}

/** @return array{address: string, x: float, y: float, w: float, h: float}|null the picture of a topic in the window */
function pictureIn(Browser $browser, string $title): ?array
{
    return $browser->script('const image = document.querySelector(`.board [data-topic="${arguments[0]}"] image`); if (image === null) return null; const { x, y, width: w, height: h } = image.getBoundingClientRect(); return { address: image.getAttribute("href"), x, y, w, h }', $browser->topic($title));
}

function drawingIn(Browser $browser, string $title): ?string
{
    return preg_match('~/drawings/([a-z0-9-]+)\.svg~', pictureIn($browser, $title)['address'] ?? '', $m) === 1 ? $m[1] : null;
}

it('finds drawings by a word, changes one for another, and takes it away again, by keys alone', function () {
    $browser = pupil();
    $bare = $browser->boxOf('Swimming');
    $browser->pick('Swimming')->keys('Alt+8');
    $browser->waitUntil(fn (): bool => $browser->script('return document.activeElement.getAttribute("aria-label")') === 'Find a drawing', 'the field');
    // Enter at once takes the first that the word leads to, not what stood there before.
    $browser->type('swim')->keys('Enter')->saved()->waitUntil(fn (): bool => str_contains((string) drawingIn($browser, 'Swimming'), 'swim'), 'a swimmer');
    // Another: by the arrows among those found.
    $browser->keys('Mod+a')->type('fish');
    $browser->waitUntil(fn (): bool => $browser->count('.found button') > 2 && $browser->script('return document.querySelector(".found button").getAttribute("aria-label")') === 'Drawing fish', 'fish');
    $browser->keys('ArrowDown', 'ArrowRight', 'Enter')->saved();
    $second = (string) $browser->script('return document.querySelectorAll(".found button")[1].title');
    $browser->waitUntil(fn (): bool => drawingIn($browser, 'Swimming') === str_replace(' ', '-', $second), 'the second');
    // Instead of the words, larger, and away again: the topic is as it was.
    $browser->pick('Swimming')->keys('Mod+.')->saved();
    $browser->waitUntil(fn (): bool => abs((pictureIn($browser, 'Swimming')['w'] ?? 0) - 57.6) < 2, 'a fifth larger');
    $browser->keys('Mod+,')->saved()->waitUntil(fn (): bool => abs((pictureIn($browser, 'Swimming')['w'] ?? 0) - 48) < 2, 'as before');
    $browser->act('Picture left of the text')->waitUntil(fn (): bool => (pictureIn($browser, 'Swimming')['x'] ?? 9999) + 48 < middleOfTopic($browser, 'Swimming')[0] + 10, 'at the left');
    $browser->act('Take the picture away')->waitUntil(fn (): bool => pictureIn($browser, 'Swimming') === null, 'gone');
    usleep(300_000);
    $again = $browser->boxOf('Swimming');
    expect([$again['w'], $again['h']])->toEqualWithDelta([$bare['w'], $bare['h']], 0.5)->and($browser->complaints())->toBe([]);
});

it('puts drawings into several topics by one click, and by drag into one', function () {
    $browser = pupil();
    $browser->press('Pictures');
    $browser->waitFor('.found button');
    $browser->script('document.querySelector("[aria-label=\'Find a drawing\']").focus()');
    $browser->type('star');
    $browser->waitUntil(fn (): bool => $browser->has('.found button[title="star"]'), 'a star');
    $browser->pick('Sums')->pick('Nature', 2);
    $browser->press('Drawing star');
    $browser->saved()->waitUntil(fn (): bool => drawingIn($browser, 'Sums') === 'star' && drawingIn($browser, 'Nature') === 'star', 'two stars');
    $star = (array) $browser->script('const { x, y, width, height } = document.querySelector(".found button[title=star]").getBoundingClientRect(); return [x + width / 2, y + height / 2]');
    $browser->drag($star, middleOfTopic($browser, 'Swimming'))->saved()->waitUntil(fn (): bool => drawingIn($browser, 'Swimming') === 'star', 'the third');
    // A second click on what all have takes it away.
    $browser->pick('Sums')->press('Drawing star');
    $browser->saved()->waitUntil(fn (): bool => drawingIn($browser, 'Sums') === null && drawingIn($browser, 'Nature') === 'star', 'one star less');
    expect($browser->complaints())->toBe([]);
});

it('takes a file into the topic it is dropped on, which is sized, moved, opened and described', function () {
    $browser = pupil();
    dropFiles($browser, ['Harbour at dusk.jpg' => Photos::jpeg(600, 400)], middleOfTopic($browser, 'Nature'));
    $browser->waitUntil(fn (): bool => pictureIn($browser, 'Nature') !== null, 'the picture')->saved();
    expect($browser->outline())->toBe(['Nele', '  Sums', '  Nature', '  Swimming']);
    $browser->waitUntil(fn (): bool => abs(pictureIn($browser, 'Nature')['w'] - 200) < 1, 'its size');
    // By its corner.
    $browser->pick('Swimming')->act('Nature')->waitFor('.picture-handles .corner');
    usleep(400_000);
    $at = pictureIn($browser, 'Nature');
    $browser->drag([$at['x'] + $at['w'], $at['y'] + $at['h']], [$at['x'] + $at['w'] - 80, $at['y'] + $at['h'] - 50])->saved();
    $browser->waitUntil(fn (): bool => abs(pictureIn($browser, 'Nature')['w'] - 120) < 3, 'the smaller picture');
    usleep(400_000);
    // Into another topic by its grip.
    $at = pictureIn($browser, 'Nature');
    $browser->drag([$at['x'], $at['y']], middleOfTopic($browser, 'Sums'))->saved()->waitUntil(fn (): bool => pictureIn($browser, 'Nature') === null && pictureIn($browser, 'Sums') !== null, 'the picture in the other topic');
    usleep(400_000);
    // Described, which can be shown as the caption.
    $browser->script('document.querySelector("[aria-label=\'Description of the picture\']").focus()');
    $browser->type('boats in the evening');
    $browser->press('Show it as the caption');
    $browser->saved()->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".board").textContent'), 'boats in the evening'), 'the caption');
    // Opened in full, with zoom.
    $browser->pick('Sums')->keys('Alt+Shift+8')->waitFor('.viewer img');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".viewer header").innerText'), '600 × 400'), 'the whole picture');
    expect($browser->script('return document.querySelector(".viewer img").getAttribute("src")'))->toEndWith('/original')->and($browser->script('return document.querySelector(".viewer img").alt'))->toBe('boats in the evening');
    $browser->keys('+')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".viewer .scale").innerText'), '125'), 'closer');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.viewer'), 'the map again');
    // Onto the board.
    $at = pictureIn($browser, 'Sums');
    $browser->drag([$at['x'], $at['y']], [400, 620])->saved()->waitUntil(fn (): bool => pictureIn($browser, 'Sums') === null && $browser->count('.board .slip image') === 1, 'a loose topic with the picture');
    $browser->keys('Mod+z')->saved()->waitUntil(fn (): bool => pictureIn($browser, 'Sums') !== null, 'back');
    expect($browser->complaints())->toBe([]);
});

it('makes topics of files that are dropped on the board, called as these are', function () {
    $browser = pupil();
    dropFiles($browser, ['Gull_3*.png' => Photos::png(120, 80), 'The quay.svg' => Photos::svg()], [420, 600]);
    $browser->waitUntil(fn (): bool => $browser->count('.board .slip image') === 2, 'two topics')->saved();
    expect($browser->outline())->toContain('Gull_3*')->toContain('The quay');
    // Pasted, into what is chosen.
    $browser->pick('Swimming');
    dropFiles($browser, ['x.png' => Photos::png(60, 60)], [0, 0], 'paste');
    $browser->waitUntil(fn (): bool => pictureIn($browser, 'Swimming') !== null, 'the pasted picture')->saved();
    // Several on a topic become topics below it.
    dropFiles($browser, ['One.png' => Photos::png(50, 40), 'Two.png' => Photos::png(40, 50)], middleOfTopic($browser, 'Nature'));
    $browser->waitUntil(fn (): bool => in_array('    Two', $browser->outline(), true), 'two below it')->saved();
    $browser->visit((string) $browser->script('return location.pathname'))->ready()->waitUntil(fn (): bool => $browser->count('.board .slip image') === 5, 'all after a reload');
    expect($browser->complaints())->toBe([]);
});

it('says what is wrong with a file, and the map stays as it was', function () {
    $browser = pupil();
    $said = fn (string $words) => $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.body.innerText'), $words), $words);
    dropFiles($browser, ['bad.svg' => Photos::svg('<script>1</script>')], middleOfTopic($browser, 'Nature'));
    $said('“bad.svg” was not taken in. This SVG does more than draw');
    dropFiles($browser, ['broken.png' => substr(Photos::png(), 0, 50)], middleOfTopic($browser, 'Nature'));
    $said('This picture is damaged');
    expect($browser->count('.board .slip image'))->toBe(0)->and($browser->outline())->toBe(['Nele', '  Sums', '  Nature', '  Swimming']);
    array_map(fn (string $complaint) => expect($complaint)->toContain('422'), $browser->complaints());
});
