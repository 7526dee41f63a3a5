<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;

/*
 * Three real kinds of material, taken from the clipboard to a map in good shape, each by keys alone and by mouse alone:
 * a plan with numbers and one without any sign of its levels, a page on building a lantern, a flat list of sixty ideas.
 */

const STALLS = [
    [0, 'Stalls'], [1, 'Quay'], [2, 'Food'], [3, 'Fish soup, the net loft'], [3, 'Flatbread, Marit'], [2, 'Crafts'], [3, 'Rope work'], [3, 'Tin lanterns'],
    [1, 'Market hall'], [2, 'Food'], [3, 'Plum cake'], [3, 'Tea from the school'], [2, 'Information'], [3, 'Lost and found'],
    [0, 'Acts'], [1, 'Friday'], [2, 'Chapel Green'], [3, 'Saltmere choir'], [3, 'Drummers of the rope works'], [1, 'Saturday'], [2, 'Old slipway'], [3, 'Lantern theatre'], [3, 'Fire jugglers'], [2, 'Boats'], [3, 'Brass on the ferry'],
];

/** The plan as lines, numbered through its levels or bare. */
function plan(bool $numbered): string
{
    $counts = [];
    $lines = '';
    foreach (STALLS as [$level, $title]) {
        $counts = array_slice($counts, 0, $level + 1);
        $counts[$level] = ($counts[$level] ?? 0) + 1;
        $lines .= ($numbered ? implode('.', $counts).($level === 0 ? '.' : '').' ' : '').$title."\n";
    }

    return $lines;
}

const LANTERN = <<<'HTML'
    <html><head><base href="https://saltmere.example/craft/paper-lantern"></head><body><h1>How to build a paper lantern</h1>
    <p>Every year the school builds four hundred of them. This is how it is done, on one evening and with things from any shop.</p>
    <h2>You need</h2><ul><li>four willow rods</li><li>white tissue paper</li><li>wallpaper paste</li><li>string</li><li>a battery lamp</li></ul>
    <h2>Building it</h2><ol><li>Soak the willow for three days. Bend each rod into a ring.</li><li>Tie the rings together with string at two places.</li><li>Tear the paper into strips. Paste them over the frame, two layers, and let it dry for a night.</li><li>Hang the lamp into it from the top.</li></ol>
    <h2>Good to know</h2><p>Candles are not allowed in the procession.</p></body></html>
    HTML;

/** @return list<string> sixty ideas of four sorts, mixed */
function ideas(): array
{
    $sorts = ['Lantern shaped like a', 'Song about the', 'Costume of the', 'Surprise with the'];
    $things = ['ferry', 'lighthouse', 'crab', 'harbour crane', 'seal', 'old slipway', 'net loft', 'tide', 'bell', 'gull', 'mole', 'anchor', 'rope walk', 'moon', 'chapel'];
    $ideas = [];
    for ($i = 0; $i < 60; $i++) {
        $ideas[] = "{$sorts[($i * 7) % 4]} {$things[intdiv($i, 4)]}";
    }

    return $ideas;
}

function emptyMap(string $title): Browser
{
    $browser = Studio::browser();
    $browser->newMap()->type($title)->keys('Mod+Enter')->saved();

    return $browser;
}

function clipInto(Browser $browser, string $text, string $html = ''): Browser
{
    $browser->script('const d = new DataTransfer(); d.setData("text/plain", arguments[0]); if (arguments[1]) d.setData("text/html", arguments[1]); document.activeElement.dispatchEvent(new ClipboardEvent("paste", {clipboardData: d, bubbles: true, cancelable: true}))', $text, $html);

    return $browser;
}

/** The map as its text export. */
function exported(Browser $browser): string
{
    $browser->saved();
    usleep(200_000);
    $browser->saved();

    return Studio::server()->artisan('map:export', explode('/', (string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))[2], '--to=txt');
}

/** Goes to a topic by keys. */
function goes(Browser $browser, string $title): void
{
    $browser->keys('Mod+j')->waitFor('.palette')->type($title);
    $at = -1;
    $browser->waitUntil(function () use ($browser, $title, &$at): bool {
        $at = $browser->script('return [...document.querySelectorAll(".palette li")].findIndex(e => e.querySelector("i.Topic") && e.querySelector("span").textContent.startsWith(arguments[0]))', $title);

        return $at >= 0;
    }, $title);
    $browser->keys(...[...array_fill(0, (int) $at, 'ArrowDown'), 'Enter']);
    $browser->waitUntil(fn (): bool => str_starts_with((string) $browser->script('return document.querySelector(".outline .chosen .text")?.innerText'), mb_substr($title, 0, 40)), "{$title} to be chosen");
}

$expected = 'Festival'."\n".implode('', array_map(fn (array $line): string => str_repeat("\t", $line[0] + 1).$line[1]."\n", STALLS));

