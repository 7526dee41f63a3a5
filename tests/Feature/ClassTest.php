<?php

declare(strict_types=1);

use App\Classroom\Codes;
use App\Classroom\SchoolClasses;
use App\Mail\Outbox;
use App\Models\HandOut;
use App\Models\HandOutCopy;
use App\Models\IdeaBox;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\Pupil;
use App\Models\SchoolClass;
use App\Models\ViewingLink;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Topic;
use Tests\Support\Outline;

/* A class: who comes in and how, what is given out, what each does with it, and how all of it goes again. */

beforeEach(function () {
    config(['chalk.limits' => false]);
    $this->tove = $this->person('tove@saltmere.example');
    $this->be = function (Person $who): void {
        $this->flushSession();
        $this->actingAs($who->fresh());
    };
    $this->source = $this->mapOf($this->tove, new TopicDraft('Why boats float', children: [new TopicDraft('Forces', children: [new TopicDraft('Upthrust')]), new TopicDraft('Things'), new TopicDraft('Next lesson', children: [new TopicDraft('Salt water')])]));
    ($this->be)($this->tove);
    $this->class = $this->postJson('/api/classes', ['name' => '  7b ,  boats '])->assertCreated()->json('id');
    /** Lets pupils in by their names, and gives the source out to them. */
    $this->given = function (array $names = ['Ada', 'Bo', 'Cy'], array $wish = []): HandOut {
        ($this->be)($this->tove);
        $this->postJson("/api/classes/{$this->class}/pupils", ['names' => $names])->assertOk();
        $id = $this->postJson("/api/classes/{$this->class}/hand-outs", $wish + ['map' => $this->source->id, 'title' => 'Floating', 'question' => 'What lifts a boat?', 'due' => '2030-05-04', 'byTeam' => false])->assertCreated()->json('id');

        return HandOut::query()->findOrFail($id);
    };
    $this->pupil = fn (string $name): Person => Pupil::query()->with('person')->where('class_id', $this->class)->where('name', $name)->firstOrFail()->person;
    $this->copy = fn (HandOut $handOut, string $label): HandOutCopy => HandOutCopy::query()->with(['map', 'pupils'])->where('hand_out_id', $handOut->id)->where('label', $label)->firstOrFail();
    $this->outline = fn (MapRecord $map): string => Outline::of($this->topics($map));
    $this->table = fn (HandOut $handOut): array => collect($this->getJson("/api/hand-outs/{$handOut->id}")->assertOk()->json('copies'))->keyBy('label')->all();
});

it('lets pupils in by a code and a first name, and again by a word of their own', function () {
    $class = SchoolClass::query()->findOrFail($this->class);
    expect($class->name)->toBe('7b , boats')->and($class->code)->toBeNull();
    $code = $this->patchJson("/api/classes/{$this->class}", ['isOpen' => true])->assertOk()->json('code');
    auth()->logout();
    $this->flushSession();
    $answer = $this->postJson('/api/join', ['code' => strtoupper(substr($code, 0, 4)).' '.substr($code, 4), 'name' => ' Ada '])->assertOk();
    expectShape('PupilAnswer', json_decode($answer->getContent()));
    expect($answer->json())->toMatchArray(['class' => '7b , boats', 'name' => 'Ada', 'handOuts' => [], 'shown' => []])->and($this->getJson('/api/me')->json('person'))->toMatchArray(['name' => 'Ada', 'isPupil' => true]);
    $word = $answer->json('word');
    $this->postJson('/api/sign-out')->assertOk();
    $this->postJson('/api/join', ['code' => $code, 'name' => 'ada'])->assertStatus(422)->assertJsonPath('field', 'name');
    $this->postJson('/api/join', ['word' => substr($word, 0, 6).'-'.substr($word, 6)])->assertOk()->assertJsonPath('name', 'Ada');
    expect($this->getJson('/api/me')->json('person.name'))->toBe('Ada')->and(Pupil::query()->count())->toBe(1);
    $this->postJson('/api/join', ['word' => Codes::make(Codes::OWN)])->assertStatus(422);
    // A closed door takes nobody, by whatever code it was open.
    ($this->be)($this->tove);
    $this->patchJson("/api/classes/{$this->class}", ['isOpen' => false])->assertOk()->assertJsonPath('code', null);
    $this->postJson('/api/join', ['code' => $code, 'name' => 'Bo'])->assertStatus(422)->assertJsonPath('field', 'code');
    $told = $this->getJson("/api/classes/{$this->class}")->assertOk();
    expectShape('ClassAnswer', json_decode($told->getContent()));
    expect($told->json('pupils.0'))->toMatchArray(['name' => 'Ada', 'team' => null, 'word' => $word, 'isIn' => true]);
    expectShape('ClassesAnswer', json_decode($this->getJson('/api/classes')->getContent()));
    // The word is nowhere in the open.
    expect(json_encode(DB::table('pupils')->get()))->not->toContain($word);
});

