<?php

declare(strict_types=1);

use ChalkTree\Brace\Brace;
use ChalkTree\Map\Ids;
use ChalkTree\Ring\Ring;
use ChalkTree\Ring\RingMember;

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove);
    $this->draw = function (string $title, string $name): string {
        $this->sendEdits($this->map, [['name' => 'ring.draw', 'topics' => [$this->id($this->map, $title)], 'as' => $ring = Ids::next()], ['name' => 'row.set', 'type' => 'ring', 'row' => $ring, 'fields' => ['name' => $name]]])->assertOk();

        return $ring;
    };
});

it('tells what was drawn of a ring, also where its topics have come to stand elsewhere', function () {
    $opened = $this->getJson("/api/maps/{$this->map->id}")->json();
    $edit = fn (array $edit, int $seq): array => $this->sendEdits($this->map, [$edit], $seq)->assertOk()->assertJsonPath('edits.0.status', 'done')->json();
    $answer = $edit(['name' => 'ring.draw', 'topics' => [$this->id($this->map, 'Boats')], 'as' => $ring = Ids::next()], $opened['seq']);
    expect(array_column($answer['scene']['marks'], 'id'))->toBe([$ring])->and($answer['scene']['marks'][0]['under'])->toBeTrue();
    $answer = $edit(['name' => 'topic.retitle', 'topic' => $this->id($this->map, 'Boats'), 'title' => 'Boats that are wider than they were before'], $answer['seq']);
    expect(array_column($answer['scene']['marks'], 'id'))->toBe([$ring]);
    $answer = $edit(['name' => 'topic.remove', 'topics' => [$this->id($this->map, 'Boats that are wider than they were before')]], $answer['seq']);
    expect($answer['scene']['goneMarks'])->toBe([$ring]);
    $answer = $edit(['name' => 'undo'], $answer['seq']);
    expect(array_column($answer['scene']['marks'], 'id'))->toBe([$ring])
        ->and($answer['scene']['marks'])->toEqual($this->getJson("/api/maps/{$this->map->id}")->json('scene.marks'));
});

it('is found by its name in its map, replaced there, and is in nobody’s way in quick open', function () {
    ($this->draw)('Boats', 'harbour crew');
    $this->getJson("/api/quick?words=harbour&map={$this->map->id}")->assertOk();
    $this->sendEdits($this->map, [['name' => 'text.replace', 'find' => ['text' => 'harbour'], 'with' => 'quay']])->assertOk()->assertJsonPath('edits.0.status', 'done');
    expect(array_values($this->topics($this->map)->rowsOf(Ring::class))[0]->text('name'))->toBe('quay crew');
});

it('refuses what is none, and changes nothing', function (Closure $edit) {
    $body = $edit(fn (string $title): string => $this->id($this->map, $title));
    $this->sendEdits($this->map, [$body])->assertOk()->assertJsonPath('edits.0.status', 'refused');
    $topics = $this->topics($this->map);
    expect([...$topics->rowsOf(Ring::class), ...$topics->rowsOf(RingMember::class), ...$topics->rowsOf(Brace::class)])->toBe([]);
})->with([
    'a ring around nothing' => [fn (Closure $id): array => ['name' => 'ring.draw', 'topics' => [], 'as' => Ids::next()]],
    'a ring around what is not there' => [fn (Closure $id): array => ['name' => 'ring.draw', 'topics' => [Ids::next()], 'as' => Ids::next()]],
    'into no ring' => [fn (Closure $id): array => ['name' => 'ring.put', 'topics' => [$id('Boats')], 'ring' => Ids::next()]],
    'a chalk that is a style' => [fn (Closure $id): array => ['name' => 'row.set', 'type' => 'ring', 'row' => Ids::next(), 'fields' => ['chalk' => 'red;x:y']]],
    'too long a name' => [fn (Closure $id): array => ['name' => 'row.set', 'type' => 'ring', 'row' => Ids::next(), 'fields' => ['name' => str_repeat('a', 201)]]],
    'a brace over the root' => [fn (Closure $id): array => ['name' => 'brace.draw', 'topics' => [$id('Festival')], 'as' => Ids::next()]],
    'a span of no brace' => [fn (Closure $id): array => ['name' => 'brace.span', 'topic' => $id('Boats'), 'from' => $id('Boats'), 'to' => $id('Boats')]],
    'a member row of nothing' => [fn (Closure $id): array => ['name' => 'row.set', 'type' => 'ring-member', 'row' => Ids::next(), 'fields' => ['topic' => $id('Boats'), 'ring' => 'no id']]],
]);

