<?php

declare(strict_types=1);

use App\Models\PublishedPage;
use App\Pictures\KeptPictures;
use App\Pictures\PictureBytes;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;
use ChalkTree\Picture\PictureFile;
use Illuminate\Support\Facades\Artisan;
use Symfony\Component\Process\Process;
use Tests\Support\Photos;

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove, new TopicDraft('Boats "& <b>', children: [
        new TopicDraft('Hull', 'of oak', 'Laid down in **spring**.', [new TopicDraft('Keel')]),
        new TopicDraft('Mast'),
    ]));
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'crosslink', 'row' => Ids::next(), 'fields' => ['from' => $this->id($this->map, 'Hull'), 'to' => $this->id($this->map, 'Mast'), 'phrase' => 'carries']]])->assertOk();
    $this->file = fn (string $query): string => (string) $this->get("/api/maps/{$this->map->id}/export?{$query}")->assertOk()->getContent();
});

/** @return list<string> */
function textOfPages(string $pdf): array
{
    return explode("\f", rtrim((new Process(['pdftotext', '-layout', '-', '-'], input: $pdf))->mustRun()->getOutput(), "\f"));
}

/** @return list<array{int, int}> width and height of each page, points */
function sizesOfPages(string $pdf): array
{
    preg_match_all('/^Page\s+\d+ size:\s+([\d.]+) x ([\d.]+) pts/m', (new Process(['pdfinfo', '-l', '-1', '-'], input: $pdf))->mustRun()->getOutput(), $m, PREG_SET_ORDER);

    return array_map(fn (array $one): array => [(int) round((float) $one[1]), (int) round((float) $one[2])], $m);
}

it('prints real text on paper of the size that was chosen, turned as was said', function () {
    expect(sizesOfPages(($this->file)('to=print&upright=1')))->toBe([[595, 842]])
        ->and(sizesOfPages(($this->file)('to=print&landscape=1&paper=a3')))->toBe([[1191, 842]])
        ->and(sizesOfPages(($this->file)('to=print&landscape=1&paper=letter')))->toBe([[792, 612]])
        ->and(sizesOfPages(($this->file)('to=print&columns=2&rows=2&upright=1&noPlan=1')))->toBe(array_fill(0, 4, [595, 842]));
    $pages = textOfPages(($this->file)('to=print&byline='.rawurlencode('Wren </text> "5b"')));
    expect($pages)->toHaveCount(1)->and($pages[0])->toContain('Keel')->toContain('Wren </text> "5b"')->toContain('Boats "& <b>')->toContain((string) now()->year);
    expect(textOfPages(($this->file)('to=print&noMapName=1&noDate=1&noSheetNumber=1'))[0])->not->toContain((string) now()->year);
});

it('adds outline, notes and sentences as further pages, numbered on, with the same line at their foot', function () {
    $pages = textOfPages(($this->file)('to=print&columns=2&rows=1&outline=1&notes=1&sentences=1&byline='.rawurlencode('Wren "\\\\ <i>')));
    // The plan, two sheets, the outline with its notes, the sentences.
    expect($pages)->toHaveCount(5)->and($pages[0])->toContain('2 sheets')->and($pages[3])->toContain('Laid down in spring.')->toContain('Wren "')->and($pages[4])->toContain('Hull carries Mast');
    preg_match('/(\d+)\s*$/', trim($pages[4]), $m);
    expect($m[1])->toBe('4');
    $notes = textOfPages(($this->file)('to=print&notes=1'));
    expect($notes)->toHaveCount(2)->and($notes[1])->toContain('Hull')->toContain('Laid down')->not->toContain('Mast');
    expect(textOfPages(($this->file)('to=print&outline=1'))[1])->toContain('Mast')->not->toContain('Laid down');
});

it('makes worksheets in which no answer is but in the key, which is the last page, or left out', function () {
    $keel = $this->id($this->map, 'Keel');
    $pages = textOfPages(($this->file)("to=print&gapTopics=1&gapPhrases=1&gaps={$keel}&outline=1"));
    expect($pages)->toHaveCount(3)->and($pages[0])->not->toContain('Keel')->not->toContain('carries')->and($pages[1])->not->toContain('Keel')->and($pages[2])->toContain('Keel')->toContain('carries');
    $bare = ($this->file)("to=sheets&gapTopics=1&gaps={$keel}&noKey=1");
    expect($bare)->not->toContain('Keel')->toContain('____')->toContain('Mast');
    // Only prints have gaps.
    expect(($this->file)("to=svg&gapTopics=1&gaps={$keel}"))->toContain('Keel');
});

