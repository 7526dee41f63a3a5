<?php

declare(strict_types=1);

use ChalkTree\Map\Ids;

/* A branch as one text, over HTTP. */

beforeEach(function () {
    $this->actingAs($this->tove = $this->person());
    $this->map = $this->mapOf($this->tove);
    $this->paper = $this->id($this->map, 'Paper');
    $this->ask = fn (array $what) => $this->getJson("/api/maps/{$this->map->id}/draft?".http_build_query($what));
});

it('tells how many words a section, its chapter and the draft have, also right after they were written', function () {
    $seq = $this->map->fresh()->seq;
    foreach (['white and thin', 'white, thin and dear'] as $note) {
        $seq = $this->postJson("/api/maps/{$this->map->id}/edits", ['since' => $seq, 'edits' => [['id' => Ids::next(), 'name' => 'topic.note', 'topics' => [$this->paper], 'note' => $note]]])->assertOk()->json('seq');
        $answer = ($this->ask)(['branch' => $this->map->root, 'topic' => $this->paper])->assertOk();
        expectShape('DraftAnswer', json_decode($answer->getContent()));
        $count = count(explode(' ', $note));
        expect($answer->json('section'))->toBe($count)->and($answer->json('all'))->toBe($count)->and($answer->json('chapter.words'))->toBe($count);
    }
});

it('counts the whole where the section went before the question came', function () {
    $this->sendEdits($this->map, [['name' => 'topic.note', 'topics' => [$this->id($this->map, 'Boats')], 'note' => 'three of them']])->assertOk();
    $this->sendEdits($this->map, [['name' => 'topic.remove', 'topics' => [$this->paper]]])->assertOk();
    foreach ([$this->paper, Ids::next()] as $gone) {
        expect(($this->ask)(['branch' => $this->map->root, 'topic' => $gone])->assertOk()->json())->toMatchArray(['chapter' => null, 'all' => 3]);
    }
    ($this->ask)(['branch' => $this->paper, 'topic' => $this->paper])->assertUnprocessable();
});

it('counts the words of a piece, without what one says to oneself', function () {
    $count = fn (array $body) => $this->postJson("/api/maps/{$this->map->id}/draft/words", $body);
    expectShape('CountAnswer', json_decode($count(['text' => 'one two {{three}} four'])->assertOk()->assertJson(['words' => 3])->getContent()));
    $count(['text' => ''])->assertOk()->assertJson(['words' => 0]);
    $count([])->assertUnprocessable();
    $count(['text' => ['x']])->assertUnprocessable();
    $count(['text' => str_repeat('a', 400_001)])->assertUnprocessable();
    $this->flushSession();
    $this->actingAs($this->person('stranger@saltmere.example'));
    $count(['text' => 'one'])->assertNotFound();
});

it('lays a kept wording beside what the section says now, and shows it to nobody else', function () {
    $this->sendEdits($this->map, [['name' => 'topic.note', 'topics' => [$this->paper], 'note' => 'White and thin.']])->assertOk();
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'wording', 'row' => $row = Ids::next(), 'fields' => ['at' => $this->paper, 'name' => 'First', 'text' => 'White and thin.', 'on' => '2026-11-28']]])->assertOk();
    $this->sendEdits($this->map, [['name' => 'topic.note', 'topics' => [$this->paper], 'note' => 'White and not so thin.']])->assertOk();
    $ask = fn (string $wording) => $this->getJson("/api/maps/{$this->map->id}/wordings/{$wording}");
    $answer = $ask($row)->assertOk();
    expectShape('WordingAnswer', json_decode($answer->getContent()));
    expect($answer->json())->toBe(['was' => 3, 'is' => 5, 'pieces' => [['what' => 'same', 'text' => 'White and '], ['what' => 'new', 'text' => 'not so '], ['what' => 'same', 'text' => 'thin.']]]);
    $ask(Ids::next())->assertUnprocessable()->assertJsonPath('field', 'wording');
    $ask('x')->assertNotFound();
    // With its section it goes, and comes back.
    $this->sendEdits($this->map, [['name' => 'topic.remove', 'topics' => [$this->paper]]])->assertOk();
    expect($ask($row)->getStatusCode())->toBeIn([404, 422]);
    $this->sendEdits($this->map, [['name' => 'undo']])->assertOk();
    $ask($row)->assertOk();
    $this->flushSession();
    $this->actingAs($this->person('stranger@saltmere.example'));
    $ask($row)->assertNotFound();
});

