<?php

declare(strict_types=1);

use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->map = $this->mapOf($this->tove, new TopicDraft('Festival', children: [
        new TopicDraft('Lanterns', children: [new TopicDraft('Paper'), new TopicDraft('Wire')]),
        new TopicDraft('Boats'),
    ]));
    $this->try = fn (array $body) => $this->postJson("/api/maps/{$this->map->id}/tries", $body);
    $this->set = fn (string $type, array $more) => $this->postJson("/api/maps/{$this->map->id}/edits", ['since' => 0, 'edits' => [['id' => Ids::next(), 'name' => 'row.set', 'type' => $type] + $more]])->assertOk();
});

it('draws what edits would make of a map, and changes nothing', function () {
    $lanterns = $this->id($this->map, 'Lanterns');
    $before = $this->getJson("/api/maps/{$this->map->id}")->json('scene.slips');
    $scenes = ($this->try)(['tries' => [[], [['name' => 'map.arrange', 'arrangement' => 'stepped-list'], ['name' => 'row.set', 'type' => 'look', 'topics' => [$lanterns], 'fields' => ['size' => 60]]]], 'board' => true])->assertOk()->json('scenes');
    $height = fn (array $scene): float => array_column($scene['slips'], 'h', 'id')[$lanterns];
    expect($scenes)->toHaveCount(2)->and($scenes[0]['slips'])->toEqual($before)->and($scenes[1]['arrangement'])->toBe('stepped-list')
        ->and($height($scenes[1]))->toBeGreaterThan(2 * $height($scenes[0]))
        ->and($this->getJson("/api/maps/{$this->map->id}")->json('scene.slips'))->toBe($before)
        ->and($this->map->fresh()->seq)->toBe(0);
});

it('draws small pictures of one branch', function () {
    $lanterns = $this->id($this->map, 'Lanterns');
    $slips = ($this->try)(['tries' => [[]], 'branch' => $lanterns])->assertOk()->json('scenes.0.slips');
    expect(array_column($slips, 'id'))->toEqualCanonicalizing([$lanterns, $this->id($this->map, 'Paper'), $this->id($this->map, 'Wire')]);
});

it('refuses what cannot be tried', function (array $body) {
    ($this->try)($body)->assertUnprocessable();
})->with([
    [[]], [['tries' => []]], [['tries' => 'all']], [['tries' => [['name' => 'map.arrange']]]], [['tries' => array_fill(0, 25, [])]],
    [['tries' => [array_fill(0, 5, ['name' => 'map.balance'])]]], [['tries' => [[['name' => 'no.such']]]]], [['tries' => [[]], 'branch' => 'x']], [['tries' => [[]], 'board' => 'yes']],
    [['tries' => [[['name' => 'text.replace', 'find' => ['text' => '(a+)+', 'pattern' => true], 'with' => '']]]]],
]);

it('does not find a branch that is not there', function () {
    ($this->try)(['tries' => [[]], 'branch' => Ids::next()])->assertUnprocessable();
    $this->getJson("/api/maps/{$this->map->id}/topics/".Ids::next().'/look')->assertUnprocessable();
});

it('tells of every value of a look where it is said', function () {
    $lanterns = $this->id($this->map, 'Lanterns');
    $named = Ids::next();
    ($this->set)('map-look', ['row' => Ids::next(), 'fields' => ['whole' => 'card-box', 'ink' => 'soft']]);
    ($this->set)('level-look', ['row' => Ids::next(), 'fields' => ['level' => 1, 'slant' => 'slanted']]);
    ($this->set)('named-look', ['row' => $named, 'fields' => ['name' => 'Loud', 'weight' => 'bold']]);
    ($this->set)('look', ['topics' => [$lanterns], 'fields' => ['named' => $named, 'shape' => 'oval']]);
    $why = $this->getJson("/api/maps/{$this->map->id}/topics/{$lanterns}/look")->assertOk()->json();
    $reasons = array_column($why['reasons'], null, 'field');
    $told = fn (string $field): array => [$reasons[$field]['value'], $reasons[$field]['words'], $reasons[$field]['row']];
    expect($why['level'])->toBe(1)
        ->and($told('shape'))->toBe(['oval', 'the topic itself', $lanterns])
        ->and($told('weight'))->toBe(['bold', 'the look “Loud”', $named])
        ->and($told('slant'))->toBe(['slanted', 'level 1', null])
        ->and($told('ink'))->toBe(['soft', 'the whole map', null])
        ->and($told('corner'))->toBe([4, 'the look “Card box”', null])
        ->and($told('width'))->toBe([220, 'the look “Card box”', null])
        ->and($why['chalk'])->toBe(['name' => 'tide', 'words' => 'its first-level branch, as the map gives out chalks', 'topic' => null])
        ->and($reasons['lineDash']['called'])->toBe('dash of the connector');
});

