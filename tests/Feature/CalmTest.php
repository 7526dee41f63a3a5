<?php

declare(strict_types=1);

use ChalkTree\Look\BoardTheme;

beforeEach(function () {
    $this->actingAs($this->person());
    $this->keep = fn (array $calm) => $this->putJson('/api/me/calm', $calm);
});

it('keeps what a person chose for their eyes, wherever they sign in', function () {
    expect($this->getJson('/api/me')->json('person.calm'))->toBeNull();
    foreach (BoardTheme::cases() as $board) {
        ($this->keep)($calm = ['board' => $board->value, 'size' => 'large', 'motion' => 'less'])->assertOk()->assertJsonPath('person.calm', $calm);
    }
    expect($this->getJson('/api/me')->json('person.calm'))->toBe(['board' => 'contrast', 'size' => 'large', 'motion' => 'less']);
    ($this->keep)($calm = ['board' => 'day', 'size' => 'usual', 'motion' => 'less', 'names' => 'said'])->assertOk()->assertJsonPath('person.calm', $calm);
    $this->flushSession();
    $this->actingAs($this->person('marit@saltmere.example')->fresh());
    expect($this->getJson('/api/me')->json('person.calm'))->toBeNull();
});

it('refuses what is no choice', function (array $calm) {
    ($this->keep)($calm)->assertUnprocessable();
    expect($this->getJson('/api/me')->json('person.calm'))->toBeNull();
})->with([
    [[]], [['board' => 'day']], [['board' => 'purple', 'size' => 'usual', 'motion' => 'less']], [['board' => 'day', 'size' => 3, 'motion' => 'less']],
    [['board' => 'day', 'size' => 'usual', 'motion' => 'less', 'names' => 'sung']], [['board' => 'day', 'size' => 'usual', 'motion' => 'less', 'names' => null]],
    [['board' => ['day'], 'size' => 'usual', 'motion' => 'less']], [['board' => 'day', 'size' => 'usual', 'motion' => null]], [['board' => "day\n", 'size' => 'usual', 'motion' => 'less']],
]);

it('draws pictures on every board, and has every board in the page and in the browser', function () {
    $map = $this->mapOf($this->person());
    $page = (string) $this->get('/')->getContent();
    preg_match_all("/name: '([a-z]+)', label/", (string) file_get_contents(resource_path('ts/ui/boards.ts')), $known);
    expect($known[1])->toEqualCanonicalizing(array_column(BoardTheme::cases(), 'value'));
    foreach (BoardTheme::cases() as $board) {
        $svg = $this->get("/api/maps/{$map->id}/export?to=svg&board={$board->value}")->assertOk()->getContent();
        expect($svg)->toContain('fill="'.$board->colours()['board'].'"')->and($page)->toContain("[data-board={$board->value}]");
        $framed = $this->withUnencryptedCookie('chalk-frame', $board->value)->get('/')->getContent();
        expect($framed)->toContain("data-board=\"{$board->value}\"");
    }
    expect($this->withUnencryptedCookie('chalk-frame', 'purple')->get('/')->getContent())->not->toContain('<html lang="en" data-board');
    $this->getJson("/api/maps/{$map->id}/export?to=svg&board=purple")->assertUnprocessable();
});
