<?php

declare(strict_types=1);

use App\Files\ZippedMap;
use App\Library\Exports;
use App\Models\MapRecord;
use ChalkTree\Edit\TopicDraft;
use Illuminate\Support\Facades\Artisan;

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove, new TopicDraft('Harbour', children: [
        new TopicDraft('Quay', 'open', 'Seen by all', [new TopicDraft('Crane')]),
        new TopicDraft('Quillwort', 'Quillwort', 'Nobody knows of Quillwort', [new TopicDraft('Quillwort below')]),
        new TopicDraft('Ferry'),
    ]));
    $this->held = $this->id($this->map, 'Quillwort');
    // The same map, from which that branch was taken out by hand.
    $this->bare = MapRecord::query()->findOrFail($this->postJson("/api/maps/{$this->map->id}/duplicate")->json('id'));
    $this->sendEdits($this->bare, [['name' => 'topic.remove', 'topics' => [$this->id($this->bare, 'Quillwort')]]])->assertOk();
    $ferry = $this->id($this->map, 'Ferry');
    $tied = [['name' => 'row.set', 'type' => 'crosslink', 'row' => ChalkTree\Map\Ids::next(), 'fields' => ['from' => $ferry, 'to' => $this->held, 'phrase' => 'Quillwort']]];
    $this->sendEdits($this->map, [...$tied, ['name' => 'row.set', 'type' => 'private', 'topics' => [$this->held], 'fields' => ['held' => true]]])->assertOk();
    // A deck with a slide of the branch that is private, and of it with others.
    $slides = [['name' => 'deck.make', 'as' => $this->deck = ChalkTree\Map\Ids::next(), 'title' => 'Lesson', 'of' => $this->map->root, 'inStep' => true], ['name' => 'slide.add', 'as' => $this->mixed = ChalkTree\Map\Ids::next(), 'deck' => $this->deck, 'topics' => [$this->held, $this->id($this->map, 'Quay')]]];
    $this->sendEdits($this->map, $slides)->assertOk();
    $this->sendEdits($this->bare, [['name' => 'deck.make', 'as' => ChalkTree\Map\Ids::next(), 'title' => 'Lesson', 'of' => $this->bare->root], ['name' => 'slide.add', 'as' => ChalkTree\Map\Ids::next(), 'deck' => ChalkTree\Map\Ids::next(), 'topics' => [$this->id($this->bare, 'Quay')]]])->assertOk();
    $this->seq = $this->map->fresh()->seq;
});

/** A file as text: archives unpacked. */
function openedUp(string $bytes): string
{
    if (str_starts_with($bytes, '%PDF-')) {
        $text = new Symfony\Component\Process\Process(['pdftotext', '-', '-'], input: $bytes);

        return $text->mustRun()->getOutput().$bytes;
    }
    if (! str_starts_with($bytes, "PK\x03\x04")) {
        return $bytes;
    }
    file_put_contents($file = tempnam(sys_get_temp_dir(), 'zip'), $bytes);
    $zip = new ZipArchive;
    $zip->open($file);
    $all = '';
    for ($i = 0; $i < $zip->numFiles; $i++) {
        $all .= $zip->getNameIndex($i)."\n".$zip->getFromIndex($i);
    }
    $zip->close();
    unlink($file);

    return $all;
}

