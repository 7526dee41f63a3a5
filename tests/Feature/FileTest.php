<?php

declare(strict_types=1);

use App\Files\KeptFiles;
use App\Files\Sums;
use App\Files\Uploads;
use App\Library\Trash;
use App\Models\FileRecord;
use App\Models\MapRecord;
use App\Models\Upload;
use ChalkTree\Attach\AttachedFile;
use ChalkTree\Link\Link;
use ChalkTree\Map\Ids;
use ChalkTree\Picture\TopicPicture;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Tests\Support\Photos;
use Tests\Support\Sends;

beforeEach(function () {
    $this->actingAs($this->tove = $this->person());
    $this->map = $this->mapOf($this->tove);
    $this->piece = fn (string $id, int $at, string $bytes): TestResponse => $this->call('PUT', "/api/uploads/{$id}/{$at}", content: $bytes, server: ['HTTP_ACCEPT' => 'application/json']);
    $this->take = fn (string $bytes, string $name = 'plan.bin', ?MapRecord $map = null): TestResponse => $this->postJson('/api/maps/'.($map ?? $this->map)->id.'/files', ['upload' => Sends::whole($this->tove, $bytes, $name)->id]);
    $this->attach = fn (string $file, string $title = 'Boats', string $name = 'plan.bin', ?MapRecord $map = null): TestResponse => $this->sendEdits($map ?? $this->map, [['name' => 'row.set', 'type' => 'file', 'row' => Ids::next(), 'fields' => ['at' => $this->id($map ?? $this->map, $title), 'source' => $file, 'name' => $name, 'bytes' => 5]]]);
    $this->fetch = fn (string $file, string $query = '', array $headers = [], ?MapRecord $map = null): TestResponse => $this->get('/api/maps/'.($map ?? $this->map)->id.'/files/'.substr($file, 5).$query, $headers);
});

it('takes a file in pieces, goes on where they broke off, and gives it back to the byte and in parts', function () {
    $bytes = random_bytes(1_000_003);
    $id = Ids::next();
    $this->postJson('/api/uploads', ['id' => $id, 'name' => 'hull plan.bin', 'bytes' => strlen($bytes)])->assertOk()->assertExactJson(['id' => $id, 'received' => 0, 'bytes' => 1_000_003]);
    ($this->piece)($id, 0, substr($bytes, 0, 400_000))->assertJsonPath('received', 400_000);
    // The answer was lost, and the same piece comes again; then one from too far on.
    ($this->piece)($id, 0, substr($bytes, 0, 400_000))->assertJsonPath('received', 400_000);
    ($this->piece)($id, 900_000, 'x')->assertJsonPath('received', 400_000);
    $this->postJson("/api/maps/{$this->map->id}/files", ['upload' => $id])->assertStatus(422)->assertJsonPath('code', 'unusable_file');
    // Begun again by whoever does not know that it was: it is where it was.
    $this->postJson('/api/uploads', ['id' => $id, 'name' => 'hull plan.bin', 'bytes' => strlen($bytes)])->assertJsonPath('received', 400_000);
    $this->getJson("/api/uploads/{$id}")->assertJsonPath('received', 400_000);
    ($this->piece)($id, 400_000, substr($bytes, 400_000))->assertJsonPath('received', 1_000_003);

    $file = $this->postJson("/api/maps/{$this->map->id}/files", ['upload' => $id])->assertOk()->assertJsonPath('name', 'hull plan.bin')->assertJsonPath('bytes', 1_000_003)->json('file');
    expect($file)->toBe('file:'.hash('sha256', $bytes));
    $this->postJson("/api/maps/{$this->map->id}/files", ['upload' => $id])->assertOk()->assertJsonPath('file', $file);
    expect(Storage::disk('local')->allFiles('coming'))->toBe([]);

    $whole = ($this->fetch)($file)->assertOk()->assertHeader('Content-Type', 'application/octet-stream');
    expect($whole->baseResponse->getFile()->getContent())->toBe($bytes)->and($whole->headers->get('Content-Disposition'))->toContain('attachment', 'hull plan.bin')
        ->and($whole->headers->get('Content-Security-Policy'))->toContain('sandbox')->and($whole->headers->get('X-Content-Type-Options'))->toBe('nosniff');
    $part = ($this->fetch)($file, '', ['Range' => 'bytes=1000-1999'])->assertStatus(206)->assertHeader('Content-Range', 'bytes 1000-1999/1000003');
    expect($part->streamedContent())->toBe(substr($bytes, 1000, 1000));
});

