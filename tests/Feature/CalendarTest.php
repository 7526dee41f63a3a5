<?php

declare(strict_types=1);

use App\Models\CalendarAddress;
use ChalkTree\Map\Ids;

/* What of a map has a date, at a secret address for other calendars. */

beforeEach(function () {
    $this->actingAs($this->tove = $this->person());
    $this->map = $this->mapOf($this->tove);
    $this->sendEdits($this->map, [
        ['name' => 'task.set', 'topics' => [$this->id($this->map, 'Lanterns')], 'by' => '2026-12-05', 'today' => '2026-11-28'],
        ['name' => 'topic.add', 'parent' => $this->map->root, 'topic' => ['id' => $this->held = Ids::next(), 'title' => 'A secret']],
        ['name' => 'task.set', 'topics' => [$this->held], 'by' => '2026-12-06', 'today' => '2026-11-28'],
        ['name' => 'row.set', 'type' => 'private', 'topics' => [$this->held], 'fields' => ['held' => true]],
    ])->assertOk();
    $this->ask = fn (string $method) => $this->json($method, "/api/maps/{$this->map->id}/calendar");
    $this->read = function (string $address) {
        $this->flushSession();
        auth()->forgetGuards();

        return $this->get((string) parse_url($address, PHP_URL_PATH));
    };
});

it('is read by whoever knows its address, and follows the map without what is private', function () {
    expect(($this->ask)('GET')->assertOk()->json('address'))->toBeNull();
    $answer = ($this->ask)('POST')->assertOk();
    expectShape('CalendarAnswer', json_decode($answer->getContent()));
    $address = $answer->json('address');
    expect($address)->toMatch('~/api/calendars/[0-9a-f]{48}\.ics$~')->and(($this->ask)('GET')->json('address'))->toBe($address);
    $calendar = ($this->read)($address)->assertOk();
    expect($calendar->headers->get('Content-Type'))->toBe('text/calendar; charset=UTF-8')
        ->and($calendar->getContent())->toStartWith('BEGIN:VCALENDAR')->toContain('SUMMARY:Lanterns')->toContain('20261205')->not->toContain('secret');
    $this->actingAs($this->tove->fresh());
    $this->sendEdits($this->map, [['name' => 'task.set', 'topics' => [$this->id($this->map, 'Lanterns')], 'by' => '2026-12-12', 'today' => '2026-11-28']])->assertOk();
    expect(($this->read)($address)->assertOk()->getContent())->toContain('20261212')->not->toContain('20261205');
});

it('leads nowhere once it is withdrawn, made anew, or its map is in the trash', function () {
    $first = ($this->ask)('POST')->json('address');
    $second = ($this->ask)('POST')->json('address');
    expect($second)->not->toBe($first);
    ($this->read)($first)->assertNotFound();
    ($this->read)($second)->assertOk();
    $this->actingAs($this->tove->fresh());
    $this->deleteJson("/api/maps/{$this->map->id}")->assertOk();
    ($this->read)($second)->assertNotFound();
    $this->actingAs($this->tove->fresh());
    $this->postJson("/api/maps/{$this->map->id}/restore")->assertOk();
    ($this->read)($second)->assertOk();
    $this->actingAs($this->tove->fresh());
    expect(($this->ask)('DELETE')->assertOk()->json('address'))->toBeNull();
    ($this->read)($second)->assertNotFound();
});

it('is nobody else’s to see, and lies nowhere to be read', function () {
    $address = ($this->ask)('POST')->json('address');
    $end = basename((string) parse_url($address, PHP_URL_PATH), '.ics');
    expect(json_encode(CalendarAddress::query()->toBase()->get()))->not->toContain($end);
    $this->flushSession();
    $this->actingAs($this->person('bram@saltmere.example'));
    foreach (['GET', 'POST', 'DELETE'] as $method) {
        ($this->ask)($method)->assertNotFound();
    }
    ($this->read)($address)->assertOk();
    foreach (['/api/calendars/'.str_repeat('0', 48).'.ics', '/api/calendars/abc.ics', "/api/calendars/{$end}"] as $path) {
        $this->get($path)->assertNotFound();
    }
});

it('says nothing where all of the map is private', function () {
    $address = ($this->ask)('POST')->json('address');
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'private', 'topics' => [$this->map->root], 'fields' => ['held' => true]]])->assertOk();
    ($this->read)($address)->assertNotFound();
});