it('writes the same sheets for the browser’s own printing, as a page that does nothing and loads nothing', function () {
    $html = ($this->file)('to=sheets&columns=2&rows=2&outline=1');
    expect(substr_count($html, '<section class="sheet">'))->toBe(5)->and(substr_count($html, '<section class="text">'))->toBe(1)
        ->and($html)->not->toContain('<script')->not->toMatch('/\b(src|href)="(?!#|data:)/')->and(substr_count($html, '@font-face'))->toBeLessThan(10);
    $document = new DOMDocument;
    @$document->loadHTML($html);
    expect($document->getElementsByTagName('title')->item(0)?->textContent)->toBe('Boats "& <b>');
});

it('makes pictures as wide as they were wanted, which say how large they are on paper', function () {
    $png = ($this->file)('to=png&millimetres=100&dpi=200');
    // Pixels a metre, in the chunk pHYs.
    expect(getimagesizefromstring($png)[0])->toBe(787)->and(unpack('N', substr($png, (int) strpos($png, 'pHYs') + 4, 4))[1])->toBe(7874);
    $jpeg = ($this->file)('to=jpg&width=640&dpi=150');
    expect(array_slice((array) getimagesizefromstring($jpeg), 0, 1))->toBe([640])->and(getimagesizefromstring($jpeg)['mime'])->toBe('image/jpeg')
        ->and(substr($jpeg, 6, 4))->toBe('JFIF')->and(unpack('n', substr($jpeg, 14, 2))[1])->toBe(150);
    expect(imagecreatefromstring($jpeg))->not->toBeFalse()->and(imagecreatefromstring($png))->not->toBeFalse();
    expect(sizesOfPages(($this->file)('to=drawing&millimetres=254'))[0][0])->toBe(720)->and(textOfPages(($this->file)('to=drawing'))[0])->toContain('Keel');
    expect(($this->file)('to=svg&millimetres=120'))->toContain('width="120mm"')->and(($this->file)('to=svg&width=300'))->toContain('width="300"');
    // Without its ground what is around the drawing lets everything through.
    $alpha = fn (string $png): int => imagecolorat(imagecreatefromstring($png), 0, 0) >> 24 & 0x7F;
    expect($alpha(($this->file)('to=png&width=200&bare=1')))->toBe(127)->and($alpha(($this->file)('to=png&width=200')))->toBe(0);
});

it('draws the area that was marked out, also when what stood beside it is private', function () {
    $keel = $this->id($this->map, 'Keel');
    $area = "what=area&at={$keel}&left=-60&top=-30&wide=120&high=60";
    $svg = ($this->file)("to=svg&{$area}");
    preg_match('/viewBox="([^"]+)"/', $svg, $m);
    [, , $w, $h] = explode(' ', $m[1]);
    expect([(float) $w, (float) $h])->toBe([120.0, 60.0])->and($svg)->toContain('width="120"');
    $where = fn (): string => preg_match('/viewBox="([^"]+)"/', ($this->file)("to=svg&{$area}"), $m) === 1 ? $m[1] : '';
    $before = $where();
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'private', 'topics' => [$this->id($this->map, 'Mast')], 'fields' => ['held' => true]]])->assertOk();
    // It goes along with its topic.
    expect($where())->not->toBe('')->and(($this->file)("to=svg&{$area}"))->toContain('Keel');
    expect($before)->not->toBe('');
    // Of a topic that is private or gone: all of it.
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'private', 'topics' => [$keel], 'fields' => ['held' => true]]])->assertOk();
    expect(($this->file)("to=svg&{$area}"))->toContain('Hull')->not->toContain('Keel')->not->toContain('width="120"');
});