it('refuses what is too large, too much together, too long a piece, and what is not whole', function () {
    config(['chalk.files.largest' => 1_000_000, 'chalk.files.each' => 2_500_000]);
    $begin = fn (int $bytes, string $for = 'file', ?string $id = null): TestResponse => $this->postJson('/api/uploads', ['id' => $id ?? Ids::next(), 'name' => 'film.mp4', 'bytes' => $bytes, 'for' => $for]);
    expect($begin(1_000_001)->assertStatus(422)->json('message'))->toContain('at most 977 kB')->and($begin(2_400_000, 'map')->assertOk()->json('received'))->toBe(0);
    // What is on its way takes room too, until it is stopped.
    expect($begin(200_000)->assertStatus(422)->json('message'))->toContain('there is room for 98 kB more');
    $this->deleteJson('/api/uploads/'.Upload::query()->value('id'))->assertOk();
    $id = $begin(200_000)->assertOk()->json('id');
    $begin(100_000, id: $id)->assertStatus(422)->assertJsonPath('field', 'id');
    ($this->piece)($id, 0, str_repeat('x', 200_001))->assertStatus(422);
    ($this->piece)($id, 100_000, str_repeat('x', 100_001))->assertStatus(422);
    ($this->piece)($id, 0, '')->assertJsonPath('received', 0);
    foreach ([['id' => 'short'], ['bytes' => -1], ['bytes' => '12'], ['bytes' => 1.5], ['name' => ''], ['name' => ['x']], ['for' => 'all'], []] as $wrong) {
        $this->postJson('/api/uploads', $wrong === [] ? [] : $wrong + ['id' => Ids::next(), 'name' => 'a', 'bytes' => 1])->assertStatus(422);
    }
    $this->postJson("/api/maps/{$this->map->id}/files", ['upload' => Ids::next()])->assertStatus(422);
    $this->postJson("/api/maps/{$this->map->id}/files", ['upload' => ['x']])->assertStatus(422);
    // An empty file is one.
    $empty = $begin(0)->json('id');
    $this->postJson("/api/maps/{$this->map->id}/files", ['upload' => $empty])->assertOk()->assertJsonPath('bytes', 0);
});

it('counts each file once, and pictures with them', function () {
    $before = app(Sums::class)->used($this->tove);
    $bytes = random_bytes(50_000);
    ($this->take)($bytes)->assertOk();
    ($this->take)($bytes, 'again.bin', $this->mapOf($this->tove))->assertOk();
    expect(app(Sums::class)->used($this->tove))->toBe($before + 50_000);
    $picture = Photos::png(300, 200);
    $this->call('POST', "/api/maps/{$this->map->id}/pictures", content: $picture, server: ['HTTP_ACCEPT' => 'application/json'])->assertOk();
    $used = app(Sums::class)->used($this->tove);
    expect($used)->toBeGreaterThan($before + 50_000);
    config(['chalk.files.each' => $used + 10]);
    $this->call('POST', "/api/maps/{$this->map->id}/pictures", content: Photos::png(310, 200), server: ['HTTP_ACCEPT' => 'application/json'])->assertStatus(422)->assertJsonPath('code', 'unusable_file');
});

it('sends nothing as a type that can run, whatever it is called', function (string $bytes, string $name, string $media, string $way) {
    $file = ($this->take)($bytes, $name)->assertOk()->json();
    expect($file['media'])->toBe($media);
    $answer = ($this->fetch)($file['file'])->assertHeader('Content-Type', $media)->assertHeader('X-Content-Type-Options', 'nosniff');
    expect($answer->headers->get('Content-Disposition'))->toStartWith($way)->and(($this->fetch)($file['file'], '?as=saved')->headers->get('Content-Disposition'))->toStartWith('attachment');
})->with([
    'page of the web' => ['<!doctype html><script>alert(1)</script>', 'page.pdf', 'application/octet-stream', 'attachment'],
    'drawing with script' => ['<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>', 'drawing.svg', 'application/octet-stream', 'attachment'],
    'script' => ['alert(1)', 'film.mp4', 'application/octet-stream', 'attachment'],
    'xml' => ['<?xml version="1.0"?><html xmlns="http://www.w3.org/1999/xhtml"><script/></html>', 'x.xhtml', 'application/octet-stream', 'attachment'],
    'pdf' => [Sends::pdf(), 'tides.html', 'application/pdf', 'inline'],
    'sound' => [Sends::wav(), 'horn.svg', 'audio/wav', 'inline'],
]);

