<?php

declare(strict_types=1);

use ChalkTree\Draft\StopMark;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Exchange\Formats;
use ChalkTree\HandOver\Outgoing;
use Tests\Support\Outline;

/* Where one stopped writing, and what comes next. */

beforeEach(function () {
    $this->map = Outline::map("Novel\n\tQuay\n\tFog");
    $this->fog = Outline::id($this->map, 'Fog');
    $this->stop = fn (array $fields) => done($this->map, 'row.set', ['type' => 'stopped', 'topics' => [$this->fog], 'fields' => $fields + ['on' => '2026-11-27']]);
});

it('is kept with the map, taken back, and read again', function () {
    $changes = ($this->stop)(['letters' => 120, 'remark' => 'Tove must find the rope']);
    $mark = $this->map->row('stopped', $this->fog);
    expect($mark)->toBeInstanceOf(StopMark::class)->and($mark->fields())->toMatchArray(['letters' => 120, 'remark' => 'Tove must find the rope', 'on' => '2026-11-27']);
    $again = Formats::read(Formats::write($this->map, 'json'), 'map.json');
    expect(array_values(array_map(fn (StopMark $one): array => $one->fields(), $again->rowsOf(StopMark::class))))->toBe([$mark->fields()]);
    $changes->reversed()->applyTo($this->map, new Recorder($this->map));
    expect($this->map->row('stopped', $this->fog))->toBeNull();
});

it('never leaves the map, though its topic does', function () {
    ($this->stop)(['letters' => 0, 'remark' => 'only to myself']);
    $left = Outgoing::of($this->map);
    expect($left->rowsOf(StopMark::class))->toBe([])->and($left->has($this->fog))->toBeTrue();
    foreach (['md', 'json', 'opml'] as $to) {
        expect(Formats::write($left, $to))->not->toContain('only to myself');
    }
});

it('refuses what is no mark', function (array $fields) {
    ($this->stop)($fields);
})->with([
    'before the beginning' => [['letters' => -1]],
    'a remark of a page' => [['remark' => str_repeat('a', StopMark::LONGEST + 1)]],
    'no day' => [['on' => 'yesterday']],
    'lines' => [['letters' => ['1']]],
])->throws(InvalidEdit::class);
