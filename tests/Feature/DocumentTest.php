<?php

declare(strict_types=1);

use App\HandOver\DocumentFormat;
use App\HandOver\Documents;
use App\HandOver\DocumentsIn;
use App\Pictures\KeptPictures;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\HandOver\Selected;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Picture\PictureFile;
use ChalkTree\Picture\TopicPicture;
use Illuminate\Support\Facades\Artisan;
use Symfony\Component\Process\Process;
use Tests\Support\Chance;
use Tests\Support\Photos;
use Tests\Support\RandomMaps;
use Tests\Support\Told;

beforeEach(function () {
    $this->tove = $this->person();
    $this->made = fn (TopicMap $map, string $to, array $choices = []): string => app(Documents::class)->write($this->mapOf($this->tove), Selected::of(Outgoing::of($map), $all = Choices::fromFields('', $choices)), DocumentFormat::from($to), $all);
    $this->back = fn (string $file, string $from): TopicMap => app(DocumentsIn::class)->read($file, DocumentFormat::from($from), 'A document')[0];
});

/** A random map of what every document carries. */
function mapForDocuments(int $seed): TopicMap
{
    $chance = new Chance($seed);
    $map = RandomMaps::map($chance, $chance->int(5, 60), notes: true);
    foreach ($map->living() as $row) {
        // Pictures have files, which random ones have not.
        if (in_array($row::type(), ['picture', 'see-also', 'numbering', 'file'], true)) {
            $map->drop($row::type(), $row->id);
        }
    }

    return $map;
}

it('gives back what it wrote, read again', function (string $to, int $seed) {
    $map = mapForDocuments($seed);
    $headings = (new Chance($seed))->int(0, 6);
    // Word processors know lists of nine levels.
    $choices = ['headings' => $headings, 'depth' => $headings + 9];
    expect(Told::of(($this->back)(($this->made)($map, $to, $choices), $to), $to === 'epub'))->toBe(Told::of(Selected::of($map, Choices::fromFields('', $choices)), $to === 'epub'));
})->with(['docx', 'odt', 'epub', 'html'])->with(range(1, 15));

it('says below each topic what kind it is, what its fields hold, who does it and what was said of it, and reads that again', function (string $to) {
    $map = withFacts();
    $file = ($this->made)($map, $to, ['headings' => 6]);
    expect(factsOf(($this->back)($file, $to)))->toEqual(factsOf(Outgoing::of($map)));
})->with(['docx', 'odt', 'html', 'epub']);

it('keeps pictures, tables, formulas, tasks, captions, links and ways within the document', function (string $to) {
    $record = $this->mapOf($this->tove, new TopicDraft('Harbour **plan**', 'for the committee', children: [
        new TopicDraft('Quay', 'open all day', "Before.\n\n| what | how many |\n| --- | --: |\n| *cranes* | 2 |\n\n- [x] swept\n- [ ] lit\n\n> As the tide allows.\n\n```\nhigh = 21:26\n```", [new TopicDraft('Crane', note: "One\nTwo")]),
        new TopicDraft('Ferry'),
    ]));
    $this->actingAs($this->tove);
    $picture = app(KeptPictures::class)->add($record, PictureFile::read(Photos::jpeg(300, 200)))->hash;
    [$quay, $crane, $ferry] = [$this->id($record, 'Quay'), $this->id($record, 'Crane'), $this->id($record, 'Ferry')];
    $this->sendEdits($record, [
        ['name' => 'row.set', 'type' => 'picture', 'topics' => [$crane], 'fields' => ['source' => "file:{$picture}", 'wide' => 300, 'high' => 200, 'width' => 150, 'about' => 'A crane at dusk']],
        ['name' => 'row.set', 'type' => 'link', 'row' => ChalkTree\Map\Ids::next(), 'fields' => ['at' => $ferry, 'to' => 'https://harbour.saltmere.example/times', 'title' => 'Times']],
        ['name' => 'row.set', 'type' => 'see-also', 'row' => ChalkTree\Map\Ids::next(), 'fields' => ['one' => $quay, 'other' => $ferry]],
    ])->assertOk();
    $map = Outgoing::of($this->topics($record));
    $file = app(Documents::class)->write($record->fresh(), $map, DocumentFormat::from($to), Choices::fromFields('', ['headings' => 1]));
    [$back, $files] = app(DocumentsIn::class)->read($file, DocumentFormat::from($to), 'A document');
    $found = $back->rowsOf(TopicPicture::class);
    expect($found)->toHaveCount(1)->and($files)->toHaveCount(1);
    $shown = array_values($found)[0];
    expect($back->topic($shown->id)->title)->toBe('Crane')->and(round($shown->size()[0]))->toBe(150.0);
    expect($shown->text('about'))->toBe('A crane at dusk');
    // How columns are aligned is lost where pandoc reads DOCX.
    $told = fn (TopicMap $map): array => array_map(fn (string $line): string => (string) preg_replace(['/file:[0-9a-f]+/', $to === 'docx' ? '/--:/' : '/^$/'], ['file', '---'], $line), Told::of($map, $to === 'epub'));
    expect($told($back))->toBe($told($map));
    $also = array_map(fn ($row): array => [$back->topic($row->text('one'))->title, $back->topic($row->text('other'))->title], array_values($back->rowsOf(ChalkTree\Link\SeeAlso::class)));
    expect($also)->toContain(['Quay', 'Ferry']);
})->with(['docx', 'odt', 'epub', 'html']);

