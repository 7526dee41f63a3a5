<?php

declare(strict_types=1);

use Illuminate\Mail\Mailable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Mail;

/* Topics that gather others, as a browser asks for them. */

beforeEach(function () {
    $this->actingAs($this->tove = $this->person());
    $this->map = $this->mapOf($this->tove);
    $this->boats = $this->id($this->map, 'Boats');
    $this->paper = $this->id($this->map, 'Paper');
    $this->gather = function (array $fields, ?string $at = null): string {
        $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'digest', 'topics' => [$at ??= $this->boats], 'fields' => $fields]])->assertOk();

        return "/api/maps/{$this->map->id}/topics/{$at}/digest";
    };
    $this->when = fn (string $has): string => (string) json_encode(['ask' => 'text', 'has' => $has]);
});

it('tells what a digest gathers as the map is now', function () {
    $address = ($this->gather)(['when' => ($this->when)('paper'), 'tells' => 'branch']);
    $answer = $this->getJson($address)->assertOk();
    expectShape('DigestAnswer', json_decode($answer->getContent()));
    expect($answer->json('count'))->toBe(1)->and($answer->json('words'))->toBe('text “paper”')
        ->and($answer->json('groups.0.lines.0'))->toMatchArray(['map' => '', 'topic' => $this->paper, 'title' => 'Paper', 'trail' => ['Lanterns'], 'told' => ['Lanterns'], 'progress' => null])
        ->and(array_column($answer->json('columns'), 'key'))->toContain('branch', 'above', 'caption');
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->paper, 'title' => 'Tissue']])->assertOk();
    expect($this->getJson($address)->json('count'))->toBe(0);
    // It says on the board what it gathers.
    expect(json_encode($this->getJson("/api/maps/{$this->map->id}")->json('scene'), JSON_UNESCAPED_UNICODE))->toContain('gathers text “paper”');
});

it('gathers from all maps, but nothing private of another', function () {
    $other = $this->mapOf($this->tove);
    $address = ($this->gather)(['when' => ($this->when)('paper'), 'from' => 'maps']);
    $answer = $this->getJson($address)->assertOk();
    expectShape('DigestAnswer', json_decode($answer->getContent()));
    $lines = $answer->json('groups.0.lines');
    expect(array_column($lines, 'map'))->toBe(['', $other->id])->and($answer->json('maps'))->toHaveKey($other->id);
    $this->sendEdits($other, [['name' => 'row.set', 'type' => 'private', 'topics' => [$this->id($other, 'Lanterns')], 'fields' => ['held' => true]]])->assertOk();
    expect($this->getJson($address)->json('count'))->toBe(1);
});

it('stands in documents with what it gathers from all maps of whoever hands it over, each with the map it is from', function () {
    $other = $this->mapOf($this->tove);
    $this->sendEdits($other, [['name' => 'topic.retitle', 'topic' => $this->id($other, 'Willow'), 'title' => 'Willow of another map']])->assertOk();
    ($this->gather)(['when' => ($this->when)('willow'), 'from' => 'maps']);
    $html = (string) $this->get("/api/maps/{$this->map->id}/export?to=html")->assertOk()->getContent();
    $list = strip_tags(substr($html, (int) strpos($html, 'Boats')));
    expect($list)->toContain('Willow · Lanterns', 'Willow of another map · '.$this->topics($other->fresh())->root()->title.' › Lanterns');
    // Nothing of it is kept with the map.
    expect($this->topics($this->map->fresh())->row('digest', $this->boats)->text('lines'))->toBe('');
});

it('is copied and sent without what is private', function () {
    Mail::fake();
    $address = ($this->gather)(['when' => (string) json_encode(['any' => [['ask' => 'text', 'has' => 'paper'], ['ask' => 'text', 'has' => 'willow']]])]);
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'private', 'topics' => [$this->paper], 'fields' => ['held' => true]]])->assertOk();
    expect($this->getJson($address)->json('count'))->toBe(2);
    $copy = $this->getJson("{$address}/copy?trail=1")->assertOk();
    expectShape('DigestCopy', json_decode($copy->getContent()));
    expect($copy->json('text'))->toContain('Willow · Lanterns')->not->toContain('Paper')
        ->and($copy->json('html'))->not->toContain('Paper')->and($copy->json('markdown'))->not->toContain('Paper');
    $this->postJson("{$address}/letter", ['to' => 'marit@saltmere.example', 'trail' => false])->assertOk();
    Mail::assertSent(Mailable::class, function (Mailable $letter): bool {
        $text = $letter->render();

        return $letter->hasTo('marit@saltmere.example') && str_contains($text, '- Willow') && ! str_contains($text, 'Paper') && ! str_contains($text, 'Lanterns');
    });
    $this->postJson("{$address}/letter", ['to' => 'nobody'])->assertStatus(422);
    // One that is private itself goes nowhere.
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'private', 'topics' => [$this->boats], 'fields' => ['held' => true]]])->assertOk();
    expect($this->getJson("{$address}/copy")->getStatusCode())->toBeGreaterThanOrEqual(400);
});

it('stays as it was once it is frozen', function () {
    $address = ($this->gather)(['when' => ($this->when)('paper')]);
    $groups = $this->getJson($address)->json('groups');
    ($this->gather)(['frozen' => '2026-11-20', 'lines' => (string) json_encode($groups)]);
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->paper, 'title' => 'Tissue']])->assertOk();
    $answer = $this->getJson($address)->assertOk();
    expect($answer->json('frozen'))->toBe('2026-11-20')->and($answer->json('groups'))->toBe($groups)->and($answer->json('count'))->toBe(1);
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'digest', 'topics' => [$this->boats], 'fields' => ['lines' => '[1]']]])->assertJsonPath('edits.0.status', 'refused');
    expect($this->getJson("/api/maps/{$this->map->id}")->assertOk()->getContent())->toContain('as of Fri 20 Nov');
});

it('is told to nobody else, and not where there is none', function () {
    $address = ($this->gather)(['when' => ($this->when)('paper')]);
    $this->getJson("/api/maps/{$this->map->id}/topics/{$this->paper}/digest")->assertStatus(422);
    $this->flushSession();
    $this->actingAs($this->person('ines@saltmere.example')->fresh());
    foreach ([['GET', $address], ['GET', "{$address}/copy"], ['POST', "{$address}/letter"]] as [$method, $path]) {
        $this->json($method, $path, ['to' => 'marit@saltmere.example'])->assertStatus(404);
    }
});

it('prints what a digest gathers on the command line', function () {
    ($this->gather)(['when' => ($this->when)('paper')]);
    expect(Artisan::call('map:digest', ['id' => $this->map->id, 'topic' => $this->boats, '--owner' => $this->tove->email]))->toBe(0)
        ->and(Artisan::output())->toBe("{$this->paper}\tPaper\n");
});
