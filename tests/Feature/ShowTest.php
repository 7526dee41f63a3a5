<?php

declare(strict_types=1);

use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;
use ChalkTree\Show\Slide;
use Illuminate\Support\Facades\Artisan;
use Symfony\Component\Process\Process;
use Tests\Support\Sends;

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove, new TopicDraft('Tides', children: [
        new TopicDraft('Moon & stars <3', note: "It pulls.\n\n- twice a day", children: [new TopicDraft('New'), new TopicDraft('Full')]),
        new TopicDraft('Sun'),
        new TopicDraft('Shore', children: [new TopicDraft('Weed')]),
    ]));
    $this->make = fn (array ...$edits) => $this->sendEdits($this->map, $edits, $this->map->fresh()->seq)->assertOk();
    ($this->make)(['name' => 'deck.make', 'as' => $this->deck = Ids::next(), 'title' => 'Lesson one', 'of' => $this->map->root, 'inStep' => true]);
    $this->slides = fn (): array => $this->getJson("/api/maps/{$this->map->id}/decks/{$this->deck}")->assertOk()->json('slides');
    $this->export = function (string $to, array $with = []): string {
        $code = Artisan::call('map:export', ['id' => $this->map->id, '--to' => $to, '--out' => $out = tempnam(sys_get_temp_dir(), 'deck'), '--owner' => $this->tove->email] + $with);
        expect($code)->toBe(0, Artisan::output());
        $bytes = (string) file_get_contents($out);
        unlink($out);

        return $bytes;
    };
});

/** @return array<string, string> what is in an archive, by name */
function unzipped(string $bytes): array
{
    file_put_contents($file = tempnam(sys_get_temp_dir(), 'zip'), $bytes);
    $zip = new ZipArchive;
    expect($zip->open($file))->toBeTrue();
    $all = [];
    for ($i = 0; $i < $zip->numFiles; $i++) {
        $all[(string) $zip->getNameIndex($i)] = (string) $zip->getFromIndex($i);
    }
    $zip->close();
    unlink($file);

    return $all;
}

function pdfPages(string $bytes): int
{
    file_put_contents($file = tempnam(sys_get_temp_dir(), 'pdf'), $bytes);
    $told = (new Process(['pdfinfo', $file]))->mustRun()->getOutput();
    unlink($file);

    return preg_match('/^Pages:\s+(\d+)/m', $told, $m) === 1 ? (int) $m[1] : 0;
}

it('tells what is on a deck, in the shape that was agreed on', function () {
    $answer = $this->getJson("/api/maps/{$this->map->id}/decks/{$this->deck}")->assertOk();
    expectShape('ShownDeck', json_decode($answer->getContent()));
    $moon = $answer->json('slides.0');
    expect(array_column($answer->json('slides'), 'title'))->toBe(['Moon & stars <3', 'Sun', 'Shore'])
        ->and($moon['notes'])->toBe([['text' => 'It pulls.', 'indent' => 0, 'bold' => false], ['text' => '– twice a day', 'indent' => 1, 'bold' => false]])
        ->and(array_column($moon['topics'], 'title'))->toBe(['Moon & stars <3', 'New', 'Full'])->and($moon['isOwn'])->toBeFalse();
});

it('draws a slide in each way, wider than its frame, and never a title as markup', function () {
    $slide = ($this->slides)()[0]['id'];
    $at = "/api/maps/{$this->map->id}/decks/{$this->deck}/slides/{$slide}";
    foreach (['only' => ['New'], 'trail' => ['New', 'Tides'], 'all' => ['New', 'Tides', 'Weed']] as $way => $titles) {
        $answer = $this->getJson("{$at}?way={$way}")->assertOk();
        expectShape('SlideDrawing', json_decode($answer->getContent()));
        expect(array_filter(['New', 'Tides', 'Weed'], fn (string $title): bool => str_contains($answer->json('svg'), ">{$title}<")))->toEqualCanonicalizing($titles);
        [[$x, $y, $w, $h], [$fx, $fy, $fw, $fh]] = [$answer->json('region'), $answer->json('frame')];
        expect($x <= $fx && $y <= $fy && $x + $w >= $fx + $fw && $y + $h >= $fy + $fh)->toBeTrue()->and($answer->json('svg'))->not->toContain('<3')->toContain('&lt;3');
    }
    expectShape('Afar', json_decode($this->getJson("{$at}/afar?way=all")->assertOk()->getContent()));
    $picture = $this->get("{$at}/picture?board=slate&at=3")->assertOk();
    expect($picture->headers->get('Content-Type'))->toBe('image/svg+xml')->and($picture->headers->get('Content-Security-Policy'))->toContain("default-src 'none'")
        ->and(simplexml_load_string($picture->getContent()))->not->toBeFalse();
});

