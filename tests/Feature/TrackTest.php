<?php

declare(strict_types=1);

use App\Models\MapRecord;
use App\Store\DrawnMaps;
use Carbon\CarbonImmutable;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Map\Ids;
use ChalkTree\Rule\RuleSet;
use ChalkTree\Task\Remark;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

beforeEach(function () {
    $this->actingAs($this->tove = $this->person());
    $this->map = $this->mapOf($this->tove);
    $this->lanterns = $this->id($this->map, 'Lanterns');
    $this->paper = $this->id($this->map, 'Paper');
    $this->today = CarbonImmutable::now()->format('Y-m-d');
    $this->set = fn (array $fields, ?string $topic = null) => $this->sendEdits($this->map, [['name' => 'task.set', 'topics' => [$topic ?? $this->paper], 'today' => $this->today] + $fields], $this->map->fresh()->seq)->assertOk();
});

/** Takes a kind that ships as a browser does: with the rows that the server gave. */
function takeKind(MapRecord $map, string $kind): array
{
    $kinds = collect(test()->getJson('/api/kinds')->assertOk()->json('kinds'));

    return ['name' => 'kind.take', 'rows' => $kinds->firstWhere('id', ShippedKinds::kindId($kind))['rows']];
}

it('offers the kinds that ship and those of all maps of the person, and of nobody else', function () {
    $this->sendEdits($this->map, [takeKind($this->map, 'meeting'), ['name' => 'row.set', 'type' => 'kind', 'row' => $own = Ids::next(), 'fields' => ['name' => 'Rehearsal', 'fields' => ShippedKinds::fieldId('date')]]])->assertOk();
    $this->mapOf($this->tove);
    $kinds = $this->getJson('/api/kinds')->assertOk();
    expectShape('KindsAnswer', json_decode($kinds->getContent()));
    $mine = collect($kinds->json('kinds'))->firstWhere('id', $own);
    // A map without a name is called as its root is.
    expect($mine)->toMatchArray(['name' => 'Rehearsal', 'map' => $this->map->id, 'title' => $this->topics($this->map)->root()->title])
        ->and(array_column($mine['rows'], 'type'))->toBe(['kind', 'field'])
        ->and(collect($kinds->json('kinds'))->where('id', ShippedKinds::kindId('meeting')))->toHaveCount(1);
    $this->flushSession();
    $this->actingAs($this->person('bram@saltmere.example'));
    expect(collect($this->getJson('/api/kinds')->json('kinds'))->pluck('id'))->not->toContain($own)->toContain(ShippedKinds::kindId('meeting'));
});

it('makes an entry in one request, draws it at once, and takes it back as one step', function () {
    $step = Ids::next();
    $as = array_map(fn (): string => Ids::next(), range(1, 7));
    $answer = $this->sendEdits($this->map, [['step' => $step] + takeKind($this->map, 'meeting'), ['step' => $step, 'name' => 'entry.put', 'kind' => ShippedKinds::kindId('meeting'), 'parent' => $this->lanterns, 'as' => $as, 'today' => '2026-11-27', 'time' => '18:30']])->assertOk();
    expect(array_column($answer->json('edits'), 'status'))->toBe(['done', 'done'])
        ->and(array_intersect($as, array_column($answer->json('scene.slips'), 'id')))->toBe($as)
        ->and($this->topics($this->map)->topic($as[0])->title)->toBe('Meeting, 27 Nov 2026');
    $this->sendEdits($this->map, [['name' => 'undo']])->assertOk();
    expect($this->topics($this->map)->has($as[0]))->toBeFalse()->and($this->topics($this->map)->rowsOf(\ChalkTree\Kind\Kind::class))->toBe([]);
});

it('signs remarks with the name of who makes them, whatever the browser says', function () {
    $this->sendEdits($this->map, [['name' => 'task.report', 'topics' => [$this->paper], 'progress' => 40, 'on' => $this->today, 'said' => 'Cut.']])->assertOk();
    $remarks = $this->topics($this->map)->rowsOf(Remark::class);
    expect(reset($remarks)->text('who'))->toBe('Tove');
    $refused = $this->sendEdits($this->map, [['name' => 'task.report', 'topics' => [$this->paper], 'progress' => 40, 'on' => $this->today, 'said' => 'x', 'who' => 'Bram']])->assertOk();
    expect($refused->json('edits.0.status'))->toBe('refused');
});

