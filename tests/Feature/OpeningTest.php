<?php

declare(strict_types=1);

use App\Library\Trash;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;
use Illuminate\Support\Facades\Cache;
use Tests\Support\Chance;

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove, new TopicDraft('Harbour', children: array_map(
        fn (int $i): TopicDraft => new TopicDraft("Quay {$i}", children: array_map(fn (int $n): TopicDraft => new TopicDraft("Berth {$i}.{$n}"), range(1, 9))), range(1, 30),
    )));
    $this->open = fn (): array => $this->getJson("/api/maps/{$this->map->id}")->assertOk()->json();
    // What opening answers with when nothing is kept.
    $this->anew = function (): array {
        Cache::flush();

        return ($this->open)();
    };
});

it('answers from what was drawn before just what drawing anew would', function () {
    $chance = new Chance(11);
    $ids = array_map(strval(...), array_keys($this->topics($this->map)->all()));
    for ($i = 0; $i < 12; $i++) {
        $first = ($this->open)();
        expect(($this->open)())->toBe($first)->and(($this->anew)())->toBe($first);
        $seq = $first['seq'];
        match ($i % 4) {
            0 => $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $chance->pick($ids), 'title' => "Renamed {$i}"]], $seq)->assertOk(),
            1 => $this->putJson("/api/maps/{$this->map->id}/view", ['since' => $seq, 'folded' => [$ids[1 + $i]], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null])->assertOk(),
            2 => $this->patchJson("/api/maps/{$this->map->id}", ['title' => "Named {$i}"])->assertOk(),
            default => $this->sendEdits($this->map, [['name' => 'undo']], $seq)->assertOk(),
        };
    }
});

it('keeps what was drawn, and what is a person’s own out of it', function () {
    $drawn = fn (): bool => Cache::has("drawn {$this->map->id} ".crc32(' ') % 4);
    expect($drawn())->toBeFalse();
    ($this->open)();
    expect($drawn())->toBeTrue();
    $kept = Cache::get("drawn {$this->map->id} ".crc32(' ') % 4);
    expect(array_keys($kept['drawn']))->toBe(['rows', 'scene', 'numbers', 'memory']);
    // The next edit begins from the memory that came with it.
    $topic = $this->id($this->map, 'Quay 7');
    $answer = $this->sendEdits($this->map, [['name' => 'topic.add', 'parent' => $topic, 'topic' => ['id' => Ids::next(), 'title' => 'Ferry']]])->assertOk();
    expect(count($answer->json('scene.slips')))->toBeLessThan(60);
});

it('has nothing to take from a map whose trash is emptied but what is there', function () {
    $topic = $this->id($this->map, 'Quay 3');
    $this->sendEdits($this->map, [['name' => 'topic.remove', 'topics' => [$topic]]])->assertOk();
    $first = ($this->open)();
    $this->app->make(Trash::class)->emptyBranches($this->map);
    expect(($this->open)()['rows'])->toBe($first['rows'])->and(($this->anew)()['rows'])->toBe($first['rows']);
});