it('gives each pupil a copy that stands with the class, without what is private or comes later', function () {
    $this->sendEdits($this->source, [
        ['name' => 'topic.add', 'parent' => $this->id($this->source, 'Things'), 'topic' => ['title' => 'For the test']],
        ['name' => 'row.set', 'type' => 'lock', 'topics' => [$this->id($this->source, 'Next lesson')], 'fields' => ['how' => 'later']],
    ]);
    $this->sendEdits($this->source, [['name' => 'row.set', 'type' => 'private', 'topics' => [$this->id($this->source, 'For the test')], 'fields' => ['held' => true]]], 2)->assertJsonPath('edits.0.status', 'done');
    $handOut = ($this->given)();
    $copy = ($this->copy)($handOut, 'Bo');
    expect(($this->outline)($copy->map))->toBe("Why boats float\n\tForces\n\t\tUpthrust\n\tThings\n")->and(($this->outline)($handOut->given))->toBe(($this->outline)($copy->map))
        ->and($this->getJson('/api/maps')->json('maps'))->toHaveCount(1);
    $answer = $this->getJson("/api/hand-outs/{$handOut->id}")->assertOk();
    expectShape('HandOutAnswer', json_decode($answer->getContent()));
    expect($answer->json('parts'))->toBe([['topic' => $this->id($this->source, 'Next lesson'), 'title' => 'Next lesson', 'isGiven' => false]])->and(array_column($answer->json('copies'), 'label'))->toBe(['Ada', 'Bo', 'Cy']);
    // Bo has gone on below what was removed; the part comes into the same place for all, once.
    ($this->be)(($this->pupil)('Bo'));
    $this->sendEdits($copy->map, [['name' => 'topic.remove', 'topics' => [$this->id($copy->map, 'Things')]]])->assertJsonPath('edits.0.status', 'done');
    ($this->be)($this->tove);
    $this->postJson("/api/hand-outs/{$handOut->id}/parts", ['topic' => $this->id($this->source, 'Next lesson')])->assertOk()->assertJsonPath('parts.0.isGiven', true);
    $this->postJson("/api/hand-outs/{$handOut->id}/parts", ['topic' => $this->id($this->source, 'Next lesson')])->assertOk();
    expect(($this->outline)($copy->map))->toBe("Why boats float\n\tForces\n\t\tUpthrust\n\tNext lesson\n\t\tSalt water\n")->and(($this->outline)(($this->copy)($handOut, 'Ada')->map))->toBe("Why boats float\n\tForces\n\t\tUpthrust\n\tThings\n\tNext lesson\n\t\tSalt water\n")
        ->and(array_column(($this->table)($handOut), 'counts'))->each->toMatchArray(['added' => 0]);
    $this->postJson("/api/hand-outs/{$handOut->id}/parts", ['topic' => $this->id($this->source, 'Forces')])->assertStatus(422);
});

it('tells the teacher what each did, and pupils nothing of each other', function () {
    $handOut = ($this->given)();
    [$ada, $bo] = [($this->copy)($handOut, 'Ada'), ($this->copy)($handOut, 'Bo')];
    ($this->be)(($this->pupil)('Ada'));
    $desk = $this->getJson('/api/pupil')->assertOk();
    expectShape('PupilAnswer', json_decode($desk->getContent()));
    expect($desk->json('handOuts'))->toHaveCount(1)->and($desk->json('handOuts.0'))->toMatchArray(['map' => $ada->map_id, 'title' => 'Floating', 'question' => 'What lifts a boat?', 'due' => '2030-05-04', 'state' => 'open', 'rubric' => [], 'words' => '']);
    $this->sendEdits($ada->map, [['name' => 'topic.add', 'parent' => $this->id($ada->map, 'Things'), 'topic' => ['title' => 'Cork and wood']], ['name' => 'topic.remove', 'topics' => [$this->id($ada->map, 'Upthrust')]]]);
    expect($this->getJson("/api/maps/{$bo->map_id}")->getStatusCode())->toBe(404)->and($this->getJson("/api/maps/{$handOut->given_id}")->getStatusCode())->toBe(404)->and($this->getJson("/api/hand-outs/{$handOut->id}")->getStatusCode())->toBe(404)
        ->and($this->getJson("/api/classes/{$this->class}")->getStatusCode())->toBe(404);
    // Who keeps the map has a name for them, but no address, and they none for the teacher.
    expect($this->getJson("/api/maps/{$ada->map_id}/shares")->json('owner.email'))->toBe('')->and(json_encode($this->getJson("/api/maps/{$ada->map_id}/shares")->json()))->not->toContain('tove@')->not->toContain(SchoolClasses::NO_ADDRESS)
        ->and(json_encode($this->getJson('/api/maps')->json()))->not->toContain('tove@');
    $this->getJson("/api/maps/{$ada->map_id}/hand-out")->assertOk()->assertJsonPath('copy.question', 'What lifts a boat?')->assertJsonPath('handOut', null);
    ($this->be)($this->tove);
    expectShape('GivenAnswer', json_decode($this->getJson("/api/maps/{$ada->map_id}/hand-out")->assertJsonPath('label', 'Ada')->assertJsonPath('handOut', $handOut->id)->getContent()));
    $this->getJson("/api/maps/{$this->source->id}/hand-out")->assertOk()->assertJsonPath('copy', null);
    $row = ($this->table)($handOut)['Ada'];
    expect($row['counts'])->toBe(['added' => 1, 'changed' => 0, 'removed' => 1, 'empty' => 1, 'words' => 2, 'pictures' => 0, 'ties' => 0])->and($row['titles']['removed'])->toBe(['Upthrust'])->and($row['titles']['empty'])->toBe(['Salt water'])->and($row['state'])->toBe('open')
        ->and(($this->table)($handOut)['Bo']['counts']['added'])->toBe(0);
    $csv = $this->get("/api/hand-outs/{$handOut->id}/table.csv")->assertOk()->getContent();
    expect(explode("\n", $csv)[0])->toContain('who,pupils,state')->and($csv)->toContain('Ada,Ada,open,');
});

