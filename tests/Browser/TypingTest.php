<?php

declare(strict_types=1);

use Tests\Browser\Studio;
use Tests\Support\Browser;
use Tests\Support\TestServer;

it('builds a map of forty topics by keyboard alone, from the sign-in page to the Markdown', function () {
    $browser = Studio::browser();
    $browser->newMap()->type('Coast walk');
    $expected = ['Coast walk'];
    $browser->keys('Tab');
    foreach (['Route', 'Food', 'Boats'] as $i => $branch) {
        $browser->type($branch);
        $expected[] = "  {$branch}";
        $browser->keys('Tab');
        for ($n = 1; $n <= 6; $n++) {
            $browser->type("{$branch} {$n}");
            $expected[] = "    {$branch} {$n}";
            $browser->keys($n === 3 ? 'Tab' : 'Enter');
            if ($n === 3) {
                foreach (range(1, 6) as $deep) {
                    $browser->type("Deep {$deep}")->keys(...($deep < 6 ? ['Enter'] : ['Mod+Enter', 'Mod+Enter']));
                    $expected[] = "      Deep {$deep}";
                }
                // Back out to the parent and on beside it.
                $browser->keys($i === 1 ? 'ArrowRight' : 'ArrowLeft', 'Enter');
            }
        }
        // The empty topic begun last goes again by itself.
        $browser->keys('Escape', 'Home');
        $browser->waitUntil(fn (): bool => count($browser->outline()) === count($expected), 'the outline to be complete');
        expect($browser->outline())->toBe($expected);
        if ($i < 2) {
            $browser->keys('Tab');
        }
    }
    expect(count($expected))->toBe(40);
    $browser->saved();
    $id = basename(parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH));
    expect(substr_count(Studio::server()->artisan('map:export', $id, '--to=md'), "\n"))->toBeGreaterThan(40)
        ->and(trim(Studio::server()->artisan('map:export', $id, '--to=txt')))->toBe(implode("\n", array_map(fn (string $line): string => str_repeat("\t", (strlen($line) - strlen(ltrim($line))) / 2).ltrim($line), $expected)));
    expect($browser->complaints())->toBe([]);
});

it('loses no character while the server takes half a second for every answer', function () {
    $server = new TestServer(['CHALK_DELAY' => '500']);
    $browser = new Browser($server->address);
    try {
        $browser->enterDemo()->newMap();
        $browser->type('Slow water')->keys('Tab');
        $words = ['first thought', 'second thought', 'a third, longer thought', 'fourth'];
        foreach ($words as $i => $word) {
            $browser->type($word)->keys($i === 1 ? 'Tab' : 'Enter');
        }
        $browser->type('and typed on')->keys('Mod+Enter');
        $browser->saved();
        expect($browser->outline())->toBe(['Slow water', '  first thought', '  second thought', '    a third, longer thought', '    fourth', '    and typed on']);
        $browser->visit(parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))->ready();
        expect($browser->outline())->toBe(['Slow water', '  first thought', '  second thought', '    a third, longer thought', '    fourth', '    and typed on']);
    } finally {
        $browser->quit();
        $server->stop();
    }
});

it('opens the editor where the topic will be, at once', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Root')->keys('Tab');
    // Offline, so that nothing but the browser's own guess can have put it there.
    $browser->type('First')->keys('Mod+Enter')->saved()->offline(true);
    $browser->keys('Enter');
    $editor = $browser->script('const e = document.querySelector(".typing-slip"), r = e.getBoundingClientRect(); return {x: r.x, focused: e.contains(document.activeElement)}');
    $browser->type('Second')->keys('Mod+Enter');
    usleep(300_000);
    $guess = $browser->boxOf('Second');
    $browser->offline(false)->script('window.dispatchEvent(new Event("online"))');
    $browser->saved();
    usleep(400_000);
    $real = $browser->boxOf('Second');
    expect($editor['focused'])->toBeTrue()
        ->and(abs($guess['x'] - $real['x']))->toBeLessThan(4)
        ->and(abs($guess['w'] - $real['w']))->toBeLessThan(4);
});