it('notes for each person by day how many words they wrote, also what they took back', function () {
    $days = fn () => $this->getJson("/api/maps/{$this->map->id}/draft/days");
    expect($days()->assertOk()->json('days'))->toBe([]);
    $write = fn (string $note) => $this->sendEdits($this->map, [['name' => 'topic.note', 'topics' => [$this->paper], 'note' => $note]])->assertOk();
    $this->travelTo('2026-11-27 12:00:00');
    $write('white and thin');
    $this->travelTo('2026-11-28 12:00:00');
    $write('white and thin and dear');
    $write('white and thin and dear {{too dear?}} now');
    expectShape('DaysAnswer', json_decode($days()->getContent()));
    expect($days()->json())->toBe(['today' => '2026-11-28', 'days' => [['day' => '2026-11-28', 'words' => 3], ['day' => '2026-11-27', 'words' => 3]]]);
    $this->sendEdits($this->map, [['name' => 'undo']])->assertOk();
    expect(($this->ask)(['branch' => $this->map->root, 'topic' => $this->paper])->json('today'))->toBe(2);
    // What only moves from one to another is not written.
    $this->sendEdits($this->map, [['name' => 'topic.move', 'topics' => [$this->paper], 'parent' => $this->map->root]])->assertOk();
    expect($days()->json('days.0.words'))->toBe(2);
    $this->flushSession();
    $this->actingAs($this->person('stranger@saltmere.example'));
    $days()->assertNotFound();
    $this->map->delete();
    expect(App\Models\WritingDay::query()->count())->toBe(0);
});

it('refuses what is no draft, and tells nobody else', function () {
    ($this->ask)(['branch' => $this->paper, 'topic' => $this->map->root])->assertUnprocessable()->assertJsonPath('field', 'topic');
    ($this->ask)(['branch' => Ids::next(), 'topic' => $this->paper])->assertStatus(422);
    ($this->ask)(['branch' => 'x', 'topic' => ['y']])->assertUnprocessable();
    ($this->ask)([])->assertUnprocessable();
    $this->flushSession();
    $this->actingAs($this->person('stranger@saltmere.example'));
    ($this->ask)(['branch' => $this->map->root, 'topic' => $this->paper])->assertNotFound();
});

it('hands over neither what one says to oneself nor what is no longer said, and what is cut only where that is wanted', function () {
    $boats = $this->id($this->map, 'Boats');
    $this->sendEdits($this->map, [
        ['name' => 'topic.note', 'topics' => [$this->paper], 'note' => 'White and thin {{Quillwort: how thin?}}^[as onion skin].'],
        ['name' => 'row.set', 'type' => 'wording', 'row' => Ids::next(), 'fields' => ['at' => $this->paper, 'name' => 'Quillwort', 'text' => 'Quillwort was here']],
        ['name' => 'row.set', 'type' => 'stopped', 'topics' => [$this->paper], 'fields' => ['letters' => 3, 'remark' => 'Quillwort next']],
        ['name' => 'row.set', 'type' => 'stamps', 'topics' => [$boats], 'fields' => ['cut' => true]],
    ])->assertOk();
    $export = fn (string $more): string => $this->get("/api/maps/{$this->map->id}/export?{$more}")->assertOk()->getContent();
    foreach (['md', 'txt', 'opml', 'csv', 'html'] as $to) {
        expect($export("to={$to}"))->not->toContain('Quillwort')->not->toContain('Boats')
            ->and($export("to={$to}&cut=1"))->not->toContain('Quillwort')->toContain('Boats');
    }
    expect($export('to=md'))->toContain('White and thin^[as onion skin].')
        // The branch itself was asked for.
        ->and($export("to=txt&topic={$boats}"))->toStartWith('Boats')
        // A drawing shows what the board does, and a complete copy has everything.
        ->and($export('to=svg'))->toContain('Boats')
        ->and($export('to=json'))->toContain('Quillwort: how thin?')->toContain('Quillwort was here');
    $page = $this->postJson("/api/maps/{$this->map->id}/published", ['name' => 'For the site', 'topic' => null, 'choices' => [], 'isFrozen' => false])->assertCreated()->json();
    expect($this->get(parse_url($page['address'], PHP_URL_PATH))->assertOk()->getContent())->not->toContain('Quillwort')->toContain('as onion skin');
    app(App\Publishing\PageFiles::class)->forget(App\Models\PublishedPage::query()->sole()->address);
});

it('keeps no more wordings than a map holds, and tells whose they are by their section', function () {
    foreach (['First', 'Second'] as $name) {
        $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'wording', 'row' => Ids::next(), 'fields' => ['at' => $this->paper, 'name' => $name, 'text' => "{$name} said"]]])->assertOk()->assertJsonPath('edits.0.status', 'done');
    }
    $rows = array_values(array_filter($this->getJson("/api/maps/{$this->map->id}")->assertOk()->json('rows'), fn (array $row): bool => $row['type'] === 'wording'));
    expect(array_map(fn (array $row): array => [$row['fields']['at'], $row['fields']['name']], $rows))->toEqualCanonicalizing([[$this->paper, 'First'], [$this->paper, 'Second']]);
    $this->sendEdits($this->map, [['name' => 'row.remove', 'type' => 'wording', 'rows' => [$rows[0]['id']]]])->assertOk()->assertJsonPath('edits.0.status', 'done');
    $this->getJson("/api/maps/{$this->map->id}/wordings/{$rows[0]['id']}")->assertUnprocessable();
    $this->sendEdits($this->map, [['name' => 'undo']])->assertOk();
    $this->getJson("/api/maps/{$this->map->id}/wordings/{$rows[0]['id']}")->assertOk()->assertJsonPath('was', 2);
    // One of another map is none of this one.
    $other = $this->mapOf($this->tove);
    $this->getJson("/api/maps/{$other->id}/wordings/{$rows[0]['id']}")->assertUnprocessable();
});
