<?php

declare(strict_types=1);

use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Map\Ids;
use Illuminate\Support\Facades\Artisan;

/* A map narrowed to what somebody means. */

beforeEach(function () {
    $this->actingAs($this->tove = $this->person());
    $this->map = $this->mapOf($this->tove);
    $this->lanterns = $this->id($this->map, 'Lanterns');
    $this->paper = $this->id($this->map, 'Paper');
    $this->root = $this->map->root;
    $this->view = fn (mixed $filter, array $more = []) => $this->putJson("/api/maps/{$this->map->id}/view", ['since' => $this->map->fresh()->seq, 'folded' => [], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null, 'showing' => false, 'filter' => $filter] + $more);
});

it('tells how words are understood, how they go on, and what they hit', function () {
    $answer = $this->postJson("/api/maps/{$this->map->id}/filter", ['text' => 'paper or lanterns not done'])->assertOk();
    expectShape('FilterAnswer', json_decode($answer->getContent()));
    expect(array_column($answer->json('pieces'), 'words'))->toBe(['text “paper”', 'text “lanterns”', 'not done'])
        ->and($answer->json('hits'))->toBe([$this->paper])
        ->and(json_decode($answer->json('when'), true))->toHaveKey('any')
        ->and($answer->json('problem'))->toBeNull();
    expect($this->postJson("/api/maps/{$this->map->id}/filter", ['text' => 'over'])->json('offers.0'))->toBe(['words' => 'overdue', 'text' => 'overdue ']);
    expect($this->postJson("/api/maps/{$this->map->id}/filter", ['text' => null])->assertOk()->json())->toMatchArray(['hits' => [], 'pieces' => [], 'when' => null]);
    expect($this->postJson("/api/maps/{$this->map->id}/filter", ['text' => 'paper', 'scope' => $this->id($this->map, 'Boats')])->json('hits'))->toBe([]);
    expect($this->postJson("/api/maps/{$this->map->id}/filter", ['text' => implode(' ', array_fill(0, 70, 'a'))])->assertOk()->json('problem'))->toContain('at most 60');
});

it('tells of a few topics sooner which are meant, and nothing of others', function () {
    $among = fn (string $text, array $ids) => $this->postJson("/api/maps/{$this->map->id}/filter/among", ['text' => $text, 'among' => $ids]);
    $answer = $among('paper', [$this->paper, $this->id($this->map, 'Boats')])->assertOk();
    expectShape('HitsAnswer', json_decode($answer->getContent()));
    expect($answer->json())->toBe(['words' => 'text “paper”', 'topics' => [$this->paper]])
        ->and($among('paper', [$this->id($this->map, 'Boats')])->json('topics'))->toBe([])
        ->and($among('paper', [Ids::next()])->json('topics'))->toBe([])
        ->and($among('', [$this->paper])->json())->toBe(['words' => '', 'topics' => []])
        ->and($among(implode(' ', array_fill(0, 70, 'a')), [$this->paper])->assertOk()->json('topics'))->toBe([]);
    $among('paper', ['nonsense'])->assertStatus(422);
    $among('paper', array_map(fn (): string => Ids::next(), range(1, 601)))->assertStatus(422);
    $this->flushSession()->actingAs($this->person('oskar@saltmere.example')->fresh());
    $among('paper', [$this->paper])->assertNotFound();
});

it('tells of a few topics of a large map the same as of all', function () {
    $map = $this->mapOf($this->tove ?? $this->person(), new ChalkTree\Edit\TopicDraft('Large', children: array_map(fn (int $n): ChalkTree\Edit\TopicDraft => new ChalkTree\Edit\TopicDraft($n % 7 === 0 ? "Lantern {$n}" : "Boat {$n}"), range(1, 300))));
    // Opened, it lies where only what is asked for is read.
    $this->getJson("/api/maps/{$map->id}")->assertOk();
    app(App\Store\Snapshots::class)->prepare($map->fresh(), app(App\Store\MapStore::class));
    $all = array_map(strval(...), array_keys($this->topics($map->fresh())->all()));
    $hits = $this->postJson("/api/maps/{$map->id}/filter", ['text' => 'lantern'])->json('hits');
    expect($this->postJson("/api/maps/{$map->id}/filter/among", ['text' => 'lantern', 'among' => $all])->json('topics'))->toBe($hits)->toHaveCount(42);
});

it('asks a filter of the map for its words', function () {
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'filter', 'row' => $id = Ids::next(), 'fields' => ['name' => 'Paper things', 'when' => json_encode(['ask' => 'text', 'has' => 'paper']), 'shows' => 'below']]])->assertOk();
    expect($this->postJson("/api/maps/{$this->map->id}/filter", ['filter' => $id])->assertOk()->json())->toMatchArray(['text' => 'text “paper”', 'shows' => 'below', 'hits' => [$this->paper]]);
    $this->postJson("/api/maps/{$this->map->id}/filter", ['filter' => Ids::next()])->assertStatus(422);
});