it('lists to-dos with what is found of them, and prints them', function () {
    ($this->set)(['who' => 'Ines, Theo', 'by' => '2026-01-02', 'progress' => 30]);
    ($this->set)([], $this->id($this->map, 'Boats'));
    $answer = $this->getJson("/api/maps/{$this->map->id}/todos")->assertOk();
    expectShape('TodosAnswer', json_decode($answer->getContent()));
    expect($answer->json('todos.0'))->toMatchArray(['title' => 'Paper', 'trail' => 'Lanterns', 'progress' => 30, 'who' => ['Ines', 'Theo'], 'by' => '2026-01-02', 'state' => 'doing', 'found' => ['overdue']])
        ->and($answer->json('todos.1.found'))->toBe(['nobody'])
        ->and(collect($answer->json('found'))->firstWhere('finding', 'overdue')['count'])->toBe(1);
    expect($this->artisan('map:todos', ['id' => $this->map->id, '--owner' => 'tove@saltmere.example']))->toBe(0)
        ->and(Artisan::output())->toBe("{$this->paper}\t30\tInes, Theo\t2026-01-02\tPaper\n{$this->id($this->map, 'Boats')}\t0\t\t\tBoats\n");
    expect($this->artisan('map:todos', ['id' => $this->map->id, '--owner' => 'nobody@saltmere.example']))->toBe(1);
});

it('tells what is computed of a topic and of what is below it', function () {
    $field = Ids::next();
    $this->sendEdits($this->map, [
        takeKind($this->map, 'expense'),
        ['name' => 'row.set', 'type' => 'field', 'row' => $field, 'fields' => ['name' => 'Each', 'sort' => 'computed', 'formula' => 'sum([Cost]) / 4', 'unit' => '€']],
        ['name' => 'value.set', 'topics' => [$this->paper], 'field' => ShippedKinds::fieldId('cost'), 'value' => '12,50', 'today' => $this->today],
        ['name' => 'row.set', 'type' => 'kind', 'row' => ShippedKinds::kindId('expense'), 'fields' => ['fields' => ShippedKinds::fieldId('cost').' '.$field]],
        ['name' => 'kind.give', 'topics' => [$this->lanterns], 'kind' => ShippedKinds::kindId('expense'), 'today' => $this->today],
    ])->assertOk();
    ($this->set)(['progress' => 100]);
    $answer = $this->getJson("/api/maps/{$this->map->id}/topics/{$this->lanterns}/facts")->assertOk();
    expectShape('FactsAnswer', json_decode($answer->getContent()));
    expect($answer->json('computed'))->toBe([['field' => $field, 'told' => '€3.13', 'isProblem' => false]])
        ->and($answer->json('below.0'))->toBe(['name' => 'Cost', 'how' => 'sum', 'told' => '€12.50'])
        ->and($answer->json('done'))->toBe(['done' => 1, 'of' => 1]);
    $this->getJson("/api/maps/{$this->map->id}/topics/01m83fb3nbvantw04nps62efzp/facts")->assertUnprocessable()->assertJson(['code' => 'missing_topic']);
});

it('tells which rules there are and what they hit, and why a topic looks so', function () {
    ($this->set)(['by' => '2026-01-02']);
    $answer = $this->getJson("/api/maps/{$this->map->id}/rules")->assertOk();
    expectShape('RulesAnswer', json_decode($answer->getContent()));
    $overdue = collect($answer->json('rules'))->firstWhere('id', RuleSet::idOf('overdue'));
    expect($overdue)->toMatchArray(['shipped' => true, 'words' => 'overdue', 'topics' => [$this->paper]]);
    $why = $this->getJson("/api/maps/{$this->map->id}/topics/{$this->paper}/look")->assertOk();
    expectShape('LookReasonsAnswer', json_decode($why->getContent()));
    expect(collect($why->json('reasons'))->firstWhere('field', 'edge'))->toMatchArray(['value' => 'chalk:ember', 'place' => 'rule', 'words' => 'the rule “Overdue”'])
        ->and(collect($why->json('rules'))->pluck('name')->all())->toBe(['Open', 'Overdue']);
});

it('tells what a condition hits, and refuses what is none', function () {
    $ask = fn (mixed $when) => $this->postJson("/api/maps/{$this->map->id}/hits", ['when' => $when]);
    $answer = $ask(['ask' => 'text', 'has' => 'boat'])->assertOk();
    expectShape('HitsAnswer', json_decode($answer->getContent()));
    expect($answer->json())->toBe(['words' => 'text “boat”', 'topics' => [$this->id($this->map, 'Boats')]]);
    foreach ([null, 'x', [], ['ask' => 'nothing'], ['all' => array_fill(0, 100, ['ask' => 'kind', 'is' => null])], ['ask' => 'text', 'has' => str_repeat('a', 300)]] as $wrong) {
        $ask($wrong)->assertUnprocessable();
    }
});

