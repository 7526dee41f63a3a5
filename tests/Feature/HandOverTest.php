<?php

declare(strict_types=1);

use App\HandOver\MakeHandOver;
use App\Library\Exports;
use App\Models\HandOver;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\HandOver\Choices;
use ChalkTree\Map\Ids;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove, new TopicDraft('Fair', children: [new TopicDraft('Stalls', 'twelve', 'Along the quay.', [new TopicDraft('Soup'), new TopicDraft('Bread')]), new TopicDraft('Music')]));
    $this->begin = fn (array $wish = []) => $this->postJson("/api/maps/{$this->map->id}/handovers", $wish + ['to' => 'html', 'choices' => [], 'topic' => null, 'chosen' => [], 'board' => 'day']);
});

it('names the same formats in the core, in the application and on the wire', function () {
    expect(Choices::FORMATS)->toEqualCanonicalizing(Exports::names());
});

it('makes a file that is fetched when it is done', function () {
    $made = ($this->begin)()->assertCreated()->json();
    expect($made['state'])->toBe('done')->and($made['bytes'])->toBeGreaterThan(1_000);
    $this->getJson("/api/handovers/{$made['id']}")->assertOk()->assertJson(['percent' => 100, 'message' => null]);
    $file = $this->get("/api/handovers/{$made['id']}/file")->assertOk();
    expect($file->headers->get('Content-Disposition'))->toContain('Fair.html')->and($file->headers->get('X-Content-Type-Options'))->toBe('nosniff')
        ->and((string) file_get_contents($file->baseResponse->getFile()->getPathname()))->toContain('Along the quay.');
    $pdf = ($this->begin)(['to' => 'pdf'])->json();
    expect($pdf['pages'])->toBe(1)->and(substr($this->get("/api/handovers/{$pdf['id']}/pages/1")->assertOk()->getContent(), 1, 3))->toBe('PNG');
    $this->get("/api/handovers/{$pdf['id']}/pages/2")->assertNotFound();
    $this->get("/api/handovers/{$made['id']}/pages/1")->assertNotFound();
    $this->deleteJson("/api/handovers/{$made['id']}")->assertOk();
    $this->get("/api/handovers/{$made['id']}/file")->assertNotFound();
});

it('tells how far it is, and is stopped, before it is begun and in between', function () {
    Queue::fake();
    $id = ($this->begin)()->assertCreated()->assertJson(['state' => 'waiting', 'percent' => 0])->json('id');
    $this->get("/api/handovers/{$id}/file")->assertNotFound();
    $this->deleteJson("/api/handovers/{$id}")->assertOk();
    app()->call([new MakeHandOver($id), 'handle']);
    expect(HandOver::query()->count())->toBe(0)->and(Storage::disk('local')->exists("made/{$id}"))->toBeFalse();
    // Stopped by somebody while the pictures are put in.
    $id = ($this->begin)()->json('id');
    HandOver::query()->whereKey($id)->update(['state' => 'stopped']);
    app()->call([new MakeHandOver($id), 'handle']);
    expect(HandOver::query()->find($id)?->state)->toBe('stopped')->and(glob(storage_path('app/making/*')))->toBe([]);
});

it('shows what was made to nobody else', function () {
    $id = ($this->begin)()->json('id');
    $this->flushSession();
    $this->actingAs($this->person('ines@saltmere.example'));
    foreach (['', '/file', '/pages/1'] as $what) {
        $this->getJson("/api/handovers/{$id}{$what}")->assertNotFound();
    }
    $this->deleteJson("/api/handovers/{$id}")->assertNotFound();
    ($this->begin)()->assertNotFound();
    expect(HandOver::query()->count())->toBe(1);
});

it('keeps four of a person’s at a time', function () {
    $ids = array_map(fn (): string => ($this->begin)(['to' => 'md'])->assertCreated()->json('id'), range(1, 6));
    expect(HandOver::query()->orderBy('id')->pluck('id')->all())->toBe(array_slice($ids, 2))
        ->and(Storage::disk('local')->exists("made/{$ids[0]}"))->toBeFalse()->and(Storage::disk('local')->exists("made/{$ids[5]}"))->toBeTrue();
});

it('refuses what is not to be had', function (array $wish) {
    ($this->begin)($wish)->assertUnprocessable();
    expect(HandOver::query()->count())->toBe(0);
})->with([[['to' => 'zip']], [['to' => 'exe']], [['choices' => ['depth' => -1]]], [['choices' => ['headings' => 9]]], [['choices' => 'x']], [['chosen' => ['x']]], [['topic' => 'x']], [['board' => 'x']], [['choices' => ['paper' => 'a9']]], [['choices' => ['numbered' => 'perhaps']]]]);

it('says why it failed where all of it is private', function () {
    $stalls = $this->id($this->map, 'Stalls');
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'private', 'topics' => [$stalls], 'fields' => ['held' => true]]])->assertOk();
    ($this->begin)(['topic' => $stalls])->assertCreated()->assertJson(['state' => 'failed'])->assertJsonPath('message', fn (string $why): bool => str_contains($why, 'private'));
});

it('hands over what was chosen, the same over HTTP and on the command line', function () {
    $stalls = $this->id($this->map, 'Stalls');
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'hand-over', 'row' => Ids::next(), 'fields' => ['name' => 'Short', 'depth' => 1, 'numbered' => true, 'noNotes' => true, 'to' => 'txt']]])->assertOk();
    $line = function (string ...$with): string {
        $said = ['id' => $this->map->id, '--owner' => $this->tove->email];
        foreach ($with as $one) {
            [$name, $value] = [...explode('=', $one, 2), true];
            $said[$name] = $value;
        }
        Artisan::call('map:export', $said);

        return Artisan::output();
    };
    $web = fn (string $query): string => $this->get("/api/maps/{$this->map->id}/export?{$query}")->assertOk()->getContent();
    expect($line('--preset=short'))->toBe("Fair\n\t1. Stalls\n\t2. Music\n")->toBe($web('to=txt&preset=Short'))
        ->and($line('--preset=Short', '--depth=0'))->toBe("Fair\n")
        ->and($line('--to=md', "--topic={$stalls}", '--no-notes', '--no-captions', '--headings=0'))->toBe("- Stalls\n  - Soup\n  - Bread\n")->toBe($web("to=md&topic={$stalls}&noNotes=1&noCaptions=true&headings=0"))
        ->and($line('--to=txt', '--set=order=title'))->toBe("Fair\n\tMusic\n\tStalls\n\t\tBread\n\t\tSoup\n")
        ->and($web("to=txt&chosen={$stalls}"))->toBe("Fair\n\tStalls\n\t\tSoup\n\t\tBread\n")
        ->and($line('--to=txt', '--preset=Long'))->toContain('no settings called “Long”')->toContain('Short')
        ->and($line('--to=txt', '--set=colour=red'))->toContain('nothing called “colour”')
        ->and($line('--to=txt', '--depth=x'))->toContain('depth');
    $this->getJson("/api/maps/{$this->map->id}/export?to=txt&preset=Long")->assertUnprocessable();
});