it('keeps a title in view, frame by frame, while the next one begins', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Root')->keys('Tab')->type('A harbour of many boats');
    $browser->script(<<<'JS'
        window.seen = []
        const look = () => {
            window.seen.push(document.querySelector('.board').innerText.includes('many boats') || [...document.querySelectorAll('.board .slip')].some((slip) => slip.textContent.includes('many boats')))
            window.looking = requestAnimationFrame(look)
        }
        look()
        JS);
    $browser->keys('Enter');
    $browser->type('next')->saved();
    usleep(300_000);
    $seen = (array) $browser->script('cancelAnimationFrame(window.looking); return window.seen');
    expect(count($seen))->toBeGreaterThan(5)
        ->and(in_array(false, $seen, true))->toBeFalse()
        ->and($browser->script('return [document.querySelectorAll(".still").length, document.querySelectorAll(".title-editor").length]'))->toBe([0, 1]);
});

it('goes about and moves among topics that the server has not drawn yet', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Root')->keys('Tab')->type('Harbour')->keys('Tab');
    $browser->delayed(1500);
    foreach (['Crane', 'Rope', 'Buoy', 'Net', 'Oar'] as $title) {
        $browser->type($title)->keys('Enter');
    }
    $browser->type('Anchor')->keys('Mod+Enter');
    $chosen = fn (): string => (string) $browser->script('return [...document.querySelectorAll(".line.chosen .text")].map((line) => line.textContent).join()');
    $steps = [];
    foreach (['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight', 'ArrowLeft', 'ArrowLeft'] as $key) {
        $browser->keys($key);
        $steps[] = $chosen();
    }
    expect($steps[0])->toBe('Oar')->and($steps[1])->toBe('Anchor')->and($steps[2])->toBe('Harbour')
        ->and($steps[4])->toBe('Harbour')->and($steps[5])->toBe('Root');
    $browser->keys('ArrowRight', 'Alt+s')->delayed(0)->saved();
    $browser->waitUntil(fn (): bool => $browser->boxOf('Harbour')['x'] < $browser->boxOf('Root')['x'], 'the branch to be on the other side');
});

it('knows which way a branch grows that the server has not drawn yet', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Root')->keys('Tab')->type('Route')->keys('Tab')->type('Pier')->keys('Mod+Enter')->saved();
    $browser->delayed(1500)->keys('Home', 'Tab')->type('Food')->keys('Tab')->type('Bread')->keys('Tab')->type('Crust')->keys('Mod+Enter');
    $chosen = fn (): string => (string) $browser->script('return [...document.querySelectorAll(".line.chosen .text")].map((line) => line.textContent).join()');
    $steps = [];
    // It comes to stand on the left, so out is to the right.
    foreach (['ArrowRight', 'ArrowRight', 'ArrowLeft', 'ArrowLeft'] as $key) {
        $browser->keys($key);
        $steps[] = $chosen();
    }
    expect($steps)->toBe(['Bread', 'Food', 'Bread', 'Crust']);
    $browser->delayed(0)->saved();
    $browser->waitUntil(fn (): bool => $browser->boxOf('Crust')['x'] < $browser->boxOf('Food')['x'], 'the branch to be drawn on the left');
});

it('leaves who has gone on to another topic there, when an edit is answered late', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Root')->keys('Tab')->type('Harbour')->keys('Enter')->type('Quay')->keys('Mod+Enter')->saved();
    $browser->keys('Alt+1')->waitUntil(fn (): bool => ! $browser->has('.board'), 'the outline alone');
    $chosen = fn (): string => (string) $browser->script('return [...document.querySelectorAll(".line.chosen .text")].map((line) => line.textContent).join()');
    $browser->delayed(900)->keys('Alt+w', 'ArrowUp');
    expect($chosen())->toBe('Harbour');
    $browser->saved()->delayed(0);
    usleep(300_000);
    expect($chosen())->toBe('Harbour')->and($browser->has('.title-editor'))->toBeFalse()
        ->and($browser->outline())->toBe(['Root', '  Harbour', '  Untitled', '    Quay']);
    // Whoever waits goes on in the new parent.
    $browser->keys('ArrowDown', 'ArrowDown', 'Alt+w')->waitFor('.title-editor')->type('Piers')->keys('Mod+Enter')->saved();
    expect($browser->outline())->toBe(['Root', '  Harbour', '  Untitled', '    Piers', '      Quay']);
    $browser->keys('Alt+2');
});

