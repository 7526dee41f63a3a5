<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;
use Tests\Support\Chance;

const READ = "Lamp\n\tGlass and wick\n\t\tA chimney of glass keeps the flame still.\n\tOil\n";

/**
 * A browser that has voices of its own: an English and a German one, which say what they were given to say and then wait until
 * the test lets them go on. A stand-in, since browsers without a screen have none.
 */
function withVoices(Browser $browser, bool $waits = true): Browser
{
    $browser->script(<<<'JS'
        window.said = []; window.waiting = null; window.waits = arguments[0]
        window.SpeechSynthesisUtterance = class { constructor(text) { this.text = text } }
        const voices = [{ voiceURI: 'test:anna', name: 'Anna', lang: 'en-GB' }, { voiceURI: 'test:berta', name: 'Berta', lang: 'de-DE' }]
        const speech = {
            getVoices: () => voices, addEventListener: () => undefined,
            cancel: () => { window.waiting = null },
            speak: (one) => { window.said.push([one.voice.name, one.text, one.rate]); window.waiting = one; if (!window.waits) { setTimeout(() => one.onend(), 5) } },
        }
        Object.defineProperty(window, 'speechSynthesis', { value: speech, configurable: true })
        // Comes to a word, or to the end.
        window.comeTo = (word) => { const one = window.waiting; one.onboundary({ name: 'word', charIndex: one.text.indexOf(word), charLength: word.length }) }
        window.finish = () => { const one = window.waiting; window.waiting = null; one.onend() }
        JS, $waits);

    return $browser;
}

/** @return list<string> what was said so far */
function saidSoFar(Browser $browser): array
{
    return array_map(fn (array $one): string => $one[1], (array) $browser->script('return window.said'));
}

function isSaid(Browser $browser, array $texts): void
{
    $browser->waitUntil(fn (): bool => saidSoFar($browser) === $texts, 'what was said to be '.json_encode($texts).', not '.json_encode(saidSoFar($browser)));
}

function markedWord(Browser $browser): string
{
    return (string) $browser->script('return document.querySelector(".aloud mark")?.textContent ?? ""');
}

/** The words that marks lie over on the board or in the outline. */
function wordsUnderMarks(Browser $browser): int
{
    return (int) $browser->script(<<<'JS'
        return [...document.querySelectorAll('.spoken-word')].filter((mark) => {
            const box = mark.getBoundingClientRect()
            return box.width > 4 && document.elementsFromPoint(box.x + box.width / 2, box.y + box.height / 2).some((one) => one.closest('.board .slip, .outline') !== null)
        }).length
        JS);
}

function chooseHow(Browser $browser, string $field, string $option): void
{
    $browser->script('document.querySelector(`.aloud-how [aria-label="${arguments[0]}"] .n-base-selection-label`)?.focus()', $field);
    $browser->keys('Enter')->waitFor('.n-base-select-option--pending')->type($option);
    usleep(200_000);
    $pending = fn (): string => (string) $browser->script('return document.querySelector(".n-base-select-option--pending")?.textContent.trim()');
    for ($i = 0; $i < 6 && $pending() !== $option; $i++) {
        $browser->keys('ArrowDown');
    }
    expect($pending())->toBe($option);
    $browser->keys('Enter');
}

beforeEach(fn () => Studio::browser()->script('localStorage.removeItem("chalk-walk"); localStorage.removeItem("chalk-aloud"); localStorage.removeItem("chalk-names")'));

it('reads a topic by the voice of the browser, marks the word where it stands, stops and goes on by one key', function () {
    $browser = withVoices(Studio::opened(READ));
    $browser->pick('Glass and wick')->keys('Mod+F7')->waitFor('.aloud .line');
    isSaid($browser, ['Glass and wick']);
    $browser->script('comeTo("wick")');
    $browser->waitUntil(fn (): bool => markedWord($browser) === 'wick', 'the word to be marked');
    $browser->waitUntil(fn (): bool => wordsUnderMarks($browser) === 2, 'the word to be marked on the board and in the outline');
    $browser->keys('Mod+F7')->waitUntil(fn (): bool => $browser->script('return window.waiting') === null, 'it to stop');
    expect($browser->script('return document.querySelector(".aloud .tools .n-button--primary-type").textContent.trim()'))->toBe('Go on');
    // From the word where it stopped.
    $browser->keys('Mod+F7');
    isSaid($browser, ['Glass and wick', 'wick']);
    $browser->script('comeTo("wick")');
    $browser->waitUntil(fn (): bool => markedWord($browser) === 'wick', 'the same word');
    $browser->script('finish()');
    $browser->waitUntil(fn (): bool => ! $browser->has('.aloud') && ! $browser->has('.spoken-word'), 'it to be over');
    expect($browser->complaints())->toBe([]);
});