it('lets nobody have a file by its hash, nor send to what is somebody else’s', function () {
    $file = ($this->take)('a secret plan')->json('file');
    $upload = Sends::whole($this->tove, 'on its way');
    $this->flushSession();
    $this->actingAs($ines = $this->person('ines@saltmere.example'));
    $hers = $this->mapOf($ines);
    ($this->fetch)($file)->assertNotFound();
    ($this->fetch)($file, map: $hers)->assertNotFound();
    $this->get("/api/maps/{$hers->id}/files/".substr($file, 5).'/preview')->assertNotFound();
    $this->deleteJson("/api/maps/{$this->map->id}/files/".substr($file, 5))->assertNotFound();
    ($this->attach)($file, map: $hers)->assertOk();
    expect($this->topics($hers)->rowsOf(AttachedFile::class))->toBe([]);
    $this->sendEdits($hers, [['name' => 'row.set', 'type' => 'link', 'row' => Ids::next(), 'fields' => ['at' => $hers->root, 'to' => $file]]]);
    expect($this->topics($hers)->rowsOf(Link::class))->toBe([]);
    foreach ([['get', ''], ['delete', '']] as [$way]) {
        $this->{"{$way}Json"}("/api/uploads/{$upload->id}")->assertNotFound();
    }
    ($this->piece)($upload->id, 0, 'x')->assertNotFound();
    $this->postJson("/api/maps/{$hers->id}/files", ['upload' => $upload->id])->assertStatus(422);
    $this->call('POST', '/api/maps/import?'.http_build_query(['name' => 'x.zip', 'upload' => $upload->id]), server: ['HTTP_ACCEPT' => 'application/json'])->assertNotFound();
    $this->postJson('/api/uploads', ['id' => $upload->id, 'name' => 'x', 'bytes' => 10])->assertStatus(422);
    app('auth')->forgetGuards();
    $this->flushSession();
    $this->getJson("/api/uploads/{$upload->id}")->assertUnauthorized();
    expect($upload->fresh()?->received)->toBe(10);
});

it('goes with topics into other maps of the same person, with copies of the map and with its parts', function () {
    $file = ($this->take)('the order of boats')->json('file');
    ($this->attach)($file)->assertOk();
    $other = $this->mapOf($this->tove);
    ($this->attach)($file, map: $other)->assertOk();
    expect($this->topics($other)->rowsOf(AttachedFile::class))->toHaveCount(1);
    ($this->fetch)($file, map: $other)->assertOk();
    foreach (["/api/maps/{$this->map->id}/duplicate", "/api/maps/{$this->map->id}/topics/{$this->id($this->map, 'Boats')}/own-map"] as $way) {
        $copy = MapRecord::query()->findOrFail($this->postJson($way, ['id' => Ids::next()])->assertCreated()->json('id'));
        ($this->fetch)($file, map: $copy)->assertOk();
        expect($this->topics($copy)->rowsOf(AttachedFile::class))->toHaveCount(1);
    }
});

