<?php

declare(strict_types=1);

use App\Store\MapStore;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Reading;
use ChalkTree\Draw\SlipData;
use ChalkTree\Filter\Filter;
use ChalkTree\Filter\Narrowed;
use ChalkTree\Filter\Showing;
use ChalkTree\Map\Ids;
use Tests\Support\Chance;
use Tests\Support\RandomFacts;
use Tests\Support\RandomMaps;

/* What a browser is told of a narrowed map, whatever is done while it is. */

it('tells the whole as if nothing were narrowed, and beside it what is left, through random edits', function (int $seed) {
    $this->actingAs($this->tove = $this->person());
    $chance = new Chance(400 + $seed);
    $start = RandomMaps::map($chance, 25);
    RandomFacts::put($chance, $start, array_map(strval(...), array_keys($start->all())));
    $record = app(MapStore::class)->create($this->tove, $start);
    $browser = $this->getJson("/api/maps/{$record->id}")->json();
    $browser['rows'] = array_column(array_filter($browser['rows'], isOfMapOrTopic(...)), null, 'id');
    $browser['slips'] = array_column($browser['scene']['slips'], null, 'id');
    [$filter, $folded, $scope] = [null, [], null];
    $kept = [];
    for ($i = 0; $i < 40; $i++) {
        $map = $this->topics($record);
        $ids = array_map(strval(...), array_keys($map->all()));
        if ($i === 0 || $chance->yes(35)) {
            $text = $chance->pick(['boat', 'not done', 'a', 'who ines', 'has a note or overdue', 'level under 2', 'not (level over 1)', 'nowhere at all', '(', 'a '.str_repeat('or b ', 3)]);
            $said = $chance->yes(15) ? null : ['text' => $text, 'shows' => $chance->pick(['above', 'below', 'only', 'dim'])];
            $kept = $said !== null && ($filter['text'] ?? null) === $said['text'] ? $kept : [];
            $filter = $said;
            $folded = array_values(array_filter($ids, fn (): bool => $chance->yes(15)));
            $scope = $chance->yes(25) ? $chance->pick($ids) : null;
            $answer = $this->putJson("/api/maps/{$record->id}/view", ['since' => $browser['seq'], 'folded' => $folded, 'outlineFolded' => [], 'chosen' => null, 'scope' => $scope, 'outlineScope' => null, 'showing' => false, 'filter' => $filter])->assertOk();
        } else {
            $before = $map;
            $answer = $this->sendEdits($record, [$chance->yes(25) ? ['name' => $chance->pick(['undo', 'redo'])] : RandomMaps::edit($chance, $map)], $browser['seq'])->assertOk();
            // What was worked at is named in the rows that came, was above them before, or was what they were about.
            foreach ($answer->json('rows') as $row) {
                array_push($kept, ...($row['type'] === 'map' ? [] : $before->row($row['type'], $row['id'])?->topics() ?? []));
            }
            preg_match_all('/"([0-9a-z]{26})"/', (string) json_encode($answer->json('rows')), $named);
            array_push($kept, ...$named[1], ...array_map(fn (string $id): string => (string) $before->find($id)?->parent, $named[1]));
        }
        expectShape('EditsAnswer', json_decode($answer->getContent()));
        $browser = follow($browser, $answer->json());
        $map = $this->topics($record);
        $today = $this->tove->fresh()->today();
        $view = View::folding($folded, $scope, today: $today);
        $data = new SlipData;
        $drawn = function (View $view) use ($map, $data): array {
            $slips = array_map(fn ($slip): array => json_decode((string) json_encode($data->of($slip)), true), Layout::of($map, $view)->scene()->slips);
            ksort($slips);

            return $slips;
        };
        ksort($browser['slips']);
        expect($browser['slips'])->toEqual($drawn($view));

        $told = $answer->json('narrowed');
        $now = new Moment($map, $today);
        $condition = $filter === null ? null : Reading::of($filter['text'], $now)->condition;
        if ($condition === null) {
            expect($told)->toBeNull();

            continue;
        }
        // Whatever holds is hit; what else is told as a hit is what was worked at.
        $hits = Narrowed::to($now, $condition, Showing::from($filter['shows']), $scope)->hits;
        expect(array_diff($hits, $told['hits']))->toBe([])
            ->and(array_diff($told['hits'], $hits, $kept))->toBe([]);
        if ($filter['shows'] === 'dim') {
            expect($told['scene'])->toBeNull();

            continue;
        }
        $left = array_column($told['scene']['slips'], null, 'id');
        ksort($left);
        expect($told['scene']['reset'])->toBeTrue()
            ->and($left)->toEqual($drawn(Narrowed::to($now, $condition, Showing::from($filter['shows']), $scope, $told['hits'])->view($view)));
    }
})->with(range(1, 6));