it('hands over no byte of what is private, in any format, of the map and of a branch', function (string $to) {
    if ($to === 'ics') {
        // A calendar has what is to be done.
        $crane = array_values(array_filter($this->topics($this->map)->all(), fn ($topic): bool => str_contains($topic->title, 'Crane')))[0]->id;
        $this->sendEdits($this->map, [['name' => 'task.set', 'topics' => [$crane, $this->held], 'today' => '2026-11-20']])->assertJsonPath('edits.0.status', 'done');
    }
    $file = $this->get("/api/maps/{$this->map->id}/export?to={$to}")->assertOk();
    expect(openedUp($file->getContent()))->not->toContain('Quillwort')->not->toContain($this->held);
    // What is packed is seen through: what others may see is found in it.
    if (! in_array($to, ['png', 'jpg'], true)) {
        expect(openedUp($file->getContent()))->toContain($to === 'slides-png' ? '01 Quay.png' : 'Crane');
    } else {
        expect($file->getContent() === $this->get("/api/maps/{$this->bare->id}/export?to={$to}")->getContent())->toBeTrue();
    }
    $root = $this->map->root;
    expect(openedUp($this->get("/api/maps/{$this->map->id}/export?to={$to}&topic={$root}")->assertOk()->getContent()))->not->toContain('Quillwort');
    $this->getJson("/api/maps/{$this->map->id}/export?to={$to}&topic={$this->held}")->assertUnprocessable()->assertJson(['code' => 'private']);
    Artisan::call('map:export', ['id' => $this->map->id, '--to' => $to, '--out' => $out = tempnam(sys_get_temp_dir(), 'out')]);
    expect(openedUp((string) file_get_contents($out)))->not->toContain('Quillwort');
    unlink($out);
})->with(fn (): array => array_values(array_filter(Exports::names(), fn (string $to): bool => ! Exports::isComplete($to))));

it('takes nothing private out in tables, in digests, nor to other calendars', function () {
    $crane = $this->id($this->map, 'Crane');
    $this->sendEdits($this->map, [
        ['name' => 'task.set', 'topics' => [$crane, $this->held, $this->id($this->map, 'Quillwort below')], 'by' => '2026-12-05', 'today' => '2026-11-20'],
        ['name' => 'row.set', 'type' => 'table', 'row' => $table = ChalkTree\Map\Ids::next(), 'fields' => ['name' => 'All', 'deep' => true, 'columns' => "title\nabove\nbranch\nnote\nby - count", 'by' => 'above']],
        ['name' => 'row.set', 'type' => 'digest', 'topics' => [$ferry = $this->id($this->map, 'Ferry')], 'fields' => ['when' => '{"ask":"todo","is":"any"}', 'by' => 'above', 'tells' => 'branch']],
    ])->assertOk();
    $bytes = [
        $this->get("/api/maps/{$this->map->id}/table/file?table={$table}")->assertOk()->getContent(),
        $this->getJson("/api/maps/{$this->map->id}/topics/{$ferry}/digest/copy?trail=1")->assertOk()->getContent(),
        $this->get((string) parse_url($this->postJson("/api/maps/{$this->map->id}/calendar")->assertOk()->json('address'), PHP_URL_PATH))->assertOk()->getContent(),
    ];
    Artisan::call('map:table', ['id' => $this->map->id, 'name' => 'All', '--owner' => $this->tove->email]);
    foreach ([...$bytes, Artisan::output()] as $one) {
        expect($one)->toContain('Crane')->not->toContain('Quillwort')->not->toContain($this->held);
    }
});

it('takes what is private along in complete copies, which say so', function () {
    expect($this->get("/api/maps/{$this->map->id}/export?to=json")->assertOk()->getContent())->toContain('Nobody knows of Quillwort');
    $copy = $this->postJson("/api/maps/{$this->map->id}/duplicate")->assertCreated()->json('id');
    expect($this->getJson("/api/maps/{$copy}")->assertOk()->getContent())->toContain('Nobody knows of Quillwort');
    $archive = app(ZippedMap::class)->write($this->map->fresh(), $this->topics($this->map));
    expect(openedUp((string) file_get_contents($archive)))->toContain('Quillwort');
    unlink($archive);
});