it('keeps the older file in the history when a newer one replaces it, until that is thrown away', function () {
    $older = ($this->take)('draft one', 'plan.txt')->json('file');
    ($this->attach)($older)->assertOk();
    $row = array_key_first($this->topics($this->map)->rowsOf(AttachedFile::class));
    $newer = ($this->take)('draft two', 'plan.txt')->json('file');
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'file', 'row' => $row, 'fields' => ['source' => $newer, 'bytes' => 9]]])->assertOk();
    expect($this->topics($this->map)->rowsOf(AttachedFile::class)[$row]->text('source'))->toBe($newer);
    $this->deleteJson("/api/maps/{$this->map->id}/files/".substr($newer, 5))->assertStatus(422)->assertJsonPath('message', 'Topics have this file. Remove it from them first.');
    $this->sendEdits($this->map, [['name' => 'undo']])->assertOk();
    expect($this->topics($this->map)->rowsOf(AttachedFile::class)[$row]->text('source'))->toBe($older);
    ($this->fetch)($older)->assertOk();
    $this->sendEdits($this->map, [['name' => 'redo']])->assertOk();
    $this->deleteJson("/api/maps/{$this->map->id}/files/".substr($older, 5))->assertOk();
    ($this->fetch)($older)->assertNotFound();
    // Undo brings back that the topic had it, not what was thrown away.
    $this->sendEdits($this->map, [['name' => 'undo']])->assertOk();
    expect($this->topics($this->map)->rowsOf(AttachedFile::class)[$row]->text('source'))->toBe($older);
    ($this->fetch)($older)->assertNotFound();
    expect(array_column($this->getJson("/api/maps/{$this->map->id}/files")->assertOk()->json('files'), 'file'))->toBe([$newer]);
});

it('never takes half a file for the whole, whenever the machine stopped', function () {
    $disk = Storage::disk('local');
    $bytes = random_bytes(5_000);
    $disk->put(KeptFiles::path(hash('sha256', $bytes)), substr($bytes, 0, 700));
    $file = ($this->take)($bytes)->assertOk()->json('file');
    expect($disk->get(KeptFiles::path(substr($file, 5))))->toBe($bytes)->and($disk->allFiles('arriving'))->toBe([]);
    // What stopped on its way there is swept.
    $disk->put('arriving/half', 'x');
    touch($disk->path('arriving/half'), time() - 10_000);
    $disk->put('arriving/now', 'x');
    app(KeptFiles::class)->sweep();
    expect($disk->allFiles('arriving'))->toBe(['arriving/now']);
});

it('reads no archive whose list is longer than a map can be, nor one in ZIP64', function (Closure $spoil) {
    $path = tempnam(sys_get_temp_dir(), 'zip');
    $zip = new ZipArchive;
    $zip->open($path, ZipArchive::OVERWRITE | ZipArchive::CREATE);
    $zip->addFromString('map.json', '{}');
    $zip->close();
    file_put_contents($path, $spoil((string) file_get_contents($path)));
    $this->call('POST', '/api/maps/import?name=x.zip', content: (string) file_get_contents($path), server: ['HTTP_ACCEPT' => 'application/json'])->assertStatus(422)->assertJsonPath('message', 'This archive is damaged; it may have been cut off.');
    unlink($path);
})->with([
    'too many entries' => [fn (string $zip): string => substr_replace($zip, pack('v', 60_000), -12, 2)],
    'too long a list' => [fn (string $zip): string => substr_replace($zip, pack('V', 900_000_000), -10, 4)],
    'another end behind it' => [fn (string $zip): string => substr_replace($zip, pack('v', 22), -2, 2)."PK\x05\x06\0\0\0\0".pack('vvVVv', 60_000, 60_000, 100, 0, 0)],
    'ZIP64' => [fn (string $zip): string => substr($zip, 0, -22)."PK\x06\x07".str_repeat("\0", 16).substr($zip, -22)],
    'cut off' => [fn (string $zip): string => substr($zip, 0, -30)],
]);

it('throws a picture away for good that no topic and no note has any more', function () {
    $picture = $this->call('POST', "/api/maps/{$this->map->id}/pictures", content: Photos::png(60, 40), server: ['HTTP_ACCEPT' => 'application/json'])->json('picture');
    $boats = $this->id($this->map, 'Boats');
    $away = fn (): TestResponse => $this->deleteJson("/api/maps/{$this->map->id}/files/".substr($picture, 5));
    $this->sendEdits($this->map, [['name' => 'topic.note', 'topics' => [$boats], 'note' => "![The quay]({$picture})"]])->assertOk()->assertJsonPath('edits.0.status', 'done');
    $away()->assertStatus(422);
    $this->sendEdits($this->map, [['name' => 'topic.note', 'topics' => [$boats], 'note' => ''], ['name' => 'row.set', 'type' => 'picture', 'topics' => [$boats], 'fields' => ['source' => $picture, 'wide' => 60, 'high' => 40]]]);
    $away()->assertStatus(422);
    $this->sendEdits($this->map, [['name' => 'row.remove', 'type' => 'picture', 'rows' => [$boats]]]);
    $away()->assertOk();
    $away()->assertNotFound();
    $this->get("/api/maps/{$this->map->id}/pictures/".substr($picture, 5).'/small')->assertNotFound();
});