it('writes names into drawings as text and nothing else', function () {
    ($this->draw)('Boats', '<script>alert(1)</script> & "more"');
    $svg = $this->get("/api/maps/{$this->map->id}/export?to=svg")->assertOk()->getContent();
    expect($svg)->toContain('&lt;script&gt;alert(1)&lt;/script&gt; &amp;')->not->toContain('<script>');
});

it('draws no ring and no brace for anybody else', function () {
    $its = $this->mapOf($this->person('ines@saltmere.example'));
    foreach ([['name' => 'ring.draw', 'topics' => [$this->id($its, 'Boats')], 'as' => Ids::next()], ['name' => 'brace.draw', 'topics' => [$this->id($its, 'Boats')], 'as' => Ids::next()]] as $edit) {
        $this->sendEdits($its, [$edit])->assertNotFound();
    }
    expect($this->topics($its)->rowsOf(Ring::class))->toBe([])->and($this->topics($its)->rowsOf(Brace::class))->toBe([]);
});

it('lets two people of one account draw at once, each told what the other did', function () {
    $ring = ($this->draw)('Boats', 'crew');
    $seq = $this->getJson("/api/maps/{$this->map->id}")->json('seq');
    [$lanterns, $willow] = [$this->id($this->map, 'Lanterns'), $this->id($this->map, 'Willow')];
    $first = $this->sendEdits($this->map, [['name' => 'ring.put', 'topics' => [$lanterns], 'ring' => $ring]], $seq)->assertOk()->json();
    // The other has not heard of that yet.
    $second = $this->sendEdits($this->map, [['name' => 'ring.put', 'topics' => [$willow], 'ring' => $ring]], $seq)->assertOk()->json();
    $topics = fn (array $answer): array => array_column(array_column(array_filter($answer['rows'], fn (array $row): bool => $row['type'] === 'ring-member'), 'fields'), 'topic');
    expect($topics($first))->toBe([$lanterns]);
    $told = $topics($second);
    sort($told);
    $both = [$lanterns, $willow];
    sort($both);
    expect($told)->toBe($both);
    // One takes the ring away, the other puts into it: refused, and nothing is left half there.
    $this->sendEdits($this->map, [['name' => 'row.remove', 'type' => 'ring', 'rows' => [$ring]]], $second['seq'])->assertOk();
    $this->sendEdits($this->map, [['name' => 'ring.put', 'topics' => [$this->id($this->map, 'Paper')], 'ring' => $ring]], $second['seq'])->assertOk()->assertJsonPath('edits.0.status', 'refused');
    expect($this->topics($this->map)->rowsOf(RingMember::class))->toBe([]);
});

it('undoes a drawing whole, and refuses to undo what has changed since', function () {
    $this->sendEdits($this->map, [['name' => 'brace.draw', 'topics' => [$this->id($this->map, 'Lanterns')], 'as' => $brace = Ids::next()]])->assertOk();
    $seq = $this->getJson("/api/maps/{$this->map->id}")->json('seq');
    $this->sendEdits($this->map, [['name' => 'undo']], $seq)->assertOk()->assertJsonPath('edits.0.status', 'done');
    expect($this->topics($this->map)->rowsOf(Brace::class))->toBe([])->and($this->topics($this->map)->has($brace))->toBeFalse();
    $this->sendEdits($this->map, [['name' => 'redo']], $seq)->assertOk()->assertJsonPath('edits.0.status', 'done');
    expect($this->topics($this->map)->rowsOf(Brace::class))->toHaveCount(1);
    $opened = $this->getJson("/api/maps/{$this->map->id}")->json('scene.slips');
    $slip = array_values(array_filter($opened, fn (array $slip): bool => $slip['id'] === $brace))[0];
    expect($slip['brace'])->toHaveCount(4)->and($slip['connector']['d'])->toStartWith('M');
});