it('opens narrowed as it was left, whatever was left', function (int $seed) {
    $this->actingAs($this->tove = $this->person());
    $chance = new Chance(900 + $seed);
    $record = app(MapStore::class)->create($this->tove, RandomMaps::map($chance, 300));
    foreach (['above', 'below', 'only', 'dim'] as $shows) {
        $told = $this->putJson("/api/maps/{$record->id}/view", ['since' => 0, 'folded' => [], 'outlineFolded' => [], 'chosen' => null, 'scope' => null, 'outlineScope' => null, 'showing' => false, 'filter' => ['text' => 'boat or level 1', 'shows' => $shows]])->assertOk();
        // Twice, since the whole is kept for who opens it next.
        foreach ([1, 2] as $_) {
            $open = $this->getJson("/api/maps/{$record->id}")->assertOk();
            expect($open->json('narrowed.hits'))->toBe($told->json('narrowed.hits'))
                ->and($open->json('narrowed.scene.slips'))->toEqual($told->json('narrowed.scene.slips'))
                ->and(count($open->json('scene.slips')))->toBe(count($this->topics($record)->all()));
        }
    }
})->with([1, 2]);

it('keeps filters like all else of a map: undone, compared, written to a file and read again', function () {
    $this->actingAs($this->tove = $this->person());
    $map = $this->mapOf($this->tove);
    $id = Ids::next();
    $when = json_encode(['all' => [['ask' => 'todo', 'is' => 'not-done'], ['ask' => 'below', 'topic' => $this->id($map, 'Lanterns')]]]);
    $this->sendEdits($map, [['name' => 'row.set', 'type' => 'filter', 'row' => $id, 'fields' => ['name' => 'Lanterns to do', 'when' => $when, 'shows' => 'below']]])->assertOk();
    expect($this->topics($map)->rowsOf(Filter::class))->toHaveCount(1);
    $this->sendEdits($map, [['name' => 'undo']])->assertOk();
    expect($this->topics($map)->rowsOf(Filter::class))->toBe([]);
    $this->sendEdits($map, [['name' => 'redo']])->assertOk();
    $history = $this->getJson("/api/maps/{$map->id}/history")->assertOk();
    expect(json_encode($history->json(), JSON_UNESCAPED_UNICODE))->toContain('filter');
    $copy = $this->getJson("/api/maps/{$map->id}/export?to=json")->assertOk();
    expect($copy->getContent())->toContain('Lanterns to do');
    foreach ([['name' => '', 'when' => $when], ['name' => 'x', 'when' => '{"ask":"weather"}'], ['name' => 'x', 'when' => 'not done'], ['name' => 'x', 'when' => $when, 'shows' => 'some']] as $fields) {
        $refused = $this->sendEdits($map, [['name' => 'row.set', 'type' => 'filter', 'row' => Ids::next(), 'fields' => $fields]], $map->fresh()->seq)->assertOk();
        expect($refused->json('edits.0.status'))->toBe('refused')->and($refused->json('edits.0.refusal.message'))->toEndWith('.');
    }
    // The topic below which it looks goes: then nothing is below it.
    $this->sendEdits($map, [['name' => 'topic.remove', 'topics' => [$this->id($map, 'Lanterns')]]], $map->fresh()->seq)->assertOk();
    expect($this->postJson("/api/maps/{$map->id}/filter", ['filter' => $id])->assertOk()->json('hits'))->toBe([]);
});

it('takes nothing that is no text, however it is put', function (mixed $text) {
    $this->actingAs($this->tove = $this->person());
    $map = $this->mapOf($this->tove);
    $this->postJson("/api/maps/{$map->id}/filter", ['text' => $text])->assertStatus(422);
})->with([[['a']], 7, true, str_repeat('x', 1_001), [['text' => 'a']]]);

it('answers texts of any script and sign', function (string $text) {
    $this->actingAs($this->tove = $this->person());
    $map = $this->mapOf($this->tove);
    $answer = $this->postJson("/api/maps/{$map->id}/filter", ['text' => $text])->assertOk();
    expectShape('FilterAnswer', json_decode($answer->getContent()));
    expect($answer->json('text'))->toBe($text);
})->with(['<script>alert(1)</script>', "'; drop table maps; --", '🏮🏮', 'فانوس', '提灯 or ランタン', "a\u{202e}b", '%00', '../../etc/passwd', '$(ls)', '${7*7}', "\u{feff}fog", str_repeat('(', 1_000), str_repeat('not ', 250)]);
