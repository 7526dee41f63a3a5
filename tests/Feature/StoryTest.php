<?php

declare(strict_types=1);

use App\Store\MapStore;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Map\Ids;

/* A map as a story, over HTTP. */

beforeEach(function () {
    $this->actingAs($this->tove = $this->person());
    $this->map = app(MapStore::class)->create($this->tove, lampStory());
    $this->titled = fn (string $title): string => titled($this->topics($this->map), $title);
    $this->ask = fn (string $what) => $this->getJson("/api/maps/{$this->map->id}/{$what}");
    $this->set = fn (string $title, string $field, string $value) => $this->sendEdits($this->map, [['name' => 'value.set', 'topics' => [($this->titled)($title)], 'field' => ShippedKinds::fieldId($field), 'value' => $value, 'today' => A_DAY]])->assertOk();
});

it('tells what a section names by its words, its fields and its links', function () {
    $mole = ($this->titled)('The mole');
    [$ida, $brill, $wren, $loft] = array_map($this->titled, ['Ida Marsh, keeper of the lamps', 'Jonas Brill', 'Wren', 'The net loft']);
    $named = fn (): array => array_map(fn (array $one): array => array_values(array_filter($one)), ($this->ask)("draft/hand?topic={$mole}")->assertOk()->json('named'));
    expect($named())->toBe([[$ida, 'character', 2], [$brill, 'character', 1]]);
    ($this->set)('The mole', 'place', 'net loft');
    ($this->set)('The mole', 'viewpoint', $brill);
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'see-also', 'row' => Ids::next(), 'fields' => ['one' => $wren, 'other' => $mole]]])->assertOk();
    // Whose eyes it is comes first, then what is said, then what is tied.
    expect($named())->toBe([[$brill, 'character', 1, true, true], [$loft, 'place', true], [$wren, 'character', true], [$ida, 'character', 2]]);
    expectShape('HandAnswer', json_decode(($this->ask)("draft/hand?topic={$mole}")->getContent()));
    // What is below a scene has to do with the same.
    $this->sendEdits($this->map, [['name' => 'topic.add', 'parent' => $mole, 'topic' => ['id' => $below = Ids::next(), 'title' => 'Later', 'note' => 'Wren.']]])->assertOk();
    expect(array_column(($this->ask)("draft/hand?topic={$below}")->json('named'), 'topic'))->toBe([$brill, $loft, $wren, $ida]);
});

it('lays out who is where, and counts again what was written since', function () {
    $grid = fn (string $rows = 'people', string $by = 'scene') => ($this->ask)("draft/threads?branch={$this->map->root}&rows={$rows}&by={$by}")->assertOk();
    expectShape('ThreadGridAnswer', json_decode($grid()->getContent()));
    expect(array_column($grid()->json('columns'), 'title'))->toBe(['The mole', 'The loft', 'The storm', 'The morning'])
        ->and($grid()->json('rows.0.named'))->toBe(3)
        ->and($grid('people', 'chapter')->json('columns.0.scenes'))->toBe(2);
    $this->sendEdits($this->map, [['name' => 'topic.note', 'topics' => [($this->titled)('The morning')], 'note' => 'Ida. Ida. Joss.']])->assertOk();
    expect($grid()->json('rows.0.named'))->toBe(5)->and($grid()->json('rows.1.named'))->toBe(2);
    // A nickname that comes later is looked for in what was gone through before.
    ($this->set)('Jonas Brill', 'also-called', 'Joss');
    expect($grid()->json('rows.1.named'))->toBe(3)
        ->and($grid('threads')->json('rows.0.cells'))->toBe([]);
});

it('tells what does not fit together, and the shape of it', function () {
    ($this->set)('The mole', 'threads', 'The letter');
    ($this->set)('The storm', 'tension', '4');
    $checks = ($this->ask)("draft/checks?branch={$this->map->root}")->assertOk();
    expectShape('ChecksAnswer', json_decode($checks->getContent()));
    expect($checks->json('found'))->toBe([['sort' => 'open-thread', 'words' => 'The thread “The letter” ends open: “The mole” is its last scene.', 'topics' => [($this->titled)('The mole')]]]);
    $shape = ($this->ask)("draft/shape?branch={$this->map->root}")->assertOk();
    expectShape('ShapeAnswer', json_decode($shape->getContent()));
    expect(array_column($shape->json('scenes'), 'words'))->toBe([11, 6, 5, 3])->and(array_column($shape->json('scenes'), 'tension'))->toBe([null, null, 4, null])
        ->and(array_values(array_unique(array_filter(array_column($shape->json('parts'), 'touch')))))->toBe(array_map(fn (string $title): string => 'scene:'.($this->titled)($title), ['The mole', 'The loft', 'The storm', 'The morning']));
});

