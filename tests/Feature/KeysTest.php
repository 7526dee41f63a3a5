<?php

declare(strict_types=1);

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
});

it('keeps the keys that a person has changed, and those of nobody else', function () {
    $this->putJson('/api/me/keys', ['keys' => ['topic.subtopic' => ['Alt+N'], 'map.undo' => []]])->assertOk()->assertJsonPath('person.keys', ['topic.subtopic' => ['Alt+N'], 'map.undo' => []]);
    $this->getJson('/api/me')->assertJsonPath('person.keys', ['topic.subtopic' => ['Alt+N'], 'map.undo' => []]);
    $this->flushSession();
    $this->actingAs($this->person('bram@saltmere.example'));
    expect($this->getJson('/api/me')->getContent())->toContain('"keys":{}');
    $this->flushSession();
    $this->actingAs($this->tove->fresh());
    $this->putJson('/api/me/keys', ['keys' => (object) []])->assertOk();
    expect($this->getJson('/api/me')->getContent())->toContain('"keys":{}');
});

it('refuses keys that are none', function (mixed $keys) {
    $this->putJson('/api/me/keys', ['keys' => $keys])->assertUnprocessable();
    expect($this->tove->fresh()->keys)->toBeNull();
})->with([
    'text' => ['Alt+N'],
    'a number for a key' => [['map.undo' => [1]]],
    'text for a list' => [['map.undo' => 'Alt+N']],
    'a key that goes on and on' => [['map.undo' => [str_repeat('Alt+', 20)]]],
    'a name that is none' => [['<b>' => ['Alt+N']]],
    'a list without names' => [[['Alt+N']]],
    'too many' => [array_fill_keys(array_map(fn (int $n): string => "a.{$n}", range(1, 500)), ['F4'])],
]);