it('formats as one types, keeps Markdown, and shows it drawn', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Plain ')->keys('Mod+b')->type('bold')->keys('Mod+b')->type(' a_b_c 2 * 3 ')->keys('Mod+i')->type('slanted')->keys('Mod+i', 'Shift+Enter')->type('second line <b>');
    $browser->keys('Mod+Enter')->saved();
    $map = json_decode(Studio::server()->artisan('map:show', basename(parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))), true);
    expect($map['topics'][0]['title'])->toBe("Plain **bold** a_b_c 2 \\* 3 *slanted*\nsecond line \\<b>");
    $parts = $browser->script('return [...document.querySelectorAll(".slip tspan")].map(t => [t.textContent, getComputedStyle(t).fontStyle])');
    expect($parts)->toContain(['slanted', 'italic']);
    // Opened again it is just as it was, and leaving it changes nothing.
    $browser->keys('F2', 'End')->type('!')->keys('Mod+Enter')->saved();
    $map = json_decode(Studio::server()->artisan('map:show', $map['title'] ?? basename(parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))), true);
    expect($map['topics'][0]['title'])->toBe("Plain **bold** a_b_c 2 \\* 3 *slanted*\nsecond line \\<b>!");
});

it('replaces a title when one types on a chosen topic, and leaves it on Escape', function () {
    $browser = Studio::browser()->newMap();
    $browser->type('Before')->keys('Mod+Enter')->type('After')->keys('Mod+Enter')->saved();
    expect($browser->outline())->toBe(['After']);
    $browser->type('Nothing')->keys('Escape');
    expect($browser->outline())->toBe(['After']);
});

it('pastes plain text as one topic', function () {
    $browser = Studio::browser()->newMap();
    $browser->script('const d = new DataTransfer(); d.setData("text/plain", "one\ntwo *three*\n"); document.querySelector(".title-editor").dispatchEvent(new ClipboardEvent("paste", {clipboardData: d, bubbles: true, cancelable: true}))');
    $browser->keys('Mod+Enter')->saved();
    expect($browser->outline())->toBe(['one two *three*']);
});

it('draws fifty awkward titles without a letter outside its box', function () {
    $titles = [
        '', ' ', 'i', 'WWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWW', str_repeat('iiii', 40), 'Donaudampfschifffahrtsgesellschaftskapitänsmützenabzeichen',
        '灯笼节的晚上我们沿着港口走到旧船台', '提灯祭りの夜、みんなで港まで歩きます。', 'カタカナとひらがなと漢字', '등불 축제의 밤에 우리는 항구까지 걷는다',
        'ليلة الفوانيس في الميناء القديم', 'ערב הפנסים בנמל הישן', 'שלום world عالم mixed', 'Праздник фонарей в старой гавани', 'Φεστιβάλ φαναριών στο παλιό λιμάνι',
        'โคมไฟในท่าเรือเก่ายามค่ำคืน', 'बंदरगाह में लालटेन की रात', 'লণ্ঠনের রাত', 'தீப விழா துறைமுகம்', 'Հին նավահանգստի լապտերները', 'ძველი ნავსადგურის ფარნები',
        '🏮🏮🏮🏮🏮🏮🏮🏮🏮🏮🏮🏮🏮🏮🏮🏮🏮🏮🏮🏮', '👩‍👩‍👧‍👦 family 🏳️‍🌈 flag', '👍🏽👍🏿✊🏻', '🇳🇴🇩🇪🇯🇵', "e\u{301}e\u{308}o\u{323}\u{302} combining", 'Z̷̢̛a̴̧͝l̵̡͘g̶̢͝o̸̧͠',
        '**bold** *italic* ***both*** ~~gone~~ `code`', '<u>under</u> and [a link](https://saltmere.example/very/long/address/that/goes/on)', '`a code span that is long enough to wrap over the line at least once`',
        "line one\nline two\n\nline four", "tab\tand  double  spaces", 'trailing space ', ' leading', 'a-b-c-d-e-f-g-h-i-j-k-l-m-n-o-p-q-r-s-t-u-v-w-x-y-z-a-b-c',
        'https://harbour.saltmere.example/a/very/long/address/without/any/spaces/in/it.html', '½ ¾ € £ ¥ § ¶ • … — – “ ” ‘ ’', '∑ ∫ √ ∞ ≠ ≤ ≥ ← → ↑ ↓', '①②③④⑤⑥⑦⑧⑨⑩', '𝔘𝔫𝔦𝔠𝔬𝔡𝔢 𝓼𝓬𝓻𝓲𝓹𝓽', "zero\u{200b}width\u{200d}joiner\u{feff}", 'ﬁ ﬂ ﬀ ligatures fi fl ff ffi',
        'AV To WA Ty kerning pairs AVAVAVAVAVAVAV', 'ÅÄÖåäö ÆØæø Łódź Çedilla Ñandú', 'Việt Nam có nhiều dấu thanh', 'İstanbul ığüşöç', '文字とlatin混在のtitleです、はい。', '（全角）ＦＵＬＬＷＩＤＴＨ', 'ᚠᚢᚦᚨᚱᚲ', '።ሰላም',
        '<script>alert(1)</script>', '&amp; &lt; "quotes" \'single\'',
    ];
    $server = Studio::server();
    $file = tempnam(sys_get_temp_dir(), 'awkward');
    $root = '01m0000000000000000000000a';
    $topics = [['id' => $root, 'parent' => null, 'title' => 'Awkward']];
    foreach ($titles as $i => $title) {
        $topics[] = ['id' => sprintf('01m000000000000000000001%02d', $i), 'parent' => $root, 'title' => $title];
        $topics[] = ['id' => sprintf('01m000000000000000000002%02d', $i), 'parent' => sprintf('01m000000000000000000001%02d', $i), 'title' => $title, 'caption' => trim($title)];
    }
    file_put_contents($file, json_encode(['format' => 'chalk-tree-map', 'version' => 1, 'title' => 'Awkward', 'arrangement' => 'rightward', 'root' => $root, 'topics' => $topics]));
    $id = trim($server->artisan('map:import', $file, '--format=json'));
    $browser = Studio::browser();
    $browser->size(2600, 4000)->visit("/maps/{$id}")->ready();
    $browser->waitUntil(fn (): bool => $browser->count('.slip') === count($topics), 'all topics to be drawn');
    $browser->script('return document.fonts.ready.then(() => 1)');
    $result = $browser->script(<<<'JS'
        const out = []; let texts = 0
        const scale = document.querySelector('.layer svg').getScreenCTM().a
        for (const slip of document.querySelectorAll('.slip')) {
            const box = slip.querySelector('.paper').getBoundingClientRect()
            for (const span of slip.querySelectorAll('tspan')) {
                if (span.textContent.trim() === '') continue
                texts++
                const n = span.getNumberOfChars(), m = span.getScreenCTM(); let left = Infinity, right = -Infinity
                for (let i = 0; i < n; i++) {
                    for (const p of [span.getStartPositionOfChar(i), span.getEndPositionOfChar(i)]) { left = Math.min(left, p.x * m.a + m.e); right = Math.max(right, p.x * m.a + m.e) }
                }
                if (left < box.left - scale || right > box.right + scale) out.push([span.textContent, box.left - left, right - box.right])
            }
        }
        return {out, texts}
        JS);
    expect($result['texts'])->toBeGreaterThan(120)->and($result['out'])->toBe([]);
    unlink($file);
});

