<?php

declare(strict_types=1);

use ChalkTree\CrossLink\CrossLink;
use ChalkTree\Map\Ids;
use Illuminate\Support\Facades\Artisan;

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove);
    $this->tie = function (string $from, string $to, string $phrase): string {
        $this->sendEdits($this->map, [['name' => 'crosslink.tie', 'topics' => [$this->id($this->map, $from)], 'to' => $this->id($this->map, $to), 'as' => [$link = Ids::next()]], ['name' => 'row.set', 'type' => 'crosslink', 'row' => $link, 'fields' => ['phrase' => $phrase]]])->assertOk();

        return $link;
    };
});

it('tells what was drawn of a cross-link, once, and again only when it runs otherwise', function () {
    $opened = $this->getJson("/api/maps/{$this->map->id}")->json();
    $edit = fn (array $edit, int $seq): array => $this->sendEdits($this->map, [$edit], $seq)->assertOk()->assertJsonPath('edits.0.status', 'done')->json();
    $link = Ids::next();
    $answer = $edit(['name' => 'crosslink.tie', 'topics' => [$this->id($this->map, 'Lanterns')], 'to' => $this->id($this->map, 'Boats'), 'as' => [$link]], $opened['seq']);
    expect(array_column($answer['scene']['marks'], 'id'))->toBe([$link])->and($answer['scene']['reset'])->toBeFalse();
    $answer = $edit(['name' => 'topic.note', 'topics' => [$this->id($this->map, 'Willow')], 'note' => 'It bends.'], $answer['seq']);
    $answer = $edit(['name' => 'topic.note', 'topics' => [$this->id($this->map, 'Willow')], 'note' => 'It bends well.'], $answer['seq']);
    expect($answer['scene']['marks'])->toBe([])->and($answer['scene']['goneMarks'])->toBe([]);
    $answer = $edit(['name' => 'crosslink.turn', 'links' => [$link]], $answer['seq']);
    expect(array_column($answer['scene']['marks'], 'id'))->toBe([$link]);
    $answer = $edit(['name' => 'topic.remove', 'topics' => [$this->id($this->map, 'Boats')]], $answer['seq']);
    expect($answer['scene']['goneMarks'])->toBe([$link]);
    $answer = $edit(['name' => 'undo'], $answer['seq']);
    expect(array_column($answer['scene']['marks'], 'id'))->toBe([$link])
        ->and(array_column($this->getJson("/api/maps/{$this->map->id}")->json('scene.marks'), 'id'))->toBe([$link]);
});

it('refuses what is none, and changes nothing', function (Closure $edit) {
    $body = $edit(fn (string $title): string => $this->id($this->map, $title));
    $this->sendEdits($this->map, [$body])->assertOk()->assertJsonPath('edits.0.status', 'refused');
    expect($this->topics($this->map)->rowsOf(CrossLink::class))->toBe([]);
})->with([
    'to itself' => [fn (Closure $id): array => ['name' => 'crosslink.tie', 'topics' => [$id('Boats')], 'to' => $id('Boats'), 'as' => [Ids::next()]]],
    'to a topic that is not there' => [fn (Closure $id): array => ['name' => 'crosslink.tie', 'topics' => [$id('Boats')], 'to' => Ids::next(), 'as' => [Ids::next()]]],
    'a row without ends' => [fn (Closure $id): array => ['name' => 'row.set', 'type' => 'crosslink', 'row' => Ids::next(), 'fields' => ['phrase' => 'x']]],
    'too long a phrase' => [fn (Closure $id): array => ['name' => 'row.set', 'type' => 'crosslink', 'row' => Ids::next(), 'fields' => ['from' => $id('Boats'), 'to' => $id('Willow'), 'phrase' => str_repeat('a', 301)]]],
    'a chalk that is a style' => [fn (Closure $id): array => ['name' => 'row.set', 'type' => 'crosslink', 'row' => Ids::next(), 'fields' => ['from' => $id('Boats'), 'to' => $id('Willow'), 'chalk' => 'red;x:y']]],
    'a thickness beyond all' => [fn (Closure $id): array => ['name' => 'row.set', 'type' => 'crosslink', 'row' => Ids::next(), 'fields' => ['from' => $id('Boats'), 'to' => $id('Willow'), 'thick' => 900]]],
    'a turn of nothing' => [fn (Closure $id): array => ['name' => 'crosslink.turn', 'links' => [Ids::next()]]],
    'fewer ids than topics' => [fn (Closure $id): array => ['name' => 'crosslink.tie', 'topics' => [$id('Boats'), $id('Willow')], 'to' => $id('Lanterns'), 'as' => [Ids::next()]]],
]);