it('holds copies against a map of the teacher’s own, and lays them over each other', function () {
    $handOut = ($this->given)();
    $tie = fn (MapRecord $map): array => [['name' => 'row.set', 'type' => 'crosslink', 'row' => Ids::next(), 'fields' => ['from' => $this->id($map, 'Forces'), 'to' => $this->id($map, 'Things'), 'phrase' => 'act on']]];
    $model = $this->mapOf($this->tove, new TopicDraft('Model', children: [new TopicDraft('Forces'), new TopicDraft('Things')]));
    $this->sendEdits($model, $tie($model));
    foreach (['Ada', 'Bo'] as $name) {
        ($this->be)(($this->pupil)($name));
        $map = ($this->copy)($handOut, $name)->map;
        $this->sendEdits($map, [...($name === 'Ada' ? $tie($map) : []), ['name' => 'topic.add', 'parent' => $this->id($map, 'Things'), 'topic' => ['title' => $name === 'Ada' ? 'The cork' : 'cork']]]);
    }
    ($this->be)($this->tove);
    $this->patchJson("/api/hand-outs/{$handOut->id}", ['title' => 'Floating', 'question' => '', 'due' => null, 'model' => $model->id, 'rubric' => []])->assertOk()->assertJsonPath('model.title', 'Model');
    $table = ($this->table)($handOut);
    expect($table['Ada']['match'])->toBe(['there' => 1, 'missing' => [], 'other' => 0])->and($table['Bo']['match'])->toBe(['there' => 0, 'missing' => ['Forces act on Things.'], 'other' => 0])->and($table['Ada']['score'])->toBeGreaterThan($table['Bo']['score']);
    $over = $this->getJson("/api/hand-outs/{$handOut->id}/over")->assertOk();
    expectShape('LaidOverAnswer', json_decode($over->getContent()));
    $who = array_column($over->json('topics'), 'who', 'title');
    expect($over->json('of'))->toBe(3)->and($who['Forces'])->toBe(['Ada', 'Bo', 'Cy'])->and($who['The cork'])->toBe(['Ada', 'Bo'])->and($over->json('propositions'))->toBe([['title' => 'Forces act on Things', 'who' => ['Ada']]]);
    $drawn = $this->get("/api/hand-outs/{$handOut->id}/over?drawn=day")->assertOk()->assertHeader('Content-Type', 'image/svg+xml');
    expect($drawn->getContent())->toContain('2 of 3')->toContain('act on · 1');
    // A map of somebody else's is nothing to be held against, nor one in which the teacher works no more.
    $other = $this->mapOf($this->person('oskar@saltmere.example'));
    $this->patchJson("/api/hand-outs/{$handOut->id}", ['title' => 'Floating', 'question' => '', 'due' => null, 'model' => $other->id, 'rubric' => []])->assertStatus(422);
    $model->update(['person_id' => $other->person_id]);
    $this->getJson("/api/hand-outs/{$handOut->id}")->assertJsonPath('model', null)->assertJsonPath('copies.1.match', null);
});

it('keeps what is handed in as it is until it is given back, with points and words', function () {
    $handOut = ($this->given)();
    $ada = ($this->copy)($handOut, 'Ada');
    $add = fn (): string => (string) $this->sendEdits($ada->map, [['name' => 'topic.add', 'parent' => $ada->map->root, 'topic' => ['title' => 'More']]], $ada->map->fresh()->seq)->json('edits.0.status');
    ($this->be)(($this->pupil)('Bo'));
    $this->putJson("/api/copies/{$ada->id}/in")->assertNotFound();
    ($this->be)(($this->pupil)('Ada'));
    expect($add())->toBe('done');
    $this->putJson("/api/copies/{$ada->id}/state", ['state' => 'back'])->assertForbidden();
    $this->putJson("/api/copies/{$ada->id}/in")->assertOk()->assertJsonPath('state', 'in');
    $this->sendEdits($ada->map, [['name' => 'topic.add', 'parent' => $ada->map->root, 'topic' => ['title' => 'Late']]], 1)->assertForbidden();
    $this->getJson("/api/maps/{$ada->map_id}")->assertOk()->assertJsonPath('role', 'comment');
    ($this->be)($this->tove);
    $this->putJson("/api/copies/{$ada->id}/in")->assertForbidden();
    $this->patchJson("/api/hand-outs/{$handOut->id}", ['title' => 'Floating', 'question' => '', 'due' => null, 'model' => null, 'rubric' => [['name' => 'Forces named', 'points' => 4], ['name' => 'Examples', 'points' => 2]]])->assertOk();
    $this->putJson("/api/copies/{$ada->id}/marks", ['marks' => [5, 1], 'words' => ''])->assertStatus(422)->assertJsonPath('field', 'marks');
    $this->putJson("/api/copies/{$ada->id}/marks", ['marks' => [3, null], 'words' => 'Think of salt water.'])->assertOk();
    ($this->be)(($this->pupil)('Ada'));
    expect($this->getJson('/api/pupil')->json('handOuts.0'))->toMatchArray(['state' => 'in', 'rubric' => [], 'words' => '']);
    ($this->be)($this->tove);
    $row = collect($this->putJson("/api/copies/{$ada->id}/state", ['state' => 'back'])->assertOk()->json('copies'))->firstWhere('label', 'Ada');
    expect($row)->toMatchArray(['state' => 'back', 'marks' => [3, null], 'words' => 'Think of salt water.'])->and($row['handedIn'])->not->toBeNull();
    ($this->be)(($this->pupil)('Ada'));
    expect($this->getJson('/api/pupil')->json('handOuts.0'))->toMatchArray(['state' => 'back', 'words' => 'Think of salt water.', 'rubric' => [['name' => 'Forces named', 'points' => 4, 'got' => 3], ['name' => 'Examples', 'points' => 2, 'got' => null]]])->and($add())->toBe('done');
});