it('takes a plan of four levels from its numbers, without a key more', function () use ($expected) {
    $browser = emptyMap('Festival');
    clipInto($browser, plan(true));
    expect(exported($browser))->toBe($expected);
});

it('gives a plan without numbers or indentation its levels by keys alone', function () use ($expected) {
    $browser = emptyMap('Festival');
    $browser->keys('Alt+v')->waitFor('.paste textarea');
    clipInto($browser, plan(false))->waitFor('.paste .line');
    $pressed = 0;
    $before = 0;
    foreach (STALLS as $i => [$level]) {
        if ($i > 0) {
            $browser->keys('ArrowDown');
            $pressed++;
        }
        if ($level !== $before) {
            // All that follows goes in or out with the line at which the level changes.
            $browser->keys('Shift+End', ...array_fill(0, abs($level - $before), $level > $before ? 'ArrowRight' : 'ArrowLeft'));
            $pressed += 1 + abs($level - $before);
        }
        $before = $level;
    }
    $browser->keys('Enter');
    expect(exported($browser))->toBe($expected)->and($pressed)->toBeLessThan(120);
});

it('gives it its levels by mouse alone', function () use ($expected) {
    $browser = emptyMap('Festival');
    clipInto($browser, plan(false))->press('Look at it first')->waitFor('.paste .line');
    foreach (range(1, 3) as $level) {
        $first = true;
        foreach (STALLS as $i => [$wanted]) {
            if ($wanted >= $level) {
                $at = $browser->script('const e = document.getElementById(`clip-${arguments[0]}`); e.scrollIntoView({block: "center"}); const r = e.getBoundingClientRect(); return [r.x + 180, r.y + 12]', $i);
                $more = $first ? [] : ['modifiers' => 2];
                $browser->pointer('mousePressed', ...$at, more: $more)->pointer('mouseReleased', ...$at, more: $more);
                $first = false;
            }
        }
        $browser->press('In · →');
    }
    $browser->press('Land it');
    expect(exported($browser))->toBe($expected);
});

it('turns a page on building a lantern into steps with what each one needs, by keys alone', function () {
    $browser = emptyMap('Lantern evening');
    clipInto($browser, 'x', LANTERN);
    $browser->waitUntil(fn (): bool => count($browser->outline()) > 10, 'the page to land');
    // What is neither step nor material goes to the note of what it stands below.
    goes($browser, 'Every year');
    $browser->keys('Alt+Shift+y')->saved();
    goes($browser, 'Candles');
    $browser->keys('Alt+Shift+y')->saved();
    // Steps of several sentences become several steps.
    goes($browser, 'Soak the willow');
    $browser->keys('Alt+t')->waitFor('.change .items li')->keys('Enter')->saved();
    goes($browser, 'Tear the paper');
    $browser->keys('Alt+t')->waitFor('.change .items li')->keys('Enter')->saved();
    foreach ([['four willow', 'Soak the'], ['string', 'Tie the'], ['white tissue', 'Tear the'], ['wallpaper', 'Paste them'], ['a battery', 'Hang the']] as [$thing, $step]) {
        goes($browser, $thing);
        $browser->keys('Alt+g')->waitFor('.move')->type($step)->keys('Enter')->saved();
    }
    goes($browser, 'You need');
    $browser->keys('Delete')->saved();
    expect(exported($browser))->toBe(<<<'TXT'
        Lantern evening
        	How to build a paper lantern
        		Building it
        			Soak the willow for three days.
        				four willow rods
        			Bend each rod into a ring.
        			Tie the rings together with string at two places.
        				string
        			Tear the paper into strips.
        				white tissue paper
        			Paste them over the frame, two layers, and let it dry for a night.
        				wallpaper paste
        			Hang the lamp into it from the top.
        				a battery lamp
        		Good to know

        TXT);
    $json = Studio::server()->artisan('map:show', explode('/', (string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))[2]);
    expect($json)->toContain('[How to build a paper lantern](<https://saltmere.example/craft/paper-lantern>)')
        ->toContain('"note": "Every year the school builds four hundred of them.')->toContain('"note": "Candles are not allowed');
});