it('shows no slide of what is private, and nothing private on any other, whatever way it is shown', function () {
    $deck = $this->getJson("/api/maps/{$this->map->id}/decks/{$this->deck}")->assertOk();
    expect(array_column($deck->json('slides'), 'title'))->toBe(['Quay', 'Ferry', 'Quay'])->and($deck->getContent())->not->toContain('Quillwort')->not->toContain($this->held);
    foreach (['', '?way=only', '?way=trail', '?way=all'] as $way) {
        foreach (['', '/afar', '/picture'] as $part) {
            expect($this->getJson("/api/maps/{$this->map->id}/decks/{$this->deck}/slides/{$this->mixed}{$part}{$way}")->assertOk()->getContent())->not->toContain('Quillwort')->not->toContain($this->held);
        }
    }
    $own = collect($this->topics($this->map)->rowsOf(ChalkTree\Show\Slide::class))->first(fn ($slide): bool => $slide->text('of') === $this->held);
    foreach (['', '/afar', '/picture'] as $part) {
        $this->getJson("/api/maps/{$this->map->id}/decks/{$this->deck}/slides/{$own->id}{$part}")->assertStatus($part === '/picture' ? 204 : 404);
    }
});

it('says nothing private in sentences, and counts without it', function () {
    foreach (['txt', 'csv'] as $format) {
        expect($this->get("/api/maps/{$this->map->id}/sentences.{$format}")->assertOk()->getContent())->not->toContain('Quillwort');
    }
    Artisan::call('map:sentences', ['id' => $this->map->id]);
    expect(Artisan::output())->not->toContain('Quillwort');
    $score = fn ($map): string => (function () use ($map): string {
        Artisan::call('map:sentences', ['id' => $map->id, '--score' => true]);

        return Artisan::output();
    })();
    expect($score($this->map))->toBe($score($this->bare));
    $this->getJson("/api/maps/{$this->map->id}/card")->assertOk()->assertJson(['below' => 3]);
});

it('shows a map to others as if nothing private were in it, until the page is opened again', function () {
    $view = ['since' => $this->seq, 'folded' => [], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null];
    $slips = fn (array $scene): array => array_column($scene['slips'], 'id');
    $shown = $this->putJson("/api/maps/{$this->map->id}/view", $view + ['showing' => true])->assertOk();
    expect($shown->json('scene.reset'))->toBeTrue()->and($slips($shown->json('scene')))->toHaveCount(4)->not->toContain($this->held)
        ->and(json_encode($shown->json('scene')))->not->toContain('Quillwort');
    // What is done meanwhile is told without it too.
    $news = $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->held, 'title' => 'Quillwort again']], $this->seq)->assertOk();
    expect($news->json('scene.reset'))->toBeTrue()->and(json_encode($news->json('scene')))->not->toContain('Quillwort');
    $after = $this->putJson("/api/maps/{$this->map->id}/view", ['since' => $news->json('seq')] + $view + ['showing' => false])->assertOk();
    expect($slips($after->json('scene')))->toContain($this->held);
    $this->putJson("/api/maps/{$this->map->id}/view", ['since' => $news->json('seq')] + $view + ['showing' => true])->assertOk();
    $open = $this->getJson("/api/maps/{$this->map->id}")->assertOk();
    expect($open->json('view.showing'))->toBeFalse()->and($slips($open->json('scene')))->toContain($this->held);
    $next = $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->held, 'title' => 'Quillwort']], $open->json('seq'))->assertOk();
    expect($next->json('scene.reset'))->toBeFalse()->and($slips($next->json('scene')))->toContain($this->held);
});

it('numbers what is shown to others without what is private', function () {
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'numbering', 'topics' => [$this->map->root], 'fields' => ['style' => '1']]], $this->seq)->assertOk();
    $view = ['since' => $this->map->fresh()->seq, 'folded' => [], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null];
    $ferry = $this->id($this->map, 'Ferry');
    expect($this->getJson("/api/maps/{$this->map->id}")->json("numbers.{$ferry}"))->toBe('3.')
        ->and($this->putJson("/api/maps/{$this->map->id}/view", $view + ['showing' => true])->json("numbers.{$ferry}"))->toBe('2.');
});