it('narrows the board to what is meant, and shows the whole again', function () {
    $answer = ($this->view)(['text' => 'paper', 'shows' => 'above'])->assertOk();
    expectShape('EditsAnswer', json_decode($answer->getContent()));
    expect($answer->json('scene.slips'))->toBe([])
        ->and(array_column($answer->json('narrowed.scene.slips'), 'id'))->toEqualCanonicalizing([$this->root, $this->lanterns, $this->paper])
        ->and(array_diff_key($answer->json('narrowed'), ['scene' => true]))->toBe(['text' => 'paper', 'shows' => 'above', 'hits' => [$this->paper]]);
    // It is so when the map is opened again, and in no other view.
    $open = $this->getJson("/api/maps/{$this->map->id}")->assertOk();
    expectShape('OpenAnswer', json_decode($open->getContent()));
    expect($open->json('view.filter'))->toBe(['text' => 'paper', 'shows' => 'above'])
        ->and($open->json('narrowed.hits'))->toBe([$this->paper])
        ->and($open->json('narrowed.scene.slips'))->toHaveCount(3)
        ->and(count($open->json('scene.slips')))->toBe(count($this->topics($this->map)->all()))
        ->and(count($open->json('rows')))->toBeGreaterThan(5)
        ->and($this->getJson("/api/maps/{$this->map->id}?pane=second")->json('narrowed'))->toBeNull();
    $whole = ($this->view)(null)->assertOk();
    expect($whole->json('narrowed'))->toBeNull()->and($whole->json('scene.slips'))->toBe([]);
});

it('dims the rest without hiding it, where that is wished for', function () {
    $answer = ($this->view)(['text' => 'paper', 'shows' => 'dim'])->assertOk();
    expect($answer->json('narrowed.scene'))->toBeNull()->and($answer->json('narrowed.hits'))->toBe([$this->paper]);
    $edit = $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->lanterns, 'title' => 'Paper lanterns']])->assertOk();
    expect($edit->json('scene.reset'))->toBeFalse()->and($edit->json('narrowed.hits'))->toBe([$this->lanterns, $this->paper]);
});

it('keeps what one works at in view, hit or not, until something else is meant', function () {
    ($this->view)(['text' => 'paper', 'shows' => 'above'])->assertOk();
    $new = Ids::next();
    $answer = $this->sendEdits($this->map, [['name' => 'topic.add', 'parent' => $this->lanterns, 'topic' => ['id' => $new, 'title' => 'Willow']], ['name' => 'topic.retitle', 'topic' => $this->paper, 'title' => 'Silk']], $this->map->fresh()->seq)->assertOk();
    expect($answer->json('narrowed.hits'))->toEqualCanonicalizing([$new, $this->paper])
        ->and(array_column($answer->json('narrowed.scene.slips'), 'id'))->toContain($new, $this->paper)
        ->and(array_column($answer->json('scene.slips'), 'id'))->toContain($new, $this->paper);
    expect(($this->view)(['text' => 'paper', 'shows' => 'below'])->json('narrowed.hits'))->toEqualCanonicalizing([$new, $this->paper]);
    expect(($this->view)(['text' => 'silk', 'shows' => 'above'])->json('narrowed.hits'))->toBe([$this->paper]);
    expect(($this->view)(['text' => 'paper', 'shows' => 'above'])->json('narrowed.hits'))->toBe([]);
});

it('lets an answer alone that brings nothing new', function () {
    ($this->view)(['text' => 'paper', 'shows' => 'above'])->assertOk();
    $news = $this->getJson("/api/maps/{$this->map->id}/edits?since={$this->map->fresh()->seq}")->assertOk();
    expect($news->json())->not->toHaveKey('narrowed')->and($news->json('scene.slips'))->toBe([]);
});

it('narrows nothing while others are looking', function () {
    $answer = $this->putJson("/api/maps/{$this->map->id}/view", ['since' => $this->map->fresh()->seq, 'folded' => [], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null, 'showing' => true, 'filter' => ['text' => 'paper', 'shows' => 'above']])->assertOk();
    expect($answer->json('narrowed'))->toBeNull()->and(count($answer->json('scene.slips')))->toBe(count($this->topics($this->map)->all()));
});

it('refuses what is no filter, and whoever has no right', function (mixed $filter) {
    ($this->view)($filter)->assertStatus(422);
})->with([[['text' => 'x']], [['text' => 'x', 'shows' => 'all']], [['text' => str_repeat('x', 1001), 'shows' => 'dim']], ['paper'], [['text' => ['x'], 'shows' => 'dim']], [['text' => 'x', 'shows' => 'dim', 'kept' => []]]]);

it('is nobody else’s', function () {
    $this->actingAs($this->person('bram@saltmere.example'));
    $this->postJson("/api/maps/{$this->map->id}/filter", ['text' => 'paper'])->assertNotFound();
    $this->postJson("/api/maps/{$this->map->id}/filter", ['text' => str_repeat('x', 1001)])->assertNotFound();
});

it('prints what is meant, in words or by the name of a filter', function () {
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'filter', 'row' => Ids::next(), 'fields' => ['name' => 'Paper things', 'when' => json_encode(['ask' => 'text', 'has' => 'paper'])]], ['name' => 'kind.take', 'rows' => collect($this->getJson('/api/kinds')->json('kinds'))->firstWhere('id', ShippedKinds::kindId('todo'))['rows']]])->assertOk();
    foreach (['paper', 'Paper things', 'text paper and not below “Boats”'] as $words) {
        expect($this->artisan('map:filter', ['id' => $this->map->id, 'words' => $words, '--owner' => 'tove@saltmere.example']))->toBe(0)
            ->and(Artisan::output())->toBe("{$this->paper}\tPaper\n");
    }
});