it('lets pictures in notes go with them into another map, and only those of the same person', function () {
    $picture = $this->call('POST', "/api/maps/{$this->map->id}/pictures", content: Photos::png(60, 40), server: ['HTTP_ACCEPT' => 'application/json'])->json('picture');
    $note = fn (MapRecord $map): TestResponse => $this->sendEdits($map, [['name' => 'topic.note', 'topics' => [$map->root], 'note' => "![The quay]({$picture})"]])->assertOk()->assertJsonPath('edits.0.status', 'done');
    $see = fn (MapRecord $map): TestResponse => $this->get("/api/maps/{$map->id}/pictures/".substr($picture, 5).'/small');
    $note($other = $this->mapOf($this->tove));
    $see($other)->assertOk();
    $this->flushSession();
    $this->actingAs($ines = $this->person('ines@saltmere.example'));
    $note($hers = $this->mapOf($ines));
    $see($hers)->assertNotFound();
});

it('sweeps what no map has, what nobody went on with, and nothing else', function () {
    $disk = Storage::disk('local');
    $kept = ($this->take)('kept')->json('file');
    $gone = ($this->take)('gone', map: $other = $this->mapOf($this->tove))->json('file');
    $old = Sends::whole($this->tove, 'begun long ago');
    $new = Sends::whole($this->tove, 'begun now');
    Upload::query()->whereKey($old->id)->update(['touched' => time() - 90_000]);
    $other->delete();
    app(Trash::class)->clearOld();
    expect($disk->exists(KeptFiles::path(substr($gone, 5))))->toBeTrue('what has just come is left alone');
    touch($disk->path(KeptFiles::path(substr($gone, 5))), time() - 4_000);
    touch($disk->path(KeptFiles::path(substr($kept, 5))), time() - 4_000);
    app(Trash::class)->clearOld();
    expect($disk->exists(KeptFiles::path(substr($gone, 5))))->toBeFalse()->and($disk->exists(KeptFiles::path(substr($kept, 5))))->toBeTrue()
        ->and(Upload::query()->whereKey($old->id)->exists())->toBeFalse()->and($disk->exists("coming/{$old->id}"))->toBeFalse()
        ->and(app(Uploads::class)->join($new->refresh())->bytes())->toBe(9);
});

it('draws the first page of a PDF and a picture reduced, and of what it cannot draw nothing', function () {
    foreach ([[Sends::pdf(), 'a.pdf', [480, 640]], [Photos::jpeg(2000, 1000), 'b.jpg', [640, 320]]] as [$bytes, $name, $size]) {
        $file = ($this->take)($bytes, $name)->json('file');
        $preview = $this->get("/api/maps/{$this->map->id}/files/".substr($file, 5).'/preview')->assertOk()->assertHeader('Content-Type', 'image/jpeg');
        expect(array_slice((array) getimagesizefromstring($preview->baseResponse->getFile()->getContent()), 0, 2))->toBe($size);
    }
    foreach (['%PDF-1.7 and nothing else', "\xff\xd8\xffbroken", 'plain'] as $bytes) {
        $file = ($this->take)($bytes)->assertOk()->json('file');
        $this->getJson("/api/maps/{$this->map->id}/files/".substr($file, 5).'/preview')->assertNoContent();
    }
});

/** A map with files, a picture, a link to a file and a picture in a note. */
function mapWithFiles(object $test): array
{
    $tove = $test->tove;
    $pdf = ($test->take)(Sends::pdf(), 'Tide: table.pdf')->json('file');
    $film = ($test->take)(random_bytes(300_000), 'tide table.pdf')->json('file');
    $picture = $test->call('POST', "/api/maps/{$test->map->id}/pictures", content: Photos::png(60, 40), server: ['HTTP_ACCEPT' => 'application/json'])->json('picture');
    ($test->attach)($pdf, 'Boats', 'Tide table.pdf');
    ($test->attach)($film, 'Paper', 'tide table.pdf');
    $boats = $test->id($test->map, 'Boats');
    $test->sendEdits($test->map, [
        ['name' => 'row.set', 'type' => 'picture', 'topics' => [$boats], 'fields' => ['source' => $picture, 'wide' => 60, 'high' => 40]],
        ['name' => 'row.set', 'type' => 'link', 'row' => Ids::next(), 'fields' => ['at' => $test->map->root, 'to' => $pdf, 'title' => 'Tides']],
        ['name' => 'topic.edit', 'topic' => $boats, 'note' => "As drawn:\n\n![The quay]({$picture})"],
    ])->assertOk();

    return [$pdf, $film, $picture];
}