it('keeps the face in which a person sees every map, and draws all in it', function () {
    $this->putJson('/api/me/face', ['face' => 'weighted'])->assertOk()->assertJsonPath('person.face', 'weighted');
    expect(array_unique(array_column(array_column($this->getJson("/api/maps/{$this->map->id}")->json('scene.looks'), 'type'), 'face')))->toBe(['weighted']);
    // An edit afterwards goes on in it.
    $answer = $this->postJson("/api/maps/{$this->map->id}/edits", ['since' => 0, 'edits' => [['id' => Ids::next(), 'name' => 'topic.retitle', 'topic' => $this->id($this->map, 'Boats'), 'title' => 'Ships']]])->json();
    expect($answer['scene']['slips'][0]['parts'][2]['face'])->toBe('weighted');
    $this->putJson('/api/me/face', ['face' => null])->assertOk();
    expect($this->getJson("/api/maps/{$this->map->id}")->json('scene.looks.0.type.face'))->toBe('clear');
    $this->putJson('/api/me/face', ['face' => 'Comic'])->assertUnprocessable();
    $this->putJson('/api/me/face', [])->assertUnprocessable();
});

it('says everything anew when the look of the map or of a level changes, and only then', function () {
    $lanterns = $this->id($this->map, 'Lanterns');
    $set = fn (string $type, array $more) => $this->postJson("/api/maps/{$this->map->id}/edits", ['since' => $this->map->fresh()->seq, 'edits' => [['id' => Ids::next(), 'name' => 'row.set', 'type' => $type] + $more]])->json('scene');
    $of = $set('look', ['topics' => [$lanterns], 'fields' => ['fill' => 'tint:coral']]);
    expect($of['reset'])->toBeFalse()->and(array_column($of['slips'], 'id'))->toBe([$lanterns])->and(array_column($of['looks'], 'name'))->toContain($of['slips'][0]['look'])->and($of['levels'])->toBe([]);
    $of = $set('level-look', ['row' => Ids::next(), 'fields' => ['level' => 2, 'size' => 20]]);
    expect($of['reset'])->toBeTrue()->and($of['slips'])->toHaveCount(5)->and($of['levels'])->toHaveCount(4)
        ->and(array_diff($of['levels'], array_column($of['looks'], 'name')))->toBe([]);
});

it('offers the looks with a name of all of a person’s maps, and of nobody else’s', function () {
    ($this->set)('named-look', ['row' => Ids::next(), 'fields' => ['name' => 'Loud', 'size' => 40]]);
    $other = $this->mapOf($this->tove);
    $this->postJson("/api/maps/{$other->id}/edits", ['since' => 0, 'edits' => [['id' => Ids::next(), 'name' => 'row.set', 'type' => 'named-look', 'row' => Ids::next(), 'fields' => ['name' => 'Quiet', 'fill' => 'none']]]])->assertOk();
    $looks = $this->getJson('/api/looks')->assertOk()->json('looks');
    expect(array_column($looks, 'fields', 'name'))->toEqual(['Quiet' => ['fill' => 'none'], 'Loud' => ['size' => 40]])
        ->and(array_column($looks, 'map'))->toEqualCanonicalizing([$this->map->id, $other->id]);
    $this->deleteJson("/api/maps/{$other->id}")->assertOk();
    expect(array_column($this->getJson('/api/looks')->json('looks'), 'name'))->toBe(['Loud']);
    $this->flushSession();
    $this->actingAs($this->person('marit@saltmere.example')->fresh());
    expect($this->getJson('/api/looks')->json('looks'))->toBe([]);
    ($this->try)(['tries' => [[]]])->assertNotFound();
});