it('refuses what no kind, field, to-do or line of days can be, and changes nothing then', function (array $edit) {
    $field = Ids::next();
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'field', 'row' => $field, 'fields' => ['name' => 'Sort', 'sort' => 'choice', 'choices' => "book\nletter"]]])->assertOk();
    $before = MapRecord::query()->findOrFail($this->map->id)->seq;
    $fill = fn (mixed $value): mixed => is_array($value) ? array_map(fn (mixed $one): mixed => $one === '{field}' ? $field : ($one === '{paper}' ? $this->paper : $one), $value) : ($value === '{field}' ? $field : ($value === '{paper}' ? $this->paper : $value));
    $answer = $this->sendEdits($this->map, [array_map($fill, $edit)]);
    if ($answer->status() === 200) {
        expect($answer->json('edits.0.status'))->toBe('refused')->and($answer->json('edits.0.refusal.message'))->toMatch('/[a-z].*\.$/s');
    } else {
        $answer->assertUnprocessable();
    }
    expect(MapRecord::query()->findOrFail($this->map->id)->seq)->toBe($before);
})->with([
    'a choice that there is not' => [['name' => 'choice.rename', 'field' => '{field}', 'from' => 'scroll', 'to' => 'roll']],
    'a choice without a name' => [['name' => 'choice.rename', 'field' => '{field}', 'from' => 'book', 'to' => " \u{200b}"]],
    'a choice of too long a name' => [['name' => 'choice.rename', 'field' => '{field}', 'from' => 'book', 'to' => 'x'.str_repeat('y', 100)]],
    'a choice renamed to nothing' => [['name' => 'choice.rename', 'field' => '{field}', 'from' => 'book']],
    'a choice of no field' => [['name' => 'choice.rename', 'field' => '01m8ah8s526vq099twwr3cxa9k', 'from' => 'book', 'to' => 'x']],
    'a choice of what is no id' => [['name' => 'choice.rename', 'field' => '../etc', 'from' => 'book', 'to' => 'x']],
    'a line that goes sideways' => [['name' => 'row.set', 'type' => 'arrangement', 'topics' => ['{paper}'], 'fields' => ['goes' => 'sideways']]],
    'a day that is a path' => [['name' => 'row.set', 'type' => 'arrangement', 'topics' => ['{paper}'], 'fields' => ['day' => '../../by']]],
    'a day that is too long' => [['name' => 'row.set', 'type' => 'arrangement', 'topics' => ['{paper}'], 'fields' => ['day' => str_repeat('a', 27)]]],
    'a day that is a list' => [['name' => 'row.set', 'type' => 'arrangement', 'topics' => ['{paper}'], 'fields' => ['day' => ['by']]]],
    'an order by what there is not' => [['name' => 'branch.sort', 'topics' => ['{paper}'], 'by' => 'days']],
    'a reminder without a date' => [['name' => 'task.set', 'topics' => ['{paper}'], 'remind' => 2, 'today' => '2026-11-27']],
    'a reminder in a year and more' => [['name' => 'task.set', 'topics' => ['{paper}'], 'remind' => 366, 'today' => '2026-11-27']],
    'a value in no choice' => [['name' => 'value.set', 'topics' => ['{paper}'], 'field' => '{field}', 'value' => 'scroll', 'today' => '2026-11-27']],
    'progress beyond all' => [['name' => 'task.report', 'topics' => ['{paper}'], 'progress' => 101, 'on' => '2026-11-27']],
    'a day that there is not' => [['name' => 'task.report', 'topics' => ['{paper}'], 'progress' => 10, 'on' => '2026-02-30']],
    'a new round from no day' => [['name' => 'branch.again', 'topic' => '{paper}', 'start' => 'spring', 'today' => '2026-11-27']],
    'a new round of what has no day' => [['name' => 'branch.again', 'topic' => '{paper}', 'start' => '2027-01-01', 'today' => '2026-11-27']],
]);

it('lets nobody else ask or change any of it', function () {
    ($this->set)(['by' => '2026-01-02']);
    $this->flushSession();
    $this->actingAs($this->person('bram@saltmere.example'));
    foreach (["topics/{$this->paper}/facts", 'todos', 'rules'] as $path) {
        $this->getJson("/api/maps/{$this->map->id}/{$path}")->assertNotFound();
    }
    $this->postJson("/api/maps/{$this->map->id}/hits", ['when' => ['all' => []]])->assertNotFound();
    $this->sendEdits($this->map, [['name' => 'task.report', 'topics' => [$this->paper], 'progress' => 100, 'on' => $this->today]])->assertNotFound();
});

