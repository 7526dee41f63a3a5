<?php

declare(strict_types=1);

use App\Find\MeantSearch;
use App\Models\MapTraces;
use ChalkTree\Edit\Wording;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Map\Ids;
use Illuminate\Support\Facades\Artisan;

/* The topics that are meant, in all maps of a person. */

beforeEach(function () {
    $this->actingAs($this->tove = $this->person());
    $this->map = $this->mapOf($this->tove);
    $this->ask = fn (string $text, ?string $after = null) => $this->postJson('/api/meant', ['text' => $text, 'after' => $after])->assertOk()->json();
    $this->found = fn (string $text): array => array_merge(...array_map(fn (array $map): array => array_column($map['hits'], 'title'), ($this->ask)($text)['maps']));
});

it('tells of topics in all maps, with the way to each', function () {
    $other = $this->mapOf($this->tove);
    $this->sendEdits($other, [['name' => 'topic.retitle', 'topic' => $this->id($other, 'Paper'), 'title' => 'Tissue paper']])->assertOk();
    $answer = $this->postJson('/api/meant', ['text' => 'paper'])->assertOk();
    expectShape('MeantAnswer', json_decode($answer->getContent()));
    expect(array_column($answer->json('maps'), 'map'))->toBe([$other->id, $this->map->id])
        ->and($answer->json('maps.0.hits'))->toHaveCount(1)
        ->and($answer->json('maps.0.hits.0.title'))->toBe('Tissue paper')
        ->and($answer->json('maps.0.hits.0.trail'))->toBe(['Lanterns'])
        ->and($answer->json('next'))->toBeNull()
        ->and($answer->json('pieces.0.words'))->toBe('text “paper”');
});

it('knows of what was changed a moment ago, and opens no map that has no trace of what is meant', function () {
    expect(($this->found)('ferry timetable'))->toBe([]);
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->id($this->map, 'Paper'), 'title' => 'Ferry timetable']])->assertOk();
    expect(($this->found)('ferry timetable'))->toBe(['Ferry timetable']);
    // What is not among the traces is not looked for.
    MapTraces::query()->whereKey($this->map->id)->update(['traces' => 'nothing']);
    expect(($this->found)('ferry timetable'))->toBe([])->and(($this->found)('not ferry'))->not->toBe([]);
    MapTraces::query()->whereKey($this->map->id)->delete();
    app(MeantSearch::class)->catchUp($this->tove);
    expect(MapTraces::query()->find($this->map->id)?->traces)->toContain('ferry timetable')->and(Artisan::call('find:index'))->toBe(0);
});

it('reads words in each map by the names it has, and passes over maps that do not know them', function () {
    $meeting = ShippedKinds::rows();
    $kind = array_values(array_filter($meeting, fn ($row): bool => $row::type() === 'kind' && $row->text('name') === 'Meeting'))[0];
    $this->sendEdits($this->map, [['name' => 'kind.take', 'rows' => [['type' => 'kind', 'id' => $kind->id, 'fields' => $kind->saying()]]], ['name' => 'kind.give', 'topics' => [$this->id($this->map, 'Paper')], 'kind' => $kind->id, 'today' => '2026-11-23']])->assertOk();
    $other = $this->mapOf($this->tove);
    $this->sendEdits($other, [['name' => 'topic.retitle', 'topic' => $this->id($other, 'Boats'), 'title' => 'What kind of meeting']])->assertOk();
    $answer = ($this->ask)('kind Meeting');
    expect(array_column($answer['maps'], 'map'))->toBe([$this->map->id])->and(array_column($answer['pieces'], 'words'))->toBe(['kind Meeting']);
});

it('knows in all maps a topic whose title is too long to be told whole', function () {
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->id($this->map, 'Lanterns'), 'title' => $title = 'The lanterns of the evening procession, and who carries which of them along the mole']])->assertOk();
    app(MeantSearch::class)->catchUp($this->tove);
    $told = 'below '.Wording::excerpt($title);
    expect($told)->toEndWith('…”')->and(($this->found)($told))->toContain('Paper');
});

it('tells of nobody else’s maps, nor of what is in a trash', function () {
    $this->mapOf($this->person('ines@saltmere.example'));
    expect(($this->ask)('paper')['maps'])->toHaveCount(1);
    $this->sendEdits($this->map, [['name' => 'topic.remove', 'topics' => [$this->id($this->map, 'Lanterns')]]])->assertOk();
    expect(($this->ask)('paper')['maps'])->toBe([]);
    $this->deleteJson("/api/maps/{$this->map->id}")->assertOk();
    expect(($this->ask)('not paper')['maps'])->toBe([]);
});

it('goes on after the map up to which it has told, and counts what it does not tell', function () {
    $maps = [$this->map->id];
    for ($n = 0; $n < 4; $n++) {
        $maps[] = ($map = $this->mapOf($this->tove))->id;
        $this->sendEdits($map, array_map(fn (int $i): array => ['name' => 'topic.add', 'parent' => $map->root, 'topic' => ['id' => Ids::next(), 'title' => "Wick {$i}"]], range(1, 12)))->assertOk();
    }
    [$seen, $after, $answers] = [[], null, 0];
    do {
        $answer = ($this->ask)('wick', $after);
        foreach ($answer['maps'] as $map) {
            $seen[] = $map['map'];
            expect($map['count'])->toBe(12)->and(count($map['hits']))->toBeLessThan(12);
        }
        $after = $answer['next'];
        $answers++;
    } while ($after !== null && $answers < 20);
    expect($seen)->toBe(array_reverse(array_slice($maps, 1)))->and($answers)->toBeGreaterThan(1);
});

it('parts an answer when it has taken long enough, and loses nothing by it', function () {
    config(['chalk.patience' => 0.0]);
    $other = $this->mapOf($this->tove);
    $this->sendEdits($other, [['name' => 'topic.retitle', 'topic' => $this->id($other, 'Paper'), 'title' => 'Tissue paper']])->assertOk();
    $first = ($this->ask)('paper');
    expect(array_column($first['maps'], 'map'))->toBe([$other->id])->and($first['next'])->toBe($other->id);
    $second = ($this->ask)('paper', $first['next']);
    expect(array_column($second['maps'], 'map'))->toBe([$this->map->id])->and($second['next'])->toBe($this->map->id)
        ->and(($this->ask)('paper', $second['next']))->toMatchArray(['maps' => [], 'next' => null]);
});

it('refuses what cannot be asked, and asks nothing of nothing', function () {
    expect(($this->ask)('   '))->toBe(['text' => '   ', 'pieces' => [], 'maps' => [], 'next' => null, 'problem' => null])
        ->and(($this->ask)(implode(' ', array_fill(0, 70, 'a')))['problem'])->toContain('at most 60');
    $this->postJson('/api/meant', ['text' => str_repeat('a', 2_000)])->assertStatus(422);
    $this->postJson('/api/meant', [])->assertStatus(422);
    app('auth')->forgetGuards();
    $this->postJson('/api/meant', ['text' => 'paper'])->assertStatus(401);
});
