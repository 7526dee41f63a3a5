<?php

declare(strict_types=1);

use App\Find\Tokens;
use App\Models\Person;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;
use Illuminate\Support\Facades\DB;

beforeEach(function () {
    $this->tove = $this->person();
    $this->actingAs($this->tove);
    $this->festival = $this->mapOf($this->tove);
    $this->guide = $this->mapOf($this->tove, new TopicDraft('A guide to Saltmere', children: [
        new TopicDraft('Lantern workshop', 'Tuesdays', 'Bring paper.'), new TopicDraft('The harbour', children: [new TopicDraft('Ferry to Évora')]),
    ]));
});

/** What the quick box finds, as titles. */
function quickly(object $test, string $words): array
{
    $answer = $test->getJson('/api/quick?words='.urlencode($words))->assertOk()->json();

    return ['maps' => array_column($answer['maps'], 'title'), 'topics' => array_column($answer['topics'], 'title')];
}

it('finds maps and topics as one types, forgiving of spelling', function (string $typed, array $maps, array $topics) {
    $found = quickly($this, $typed);
    expect($found['maps'])->toBe($maps)->and(array_slice($found['topics'], 0, count($topics)))->toBe($topics);
})->with([
    'the beginning' => ['lan', [], ['Lanterns', 'Lantern workshop']],
    'the whole word first' => ['lantern', [], ['Lantern workshop', 'Lanterns']],
    'a letter too few' => ['lantrn', [], ['Lanterns', 'Lantern workshop']],
    'two letters turned round' => ['harbuor', [], ['The harbour']],
    'without accents' => ['evora', [], ['Ferry to Évora']],
    'two words in any order' => ['work lant', [], ['Lantern workshop']],
    'a caption' => ['tuesday', [], ['Lantern workshop']],
    'a map by its name' => ['saltm', ['A guide to Saltmere'], ['A guide to Saltmere']],
    'nothing' => ['zzzz', [], []],
    'only signs' => ['%_"\'', [], []],
]);

it('follows what is changed, removed, undone and brought in since', function () {
    expect(quickly($this, 'willow')['topics'])->toBe(['Willow']);
    $willow = $this->id($this->festival, 'Willow');
    $this->sendEdits($this->festival, [['name' => 'topic.retitle', 'topic' => $willow, 'title' => 'Bamboo']]);
    expect(quickly($this, 'willow')['topics'])->toBe([])->and(quickly($this, 'bamboo')['topics'])->toBe(['Bamboo']);
    $this->sendEdits($this->festival, [['name' => 'undo']]);
    expect(quickly($this, 'willow')['topics'])->toBe(['Willow'])->and(quickly($this, 'bamboo')['topics'])->toBe([]);
    $this->sendEdits($this->festival, [['name' => 'topic.remove', 'topics' => [$this->id($this->festival, 'Lanterns')]]]);
    expect(quickly($this, 'willow')['topics'])->toBe([]);
    $this->deleteJson("/api/maps/{$this->guide->id}");
    expect(quickly($this, 'harbour')['topics'])->toBe([])->and(quickly($this, 'guide')['maps'])->toBe([]);
});

it('finds topics by who does them and by what stands in their fields', function () {
    $willow = $this->id($this->festival, 'Willow');
    $field = Ids::next();
    $this->sendEdits($this->festival, [
        ['name' => 'task.set', 'topics' => [$willow], 'who' => 'Oskar', 'today' => '2026-11-27'],
        ['name' => 'row.set', 'type' => 'field', 'row' => $field, 'fields' => ['name' => 'Grown by', 'sort' => 'text']],
        ['name' => 'value.set', 'topics' => [$willow], 'field' => $field, 'value' => 'the allotments', 'today' => '2026-11-27'],
    ])->assertOk();
    expect(quickly($this, 'oskar')['topics'])->toBe(['Willow'])->and(quickly($this, 'allotments')['topics'])->toBe(['Willow']);
    $this->sendEdits($this->festival, [['name' => 'task.set', 'topics' => [$willow], 'who' => 'Marit', 'today' => '2026-11-27']])->assertOk();
    expect(quickly($this, 'oskar')['topics'])->toBe([])->and(quickly($this, 'marit')['topics'])->toBe(['Willow']);
    $hits = $this->postJson('/api/find', ['find' => ['text' => 'allotments'], 'fields' => ['more']])->assertOk()->json('maps.0.hits');
    expect($hits[0]['called'])->toBe('Grown by');
    // What was found anywhere can be replaced: in fields, in remarks, in names of people.
    $this->sendEdits($this->festival, [['name' => 'task.report', 'topics' => [$willow], 'progress' => 10, 'on' => '2026-11-27', 'said' => 'Marit cut it at the allotments']])->assertOk();
    foreach (['allotments' => 2, 'Marit' => 2] as $word => $places) {
        $keys = array_column($this->postJson('/api/find', ['find' => ['text' => $word], 'fields' => ['more']])->assertOk()->json('maps.0.hits'), 'key');
        $this->postJson('/api/replace', ['find' => ['text' => $word], 'with' => 'quay', 'fields' => ['more'], 'hits' => [$this->festival->id => $keys]])->assertOk()->assertJsonPath('places', $places);
    }
    expect(quickly($this, 'allotments')['topics'])->toBe([])->and(quickly($this, 'marit')['topics'])->toBe([])->and(quickly($this, 'quay')['topics'])->toContain('Willow');
});