it('begins a day where the person is', function () {
    CarbonImmutable::setTestNow('2026-11-27T23:30:00Z');
    $this->putJson('/api/me/zone', ['zone' => 'Pacific/Auckland'])->assertOk()->assertJsonPath('person.zone', 'Pacific/Auckland');
    $this->putJson('/api/me/zone', ['zone' => 'Saltmere/Quay'])->assertUnprocessable();
    $this->putJson('/api/me/zone', ['zone' => str_repeat('a', 100)])->assertUnprocessable();
    ($this->set)(['by' => '2026-11-27']);
    $this->actingAs($this->tove->fresh());
    $open = $this->getJson("/api/maps/{$this->map->id}")->assertOk();
    expect($open->json('today'))->toBe('2026-11-28')->and($this->getJson("/api/maps/{$this->map->id}/todos")->json('todos.0.found'))->toContain('overdue');
    CarbonImmutable::setTestNow();
});

it('draws a map anew when only the day has changed, also where it was kept as drawn', function () {
    CarbonImmutable::setTestNow('2026-11-27T12:00:00Z');
    ($this->set)(['by' => '2026-11-27']);
    // So large that it is kept.
    $this->sendEdits($this->map, [['name' => 'topic.add', 'parent' => $this->map->root, 'topic' => ['title' => 'Many', 'children' => array_fill(0, DrawnMaps::FEWEST_ROWS, ['title' => 'one'])]]], $this->map->fresh()->seq)->assertOk();
    $edge = function (): array {
        $slip = collect($this->getJson("/api/maps/{$this->map->id}")->assertOk()->json('scene.slips'))->firstWhere('id', $this->paper);

        return array_values(array_filter(array_column($slip['parts'], 'stroke')));
    };
    expect($edge())->not->toContain('chalk:ember')->and($edge())->not->toContain('chalk:ember');
    CarbonImmutable::setTestNow('2026-11-28T00:10:00Z');
    expect($edge())->toContain('chalk:ember');
    CarbonImmutable::setTestNow();
});

it('lets private remarks, and rules that name private topics, stay at home', function () {
    $this->sendEdits($this->map, [
        ['name' => 'row.set', 'type' => 'private', 'topics' => [$this->lanterns], 'fields' => ['held' => true]],
        ['name' => 'row.set', 'type' => 'rule', 'row' => Ids::next(), 'fields' => ['name' => 'Below', 'when' => json_encode(['ask' => 'below', 'topic' => $this->lanterns]), 'fill' => 'tint:coral']],
        ['name' => 'task.report', 'topics' => [$boats = $this->id($this->map, 'Boats')], 'progress' => 10, 'on' => $this->today, 'said' => 'ZWARTBOEK', 'private' => true],
    ])->assertOk();
    $left = \ChalkTree\HandOver\Outgoing::of($this->topics($this->map));
    $json = \ChalkTree\Exchange\Formats::write($left, 'json');
    expect($json)->not->toContain('ZWARTBOEK')->not->toContain($this->lanterns)->toContain($boats);
});

/** What comes up, as the person is told who is signed in. */
function comingUp(): array
{
    $answer = test()->getJson('/api/reminders')->assertOk();
    expectShape('RemindersAnswer', json_decode($answer->getContent()));

    return $answer->json('reminders');
}