it('reads a branch with its notes, sentence by sentence, and passes over what is private unless that is asked for', function () {
    $browser = Studio::opened(READ);
    $browser->pick('Oil')->keys('Mod+Shift+h')->saved();
    $browser->pick('Glass and wick')->keys('Alt+n')->waitUntil(fn (): bool => $browser->script('return document.activeElement.classList.contains("note-text")'), 'the caret in the note');
    $browser->type('First the **glass**. Then the wick!')->saved();
    withVoices($browser, waits: false);
    $browser->pick('Lamp')->keys('Mod+F10');
    isSaid($browser, ['Lamp', 'Glass and wick', 'First the glass.', 'Then the wick!', 'A chimney of glass keeps the flame still.']);
    $browser->waitUntil(fn (): bool => ! $browser->has('.aloud'), 'it to be over');
    $browser->script('window.said = []');
    $browser->pick('Oil')->keys('Mod+F7');
    isSaid($browser, ['Oil']);
    // Without notes, as one likes.
    $browser->waitUntil(fn (): bool => ! $browser->has('.aloud'), 'it to be over');
    $browser->script('window.said = []; window.waits = true');
    $browser->pick('Glass and wick')->keys('Mod+F7')->press('Voice')->waitFor('.aloud-how');
    $browser->press('Notes too')->press('Close');
    $browser->waitUntil(fn (): bool => ! $browser->has('.aloud'), 'it to close');
    $browser->script('window.said = []; window.waits = false');
    $browser->pick('Glass and wick')->keys('Mod+F7');
    isSaid($browser, ['Glass and wick']);
    expect($browser->complaints())->toBe([]);
});

it('is read in another language, by another voice and faster, from the same place on', function () {
    $browser = withVoices(Studio::opened("Lamp\n\tDas Glas hält die Flamme ruhig\n"));
    $browser->pick('Das Glas hält die Flamme ruhig')->keys('Mod+F7')->waitFor('.aloud')->press('Voice')->waitFor('.aloud-how');
    expect($browser->script('return window.said[0][0]'))->toBe('Anna');
    chooseHow($browser, 'Language', 'German (Germany)');
    $browser->waitUntil(fn (): bool => $browser->script('return window.said.at(-1)[0]') === 'Berta', 'the German voice');
    $browser->script('comeTo("Flamme")');
    $browser->script('document.querySelector(".aloud-how [role=slider]").focus()');
    $browser->keys('ArrowRight', 'ArrowRight');
    $browser->waitUntil(fn (): bool => $browser->script('return window.said.at(-1)') === ['Berta', 'Flamme ruhig', 1.2], 'it to be faster from there');
    $browser->press('Close')->waitUntil(fn (): bool => ! $browser->has('.aloud'), 'it to close');
    // The voice of the server for the same language.
    $browser->pick('Das Glas hält die Flamme ruhig')->keys('Mod+F7')->waitFor('.aloud')->press('Voice')->waitFor('.aloud-how');
    chooseHow($browser, 'Language', 'German');
    $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".aloud-how [aria-label=Voice]").textContent'), 'from the server'), 'the voice of the server');
    $browser->waitUntil(fn (): bool => markedWord($browser) !== '', 'its words');
    $browser->press('Close')->waitUntil(fn (): bool => ! $browser->has('.aloud'), 'it to close');
});

it('is read by the server where the browser has no voice, word by word', function () {
    $browser = Studio::opened(READ);
    expect($browser->script('return speechSynthesis.getVoices().length'))->toBe(0);
    $browser->pick('A chimney of glass keeps the flame still.')->keys('Mod+F7')->waitFor('.aloud .line');
    $words = [];
    $browser->waitUntil(function () use ($browser, &$words): bool {
        $words[] = markedWord($browser);

        return ! $browser->has('.aloud');
    }, 'it to be read');
    $words = array_values(array_unique(array_filter($words)));
    // In order; those that are spoken while nobody looks are missing.
    expect(array_values(array_intersect(['A', 'chimney', 'of', 'glass', 'keeps', 'the', 'flame', 'still'], $words)))->toBe($words);
    expect(count($words))->toBeGreaterThan(4);
    expect($browser->complaints())->toBe([]);
});

