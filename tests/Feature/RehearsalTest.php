<?php

declare(strict_types=1);

use App\Find\Indexer;
use App\Find\MapSearch;
use App\Models\MapRecord;
use App\Store\MapPast;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;
use Illuminate\Support\Facades\DB;

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove, new TopicDraft('Festival', children: [
        new TopicDraft('Lanterns  many', note: 'of paper', children: [new TopicDraft('Paper'), new TopicDraft('')]),
        new TopicDraft('Boats', 'six'),
        new TopicDraft('paper.'),
    ]));
});

/** What an edit would do, without the ids. */
function rehearsed(object $test, array $edit): array
{
    $answer = $test->postJson("/api/maps/{$test->map->id}/rehearsal", ['edit' => $edit])->assertOk()->json();
    expect($answer['count'])->toBe(count($answer['items']))->and($test->map->fresh()->seq)->toBe(0);

    return array_map(fn (array $item): array => [$item['what'], $item['before'], $item['after']], $answer['items']);
}

it('tells each sort of change in its own words', function (callable $edit, array $told) {
    $ids = fn (string $title): string => $this->id($this->map, $title);
    expect(rehearsed($this, $edit($ids)))->toEqualCanonicalizing($told);
})->with([
    'titles' => [fn ($id) => ['name' => 'text.tidy', 'topics' => [$id('Festival')], 'way' => 'spaces', 'deep' => true], [['title', 'Lanterns  many', 'Lanterns many']]],
    'captions' => [fn ($id) => ['name' => 'topic.caption', 'topics' => [$id('Boats')], 'caption' => 'seven'], [['caption', 'six', 'seven']]],
    'notes' => [fn ($id) => ['name' => 'text.send', 'topics' => [$id('Boats')], 'from' => 'caption', 'to' => 'note'], [['caption', 'six', '']]],
    'what goes' => [fn ($id) => ['name' => 'branch.empties', 'topics' => [$id('Festival')]], [['removed', '', '']]],
    'what comes' => [fn ($id) => ['name' => 'topic.break', 'topics' => [$id('Lanterns  many')], 'by' => 'separator', 'separator' => '  '], [['title', 'Lanterns  many', 'Lanterns'], ['added', '', 'many']]],
    'what moves' => [fn ($id) => ['name' => 'topic.move', 'topics' => [$id('Boats')], 'parent' => $id('Paper')], [['moved', 'Boats', 'Paper']]],
    'another order' => [fn ($id) => ['name' => 'branch.sort', 'topics' => [$id('Festival')], 'by' => 'title'], [['placed', '1. Lanterns  many', '2. Lanterns  many'], ['placed', '2. Boats', '1. Boats']]],
    'numbers' => [fn ($id) => ['name' => 'branch.number', 'topics' => [$id('Festival')], 'numbering' => '1*'], [['numbering', '', '1*']]],
    'duplicates' => [fn ($id) => ['name' => 'branch.duplicates', 'topics' => [$id('Festival')]], [['removed', 'paper.', '']]],
    'nothing' => [fn ($id) => ['name' => 'text.tidy', 'topics' => [$id('Boats')], 'way' => 'spaces'], []],
]);

it('refuses what the edit itself would refuse, with its sentence', function () {
    $this->postJson("/api/maps/{$this->map->id}/rehearsal", ['edit' => ['name' => 'topic.join', 'topics' => [$this->map->root]]])
        ->assertUnprocessable()->assertJsonPath('message', 'Choose two topics or more to join.');
    $this->postJson("/api/maps/{$this->map->id}/rehearsal", ['edit' => ['name' => 'topic.dissolve', 'topics' => [Ids::next()]]])
        ->assertUnprocessable()->assertJsonPath('code', 'missing_topic');
    $this->postJson("/api/maps/{$this->map->id}/rehearsal", ['edit' => 'sort'])->assertUnprocessable();
});

it('tells the first five hundred changes and counts all', function () {
    $this->map = $this->mapOf($this->tove, new TopicDraft('R', children: array_map(fn (int $n): TopicDraft => new TopicDraft("t{$n}"), range(1, 700))));
    $answer = $this->postJson("/api/maps/{$this->map->id}/rehearsal", ['edit' => ['name' => 'text.tidy', 'topics' => [$this->map->root], 'way' => 'upper', 'deep' => true]])->json();
    expect($answer['count'])->toBe(700)->and($answer['items'])->toHaveCount(500);
});

it('lists so many hits and says that there are more', function () {
    $this->mapOf($this->tove, new TopicDraft('R', children: array_map(fn (int $n): TopicDraft => new TopicDraft(str_repeat('ox ', 40)), range(1, 260))));
    $found = $this->postJson('/api/find', ['find' => ['text' => 'ox']])->assertOk()->json();
    expect($found['complete'])->toBeFalse()->and(array_sum(array_map(fn (array $map): int => count($map['hits']), $found['maps'])))->toBe(MapSearch::MOST_HITS);
});

