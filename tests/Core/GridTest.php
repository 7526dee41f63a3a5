<?php

declare(strict_types=1);

use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Exchange\JsonWriter;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use Tests\Support\Chance;

beforeEach(function () {
    $row = fn (string $name, array $cells): TopicDraft => new TopicDraft($name, children: array_map(fn (string $cell): TopicDraft => new TopicDraft($cell), $cells));
    $this->map = NewMap::from(new TopicDraft('Who is where', children: [$row('Day', ['Gate', 'Boats', 'Stage']), $row('Friday', ['Oskar', 'Crew', 'Marit']), $row('Saturday', ['Tove', 'Lifeboat'])]), arrangement: 'grid');
    $this->id = fn (string $title): string => (string) array_search($title, array_map(fn ($topic): string => $topic->title, $this->map->all()), true);
    $this->rows = fn (): array => array_values(array_map(fn ($row): array => array_values(array_map(fn ($cell): string => $cell->title, $this->map->children($row->id))), $this->map->children($this->map->sheet()->root)));
    $this->column = fn (string $cell, string $way, array $more = []) => Edits::apply(Edits::read('grid.column', ['topic' => ($this->id)($cell), 'do' => $way] + $more), $this->map);
});

it('adds a column in every row that reaches so far, the new cell of the row by its id', function () {
    $before = (new JsonWriter)->write($this->map);
    $changes = ($this->column)('Crew', 'add', ['as' => $as = Ids::next()]);
    expect(($this->rows)())->toBe([['Gate', 'Boats', '', 'Stage'], ['Oskar', 'Crew', '', 'Marit'], ['Tove', 'Lifeboat', '']])
        ->and($this->map->topic($as)->parent)->toBe(($this->id)('Friday'));
    $changes->reversed()->applyTo($this->map, new Recorder($this->map));
    expect((new JsonWriter)->write($this->map))->toBe($before);
});

it('moves and removes columns', function () {
    ($this->column)('Lifeboat', 'left');
    expect(($this->rows)())->toBe([['Boats', 'Gate', 'Stage'], ['Crew', 'Oskar', 'Marit'], ['Lifeboat', 'Tove']]);
    // A cell stays in its column, so a row that ended before gets an empty one.
    ($this->column)('Oskar', 'right');
    expect(($this->rows)())->toBe([['Boats', 'Stage', 'Gate'], ['Crew', 'Marit', 'Oskar'], ['Lifeboat', '', 'Tove']]);
    ($this->column)('Boats', 'left');
    ($this->column)('Tove', 'right');
    expect(($this->rows)())->toBe([['Boats', 'Stage', 'Gate'], ['Crew', 'Marit', 'Oskar'], ['Lifeboat', '', 'Tove']]);
    ($this->column)('Stage', 'remove');
    expect(($this->rows)())->toBe([['Boats', 'Gate'], ['Crew', 'Oskar'], ['Lifeboat', 'Tove']]);
});

it('moves a column to any place, as if the grid were full', function (int $seed) {
    $chance = new Chance($seed);
    $rows = array_map(fn (int $row): array => array_map(fn (int $cell): string => "{$row}-{$cell}", $chance->yes(15) ? [] : range(1, $chance->int(1, 6))), range(1, $chance->int(1, 5)));
    $rows[] = ['a', 'b'];
    $this->map = NewMap::from(new TopicDraft('Grid', children: array_map(fn (array $row): TopicDraft => new TopicDraft('', children: array_map(fn (string $cell): TopicDraft => new TopicDraft($cell), $row)), $rows)), arrangement: 'grid');
    $before = (new JsonWriter)->write($this->map);
    $widest = max(array_map(count(...), $rows));
    [$cell, $to] = [$chance->pick($chance->pick(array_values(array_filter($rows)))), $chance->int(0, $widest + 2)];
    $changes = ($this->column)($cell, 'move', ['to' => $to]);
    $row = array_values(array_filter($rows, fn (array $row): bool => in_array($cell, $row, true)))[0];
    $order = range(0, $widest - 1);
    array_splice($order, min($to, $widest - 1), 0, array_splice($order, (int) array_search($cell, $row, true), 1));
    $wanted = array_map(fn (array $row): string => rtrim(implode('|', array_map(fn (int $column): string => $row[$column] ?? '', $order)), '|'), $rows);
    expect(array_map(fn (array $row): string => implode('|', $row), ($this->rows)()))->toBe($wanted);
    $changes->reversed()->applyTo($this->map, new Recorder($this->map));
    expect((new JsonWriter)->write($this->map))->toBe($before);
})->with(range(1, 40));

it('refuses places that are none', function (mixed $to) {
    expect(fn () => ($this->column)('Crew', 'move', ['to' => $to]))->toThrow(InvalidEdit::class);
})->with([-1, 'x', 1.5, 10 ** 9]);

it('leaves a grid as it is where nothing is to be moved', function () {
    expect(($this->column)('Crew', 'move', ['to' => 1])->all)->toBe([]);
});

it('lets only cells of a grid name a column', function (string $title) {
    expect(fn () => ($this->column)($title, 'add'))->toThrow(InvalidEdit::class, 'This topic is no cell of a grid.');
})->with(['Who is where', 'Friday']);

it('lines columns up, whatever is added and moved', function () {
    ($this->column)('Gate', 'add', ['as' => $as = Ids::next()]);
    Edits::apply(Edits::read('topic.retitle', ['topic' => $as, 'title' => 'A heading that is longer than all the cells below it']), $this->map);
    $boxes = Layout::of($this->map, new View)->scene()->boxes();
    foreach ([0, 1, 2, 3] as $n) {
        $lefts = [];
        foreach ($this->map->children($this->map->sheet()->root) as $row) {
            $cell = array_keys($this->map->children($row->id))[$n] ?? null;
            $lefts[] = $cell === null ? null : $boxes[$cell]['x'];
        }
        expect(array_unique(array_filter($lefts, is_float(...))))->toHaveCount(1);
    }
});

it('sets the first row bold where it is one of headings, and whichever comes to be first', function () {
    $bold = fn (): array => array_keys(array_filter(array_combine(array_map(fn ($slip): string => $slip->topic->title, $slips = array_values(Layout::of($this->map, new View)->slips())), array_map(fn ($slip): bool => $slip->level > 1 && $slip->look->type->bold, $slips))));
    expect($bold())->toBe([]);
    Edits::apply(Edits::read('row.set', ['type' => 'arrangement', 'topics' => [$this->map->sheet()->root], 'fields' => ['name' => 'grid', 'headings' => true]]), $this->map);
    expect($bold())->toEqualCanonicalizing(['Gate', 'Boats', 'Stage']);
    $layout = Layout::of($this->map, new View);
    $touched = Edits::apply(Edits::read('topic.move', ['topics' => [($this->id)('Friday')], 'before' => ($this->id)('Day')]), $this->map)->topics($this->map);
    $layout->draw($this->map, new View, $touched);
    foreach (Layout::of($this->map, new View)->slips() as $id => $slip) {
        expect($slip->sameAs($layout->slips()[$id]))->toBeTrue($slip->topic->title);
    }
    expect($bold())->toEqualCanonicalizing(['Oskar', 'Crew', 'Marit']);
    // What was said of a topic itself goes before.
    Edits::apply(Edits::read('row.set', ['type' => 'look', 'topics' => [($this->id)('Crew')], 'fields' => ['weight' => 'regular']]), $this->map);
    expect($bold())->toEqualCanonicalizing(['Oskar', 'Marit']);
});