it('goes out as one archive and comes back in elsewhere, the same', function () {
    [$pdf, $film, $picture] = mapWithFiles($this);
    $answer = $this->get("/api/maps/{$this->map->id}/export?to=zip")->assertOk()->assertHeader('Content-Type', 'application/zip');
    $path = tempnam(sys_get_temp_dir(), 'zip');
    copy($answer->baseResponse->getFile()->getPathname(), $path);
    $zip = new ZipArchive;
    $zip->open($path);
    $names = array_map($zip->getNameIndex(...), range(0, $zip->numFiles - 1));
    expect($names)->toContain('map.json', 'files/Tide table.pdf', 'files/tide table 2.pdf')->and($names)->toHaveCount(4)->and($zip->getFromName('files/Tide table.pdf') === Sends::pdf() || $zip->getFromName('files/tide table 2.pdf') === Sends::pdf())->toBeTrue();

    // To somebody who has none of it.
    $this->flushSession();
    $this->actingAs($this->tove = $ines = $this->person('ines@saltmere.example'));
    $upload = Sends::whole($ines, (string) file_get_contents($path), 'festival.zip');
    $id = Ids::next();
    $import = fn (): TestResponse => $this->call('POST', '/api/maps/import?'.http_build_query(['name' => 'festival.zip', 'upload' => $upload->id, 'id' => $id]), server: ['HTTP_ACCEPT' => 'application/json']);
    $import()->assertCreated();
    // The answer was lost, and it is asked for again.
    $import()->assertOk()->assertJsonPath('id', $id);
    $copy = MapRecord::query()->findOrFail($id);
    foreach ([$pdf, $film] as $file) {
        ($this->fetch)($file, map: $copy)->assertOk();
    }
    $this->get("/api/maps/{$copy->id}/pictures/".substr($picture, 5).'/small')->assertOk();
    $there = $this->topics($copy);
    expect(array_values(array_map(fn ($row) => [$row::type(), $row->saying()], $there->living())))->toEqualCanonicalizing(array_values(array_map(fn ($row) => [$row::type(), $row->saying()], $this->topics($this->map)->living())))
        ->and(array_values($there->rowsOf(TopicPicture::class))[0]->content())->toBe(substr($picture, 5));
    // And small ones come in one go.
    $this->call('POST', '/api/maps/import?name=again.zip', content: (string) file_get_contents($path), server: ['HTTP_ACCEPT' => 'application/json'])->assertCreated();
    unlink($path);
});

it('takes out one branch with its own files only', function () {
    mapWithFiles($this);
    $answer = $this->get("/api/maps/{$this->map->id}/export?".http_build_query(['to' => 'zip', 'topic' => $this->id($this->map, 'Lanterns')]))->assertOk();
    $zip = new ZipArchive;
    $zip->open($answer->baseResponse->getFile()->getPathname());
    $names = array_map($zip->getNameIndex(...), range(0, $zip->numFiles - 1));
    sort($names);
    expect($names)->toBe(['files/tide table.pdf', 'map.json'])->and(json_decode((string) $zip->getFromName('map.json'), true)['files'])->toHaveCount(1);
    $zip->close();
    unlink($answer->baseResponse->getFile()->getPathname());
});