it('hands grid and shape over as files, without what is private', function () {
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'private', 'topics' => [($this->titled)('Wren')], 'fields' => ['held' => true]]])->assertJsonPath('edits.0.status', 'done');
    ($this->set)('The storm', 'in-scene', 'Wren');
    $csv = ($this->ask)("draft/threads.csv?branch={$this->map->root}&rows=people&by=scene")->assertOk();
    expect($csv->headers->get('Content-Type'))->toStartWith('text/csv')
        ->and(array_map(str_getcsv(...), explode("\r\n", trim(ltrim($csv->getContent(), "\u{FEFF}"))))[1])->toBe(['Ida Marsh, keeper of the lamps', '2', '', '1', '', '2', '3', '1']);
    $svg = ($this->ask)("draft/threads.svg?branch={$this->map->root}&rows=people&by=chapter")->assertOk()->getContent();
    expect($svg)->toStartWith('<svg')->toContain('Jonas Brill')
        ->and(simplexml_load_string($svg))->not->toBeFalse();
    expect(explode("\r\n", ($this->ask)("draft/shape.csv?branch={$this->map->root}")->assertOk()->getContent())[1])->toBe('One,The mole,11,');
    expect(getimagesizefromstring(($this->ask)("draft/shape.png?branch={$this->map->root}")->assertOk()->getContent())[2] ?? null)->toBe(IMAGETYPE_PNG);
    ($this->ask)("draft/threads.exe?branch={$this->map->root}")->assertNotFound();
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'private', 'topics' => [($this->titled)('People')], 'fields' => ['held' => true]]])->assertJsonPath('edits.0.status', 'done');
    expect(($this->ask)("draft/threads.csv?branch={$this->map->root}&rows=people&by=scene")->getContent())->not->toContain('Ida');
});

it('reads a topic out to whoever writes elsewhere', function () {
    ($this->set)('Wren', 'tastes', 'Smoked eel on black bread');
    $answer = ($this->ask)('topics/'.($this->titled)('Wren').'/reading')->assertOk();
    expectShape('ReadingAnswer', json_decode($answer->getContent()));
    expect($answer->json('facts'))->toBe([['name' => 'Food and drink', 'told' => 'Smoked eel on black bread']])->and($answer->json('trail'))->toBe(['The Dark Lamp', 'People']);
    ($this->ask)('topics/'.Ids::next().'/reading')->assertNotFound();
});

it('makes branches chapters and what is below them scenes, once, and takes that back', function () {
    $map = $this->mapOf($this->tove);
    $plan = fn () => $this->sendEdits($map, [['name' => 'story.plan', 'topics' => [$this->id($map, 'Lanterns'), $this->id($map, 'Boats')], 'today' => A_DAY]])->assertOk();
    $plan();
    $kinds = fn (): array => array_map(fn (string $title): ?string => ChalkTree\Kind\Kinds::kindOf($this->topics($map), $this->id($map, $title))?->text('name'), ['Lanterns', 'Paper', 'Willow', 'Boats']);
    expect($kinds())->toBe(['Chapter', 'Scene', 'Scene', 'Scene']);
    $this->sendEdits($map, [['name' => 'undo']])->assertOk();
    expect($kinds())->toBe([null, null, null, null]);
    $this->sendEdits($map, [['name' => 'story.plan', 'topics' => [Ids::next()], 'today' => A_DAY]])->assertJsonPath('edits.0.status', 'refused');
});

it('refuses what is no branch, and tells nobody else', function (string $what) {
    $with = fn (string $branch): string => str_replace('*', $branch, $what);
    ($this->ask)($with('x'))->assertUnprocessable();
    expect(($this->ask)($with(Ids::next()))->getStatusCode())->toBeIn([404, 422]);
    $this->flushSession();
    $this->actingAs($this->person('stranger@saltmere.example'));
    ($this->ask)($with($this->map->root))->assertNotFound();
})->with(['draft/hand?topic=*', 'draft/threads?branch=*', 'draft/shape?branch=*', 'draft/checks?branch=*', 'draft/threads.csv?branch=*', 'draft/shape.svg?branch=*']);