it('finds nothing of other people', function () {
    $this->actingAs($this->person('ines@saltmere.example'));
    expect(quickly($this, 'lantern'))->toBe(['maps' => [], 'topics' => []]);
    $this->postJson('/api/find', ['find' => ['text' => 'lantern']])->assertOk()->assertJsonPath('maps', []);
});

it('tells where a topic stands', function () {
    $topic = $this->getJson('/api/quick?words=evora')->json('topics.0');
    expect($topic)->toMatchArray(['map' => $this->guide->id, 'mapTitle' => 'A guide to Saltmere', 'trail' => ['The harbour']]);
});

it('splits text into words and tells how near two are', function () {
    expect(Tokens::of('Ferry to Évora, 2nd time! ferry'))->toBe(['ferry', 'to', 'evora', '2nd', 'time'])
        ->and(Tokens::grams('ab'))->toBe(['^ab', 'ab$'])
        ->and(Tokens::likeness('lantern', 'lantern'))->toBe(1.0)
        ->and(Tokens::likeness('lant', 'lantern'))->toBeGreaterThan(Tokens::likeness('lanr', 'lantern'))
        ->and(Tokens::likeness('boat', 'choir'))->toBe(0.0);
});

it('finds every place in all maps and replaces those chosen, with one undo for all', function () {
    $found = $this->postJson('/api/find', ['find' => ['text' => 'paper'], 'fields' => ['title', 'note']])->assertOk()->json();
    expect(array_column($found['maps'], 'map'))->toEqualCanonicalizing([$this->festival->id, $this->guide->id]);
    $hits = array_combine(array_column($found['maps'], 'map'), array_map(fn (array $map): array => array_column($map['hits'], 'key'), $found['maps']));
    $this->postJson('/api/replace', ['find' => ['text' => 'paper'], 'with' => 'tissue', 'fields' => ['title', 'note'], 'hits' => $hits])->assertOk()->assertJsonPath('maps', 2);
    expect($this->topics($this->festival)->find($this->id($this->festival, 'tissue')))->not->toBeNull()
        ->and($this->topics($this->guide)->topic($this->id($this->guide, 'Lantern workshop'))->note)->toBe('Bring tissue.');

    $this->sendEdits($this->guide, [['name' => 'undo']])->assertJsonPath('edits.0.status', 'done');
    expect($this->topics($this->guide)->topic($this->id($this->guide, 'Lantern workshop'))->note)->toBe('Bring paper.')
        ->and($this->topics($this->festival)->find($this->id($this->festival, 'Paper')))->not->toBeNull();
    $this->sendEdits($this->festival, [['name' => 'redo']])->assertJsonPath('edits.0.status', 'done');
    expect($this->topics($this->guide)->topic($this->id($this->guide, 'Lantern workshop'))->note)->toBe('Bring tissue.');
});

it('leaves the other map as it is where something there has changed since', function () {
    $keys = fn ($map, string $title): array => [$this->id($map, $title).'.title.0'];
    $this->postJson('/api/replace', ['find' => ['text' => 'lantern'], 'with' => 'Lamp', 'fields' => ['title'], 'hits' => [$this->festival->id => $keys($this->festival, 'Lanterns'), $this->guide->id => $keys($this->guide, 'Lantern workshop')]])->assertOk();
    $this->sendEdits($this->guide, [['name' => 'topic.retitle', 'topic' => $this->id($this->guide, 'Lamp workshop'), 'title' => 'Other']]);
    $this->sendEdits($this->festival, [['name' => 'undo']])->assertJsonPath('edits.0.status', 'done');
    expect($this->id($this->festival, 'Lanterns'))->not->toBeEmpty()->and($this->id($this->guide, 'Other'))->not->toBeEmpty();
});

it('refuses patterns that are none, hits in maps of others, and bad bodies', function () {
    $this->postJson('/api/find', ['find' => ['text' => '(', 'pattern' => true]])->assertUnprocessable()->assertJsonPath('code', 'bad_pattern');
    $this->postJson('/api/find', ['find' => ['text' => '']])->assertUnprocessable();
    $this->postJson('/api/find', ['find' => 'x'])->assertUnprocessable();
    $this->postJson('/api/find', ['find' => ['text' => 'a'], 'fields' => ['colour']])->assertUnprocessable();
    $this->postJson("/api/maps/{$this->festival->id}/find", ['find' => ['text' => 'a'], 'topics' => [Ids::next()]])->assertUnprocessable();
    $ines = $this->mapOf($this->person('ines@saltmere.example'));
    $this->postJson('/api/replace', ['find' => ['text' => 'Paper'], 'with' => 'x', 'hits' => [$ines->id => [$this->id($ines, 'Paper').'.title.0']]])->assertUnprocessable();
    expect($this->id($ines, 'Paper'))->not->toBeEmpty();
    $this->postJson('/api/replace', ['find' => ['text' => 'Paper'], 'with' => 'x', 'hits' => []])->assertUnprocessable();
});

it('keeps no word of a map that is gone', function () {
    quickly($this, 'lantern');
    expect(DB::table('word_uses')->count())->toBeGreaterThan(0);
    DB::table('maps')->delete();
    expect(DB::table('word_uses')->count())->toBe(0)->and(Person::query()->count())->toBe(1);
});
