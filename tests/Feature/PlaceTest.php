<?php

declare(strict_types=1);

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove);
});

it('keeps where each person left each view of a map, apart from what is folded', function () {
    $this->getJson("/api/maps/{$this->map->id}")->assertJsonPath('place', null);
    $this->putJson("/api/maps/{$this->map->id}/place", ['x' => 12.34, 'y' => -5, 'scale' => 0.75])->assertOk();
    $lanterns = $this->id($this->map, 'Lanterns');
    $this->putJson("/api/maps/{$this->map->id}/view", ['since' => 0, 'folded' => [$lanterns], 'outlineFolded' => [], 'chosen' => $lanterns, 'scope' => null, 'outlineScope' => null])->assertOk();
    $this->putJson("/api/maps/{$this->map->id}/place?pane=second", ['x' => 1, 'y' => 2, 'scale' => 1])->assertOk();
    $this->getJson("/api/maps/{$this->map->id}")->assertJsonPath('place', ['x' => 12.3, 'y' => -5, 'scale' => 0.75])->assertJsonPath('view.folded', [$lanterns]);
    $this->getJson("/api/maps/{$this->map->id}?pane=second")->assertJsonPath('place.y', 2)->assertJsonPath('view.folded', []);
});

it('refuses places that are none, and those on maps of others', function (array $body) {
    $this->putJson("/api/maps/{$this->map->id}/place", $body)->assertUnprocessable();
})->with([
    'nothing' => [[]],
    'words' => [['x' => 'far', 'y' => 0, 'scale' => 1]],
    'too far' => [['x' => 1e9, 'y' => 0, 'scale' => 1]],
    'no size' => [['x' => 0, 'y' => 0, 'scale' => 0]],
    'a list' => [['x' => [1], 'y' => 0, 'scale' => 1]],
]);

it('is nobody else’s', function () {
    $this->actingAs($this->person('bram@saltmere.example'));
    $this->putJson("/api/maps/{$this->map->id}/place", ['x' => 0, 'y' => 0, 'scale' => 1])->assertNotFound();
});