it('writes files that are valid by the rules of their formats, with all that they name inside', function (string $to) {
    $map = mapForDocuments(7);
    $folder = sys_get_temp_dir().'/valid-'.bin2hex(random_bytes(4));
    mkdir($folder);
    file_put_contents($file = "{$folder}/map.{$to}", ($this->made)($map, $to, ['contents' => true, 'drawing' => true, 'legend' => true, 'sentences' => true]));
    $read = new Process(['pandoc', '--from='.DocumentFormat::from($to)->readsAs(), '--to=plain', $file]);
    $read->mustRun();
    expect($read->getErrorOutput())->toBe('')->and(strlen($read->getOutput()))->toBeGreaterThan(100);
    if ($to === 'html') {
        expect((string) file_get_contents($file))->not->toMatch('~(?:src|href)="(?!#|data:|https?://saltmere\.example)~');

        return;
    }
    $zip = new ZipArchive;
    $zip->open($file);
    $parts = array_map($zip->getNameIndex(...), range(0, $zip->numFiles - 1));
    $xml = function (string $name) use ($zip): DOMDocument {
        $part = new DOMDocument;
        expect($part->loadXML((string) $zip->getFromName($name), LIBXML_NONET))->toBeTrue($name);

        return $part;
    };
    foreach (array_filter($parts, fn (string $name): bool => preg_match('/\.(xml|rels|opf|xhtml|ncx)$/', $name) === 1 && $zip->getFromName($name) !== '') as $name) {
        $xml($name);
    }
    if ($to === 'docx') {
        foreach ($xml('word/_rels/document.xml.rels')->getElementsByTagName('Relationship') as $way) {
            expect($way->getAttribute('TargetMode') === 'External' || in_array('word/'.$way->getAttribute('Target'), $parts, true))->toBeTrue($way->getAttribute('Target'));
        }
        preg_match_all('/w:pStyle w:val="([^"]+)"/', (string) $zip->getFromName('word/document.xml'), $used);
        preg_match_all('/w:styleId="([^"]+)"/', (string) $zip->getFromName('word/styles.xml'), $there);
        expect(array_diff(array_unique($used[1]), $there[1]))->toBe([]);
    } else {
        expect($parts[0])->toBe('mimetype')->and($zip->statIndex(0)['comp_method'])->toBe(ZipArchive::CM_STORE)->and($zip->getFromIndex(0))->toBe(DocumentFormat::from($to)->mime());
    }
    if ($to === 'odt') {
        preg_match_all('/(?:text|table):style-name="([^"]+)"/', $content = (string) $zip->getFromName('content.xml'), $used);
        preg_match_all('/style:name="([^"]+)"/', $content.$zip->getFromName('styles.xml'), $there);
        expect(preg_grep('/[^A-Za-z0-9_.-]/', array_unique($used[1])))->toBe([])->and(array_diff(preg_grep('/^(Topic|Note|See|Heading|Title|Text|Drawing)/', array_unique($used[1])), $there[1]))->toBe([]);
        preg_match_all('/xlink:href="(Pictures\/[^"]+)"/', $content, $named);
        expect(array_diff($named[1], $parts))->toBe([]);
    }
    if ($to === 'epub') {
        foreach ($xml('EPUB/content.opf')->getElementsByTagName('item') as $item) {
            expect(in_array('EPUB/'.$item->getAttribute('href'), $parts, true))->toBeTrue($item->getAttribute('href'));
        }
    }
    $zip->close();
    array_map(unlink(...), (array) glob("{$folder}/*"));
    rmdir($folder);
})->with(['docx', 'odt', 'epub', 'html']);