it('takes in words in small helpings, the open map first', function () {
    $index = app(Indexer::class);
    $others = array_map(fn (int $n): MapRecord => $this->mapOf($this->tove, new TopicDraft("Other {$n}")), range(1, 3));
    $index->catchUp($this->tove, -1.0, $this->map->id);
    expect(DB::table('maps')->whereNotNull('indexed_seq')->count())->toBe(0);
    $index->catchUp($this->tove, 0.0, $this->map->id);
    $index->catchUp($this->tove);
    expect(DB::table('maps')->whereColumn('indexed_seq', 'seq')->count())->toBe(4)
        ->and(DB::table('word_uses')->where('map_id', $others[2]->id)->count())->toBe(2);
    $this->sendEdits($this->map, array_map(fn (int $n): array => ['name' => 'topic.add', 'parent' => $this->map->root, 'topic' => ['title' => "word{$n}"]], range(1, 250)));
    $index->catchUp($this->tove);
    expect(DB::table('words')->where('word', 'like', 'word%')->count())->toBe(250)
        ->and(DB::table('word_uses')->where('map_id', $this->map->id)->distinct()->count('topic_id'))->toBe(255);
});

it('answers a paste of lines, a copy with places of its own, and a wrap, with what they made', function () {
    $boats = $this->id($this->map, 'Boats');
    [$copy, $wrap] = [Ids::next(), Ids::next()];
    $answer = $this->sendEdits($this->map, [
        ['name' => 'topic.paste', 'as' => 'branches', 'parent' => $boats, 'lines' => [['level' => 0, 'text' => 'Ferry'], ['level' => 1, 'text' => '**Crew**']]],
        ['name' => 'topic.copy', 'topics' => [$boats], 'as' => [$copy], 'after' => $boats],
        ['name' => 'topic.wrap', 'topics' => [$boats, $copy], 'as' => [$wrap], 'title' => 'Water'],
        ['name' => 'topic.paste', 'as' => 'note', 'topic' => $boats, 'lines' => [['level' => 0, 'text' => 'kept']]],
        ['name' => 'topic.paste', 'as' => 'caption', 'topic' => $boats, 'lines' => [['level' => 0, 'text' => '**and** more']]],
        ['name' => 'topic.paste', 'as' => 'note', 'parent' => $boats, 'lines' => [['level' => 0, 'text' => 'no topic']]],
        ['name' => 'topic.copy', 'topics' => [$boats], 'as' => [$copy], 'parent' => $boats],
    ])->assertOk();
    expect(array_column($answer->json('edits'), 'status'))->toBe(['done', 'done', 'done', 'done', 'done', 'refused', 'refused']);
    $map = $this->topics($this->map);
    expect($map->topic($wrap)->title)->toBe('Water')
        ->and(array_keys($map->children($wrap)))->toBe([$boats, $copy])
        ->and(count($map->branch($copy)))->toBe(3)
        ->and($map->topic($boats)->note)->toBe('kept')->and($map->topic($boats)->caption)->toBe('six and more');
    foreach (range(1, 5) as $_) {
        $this->sendEdits($this->map, [['name' => 'undo']])->assertJsonPath('edits.0.status', 'done');
    }
    expect(count($this->topics($this->map)->all()))->toBe(6);
});

it('keeps loose topics, columns, distances and numbers over a reload, and sends numbers only when they change', function () {
    $boats = $this->id($this->map, 'Boats');
    $loose = Ids::next();
    $first = $this->sendEdits($this->map, [
        ['name' => 'topic.add', 'parent' => null, 'x' => 500, 'y' => -40, 'topic' => ['id' => $loose, 'title' => 'Loose']],
        ['name' => 'topic.add', 'after' => $loose, 'topic' => ['title' => 'Below it']],
        ['name' => 'topic.apart', 'topics' => [$boats], 'x' => 30, 'y' => 50],
        ['name' => 'branch.number', 'topics' => [$this->map->root], 'numbering' => 'A', 'from' => 2],
    ])->json();
    expect($first['numbers'])->toBe([$this->id($this->map, 'Lanterns  many') => 'B.', $boats => 'C.', $this->id($this->map, 'paper.') => 'D.']);
    $this->sendEdits($this->map, [['name' => 'topic.caption', 'topics' => [$boats], 'caption' => 'x']], $first['seq'])->assertJsonPath('numbers', null);
    $open = $this->getJson("/api/maps/{$this->map->id}")->json();
    $rows = [];
    foreach ($open['rows'] as $row) {
        $rows[$row['type']][$row['id']] = $row['fields'];
    }
    $fields = $rows['topic'];
    expect($fields[$loose])->toMatchArray(['x' => 500, 'y' => -40])->and($fields[$loose]['column'])->not->toBeNull()
        ->and($rows['apart'])->toBe([$boats => ['x' => 30, 'y' => 50]])
        ->and($rows['numbering'])->toBe([$this->map->root => ['style' => 'A', 'from' => 2]])
        ->and($fields[$boats])->not->toHaveKey('note')
        ->and(array_column($open['scene']['slips'], 'number', 'id')[$boats])->toBe('C.');
});

it('looks at any moment of a long history, also after the trash was emptied', function () {
    $counts = [6];
    for ($i = 0; $i < 20; $i++) {
        $ids = array_keys($this->topics($this->map)->all());
        $this->sendEdits($this->map, [$i % 3 === 2
            ? ['name' => 'topic.remove', 'topics' => [(string) end($ids)]]
            : ['name' => 'topic.add', 'parent' => $this->map->root, 'topic' => ['title' => "n{$i}"]]]);
        $counts[] = count($this->topics($this->map)->all());
    }
    $past = app(MapPast::class);
    foreach ($counts as $seq => $count) {
        expect(count($past->at($this->map->fresh(), $seq)->all()))->toBe($count);
    }
    $this->deleteJson("/api/maps/{$this->map->id}/trash");
    expect(count($past->at($this->map->fresh(), 0)->all()))->toBeLessThanOrEqual(6);
    $this->getJson("/api/maps/{$this->map->id}/history/0")->assertOk();
});