it('gives teams one copy each, also to whoever comes into one later, and takes it from whoever goes', function () {
    ($this->be)($this->tove);
    $pupils = array_column($this->postJson("/api/classes/{$this->class}/pupils", ['names' => ['Ada', 'Bo', 'Cy']])->json('pupils'), 'id', 'name');
    $this->postJson("/api/classes/{$this->class}/hand-outs", ['map' => $this->source->id, 'title' => null, 'question' => null, 'due' => null, 'byTeam' => true])->assertStatus(422)->assertJsonPath('field', 'byTeam');
    foreach (['Ada' => 'Port', 'Bo' => 'Port', 'Cy' => 'Lee'] as $name => $team) {
        $this->patchJson("/api/pupils/{$pupils[$name]}", ['name' => $name, 'team' => $team])->assertOk();
    }
    $handOut = ($this->given)(['Di'], ['byTeam' => true, 'title' => '']);
    expect($handOut->title)->toBe('Why boats float')->and(array_map(fn (array $row): array => $row['pupils'], ($this->table)($handOut)))->toBe(['Lee' => ['Cy'], 'Port' => ['Ada', 'Bo']]);
    $port = ($this->copy)($handOut, 'Port');
    $may = function (string $name) use ($port): int {
        ($this->be)(($this->pupil)($name));

        return $this->getJson("/api/maps/{$port->map_id}")->getStatusCode();
    };
    expect([$may('Ada'), $may('Bo'), $may('Cy'), $may('Di')])->toBe([200, 200, 404, 404]);
    expect($this->getJson('/api/pupil')->json('handOuts'))->toBe([]);
    ($this->be)($this->tove);
    $di = Pupil::query()->where('name', 'Di')->value('id');
    $this->patchJson("/api/pupils/{$di}", ['name' => 'Didi', 'team' => 'Port'])->assertOk();
    $this->patchJson("/api/pupils/{$pupils['Bo']}", ['name' => 'Bo', 'team' => 'Lee'])->assertOk();
    expect([$may('Ada'), $may('Bo'), $may('Didi')])->toBe([200, 404, 200])->and($this->getJson('/api/pupil')->json('handOuts.0.team'))->toBe(['Ada', 'Didi']);
});

it('gives whoever joins later what the others have', function () {
    $handOut = ($this->given)(['Ada']);
    $code = $this->patchJson("/api/classes/{$this->class}", ['isOpen' => true])->json('code');
    auth()->logout();
    $this->postJson('/api/join', ['code' => $code, 'name' => 'Late'])->assertOk()->assertJsonPath('handOuts.0.title', 'Floating');
    ($this->be)($this->tove);
    expect(array_keys(($this->table)($handOut)))->toBe(['Ada', 'Late']);
});

it('makes a copy for whoever was added by name since when they first come in, once, on however many devices', function () {
    $handOut = ($this->given)(['Ada']);
    $pupils = collect($this->postJson("/api/classes/{$this->class}/pupils", ['names' => ['Bo', 'ada', 'Bo']])->assertOk()->json('pupils'));
    expect($pupils->pluck('name')->all())->toBe(['Ada', 'Bo'])->and(array_keys(($this->table)($handOut)))->toBe(['Ada']);
    foreach ([1, 2] as $device) {
        $this->flushSession();
        auth()->forgetUser();
        $this->postJson('/api/join', ['word' => $pupils->firstWhere('name', 'Bo')['word']])->assertOk()->assertJsonCount(1, 'handOuts');
    }
    ($this->be)($this->tove);
    expect(array_keys(($this->table)($handOut)))->toBe(['Ada', 'Bo']);
});

it('gives out no more at once than it can make in seconds', function () {
    $large = $this->mapOf($this->tove, new TopicDraft('Large', children: array_map(fn (int $n): TopicDraft => new TopicDraft("Topic {$n}"), range(1, 700))));
    $this->postJson("/api/classes/{$this->class}/pupils", ['names' => array_map(fn (int $n): string => "Pupil {$n}", range(1, 90))])->assertOk();
    $this->postJson("/api/classes/{$this->class}/hand-outs", ['map' => $large->id, 'title' => '', 'question' => '', 'due' => null, 'byTeam' => false])->assertStatus(422)->assertJsonPath('field', 'map');
    expect(HandOut::query()->count())->toBe(0)->and(MapRecord::query()->whereNotNull('hand_out')->count())->toBe(0);
});

it('leaves the history of a team as it was when somebody goes, and lets no copy be handed on', function () {
    $pupils = array_column($this->postJson("/api/classes/{$this->class}/pupils", ['names' => ['Ada', 'Bo']])->json('pupils'), 'id', 'name');
    foreach ($pupils as $name => $id) {
        $this->patchJson("/api/pupils/{$id}", ['name' => $name, 'team' => 'Port'])->assertOk();
    }
    $handOut = ($this->given)(['Cy'], ['byTeam' => true]);
    $map = ($this->copy)($handOut, 'Port')->map;
    ($this->be)(($this->pupil)('Ada'));
    $this->sendEdits($map, [['name' => 'topic.add', 'parent' => $map->root, 'topic' => ['title' => 'Ice']]])->assertJsonPath('edits.0.status', 'done');
    ($this->be)($this->tove);
    $this->deleteJson("/api/pupils/{$pupils['Ada']}")->assertOk();
    expect($this->getJson("/api/maps/{$map->id}/history")->assertOk()->json('edits.0.person'))->toBe('Somebody who has left')->and(array_keys(($this->table)($handOut)))->toBe(['Port'])->and(($this->table)($handOut)['Port']['counts']['added'])->toBe(1);
    $oskar = $this->person('oskar@saltmere.example');
    app(App\Sharing\Shares::class)->give($this->tove, $map, $oskar->email, App\Sharing\Role::Edit);
    $this->putJson("/api/maps/{$map->id}/offer", ['email' => $oskar->email])->assertStatus(422);
    // A copy that became another's by whatever way is theirs.
    $map->fresh()->update(['person_id' => $oskar->id]);
    $this->deleteJson("/api/hand-outs/{$handOut->id}")->assertOk();
    expect(MapRecord::query()->pluck('id')->all())->toEqualCanonicalizing([$this->source->id, $map->id]);
});