it('tells beforehand how large it will be, and whether it can be read', function () {
    $plan = fn (string $query): array => $this->getJson("/api/maps/{$this->map->id}/plan?{$query}")->assertOk()->json();
    expect($plan('to=png&width=3000'))->toMatchArray(['width' => 3000, 'unit' => 'pixels', 'isSmall' => false, 'isBounded' => false, 'sheets' => 0])
        ->and($plan('to=png&width=60'))->toMatchArray(['isSmall' => true])
        ->and($plan('to=jpg&millimetres=20&dpi=300'))->toMatchArray(['unit' => 'points', 'isSmall' => true])
        ->and($plan('to=png&width=32000')['isBounded'])->toBeTrue()
        ->and($plan('to=print&columns=3&rows=3'))->toMatchArray(['sheets' => 9, 'columns' => 3, 'rows' => 3, 'unit' => 'points'])
        ->and($plan('to=print&points=12')['type'])->toEqual(12)
        ->and($plan('to=print&gapPhrases=1')['gaps'])->toBe(1);
    $this->getJson("/api/maps/{$this->map->id}/plan?to=docx")->assertUnprocessable()->assertJson(['field' => 'to']);
    $this->getJson("/api/maps/{$this->map->id}/plan?to=print&points=3")->assertUnprocessable()->assertJson(['field' => 'points']);
    $this->getJson("/api/maps/{$this->map->id}/plan?to=print&columns=21")->assertUnprocessable();
    $this->getJson("/api/maps/{$this->map->id}/plan?to=png&on=pink")->assertUnprocessable();
    $this->getJson("/api/maps/{$this->map->id}/plan?to=png&left=1e9")->assertUnprocessable();
    $wide = $this->mapOf($this->tove, new TopicDraft('Wide', children: array_map(fn (int $n): TopicDraft => new TopicDraft("Topic {$n}"), range(1, 400))));
    $this->getJson("/api/maps/{$wide->id}/plan?to=print&points=90")->assertUnprocessable()->assertJson(['field' => 'points']);
    $this->flushSession();
    $this->actingAs($this->person('ines@saltmere.example'));
    $this->getJson("/api/maps/{$this->map->id}/plan?to=png")->assertNotFound();
});

it('hands prints and pictures over while one waits, named by what they are', function (string $to, string $ending, string $begins) {
    $made = $this->postJson("/api/maps/{$this->map->id}/handovers", ['to' => $to, 'choices' => ['columns' => 2], 'topic' => null, 'chosen' => [], 'gaps' => [], 'board' => 'day'])->assertCreated()->json();
    expect($made['state'])->toBe('done')->and($made['pages'])->toBe($to === 'print' ? 3 : ($to === 'drawing' ? 1 : 0));
    $file = $this->get("/api/handovers/{$made['id']}/file")->assertOk();
    expect($file->headers->get('Content-Disposition'))->toContain(".{$ending}")->and(substr((string) file_get_contents($file->baseResponse->getFile()->getPathname()), 0, strlen($begins)))->toBe($begins);
})->with([['print', 'pdf', '%PDF-'], ['drawing', 'pdf', '%PDF-'], ['jpg', 'jpg', "\xFF\xD8\xFF"], ['png', 'png', "\x89PNG"], ['sheets', 'html', '<!DOCTYPE html>']]);

it('prints and publishes on the command line', function () {
    $out = (string) tempnam(sys_get_temp_dir(), 'print');
    $run = fn (array $said): int => Artisan::call('map:export', ['id' => $this->map->id, '--out' => $out, '--owner' => $this->tove->email] + $said);
    expect($run(['--to' => 'print', '--columns' => '2', '--rows' => '2', '--byline' => 'Wren', '--no-plan' => true]))->toBe(0)->and(textOfPages((string) file_get_contents($out)))->toHaveCount(4);
    $run(['--to' => 'print', '--gap-topics' => true, '--gaps' => $this->id($this->map, 'Keel')]);
    expect(textOfPages((string) file_get_contents($out))[1])->toContain('Keel');
    $run(['--to' => 'png', '--millimetres' => '50', '--dpi' => '100', '--on' => 'ink', '--bare' => true]);
    expect(getimagesize($out)[0])->toBe(197);
    unlink($out);
    $publish = fn (array $said): string => (function () use ($said): string {
        expect(Artisan::call('map:publish', ['id' => $this->map->id, '--owner' => $this->tove->email] + $said))->toBe(0);

        return trim(Artisan::output());
    })();
    $address = $publish(['--name' => 'For the site', '--set' => ['depth=1']]);
    $this->get((string) parse_url($address, PHP_URL_PATH))->assertOk()->assertSee('Mast')->assertDontSee('Keel');
    expect($publish(['--list' => true]))->toBe("{$address}\tFor the site\t1");
    $frozen = $publish(['--frozen' => true]);
    expect(PublishedPage::query()->whereNotNull('frozen')->count())->toBe(1)->and($publish(['--renew' => $frozen]))->toBe('');
    $publish(['--withdraw' => $address]);
    $this->get((string) parse_url($address, PHP_URL_PATH))->assertNotFound();
    expect(Artisan::call('map:publish', ['id' => $this->map->id, '--withdraw' => $address, '--owner' => $this->tove->email]))->toBe(1);
});

