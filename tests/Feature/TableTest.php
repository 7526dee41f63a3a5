<?php

declare(strict_types=1);

use ChalkTree\Map\Ids;
use Illuminate\Support\Facades\Artisan;

/* Maps as tables over HTTP: what is in them, and tables as files. */

beforeEach(function () {
    $this->actingAs($this->tove = $this->person());
    $this->map = $this->mapOf($this->tove);
    $this->lanterns = $this->id($this->map, 'Lanterns');
    $this->ask = fn (array $what = []) => $this->postJson("/api/maps/{$this->map->id}/table", $what);
    $this->file = fn (string $bytes) => $this->call('POST', "/api/maps/{$this->map->id}/table/file", server: ['CONTENT_TYPE' => 'text/csv', 'HTTP_ACCEPT' => 'application/json'], content: $bytes);
    $this->cost = Ids::next();
    $this->sendEdits($this->map, [
        ['name' => 'row.set', 'type' => 'field', 'row' => $this->cost, 'fields' => ['name' => 'Cost', 'sort' => 'number']],
        ['name' => 'value.set', 'topics' => [$this->lanterns], 'field' => $this->cost, 'value' => '12', 'today' => '2026-11-28'],
    ])->assertOk();
});

it('tells rows, columns and the cells that are asked for, and the rows only to who has not got them', function () {
    $answer = ($this->ask)(['topics' => [$this->lanterns]])->assertOk();
    expectShape('TableAnswer', json_decode($answer->getContent()));
    $rows = array_column($answer->json('groups.0.rows'), 0);
    expect($rows)->toContain($this->lanterns)
        ->and(array_column($answer->json('columns'), 'words'))->toBe(['Title', 'Cost'])
        ->and($answer->json("cells.{$this->lanterns}"))->toBe([['Lanterns', 'Lanterns', null], ['12', '12', null]]);
    expect(($this->ask)(['known' => $answer->json('hash')])->json('groups'))->toBeNull();
    $cells = ($this->ask)(['only' => true, 'topics' => [$this->lanterns, Ids::next()]])->assertOk();
    expectShape('CellsAnswer', json_decode($cells->getContent()));
    expect($cells->json('cells'))->toBe([$this->lanterns => [['Lanterns', 'Lanterns', null], ['12', '12', null]]]);
    $this->sendEdits($this->map, [['name' => 'topic.add', 'parent' => $this->map->root, 'topic' => ['id' => Ids::next(), 'title' => 'Ropes']]])->assertOk();
    expect(($this->ask)(['known' => $answer->json('hash')])->json('groups.0.rows'))->toHaveCount(count($rows) + 1);
});

it('tells cells under the columns that are usual where the map is narrowed, too', function () {
    $paper = $this->id($this->map, 'Paper');
    $all = ['text' => 'paper', 'branch' => $this->lanterns, 'topics' => [$paper]];
    $answer = ($this->ask)($all)->assertOk();
    expect(array_column($answer->json('columns'), 'words'))->toBe(['Title'])
        ->and(($this->ask)(['only' => true] + $all)->json('cells'))->toBe($answer->json('cells'));
});

it('tells what there is on the days of a calendar', function () {
    $this->sendEdits($this->map, [['name' => 'task.set', 'topics' => [$this->lanterns], 'by' => '2026-12-05', 'progress' => 40, 'today' => '2026-11-28']])->assertOk();
    $answer = ($this->ask)(['from' => '2026-12-01', 'to' => '2026-12-31'])->assertOk();
    expectShape('TableAnswer', json_decode($answer->getContent()));
    expect($answer->json('days'))->toBe([['topic' => $this->lanterns, 'what' => 'todo', 'title' => 'Lanterns', 'from' => '2026-12-05', 'to' => '2026-12-05', 'begins' => false, 'span' => true, 'time' => null, 'progress' => 40]])
        ->and(($this->ask)(['from' => '2027-01-01', 'to' => '2027-01-31'])->json('days'))->toBe([]);
});

it('tells a table that is kept, and the map narrowed', function () {
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'table', 'row' => $table = Ids::next(), 'fields' => ['name' => 'Costs', 'deep' => true, 'columns' => "title 220\nfield:{$this->cost} 90 sum"]]])->assertOk();
    $answer = ($this->ask)(['table' => $table])->assertOk();
    expect($answer->json('columns.1'))->toMatchArray(['words' => 'Cost', 'width' => 90, 'how' => 'sum', 'total' => '12', 'form' => 'number']);
    expect(($this->ask)(['table' => $table, 'text' => 'lantern'])->json('groups.0.rows'))->toBe([[$this->lanterns, 0]])
        // Words that are not understood narrow nothing here; the field says so.
        ->and(count(($this->ask)(['table' => $table, 'text' => '('])->assertOk()->json('groups.0.rows')))->toBeGreaterThan(1);
    ($this->ask)(['table' => Ids::next()])->assertStatus(422)->assertJsonPath('field', 'table');
    ($this->ask)(['branch' => Ids::next()])->assertStatus(422)->assertJsonPath('field', 'branch');
});

it('bounds what is asked', function (array $what, string $field) {
    ($this->ask)($what)->assertStatus(422)->assertJsonPath('field', $field);
})->with([
    [['table' => 'no id'], 'table'], [['only' => 'perhaps'], 'only'], [['from' => 'Friday', 'to' => '2026-12-05'], 'from'], [['from' => '2026-12-05'], 'to'], [['from' => '2026-12-05', 'to' => '2026-12-04'], 'to'], [['topics' => array_fill(0, 2_001, 'x')], 'topics'], [['topics' => ['x']], 'topics.0'], [['text' => str_repeat('a', 5_000)], 'text'], [['known' => ['a']], 'known'],
]);