it('says the same to all, or to one, as a comment', function () {
    $handOut = ($this->given)();
    $this->postJson("/api/hand-outs/{$handOut->id}/words", ['text' => 'Ten minutes left.', 'copy' => null])->assertOk()->assertJsonPath('told', 3);
    $ada = ($this->copy)($handOut, 'Ada');
    $this->postJson("/api/hand-outs/{$handOut->id}/words", ['text' => 'Well begun.', 'copy' => $ada->id])->assertOk()->assertJsonPath('told', 1);
    ($this->be)(($this->pupil)('Ada'));
    expect(array_column($this->getJson("/api/maps/{$ada->map_id}/comments")->json('comments'), 'text'))->toBe(['Ten minutes left.', 'Well begun.']);
    ($this->be)($this->tove);
    $this->postJson("/api/hand-outs/{$handOut->id}/words", ['text' => '  ', 'copy' => null])->assertStatus(422);
    $other = ($this->given)(['Eve']);
    $this->postJson("/api/hand-outs/{$other->id}/words", ['text' => 'Hm.', 'copy' => $ada->id])->assertNotFound();
});

it('shows one copy to all, with the name of whose it is or without, and no longer', function () {
    $handOut = ($this->given)();
    $ada = ($this->copy)($handOut, 'Ada');
    $shown = function (string $name): array {
        ($this->be)(($this->pupil)($name));
        $shown = $this->getJson('/api/pupil')->json('shown');
        ($this->be)($this->tove);

        return $shown;
    };
    expect($shown('Bo'))->toBe([]);
    $this->putJson("/api/copies/{$ada->id}/shown", ['how' => 'nameless'])->assertOk();
    [$one] = $shown('Bo');
    expect($one['by'])->toBeNull()->and($one['title'])->toBe('Floating');
    auth()->logout();
    $this->flushSession();
    expect($this->get(parse_url($one['url'], PHP_URL_PATH))->assertOk()->getContent())->toContain('Why boats float')->not->toContain('Ada');
    ($this->be)($this->tove);
    $this->putJson("/api/copies/{$ada->id}/shown", ['how' => 'named'])->assertOk();
    expect($shown('Bo'))->toEqual([['by' => 'Ada'] + $one])->and(ViewingLink::query()->count())->toBe(1);
    $this->putJson("/api/copies/{$ada->id}/shown", ['how' => null])->assertOk();
    expect($shown('Bo'))->toBe([])->and(ViewingLink::query()->count())->toBe(0);
    $this->get(parse_url($one['url'], PHP_URL_PATH))->assertNotFound();
});

it('shows nothing private of a copy to all, nor to its pupils once it is taken in, and tells none of it to who listens', function () {
    $handOut = ($this->given)();
    $ada = ($this->copy)($handOut, 'Ada');
    ($this->be)($this->tove);
    $this->sendEdits($ada->map, [
        ['name' => 'topic.add', 'parent' => $ada->map->root, 'topic' => ['title' => 'Between us']],
        ['name' => 'topic.note', 'topics' => [$this->id($ada->map, 'Things')], 'note' => 'Wood. {{Ask about cork.}}'],
    ])->assertJsonPath('edits.*.status', ['done', 'done']);
    $this->sendEdits($ada->map, [['name' => 'row.set', 'type' => 'private', 'topics' => [$this->id($ada->map, 'Between us')], 'fields' => ['held' => true]]], 2)->assertJsonPath('edits.0.status', 'done');
    $this->putJson("/api/copies/{$ada->id}/shown", ['how' => 'named'])->assertOk();
    $this->putJson("/api/copies/{$ada->id}/state", ['state' => 'in'])->assertOk();
    ($this->be)(($this->pupil)('Ada'));
    $seen = $this->getJson("/api/maps/{$ada->map_id}")->assertOk()->getContent().$this->getJson("/api/maps/{$ada->map_id}/edits?since=0")->getContent().$this->getJson("/api/maps/{$ada->map_id}/comments")->getContent().$this->getJson('/api/pupil')->getContent();
    $seen .= $this->get(parse_url((string) $this->getJson('/api/pupil')->json('shown.0.url'), PHP_URL_PATH))->assertOk()->getContent();
    ($this->be)(($this->pupil)('Bo'));
    $seen .= $this->getJson('/api/pupil')->getContent().$this->getJson('/api/maps')->getContent().$this->getJson('/api/quick?words=between')->getContent();
    expect($seen)->toContain('Wood.')->not->toContain('Between us')->not->toContain('Ask about cork');
    // A class that is given this copy again has none of it either.
    ($this->be)($this->tove);
    $again = $this->postJson("/api/classes/{$this->class}/hand-outs", ['map' => $ada->map_id, 'title' => 'Again', 'question' => '', 'due' => null, 'byTeam' => false])->assertCreated()->json('id');
    expect(json_encode($this->topics(($this->copy)(HandOut::query()->findOrFail($again), 'Bo')->map)->all()))->toContain('Wood.')->not->toContain('Between us')->not->toContain('Ask about cork');
});