it('gives pictures in RTF a size for which a page has room', function () {
    $hash = app(KeptPictures::class)->add($this->map, PictureFile::read(Photos::jpeg(1500, 900)))->hash;
    $small = app(KeptPictures::class)->add($this->map, PictureFile::read(Photos::png(60, 40)))->hash;
    $set = fn (string $title, string $hash, int $wide, int $high): array => ['name' => 'row.set', 'type' => 'picture', 'topics' => [$this->id($this->map, $title)], 'fields' => ['source' => "file:{$hash}", 'wide' => $wide, 'high' => $high]];
    $this->sendEdits($this->map, [$set('Keel', $hash, 1500, 900), $set('Mast', $small, 60, 40), ['name' => 'topic.note', 'topics' => [$this->id($this->map, 'Hull')], 'note' => "![large](file:{$hash})"]])->assertOk();
    $rtf = ($this->file)('to=rtf');
    preg_match_all('/\\\\picwgoal(\d+)\\\\pichgoal(\d+)/', $rtf, $m);
    expect(substr_count($rtf, '{\pict'))->toBe(3)->and($m[1])->toHaveCount(3);
    // Twips: twenty of them are a point.
    foreach (array_map(null, $m[1], $m[2]) as [$wide, $high]) {
        expect((int) $wide)->toBeLessThanOrEqual(9_100)->toBeGreaterThan(300)->and((int) $high)->toBeLessThanOrEqual(12_400);
    }
});

it('says in files of pictures how many dots go to the inch, and leaves them whole', function () {
    [$png, $jpeg] = [Photos::png(30, 20), Photos::jpeg(30, 20)];
    [$said, $told] = [PictureBytes::pngAt($png, 300), PictureBytes::jpegAt($jpeg, 72)];
    expect(strlen($said))->toBe(strlen($png) + 21)->and(getimagesizefromstring($said)[0])->toBe(30)->and(imagecreatefromstring($said))->not->toBeFalse()
        ->and(unpack('N', substr($said, (int) strpos($said, 'pHYs') + 13, 4))[1])->toBe(crc32(substr($said, (int) strpos($said, 'pHYs'), 13)))
        ->and(getimagesizefromstring($told)[0])->toBe(30)->and(imagecreatefromstring($told))->not->toBeFalse();
});

it('numbers the pages of documents for word processors, on A4', function () {
    file_put_contents($file = (string) tempnam(sys_get_temp_dir(), 'docx'), ($this->file)('to=docx'));
    $zip = new ZipArchive;
    $zip->open($file);
    expect((string) $zip->getFromName('word/footer1.xml'))->toContain(' PAGE ')->and((string) $zip->getFromName('[Content_Types].xml'))->toContain('/word/footer1.xml');
    preg_match('/<w:footerReference[^>]* r:id="(\w+)"/', (string) $zip->getFromName('word/document.xml'), $m);
    expect((string) $zip->getFromName('word/_rels/document.xml.rels'))->toMatch("/Id=\"{$m[1]}\"[^>]*Target=\"footer1.xml\"|Target=\"footer1.xml\"[^>]*Id=\"{$m[1]}\"/")
        ->and((string) $zip->getFromName('word/document.xml'))->toContain('w:w="11906"');
    $zip->close();
    unlink($file);
});