it('says why where nobody can read, and goes on once somebody can', function () {
    $browser = Studio::opened(READ);
    $browser->pick('Oil')->keys('Mod+F7')->waitFor('.aloud')->waitUntil(fn (): bool => ! $browser->has('.aloud'), 'it to be read');
    $browser->offline(true);
    $browser->pick('Glass and wick')->keys('Mod+F7')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.body.innerText'), 'The server could not be asked to read this'), 'why not');
    $browser->offline(false);
    $browser->press('Go on')->waitUntil(fn (): bool => markedWord($browser) !== '', 'it to be read');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.aloud'), 'it to close');
    expect($browser->has('.spoken-word'))->toBeFalse();
});

it('reads the walk and goes on with it, without what is private', function () {
    $browser = Studio::opened(READ);
    $browser->pick('A chimney of glass keeps the flame still.')->keys('Mod+Shift+h')->saved();
    withVoices($browser);
    $browser->pick('Lamp')->keys('F9')->waitFor('.walk')->keys('a');
    isSaid($browser, ['Lamp']);
    $browser->script('finish()');
    isSaid($browser, ['Lamp', 'Glass and wick']);
    expect($browser->script('return document.querySelector("p[aria-live=assertive]").textContent'))->toBe('Glass and wick');
    $browser->script('comeTo("Glass")');
    $browser->waitUntil(fn (): bool => wordsUnderMarks($browser) >= 1, 'the word on the board');
    $browser->keys('a')->waitUntil(fn (): bool => $browser->script('return window.waiting') === null, 'it to stop');
    // What one goes to meanwhile is read once one goes on.
    $browser->keys('PageDown')->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".aloud .line").textContent'), 'Oil'), 'the next topic');
    isSaid($browser, ['Lamp', 'Glass and wick']);
    $browser->keys('a');
    isSaid($browser, ['Lamp', 'Glass and wick', 'Oil']);
    $browser->script('finish()');
    $browser->waitUntil(fn (): bool => ! $browser->has('.aloud'), 'it to end with the walk');
    expect($browser->has('.walk'))->toBeTrue();
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.walk'), 'the walk to end');
});

it('says the names of tools that are come to, for those who do not read them, and is silent when that is off', function () {
    $browser = withVoices(Studio::opened(READ));
    $browser->act('Say the names of tools')->waitUntil(fn (): bool => $browser->script('return localStorage.getItem("chalk-names")') === 'said', 'it to be on');
    usleep(600_000);
    $browser->script('window.said = []; [...document.querySelectorAll(".bar button")].find((one) => one.textContent.trim() === "Find").focus()');
    $browser->waitUntil(fn (): bool => in_array('Find', saidSoFar($browser), true), 'the name of the tool');
    [$x, $y] = $browser->script('const box = [...document.querySelectorAll(".bar button")].find((one) => one.textContent.trim() === "Look").getBoundingClientRect(); return [box.x + box.width / 2, box.y + box.height / 2]');
    $browser->pointer('mouseMoved', $x - 300, $y + 300)->pointer('mouseMoved', $x, $y);
    $browser->waitUntil(fn (): bool => in_array('Look', saidSoFar($browser), true), 'the name of what is pointed at');
    $browser->act('Say the names of tools')->waitUntil(fn (): bool => $browser->script('return localStorage.getItem("chalk-names")') === 'read', 'it to be off');
    usleep(300_000);
    $browser->script('window.said = []; [...document.querySelectorAll(".bar button")].find((one) => one.textContent.trim() === "Find").focus()');
    usleep(500_000);
    expect(saidSoFar($browser))->toBe([]);
});