it('keeps what hangs at a locked topic from pupils, and leaves them their own', function () {
    ($this->be)($this->tove);
    $forces = $this->id($this->source, 'Forces');
    $this->sendEdits($this->source, [
        ['name' => 'row.set', 'type' => 'lock', 'topics' => [$forces], 'fields' => ['how' => 'fixed']],
        ['name' => 'row.set', 'type' => 'link', 'row' => Ids::next(), 'fields' => ['at' => $forces, 'to' => 'https://saltmere.example/forces']],
        ['name' => 'row.set', 'type' => 'link', 'row' => Ids::next(), 'fields' => ['at' => $this->id($this->source, 'Things'), 'to' => 'https://saltmere.example/things']],
    ])->assertOk();
    $copy = ($this->copy)(($this->given)(['Ada']), 'Ada');
    ($this->be)(($this->pupil)('Ada'));
    $links = collect($this->getJson("/api/maps/{$copy->map_id}")->assertOk()->json('rows'))->where('type', 'link')->keyBy(fn (array $row): string => $row['fields']['to']);
    $map = $copy->map;
    [$held, $free] = [$links['https://saltmere.example/forces'], $links['https://saltmere.example/things']];
    $answer = $this->sendEdits($map, [
        ['name' => 'row.remove', 'type' => 'link', 'rows' => [$held['id']]],
        ['name' => 'row.set', 'type' => 'link', 'row' => $held['id'], 'fields' => ['to' => 'https://saltmere.example/elsewhere']],
        ['name' => 'row.set', 'type' => 'link', 'row' => $held['id'], 'fields' => ['at' => $free['fields']['at']]],
        ['name' => 'row.set', 'type' => 'link', 'row' => Ids::next(), 'fields' => ['at' => $held['fields']['at'], 'to' => 'https://saltmere.example/mine']],
        ['name' => 'row.set', 'type' => 'link', 'row' => $free['id'], 'fields' => ['at' => $held['fields']['at']]],
        ['name' => 'row.remove', 'type' => 'link', 'rows' => [$free['id']]],
        ['name' => 'row.set', 'type' => 'link', 'row' => $mine = Ids::next(), 'fields' => ['at' => $free['fields']['at'], 'to' => 'https://saltmere.example/mine']],
        ['name' => 'row.remove', 'type' => 'link', 'rows' => [$mine]],
    ])->assertOk();
    expect(array_column($answer->json('edits'), 'status'))->toBe([...array_fill(0, 5, 'refused'), ...array_fill(0, 3, 'done')])->and($answer->json('edits.0.refusal.code'))->toBe('locked');
    // Whoever keeps the map is not held.
    ($this->be)($this->tove);
    $this->sendEdits($map->fresh(), [['name' => 'row.remove', 'type' => 'link', 'rows' => [$held['id']]]], $map->fresh()->seq)->assertJsonPath('edits.0.status', 'done');
});

it('keeps what is locked from pupils, and lets them add below it', function () {
    $this->sendEdits($this->source, [['name' => 'row.set', 'type' => 'lock', 'topics' => [$this->id($this->source, 'Forces'), $this->id($this->source, 'Upthrust')], 'fields' => ['how' => 'fixed']]])->assertJsonPath('edits.0.status', 'done');
    $handOut = ($this->given)();
    $map = ($this->copy)($handOut, 'Ada')->map;
    ($this->be)(($this->pupil)('Ada'));
    $answer = $this->sendEdits($map, [
        ['name' => 'topic.retitle', 'topic' => $this->id($map, 'Forces'), 'title' => 'Pushes'],
        ['name' => 'topic.remove', 'topics' => [$this->id($map, 'Upthrust')]],
        ['name' => 'row.set', 'type' => 'lock', 'topics' => [$this->id($map, 'Forces')], 'fields' => ['how' => null]],
        ['name' => 'topic.add', 'parent' => $this->id($map, 'Upthrust'), 'topic' => ['title' => 'Pushes up']],
        ['name' => 'topic.retitle', 'topic' => $this->id($map, 'Things'), 'title' => 'Materials'],
        ['name' => 'undo'],
    ]);
    expect(array_column($answer->json('edits'), 'status'))->toBe(['refused', 'refused', 'refused', 'done', 'done', 'done'])->and($answer->json('edits.0.refusal.code'))->toBe('locked')
        ->and(($this->outline)($map))->toBe("Why boats float\n\tForces\n\t\tUpthrust\n\t\t\tPushes up\n\tThings\n\tNext lesson\n\t\tSalt water\n");
    // Going back would undo what the teacher locked meanwhile.
    ($this->be)($this->tove);
    $this->sendEdits($map, [['name' => 'row.set', 'type' => 'lock', 'topics' => [$this->id($map, 'Things')], 'fields' => ['how' => 'fixed']]], $map->fresh()->seq)->assertJsonPath('edits.0.status', 'done');
    ($this->be)(($this->pupil)('Ada'));
    $this->sendEdits($map, [['name' => 'history.return', 'seq' => 1]], $map->fresh()->seq)->assertJsonPath('edits.0.refusal.code', 'locked');
    // Nobody who keeps the map is locked out.
    ($this->be)($this->tove);
    $this->sendEdits($map, [['name' => 'topic.retitle', 'topic' => $this->id($map, 'Forces'), 'title' => 'Pushes']], $map->fresh()->seq)->assertJsonPath('edits.0.status', 'done');
});