it('puts a look on many topics as one step, and takes it back as one', function () {
    $topics = array_map(fn (string $title): string => $this->id($this->map, $title), ['Lanterns', 'Boats', 'Paper']);
    ($this->set)('look', ['topics' => $topics, 'fields' => ['size' => 30, 'shape' => 'swept']]);
    $sizes = fn (): array => array_column($this->getJson("/api/maps/{$this->map->id}")->json('scene.looks'), 'type');
    expect(array_column($sizes(), 'size'))->toContain(30);
    $answer = $this->postJson("/api/maps/{$this->map->id}/edits", ['since' => $this->map->fresh()->seq, 'edits' => [['id' => Ids::next(), 'name' => 'undo']]])->assertOk()->json();
    expect($answer['undo'])->toBeNull()->and(array_intersect($topics, array_column($answer['scene']['slips'], 'id')))->toHaveCount(3)->and(array_column($sizes(), 'size'))->not->toContain(30);
});

it('tries only so much at once', function () {
    $many = array_fill(0, 11_000, $this->id($this->map, 'Boats'));
    $edit = ['name' => 'row.set', 'type' => 'look', 'topics' => $many, 'fields' => ['size' => 30]];
    ($this->try)(['tries' => [[$edit], [$edit]]])->assertUnprocessable()->assertJsonPath('message', 'This is too much to try at once.');
});

it('tells how well a colour serves as a chalk, and offers the next that does', function () {
    $told = $this->getJson('/api/chalks/ffd84d')->assertOk()->json();
    expect($told['day']['ratio'])->toBeLessThan(3.0)->and($told['day']['line'])->not->toBe('#ffd84d')->and($told['slate']['ratio'])->toBeGreaterThan(4.5)->and($told['slate']['line'])->toBe('#ffd84d')
        ->and($told['slate']['text'])->toMatch('/^#[0-9a-f]{6}$/');
    foreach (['FFD84D', 'ffd84', 'ffd84d0', 'red', '%23ffd84', 'ffd84d;', '../looks'] as $colour) {
        $this->getJson("/api/chalks/{$colour}")->assertNotFound();
    }
    $this->app['auth']->forgetGuards();
    $this->getJson('/api/chalks/ffd84d')->assertUnauthorized();
});

it('sends the colours of mixed chalks with the whole scene, and whenever they change', function () {
    $chalk = Ids::next();
    $boats = $this->id($this->map, 'Boats');
    $answer = ($this->set)('mixed-chalk', ['row' => $chalk, 'fields' => ['name' => 'Signal', 'day' => '#b00020', 'slate' => '#ff8090']])->json();
    expect($answer['scene']['reset'])->toBeTrue()->and($answer['scene']['chalks'][0]['name'])->toBe($chalk)->and($answer['scene']['chalks'][0]['boards']['day']['line'])->toBe('#b00020');
    $answer = ($this->set)('look', ['topics' => [$boats], 'fields' => ['chalk' => $chalk]])->json();
    expect(array_column($answer['scene']['slips'], 'chalk', 'id')[$boats])->toBe($chalk);
    expect($this->getJson("/api/maps/{$this->map->id}")->json('scene.chalks.0.boards.slate.line'))->toBe('#ff8090');
    // Others are offered it with the looks by name that call it, and nobody else's.
    expect($this->getJson('/api/looks')->json('chalks'))->toEqual([['id' => $chalk, 'fields' => ['name' => 'Signal', 'day' => '#b00020', 'slate' => '#ff8090']]]);
    $this->flushSession();
    $this->actingAs($this->person('oskar@saltmere.example')->fresh());
    expect($this->getJson('/api/looks')->json())->toBe(['looks' => [], 'chalks' => []]);
});