it('types into cells, takes all of it back in one step, and refuses what does not belong there', function () {
    $cells = [['topic' => $this->lanterns, 'column' => 'title', 'text' => 'Lamps'], ['topic' => $this->lanterns, 'column' => "field:{$this->cost}", 'text' => '13,5']];
    $this->sendEdits($this->map, [['name' => 'cells.set', 'cells' => $cells, 'today' => '2026-11-28']])->assertOk();
    expect(($this->ask)(['topics' => [$this->lanterns]])->json("cells.{$this->lanterns}"))->toBe([['Lamps', 'Lamps', null], ['13.5', '13.5', null]]);
    $this->sendEdits($this->map, [['name' => 'undo']])->assertOk();
    expect(($this->ask)(['topics' => [$this->lanterns]])->json("cells.{$this->lanterns}"))->toBe([['Lanterns', 'Lanterns', null], ['12', '12', null]]);
    $cells[1]['text'] = 'dear';
    expect($this->sendEdits($this->map, [['name' => 'cells.set', 'cells' => $cells, 'today' => '2026-11-28']])->json('edits.0.refusal.message'))->toContain('“Cost” wants a number');
    expect(($this->ask)(['topics' => [$this->lanterns]])->json("cells.{$this->lanterns}.0.0"))->toBe('Lanterns');
});

it('looks at a file, and brings its rows', function () {
    $answer = ($this->file)("Thing;Cost;Since\nOil;3,5;2026-03-01\nRope;4;2026-04-01\n")->assertOk();
    expectShape('TableFileAnswer', json_decode($answer->getContent()));
    expect($answer->json())->toMatchArray(['separator' => ';', 'comma' => true, 'head' => ['Thing', 'Cost', 'Since'], 'rows' => [['Oil', '3.5', '2026-03-01'], ['Rope', '4', '2026-04-01']]])
        ->and(array_column($answer->json('columns'), 'column'))->toBe(['title', "field:{$this->cost}", null]);
    $this->sendEdits($this->map, [['name' => 'rows.bring', 'parent' => $this->lanterns, 'columns' => ['title', "field:{$this->cost}", null], 'rows' => $answer->json('rows'), 'today' => '2026-11-28']])->assertOk();
    $rows = ($this->ask)(['branch' => $this->lanterns])->json('groups.0.rows');
    expect(array_values(array_map(fn (array $cells): array => array_column($cells, 0), ($this->ask)(['branch' => $this->lanterns, 'topics' => array_column($rows, 0)])->json('cells'))))->toContain(['Oil', '3.5'], ['Rope', '4']);
    ($this->file)('')->assertStatus(422);
    ($this->file)("\x89PNG\0\0")->assertStatus(422);
});

it('hands a table out as a file without what is private', function () {
    $this->sendEdits($this->map, [
        ['name' => 'topic.add', 'parent' => $this->map->root, 'topic' => ['id' => $secret = Ids::next(), 'title' => 'A secret', 'children' => [['id' => Ids::next(), 'title' => 'Below it']]]],
        ['name' => 'row.set', 'type' => 'private', 'topics' => [$secret], 'fields' => ['held' => true]],
        ['name' => 'row.set', 'type' => 'table', 'row' => $table = Ids::next(), 'fields' => ['name' => 'All: of it', 'deep' => true]],
    ])->assertOk();
    expect(($this->ask)(['table' => $table, 'topics' => [$secret]])->json("cells.{$secret}.0.0"))->toBe('A secret');
    $answer = $this->get("/api/maps/{$this->map->id}/table/file?table={$table}")->assertOk();
    expect($answer->headers->get('Content-Type'))->toBe('text/csv; charset=UTF-8')->and($answer->headers->get('Content-Disposition'))->toContain('All of it.csv')
        ->and($answer->getContent())->toContain('Level,Title,Cost')->toContain('Lanterns,12')->not->toContain('secret')->not->toContain('Below it');
    $this->get("/api/maps/{$this->map->id}/table/file?branch={$secret}", ['Accept' => 'application/json'])->assertStatus(422);
});

it('prints a table on the command line, and says what there is where the name is none', function () {
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'table', 'row' => Ids::next(), 'fields' => ['name' => 'Costs', 'columns' => "title\nfield:{$this->cost}", 'order' => '-title']]])->assertOk();
    expect(Artisan::call('map:table', ['id' => $this->map->id, 'name' => 'costs', '--owner' => $this->tove->email]))->toBe(0)
        ->and(explode("\r\n", Artisan::output())[0])->toBe('Title,Cost');
    expect(Artisan::call('map:table', ['id' => $this->map->id, '--owner' => $this->tove->email]))->toBe(0)
        ->and(Artisan::output())->toContain('Lanterns,12');
    expect(Artisan::call('map:table', ['id' => $this->map->id, 'name' => 'Voyages', '--owner' => $this->tove->email]))->toBe(1);
});

it('shows no table to anybody else', function () {
    $this->flushSession();
    $this->actingAs($this->person('bram@saltmere.example'));
    ($this->ask)()->assertNotFound();
    ($this->file)('a,b')->assertNotFound();
    $this->getJson("/api/maps/{$this->map->id}/table/file")->assertNotFound();
});
