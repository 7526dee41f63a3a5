<?php

declare(strict_types=1);

use App\Library\Trash;
use App\Models\MapRecord;
use App\Models\PictureRecord;
use App\Pictures\KeptPictures;
use App\Pictures\PictureSize;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;
use ChalkTree\Picture\TopicPicture;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Tests\Support\Photos;

beforeEach(function () {
    $this->actingAs($this->tove = $this->person());
    $this->map = $this->mapOf($this->tove);
    $this->bring = fn (string $bytes, ?MapRecord $map = null): TestResponse => $this->call('POST', '/api/maps/'.($map ?? $this->map)->id.'/pictures', content: $bytes, server: ['HTTP_ACCEPT' => 'application/json']);
    $this->put = fn (string $source, string $title = 'Boats', ?MapRecord $map = null): TestResponse => $this->sendEdits($map ?? $this->map, [['name' => 'row.set', 'type' => 'picture', 'topics' => [$this->id($map ?? $this->map, $title)], 'fields' => ['source' => $source, 'wide' => 40, 'high' => 30]]]);
    $this->read = fn (string $source, string $size, ?MapRecord $map = null): TestResponse => $this->get('/api/maps/'.($map ?? $this->map)->id.'/pictures/'.substr($source, 5)."/{$size}");
});

/** @return array{int, int} */
function pixelsOf(string $bytes): array
{
    return array_slice((array) getimagesizefromstring($bytes), 0, 2);
}

it('keeps a photograph, and gives it whole and reduced, turned as it is seen', function () {
    $answer = ($this->bring)(Photos::jpeg(2400, 1200, turn: 6))->assertOk();
    expect([$answer->json('wide'), $answer->json('high')])->toBe([1200, 2400]);
    $source = $answer->json('picture');
    foreach (['small' => [240, 480], 'large' => [800, 1600], 'original' => [2400, 1200]] as $size => $wanted) {
        $picture = ($this->read)($source, $size)->assertOk()->assertHeader('Content-Type', 'image/jpeg');
        expect(pixelsOf($picture->getContent()))->toBe($wanted, $size)->and(str_contains($picture->getContent(), Photos::SECRET))->toBeFalse($size)
            ->and($picture->headers->get('Cache-Control'))->toContain('immutable')->and($picture->headers->get('Content-Security-Policy'))->toContain('sandbox');
    }
});

it('reduces every sort, keeps what one sees through, and makes none larger', function (string $bytes, string $media, array $small) {
    $source = ($this->bring)($bytes)->assertOk()->json('picture');
    $copy = ($this->read)($source, 'small')->assertHeader('Content-Type', $media)->getContent();
    expect(pixelsOf($copy))->toBe($small);
})->with([
    'png' => fn () => [Photos::png(960, 480), 'image/jpeg', [480, 240]],
    'png with holes' => fn () => [(function (): string {
        $image = imagecreatetruecolor(60, 20);
        imagesavealpha($image, true);
        imagefill($image, 0, 0, (int) imagecolorallocatealpha($image, 0, 0, 0, 127));
        ob_start();
        imagepng($image);

        return (string) ob_get_clean();
    })(), 'image/png', [60, 20]],
    'gif' => fn () => [Photos::gif(40, 30), 'image/jpeg', [40, 30]],
    'webp' => fn () => [Photos::webp(960, 480), 'image/jpeg', [480, 240]],
]);