it('takes thirty letters a second, also when answers are late, and loses none', function (int $delay) {
    $browser = Studio::browser()->newMap()->type('Plan')->keys('Mod+Enter')->saved()->delayed($delay);
    try {
        $next = microtime(true);
        foreach (mb_str_split("\tlantern\npaper and willow\nferry\n\tcrew\nropes\n") as $letter) {
            $browser->stroke($letter);
            $next += 1 / 30;
            usleep(max(0, (int) (($next - microtime(true)) * 1e6)));
        }
        $browser->keys('Mod+Enter')->saved();
    } finally {
        $browser->delayed(0);
    }
    expect($browser->outline())->toBe(['Plan', '  lantern', '  paper and willow', '  ferry', '    crew', '    ropes']);
})->with([0, 500]);

it('goes below the one just typed by Enter and Tab, whether the server has given the new one its side or not', function (bool $waits) {
    $browser = Studio::browser()->newMap()->type('Plan')->keys('Tab')->type('lantern')->keys('Enter')->type('paper')->keys('Enter')->type('ferry')->keys('Enter');
    if ($waits) {
        $browser->saved();
    }
    $browser->keys('Tab')->type('crew')->keys('Mod+Enter')->saved();
    expect($browser->outline())->toBe(['Plan', '  lantern', '  paper', '  ferry', '    crew']);
})->with([true, false]);

it('takes what is composed with an input method', function () {
    $browser = Studio::browser()->newMap()->type('Plan')->keys('Mod+Enter')->saved()->keys('Tab');
    foreach (['と', 'とう', 'とうろ', 'とうろう', '灯籠'] as $part) {
        $browser->tools('Input.imeSetComposition', ['text' => $part, 'selectionStart' => mb_strlen($part), 'selectionEnd' => mb_strlen($part)]);
    }
    $browser->tools('Input.insertText', ['text' => '灯籠']);
    $browser->type(' 祭')->keys('Mod+Enter')->saved();
    expect($browser->outline())->toBe(['Plan', '  灯籠 祭']);
});