it('finds its way through what is read, whatever keys and buttons are pressed in whatever order', function (int $seed) {
    $chance = new Chance($seed);
    $browser = Studio::opened("Lamp\n\tOne. Two! Three?\n\tFour\n\t\tFive; six\n\tSeven. Eight.\n");
    withVoices($browser);
    $passages = ['Lamp', 'One.', 'Two!', 'Three?', 'Four', 'Five; six', 'Seven.', 'Eight.'];
    $browser->pick('Lamp')->keys('Mod+F10');
    [$at, $isPaused] = [0, false];
    $is = function () use ($browser, &$at, &$isPaused, $passages): void {
        $state = fn (): array => (array) $browser->script('return [document.querySelector(".aloud .line")?.textContent.trim() ?? "", document.querySelector(".aloud .n-button--primary-type")?.textContent.trim() ?? ""]');
        $wanted = $at >= count($passages) ? ['', ''] : [$passages[$at], $isPaused ? 'Go on' : 'Stop'];
        $browser->waitUntil(fn (): bool => $state() === $wanted, 'it to be at '.json_encode($wanted).', not '.json_encode($state()));
    };
    $is();
    for ($i = 0; $i < 25 && $at < count($passages); $i++) {
        $what = $chance->pick(['turn', 'turn', 'on', 'back', 'on', 'finish', 'finish']);
        if ($what === 'finish' && $isPaused) {
            continue;
        }
        match ($what) {
            'turn' => $browser->keys('Mod+F7'),
            'on' => $browser->script('document.querySelector("[aria-label=\"A sentence on\"]").click()'),
            'back' => $browser->script('document.querySelector("[aria-label=\"A sentence back\"]").click()'),
            'finish' => $browser->script('finish()'),
        };
        $isPaused = $what === 'turn' ? ! $isPaused : false;
        $at = match ($what) {
            'turn' => $at, 'back' => max(0, $at - 1), default => $at + 1,
        };
        $is();
        // Nobody speaks while it waits, and one thing at a time else.
        expect($browser->script('return window.waiting?.text ?? null'))->toBe($isPaused || $at >= count($passages) ? null : $passages[$at]);
    }
    $at >= count($passages) ?: $browser->press('Close');
    $browser->waitUntil(fn (): bool => ! $browser->has('.aloud') && $browser->script('return window.waiting') === null, 'silence');
})->with([1, 2, 3]);

it('marks words of any script where they stand, over the lines they are broken into', function (string $title, string $word, int $marks) {
    $browser = withVoices(Studio::opened("Lamp\n\t{$title}\n"));
    $browser->pick($title)->keys('Mod+F7')->waitFor('.aloud');
    $browser->waitUntil(fn (): bool => saidSoFar($browser) !== [], 'it to be read');
    $browser->script('comeTo(arguments[0])', $word);
    $browser->waitUntil(fn (): bool => markedWord($browser) === $word, 'the word, not '.markedWord($browser));
    $browser->waitUntil(fn (): bool => wordsUnderMarks($browser) >= $marks, 'marks over it');
    $browser->keys('Escape')->waitUntil(fn (): bool => ! $browser->has('.aloud'), 'it to close');
    expect($browser->complaints())->toBe([]);
})->with([
    'right to left' => ['فانوس صغير فوق الماء', 'صغير', 2],
    'letters of two units' => ['𝄞𝄞 lanterns 🏮 at sea', 'lanterns', 2],
    'no spaces between words' => ['小さなランタンは水の上', 'ランタン', 2],
    'accents' => ['Étude für Ländler', 'für', 2],
    'over several lines' => ['A lantern that is as large as a boat and has to be carried by six people through all of the old town and down to the quay', 'carried', 1],
]);

it('reads the outline alone too, where there is no board, and stops with the map', function () {
    $browser = withVoices(Studio::opened(READ));
    $browser->keys('Alt+1')->waitUntil(fn (): bool => ! $browser->has('.board'), 'the outline alone');
    $browser->script('document.querySelector(".outline").focus()');
    $browser->keys('ArrowDown', 'ArrowDown', 'ArrowDown', 'Mod+F7');
    isSaid($browser, ['Oil']);
    $browser->script('comeTo("Oil")');
    $browser->waitUntil(fn (): bool => wordsUnderMarks($browser) === 1, 'the word in the outline');
    $browser->keys('Alt+l')->waitFor('.library')->waitUntil(fn (): bool => $browser->script('return window.waiting') === null && ! $browser->has('.aloud'), 'it to stop with the map');
    expect($browser->complaints())->toBe([]);
});

it('reads a text without an end in parts, none of which breaks a sign', function () {
    $browser = withVoices(Studio::opened("Lamp\n\t".str_repeat('x🏮', 130)."\n\t".trim(str_repeat('a long way, ', 40))."\n"), waits: false);
    $browser->pick('Lamp')->keys('Mod+F10')->waitUntil(fn (): bool => count(saidSoFar($browser)) >= 5 && ! $browser->has('.aloud'), 'it to be read');
    $said = saidSoFar($browser);
    expect($said[0])->toBe('Lamp')->and(max(array_map(fn (string $one): int => intdiv(strlen(mb_convert_encoding($one, 'UTF-16LE', 'UTF-8')), 2), $said)))->toBeLessThanOrEqual(260);
    expect($browser->script('return window.said.every(([, text]) => text.isWellFormed())'))->toBeTrue();
    expect(implode('', array_slice($said, 1)))->toBe(str_repeat('x🏮', 130).implode('', array_slice($said, 3)))->and(substr_count(implode(' ', $said), 'a long way'))->toBe(40);
});