it('does the same by mouse alone', function () {
    $browser = emptyMap('Lantern evening');
    clipInto($browser, 'x', LANTERN);
    $browser->waitUntil(fn (): bool => count($browser->outline()) > 10, 'the page to land');
    $line = fn (string $text): array => $browser->script('const e = [...document.querySelectorAll(".line")].find(l => l.querySelector(".text")?.innerText.startsWith(arguments[0])); const r = e.getBoundingClientRect(); return [r.x + 110, r.y + r.height / 2]', $text);
    $choose = function (string $text) use ($browser, $line): void {
        $at = $line($text);
        $browser->pointer('mousePressed', ...$at)->pointer('mouseReleased', ...$at);
    };
    foreach (['Every year', 'Candles'] as $rest) {
        $choose($rest);
        $browser->press('Shape')->press('Put its text into the note of the topic above')->saved();
        usleep(300_000);
    }
    foreach (['Soak the willow', 'Tear the paper'] as $step) {
        $choose($step);
        $browser->press('Shape')->press('Break into several')->waitFor('.change .items li')->press('Break into several')->saved();
        usleep(400_000);
    }
    foreach ([['four willow', 'Soak the'], ['string', 'Tie the'], ['white tissue', 'Tear the'], ['wallpaper', 'Paste them'], ['a battery', 'Hang the']] as [$thing, $step]) {
        $browser->drag($line($thing), $line($step))->saved();
        usleep(250_000);
    }
    expect(exported($browser))->toContain("\t\t\tTie the rings together with string at two places.\n\t\t\t\tstring\n")
        ->toContain("\t\t\tHang the lamp into it from the top.\n\t\t\t\ta battery lamp\n")->not->toContain('Candles');
});

it('sorts sixty ideas into groups by keys alone', function () {
    $browser = emptyMap('Parade');
    clipInto($browser, implode("\n", ideas()))->waitFor('.paste .line')->keys('Enter')->saved();
    $browser->waitUntil(fn (): bool => $browser->count('.outline [role=treeitem]') > 20, 'the ideas');
    goes($browser, ideas()[59]);
    foreach (['Light', 'Music', 'Dress', 'Other'] as $group) {
        $browser->keys('Enter')->waitFor('.title-editor')->type($group);
    }
    $browser->keys('Mod+Enter')->saved();
    goes($browser, 'Lantern shaped like a ferry');
    $last = '';
    foreach (ideas() as $idea) {
        $group = ['Lantern' => 'Light', 'Song' => 'Music', 'Costume' => 'Dress', 'Surprise' => 'Other'][strtok($idea, ' ')];
        $browser->waitUntil(fn (): bool => $browser->script('return document.querySelector(".outline .chosen .text")?.innerText') === $idea, "{$idea} to come next");
        if ($group === $last) {
            $browser->keys('Alt+Shift+g');
        } else {
            $browser->keys('Alt+g')->waitFor('.move')->type(substr($group, 0, 3))->keys('Enter');
            $browser->waitUntil(fn (): bool => ! $browser->has('.move'), 'the box to close');
        }
        $last = $group;
    }
    $text = exported($browser);
    expect(substr_count($text, "\n\t\tLantern shaped"))->toBe(15)->and($text)->toContain("\tLight\n\t\tLantern shaped like a ferry\n")
        ->and(preg_match_all('/^\t[^\t]/m', $text))->toBe(4)->and(substr_count($text, "\n"))->toBe(65);
});

it('sorts them by mouse alone, finding those of a sort and dragging them together', function () {
    $browser = emptyMap('Parade');
    clipInto($browser, "Light\nMusic\nDress\nOther\n".implode("\n", ideas()))->waitFor('.paste .line')->press('Land it')->saved();
    $browser->waitUntil(fn (): bool => $browser->count('.outline [role=treeitem]') > 20, 'the ideas');
    foreach (['Lantern shaped' => 'Light', 'Song about' => 'Music', 'Costume of' => 'Dress', 'Surprise with' => 'Other'] as $sort => $group) {
        $browser->keys('Mod+Alt+f')->waitFor("input[aria-label='Find']");
        $browser->find("input[aria-label='Find']")->click();
        // A word to look for has to be typed, whoever holds the mouse.
        $browser->keys('Mod+a')->type($sort);
        $browser->waitUntil(fn (): bool => str_contains((string) $browser->script('return document.querySelector(".panel .foot").innerText'), '15 of 15'), 'fifteen of them');
        $browser->press('Choose these topics')->saved();
        $browser->script('document.querySelector(".outline").scrollTop = 0');
        usleep(250_000);
        $browser->waitUntil(fn (): bool => $browser->count('.outline .chosen') > 0, 'some of them in view');
        $from = $browser->script('const r = document.querySelector(".outline .chosen").getBoundingClientRect(); return [r.x + 90, r.y + 12]');
        $to = $browser->script('const r = [...document.querySelectorAll(".line")].find(l => l.querySelector(".text")?.innerText === arguments[0]).getBoundingClientRect(); return [r.x + 80, r.y + r.height / 2]', $group);
        $browser->drag($from, $to)->saved();
        usleep(300_000);
        $browser->script('[...document.querySelectorAll(".line")].find(l => l.querySelector(".text")?.innerText === arguments[0])?.querySelector(".fold")?.click()', $group);
        $browser->saved();
    }
    $text = exported($browser);
    expect(preg_match_all('/^\t[^\t]/m', $text))->toBe(4)->and(substr_count($text, "\n\t\tSong about"))->toBe(15);
});