it('keeps the files of a map in the trash, and of a branch in its own, until they come back', function () {
    $file = ($this->take)('the order of boats')->json('file');
    ($this->attach)($file)->assertOk();
    $used = app(Sums::class)->used($this->tove);
    $this->deleteJson("/api/maps/{$this->map->id}")->assertOk();
    app(Trash::class)->clearOld();
    ($this->fetch)($file)->assertStatus(410);
    expect(app(Sums::class)->used($this->tove))->toBe($used);
    $this->postJson("/api/maps/{$this->map->id}/restore")->assertOk();
    ($this->fetch)($file)->assertOk();
    // A branch in the trash of its map rests with its file, and comes back with it.
    $boats = $this->id($this->map, 'Boats');
    $this->sendEdits($this->map, [['name' => 'topic.remove', 'topics' => [$boats]]])->assertJsonPath('edits.0.status', 'done');
    app(Trash::class)->clearOld();
    expect(array_filter($this->topics($this->map)->rowsOf(AttachedFile::class), $this->topics($this->map)->isLiving(...)))->toBe([]);
    $this->sendEdits($this->map, [['name' => 'topic.restore', 'topics' => [$boats]]])->assertJsonPath('edits.0.status', 'done');
    ($this->fetch)($file)->assertOk();
    expect(array_filter($this->topics($this->map)->rowsOf(AttachedFile::class), $this->topics($this->map)->isLiving(...)))->toHaveCount(1);
});

it('finds topics by the names of their files', function () {
    $file = ($this->take)('x')->json('file');
    ($this->attach)($file, 'Boats', 'soundings-of-june.csv')->assertOk();
    $found = $this->getJson('/api/quick?'.http_build_query(['words' => 'soundings', 'map' => $this->map->id]))->assertOk()->json('topics');
    expect(array_column($found, 'topic'))->toBe([$this->id($this->map, 'Boats')]);
    $this->sendEdits($this->map, [['name' => 'text.replace', 'find' => ['text' => 'june'], 'with' => 'July']])->assertOk();
    expect(array_values($this->topics($this->map)->rowsOf(AttachedFile::class))[0]->text('name'))->toContain('July');
});

it('goes out and in on the command line', function () {
    [$pdf] = mapWithFiles($this);
    $before = glob(storage_path('app/handed/*'));
    $path = sys_get_temp_dir().'/chalk-tree-'.bin2hex(random_bytes(5)).'.zip';
    expect($this->artisan("map:export {$this->map->id} --to=zip --out={$path} --owner=tove@saltmere.example"))->toBe(0);
    $ines = $this->person('ines@saltmere.example');
    expect($this->artisan("map:import {$path} --owner=ines@saltmere.example"))->toBe(0);
    $copy = $ines->maps()->firstOrFail();
    expect(FileRecord::query()->where('map_id', $copy->id)->count())->toBe(2)->and(app(KeptFiles::class)->find($copy->id, substr($pdf, 5))?->media)->toBe('application/pdf')
        ->and(glob(storage_path('app/handed/*')))->toBe($before);
    unlink($path);
});

it('refuses archives that are none, lie, or hold too much, and makes nothing of them', function (Closure $made, string $why) {
    config(['chalk.files.largest' => 100_000]);
    $path = tempnam(sys_get_temp_dir(), 'zip');
    $zip = new ZipArchive;
    $zip->open($path, ZipArchive::OVERWRITE | ZipArchive::CREATE);
    $made($zip, fn (array $files): string => json_encode(['format' => 'chalk-tree-map', 'version' => 2, 'title' => null, 'arrangement' => 'both-sides', 'root' => $root = Ids::next(), 'topics' => [['id' => $root, 'title' => 'Festival']], 'rows' => [['type' => 'file', 'id' => Ids::next(), 'fields' => ['at' => $root, 'source' => 'file:'.str_repeat('ab', 32), 'name' => 'a.bin']]], 'files' => $files]));
    $zip->close();
    $before = MapRecord::query()->count();
    $this->call('POST', '/api/maps/import?name=x.zip', content: (string) file_get_contents($path), server: ['HTTP_ACCEPT' => 'application/json'])->assertStatus(422)->assertJsonPath('message', $why);
    expect(MapRecord::query()->count())->toBe($before)->and(FileRecord::query()->count())->toBe(0)->and(glob(storage_path('app/joining/*')))->toBe([]);
    unlink($path);
})->with([
    'no map' => [fn (ZipArchive $zip) => $zip->addFromString('other.json', '{}'), 'This archive holds no map: there is no “map.json” in it.'],
    'no JSON' => [fn (ZipArchive $zip) => $zip->addFromString('map.json', 'x'), 'This file is not complete JSON; it may have been cut off.'],
    'a wrong list' => [fn (ZipArchive $zip, Closure $map) => $zip->addFromString('map.json', $map([['source' => '../x', 'path' => 'files/a']])), 'In this archive, the list of files is not right.'],
    'a list of nonsense' => [fn (ZipArchive $zip, Closure $map) => $zip->addFromString('map.json', $map([5, 'x', ['path' => ['a']]])), 'In this archive, the list of files is not right.'],
    'a bomb' => [function (ZipArchive $zip, Closure $map) {
        $zip->addFromString('map.json', $map([['source' => 'file:'.str_repeat('ab', 32), 'path' => 'files/a']]));
        $zip->addFromString('files/a', str_repeat("\0", 2_000_000));
    }, 'There is more in this file than can be taken in.'],
    'a map that is a bomb' => [fn (ZipArchive $zip) => $zip->addFromString('map.json', str_repeat(' ', 17 * 1024 * 1024)), 'There is more in this file than can be taken in.'],
]);

