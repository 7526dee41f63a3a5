<?php

declare(strict_types=1);

use ChalkTree\Map\Ids;
use ChalkTree\Walk\Stop;
use ChalkTree\Walk\Stops;
use Illuminate\Support\Facades\Artisan;

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove);
    $this->order = fn (): array => array_map(fn (Stop $stop): string => $this->topics($this->map)->topic($stop->id)->title, Stops::of($this->topics($this->map)));
    $this->put = fn (array $titles, array $with = []) => $this->sendEdits($this->map, [['name' => 'stop.put', 'topics' => array_map(fn (string $title): string => $this->id($this->map, $title), $titles)] + $with], $this->map->fresh()->seq)->assertOk();
});

it('keeps the stops of a walk, tells them to whoever opens the map, and takes them back', function () {
    ($this->put)(['Boats', 'Paper'])->assertJsonPath('edits.0.status', 'done');
    ($this->put)(['Willow'], ['after' => $this->id($this->map, 'Boats')])->assertJsonPath('edits.0.status', 'done');
    expect(($this->order)())->toBe(['Boats', 'Willow', 'Paper']);
    $rows = array_filter($this->getJson("/api/maps/{$this->map->id}")->json('rows'), fn (array $row): bool => $row['type'] === 'stop');
    $ranks = array_column(array_column($rows, 'fields'), 'rank');
    expect($rows)->toHaveCount(3)->and(array_unique($ranks))->toHaveCount(3);
    foreach ([['Boats', 'Paper'], []] as $order) {
        $this->sendEdits($this->map, [['name' => 'undo']], $this->map->fresh()->seq)->assertOk();
        expect(($this->order)())->toBe($order);
    }
    $this->sendEdits($this->map, [['name' => 'redo'], ['name' => 'redo']], $this->map->fresh()->seq)->assertOk();
    expect(($this->order)())->toBe(['Boats', 'Willow', 'Paper']);
    $history = $this->getJson("/api/maps/{$this->map->id}/history")->assertOk()->getContent();
    expect($history)->toContain('Put a topic on the walk')->toContain('Put 2 topics on the walk');
});

it('refuses what is no stop or no place for one, and changes nothing', function (Closure $edit) {
    ($this->put)(['Boats']);
    $this->sendEdits($this->map, [$edit(fn (string $title): string => $this->id($this->map, $title))], $this->map->fresh()->seq)->assertOk()->assertJsonPath('edits.0.status', 'refused');
    expect(($this->order)())->toBe(['Boats']);
})->with([
    'no topic' => [fn (Closure $id): array => ['name' => 'stop.put', 'topics' => []]],
    'a topic that is not there' => [fn (Closure $id): array => ['name' => 'stop.put', 'topics' => [Ids::next()]]],
    'no list' => [fn (Closure $id): array => ['name' => 'stop.put', 'topics' => $id('Paper')]],
    'after what is no stop' => [fn (Closure $id): array => ['name' => 'stop.put', 'topics' => [$id('Paper')], 'after' => $id('Willow')]],
    'after itself' => [fn (Closure $id): array => ['name' => 'stop.put', 'topics' => [$id('Boats')], 'after' => $id('Boats')]],
    'after a number' => [fn (Closure $id): array => ['name' => 'stop.put', 'topics' => [$id('Paper')], 'after' => 3]],
    'a rank that is none' => [fn (Closure $id): array => ['name' => 'row.set', 'type' => 'stop', 'topics' => [$id('Boats')], 'fields' => ['rank' => '<b>']]],
    'a field that it has not' => [fn (Closure $id): array => ['name' => 'row.set', 'type' => 'stop', 'topics' => [$id('Boats')], 'fields' => ['colour' => 'red']]],
    'taken off what is not there' => [fn (Closure $id): array => ['name' => 'stop.remove', 'topics' => [Ids::next()]]],
]);

it('lets nobody else mark anything', function () {
    $boats = $this->id($this->map, 'Boats');
    $this->flushSession();
    $this->actingAs($this->person('marit@saltmere.example'));
    $this->sendEdits($this->map, [['name' => 'stop.put', 'topics' => [$boats]]])->assertNotFound();
    expect(($this->order)())->toBe([]);
});

it('goes along with its topic: through removal, the parking lot, another map and our own file', function () {
    ($this->put)(['Paper', 'Boats']);
    $paper = $this->id($this->map, 'Paper');
    $this->sendEdits($this->map, [['name' => 'topic.park', 'topics' => [$paper]]], $this->map->fresh()->seq)->assertOk()->assertJsonPath('edits.0.status', 'done');
    $this->sendEdits($this->map, [['name' => 'topic.bring-back', 'topics' => [$paper]]], $this->map->fresh()->seq)->assertOk();
    expect(($this->order)())->toBe(['Paper', 'Boats']);
    $this->sendEdits($this->map, [['name' => 'topic.remove', 'topics' => [$this->id($this->map, 'Boats')]]], $this->map->fresh()->seq)->assertOk();
    expect(($this->order)())->toBe(['Paper']);
    $this->sendEdits($this->map, [['name' => 'undo']], $this->map->fresh()->seq)->assertOk();
    expect(($this->order)())->toBe(['Paper', 'Boats']);
    $copy = $this->postJson("/api/maps/{$this->map->id}/duplicate", ['id' => Ids::next()])->assertCreated()->json('id');
    $copied = $this->topics($this->tove->map($copy));
    expect(array_map(fn (Stop $stop): string => $copied->topic($stop->id)->title, Stops::of($copied)))->toBe(['Paper', 'Boats']);
    $file = (string) $this->get("/api/maps/{$this->map->id}/export?to=json")->assertOk()->getContent();
    expect(substr_count($file, '"type":"stop"') + substr_count($file, '"type": "stop"'))->toBe(2);
});

it('is in no file for others, whatever is marked', function (string $format) {
    $export = fn (): string => (string) $this->get("/api/maps/{$this->map->id}/export?to={$format}")->assertOk()->getContent();
    $before = $export();
    ($this->put)(['Paper', 'Boats']);
    expect($export())->toBe($before);
})->with(['txt', 'md', 'csv', 'opml', 'ics', 'svg']);

it('prints every stop of the map by the command line', function () {
    ($this->put)(['Willow']);
    expect(Artisan::call('map:export', ['id' => $this->map->id, '--to' => 'json', '--owner' => $this->tove->email, '--out' => $out = tempnam(sys_get_temp_dir(), 'walk')]))->toBe(0);
    $rows = json_decode((string) file_get_contents($out), true, 512, JSON_THROW_ON_ERROR);
    unlink($out);
    $found = [];
    array_walk_recursive($rows, function (mixed $value, string|int $key) use (&$found): void {
        $found[] = $key === 'type' ? $value : null;
    });
    expect($found)->toContain('stop');
});

it('walks on where many mark at once: all stops stay, in one order', function () {
    $titles = ['Paper', 'Willow', 'Boats', 'Lanterns'];
    $edits = [];
    foreach ([...$titles, ...array_reverse($titles), ...$titles] as $title) {
        $edits[] = ['name' => 'stop.put', 'topics' => [$this->id($this->map, $title)], 'after' => null];
    }
    $answer = $this->sendEdits($this->map, $edits)->assertOk();
    expect(array_unique(array_column($answer->json('edits'), 'status')))->toBe(['done'])->and(($this->order)())->toBe(array_reverse($titles));
});