it('gives pupils nothing of their own, and sends them no letters', function () {
    $handOut = ($this->given)();
    $ada = ($this->copy)($handOut, 'Ada');
    $pupil = ($this->pupil)('Ada');
    $share = App\Models\Share::query()->where('map_id', $ada->map_id)->firstOrFail();
    ($this->be)($pupil);
    foreach (['POST maps' => [], 'POST folders' => ['name' => 'Mine'], 'POST asks' => ['map' => $this->source->id], 'POST blocks' => ['email' => 'tove@saltmere.example'], "POST maps/{$ada->map_id}/duplicate" => [], "POST maps/{$ada->map_id}/take" => [], "DELETE shares/{$share->id}" => [], 'GET classes' => [], 'POST classes' => ['name' => 'x'], 'POST maps/import?name=x.json' => [], "PUT maps/{$ada->map_id}/ideas" => ['topic' => $ada->map->root, 'question' => '', 'isLooked' => false]] as $route => $body) {
        [$method, $uri] = explode(' ', $route);
        expect([$route, $this->json($method, "/api/{$uri}", $body)->getStatusCode()])->toBe([$route, 403]);
    }
    ($this->be)($this->tove);
    $this->putJson("/api/maps/{$ada->map_id}/offer", ['email' => $pupil->email])->assertStatus(422);
    $said = $this->postJson("/api/maps/{$ada->map_id}/comments", ['id' => Ids::next(), 'topic' => $ada->map->root, 'parent' => null, 'text' => 'Look, @Ada.'])->assertSuccessful();
    $this->travel(10)->minutes();
    Artisan::call('comments:send');
    expect(app(Outbox::class)->latest($pupil->email))->toBeNull();
    $this->travelBack();
});

it('leaves with one click, and goes with another, with all that was in it', function () {
    $handOut = ($this->given)();
    $ada = ($this->copy)($handOut, 'Ada');
    $this->postJson("/api/hand-outs/{$handOut->id}/words", ['text' => 'Ten minutes left.', 'copy' => $ada->id])->assertOk();
    $answer = $this->get("/api/classes/{$this->class}/archive")->assertOk();
    file_put_contents($path = tempnam(sys_get_temp_dir(), 'class'), $answer->streamedContent());
    $zip = new ZipArchive;
    expect($zip->open($path))->toBeTrue();
    $told = json_decode((string) $zip->getFromName('class.json'), true);
    expect(array_column($told['pupils'], 'name'))->toBe(['Ada', 'Bo', 'Cy'])->and($told['handOuts'][0]['copies'][0]['comments'][0]['text'])->toBe('Ten minutes left.')->and($zip->getFromName('1 Floating/table.csv'))->toContain('Bo,Bo,open');
    // The map of a pupil in it is one that can be opened.
    file_put_contents($inner = "{$path}.zip", (string) $zip->getFromName($told['handOuts'][0]['copies'][0]['map']));
    $copy = new ZipArchive;
    expect($copy->open($inner))->toBeTrue()->and($copy->getFromName('map.json'))->toContain('Why boats float');
    unlink($path);
    unlink($inner);
    $people = Person::query()->count();
    $this->deleteJson("/api/classes/{$this->class}")->assertOk();
    expect(Person::query()->count())->toBe($people - 3)->and(MapRecord::query()->pluck('id')->all())->toBe([$this->source->id])->and([Pupil::query()->count(), HandOut::query()->count(), HandOutCopy::query()->count(), App\Models\Share::query()->count(), App\Models\Comment::query()->count()])->toBe([0, 0, 0, 0, 0]);
});

it('takes a pupil away with what is theirs alone', function () {
    $handOut = ($this->given)();
    $map = ($this->copy)($handOut, 'Ada')->map_id;
    $this->deleteJson('/api/pupils/'.Pupil::query()->where('name', 'Ada')->value('id'))->assertOk()->assertJsonCount(2, 'pupils');
    expect(MapRecord::query()->whereKey($map)->exists())->toBeFalse()->and(array_keys(($this->table)($handOut)))->toBe(['Bo', 'Cy'])->and(Person::query()->where('name', 'Ada')->exists())->toBeFalse();
});

it('says no to what makes no sense, and changes nothing', function (string $method, string $uri, array $body) {
    $handOut = ($this->given)(['Ada']);
    $copy = ($this->copy)($handOut, 'Ada');
    $before = json_encode(($this->table)($handOut)).SchoolClass::query()->count().Pupil::query()->count();
    $uri = strtr($uri, ['{class}' => $this->class, '{handOut}' => $handOut->id, '{copy}' => $copy->id, '{map}' => $this->source->id]);
    expect($this->json($method, "/api/{$uri}", $body)->getStatusCode())->toBe(422)->and(json_encode(($this->table)($handOut)).SchoolClass::query()->count().Pupil::query()->count())->toBe($before);
})->with([
    'a class without a name' => ['POST', 'classes', ['name' => " \u{a0} "]],
    'a name too long' => ['POST', 'classes', ['name' => str_repeat('a', 101)]],
    'no list of names' => ['POST', 'classes/{class}/pupils', ['names' => 'Ada']],
    'a map of names' => ['POST', 'classes/{class}/pupils', ['names' => ['a' => 'Ada']]],
    'too many names' => ['POST', 'classes/{class}/pupils', ['names' => array_map(strval(...), range(1, 101))]],
    'a day that is none' => ['POST', 'classes/{class}/hand-outs', ['map' => 'x', 'title' => '', 'question' => '', 'due' => '2030-02-31', 'byTeam' => false]],
    'points that are none' => ['PATCH', 'hand-outs/{handOut}', ['title' => 'a', 'question' => '', 'due' => null, 'model' => null, 'rubric' => [['name' => 'a', 'points' => 0]]]],
    'a line with more' => ['PATCH', 'hand-outs/{handOut}', ['title' => 'a', 'question' => '', 'due' => null, 'model' => null, 'rubric' => [['name' => 'a', 'points' => 1, 'x' => 2]]]],
    'marks without a rubric' => ['PUT', 'copies/{copy}/marks', ['marks' => [1], 'words' => '']],
    'marks in words' => ['PUT', 'copies/{copy}/marks', ['marks' => ['1'], 'words' => '']],
    'an unknown state' => ['PUT', 'copies/{copy}/state', ['state' => 'gone']],
    'shown in an unknown way' => ['PUT', 'copies/{copy}/shown', ['how' => 'loud']],
    'ideas below nothing' => ['PUT', 'maps/{map}/ideas', ['topic' => '01m8jzzzzzzzzzzzzzzzzzzzzz', 'question' => '', 'isLooked' => true]],
]);

