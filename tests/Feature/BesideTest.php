<?php

declare(strict_types=1);

use App\Models\MapRecord;
use App\Store\MapStore;
use ChalkTree\Exchange\Formats;
use ChalkTree\Map\Ids;
use Illuminate\Testing\TestResponse;

/* Another map, or a file that came back, laid beside a map. */

beforeEach(function () {
    $this->actingAs($this->tove = $this->person());
    $this->map = $this->mapOf($this->tove);
    $this->file = fn (string $bytes, string $query = ''): TestResponse => $this->call('POST', "/api/maps/{$this->map->id}/beside/file?{$query}", [], [], [], ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/octet-stream'], $bytes);
    $this->titles = fn (MapRecord $map): array => array_map(fn ($topic): string => $topic->title, array_values($this->topics($map)->all()));
    $this->step = Ids::next();
    /** Takes all of an answer over, in one step. */
    $this->take = fn (array $answer): TestResponse => $this->sendEdits($this->map->fresh(), array_map(fn (array $edit): array => ['step' => $this->step] + $edit, array_merge(...array_column($answer['differences'], 'edits'))));
});

it('brings a copy that was worked on elsewhere together with its original, and takes all of it back', function () {
    $copy = Formats::read(Formats::write($this->topics($this->map), 'json'), 'copy.json', 'json');
    $id = fn (string $title): string => $this->id($this->map, $title);
    done($copy, 'topic.retitle', ['topic' => $id('Paper'), 'title' => 'Tissue paper']);
    done($copy, 'topic.add', ['parent' => $id('Lanterns'), 'first' => true, 'topic' => ['title' => 'Glue', 'note' => 'Of rice.']]);
    done($copy, 'topic.remove', ['topics' => [$id('Willow')]]);
    $answer = ($this->file)(Formats::write($copy, 'json'), 'name=copy.json')->assertOk();
    expectShape('BesideAnswer', json_decode($answer->getContent()));
    expect(array_map(fn (array $one): array => [$one['sort'], $one['title']], $answer->json('differences')))->toBe([['new', 'Glue'], ['changed', 'Paper'], ['gone', 'Willow']])
        ->and($answer->json('title'))->toBe('copy.json')->and($this->map->fresh()->seq)->toBe($this->map->seq);
    $before = ($this->titles)($this->map);
    ($this->take)($answer->json())->assertJsonPath('edits.*.status', ['done', 'done', 'done']);
    expect(($this->titles)($this->map->fresh()))->toBe(array_map(fn ($topic): string => $topic->title, array_values($copy->all())))
        ->and(($this->file)(Formats::write($copy, 'json'), 'name=copy.json')->json('differences'))->toBe([]);
    $this->sendEdits($this->map->fresh(), [['name' => 'undo', 'of' => $this->step]])->assertJsonPath('edits.0.status', 'done');
    expect(($this->titles)($this->map->fresh()))->toBe($before);
});

it('lays a map of one’s own beside another, and draws both on one board', function () {
    $other = $this->mapOf($this->tove);
    $this->sendEdits($other, [['name' => 'topic.retitle', 'topic' => $this->id($other, 'Paper'), 'title' => 'Paper from the mill'], ['name' => 'topic.add', 'parent' => $this->id($other, 'Boats'), 'topic' => ['title' => 'Ferry']]])->assertOk();
    $answer = $this->getJson("/api/maps/{$this->map->id}/beside/{$other->id}")->assertOk();
    expect(array_map(fn (array $one): array => [$one['sort'], $one['title']], $answer->json('differences')))->toContain(['new', 'Ferry']);
    $picture = $this->get("/api/maps/{$this->map->id}/beside/{$other->id}?drawn=slate")->assertOk();
    expect($picture->headers->get('Content-Type'))->toBe('image/svg+xml')->and($picture->getContent())->toContain('>Ferry<')->toContain('stroke-dasharray')
        ->and((string) $picture->headers->get('Content-Security-Policy'))->toContain("default-src 'none'");
    expect(($this->file)("Plan\n\tFerry\n", 'name=plan.txt&drawn=day')->assertOk()->getContent())->toContain('<svg');
    $this->getJson("/api/maps/{$this->map->id}/beside/{$other->id}?drawn=pink")->assertUnprocessable();
});

it('lays nothing beside that is somebody else’s or no map, and lets no one else lay', function () {
    $hers = app(MapStore::class)->create($ines = $this->person('ines@saltmere.example'), $this->topics($this->map));
    foreach ([$hers->id, Ids::next(), 'x'] as $other) {
        $this->getJson("/api/maps/{$this->map->id}/beside/{$other}")->assertNotFound();
    }
    foreach (['', '{', '{"format":"none"}', "PK\x03\x04 and no more", "\xff\xfe\x00"] as $bytes) {
        ($this->file)($bytes, 'name=copy.json')->assertUnprocessable();
    }
    $this->flushSession();
    $this->actingAs($ines);
    ($this->file)("Plan\n", 'name=plan.txt')->assertNotFound();
    $this->getJson("/api/maps/{$this->map->id}/beside/{$hers->id}")->assertNotFound();
});

it('reads archives and documents, and says nothing of pictures that it does not keep', function () {
    $zip = $this->get("/api/maps/{$this->map->id}/export?to=zip")->assertOk();
    $bytes = $zip->baseResponse instanceof Symfony\Component\HttpFoundation\BinaryFileResponse ? (string) file_get_contents($zip->baseResponse->getFile()->getPathname()) : $zip->streamedContent();
    expect(($this->file)($bytes, 'name=all.zip')->assertOk()->json('differences'))->toBe([]);
    $map = $this->topics($this->map);
    $file = json_decode(Formats::write($map, 'json'), true);
    $file['rows'][] = ['type' => 'picture', 'id' => $this->id($this->map, 'Paper'), 'fields' => ['source' => 'file:'.str_repeat('ab', 32)]];
    expect(($this->file)(json_encode($file), 'name=copy.json')->assertOk()->json('differences'))->toBe([]);
});

it('knows of a copy that came back from which moment it is, and leaves what was changed here since', function (string $to) {
    $taken = $this->get("/api/maps/{$this->map->id}/export?to={$to}")->assertOk();
    $file = $to === 'json' ? $taken->getContent() : $taken->streamedContent();
    // Here it goes on.
    $this->sendEdits($this->map->fresh(), [
        ['name' => 'topic.add', 'parent' => $this->id($this->map, 'Boats'), 'topic' => ['title' => 'Oars']], ['name' => 'topic.retitle', 'topic' => $this->id($this->map, 'Willow'), 'title' => 'Split willow'],
    ])->assertJsonPath('edits.*.status', ['done', 'done']);
    expect(($this->file)($file, "name=copy.{$to}")->assertOk()->json())->toMatchArray(['differences' => [], 'isSince' => true]);
    if ($to === 'json') {
        $worked = Formats::read($file, 'copy.json', 'json');
        done($worked, 'topic.add', ['parent' => $this->id($this->map, 'Lanterns'), 'topic' => ['title' => 'Glue']]);
        done($worked, 'topic.remove', ['topics' => [$this->id($this->map, 'Paper')]]);
        $data = json_decode(Formats::write($worked, 'json'), true) + ['from' => json_decode($file, true)['from']];
        $answer = ($this->file)(json_encode($data, JSON_THROW_ON_ERROR), 'name=copy.json')->assertOk();
        expect(array_map(fn (array $one): string => "{$one['sort']} {$one['title']}", $answer->json('differences')))->toBe(['new Glue', 'gone Paper']);
        ($this->take)($answer->json())->assertJsonPath('edits.*.status', ['done', 'done']);
        expect(($this->titles)($this->map->fresh()))->toContain('Oars', 'Split willow', 'Glue')->not->toContain('Paper');
        // What says it is from a moment that never was, or of another map, is laid beside as any file is.
        foreach ([['map' => $this->map->id, 'seq' => 99], ['map' => Ids::next(), 'seq' => 0], ['map' => $this->map->id, 'seq' => -1], ['map' => 7], 'x', [], ['map' => $this->map->id, 'seq' => '0']] as $from) {
            $status = ($this->file)(json_encode(['from' => $from] + $data, JSON_THROW_ON_ERROR), 'name=copy.json');
            expect([$from, $status->json('isSince') ?? $status->getStatusCode()])->toBe([$from, is_array($from) ? false : 422]);
        }
    }
})->with(['json', 'zip']);

it('knows the same of a duplicate, both ways, but not of what somebody duplicated who only looked', function () {
    $copy = MapRecord::query()->findOrFail($this->postJson("/api/maps/{$this->map->id}/duplicate")->assertCreated()->json('id'));
    $this->sendEdits($copy, [['name' => 'topic.retitle', 'topic' => $this->id($copy, 'Paper'), 'title' => 'Tissue']]);
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->id($this->map, 'Willow'), 'title' => 'Reed']]);
    $told = fn (MapRecord $own, MapRecord $other): array => array_map(fn (array $one): string => "{$one['sort']} {$one['title']}", $this->getJson("/api/maps/{$own->id}/beside/{$other->id}")->assertOk()->json('differences'));
    expect($told($this->map, $copy))->toBe(['changed Paper'])->and($told($copy, $this->map))->toBe(['changed Willow']);
    $ines = $this->person('ines@saltmere.example');
    app(App\Sharing\Shares::class)->give($this->tove, $this->map, $ines->email, App\Sharing\Role::View);
    $this->flushSession();
    $this->actingAs($ines);
    $hers = MapRecord::query()->findOrFail($this->postJson("/api/maps/{$this->map->id}/duplicate")->assertCreated()->json('id'));
    expect($hers->copied_from)->toBeNull();
});