it('shows an SVG as it is, and never as a page', function () {
    $source = ($this->bring)(Photos::svg())->assertOk()->json('picture');
    ($this->read)($source, 'small')->assertHeader('Content-Type', 'image/svg+xml')->assertHeader('X-Content-Type-Options', 'nosniff')
        ->assertHeader('Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox");
});

it('says what is wrong with a file, and keeps nothing of it', function (string $bytes, string $sentence) {
    ($this->bring)($bytes)->assertUnprocessable()->assertJson(['code' => 'unusable_picture'])->assertJsonFragment(['field' => null]);
    expect(($this->bring)($bytes)->json('message'))->toContain($sentence)->and(PictureRecord::query()->count())->toBe(0)->and(Storage::disk('local')->allFiles())->toBe([]);
})->with([
    'text' => ['hello', 'PNG, JPEG, GIF, WebP and SVG'],
    'nothing' => ['', 'empty'],
    'script' => fn () => [Photos::svg('<script>1</script>'), 'does more than draw'],
    'too many pixels' => fn () => [substr_replace(Photos::png(), pack('NN', 10_000, 7_000), 16, 8), '60 is the most'],
    // A header as it should be, and nothing behind it that could be drawn.
    'damaged' => fn () => [substr(Photos::jpeg(400, 300), 0, 620)."\xff\xda\0\x0c\3\1\0\2\x11\3\x11\0\x3f\0zzz\xff\xd9", 'damaged'],
]);

it('refuses what is too long before it is read', function () {
    $this->call('POST', "/api/maps/{$this->map->id}/pictures", content: 'x', server: ['HTTP_ACCEPT' => 'application/json', 'CONTENT_LENGTH' => (string) (25 * 1024 * 1024)])->assertStatus(413);
});

it('lets nobody else bring or see a picture', function () {
    $source = ($this->bring)(Photos::png())->json('picture');
    $this->flushSession();
    $this->actingAs($this->person('ines@saltmere.example'));
    ($this->bring)(Photos::png())->assertNotFound();
    ($this->read)($source, 'small')->assertNotFound();
    $this->getJson("/api/maps/{$this->map->id}/legend")->assertNotFound();
    $own = $this->mapOf($this->person('ines@saltmere.example'));
    // That they know its name does not let them see it.
    ($this->read)($source, 'original', $own)->assertNotFound();
    ($this->put)($source, map: $own)->assertOk()->assertJsonPath('edits.0.status', 'refused');
    expect($this->topics($own)->rowsOf(TopicPicture::class))->toBe([]);
    // The refused edit has left nothing in memory either: the next one goes on from the map as it was.
    expect($this->sendEdits($own, [['name' => 'row.set', 'type' => 'picture', 'topics' => [$this->id($own, 'Boats')], 'fields' => ['width' => 90]]])->json('scene.slips'))->toBe([]);
    $this->flushSession();
    $this->app->make('auth')->forgetGuards();
    ($this->read)($source, 'small')->assertUnauthorized();
    ($this->bring)(Photos::png())->assertUnauthorized();
    $this->getJson('/api/drawings')->assertUnauthorized();
    $this->getJson('/api/stamps')->assertUnauthorized();
});

it('gives only sizes that there are, of pictures that are there', function () {
    $source = ($this->bring)(Photos::png())->json('picture');
    ($this->read)($source, 'huge')->assertNotFound();
    ($this->read)('file:'.str_repeat('0', 64), 'small')->assertNotFound();
    $this->get("/api/maps/{$this->map->id}/pictures/../../x/small")->assertNotFound();
});

it('lets a picture go along to another map of the same person, and into a duplicate', function () {
    $source = ($this->bring)(Photos::png())->json('picture');
    ($this->put)($source)->assertJsonPath('edits.0.status', 'done');
    $other = $this->mapOf($this->tove, new TopicDraft('Other', children: [new TopicDraft('There')]));
    ($this->read)($source, 'small', $other)->assertNotFound();
    $drafts = $this->postJson("/api/maps/{$this->map->id}/copy", ['topics' => [$this->id($this->map, 'Boats')]])->json('topics');
    $this->sendEdits($other, [['name' => 'topic.add-many', 'topics' => $drafts, 'parent' => $other->root]])->assertJsonPath('edits.0.status', 'done');
    ($this->read)($source, 'small', $other)->assertOk();
    $copy = MapRecord::query()->findOrFail($this->postJson("/api/maps/{$this->map->id}/duplicate")->json('id'));
    ($this->read)($source, 'small', $copy)->assertOk();
});

it('carries pictures in our own format, so that they are there for whoever reads it', function () {
    $source = ($this->bring)(Photos::jpeg(64, 48, turn: 6))->json('picture');
    ($this->put)($source);
    $file = $this->get("/api/maps/{$this->map->id}/export?to=json")->assertOk()->getContent();
    $this->flushSession();
    $this->actingAs($this->person('ines@saltmere.example'));
    $id = $this->call('POST', '/api/maps/import?name=a.json', content: $file, server: ['HTTP_ACCEPT' => 'application/json'])->assertCreated()->json('id');
    ($this->read)($source, 'original', MapRecord::query()->findOrFail($id))->assertOk();
    // Under a name that is not its own a picture is kept under its own.
    $false = str_replace(substr($source, 5), str_repeat('ab', 32), $file);
    $map = MapRecord::query()->findOrFail($this->call('POST', '/api/maps/import?name=a.json', content: $false, server: ['HTTP_ACCEPT' => 'application/json'])->assertCreated()->json('id'));
    expect(array_values($this->topics($map)->rowsOf(TopicPicture::class))[0]->text('source'))->toBe($source)
        ->and(Storage::disk('local')->exists('pictures/ab/'.str_repeat('ab', 32).'/original'))->toBeFalse();
    $count = MapRecord::query()->count();
    $broken = preg_replace('/"data":\s*"[^"]+"/', '"data": "aGVsbG8="', $file);
    $this->call('POST', '/api/maps/import?name=a.json', content: $broken, server: ['HTTP_ACCEPT' => 'application/json'])->assertUnprocessable();
    expect(MapRecord::query()->count())->toBe($count);
});

it('draws pictures into SVG and PNG', function () {
    $source = ($this->bring)(Photos::png(300, 200))->json('picture');
    ($this->put)($source);
    ($this->put)('drawing:red-apple', 'Lanterns');
    $svg = $this->get("/api/maps/{$this->map->id}/export?to=svg")->assertOk()->getContent();
    expect($svg)->toContain('href="data:image/jpeg;base64,')->and($svg)->toContain('viewBox="0 0 32 32"')->and((new DOMDocument)->loadXML($svg))->toBeTrue();
    $png = imagecreatefromstring($this->get("/api/maps/{$this->map->id}/export?to=png")->assertOk()->getContent());
    $blue = 0;
    for ($x = 0; $x < imagesx($png); $x += 3) {
        for ($y = 0; $y < imagesy($png); $y += 3) {
            ['red' => $r, 'green' => $g, 'blue' => $b] = imagecolorsforindex($png, imagecolorat($png, $x, $y));
            $blue += abs($r - 30) < 12 && abs($g - 90) < 12 && abs($b - 160) < 12 ? 1 : 0;
        }
    }
    // Half of the picture is of that colour.
    expect($blue)->toBeGreaterThan(150);
});

it('keeps the files that some map shows, and takes the others when the trash is emptied', function () {
    $kept = app(KeptPictures::class);
    [$one, $two] = [($this->bring)(Photos::png(50, 50))->json('picture'), ($this->bring)(Photos::png(60, 60))->json('picture')];
    $other = $this->mapOf($this->tove);
    ($this->bring)(Photos::png(60, 60), $other);
    $this->map->trashed_at = now();
    $this->map->save();
    expect(app(Trash::class)->emptyMaps($this->tove))->toBe(1);
    $this->travel(2)->hours();
    $there = fn (string $source): bool => Storage::disk('local')->exists('pictures/'.substr($source, 5, 2).'/'.substr($source, 5).'/original');
    $age = fn (string $source) => touch(Storage::disk('local')->path('pictures/'.substr($source, 5, 2).'/'.substr($source, 5).'/original'), time() - 7200);
    $age($one);
    $age($two);
    expect($kept->sweep())->toBe(1)->and($there($one))->toBeFalse()->and($there($two))->toBeTrue()
        ->and($kept->read($kept->find($other->id, substr($two, 5)), PictureSize::Small)[1])->toBe('image/jpeg');
});

it('finds drawings, and bounds what is asked', function () {
    expect($this->getJson('/api/drawings?words=red+apple')->assertOk()->json('drawings.0'))->toBe(['name' => 'red-apple', 'label' => 'red apple'])
        ->and($this->getJson('/api/drawings?words='.str_repeat('x', 101))->status())->toBe(422)
        ->and($this->getJson('/api/drawings?words[]=x')->status())->toBe(422)
        ->and(count($this->getJson('/api/drawings')->json('drawings')))->toBe(240);
});

it('tells what the signs of a map mean', function () {
    $this->sendEdits($this->map, [
        ['name' => 'row.set', 'type' => 'stamps', 'topics' => [$this->id($this->map, 'Boats'), $this->id($this->map, 'Paper')], 'fields' => ['idea' => true]],
        ['name' => 'sign.mean', 'sign' => 'stamp:idea', 'means' => 'to be tried'],
    ])->assertJsonPath('edits.1.status', 'done');
    expect($this->getJson("/api/maps/{$this->map->id}/legend")->assertOk()->json('lines.0'))->toMatchArray(['sign' => 'stamp:idea', 'words' => 'idea', 'means' => 'to be tried', 'count' => 2])
        ->and(count($this->getJson('/api/stamps')->json('stamps')))->toBe(29);
});

it('tells the legend on the board when it changes, and not the whole map', function () {
    $seq = $this->sendEdits($this->map, [
        ['name' => 'row.set', 'type' => 'stamps', 'topics' => [$this->id($this->map, 'Boats')], 'fields' => ['idea' => true]],
        ['name' => 'row.set', 'type' => 'legend', 'row' => Ids::next(), 'fields' => ['shown' => true]],
    ])->json('seq');
    $answer = $this->sendEdits($this->map, [['name' => 'sign.mean', 'sign' => 'stamp:idea', 'means' => 'to be tried']], $seq)->assertOk();
    expect($answer->json('scene.reset'))->toBeFalse()->and($answer->json('scene.slips'))->toBe([])->and($answer->json('scene.marks.0.type'))->toBe('legend')
        ->and(json_encode($answer->json('scene.marks.0.parts')))->toContain('to be tried');
});