it('takes ideas by a code, at once or after a look, until it is closed', function () {
    $topic = $this->id($this->source, 'Things');
    $answer = $this->putJson("/api/maps/{$this->source->id}/ideas", ['topic' => $topic, 'question' => ' What floats? ', 'isLooked' => false])->assertOk();
    expectShape('IdeasAnswer', json_decode($answer->getContent()));
    $code = $answer->json('box.code');
    auth()->logout();
    $this->flushSession();
    $asked = $this->getJson("/api/ideas/{$code}")->assertOk();
    expectShape('IdeaQuestion', json_decode($asked->getContent()));
    expect($asked->json('question'))->toBe('What floats?');
    $this->postJson("/api/ideas/{$code}", ['text' => ' A **cork**  '])->assertCreated()->assertJsonPath('isLooked', false);
    $this->postJson("/api/ideas/{$code}", ['text' => '   '])->assertStatus(422);
    $this->postJson("/api/ideas/{$code}", ['text' => str_repeat('a', 201)])->assertStatus(422);
    $this->postJson('/api/ideas/'.Codes::make(Codes::DOOR), ['text' => 'Hm'])->assertNotFound();
    $titles = fn (): array => array_map(fn (Topic $one): string => ChalkTree\Text\InlineMarkdown::oneLine($one->title), array_values($this->topics($this->source)->children($topic)));
    // Words, whatever they look like.
    expect($titles())->toBe(['A **cork**']);
    ($this->be)($this->tove);
    // It is nothing that whoever keeps the map would take back.
    $this->getJson("/api/maps/{$this->source->id}")->assertJsonPath('undo', null);
    expect($this->getJson("/api/maps/{$this->source->id}/history")->json('edits.0.person'))->toBe('Ideas by code');
    $this->putJson("/api/maps/{$this->source->id}/ideas", ['topic' => $topic, 'question' => 'And else?', 'isLooked' => true])->assertOk()->assertJsonPath('box.code', $code);
    auth()->logout();
    $this->flushSession();
    foreach (['Ice', 'Nonsense'] as $text) {
        $this->postJson("/api/ideas/{$code}", ['text' => $text])->assertCreated()->assertJsonPath('isLooked', true);
    }
    $waiting = fn (): array => array_column($this->getJson("/api/maps/{$this->source->id}/ideas")->json('box.waiting'), 'id', 'text');
    $this->getJson("/api/maps/{$this->source->id}/ideas")->assertUnauthorized();
    ($this->be)($this->person('oskar@saltmere.example'));
    $idea = App\Models\Idea::query()->firstOrFail();
    $this->putJson("/api/ideas/{$idea->id}", ['isIn' => true])->assertNotFound();
    ($this->be)($this->tove);
    expect(array_keys($waiting()))->toBe(['Ice', 'Nonsense'])->and($titles())->toBe(['A **cork**']);
    $this->putJson('/api/ideas/'.$waiting()['Ice'], ['isIn' => true])->assertOk();
    $this->putJson('/api/ideas/'.$waiting()['Nonsense'], ['isIn' => false])->assertOk()->assertJsonPath('box.waiting', []);
    expect($titles())->toBe(['A **cork**', 'Ice']);
    $this->deleteJson("/api/maps/{$this->source->id}/ideas")->assertOk()->assertJsonPath('box.isOpen', false);
    $this->postJson("/api/ideas/{$code}", ['text' => 'Late'])->assertNotFound();
    // Opened again it is another door.
    expect($this->putJson("/api/maps/{$this->source->id}/ideas", ['topic' => $topic, 'question' => '', 'isLooked' => true])->json('box.code'))->not->toBe($code);
});

it('takes no ideas for a topic that is gone, or a map in the trash', function () {
    $topic = $this->id($this->source, 'Things');
    $code = $this->putJson("/api/maps/{$this->source->id}/ideas", ['topic' => $topic, 'question' => '', 'isLooked' => false])->json('box.code');
    $this->sendEdits($this->source, [['name' => 'topic.remove', 'topics' => [$topic]]]);
    $this->postJson("/api/ideas/{$code}", ['text' => 'Cork'])->assertStatus(422)->assertJsonPath('field', 'topic');
    $this->source->fresh()->update(['trashed_at' => now()]);
    $this->getJson("/api/ideas/{$code}")->assertNotFound();
    expect(IdeaBox::query()->count())->toBe(1);
});

it('makes codes of letters that nobody mistakes, and reads them as people type them', function () {
    $code = Codes::make(200);
    expect($code)->toMatch('/^[2-9a-hjkmnp-z]{200}$/')->and(Codes::read(' ABcd-23 45 '))->toBe('abcd2345')->and(Codes::make(12))->not->toBe(Codes::make(12));
});