it('reads a map out as sentences, as an answer and as files, to nobody else', function () {
    ($this->tie)('Lanterns', 'Boats', 'are carried past');
    ($this->tie)('Willow', 'Lanterns', '');
    $answer = $this->getJson("/api/maps/{$this->map->id}/sentences")->assertOk()->json();
    expect(array_column($answer['sentences'], 'text'))->toBe(['Lanterns are carried past Boats.', 'Willow … Lanterns.']);
    $this->get("/api/maps/{$this->map->id}/sentences.txt")->assertOk()->assertHeader('Content-Type', 'text/plain; charset=UTF-8')->assertSee('Lanterns are carried past Boats.');
    $csv = $this->get("/api/maps/{$this->map->id}/sentences.csv")->assertOk()->assertHeader('Content-Disposition', 'attachment; filename="sentences.csv"');
    expect(explode("\r\n", $csv->getContent())[1])->toBe('"Lanterns","are carried past","Boats","Lanterns are carried past Boats."');
    $this->getJson("/api/maps/{$this->map->id}/sentences.exe")->assertNotFound();
    $this->flushSession();
    $this->actingAs($this->person('ines@saltmere.example')->fresh());
    foreach (['', '.txt', '.csv'] as $as) {
        $this->getJson("/api/maps/{$this->map->id}/sentences{$as}")->assertNotFound();
    }
});

it('carries nothing of a phrase into pictures but its words', function () {
    ($this->tie)('Lanterns', 'Boats', '</text><script>alert(1)</script>"\'&');
    $svg = $this->get("/api/maps/{$this->map->id}/export?to=svg")->assertOk()->getContent();
    expect($svg)->not->toContain('<script')->toContain('&lt;script&gt;')->and(simplexml_load_string($svg))->not->toBeFalse();
});

it('scores a map, on the page and on the command line', function () {
    $right = ($this->tie)('Lanterns', 'Boats', 'are carried past');
    $wrong = ($this->tie)('Willow', 'Lanterns', 'is heavier than');
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'crosslink', 'row' => $wrong, 'fields' => ['judged' => 'wrong']], ['name' => 'row.set', 'type' => 'score-weights', 'row' => Ids::next(), 'fields' => ['level' => 7]]])->assertOk();
    expect($this->getJson("/api/maps/{$this->map->id}/sentences")->json('score'))->toBe($score = ['propositions' => 2, 'valid' => 1, 'levels' => 1, 'crossLinks' => 0, 'examples' => 0, 'score' => 8]);
    Artisan::call("map:sentences {$this->map->id} --score --owner={$this->tove->email}");
    expect(json_decode(Artisan::output(), true))->toBe($score);
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'crosslink', 'row' => $right, 'fields' => ['judged' => 'maybe']]])->assertJsonPath('edits.0.status', 'refused');
});

it('holds a map against another of the same person, and no one else’s', function () {
    ($this->tie)('Lanterns', 'Boats', 'are carried past');
    $model = $this->mapOf($this->tove);
    $this->sendEdits($model, [['name' => 'crosslink.tie', 'topics' => [$this->id($model, 'Lanterns')], 'to' => $this->id($model, 'Boats'), 'as' => [$link = Ids::next()]], ['name' => 'row.set', 'type' => 'crosslink', 'row' => $link, 'fields' => ['phrase' => 'Past are carried']]])->assertOk();
    $this->sendEdits($model, [['name' => 'crosslink.tie', 'topics' => [$this->id($model, 'Willow')], 'to' => $this->id($model, 'Boats'), 'as' => [$link = Ids::next()]], ['name' => 'row.set', 'type' => 'crosslink', 'row' => $link, 'fields' => ['phrase' => 'bends over']]])->assertOk();
    $match = $this->getJson("/api/maps/{$this->map->id}/sentences?with={$model->id}")->assertOk()->json('match');
    expect($match['there'])->toHaveCount(1)->and($match['missing'])->toBe(['Willow bends over Boats.'])->and($match['other'])->toBe([]);
    $ines = $this->person('ines@saltmere.example');
    $foreign = $this->mapOf($ines);
    foreach ([$foreign->id, Ids::next(), 'x', '', '../'] as $with) {
        $this->getJson("/api/maps/{$this->map->id}/sentences?".http_build_query(['with' => $with]))->assertNotFound();
    }
    $this->getJson("/api/maps/{$this->map->id}/sentences?with[]=x")->assertNotFound();
});
