<?php

declare(strict_types=1);

use ChalkTree\Arrange\ConnectorPhrase;
use Illuminate\Support\Facades\Artisan;

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove);
    $this->say = fn (string $title, array $fields, string $type = 'phrase') => $this->sendEdits($this->map, [['name' => 'row.set', 'type' => $type, 'topics' => [$this->id($this->map, $title)], 'fields' => $fields]])->assertOk();
});

it('tells a slip anew when a phrase comes onto its connector, and those that make way', function () {
    $opened = $this->getJson("/api/maps/{$this->map->id}")->json();
    $answer = $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'phrase', 'topics' => [$id = $this->id($this->map, 'Willow')], 'fields' => ['phrase' => 'are bent out of']]], $opened['seq'])->json();
    $slip = array_values(array_filter($answer['scene']['slips'], fn (array $slip): bool => $slip['id'] === $id))[0];
    expect(array_column($slip['parts'], 'part'))->toContain('phrase')->toContain('phrase-room');
    $this->say->__invoke('Festival', ['are' => 'hidden'], 'phrases');
    $slip = array_values(array_filter($this->getJson("/api/maps/{$this->map->id}")->json('scene.slips'), fn (array $slip): bool => $slip['id'] === $id))[0];
    expect(array_column($slip['parts'], 'part'))->not->toContain('phrase');
});

it('reads connectors out with cross-links, as an answer, as files and on the command line', function () {
    ($this->say)('Willow', ['phrase' => 'are bent out of']);
    ($this->say)('Boats', ['phrase' => 'needs', 'judged' => 'doubtful']);
    $answer = $this->getJson("/api/maps/{$this->map->id}/sentences")->assertOk()->json();
    expect(array_column($answer['sentences'], 'text'))->toBe(['Festival needs Boats.', 'Lanterns are bent out of Willow.'])
        ->and(array_column($answer['sentences'], 'type'))->toBe(['phrase', 'phrase'])
        ->and(array_column($answer['sentences'], 'id'))->toBe([$this->id($this->map, 'Boats'), $this->id($this->map, 'Willow')])
        ->and($answer['score']['valid'])->toBe(1);
    Artisan::call('map:sentences', ['id' => $this->map->id, '--owner' => 'tove@saltmere.example']);
    expect(Artisan::output())->toBe("Festival\tneeds\tBoats\nLanterns\tare bent out of\tWillow\n");
    // Where phrases are asked for, one that is missing is told.
    ($this->say)('Lanterns', ['are' => 'asked'], 'phrases');
    expect(array_column($this->getJson("/api/maps/{$this->map->id}/sentences")->json('sentences'), 'text'))->toContain('Lanterns … Paper.');
});

it('finds and replaces in phrases, and refuses what is none', function () {
    ($this->say)('Willow', ['phrase' => 'are bent out of']);
    $this->getJson('/api/quick?words=bent')->assertOk()->assertJsonPath('topics.0.title', 'Willow');
    $this->sendEdits($this->map, [['name' => 'text.replace', 'find' => ['text' => 'bent'], 'with' => 'woven']])->assertOk();
    expect(array_values($this->topics($this->map)->rowsOf(ConnectorPhrase::class))[0]->text('phrase'))->toBe('are woven out of');
    foreach ([['phrase' => str_repeat('a', 301)], ['phrase' => 5], ['judged' => 'splendid'], ['other' => 'x']] as $fields) {
        $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'phrase', 'topics' => [$this->id($this->map, 'Willow')], 'fields' => $fields]])->assertOk()->assertJsonPath('edits.0.status', 'refused');
    }
    foreach ([['are' => 'loud'], ['are' => true]] as $fields) {
        $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'phrases', 'topics' => [$this->id($this->map, 'Willow')], 'fields' => $fields]])->assertOk()->assertJsonPath('edits.0.status', 'refused');
    }
});