it('answers with what is now, as soon as the map or the slide has changed', function () {
    $slide = ($this->slides)()[1]['id'];
    $at = "/api/maps/{$this->map->id}/decks/{$this->deck}/slides/{$slide}";
    $this->getJson($at)->assertOk();
    ($this->make)(['name' => 'topic.retitle', 'topic' => $this->id($this->map, 'Sun'), 'title' => 'Star']);
    expect($this->getJson($at)->json('svg'))->toContain('>Star<')->not->toContain('>Sun<')->and($this->get("{$at}/picture")->getContent())->toContain('>Star<');
    ($this->make)(['name' => 'row.set', 'type' => 'slide', 'row' => $slide, 'fields' => ['way' => 'all', 'dim' => 40]]);
    expect($this->getJson($at)->json('svg'))->toContain('fill-opacity="0.4"')->and(($this->slides)()[1]['dim'])->toBe(40);
});

it('lets nobody else in, and knows no slide of another deck or map', function () {
    $slide = ($this->slides)()[0]['id'];
    ($this->make)(['name' => 'deck.make', 'as' => $other = Ids::next(), 'title' => 'Other']);
    foreach (['', '/afar', '/picture'] as $part) {
        // Pictures are asked for many at once, and one may be gone by then.
        $none = $part === '/picture' ? 204 : 404;
        $this->getJson("/api/maps/{$this->map->id}/decks/{$other}/slides/{$slide}{$part}")->assertStatus($none);
        $this->getJson("/api/maps/{$this->map->id}/decks/{$this->deck}/slides/".Ids::next().$part)->assertStatus($none);
        $this->getJson("/api/maps/{$this->map->id}/decks/{$this->deck}/slides/{$slide}{$part}?way=sideways")->assertUnprocessable();
    }
    $this->getJson("/api/maps/{$this->map->id}/decks/".Ids::next())->assertNotFound();
    $this->flushSession();
    $this->actingAs($this->person('ines@saltmere.example'));
    foreach (['', "/slides/{$slide}", "/slides/{$slide}/afar", "/slides/{$slide}/picture"] as $part) {
        $this->getJson("/api/maps/{$this->map->id}/decks/{$this->deck}{$part}")->assertNotFound();
    }
});

it('tells what can be opened on a slide: films, pictures, pages', function () {
    $film = Sends::kept($this->map, "\x00\x00\x00\x18ftypmp42 a film");
    ($this->make)(
        ['name' => 'row.set', 'type' => 'file', 'row' => Ids::next(), 'fields' => ['at' => $this->id($this->map, 'Full'), 'source' => "file:{$film->hash}", 'name' => 'The basin.mp4', 'bytes' => $film->bytes]],
        ['name' => 'row.set', 'type' => 'link', 'row' => Ids::next(), 'fields' => ['at' => $this->id($this->map, 'Weed'), 'to' => 'https://saltmere.example/weed', 'title' => 'Weeds']],
        ['name' => 'row.set', 'type' => 'link', 'row' => Ids::next(), 'fields' => ['at' => $this->id($this->map, 'Weed'), 'to' => 'mailto:tove@saltmere.example', 'title' => 'Ask']],
    );
    $opens = array_column(($this->slides)(), 'opens');
    expect(array_map(fn (array $its): array => array_map(fn (array $one): string => "{$one['sort']} {$one['title']}", $its), $opens))->toBe([['film The basin.mp4'], [], ['page Weeds']]);
    $page = ($this->export)('slides-html');
    expect($page)->toContain('data:video/mp4;base64,'.base64_encode("\x00\x00\x00\x18ftypmp42 a film"))->toContain('https://saltmere.example/weed');
});

it('makes slides for office suites: true titles, true lists, a drawing, notes', function () {
    ($this->make)(['name' => 'row.set', 'type' => 'slide', 'row' => ($this->slides)()[1]['id'], 'fields' => ['title' => 'Heat "and" light']]);
    $parts = unzipped(($this->export)('pptx', ['--deck' => 'lesson ONE']));
    $slides = array_filter($parts, fn (string $name): bool => preg_match('~^ppt/slides/slide\d+\.xml$~', $name) === 1, ARRAY_FILTER_USE_KEY);
    expect($slides)->toHaveCount(3)->and(array_filter(array_keys($parts), fn (string $name): bool => str_ends_with($name, '.png')))->toHaveCount(3);
    foreach ($slides as $xml) {
        expect(simplexml_load_string($xml))->not->toBeFalse()->and($xml)->toContain('type="title"');
    }
    expect($parts['ppt/slides/slide1.xml'])->toContain('Moon &amp; stars &lt;3', '<a:t>New</a:t>', '<a:t>Full</a:t>', 'descr="Drawing of “Moon &amp; stars &lt;3”"')
        ->and(implode('', array_filter($parts, fn (string $name): bool => str_contains($name, 'notesSlides/notesSlide1'), ARRAY_FILTER_USE_KEY)))->toContain('It pulls.', '– twice a day')
        ->and($parts['ppt/theme/theme1.xml'])->toContain('Atkinson Hyperlegible')->and($parts['ppt/slides/slide2.xml'])->toContain('Heat &quot;and&quot; light');
});

