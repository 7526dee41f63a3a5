<?php

declare(strict_types=1);

use ChalkTree\Draft\Goal;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Exchange\Formats;
use Tests\Support\Outline;

/* How many words a topic is to have. */

beforeEach(function () {
    $this->map = Outline::map("Novel\n\tQuay\n\tFog");
    $this->ids = [Outline::id($this->map, 'Quay'), Outline::id($this->map, 'Fog')];
    $this->aim = fn (mixed $words) => done($this->map, 'row.set', ['type' => 'goal', 'topics' => $this->ids, 'fields' => ['words' => $words]]);
    $this->goals = fn (): array => array_map(fn (Goal $goal): ?int => $goal->number('words'), $this->map->rowsOf(Goal::class));
});

it('is set on several at once, taken back, and read again', function () {
    $changes = ($this->aim)(500);
    expect(($this->goals)())->toBe(array_fill_keys($this->ids, 500));
    $again = Formats::read(Formats::write($this->map, 'json'), 'map.json');
    expect(array_values(array_map(fn (Goal $goal): ?int => $goal->number('words'), $again->rowsOf(Goal::class))))->toBe([500, 500]);
    $changes->reversed()->applyTo($this->map, new Recorder($this->map));
    expect(($this->goals)())->toBe([]);
});

it('is gone where none is wanted any more', function () {
    ($this->aim)(500);
    ($this->aim)(null);
    expect(($this->goals)())->toBe([]);
});

it('refuses what is no number of words', function (mixed $words) {
    ($this->aim)($words);
})->with([[0], [-5], [Goal::MOST + 1], ['many'], [1.5]])->throws(InvalidEdit::class);