it('reminds in the application from so many days before, until it is done or put away', function () {
    CarbonImmutable::setTestNow('2026-11-27T12:00:00Z');
    ($this->set)(['by' => '2026-12-01', 'remind' => 3, 'who' => 'Ines']);
    ($this->set)(['by' => '2026-11-30', 'remind' => 7], $boats = $this->id($this->map, 'Boats'));
    expect(comingUp())->toBe([['map' => $this->map->id, 'mapTitle' => 'Festival', 'topic' => $boats, 'title' => 'Boats', 'by' => '2026-11-30', 'when' => 'in 3 days', 'who' => []]]);
    CarbonImmutable::setTestNow('2026-11-28T12:00:00Z');
    expect(array_column(comingUp(), 'title'))->toBe(['Boats', 'Paper'])->and(comingUp()[1])->toMatchArray(['when' => 'in 3 days', 'who' => ['Ines']]);
    // Put away until it has another date; whoever else asks changes nothing.
    $this->flushSession();
    $this->actingAs($this->person('bram@saltmere.example'));
    $this->deleteJson("/api/maps/{$this->map->id}/topics/{$boats}/reminder")->assertNotFound();
    expect(comingUp())->toBe([]);
    $this->flushSession();
    $this->actingAs($this->tove);
    expect($this->deleteJson("/api/maps/{$this->map->id}/topics/{$boats}/reminder")->assertOk()->json('reminders.*.title'))->toBe(['Paper']);
    $this->deleteJson("/api/maps/{$this->map->id}/topics/{$this->lanterns}/reminder")->assertOk();
    ($this->set)(['by' => '2026-12-02'], $boats);
    expect(array_column(comingUp(), 'title'))->toBe(['Paper', 'Boats']);
    ($this->set)(['progress' => 100], $boats);
    expect(array_column(comingUp(), 'title'))->toBe(['Paper']);
    // What is in the trash is told of no more.
    $this->deleteJson("/api/maps/{$this->map->id}")->assertOk();
    expect(comingUp())->toBe([]);
    CarbonImmutable::setTestNow();
});

it('reminds by one letter in the morning where the person lives, once of each, and names nothing private', function () {
    CarbonImmutable::setTestNow('2026-11-27T20:30:00Z');
    $this->tove->forceFill(['zone' => 'Pacific/Auckland'])->save();
    ($this->set)(['by' => '2026-11-30', 'remind' => 3, 'who' => 'Ines']);
    ($this->set)(['by' => '2026-11-29', 'remind' => 3, 'who' => 'ZWARTBOEK'], $boats = $this->id($this->map, 'Boats'));
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'private', 'topics' => [$boats], 'fields' => ['held' => true]]], $this->map->fresh()->seq)->assertOk();
    $letters = fn (): array => DB::table('letters')->where('recipient', 'tove@saltmere.example')->orderBy('id')->get()->all();
    // In Auckland it is half past nine in the morning of the 28th; at home with Bram it is half past eight in the evening, which is as well.
    $this->person('bram@saltmere.example');
    expect($this->artisan('reminders:send'))->toBe(0);
    expect($letters())->toHaveCount(1)
        ->and($letters()[0]->subject)->toBe('2 to-dos come up')
        ->and($letters()[0]->text)->toContain('A private to-do, due 29 Nov 2026 (tomorrow)')->toContain("Paper, due 30 Nov 2026 (in 2 days), Ines\n".config('app.url')."/maps/{$this->map->id}/topics/{$this->paper}")
        ->not->toContain('Boats')->not->toContain('ZWARTBOEK')
        ->and(DB::table('letters')->count())->toBe(1);
    expect($this->artisan('reminders:send'))->toBe(0);
    expect($letters())->toHaveCount(1);
    // Another date is another reminder; before the morning nobody is told.
    ($this->set)(['by' => '2026-12-01']);
    CarbonImmutable::setTestNow('2026-11-28T16:00:00Z');
    expect($this->artisan('reminders:send'))->toBe(0);
    expect($letters())->toHaveCount(1);
    CarbonImmutable::setTestNow('2026-11-28T18:00:00Z');
    expect($this->artisan('reminders:send'))->toBe(0);
    expect($letters())->toHaveCount(2)->and($letters()[1]->subject)->toBe('A to-do comes up: Paper')->and($letters()[1]->text)->not->toContain('private to-do');
    CarbonImmutable::setTestNow();
});

it('goes on with the next person where a letter cannot be sent, and tells of it again later', function () {
    CarbonImmutable::setTestNow('2026-11-27T12:00:00Z');
    ($this->set)(['by' => '2026-11-28', 'remind' => 3]);
    $bram = $this->person('bram@saltmere.example');
    $his = $this->mapOf($bram);
    $this->flushSession();
    $this->actingAs($bram);
    $this->sendEdits($his, [['name' => 'task.set', 'topics' => [$this->id($his, 'Paper')], 'by' => '2026-11-28', 'remind' => 3, 'today' => '2026-11-27']])->assertOk();
    $this->tove->forceFill(['email' => 'no address'])->save();
    expect($this->artisan('reminders:send'))->toBe(1);
    expect(DB::table('letters')->pluck('recipient')->all())->toBe(['bram@saltmere.example']);
    $this->tove->forceFill(['email' => 'tove@saltmere.example'])->save();
    expect($this->artisan('reminders:send'))->toBe(0);
    expect(DB::table('letters')->pluck('recipient')->all())->toBe(['bram@saltmere.example', 'tove@saltmere.example']);
    CarbonImmutable::setTestNow();
});