it('makes pages: a slide each, with what is said, or several', function () {
    expect(pdfPages(($this->export)('slides-pdf')))->toBe(3)->and(pdfPages(($this->export)('slides-pdf', ['--notes' => true])))->toBe(3)->and(pdfPages(($this->export)('slides-pdf', ['--per' => '2'])))->toBe(2);
    $told = (new Process(['pdftotext', '-', '-'], input: ($this->export)('slides-pdf', ['--notes' => true])))->mustRun()->getOutput();
    expect($told)->toContain('It pulls.', 'twice a day', 'Weed')->toMatch('~1 ?/ ?3~');
});

it('makes numbered pictures of any width, called as the slides are', function () {
    $parts = unzipped(($this->export)('slides-png', ['--width' => '640']));
    expect(array_keys($parts))->toBe(['01 Moon stars 3.png', '02 Sun.png', '03 Shore.png']);
    foreach ($parts as $picture) {
        expect(array_slice((array) getimagesizefromstring($picture), 0, 2))->toBe([640, 360]);
    }
});

it('makes a page that holds all it needs and runs nothing of what a map says', function () {
    ($this->make)(['name' => 'topic.retitle', 'topic' => $this->id($this->map, 'Sun'), 'title' => '</script><script>alert(1)</script>']);
    $page = ($this->export)('slides-html');
    expect(substr_count($page, '</script>'))->toBe(2)->and($page)->not->toContain('alert(1)</script>')->and($page)->toContain("default-src 'none'")
        ->and(preg_match_all('~(?:src|href)=["\'](?:https?:)?//~', $page))->toBe(0);
    expect(preg_match('~<script type="application/json" id="deck">(.*?)</script>~s', $page, $m))->toBe(1);
    $held = json_decode($m[1], true, 512, JSON_THROW_ON_ERROR);
    expect(array_column($held['deck']['slides'], 'title'))->toContain('</script><script>alert(1)</script>')->and($held['drawings'])->toHaveCount(3);
});

it('leaves out hidden slides, takes the first deck where none is named, makes one of a branch, and says which there are', function () {
    ($this->make)(['name' => 'row.set', 'type' => 'slide', 'row' => ($this->slides)()[1]['id'], 'fields' => ['hidden' => true]]);
    expect(array_keys(unzipped(($this->export)('slides-png', ['--width' => '160']))))->toBe(['01 Moon stars 3.png', '02 Shore.png']);
    expect(array_keys(unzipped(($this->export)('slides-png', ['--width' => '160', '--topic' => $this->id($this->map, 'Moon & stars <3')]))))->toBe(['01 New.png', '02 Full.png']);
    $this->getJson("/api/maps/{$this->map->id}/export?to=pptx&deck=Nothing")->assertUnprocessable()->assertJsonPath('field', 'deck')->assertJsonPath('message', 'This map has no deck called “Nothing”. It has: Lesson one.');
    foreach (($this->slides)() as $slide) {
        ($this->make)(['name' => 'row.set', 'type' => 'slide', 'row' => $slide['id'], 'fields' => ['hidden' => true]]);
    }
    $this->getJson("/api/maps/{$this->map->id}/export?to=pptx&deck={$this->deck}")->assertUnprocessable()->assertJsonPath('field', 'deck');
});

it('covers gaps in files only where the deck has them', function () {
    ($this->make)(['name' => 'slide.put', 'slide' => ($this->slides)()[0]['id'], 'topics' => [$this->id($this->map, 'Full')], 'how' => 'cover']);
    $text = fn (): string => (new Process(['pdftotext', '-', '-'], input: ($this->export)('slides-pdf')))->mustRun()->getOutput();
    expect($text())->toContain('Full');
    ($this->make)(['name' => 'row.set', 'type' => 'deck', 'row' => $this->deck, 'fields' => ['gaps' => true]]);
    expect($text())->not->toContain('Full')->toContain('New')->and(implode('', unzipped(($this->export)('pptx'))))->not->toContain('>Full<');
});

it('keeps decks in a copy of the map, which shows the same', function () {
    $copy = App\Models\MapRecord::query()->findOrFail($this->postJson("/api/maps/{$this->map->id}/duplicate")->assertCreated()->json('id'));
    $titles = fn ($map): array => collect($this->topics($map)->rowsOf(Slide::class))->map(fn (Slide $slide): string => $slide->titleIn($this->topics($map)))->sort()->values()->all();
    expect($titles($copy))->toBe($titles($this->map))->toHaveCount(3);
});