it('sets a PDF with its title, its contents and text that can be marked, on the paper that was chosen', function () {
    $map = NewMap::from(new TopicDraft('Harbour plan', children: [new TopicDraft('Quay', note: 'Swept on Saturday.'), new TopicDraft('Ferry')]));
    file_put_contents($file = tempnam(sys_get_temp_dir(), 'pdf'), ($this->made)($map, 'pdf', ['paper' => 'a5', 'landscape' => true, 'contents' => true]));
    $told = fn (string ...$command): string => (new Process([...$command]))->mustRun()->getOutput();
    expect($told('pdfinfo', $file))->toContain('Harbour plan')->toMatch('/Page size: +595\.\d+ x 419\.\d+/')
        ->and($told('pdftotext', $file, '-'))->toContain('Swept on Saturday.')->toContain('Quay');
    unlink($file);
});

it('reads a document of others: headings and lists are levels, text below is in notes', function (string $to) {
    $folder = sys_get_temp_dir().'/others-'.bin2hex(random_bytes(4));
    mkdir($folder);
    file_put_contents("{$folder}/in.md", "% Autumn fair\n\nBefore all.\n\n# Stalls\n\nTwelve **of them**.\n\n- Soup\n- Bread\n    - Rye\n\n## Rules\n\n> No smoke.\n\n| a | b |\n|---|---|\n| 1 | 2 |\n");
    (new Process(['pandoc', '--standalone', 'in.md', '-o', "out.{$to}"], $folder))->mustRun();
    $map = ($this->back)((string) file_get_contents("{$folder}/out.{$to}"), $to);
    expect(ChalkTree\Exchange\Formats::write($map, 'txt'))->toBe("Autumn fair\n\tStalls\n\t\tSoup\n\t\tBread\n\t\t\tRye\n\t\tRules\n")
        ->and($map->root()->note)->toBe('Before all.');
    $notes = array_column(array_map(fn ($topic): array => [$topic->title, $topic->note], array_values($map->all())), 1, 0);
    expect($notes['Stalls'])->toBe('Twelve **of them**.')->and($notes['Rules'])->toContain('> No smoke.')->toContain('| a | b |');
    array_map(unlink(...), (array) glob("{$folder}/*"));
    rmdir($folder);
})->with(['docx', 'odt', 'epub', 'html']);

it('opens no file of this machine and no address that a document names', function () {
    file_put_contents($secret = storage_path('app/secret.png'), Photos::png(33, 22));
    $inside = 'data:image/png;base64,'.base64_encode(Photos::png(44, 11));
    $html = "<!doctype html><title>Fair</title><h1>Stalls</h1><p><img src=\"{$secret}\" alt=\"a\"></p><h1>Music</h1><p><img src=\"file://{$secret}\"></p><h1>Own</h1><p><img src=\"{$inside}\"></p>";
    [$map, $files] = app(DocumentsIn::class)->read($html, DocumentFormat::Html, 'x');
    expect(array_map(fn (PictureFile $file): array => [$file->wide, $file->high], array_values($files)))->toBe([[44, 11]])
        ->and($map->rowsOf(TopicPicture::class))->toHaveCount(1);
    unlink($secret);
});

it('brings documents in over HTTP and on the command line, with their pictures, and refuses what is none', function () {
    $this->actingAs($this->tove);
    $docx = ($this->made)(NewMap::from(new TopicDraft('Harbour', children: [new TopicDraft('Quay')])), 'docx');
    $bring = fn (string $body, string $name) => $this->call('POST', '/api/maps/import?name='.rawurlencode($name), content: $body, server: ['HTTP_ACCEPT' => 'application/json']);
    $id = $bring($docx, 'plan.docx')->assertCreated()->json('id');
    expect($this->get("/api/maps/{$id}/export?to=txt")->getContent())->toBe("Harbour\n\tQuay\n");
    $bring(substr($docx, 0, 3000), 'cut.docx')->assertUnprocessable();
    $bring("PK\x03\x04 nothing", 'word.docx')->assertUnprocessable();
    $bring('%PDF-1.7 and so on', 'plan.pdf')->assertUnprocessable()->assertJsonPath('message', 'Maps are not read from PDF. Add it to a topic as a file, or bring in the document it was made from.');
    file_put_contents($file = sys_get_temp_dir().'/page.html', '<!doctype html><title>Fair</title><h1>Fair</h1><h2>Stalls</h2><p>Twelve.<script>hacked()</script></p><img src="http://127.0.0.1:1/x.png">');
    Artisan::call('map:import', ['file' => $file, '--owner' => $this->tove->email]);
    Artisan::call('map:export', ['id' => trim(Artisan::output()), '--to' => 'md', '--owner' => $this->tove->email]);
    expect(Artisan::output())->toContain('Stalls')->toContain('Twelve.')->not->toContain('hacked');
    unlink($file);
});