it('knows from which topics of other maps text was taken', function () {
    $other = $this->mapOf($this->tove);
    $paper = $this->id($other, 'Paper');
    $pointing = fn (): array => $this->getJson("/api/maps/{$other->id}/topics/{$paper}/pointing")->assertOk()->json('pointing');
    expect($pointing())->toBe([]);
    $this->sendEdits($this->map, [['name' => 'topic.note', 'topics' => [($this->titled)('The storm')], 'note' => "White {{[Paper](/maps/{$other->id}/topics/{$paper})}}"]])->assertOk();
    expect($pointing())->toBe([['map' => $this->map->id, 'mapTitle' => 'The Dark Lamp', 'topic' => ($this->titled)('The storm'), 'title' => 'The storm', 'isInNote' => true]]);
    $this->sendEdits($this->map, [['name' => 'topic.note', 'topics' => [($this->titled)('The storm')], 'note' => 'White']])->assertOk();
    expect($pointing())->toBe([]);
});

it('lets links to its own topics lead to a copy there, however it was copied', function (string $how) {
    [$from, $to] = [($this->titled)('The storm'), ($this->titled)('Wren')];
    $this->sendEdits($this->map, [['name' => 'topic.note', 'topics' => [$from], 'note' => "[Wren](/maps/{$this->map->id}/topics/{$to})"]])->assertOk();
    if ($how === 'duplicated') {
        $id = $this->postJson("/api/maps/{$this->map->id}/duplicate")->assertSuccessful()->json('id');
    } else {
        $file = tempnam(sys_get_temp_dir(), 'own').".{$how}";
        file_put_contents($file, $how === 'zip' ? $this->get("/api/maps/{$this->map->id}/export?to=zip")->assertOk()->streamedContent() : $this->get("/api/maps/{$this->map->id}/export?to=json")->assertOk()->getContent());
        expect($how === 'zip' || str_contains((string) file_get_contents($file), '/maps/self/topics/'))->toBeTrue();
        $id = app(App\Library\Arrivals::class)->bringFile($this->tove, $file, "own.{$how}")->id;
        unlink($file);
    }
    $copy = App\Models\MapRecord::query()->findOrFail($id);
    $note = $this->topics($copy)->topic(titled($this->topics($copy), 'The storm'))->note;
    expect($note)->toBe("[Wren](/maps/{$id}/topics/".titled($this->topics($copy), 'Wren').')')->and($id)->not->toBe($this->map->id);
})->with(['duplicated', 'json', 'zip']);

it('reads a text file as a note, and refuses what is none', function () {
    $read = fn (string $query, string $bytes) => $this->call('POST', "/api/maps/{$this->map->id}/notes/read?{$query}", [], [], [], ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'text/plain'], $bytes);
    $answer = $read('name='.rawurlencode('1999-03-04 Fog.txt').'&changed=2026-11-27', 'One hears the bell first.')->assertOk();
    expectShape('TextAnswer', json_decode($answer->getContent()));
    expect($answer->json())->toBe(['title' => 'Fog', 'note' => 'One hears the bell first.', 'day' => '1999-03-04']);
    foreach ([['name=a.txt', "a\0b"], ['name=a.txt', ''], ['', 'a'], ['name=a.txt&changed=yesterday', 'a'], ['name[]=a', 'a'], ['name=a.txt', str_repeat('a', 2_100_000)]] as [$query, $bytes]) {
        expect($read($query, $bytes)->getStatusCode())->toBe(422, "{$query} ".strlen($bytes));
    }
    $this->flushSession();
    $this->actingAs($this->person('stranger@saltmere.example'));
    $read('name=a.txt', 'a')->assertNotFound();
});

it('finds marked passages in a branch or a map', function () {
    $ask = fn (array $what) => $this->postJson("/api/maps/{$this->map->id}/passages", $what);
    $answer = $ask(['mark' => 'brill'])->assertOk();
    expectShape('PassagesAnswer', json_decode($answer->getContent()));
    expect(array_column($answer->json('passages'), 'title'))->toBe(['The mole', 'The storm'])
        ->and(array_column($ask(['mark' => 'brill', 'branch' => ($this->titled)('One')])->json('passages'), 'title'))->toBe(['The mole']);
    foreach ([[], ['mark' => ''], ['mark' => '***'], ['mark' => str_repeat('a', 61)], ['mark' => ['a']], ['mark' => 'a', 'branch' => 'x']] as $bad) {
        $ask($bad)->assertUnprocessable();
    }
});

