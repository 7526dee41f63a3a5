<?php

declare(strict_types=1);

use ChalkTree\Edit\TopicDraft;
use Illuminate\Support\Facades\Cache;

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove, new TopicDraft('Harbour', children: [
        new TopicDraft('Quay <1>', children: [new TopicDraft('Berths'), new TopicDraft('**Cranes** & hoists')]),
        new TopicDraft('Ferry'),
    ]));
    // As a browser sends it: not encrypted.
    $this->page = fn (?string $frame = 'day.1280x800.249,51,776,749'): string => (string) ($frame === null ? $this : $this->withUnencryptedCookie('chalk-frame', $frame))->get("/maps/{$this->map->id}")->assertOk()->getContent();
    $this->place = fn (float $x, float $y, float $scale) => $this->withUnencryptedCookie('chalk-frame', 'day.1280x800.249,51,776,749')->putJson("/api/maps/{$this->map->id}/place", ['x' => $x, 'y' => $y, 'scale' => $scale])->assertOk();
});

it('puts what the board will show where the board will be', function () {
    $page = ($this->page)();
    expect($page)->toContain('<html lang="en" data-board="day">')->toContain('left: 249px; top: 51px; width: 776px; height: 749px')
        ->toContain('>Quay &lt;1&gt;<')->toContain('>Cranes<')->toContain('inert')->not->toContain('<1>');
    preg_match('/viewBox="(\S+) (\S+) (\S+) (\S+)"/', $page, $box);
    // All fits, so the scale is 1; what the controls take of the foot is left free.
    expect([(float) $box[3], (float) $box[4]])->toBe([776.0, 749.0]);

    ($this->place)(100, -50, 0.5);
    preg_match('/viewBox="(\S+) (\S+) (\S+) (\S+)"/', $page = ($this->page)(), $box);
    expect(array_map(floatval(...), array_slice($box, 1)))->toBe([100 - 776.0, -50 - 749.0, 1552.0, 1498.0])
        // At this scale the first level can be read, and the others are bars.
        ->and($page)->not->toContain('>Cranes<')->toContain('fill-opacity="0.32"')->toContain('>Harbour<');
});

it('follows edits, folds and the place, and is drawn once for each', function () {
    $picture = fn (): string => explode('</svg>', explode('id="first-picture"', ($this->page)())[1])[0];
    $first = $picture();
    expect($picture())->toBe($first);
    $kept = Cache::get("first {$this->map->id} {$this->tove->id}");
    Cache::put("first {$this->map->id} {$this->tove->id}", ['svg' => '<svg>kept</svg>'] + $kept);
    expect($picture())->toContain('kept');

    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->id($this->map, 'Ferry'), 'title' => 'Tug']])->assertOk();
    expect($picture())->toContain('>Tug<')->not->toContain('>Ferry<');
    $this->putJson("/api/maps/{$this->map->id}/view", ['since' => 1, 'folded' => [$this->id($this->map, 'Quay <1>')], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null])->assertOk();
    expect($picture())->not->toContain('>Berths<');
    ($this->place)(5_000, 5_000, 1);
    expect($picture())->not->toContain('>Tug<');
});

it('does not let a page wait for a large map, and has it ready the next time', function () {
    $this->map = $this->mapOf($this->tove, new TopicDraft('Archive', children: array_map(
        fn (int $i): TopicDraft => new TopicDraft("Shelf {$i}", children: array_map(fn (int $n): TopicDraft => new TopicDraft("Box {$i}.{$n}"), range(1, 60))), range(1, 35),
    )));
    expect(($this->page)())->not->toContain('first-picture');
    $this->withCredentials()->withUnencryptedCookie('chalk-frame', 'day.1280x800.249,51,776,749')->getJson("/api/maps/{$this->map->id}")->assertOk();
    expect(($this->page)())->toContain('id="first-picture"');
});

it('draws only so many pictures a minute for pages that are asked for, and gives those that are kept', function () {
    $shown = 0;
    for ($i = 0; $i < 45; $i++) {
        $shown += str_contains(($this->page)('day.1280x800.249,51,'.(700 + $i).',749'), 'id="first-picture"') ? 1 : 0;
    }
    expect($shown)->toBe(40)->and(($this->page)('day.1280x800.249,51,739,749'))->toContain('id="first-picture"');
});

it('gives no picture to whoever may not see the map', function (string $who) {
    match ($who) {
        'someone else' => $this->actingAs($this->person('bram@saltmere.example')),
        'nobody' => $this->app->make('auth')->forgetGuards(),
        'the owner, after the map went to the trash' => $this->deleteJson("/api/maps/{$this->map->id}")->assertOk(),
    };
    expect(($this->page)())->not->toContain('first-picture')->not->toContain('Ferry');
})->with(['someone else', 'nobody', 'the owner, after the map went to the trash']);

it('gives none where no board will be, but the colours of the board', function () {
    expect(($this->page)(null))->not->toContain('first-picture')
        ->and(($this->page)('slate'))->not->toContain('first-picture')->toContain('data-board="slate"');
});

it('takes no frame that is none', function (string $told) {
    expect(($this->page)($told))->not->toContain('first-picture')->toContain('<html lang="en">');
})->with(['', 'day.', 'night.1280x800.0,0,700,700', 'day.1280x800.0,0,0,0', 'day.1280x800.0,0,99999,99999', 'day.1280x800.1,2,3', "day\n", 'day.1280x800.249,51,776,749"><script>', str_repeat('9', 4000), 'day.-1x800.0,0,700,700']);