it('compares any two moments of maps, without letting the past be changed', function () {
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->id($this->map, 'Paper'), 'title' => 'Tissue'], ['name' => 'topic.add', 'parent' => $this->id($this->map, 'Boats'), 'topic' => ['title' => 'Oars']], ['name' => 'topic.retitle', 'topic' => $this->id($this->map, 'Willow'), 'title' => 'Reed']]);
    $told = fn (string $query): array => array_map(fn (array $one): string => "{$one['sort']} {$one['title']}", $this->getJson("/api/maps/{$this->map->id}/beside/{$this->map->id}{$query}")->assertOk()->json('differences'));
    expect($told(''))->toBe([])->and($told('?at=0'))->toBe(['changed Tissue', 'changed Reed', 'gone Oars'])->and($told('?at=2'))->toBe(['changed Reed'])->and($told('?at=2&since=1'))->toBe(['new Oars'])->and($told('?at=1&since=2'))->toBe(['gone Oars']);
    expect($this->get("/api/maps/{$this->map->id}/beside/{$this->map->id}?at=0&since=2&drawn=day")->assertOk()->getContent())->toContain('Tissue')->not->toContain('Reed');
    foreach (['?at=4', '?since=4', '?at=-1', '?at=x', '?since=1.5', '?at=99999999999999999999'] as $query) {
        $this->getJson("/api/maps/{$this->map->id}/beside/{$this->map->id}{$query}")->assertUnprocessable();
    }
    expect($this->map->fresh()->seq)->toBe(3);
});