it('hands a story over in every form and format, without what is private and what one says to oneself', function (string $form) {
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'private', 'topics' => [($this->titled)('The morning'), ($this->titled)('Wren')], 'fields' => ['held' => true]]])->assertJsonPath('edits.0.status', 'done');
    $make = fn (string $to): string => app(App\Library\Exports::class)->write($this->map->fresh(), $this->topics($this->map), new App\HandOver\Wish($to, ChalkTree\HandOver\Choices::fromFields('', ['form' => $form, 'byline' => 'Tove Aske'])));
    $markdown = $make('md');
    expect($markdown)->toStartWith('# The Dark Lamp')->not->toContain('It was still', '{{', 'or Wren?');
    foreach (['docx', 'odt', 'rtf', 'epub', 'html', 'pdf'] as $to) {
        $file = $make($to);
        expect(strlen($file))->toBeGreaterThan(300, $to);
        if ($to === 'html') {
            expect($file)->not->toContain('It was still', 'or Wren?');
        }
        if ($to === 'docx') {
            file_put_contents($path = tempnam(sys_get_temp_dir(), 'story'), $file);
            $zip = new ZipArchive;
            expect($zip->open($path))->toBeTrue();
            $xml = (string) $zip->getFromName('word/document.xml');
            $styles = (string) $zip->getFromName('word/styles.xml');
            unlink($path);
            expect($xml)->not->toContain('It was still', 'or Wren?');
            if ($form === 'manuscript') {
                expect($xml)->toContain('w:val="Scenebeginning"', 'w:val="Scenebreak"', 'Tove Aske')->and($styles)->toContain('<w:pageBreakBefore', 'Times New Roman');
            }
        }
    }
})->with(['manuscript', 'book', 'synopsis', 'cast', 'scenes']);

it('lays a DOCX that came back beside the draft, and takes its change over', function () {
    $docx = app(App\Library\Exports::class)->write($this->map->fresh(), $this->topics($this->map), new App\HandOver\Wish('docx', ChalkTree\HandOver\Choices::fromFields('', ['form' => 'manuscript'])));
    $ask = fn (string $bytes, ?string $branch = null) => $this->call('POST', "/api/maps/{$this->map->id}/draft/returned?branch=".($branch ?? $this->map->root), [], [], [], ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/octet-stream'], $bytes);
    $ask($docx)->assertOk()->assertJson(['changes' => [], 'same' => 4]);
    $answer = $ask(edited($docx, 'still', 'very still', 'Is it?'))->assertOk();
    expectShape('ReturnedAnswer', json_decode($answer->getContent()));
    $change = $answer->json('changes.0');
    expect($answer->json('changes'))->toHaveCount(1)
        ->and($change)->toMatchArray(['title' => 'The morning', 'sort' => 'changed', 'was' => 'It was still.', 'is' => 'It was very still.', 'who' => ['Ines Aske'], 'remarks' => [['who' => 'Ines Aske', 'text' => 'Is it?']]]);
    $edit = ['name' => 'text.revise'] + array_intersect_key($change, array_flip(['topic', 'was', 'is', 'after', 'at']));
    $this->sendEdits($this->map, [$edit])->assertJsonPath('edits.0.status', 'done');
    $this->sendEdits($this->map, [$edit])->assertJsonPath('edits.0.refusal.code', 'changed_since');
    expect($this->topics($this->map)->topic(($this->titled)('The morning'))->note)->toBe('It was very still.');
    $this->sendEdits($this->map, [['name' => 'undo']])->assertJsonPath('edits.0.status', 'done');
    foreach (['', 'no document', "PK\3\4 and no more", substr($docx, 0, 2_000)] as $bad) {
        $ask($bad)->assertUnprocessable();
    }
    $ask($docx, 'x')->assertUnprocessable();
    $this->flushSession();
    $this->actingAs($this->person('stranger@saltmere.example'));
    $ask($docx)->assertNotFound();
});