it('names a file of an archive by what is in it, whatever the archive says', function () {
    $secret = ($this->take)('a secret plan')->json('file');
    $this->flushSession();
    $this->actingAs($this->tove = $ines = $this->person('ines@saltmere.example'));
    $path = tempnam(sys_get_temp_dir(), 'zip');
    $zip = new ZipArchive;
    $zip->open($path, ZipArchive::OVERWRITE | ZipArchive::CREATE);
    $root = Ids::next();
    $zip->addFromString('map.json', (string) json_encode(['format' => 'chalk-tree-map', 'version' => 2, 'title' => null, 'arrangement' => 'both-sides', 'root' => $root, 'topics' => [['id' => $root, 'title' => 'Festival']], 'rows' => [['type' => 'file', 'id' => Ids::next(), 'fields' => ['at' => $root, 'source' => $secret, 'name' => 'a.bin']]], 'files' => [['source' => $secret, 'path' => '../../etc/passwd']]]));
    $zip->addFromString('../../etc/passwd', 'mine');
    $zip->close();
    $id = $this->call('POST', '/api/maps/import?name=x.zip', content: (string) file_get_contents($path), server: ['HTTP_ACCEPT' => 'application/json'])->assertCreated()->json('id');
    unlink($path);
    $copy = MapRecord::query()->findOrFail($id);
    expect(array_values($this->topics($copy)->rowsOf(AttachedFile::class))[0]->content())->toBe(hash('sha256', 'mine'));
    ($this->fetch)($secret, map: $copy)->assertNotFound();
});

it('says a file by a clean name, whatever it was called', function (string $name, string $clean) {
    $id = Ids::next();
    $this->postJson('/api/uploads', ['id' => $id, 'name' => $name, 'bytes' => 0])->assertOk();
    $file = $this->postJson("/api/maps/{$this->map->id}/files", ['upload' => $id])->assertOk()->assertJsonPath('name', $clean)->json('file');
    expect(($this->fetch)($file, '?'.http_build_query(['name' => str_replace("\0", '', $name)]))->assertOk()->headers->get('Content-Disposition'))->not->toContain('/')->not->toContain("\n");
})->with([
    ['../../etc/passwd', 'etc passwd'], ["a\nb\0c.txt", 'a b c.txt'], ["plan\u{202e}fdp.exe", 'plan fdp.exe'], ['Seekarte für Tön.pdf', 'Seekarte für Tön.pdf'], ['...', 'file'], [str_repeat('é', 300).'.pdf', str_repeat('é', 196).'.pdf'], ['100%.pdf', '100%.pdf'],
]);

it('wants a file to have something in it and a name', function () {
    $file = ($this->take)('x')->json('file');
    $send = fn (array $fields): TestResponse => $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'file', 'row' => Ids::next(), 'fields' => ['at' => $this->map->root] + $fields]]);
    foreach ([['name' => 'a'], ['source' => $file], ['source' => $file, 'name' => ' '], ['source' => 'drawing:red-apple', 'name' => 'a'], ['source' => 'file:'.str_repeat('cd', 32), 'name' => 'a']] as $wrong) {
        $send($wrong)->assertOk()->assertJsonPath('edits.0.status', 'refused');
    }
    expect($this->topics($this->map)->rowsOf(AttachedFile::class))->toBe([]);
    $send(['source' => $file, 'name' => 'a'])->assertOk();
    expect($this->topics($this->map)->rowsOf(AttachedFile::class))->toHaveCount(1);
});