it('reads a document into lines to be looked at, which land in a map with notes, pictures and tables', function (string $to) {
    $this->actingAs($this->tove);
    $map = $this->mapOf($this->tove, new TopicDraft('Year'));
    $picture = PictureFile::read(Photos::png(40, 30));
    $fair = NewMap::from(new TopicDraft('Fair', children: [new TopicDraft('Stalls', 'twelve', "Along the **quay**.\n\n| a | b |\n| --- | --- |\n| 1 | 2 |", [new TopicDraft('Soup')])]));
    $from = $this->mapOf($this->tove, new TopicDraft('Other'));
    app(KeptPictures::class)->add($from, $picture);
    $stalls = array_values(array_filter($fair->all(), fn ($topic): bool => $topic->title === 'Stalls'))[0];
    $fair->put(TopicPicture::fromFields($stalls->id, ['source' => "file:{$picture->hash()}", 'wide' => 40, 'high' => 30, 'about' => 'a lamp']));
    $file = app(Documents::class)->write($from, Selected::of(Outgoing::of($fair), $all = Choices::fromFields('', [])), DocumentFormat::from($to), $all);
    $read = $this->call('POST', "/api/maps/{$map->id}/clip/document?name=fair.{$to}", content: $file, server: ['HTTP_ACCEPT' => 'application/json'])->assertOk()->json();
    expect($read['sure'])->toBeFalse()->and(array_map(fn (array $line): array => [$line['level'], $line['text']], $read['lines']))->toBe([[0, 'Fair'], [1, 'Stalls'], [2, 'Soup']])
        ->and($read['lines'][1]['note'])->toContain('*twelve*')->toContain('Along the **quay**.')->toContain('| 1 | 2 |')->toContain('](file:');
    $lines = array_map(fn (array $line): array => array_intersect_key($line, ['level' => 0, 'text' => 0, 'gap' => 0, 'note' => 0]), $read['lines']);
    $this->sendEdits($map, [['name' => 'topic.paste', 'as' => 'branches', 'lines' => $lines, 'parent' => $map->root]])->assertOk();
    expect($this->get("/api/maps/{$map->id}/export?to=txt")->getContent())->toBe("Year\n\tFair\n\t\tStalls\n\t\t\tSoup\n");
    preg_match('/file:([0-9a-f]{64})/', $read['lines'][1]['note'], $m);
    $this->get("/api/maps/{$map->id}/pictures/{$m[1]}/original")->assertOk();
    // One undo takes all of it away again.
    $this->sendEdits($map, [['name' => 'undo']])->assertOk();
    expect($this->get("/api/maps/{$map->id}/export?to=txt")->getContent())->toBe("Year\n");
})->with(['docx', 'odt', 'epub', 'html']);

it('reads outlines the same, and refuses what is no document, a whole map, or another person’s map', function () {
    $this->actingAs($this->tove);
    $map = $this->mapOf($this->tove, new TopicDraft('Year'));
    $read = fn (string $body, string $name) => $this->call('POST', "/api/maps/{$map->id}/clip/document?name=".rawurlencode($name), content: $body, server: ['HTTP_ACCEPT' => 'application/json']);
    expect($read("# Fair\n\n- Stalls\n", 'fair.md')->assertOk()->json('lines.1.text'))->toBe('Stalls')
        ->and($read("title,note\nFair,On Friday\n", 'fair.csv')->assertOk()->json('lines'))->not->toBe([]);
    $read('%PDF-1.7', 'fair.pdf')->assertUnprocessable();
    $read("PK\x03\x04 nothing", 'fair.docx')->assertUnprocessable();
    $read('{"format": "chalk-tree"}', 'fair.json')->assertUnprocessable()->assertJsonPath('message', 'This is a whole map. Bring it in in the library.');
    $this->call('POST', "/api/maps/{$map->id}/clip/document", content: 'x', server: ['HTTP_ACCEPT' => 'application/json'])->assertUnprocessable()->assertJson(['field' => 'name']);
    $this->flushSession();
    $this->actingAs($this->person('ines@saltmere.example'));
    $read('# Fair', 'fair.md')->assertNotFound();
});
